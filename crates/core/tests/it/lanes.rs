//! What spares work without changing an answer: the index of the log, the day on which work opens, and lanes.
//!
//! A lane says on which day it may say something else: between those days nobody needs to work it out.

use crate::shoulder::{known, limit, on, pass, read, shoulder};
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::context::LogIndex;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Group, Level};
use ritorno_core::lanes::{Lane, LaneName, lane, next_change};
use ritorno_core::rules::{Choices, Rules};
use uuid::Uuid;

fn lane_on(facts: &Facts, day: i32) -> Lane {
    let mut then = facts.clone();
    then.today = on(day);
    let assessment = Assessment::new(known(), &then).expect("a known pathway");
    lane(&assessment)
}

/// Lanes day by day, worked out only on the days that a lane named; and how often that was.
fn by_named_days(facts: &Facts, days: std::ops::Range<i32>, most: u32) -> (Vec<Lane>, usize) {
    let (mut out, mut worked): (Vec<Lane>, usize) = (Vec::new(), 0);
    let mut due = on(days.start);
    for day in days {
        if on(day) >= due {
            let now = lane_on(facts, day);
            let mut then = facts.clone();
            then.today = on(day);
            due = next_change(known(), &then, &now, most);
            assert!(due > on(day), "a day to come");
            out.push(now);
            worked += 1;
        } else {
            out.push(out.last().expect("worked out before").clone());
        }
    }
    (out, worked)
}

#[test]
fn working_out_lanes_on_the_named_days_only_gives_what_every_day_gives() {
    let mut measured = shoulder(20);
    read(
        &mut measured,
        "passive-elevation",
        95.0,
        20,
        StopReason::Stiff,
    );
    read(
        &mut measured,
        "passive-er-side",
        15.0,
        20,
        StopReason::Stiff,
    );
    pass(&mut measured, "to-protected-passive", 15);
    let mut limited = measured.clone();
    limited.limits = vec![limit("passive-elevation", 100.0, Some(42))];
    let mut sore = measured.clone();
    sore.log.push(LogEntry {
        id: Uuid::now_v7(),
        exercise: None,
        on: on(22),
        fact: LogFact::Slip,
        remark: String::new(),
    });
    let (mut worked_in_all, mut moved_in_all) = (0, 0);
    for facts in [shoulder(20), measured, limited, sore] {
        let every: Vec<Lane> = (20..80).map(|day| lane_on(&facts, day)).collect();
        moved_in_all += every.windows(2).filter(|w| w[0] != w[1]).count();
        let (named, worked) = by_named_days(&facts, 20..80, 14);
        assert_eq!(named, every);
        worked_in_all += worked;
    }
    assert!(moved_in_all >= 4, "{moved_in_all}: nothing to forget");
    assert!(
        worked_in_all < 4 * 60 / 2,
        "{worked_in_all} times is no gain over every day"
    );
}

/// What a log says of one exercise on one day, found by walking through all of it.
fn walked(facts: &Facts, exercise: Option<&str>, day: i32) -> Vec<LogFact> {
    let told = facts.log.iter();
    told.filter(|e| e.exercise.as_deref() == exercise && facts.day_of(e.on) == day)
        .map(|e| e.fact)
        .collect()
}

proptest! {
    /// Entries in any order, late ones among them: the index finds what a walk through the whole log finds.
    #[test]
    fn the_index_of_the_log_says_what_the_log_says(
        told in proptest::collection::vec((0i32..12, 0usize..4, 0usize..5, 0u32..4), 0..60),
    ) {
        const WHO: [Option<&str>; 4] = [None, Some("a"), Some("b"), Some("c")];
        let mut facts = shoulder(20);
        facts.log = (told.iter())
            .map(|(day, who, what, n)| LogEntry {
                id: Uuid::nil(),
                exercise: WHO[*who].map(str::to_owned),
                on: on(*day),
                fact: match what {
                    0 => LogFact::Done { sessions: *n, repetitions: 10 },
                    1 => LogFact::LeftOut { because: None },
                    2 => LogFact::PainNextMorning { value: f64::from(*n) },
                    3 => LogFact::Slip,
                    _ => LogFact::FlareDay,
                },
                remark: String::new(),
            })
            .collect();
        let index = LogIndex::of(&facts);
        for day in -1..13 {
            let whole: Vec<LogFact> = index.whole_day(&facts, day).facts().copied().collect();
            prop_assert_eq!(whole, walked(&facts, None, day));
            for who in WHO.into_iter().flatten() {
                let own: Vec<LogFact> = index.own(&facts, who, day).facts().copied().collect();
                let all = walked(&facts, Some(who), day);
                let last = all.iter().rev().find_map(|f| match f {
                    LogFact::Done { sessions, .. } => Some(*sessions),
                    LogFact::LeftOut { .. } => Some(0),
                    _ => None,
                });
                prop_assert_eq!(own, all);
                prop_assert_eq!(index.sessions(&facts, who, day), last);
            }
        }
        for who in WHO.into_iter().flatten() {
            let days: Vec<i32> = index.days(&facts, who).map(|(day, _)| day).collect();
            let expected: Vec<i32> = (0..12).filter(|d| !walked(&facts, Some(who), *d).is_empty()).collect();
            prop_assert_eq!(days, expected);
        }
        let slips = facts.log.iter().filter(|e| e.fact.is_slip());
        prop_assert!(index.slips(&facts).eq(slips));
    }
}

/// The day that is named opens the work, no day before it does, and none is named where none comes.
#[test]
fn work_that_is_not_permitted_names_the_first_day_on_which_it_is() {
    let levels = [
        Level::Active,
        Level::Isometric,
        Level::ResistedLight,
        Level::Resisted,
        Level::Ballistic,
    ];
    let groups = [
        Group::Cuff,
        Group::Subscapularis,
        Group::Deltoid,
        Group::Distal,
    ];
    let (mut opened, mut never) = (0, 0);
    for pathway in known().pathways.values().filter(|p| !p.phases.is_empty()) {
        for modifiers in [
            Vec::new(),
            known().modifiers.iter().map(|m| m.id.clone()).collect(),
        ] {
            let choices = Choices {
                modifiers,
                ..Choices::default()
            };
            let rules = Rules::new(known(), pathway, &choices);
            let end = rules.end_day + 400;
            for (group, level) in groups
                .iter()
                .flat_map(|g| levels.iter().map(move |l| (*g, *l)))
            {
                let permits = |day| {
                    rules
                        .allowance(day)
                        .is_some_and(|a| a.permits(group, level))
                };
                for day in (0..rules.end_day).step_by(9).filter(|day| !permits(*day)) {
                    let walked = (day + 1..end).find(|later| permits(*later));
                    let named = rules.permitted_from(group, level, day);
                    // What only a later phase opens lies on no day yet.
                    let named = named.filter(|named| *named < end);
                    assert_eq!(
                        named, walked,
                        "{} {group:?} {level:?} day {day}",
                        pathway.id
                    );
                    opened += usize::from(walked.is_some());
                    never += usize::from(walked.is_none());
                }
            }
        }
    }
    assert!(opened > 100 && never > 10, "{opened} {never}");
}

#[test]
fn a_week_without_a_word_is_a_reason_once_a_telephone_was_let_in() {
    // In the middle of a phase, measured today and nothing due: quiet, whatever was told at home.
    let mut facts = shoulder(30);
    for (quantity, value) in [("passive-elevation", 100.0), ("passive-er-side", 20.0)] {
        read(&mut facts, quantity, value, 29, StopReason::Stiff);
    }
    pass(&mut facts, "to-protected-passive", 14);
    let exercise = &known().exercises["hand-elbow-finger-open-close"];
    facts.lines = vec![Line {
        id: Uuid::nil(),
        exercise: exercise.id.clone(),
        from_day: 20,
        to_day: 40,
        dose: exercise.dose,
        override_reason: None,
        by_hand: false,
    }];
    let word = |facts: &Facts, day| lane_on(facts, day).reason.rule;
    assert_ne!(word(&facts, 30), "lane-silent");
    facts.phone_since = Some(on(23));
    // The seventh day without one, not the sixth.
    assert_ne!(word(&facts, 29), "lane-silent");
    assert_eq!(word(&facts, 30), "lane-silent");
    assert_eq!(lane_on(&facts, 30).lane, LaneName::ReMeasure);
    // Any word will do; nor is anybody asked who has nothing to do at home.
    let told = LogEntry {
        id: Uuid::from_u128(1),
        on: on(24),
        exercise: None,
        fact: LogFact::PainNextMorning { value: 1.0 },
        remark: String::new(),
    };
    let mut spoke = facts.clone();
    spoke.log.push(told);
    assert_ne!(word(&spoke, 30), "lane-silent");
    assert_eq!(word(&spoke, 31), "lane-silent");
    facts.lines.clear();
    assert_ne!(word(&facts, 30), "lane-silent");
}
