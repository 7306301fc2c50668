//! The language of gates, part by part, and the order of the lanes.

use super::shoulder::*;
use chrono::{Datelike, Weekday};
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Comparison, Criterion, CriterionKind, LogEvent};
use ritorno_core::lanes::{LaneName, lane};
use ritorno_core::progress::{CriterionStatus as S, evaluate_gate, home_grid};
use ritorno_core::rules::GateRule;
use uuid::Uuid;

/// A leaf whose status is known beforehand, with the facts that make it so.
fn leaf(i: usize, status: S, facts: &mut Facts) -> Criterion {
    let code = format!("code-{i}");
    let today = facts.day();
    let mut sign = |holds: bool, day: i32| {
        facts.attestations.push(Attestation {
            id: Uuid::now_v7(),
            code: code.clone(),
            holds,
            on: on(day),
        })
    };
    match status {
        S::Met => sign(true, today),
        S::NotMet => sign(false, today),
        S::OutOfDate => sign(true, today - 20),
        S::NotMeasured => {}
    }
    Criterion {
        id: code.clone(),
        ask: CriterionKind::Attested {
            code,
            max_age_days: 7,
        },
    }
}

fn gate(criteria: Vec<Criterion>) -> GateRule {
    GateRule {
        id: "made-up".into(),
        from_phase: 1,
        opens_day: 14,
        holds_time: true,
        criteria,
    }
}

fn status_of(facts: &Facts, ask: CriterionKind) -> S {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    evaluate_gate(
        &assessment.ctx(),
        facts,
        &gate(vec![Criterion {
            id: "it".into(),
            ask,
        }]),
    )
    .status
}

const ALL: [S; 4] = [S::NotMet, S::OutOfDate, S::NotMeasured, S::Met];

proptest! {
    /// `all` takes the worst in the order not met, out of date, not measured, met; `any` the best;
    /// `at_least(k)` the k-th best. Written out the long way round.
    #[test]
    fn composites_take_the_worst_the_best_and_the_kth_best(parts in proptest::collection::vec(0usize..4, 1..6), k in 1usize..6) {
        let mut facts = shoulder(60);
        let of: Vec<Criterion> = parts.iter().enumerate().map(|(i, s)| leaf(i, ALL[*s], &mut facts)).collect();
        let count = |least: S| parts.iter().filter(|p| ALL[**p] >= least).count();
        let worst = ALL.into_iter().find(|s| parts.iter().any(|p| ALL[*p] == *s)).expect("a part");
        let best = ALL.into_iter().rev().find(|s| parts.iter().any(|p| ALL[*p] == *s)).expect("a part");
        prop_assert_eq!(status_of(&facts, CriterionKind::All { of: of.clone() }), worst);
        prop_assert_eq!(status_of(&facts, CriterionKind::Any { of: of.clone() }), best);
        let k = k.min(of.len());
        let kth = ALL.into_iter().rev().find(|s| count(*s) >= k).expect("a part");
        prop_assert_eq!(status_of(&facts, CriterionKind::AtLeast { k, of }), kth);
    }

    /// A comparison is met exactly when the number says so, whatever the number.
    #[test]
    fn a_score_is_compared_as_it_stands(value in 0u8..=10, bound in 0u8..=10) {
        let mut facts = shoulder(60);
        facts.scores.push(Score { id: Uuid::now_v7(), score: "rest-pain".into(), value: f64::from(value), on: on(58) });
        let ask = |op| CriterionKind::Score { score: "rest-pain".into(), op, value: f64::from(bound), max_age_days: 7 };
        prop_assert_eq!(status_of(&facts, ask(Comparison::AtMost)) == S::Met, value <= bound);
        prop_assert_eq!(status_of(&facts, ask(Comparison::AtLeast)) == S::Met, value >= bound);
    }
}

#[test]
fn a_share_of_the_other_side_needs_the_other_side() {
    let mut facts = shoulder(100);
    read(&mut facts, "passive-er-90", 80.0, 99, StopReason::Stiff);
    let ask = CriterionKind::Measure {
        quantity: "passive-er-90".into(),
        op: Comparison::AtLeast,
        value: 90.0,
        of_other_side: true,
        max_age_days: 14,
    };
    assert_eq!(status_of(&facts, ask.clone()), S::NotMeasured);
    let mut other = facts.measurements[0].clone();
    other.side = facts.story.side.other();
    other.value = 90.0;
    facts.measurements.insert(0, other.clone());
    assert_eq!(
        status_of(&facts, ask.clone()),
        S::NotMet,
        "80 of 90 is 88.9 %"
    );
    facts.measurements[0].value = 88.0;
    assert_eq!(status_of(&facts, ask), S::Met, "80 of 88 is 90.9 %");
}

#[test]
fn slips_count_back_from_today() {
    let mut facts = shoulder(60);
    let ask = CriterionKind::SymptomFreeDays { n: 14 };
    assert_eq!(
        status_of(&facts, ask.clone()),
        S::NotMeasured,
        "an empty log proves nothing"
    );
    let slip = |day| LogEntry {
        id: Uuid::now_v7(),
        on: on(day),
        exercise: None,
        fact: LogFact::Slip,
        remark: String::new(),
    };
    let calm = |day| LogEntry {
        id: Uuid::now_v7(),
        on: on(day),
        exercise: None,
        fact: LogFact::PainDuring { value: 1.0 },
        remark: String::new(),
    };
    facts.log.push(calm(59));
    assert_eq!(
        status_of(&facts, ask.clone()),
        S::NotMeasured,
        "one quiet day is no fortnight"
    );
    facts.log.clear();
    facts.log.push(slip(46));
    assert_eq!(
        status_of(&facts, ask.clone()),
        S::NotMeasured,
        "nothing was heard since"
    );
    facts.log.push(calm(59));
    assert_eq!(status_of(&facts, ask.clone()), S::Met);
    facts.log.pop();
    facts.log.push(slip(47));
    assert_eq!(status_of(&facts, ask), S::NotMet);
    let count = |n: f64, days| CriterionKind::CountFromLog {
        event: LogEvent::Slip,
        window_days: days,
        op: Comparison::AtMost,
        n,
    };
    assert_eq!(
        status_of(&facts, count(1.0, 14)),
        S::Met,
        "day 46 lies outside the fortnight that ends today"
    );
    assert_eq!(status_of(&facts, count(1.0, 15)), S::NotMet);
    assert_eq!(
        status_of(&facts, count(0.0, 5)),
        S::NotMeasured,
        "nothing was logged in those five days"
    );
}

#[test]
fn pain_above_the_mode_is_counted_and_pain_inside_it_is_not() {
    let mut facts = shoulder(60);
    for (day, value) in [(55, 2.0), (56, 3.0), (57, 5.0), (58, 2.0)] {
        facts.log.push(LogEntry {
            id: Uuid::now_v7(),
            on: on(day),
            exercise: None,
            fact: LogFact::PainDuring { value },
            remark: String::new(),
        });
    }
    let ask = |n: f64| CriterionKind::CountFromLog {
        event: LogEvent::PainAboveMode,
        window_days: 7,
        op: Comparison::AtMost,
        n,
    };
    assert_eq!(
        (status_of(&facts, ask(1.0)), status_of(&facts, ask(2.0))),
        (S::NotMet, S::Met)
    );
}

/// The week at home as a grid: what was planned on each day by the calendar's own rule, and what is known, kept apart.
#[test]
fn the_grid_of_the_week_tells_planned_rest_known_and_unknown_apart() {
    let mut facts = shoulder(40);
    pass(&mut facts, "to-protected-passive", 14);
    let exercise = "assisted-elevation-lying-other-hand";
    let mut dose = known().exercises[exercise].dose;
    (dose.times_per_day, dose.days_per_week) = (2, 3);
    facts.lines = vec![Line {
        id: Uuid::now_v7(),
        exercise: exercise.into(),
        from_day: 36,
        to_day: 60,
        dose,
        override_reason: None,
        by_hand: false,
    }];
    let entry = |day: i32, fact| LogEntry {
        id: Uuid::now_v7(),
        on: on(day),
        exercise: Some(exercise.into()),
        fact,
        remark: String::new(),
    };
    let did = |sessions| LogFact::Done {
        sessions,
        repetitions: 10,
    };
    let left = |because| LogFact::LeftOut { because };
    facts.log = vec![
        entry(36, did(1)),
        entry(37, left(Some(LeftBecause::Tired))),
        // A later word corrects the earlier one.
        entry(37, did(2)),
        entry(38, left(None)),
        entry(38, left(Some(LeftBecause::NoKit))),
        entry(38, left(Some(LeftBecause::Hurt))),
    ];
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let grid = home_grid(&assessment.ctx(), &facts, 7);
    assert_eq!(grid.days, (34..=40).map(on).collect::<Vec<_>>());
    let [row] = grid.rows.as_slice() else {
        panic!("one row: {:?}", grid.rows)
    };
    let done: Vec<Option<u32>> = row.cells.iter().map(|c| c.done).collect();
    assert_eq!(done[2..], [Some(1), Some(2), Some(0), None, None]);
    let because: Vec<_> = row.cells.iter().map(|c| c.because).collect();
    assert_eq!(because[2..5], [None, None, Some(LeftBecause::Hurt)]);
    for (date, cell) in grid.days.iter().zip(&row.cells) {
        // Three days of a week spread evenly from Monday: Monday, Wednesday, Friday.
        let works = matches!(date.weekday(), Weekday::Mon | Weekday::Wed | Weekday::Fri);
        let wanted = (*date >= on(36)).then_some(if works { 2 } else { 0 });
        assert_eq!(cell.planned, wanted, "{date}");
    }
}

#[test]
fn adherence_leaves_out_today_and_days_without_a_plan() {
    let mut facts = shoulder(40);
    pass(&mut facts, "to-protected-passive", 14);
    let dose = known().exercises["assisted-elevation-lying-other-hand"].dose; // three times a day
    facts.lines.push(Line {
        id: Uuid::now_v7(),
        exercise: "assisted-elevation-lying-other-hand".into(),
        from_day: 36,
        to_day: 60,
        dose,
        override_reason: None,
        by_hand: false,
    });
    let assessment = |facts: &Facts| {
        let a = Assessment::new(known(), facts).expect("a known pathway");
        ritorno_core::progress::adherence_pct(&a.ctx(), facts, 14)
    };
    assert_eq!(assessment(&facts), None);
    let done = |day: i32, sessions: u32| LogEntry {
        id: Uuid::now_v7(),
        on: on(day),
        exercise: Some("assisted-elevation-lying-other-hand".into()),
        fact: LogFact::Done {
            sessions,
            repetitions: 10,
        },
        remark: String::new(),
    };
    facts.log = vec![done(36, 3), done(37, 3), done(38, 0), done(40, 3)];
    assert_eq!(
        assessment(&facts),
        Some(50.0),
        "6 of 12 planned on days 36 to 39; today does not count yet"
    );
    facts.log.push(done(39, 9));
    assert_eq!(
        assessment(&facts),
        Some(75.0),
        "more than planned counts as planned"
    );
    facts.log.push(done(39, 1));
    assert_eq!(
        assessment(&facts).map(f64::round),
        Some(58.0),
        "7 of 12: a later entry corrects the earlier one"
    );
}

#[test]
fn lanes_put_harm_before_delay() {
    // Everything at once: a slip, a measurement above its ceiling, a gate that is due, another below its floor.
    let mut facts = shoulder(43);
    pass(&mut facts, "to-protected-passive", 14);
    read(&mut facts, "passive-er-side", 12.0, 40, StopReason::Stiff);
    read(
        &mut facts,
        "passive-elevation",
        160.0,
        42,
        StopReason::Stiff,
    );
    facts.log.push(LogEntry {
        id: Uuid::now_v7(),
        on: on(42),
        exercise: None,
        fact: LogFact::Slip,
        remark: String::new(),
    });
    let name =
        |facts: &Facts| lane(&Assessment::new(known(), facts).expect("a known pathway")).lane;
    assert_eq!(name(&facts), LaneName::SomethingIsWrong);
    facts.log.clear();
    assert_eq!(name(&facts), LaneName::TooFar);
    facts
        .measurements
        .retain(|r| r.quantity != "passive-elevation");
    assert_eq!(name(&facts), LaneName::GateDue);
    pass(&mut facts, "to-assisted", 43);
    assert_eq!(name(&facts), LaneName::TooStiff);
    facts.measurements.clear();
    assert_eq!(name(&facts), LaneName::ReMeasure);
    for quantity in [
        "passive-elevation",
        "passive-er-side",
        "active-elevation-lying",
    ] {
        read(
            &mut facts,
            quantity,
            if quantity.contains("er") { 30.0 } else { 100.0 },
            43,
            StopReason::Stiff,
        );
    }
    assert_eq!(name(&facts), LaneName::Quiet);
    // A slip stops being today's matter after a week, and an old answer of "yes" does not.
    facts.log.push(LogEntry {
        id: Uuid::now_v7(),
        on: on(36),
        exercise: None,
        fact: LogFact::Slip,
        remark: String::new(),
    });
    assert_eq!(name(&facts), LaneName::Quiet);
    facts.flag_answers.push(FlagAnswer {
        flag: "cord".into(),
        answer: Answer::Yes,
        on: on(30),
        id: Uuid::now_v7(),
        about: Vec::new(),
        because: None,
    });
    assert_eq!(name(&facts), LaneName::SomethingIsWrong);
}
