//! What is held back whatever anybody types: too much of a dose, a paused exercise, a helping arm that heals, a breach, a conflict.

use super::shoulder::*;
use proptest::prelude::*;
use ritorno_core::admission::NamedText;
use ritorno_core::assessment::Assessment;
use ritorno_core::deciding::Move;
use ritorno_core::facts::*;
use ritorno_core::knowledge::Helper;
use ritorno_core::lanes::{LaneName, lane};
use ritorno_core::progress::{adherence, next_gate};
use ritorno_core::ranges::{is_due, measurement_view};
use ritorno_core::rules::Rules;
use ritorno_core::safety::{Status, check_exercise, running_lines};
use uuid::Uuid;

fn rules_of(
    facts: &Facts,
    exercise: &str,
    change: impl Fn(&mut ritorno_core::knowledge::Dose),
) -> Vec<(String, bool)> {
    let assessment = Assessment::new(known(), facts).expect("known");
    let ctx = assessment.ctx();
    let exercise = &known().exercises[exercise];
    let mut dose = exercise.dose;
    change(&mut dose);
    check_exercise(&ctx, exercise, &dose, ctx.today)
        .findings
        .into_iter()
        .filter(|f| f.status != Status::Allowed)
        .map(|f| (f.reason.rule, f.overridable))
        .collect()
}

#[test]
fn an_accepted_stop_holds_until_a_clinician_resumes_it() {
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    facts.lines = super::plans::plan(&facts).lines;
    let runs = |facts: &Facts| -> Vec<String> {
        let assessment = Assessment::new(known(), facts).expect("known");
        running_lines(&assessment.ctx(), facts, 38)
            .iter()
            .map(|l| l.exercise.clone())
            .collect()
    };
    let exercise = runs(&facts)[0].clone();
    let say = |facts: &mut Facts, paused: bool| {
        facts.line_steps.push(LineStep {
            id: Uuid::now_v7(),
            exercise: exercise.clone(),
            on: on(38),
            paused,
            reason: "stop-slip".into(),
        });
        runs(facts).contains(&exercise)
    };
    assert!(!say(&mut facts, true), "paused");
    assert!(say(&mut facts, false), "resumed");
}

#[test]
fn a_helping_arm_that_heals_carries_nothing_and_says_both_numbers() {
    let mut facts = shoulder(38);
    facts.story.mass_kg = Some(80.0);
    facts.other_operated_on = Some(on(10));
    let helped = known()
        .exercises
        .values()
        .find(|e| e.helper == Helper::Pulley)
        .expect("a pulley");
    let assessment = Assessment::new(known(), &facts).expect("known");
    let found = check_exercise(&assessment.ctx(), helped, &helped.dose, 38);
    let told = found
        .findings
        .iter()
        .find(|f| f.reason.rule == "helper-arm-protected")
        .expect("told");
    assert_eq!((told.status, told.overridable), (Status::Blocked, false));
    let number = |name: &str| told.reason.args.get(name).cloned();
    use ritorno_core::reason::Arg;
    // A twentieth of 80 kg, all of it over a pulley.
    assert_eq!(number("asks_kg"), Some(Arg::Number(4.0)));
    assert_eq!(number("may_kg"), Some(Arg::Number(0.0)));
    // Operated long ago, it is a caution.
    facts.other_operated_on = None;
    facts.story.other_side = OtherSide::Operated;
    let rules = rules_of(&facts, &helped.id, |_| {});
    assert!(rules.contains(&("helper-arm-protected".into(), true)));
}

#[test]
fn nothing_that_gains_is_allowed_while_a_breach_is_open() {
    let mut facts = shoulder(40);
    facts.limits = vec![limit("passive-elevation", 90.0, None)];
    let gains = known()
        .exercises
        .values()
        .find(|e| {
            e.adapts
                .as_ref()
                .is_some_and(|a| a.quantity == "passive-elevation")
                && rules_of(&facts, &e.id, |_| {})
                    .iter()
                    .all(|(r, _)| r != "breach-open")
        })
        .expect("one")
        .id
        .clone();
    read(&mut facts, "passive-elevation", 97.0, 39, StopReason::Stiff);
    assert!(rules_of(&facts, &gains, |_| {}).contains(&("breach-open".into(), false)));
    read(&mut facts, "passive-elevation", 88.0, 40, StopReason::Stiff);
    assert!(!rules_of(&facts, &gains, |_| {}).contains(&("breach-open".into(), false)));
}

#[test]
fn active_beyond_passive_uses_neither_and_is_never_quiet() {
    let mut facts = shoulder(100);
    read(
        &mut facts,
        "passive-elevation",
        110.0,
        100,
        StopReason::Stiff,
    );
    read(
        &mut facts,
        "active-elevation-upright",
        150.0,
        100,
        StopReason::Stiff,
    );
    let assessment = Assessment::new(known(), &facts).expect("known");
    let ctx = assessment.ctx();
    for m in &facts.measurements {
        let view = measurement_view(&ctx, &facts, m);
        assert!(
            view.impossible.is_some() && !view.usable(),
            "{}",
            m.quantity
        );
        assert!(is_due(
            &ctx,
            &facts,
            known().quantity(&m.quantity).expect("it")
        ));
    }
    assert_ne!(lane(&assessment).lane, LaneName::Quiet);
}

#[test]
fn a_week_told_as_a_whole_counts_for_adherence_and_for_nothing_else() {
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    facts.lines = super::plans::plan(&facts).lines;
    for line in &mut facts.lines {
        line.from_day = line.from_day.min(20);
    }
    let of = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        adherence(&assessment.ctx(), facts, 14)
    };
    assert_eq!(of(&facts), None, "unlogged is not undone");
    let decided = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        let all = ritorno_core::deciding::decide(&assessment.ctx(), facts);
        all.into_iter().map(|d| d.kind).collect::<Vec<_>>()
    };
    facts.week_uses.push(WeekUse {
        id: Uuid::now_v7(),
        on: on(37),
        how: UseHow::Half,
    });
    let told = of(&facts).expect("known now");
    // Seven of fourteen days are known; half of them was done.
    assert!(
        (told.known_pct - 50.0).abs() < 1e-9 && (told.pct - 25.0).abs() < 1e-9,
        "{told:?}"
    );
    let moves = decided(&facts);
    assert!(
        !moves.is_empty() && moves.iter().all(|kind| *kind == Move::HoldUnknown),
        "it ends the silence and moves nobody: {moves:?}"
    );
}

#[test]
fn a_protective_criterion_is_nobodys_to_override() {
    let facts = shoulder(38);
    let assessment = Assessment::new(known(), &facts).expect("known");
    let gate = next_gate(&assessment.ctx(), &facts).expect("a gate");
    let of = |id: &str| {
        gate.criteria
            .iter()
            .find(|c| c.id == id)
            .expect("it")
            .overridable
    };
    assert!(!of("wound") && of("rest-pain"));
}

#[test]
fn a_clinics_own_copy_of_a_loose_shoulders_pathway_stays_loose() {
    let name = "pathways/instability-loose.toml";
    let text = files()
        .into_iter()
        .find(|f| f.name == name)
        .expect("it")
        .text;
    let own = text.replacen(
        "id = \"instability-loose\"",
        "id = \"own-loose\"\nbased_on = \"instability-loose\"\ntitle = \"Ours\"",
        1,
    );
    let known = known()
        .with_files(&[NamedText {
            name: "pathways/own-loose.toml".into(),
            text: own,
        }])
        .expect("accepted");
    assert!(Rules::new(&known, &known.pathways["own-loose"], &Default::default()).loose);
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(128))]
    /// No custom dose leaves its bounds: more than the reviewed range is blocked and no reason overrides it.
    #[test]
    fn no_custom_dose_leaves_its_bounds(
        pick in any::<prop::sample::Index>(), sets in 1u32..11, repetitions in 1u32..61, times in 1u32..9, hold in 0u32..301,
    ) {
        let all: Vec<_> = known().exercises.values().collect();
        let exercise = all[pick.index(all.len())];
        let facts = shoulder(120);
        let rules = rules_of(&facts, &exercise.id, |dose| {
            dose.sets = sets;
            dose.repetitions = repetitions;
            dose.times_per_day = times;
            dose.hold_s = hold;
        });
        let range = &exercise.range;
        let above = sets > range.sets[1]
            || repetitions > range.repetitions[1]
            || times > range.times_per_day[1]
            || hold > range.hold_s[1];
        prop_assert_eq!(rules.contains(&("dose-outside-range".into(), false)), above);
    }
}
