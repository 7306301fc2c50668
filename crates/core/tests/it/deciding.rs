//! Deciding progress, rule by rule. Facts of the trade and thresholds: common practice, no published source; the pain rules
//! after Thomeé 1997, Silbernagel 2007 and Holmgren 2012, from memory.

use super::shoulder::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::deciding::{Change, LineDecision, Move, apply, decide_line};
use ritorno_core::facts::{
    Facts, LeftBecause, Line, LogEntry, LogFact, OtherSide, SlipHow, Start, StopReason, Story,
};
use uuid::Uuid;

/// A line that has run for three weeks on a day, with whatever else the story says.
pub fn running(pathway: &str, gates: &[&str], exercise: &str, day: i32) -> Facts {
    let mut facts = shoulder(day);
    let start = if pathway == CUFF || pathway.ends_with("-repair") {
        Start::Surgery
    } else {
        Start::Gradual
    };
    facts.story = Story {
        pathway: pathway.into(),
        start,
        ..facts.story
    };
    facts.story.kit = known()
        .exercises
        .values()
        .flat_map(|e| e.kit.clone())
        .collect();
    for gate in gates {
        pass(&mut facts, gate, day - 25);
    }
    let dose = known().exercises[exercise].dose;
    facts.lines = vec![Line {
        id: Uuid::now_v7(),
        exercise: exercise.into(),
        from_day: day - 21,
        to_day: day + 40,
        dose,
        override_reason: None,
        by_hand: false,
    }];
    facts
}

pub fn log(facts: &mut Facts, day: i32, exercise: Option<&str>, fact: LogFact) {
    facts.log.push(LogEntry {
        id: Uuid::now_v7(),
        on: on(day),
        exercise: exercise.map(str::to_owned),
        fact,
        remark: String::new(),
    });
}

/// One whole day: all sessions of a day on which they are due, pain during, and the next morning.
pub fn whole_day(facts: &mut Facts, day: i32, during: f64, morning: f64) {
    let line = facts.lines[0].clone();
    let week = line.dose.days_per_week as i32;
    if (day * week) / 7 == ((day - 1) * week) / 7 {
        return;
    }
    log(
        facts,
        day,
        Some(&line.exercise),
        LogFact::Done {
            sessions: line.dose.times_per_day,
            repetitions: line.dose.repetitions,
        },
    );
    log(facts, day, None, LogFact::PainDuring { value: during });
    log(
        facts,
        day + 1,
        None,
        LogFact::PainNextMorning { value: morning },
    );
}

pub fn decide(facts: &Facts) -> LineDecision {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    decide_line(&assessment.ctx(), facts, &facts.lines[0]).expect("a known exercise")
}

/// Fourteen quiet days on day 34 of a cuff repair.
fn quiet() -> Facts {
    let mut facts = running(
        CUFF,
        &["to-protected-passive"],
        "assisted-elevation-lying-other-hand",
        34,
    );
    for day in 20..34 {
        whole_day(&mut facts, day, 1.0, 1.0);
    }
    facts
}

#[test]
fn whole_and_quiet_sessions_in_a_row_bring_more_of_the_same_then_the_next_rung() {
    let facts = quiet();
    let found = decide(&facts);
    assert_eq!(
        (found.kind, found.rule.rule.as_str()),
        (Move::ProgressDose, "progress-dose"),
        "{found:?}"
    );
    let Change::Dose { dose } = found.change else {
        panic!("{:?}", found.change)
    };
    let changed = [
        dose.repetitions > facts.lines[0].dose.repetitions,
        dose.sets > facts.lines[0].dose.sets,
        dose.hold_s > facts.lines[0].dose.hold_s,
    ];
    assert_eq!(
        changed.iter().filter(|c| **c).count(),
        1,
        "one thing at a time"
    );
    assert!(
        found.inputs.iter().any(|i| i.rule == "input-session") && found.patient.rule == "say-more"
    );
    // At the top of its range the next rung waits behind the gate: told as an alternative nobody may take.
    let top = |facts: &mut Facts, id: &str| {
        let range = &known().exercises[id].range;
        let dose = &mut facts.lines[0].dose;
        (dose.repetitions, dose.sets, dose.hold_s) =
            (range.repetitions[1], range.sets[1], range.hold_s[1]);
    };
    let mut full = running(
        CUFF,
        &["to-protected-passive"],
        "assisted-elevation-lying-other-hand",
        34,
    );
    top(&mut full, "assisted-elevation-lying-other-hand");
    let mut open = running(
        "subacromial-pain",
        &["to-restore", "to-loading"],
        "external-rotation-side-lying-weight",
        60,
    );
    top(&mut open, "external-rotation-side-lying-weight");
    for back in 1..15 {
        whole_day(&mut full, 34 - back, 1.0, 1.0);
        whole_day(&mut open, 60 - back, 1.0, 1.0);
    }
    let found = decide(&full);
    assert_eq!(found.kind, Move::HoldTooEarly, "{found:?}");
    assert!(
        found
            .alternatives
            .iter()
            .any(|a| a.kind == Move::NextRung && !a.overridable),
        "{:?}",
        found.alternatives
    );
    // Where no rule of healing is against it, it comes.
    let found = decide(&open);
    assert_eq!(found.kind, Move::NextRung, "{found:?}");
    assert!(
        matches!(&found.change, Change::Exercise { exercise, .. } if known().exercises["external-rotation-side-lying-weight"].next.contains(exercise))
    );
}

#[test]
fn unknown_is_never_settled() {
    let mut facts = quiet();
    facts
        .log
        .retain(|e| !(e.on == on(34) && matches!(e.fact, LogFact::PainNextMorning { .. })));
    assert_eq!(decide(&facts).rule.rule, "hold-no-morning-answer");
    let mut silent = quiet();
    silent
        .log
        .retain(|e| !matches!(e.fact, LogFact::PainDuring { .. }) || e.on < on(30));
    assert_eq!(decide(&silent).rule.rule, "hold-no-pain-answer");
    silent.log.clear();
    assert_eq!(
        decide(&silent).rule.rule,
        "silence-one-rung",
        "unlogged is not undone: it is asked about first"
    );
    log(
        &mut silent,
        30,
        Some("assisted-elevation-lying-other-hand"),
        LogFact::LeftOut { because: None },
    );
    assert_eq!(
        decide(&silent).rule.rule,
        "gap-one-rung",
        "three weeks left out, and said so"
    );
}

#[test]
fn what_was_left_out_because_it_hurt_is_held_until_it_was_done_again() {
    let exercise = "assisted-elevation-lying-other-hand";
    let left = |day, because| {
        let mut facts = quiet();
        log(
            &mut facts,
            day,
            Some(exercise),
            LogFact::LeftOut { because },
        );
        decide(&facts)
    };
    // Any other reason says nothing about the shoulder.
    for because in [None, Some(LeftBecause::NoTime), Some(LeftBecause::NoKit)] {
        assert_eq!(left(34, because).kind, Move::ProgressDose, "{because:?}");
    }
    let hurt = left(34, Some(LeftBecause::Hurt));
    assert_eq!(
        (hurt.kind, hurt.rule.rule.as_str()),
        (Move::HoldSore, "hold-left-hurt"),
        "{hurt:?}"
    );
    // Done again since, whole and quiet: it has settled.
    assert_eq!(left(30, Some(LeftBecause::Hurt)).rule.rule, "progress-dose");
}

#[test]
fn trouble_outranks_progress_in_the_stated_order() {
    // Two of the last three mornings two points above the usual.
    let mut sore = quiet();
    for day in [33, 34] {
        log(
            &mut sore,
            day,
            None,
            LogFact::PainNextMorning { value: 4.0 },
        );
    }
    assert_eq!(
        (decide(&sore).kind, decide(&sore).rule.rule.as_str()),
        (Move::StepBack, "back-mornings")
    );
    // Pain above its mode once holds with less load, twice running steps back. The mode of a repair is 2/10 (pain-free).
    let mut above = quiet();
    log(&mut above, 33, None, LogFact::PainDuring { value: 4.0 });
    assert_eq!(decide(&above).kind, Move::HoldSore);
    log(&mut above, 32, None, LogFact::PainDuring { value: 4.0 });
    assert_eq!(decide(&above).rule.rule, "back-pain-above");
    // A bad day eases one day and counts neither way; the third in a week steps back.
    let mut flare = quiet();
    log(&mut flare, 34, None, LogFact::FlareDay);
    assert_eq!(
        (decide(&flare).kind, decide(&flare).patient.rule.as_str()),
        (Move::Ease, "say-ease")
    );
    for day in [30, 32] {
        log(&mut flare, day, None, LogFact::FlareDay);
    }
    assert_eq!(decide(&flare).rule.rule, "back-flares");
    // Below the floor: more often, never harder. (End of week 6: 90°, so by day 44 a measurement of 70° is stiff.)
    let mut stiff = running(
        CUFF,
        &["to-protected-passive"],
        "assisted-elevation-lying-other-hand",
        44,
    );
    for day in 30..44 {
        whole_day(&mut stiff, day, 1.0, 1.0);
    }
    read(&mut stiff, "passive-elevation", 70.0, 43, StopReason::Stiff);
    let found = decide(&stiff);
    assert_eq!(found.kind, Move::HoldStiff, "{found:?}");
    // What hurt too much to be done is not done more often.
    let mut hurting = stiff.clone();
    let because = Some(LeftBecause::Hurt);
    let exercise = hurting.lines[0].exercise.clone();
    log(
        &mut hurting,
        44,
        Some(&exercise),
        LogFact::LeftOut { because },
    );
    let held = decide(&hurting);
    assert_eq!(held.rule.rule, "hold-left-hurt", "{held:?}");
    assert_eq!(held.change, Change::None);
    if let Change::Dose { dose } = found.change {
        let was = stiff.lines[0].dose;
        assert!(
            dose.times_per_day > was.times_per_day
                && (dose.sets, dose.repetitions, dose.load_kg)
                    == (was.sets, was.repetitions, was.load_kg)
        );
    }
    // Above the ceiling nothing goes on in that direction.
    let mut far = quiet();
    read(&mut far, "passive-elevation", 130.0, 33, StopReason::Stiff);
    assert_eq!(decide(&far).rule.rule, "hold-over-ceiling");
    // More than one and a half times the plan is not better.
    let mut eager = quiet();
    let repetitions = eager.lines[0].dose.repetitions;
    for day in 28..34 {
        log(
            &mut eager,
            day,
            Some("assisted-elevation-lying-other-hand"),
            LogFact::Done {
                sessions: 9,
                repetitions,
            },
        );
    }
    assert_eq!(decide(&eager).rule.rule, "hold-overdone");
}

/// A loose shoulder: at its own usual number a slip stops today and steps back; worse, and somebody is asked. It did not come in
/// a day: four symptom-free days before anything goes on.
#[test]
fn slips_are_told_apart_and_never_answered_by_going_on() {
    let mut loose = running(
        "instability-loose",
        &["to-low-range"],
        "external-rotation-side-lying-weight",
        60,
    );
    loose.story.other_side = OtherSide::Hypermobile;
    loose.story.slips_per_week = Some(2);
    for day in 46..60 {
        whole_day(&mut loose, day, 1.0, 1.0);
    }
    log(&mut loose, 60, None, LogFact::Slip);
    assert_eq!(decide(&loose).rule.rule, "stop-slip-usual");
    for _ in 0..2 {
        log(&mut loose, 60, None, LogFact::Slip);
    }
    assert_eq!(decide(&loose).rule.rule, "stop-slip");
    log(
        &mut loose,
        60,
        None,
        LogFact::SlipWorse {
            how: SlipHow::NewDirection,
        },
    );
    let found = decide(&loose);
    assert_eq!(
        (
            found.kind,
            found.rule.rule.as_str(),
            found.patient.rule.as_str()
        ),
        (Move::Stop, "stop-slip-worse", "say-stop")
    );
    // Out of joint or numb is a red flag: it pauses everything until what was done is on record.
    log(
        &mut loose,
        60,
        None,
        LogFact::SlipWorse { how: SlipHow::Numb },
    );
    assert_eq!(decide(&loose).rule.rule, "stop-flag");
    // Two days later it holds until four days are free of symptoms.
    let mut after = running(
        "instability-loose",
        &["to-low-range"],
        "external-rotation-side-lying-weight",
        60,
    );
    for day in 46..60 {
        whole_day(&mut after, day, 1.0, 1.0);
    }
    log(&mut after, 57, None, LogFact::Slip);
    assert_eq!(decide(&after).rule.rule, "hold-symptom-free");
}

/// Days without: a week the same rung's lower half, a fortnight one rung down, four weeks two down.
#[test]
fn gaps_step_down_by_their_length() {
    for (days, rule) in [
        (7, "gap-lower-half"),
        (14, "gap-one-rung"),
        (28, "gap-two-rungs"),
    ] {
        let mut facts = running(
            "subacromial-pain",
            &["to-restore", "to-loading"],
            "external-rotation-long-hold",
            80,
        );
        facts.lines[0].from_day = 20;
        for day in 30..80 - days {
            whole_day(&mut facts, day, 1.0, 1.0);
        }
        log(
            &mut facts,
            79,
            Some("external-rotation-long-hold"),
            LogFact::LeftOut { because: None },
        );
        let found = decide(&facts);
        assert_eq!(
            (found.kind, found.rule.rule.as_str()),
            (Move::StepBack, rule),
            "{days} days"
        );
    }
}

#[test]
fn a_change_ends_what_ran_and_begins_today_and_a_step_back_moves_the_later_rungs() {
    let facts = quiet();
    let ladder = |id: &str| known().exercises[id].ladder.clone();
    let mut lines = facts.lines.clone();
    lines[0].exercise = "assisted-elevation-counter-bow".into();
    let dose = known().exercises["assisted-elevation-lying-stick"].dose;
    lines.push(Line {
        id: Uuid::now_v7(),
        exercise: "assisted-elevation-lying-stick".into(),
        from_day: 38,
        to_day: 60,
        dose,
        override_reason: None,
        by_hand: false,
    });
    assert_eq!(
        (
            ladder("assisted-elevation-lying-other-hand"),
            ladder("assisted-elevation-counter-bow")
        ),
        (
            ladder("assisted-elevation-lying-stick"),
            ladder("assisted-elevation-lying-stick")
        )
    );
    let back = Change::Exercise {
        exercise: "assisted-elevation-lying-other-hand".into(),
        dose: known().exercises["assisted-elevation-lying-other-hand"].dose,
    };
    let after = apply(known(), &lines, lines[0].id, &back, 34, Uuid::now_v7());
    let find = |id: &str| after.iter().find(|l| l.exercise == id).expect("a line");
    assert_eq!(
        (
            find("assisted-elevation-counter-bow").to_day,
            find("assisted-elevation-lying-other-hand").from_day,
            find("assisted-elevation-lying-stick").from_day
        ),
        (34, 34, 48)
    );
    assert!(
        find("assisted-elevation-lying-other-hand").by_hand,
        "what a clinician decided is not undone by a new proposal"
    );
}

#[test]
fn mornings_pain_and_bad_days_count_from_their_bound_on() {
    let bound = |id: &str| known().thresholds[id].value;
    // The usual morning is 1 of 10.
    let mornings = |value: f64| {
        let mut facts = quiet();
        for day in [33, 34] {
            log(&mut facts, day, None, LogFact::PainNextMorning { value });
        }
        decide(&facts).rule.rule
    };
    let worse = 1.0 + bound("morning-rise-points");
    assert_eq!(mornings(worse), "back-mornings");
    assert_ne!(mornings(worse - 0.5), "back-mornings");
    let bad_days = |count: usize| {
        let mut facts = quiet();
        for day in [30, 31, 32, 33].into_iter().rev().take(count) {
            log(&mut facts, day, None, LogFact::FlareDay);
        }
        decide(&facts).rule.rule
    };
    let many = bound("flare-days-in-week") as usize;
    assert_eq!(bad_days(many), "back-flares");
    assert_ne!(bad_days(many - 1), "back-flares");
    let sore = |sessions: usize| {
        let mut facts = quiet();
        for day in [33, 32, 31].into_iter().take(sessions) {
            log(&mut facts, day, None, LogFact::PainDuring { value: 4.0 });
        }
        decide(&facts).rule.rule
    };
    let running = bound("pain-above-sessions") as usize;
    assert_eq!(sore(running), "back-pain-above");
    assert_ne!(sore(running - 1), "back-pain-above");
}

#[test]
fn so_many_whole_sessions_in_a_row_are_enough_and_one_less_is_not() {
    // Every session was done; the earlier ones with one repetition too few, so that adherence says nothing and the row begins late.
    let decided = |whole: i32| {
        let mut facts = quiet();
        let line = facts.lines[0].clone();
        for day in 20..34 - whole {
            let fact = LogFact::Done {
                sessions: line.dose.times_per_day,
                repetitions: line.dose.repetitions - 1,
            };
            log(&mut facts, day, Some(&line.exercise), fact);
        }
        decide(&facts)
    };
    let needed = known().thresholds["top-sessions-operated"].value as i32;
    let enough = decided(needed);
    assert_eq!(enough.kind, Move::ProgressDose, "{enough:?}");
    let short = decided(needed - 1);
    assert_eq!(
        (short.kind, short.rule.rule.as_str()),
        (Move::HoldTooEarly, "hold-not-yet")
    );
    let told = |name: &str| short.rule.args.get(name).cloned();
    use ritorno_core::reason::Arg::Number;
    assert_eq!(told("done"), Some(Number(f64::from(needed - 1))));
    assert_eq!(told("needed"), Some(Number(f64::from(needed))));
}
