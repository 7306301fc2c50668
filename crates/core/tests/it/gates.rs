//! Flags, ceilings and gates, one example each.

use super::shoulder::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::flags::FlagState;
use ritorno_core::lanes::{LaneName, lane};
use ritorno_core::progress::{CriterionStatus as S, next_gate};
use ritorno_core::ranges::{calls, dials, measurement_view, possible};
use ritorno_core::rules::{Ceiling, ceiling_on, floor_on};
use uuid::Uuid;

fn lane_of(facts: &Facts) -> LaneName {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    lane(&assessment).lane
}

fn flag_state(facts: &Facts, flag: &str) -> Option<FlagState> {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    assessment
        .flags
        .iter()
        .find(|f| f.flag == flag)
        .map(|f| f.state)
}

/// A shoulder on day 44, in phase 2, with everything the gate asks for.
fn ready(day: i32) -> Facts {
    let mut f = shoulder(day);
    pass(&mut f, "to-protected-passive", 15);
    read(
        &mut f,
        "passive-elevation",
        105.0,
        day - 2,
        StopReason::Stiff,
    );
    read(&mut f, "passive-er-side", 25.0, day - 2, StopReason::Stiff);
    f.scores.push(Score {
        id: Uuid::now_v7(),
        score: "rest-pain".into(),
        value: 2.0,
        on: on(day - 1),
    });
    f.attestations.push(Attestation {
        id: Uuid::now_v7(),
        code: "no-guarding".into(),
        holds: true,
        on: on(day - 1),
    });
    let dose = known().exercises["assisted-elevation-lying-other-hand"].dose;
    f.lines.push(Line {
        id: Uuid::now_v7(),
        exercise: "assisted-elevation-lying-other-hand".into(),
        from_day: 20,
        to_day: 60,
        dose,
        override_reason: None,
        by_hand: false,
    });
    for back in 1..14 {
        let fact = LogFact::Done {
            sessions: 2,
            repetitions: 10,
        };
        f.log.push(LogEntry {
            id: Uuid::now_v7(),
            on: on(day - back),
            exercise: Some("assisted-elevation-lying-other-hand".into()),
            fact,
            remark: String::new(),
        });
    }
    f
}

fn status(facts: &Facts, id: &str) -> S {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    let gate = next_gate(&assessment.ctx(), facts).expect("a gate");
    gate.criteria
        .iter()
        .find(|c| c.id == id)
        .unwrap_or_else(|| panic!("{id} in {gate:#?}"))
        .status
}

#[test]
fn a_gate_needs_time_and_every_criterion() {
    let facts = ready(44);
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let gate = next_gate(&assessment.ctx(), &facts).expect("a gate");
    assert_eq!(
        (gate.status, gate.met, gate.total),
        (S::Met, 7, 7),
        "{gate:#?}"
    );
    assert_eq!(lane_of(&facts), LaneName::GateDue);
    // The same findings a week earlier: every criterion but time.
    let early = ready(41);
    assert_eq!(status(&early, "time"), S::NotMet);
    assert_eq!(status(&early, "elevation"), S::Met);
}

#[test]
fn each_status_has_its_cause() {
    let mut facts = ready(44);
    facts.scores.clear();
    assert_eq!(status(&facts, "rest-pain"), S::NotMeasured);
    facts.scores.push(Score {
        id: Uuid::now_v7(),
        score: "rest-pain".into(),
        value: 1.0,
        on: on(30),
    });
    assert_eq!(status(&facts, "rest-pain"), S::OutOfDate);
    facts.scores.push(Score {
        id: Uuid::now_v7(),
        score: "rest-pain".into(),
        value: 4.0,
        on: on(44),
    });
    assert_eq!(status(&facts, "rest-pain"), S::NotMet);
    facts.log.clear();
    assert_eq!(
        status(&facts, "sessions-done"),
        S::NotMeasured,
        "unlogged is not undone"
    );
    facts.log.push(LogEntry {
        id: Uuid::now_v7(),
        on: on(43),
        exercise: Some("assisted-elevation-lying-other-hand".into()),
        fact: LogFact::LeftOut { because: None },
        remark: String::new(),
    });
    assert_eq!(status(&facts, "sessions-done"), S::NotMet);
    facts.attestations[0].holds = false;
    assert_eq!(status(&facts, "relaxed"), S::NotMet);
}

#[test]
fn a_measurement_over_its_ceiling_is_never_met_and_never_excused_by_error() {
    let mut facts = ready(44);
    facts
        .measurements
        .retain(|r| r.quantity != "passive-elevation");
    read(
        &mut facts,
        "passive-elevation",
        121.0,
        41,
        StopReason::Stiff,
    );
    assert_eq!(
        status(&facts, "elevation"),
        S::NotMet,
        "120 was the ceiling on that day, though it is 155 today"
    );
    let mut facts = ready(41);
    facts.measurements.clear();
    read(
        &mut facts,
        "passive-elevation",
        120.5,
        41,
        StopReason::Stiff,
    );
    read(&mut facts, "passive-er-side", 25.0, 41, StopReason::Stiff);
    assert_eq!(status(&facts, "elevation"), S::NotMet);
    assert_eq!(status(&facts, "no-ceiling-breach"), S::NotMet);
    assert_eq!(lane_of(&facts), LaneName::TooFar);
}

#[test]
fn at_the_limit_satisfies_a_floor_and_is_not_called_stiff() {
    let mut facts = ready(44);
    facts.limits.push(limit("passive-elevation", 80.0, None));
    facts
        .measurements
        .retain(|r| r.quantity != "passive-elevation");
    read(
        &mut facts,
        "passive-elevation",
        80.0,
        44,
        StopReason::AtLimit,
    );
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    assert!(calls(&assessment.ctx(), &facts, "passive-elevation").is_empty());
    // The pathway's floor of 90 can never rise above the surgeon's ceiling of 80.
    assert_eq!(
        floor_on(
            &assessment.rules,
            &facts.limits,
            "passive-elevation",
            44,
            44
        ),
        Some(80.0)
    );
}

#[test]
fn too_stiff_is_seen_the_day_a_floor_counts() {
    let mut facts = ready(41);
    facts
        .measurements
        .retain(|r| r.quantity != "passive-elevation");
    read(&mut facts, "passive-elevation", 85.0, 41, StopReason::Stiff);
    assert_eq!(lane_of(&facts), LaneName::Quiet);
    facts.today = on(42);
    assert!(
        calls(
            &Assessment::new(known(), &facts).expect("known").ctx(),
            &facts,
            "passive-elevation"
        )
        .iter()
        .any(|r| r.rule == "measurement-below-floor")
    );
}

#[test]
fn two_measurements_at_home_count_as_one_in_the_room() {
    let mut facts = ready(44);
    facts
        .measurements
        .retain(|r| r.quantity != "passive-elevation");
    read(
        &mut facts,
        "passive-elevation",
        100.0,
        42,
        StopReason::Stiff,
    );
    facts.measurements.last_mut().expect("a measurement").by = TakenBy::Patient;
    assert_eq!(status(&facts, "elevation"), S::NotMeasured);
    read(
        &mut facts,
        "passive-elevation",
        102.0,
        44,
        StopReason::Stiff,
    );
    facts.measurements.last_mut().expect("a measurement").by = TakenBy::Patient;
    assert_eq!(
        status(&facts, "elevation"),
        S::NotMeasured,
        "two days apart is too close"
    );
    facts.today = on(45);
    read(
        &mut facts,
        "passive-elevation",
        102.0,
        45,
        StopReason::Stiff,
    );
    facts.measurements.last_mut().expect("a measurement").by = TakenBy::Patient;
    assert_eq!(status(&facts, "elevation"), S::Met);
}

#[test]
fn active_beyond_passive_is_kept_and_not_used() {
    let mut facts = shoulder(60);
    read(
        &mut facts,
        "passive-elevation",
        100.0,
        60,
        StopReason::Stiff,
    );
    read(
        &mut facts,
        "active-elevation-lying",
        118.0,
        60,
        StopReason::Weak,
    );
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let view = measurement_view(&assessment.ctx(), &facts, &facts.measurements[1]);
    assert!(view.impossible.is_some() && !view.usable());
    assert_eq!(facts.measurements.len(), 2);
}

#[test]
fn the_surgeon_replaces_the_pathway_and_the_end_is_confirmed_by_hand() {
    let pathway = &rules(CUFF);
    let dated = [limit("passive-er-side", 20.0, Some(42))];
    let at = |limits: &[SurgeonLimit], day, today| {
        ceiling_on(pathway, limits, "passive-er-side", day, today)
    };
    assert_eq!(at(&dated, 38, 38).ceiling, Ceiling::UpTo { value: 20.0 });
    assert_eq!(at(&dated, 38, 38).reason.rule, "ceiling-surgeon");
    // A coming day is planned on the pathway's value, and says so.
    assert_eq!(at(&dated, 43, 38).ceiling, Ceiling::UpTo { value: 45.0 });
    assert!(at(&dated, 43, 38).provisional);
    // Once the day has come the limit goes on holding until somebody confirms its end.
    assert_eq!(at(&dated, 43, 43).ceiling, Ceiling::UpTo { value: 20.0 });
    assert!(at(&dated, 43, 43).awaits_confirmation);
    let confirmed = [SurgeonLimit {
        ended_on: Some(on(43)),
        ..dated[0].clone()
    }];
    assert_eq!(
        at(&confirmed, 43, 43).ceiling,
        Ceiling::UpTo { value: 45.0 }
    );
    // Looser only as a release.
    let looser = [limit("passive-er-side", 60.0, None)];
    assert_eq!(at(&looser, 38, 38).ceiling, Ceiling::UpTo { value: 30.0 });
    let released = [SurgeonLimit {
        release: Some(Release {
            role: "surgeon".into(),
            on: on(38),
        }),
        ..looser[0].clone()
    }];
    assert_eq!(at(&released, 38, 38).ceiling, Ceiling::UpTo { value: 60.0 });
}

#[test]
fn findings_raise_flags_too() {
    let mut facts = shoulder(90);
    read(
        &mut facts,
        "passive-elevation",
        150.0,
        90,
        StopReason::Stiff,
    );
    read(
        &mut facts,
        "active-elevation-upright",
        95.0,
        90,
        StopReason::Weak,
    );
    assert_eq!(
        flag_state(&facts, "active-passive-gap"),
        Some(FlagState::Raised)
    );
    let mut facts = shoulder(38);
    read(&mut facts, "passive-er-side", 28.0, 30, StopReason::Stiff);
    read(&mut facts, "passive-er-side", 48.0, 38, StopReason::Stiff);
    assert_eq!(
        flag_state(&facts, "over-ceiling-sudden"),
        Some(FlagState::Raised)
    );
}

#[test]
fn protection_bars_a_dial_with_its_rule() {
    let facts = shoulder(38);
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let all = dials(&assessment.ctx(), &facts);
    let dial = |id: &str| all.iter().find(|d| d.quantity == id).expect("a dial");
    assert!(dial("passive-elevation").operated.barred.is_none() && dial("passive-elevation").due);
    let barred = dial("active-elevation-lying")
        .operated
        .barred
        .as_ref()
        .expect("barred on day 38");
    assert_eq!(barred.rule, "barred-until-week");
    assert!(
        dial("active-elevation-lying").other.barred.is_none(),
        "the other arm is free"
    );
    let q = known().quantity("passive-elevation").expect("a quantity");
    assert!(
        possible(q, 400.0).is_err() && possible(q, f64::NAN).is_err() && possible(q, 120.0).is_ok()
    );
}
