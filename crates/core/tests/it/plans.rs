//! The builder and the safety check against published timing and stated rules.

use super::shoulder::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{Facts, Line, StopReason};
use ritorno_core::knowledge::Level;
use ritorno_core::plan::{Proposal, plan_chart};
use ritorno_core::rules::schedule;
use ritorno_core::safety::{Status, check_exercise, check_line, running_lines};
use uuid::Uuid;

pub fn plan(facts: &Facts) -> Proposal {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    assessment.propose(Uuid::nil())
}

fn first_day(plan: &Proposal, levels: impl Fn(Level) -> bool) -> Option<i32> {
    use ritorno_core::knowledge::Group::{Cuff, Deltoid, Subscapularis};
    let works = |line: &&Line| {
        known().exercises[&line.exercise]
            .demand
            .iter()
            .any(|d| [Cuff, Deltoid, Subscapularis].contains(&d.group) && levels(d.level))
    };
    plan.lines.iter().filter(works).map(|l| l.from_day).min()
}

/// Thigpen 2016 (J Shoulder Elbow Surg), from memory: protected passive motion from week 2, active from
/// about week 6, strengthening from week 12. Weeks are completed weeks: days 14, 42 and 84.
#[test]
fn the_published_timing_is_reproduced_to_the_day() {
    let plan = plan(&shoulder(0));
    assert_eq!(first_day(&plan, |l| l == Level::Passive), Some(14));
    assert_eq!(first_day(&plan, |l| l == Level::Active), Some(42));
    assert_eq!(first_day(&plan, |l| l >= Level::ResistedLight), Some(84));
}

#[test]
fn a_plan_from_day_thirty_eight_is_whole_and_every_line_passes() {
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    facts.limits = vec![
        limit("passive-elevation", 120.0, Some(42)),
        limit("passive-er-side", 30.0, Some(42)),
    ];
    let proposal = plan(&facts);
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let ctx = assessment.ctx();
    for line in &proposal.lines {
        let verdict = check_line(&ctx, line);
        assert_eq!(verdict.status, Status::Allowed, "{line:?}: {verdict:#?}");
    }
    let today: Vec<_> = proposal
        .lines
        .iter()
        .filter(|l| l.from_day <= 38)
        .map(|l| l.exercise.as_str())
        .collect();
    assert_eq!(
        today.len(),
        3,
        "at most three new on the first visit: {today:?}"
    );
    assert!(proposal.lines.iter().any(|l| l.from_day >= 84));
    assert_eq!(plan(&facts), proposal, "same input, same plan");
    facts.lines = proposal.lines;
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let score = plan_chart(&assessment.ctx(), &facts);
    assert_eq!(score.gates.len(), 5);
    for phase in &score.phases {
        let now: Vec<_> = facts
            .lines
            .iter()
            .filter(|l| l.from_day <= phase.from_day && phase.from_day < l.to_day)
            .collect();
        let minutes: f64 = now.iter().map(|l| l.dose.minutes(known().pace())).sum();
        let row = assessment.rules.phase(phase.number).expect("a phase");
        assert!(
            now.len() <= row.max_lines && minutes <= row.max_minutes,
            "phase {}: {} lines, {minutes} min",
            phase.id,
            now.len()
        );
    }
}

#[test]
fn each_rule_of_the_safety_check_speaks_by_name() {
    let verdict = |facts: &Facts, exercise: &str, from: i32, to: i32, change: fn(&mut Line)| {
        let assessment = Assessment::new(known(), facts).expect("a known pathway");
        let mut line = Line {
            id: Uuid::nil(),
            exercise: exercise.into(),
            from_day: from,
            to_day: to,
            dose: known().exercises[exercise].dose,
            override_reason: None,
            by_hand: false,
        };
        change(&mut line);
        check_line(&assessment.ctx(), &line)
    };
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    let blocked_by =
        |facts: &Facts, exercise: &str, from: i32, to: i32, change: fn(&mut Line), rule: &str| {
            let verdict = verdict(facts, exercise, from, to, change);
            let found = verdict
                .findings
                .iter()
                .find(|f| f.reason.rule == rule)
                .unwrap_or_else(|| panic!("{exercise}: no {rule} in {verdict:#?}"));
            assert_eq!(found.status, Status::Blocked);
            assert!(
                !found.overridable,
                "{rule} may never be overridden in the clinic"
            );
        };
    assert_eq!(
        verdict(
            &facts,
            "assisted-elevation-lying-other-hand",
            38,
            60,
            |_| ()
        )
        .status,
        Status::Allowed
    );
    blocked_by(
        &facts,
        "external-rotation-side-lying-weight",
        38,
        60,
        |_| (),
        "gate-week",
    );
    blocked_by(
        &facts,
        "active-elevation-lying-bent",
        38,
        60,
        |_| (),
        "allowance-opens",
    );
    blocked_by(
        &facts,
        "active-elevation-lying-bent",
        38,
        60,
        |_| (),
        "phase-too-early",
    );
    blocked_by(
        &facts,
        "internal-rotation-reach-behind-back",
        42,
        60,
        |_| (),
        "forbidden-position",
    );
    blocked_by(
        &facts,
        "active-elevation-to-shoulder-height",
        42,
        60,
        |_| (),
        "no-room-below-ceiling",
    );
    blocked_by(
        &facts,
        "isometric-outward-wall",
        60,
        70,
        |l| l.dose.effort_pct = Some(60),
        "effort-above",
    );
    blocked_by(
        &facts,
        "external-rotation-side-lying-weight",
        84,
        100,
        |l| l.dose.load_kg = Some(3.0),
        "load-above-light",
    );
    blocked_by(
        &facts,
        "active-elevation-lying-bent",
        57,
        60,
        |l| l.dose.load_kg = Some(0.5),
        "load-not-permitted",
    );
    blocked_by(
        &facts,
        "assisted-elevation-lying-other-hand",
        38,
        60,
        |l| l.dose.load_kg = Some(2.0),
        "load-not-permitted",
    );
    blocked_by(
        &facts,
        "assisted-elevation-lying-other-hand",
        38,
        60,
        |l| l.dose.sets = 0,
        "dose-impossible",
    );
    facts.limits = vec![limit("passive-elevation", 40.0, None)];
    blocked_by(
        &facts,
        "assisted-elevation-lying-other-hand",
        38,
        60,
        |_| (),
        "no-room-below-ceiling",
    );
    facts.story.clearance = None;
    blocked_by(
        &facts,
        "table-slide-forward",
        38,
        60,
        |_| (),
        "no-clearance",
    );
    facts.flag_answers.clear();
    blocked_by(
        &facts,
        "hand-elbow-finger-open-close",
        38,
        60,
        |_| (),
        "flags-not-asked",
    );

    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    facts.story.kit.clear();
    let kit = verdict(&facts, "table-slide-forward", 38, 60, |_| ());
    assert!(
        kit.status == Status::Caution && kit.findings.iter().all(|f| f.overridable),
        "{kit:#?}"
    );
    let range = verdict(&facts, "hand-elbow-finger-open-close", 38, 60, |l| {
        l.dose.sets = 5
    });
    assert!(
        range
            .findings
            .iter()
            .any(|f| f.reason.rule == "dose-outside-range" && !f.overridable),
        "more than the reviewed range is nobody's choice"
    );
}

#[test]
fn diabetes_delays_strength_and_nothing_else() {
    let mut facts = shoulder(0);
    facts.story.health = vec!["diabetes".into()];
    let plan = plan(&facts);
    assert_eq!(first_day(&plan, |l| l == Level::Passive), Some(14));
    assert_eq!(first_day(&plan, |l| l == Level::Active), Some(42));
    assert_eq!(first_day(&plan, |l| l >= Level::ResistedLight), Some(98));
}

#[test]
fn a_gate_that_is_late_moves_later_phases_and_no_ceiling() {
    let mut facts = shoulder(80);
    pass(&mut facts, "to-protected-passive", 14);
    let spans = schedule(&rules(CUFF), &facts);
    assert_eq!(
        spans[2].from_day, 87,
        "due on day 42, not passed by day 80: expected within a week"
    );
    assert_eq!(
        spans[3].from_day, 101,
        "a fortnight later at the earliest, not on day 84"
    );
    pass(&mut facts, "to-assisted", 44);
    let spans = schedule(&rules(CUFF), &facts);
    assert_eq!((spans[2].from_day, spans[3].from_day), (44, 84));
}

#[test]
fn nothing_behind_a_gate_runs_before_it_is_passed_and_nothing_before_it_stops() {
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    facts.lines = plan(&facts).lines;
    facts.today = on(45); // the gate of day 42 is due and has not been passed
    let names = |facts: &Facts| -> Vec<String> {
        let assessment = Assessment::new(known(), facts).expect("a known pathway");
        running_lines(&assessment.ctx(), facts, 45)
            .iter()
            .map(|l| l.exercise.clone())
            .collect()
    };
    let waiting = names(&facts);
    assert!(
        waiting.contains(&"assisted-elevation-lying-other-hand".to_owned())
            && !waiting.contains(&"active-elevation-balance-lying".to_owned()),
        "{waiting:?}"
    );
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let behind = check_exercise(
        &assessment.ctx(),
        &known().exercises["active-elevation-balance-lying"],
        &known().exercises["active-elevation-balance-lying"].dose,
        45,
    );
    assert!(
        behind
            .findings
            .iter()
            .any(|f| f.reason.rule == "phase-not-reached" && f.status == Status::Blocked)
    );
    pass(&mut facts, "to-assisted", 45);
    let passed = names(&facts);
    assert!(
        passed.contains(&"active-elevation-balance-lying".to_owned())
            && !passed.contains(&"assisted-elevation-lying-other-hand".to_owned()),
        "{passed:?}"
    );
}

#[test]
fn what_is_impaired_today_is_worked_on_first_and_only_in_todays_phase() {
    let mut facts = shoulder(48);
    pass(&mut facts, "to-protected-passive", 14);
    pass(&mut facts, "to-assisted", 43);
    let plain = plan(&facts);
    assert!(plain.first.is_empty(), "nothing measured, nothing moved");
    // External rotation far behind, elevation fine: the ladder that ends at its ceiling comes first, with the numbers.
    read(&mut facts, "passive-er-side", 8.0, 47, StopReason::Stiff);
    read(
        &mut facts,
        "passive-elevation",
        150.0,
        47,
        StopReason::Stiff,
    );
    let needy = plan(&facts);
    let moved: Vec<_> = needy
        .first
        .iter()
        .map(|m| (m.ladder.as_str(), m.measure.as_str()))
        .collect();
    assert!(
        moved.contains(&("assisted-external-rotation", "passive-er-side")),
        "{moved:?}"
    );
    assert!(
        moved
            .iter()
            .all(|(_, measure)| *measure != "passive-elevation"),
        "{moved:?}"
    );
    let begins = |plan: &Proposal| {
        plan.lines
            .iter()
            .filter(|l| l.exercise.starts_with("assisted-external-rotation"))
            .map(|l| l.from_day)
            .min()
    };
    assert!(begins(&needy) <= begins(&plain) && begins(&needy).is_some());
}
