//! The whole library against what must hold for every exercise, whoever wrote its row.

use crate::shoulder::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::knowledge::{Exercise, Group, Level};
use ritorno_core::mechanics::Load;
use ritorno_core::safety::{Status, check_exercise};
use std::collections::{BTreeMap, BTreeSet};

fn all() -> impl Iterator<Item = &'static Exercise> {
    known().exercises.values()
}

/// What the exercise asks of the muscles of the joint itself.
fn of_the_joint(e: &Exercise) -> Level {
    [Group::Cuff, Group::Subscapularis, Group::Deltoid]
        .into_iter()
        .map(|g| e.demand_on(g))
        .max()
        .unwrap_or(Level::None)
}

#[test]
fn ladders_are_ladders() {
    let mut rungs: BTreeMap<&str, BTreeSet<u32>> = BTreeMap::new();
    for e in all() {
        assert!(
            rungs.entry(&e.ladder).or_default().insert(e.rung),
            "{}: rung {} of {} twice",
            e.id,
            e.rung,
            e.ladder
        );
        assert!(!e.next.contains(&e.id), "{} follows itself", e.id);
    }
    for (ladder, own) in rungs {
        assert_eq!(
            own.iter().copied().collect::<Vec<_>>(),
            (1..=own.len() as u32).collect::<Vec<_>>(),
            "{ladder} has a gap"
        );
    }
    // Nobody climbs in a circle.
    for start in all() {
        let (mut seen, mut open) = (BTreeSet::new(), start.next.clone());
        while let Some(id) = open.pop() {
            assert_ne!(id, start.id, "{} leads back to itself", start.id);
            if seen.insert(id.clone()) {
                open.extend(known().exercises[&id].next.clone());
            }
        }
    }
}

#[test]
fn what_is_declared_and_what_is_loaded_agree() {
    for e in all() {
        let most = e
            .demand
            .iter()
            .map(|d| d.level)
            .max()
            .unwrap_or(Level::None);
        match e.load {
            // A light weight on a hanging arm pulls; nobody lifts it.
            Load::Weight if e.ladder == "pendulum" => assert!(most <= Level::Passive, "{}", e.id),
            // Pressing or holding against an elastic is isometric; moving it is not.
            Load::Elastic { .. } => assert!(
                most >= Level::Isometric,
                "{} is loaded and declares {most:?}",
                e.id
            ),
            Load::Weight => assert!(
                most >= Level::ResistedLight,
                "{} is loaded and declares {most:?}",
                e.id
            ),
            Load::Isometric => assert_eq!(most, Level::Isometric, "{}", e.id),
            Load::Carried { share } => {
                assert!(share > 0.0 && share < 1.0, "{}", e.id);
                assert!(
                    of_the_joint(e) <= Level::Active,
                    "{} is carried and declares {:?}",
                    e.id,
                    of_the_joint(e)
                );
            }
            Load::Support { share } => {
                assert!(
                    share > 0.0 && share <= 0.6 && e.tags.iter().any(|t| t == "leaning"),
                    "{} leans and does not say so",
                    e.id
                );
            }
            Load::Gravity => {}
        }
        if most == Level::Isometric && matches!(e.load, Load::Isometric) {
            assert!(
                e.path.len() <= 2 && e.dose.effort_pct.is_some(),
                "{}: an effort is the dose of a press",
                e.id
            );
        }
        assert!(
            e.dose.minutes(known().pace()) <= 15.0,
            "{}: {} minutes",
            e.id,
            e.dose.minutes(known().pace())
        );
        assert!(
            e.dose
                .load_kg
                .is_none_or(|kg| e.range.load_kg_max.is_some_and(|max| kg <= max)),
            "{}: starts above its range",
            e.id
        );
        assert!(
            e.dose
                .elastic_level
                .is_none_or(|l| e.range.elastic_level_max.is_some_and(|max| l <= max)),
            "{}",
            e.id
        );
    }
}

/// Thigpen 2016 (from memory) and the gate matrix: nothing that resists the cuff of a small to medium repair before week 12,
/// nothing fast before week 22, whatever else is permitted, on any day of any exercise of the library.
#[test]
fn no_exercise_of_the_library_slips_past_healing_time() {
    let mut facts = shoulder(0);
    facts.story.kit = all()
        .flat_map(|e| e.kit.clone())
        .collect::<BTreeSet<_>>()
        .into_iter()
        .collect();
    for gate in &known().pathways[CUFF].gates {
        pass(&mut facts, &gate.id, 0);
    }
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let ctx = assessment.ctx();
    let mut opened = 0;
    for e in all() {
        let first = (0..26)
            .find(|week| check_exercise(&ctx, e, &e.dose, week * 7).status == Status::Allowed);
        let Some(week) = first else { continue };
        opened += 1;
        let level = of_the_joint(e);
        let least = match level {
            Level::Ballistic => 22,
            Level::Eccentric => 20,
            Level::ResistedLight | Level::Resisted => 12,
            Level::Active => 6,
            // Hand and blade work may begin at once; passive motion of the joint waits two weeks.
            Level::Assisted | Level::Passive if e.demand_on(Group::Cuff) >= Level::Passive => 2,
            _ => 0,
        };
        // Drawing the blade together while the arm hangs asks little of the cuff: reach and row open with their own classes.
        let by_class = e
            .gates
            .iter()
            .filter_map(|g| known().gate_classes[g].weeks.get(CUFF))
            .max()
            .copied()
            .unwrap_or(0);
        assert!(
            week >= least.min(by_class.max(least.min(10))),
            "{} ({level:?}) opens in week {week}",
            e.id
        );
        assert!(
            week >= by_class,
            "{} opens in week {week}, its class in week {by_class}",
            e.id
        );
    }
    assert!(opened > 60, "{opened} exercises ever open");
}

#[test]
fn what_a_condition_never_uses_is_not_also_timed() {
    for (id, class) in &known().gate_classes {
        for condition in class.never.iter().chain(&class.clinician) {
            assert!(
                !class.weeks.contains_key(condition),
                "{id}: {condition} has a week and is locked"
            );
        }
        assert!(class.weeks.values().all(|w| (0..=52).contains(w)), "{id}");
    }
    // The stricter repair never opens a class before the milder one. Source: the gate matrix, common practice.
    for (id, class) in &known().gate_classes {
        if let (Some(small), Some(large)) =
            (class.weeks.get(CUFF), class.weeks.get("cuff-repair-large"))
        {
            assert!(large >= small, "{id}: large {large} before small {small}");
        }
    }
}

/// Kit is what an exercise cannot do without: who has no dumbbell is not kept from a push-up.
#[test]
fn nobody_needs_a_weight_an_elastic_or_a_ball_that_the_exercise_does_not_use() {
    let texts = include_str!("../../../../locales/en/exercises.ftl");
    for exercise in known().exercises.values() {
        let needs = |item: &str| exercise.kit.iter().any(|k| k == item);
        let id = &exercise.id;
        let something = ["ball", "box", "crank", "rod"].into_iter().any(needs);
        let carries = exercise.dose.load_kg.is_some() && !something;
        assert_eq!(needs("weight"), carries, "{id}: a weight");
        let pulls = matches!(exercise.load, Load::Elastic { .. });
        assert!(!pulls || needs("elastic"), "{id}: an elastic");
        let own = texts
            .split_once(&format!("ex-{id} ="))
            .expect("its texts")
            .1;
        let own = own.split("\n\n").next().unwrap_or_default();
        let own = own.to_lowercase();
        let thrown = own.contains("ball") || own.contains("throw");
        assert!(!needs("ball") || thrown, "{id}: a ball");
    }
}

/// The strongest elastic is for big pulls: never for turning the arm, and never for holding it. Source: common practice, no published
/// source.
#[test]
fn no_rotation_is_done_with_the_strongest_elastic() {
    let strongest = known()
        .elastics
        .iter()
        .map(|e| e.level)
        .max()
        .expect("levels");
    let ladders = ["external-rotation", "internal-rotation", "isometric"];
    let mut banded = 0;
    for exercise in known().exercises.values() {
        if let Some(most) = exercise.range.elastic_level_max
            && ladders.contains(&exercise.ladder.as_str())
        {
            banded += 1;
            assert!(
                most < strongest,
                "{} up to {most} of {strongest}",
                exercise.id
            );
        }
    }
    assert!(banded >= 10, "{banded} exercises turn against an elastic");
}

/// Heavy slow lowering is the last of its kind: far from a fresh repair, helped up, at most twice a week.
#[test]
fn heavy_slow_lowering_is_slow_rare_and_well_guarded() {
    let heavy = &known().exercises["slow-lowering-heavy-outward"];
    let [down, _, _] = heavy.dose.tempo_s.expect("a tempo");
    assert!(down >= 5 && heavy.dose.rest_s >= 180 && heavy.dose.days_per_week <= 2);
    assert!(heavy.gates.iter().any(|g| g == "overhead-endurance"));
    let steps = known().steps.iter().filter(|s| s.to.contains(&heavy.id));
    let asked: Vec<String> = steps
        .flat_map(|s| &s.criteria)
        .map(|c| format!("{:?}", c.ask))
        .collect();
    assert!(
        asked
            .iter()
            .any(|a| a.contains("Strength") && a.contains("85")),
        "{asked:?}"
    );
    assert!(
        known().gate_classes["slow-lowering"]
            .never
            .iter()
            .any(|p| p == "reverse-shoulder")
    );
}
