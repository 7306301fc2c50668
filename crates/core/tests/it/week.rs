//! The week at home: days that suit, days apart, rest after slow lowering, appointments kept clear.

use crate::shoulder::{known, on, shoulder};
use chrono::{Datelike, NaiveTime};
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Demand, Exercise, HowHeld, Level, Weekdays};
use ritorno_core::rules::GateRule;
use ritorno_core::visit::home_kit;
use ritorno_core::week::{WeekPlan, week_plan};
use uuid::Uuid;

/// Of this pathway: a slow lowering, resisted work of the same muscles, and something that loads nothing.
fn three() -> (String, String, String) {
    let facts = late(Vec::new());
    let assessment = Assessment::new(known(), &facts).expect("a pathway");
    let rows: Vec<_> = known()
        .exercises
        .values()
        .filter(|e| assessment.rules.opening_phase(&e.id).is_some())
        .collect();
    let slow = rows
        .iter()
        .find(|e| e.demand.iter().any(|d| d.level == Level::Eccentric))
        .expect("a slow lowering");
    let group = |e: &Exercise| {
        let of = |d: &&Demand| d.level == Level::Eccentric;
        e.demand.iter().find(of).map(|d| d.group)
    };
    let of = |level: Level| {
        let same = |d: &Demand| Some(d.group) == group(slow) && d.level == level;
        rows.iter()
            .find(|e| e.demand.iter().any(same) && group(e).is_none())
    };
    let light = rows
        .iter()
        .find(|e| e.demand.iter().all(|d| d.level <= Level::Active));
    let name = |e: Option<&&Exercise>| e.expect("such a row").id.clone();
    (slow.id.clone(), name(of(Level::Resisted)), name(light))
}

fn line(exercise: &str, times: u32, days: u32) -> Line {
    let row = &known()
        .exercises
        .get(exercise)
        .unwrap_or_else(|| panic!("no {exercise}"));
    let mut dose = row.dose;
    (dose.times_per_day, dose.days_per_week, dose.weekdays) = (times, days, None);
    Line {
        id: Uuid::now_v7(),
        exercise: exercise.into(),
        from_day: 0,
        to_day: 400,
        dose,
        override_reason: None,
        by_hand: false,
    }
}

/// A shoulder late enough for everything, every gate passed, with these lines done before.
fn late(lines: Vec<Line>) -> Facts {
    let mut facts = shoulder(200);
    let assessment = Assessment::new(known(), &facts).expect("a pathway");
    let gates: Vec<GateRule> = assessment.rules.gates.clone();
    for gate in gates {
        facts.gate_passes.push(GatePass {
            id: Uuid::now_v7(),
            gate: gate.id.clone(),
            on: on(199),
            overridden: Default::default(),
        });
    }
    for line in &lines {
        facts.log.push(LogEntry {
            id: Uuid::now_v7(),
            on: on(198),
            exercise: Some(line.exercise.clone()),
            fact: LogFact::Done {
                sessions: 1,
                repetitions: 10,
            },
            remark: String::new(),
        });
    }
    facts.lines = lines;
    facts
}

fn plan(facts: &Facts) -> WeekPlan {
    let assessment = Assessment::new(known(), facts).expect("a pathway");
    week_plan(&assessment.ctx(), facts)
}

fn hours(days: [bool; 7], times: &[&str]) -> HomeHours {
    HomeHours {
        id: Uuid::now_v7(),
        on: on(190),
        days: Weekdays(days),
        times: times.iter().map(|t| t.parse().expect("a time")).collect(),
    }
}

/// The lines on the days that would be better.
fn moved(facts: &Facts) -> Facts {
    let mut out = facts.clone();
    for better in plan(facts).better {
        let line = out.lines.iter_mut().find(|l| l.id == better.line);
        line.expect("one of them").dose.weekdays = Some(better.days);
    }
    out
}

const ALL: [bool; 7] = [true; 7];

#[test]
fn days_lie_apart_where_they_suit_and_rest_follows_slow_lowering() {
    let (slow, resisted, light) = three();
    let mut facts = late(vec![
        line(&slow, 1, 2),
        line(&resisted, 1, 3),
        line(&light, 3, 7),
    ]);
    facts.home_hours = Some(hours([true, true, true, true, true, false, false], &[]));
    let after = moved(&facts);
    let days = |facts: &Facts, n: usize| facts.lines[n].dose.days().0;
    // Two days that suit, as far apart as five days let them.
    assert_eq!(days(&after, 0).iter().filter(|on| **on).count(), 2);
    assert!(
        !days(&after, 0)[5] && !days(&after, 0)[6] && !days(&after, 1)[5] && !days(&after, 1)[6]
    );
    for d in 0..7 {
        assert!(
            !(days(&after, 0)[d] && days(&after, 0)[(d + 1) % 7]),
            "two days running"
        );
    }
    // What is done every day stays on every day.
    assert_eq!(days(&after, 2), ALL);
    assert_eq!(plan(&after).better, [], "it is as good as it gets");
    // Resisted work on the day after is told, and told of the exercise that tires.
    let mut clash = after.clone();
    clash.lines[0].dose.weekdays = Some(Weekdays([true, false, false, false, false, false, false]));
    clash.lines[1].dose.weekdays = Some(Weekdays([false, true, false, false, false, false, false]));
    let week = plan(&clash);
    let told: Vec<u32> = week
        .days
        .iter()
        .filter(|day| day.notes.iter().any(|n| n.rule == "week-after-slow"))
        .map(|day| day.weekday)
        .collect();
    // A week from today begins in its middle: the day before the first is not in it.
    let first = week.days[0].weekday;
    assert_eq!(told, if first == 2 { vec![] } else { vec![2] });
    // What somebody chose by hand is left.
    clash.lines[0].by_hand = true;
    clash.lines[1].by_hand = true;
    assert_eq!(plan(&clash).better, []);
}

/// The check counts days by their number, the sheet and the telephone name them: two days of rest must not become seven of work.
#[test]
fn a_dose_names_as_many_days_as_it_counts() {
    let (slow, ..) = three();
    let mut dose = line(&slow, 1, 2).dose;
    dose.weekdays = Some(Weekdays(ALL));
    let fault = dose.fault(known()).expect("seven are not two");
    assert_eq!(
        (fault.field, fault.given, fault.max),
        ("weekdays", 7.0, 2.0)
    );
    dose.weekdays = Some(Weekdays([true, false, false, true, false, false, false]));
    assert_eq!(dose.fault(known()), None);
}

#[test]
fn sessions_lie_at_the_patient_s_hours_and_keep_clear_of_appointments() {
    let (_, _, light) = three();
    let mut facts = late(vec![line(&light, 2, 7)]);
    let at = |facts: &Facts, day: usize| -> Vec<Option<String>> {
        let sessions = &plan(facts).days[day].sessions;
        let hour = |t: NaiveTime| t.format("%H:%M").to_string();
        sessions.iter().map(|s| s.at.map(hour)).collect()
    };
    assert_eq!(at(&facts, 0), [None, None], "no hours were named");
    facts.home_hours = Some(hours(ALL, &["18:00:00", "07:30:00", "12:30:00"]));
    let spread = |a: &str, b: &str| vec![Some(a.to_owned()), Some(b.to_owned())];
    assert_eq!(at(&facts, 1), spread("07:30", "18:00"));
    facts.appointments.push(Appointment {
        id: Uuid::now_v7(),
        on: facts.today,
        day: on(201),
        time: "17:45:00".parse().expect("a time"),
        minutes: 30,
        how: HowHeld::Room,
    });
    assert_eq!(
        at(&facts, 1),
        spread("07:30", "12:30"),
        "clear of the appointment"
    );
    assert_eq!(at(&facts, 2), spread("07:30", "18:00"));
    // One hour for two sessions: the other one lies where it suits.
    facts.home_hours = Some(hours(ALL, &["07:30:00"]));
    assert_eq!(at(&facts, 2), [Some("07:30".to_owned()), None]);
    // On a day that does not suit there is no hour.
    let other = plan(&facts).days[3].weekday as usize - 1;
    let days: [bool; 7] = std::array::from_fn(|d| d != other);
    facts.home_hours = Some(hours(days, &["07:30:00", "18:00:00"]));
    assert_eq!(at(&facts, 3), [None, None]);
    assert_eq!(at(&facts, 4), spread("07:30", "18:00"));
    // More minutes than there are is told.
    facts.story.minutes_per_day = Some(1);
    let week = plan(&facts);
    let over = |n: &ritorno_core::reason::Reason| n.rule == "week-over-minutes";
    assert!(week.days.iter().all(|day| day.notes.iter().any(over)));
}

proptest! {
    /// Whatever the days and the hours: as many days as asked for, on suiting ones as far as there are, and every session has its lines.
    #[test]
    fn a_better_week_asks_for_as_much(
        suits in proptest::array::uniform7(any::<bool>()),
        days in 1u32..7,
        times in 1u32..5,
        hours_at in proptest::collection::vec(0u32..24, 0..6),
    ) {
        let (slow, resisted, light) = three();
        let mut facts = late(vec![line(&slow, 1, days.min(3)), line(&resisted, 1, days), line(&light, times, 7)]);
        let named: Vec<String> = hours_at.iter().map(|h| format!("{h:02}:00:00")).collect();
        let named: Vec<&str> = named.iter().map(String::as_str).collect();
        facts.home_hours = Some(hours(suits, &named));
        let after = moved(&facts);
        for (line, before) in after.lines.iter().zip(&facts.lines) {
            let Some(chosen) = line.dose.weekdays else { continue };
            prop_assert_eq!(chosen.count(), before.dose.days_per_week);
            let good = suits.iter().filter(|s| **s).count() as u32;
            let bad = (0..7).filter(|d| chosen.0[*d] && !suits[*d]).count() as u32;
            prop_assert_eq!(bad, before.dose.days_per_week.saturating_sub(good));
        }
        let week = plan(&after);
        for day in &week.days {
            let all = after.lines.iter().filter(|l| l.dose.on_weekday(day.date.weekday()));
            let asked: u32 = all.map(|l| l.dose.times_per_day).sum();
            let there: usize = day.sessions.iter().map(|s| s.lines.len()).sum();
            prop_assert_eq!(there as u32, asked);
            let mut at: Vec<_> = day.sessions.iter().filter_map(|s| s.at).collect();
            let before = at.clone();
            at.sort_unstable();
            at.dedup();
            prop_assert_eq!(at, before, "in order, each hour once");
        }
    }
}

/// The telephone asked why an exercise was left out, and nobody was told of the answer.
#[test]
fn what_was_missing_at_home_is_told_until_it_was_done_again() {
    let exercise = known()
        .exercises
        .values()
        .find(|e| e.kit == ["stick"] && plan_of(&e.id).is_some())
        .expect("an exercise with a stick");
    let mut facts = late(vec![line(&exercise.id, 1, 7)]);
    let kit = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("a pathway");
        home_kit(&assessment.ctx(), facts)
    };
    let left = |on_day: i32, fact: LogFact| LogEntry {
        id: Uuid::now_v7(),
        on: on(on_day),
        exercise: Some(exercise.id.clone()),
        fact,
        remark: String::new(),
    };
    assert_eq!(kit(&facts)[0].missed_on, None);
    let because = |because| LogFact::LeftOut {
        because: Some(because),
    };
    facts.log.push(left(199, because(LeftBecause::Tired)));
    assert_eq!(kit(&facts)[0].missed_on, None);
    facts.log.push(left(200, because(LeftBecause::NoKit)));
    let row = kit(&facts).remove(0);
    assert_eq!((row.kit.as_str(), row.there), ("stick", true));
    assert_eq!(
        (row.missed_on, row.exercises),
        (Some(on(200)), vec![exercise.id.clone()])
    );
    // The story knows that it is gone: the check says so, and a proposal is made without it.
    let mut without = facts.clone();
    without.story.kit.retain(|item| item != "stick");
    assert!(!kit(&without)[0].there);
    let proposed = Assessment::new(known(), &without)
        .expect("a pathway")
        .propose(Uuid::now_v7());
    assert!(!proposed.lines.is_empty());
    for line in &proposed.lines {
        assert!(
            !known().exercises[&line.exercise]
                .kit
                .contains(&"stick".to_owned())
        );
    }
    // Done again on a later look: it was found.
    facts.today = on(201);
    let done = LogFact::Done {
        sessions: 1,
        repetitions: 10,
    };
    facts.log.push(left(201, done));
    assert_eq!(kit(&facts)[0].missed_on, None);
}

/// Whether an exercise runs on the late shoulder.
fn plan_of(exercise: &str) -> Option<WeekPlan> {
    let facts = late(vec![line(exercise, 1, 7)]);
    Some(plan(&facts)).filter(|week| week.days.iter().all(|day| !day.sessions.is_empty()))
}
