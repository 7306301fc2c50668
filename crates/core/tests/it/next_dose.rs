//! The arithmetic of a dose: one step more, less of it, an easier day. For every exercise of the library, whatever its row says.

use super::shoulder::known;
use proptest::prelude::*;
use ritorno_core::deciding::{
    Change, asks_more, at_top, eased, half_load, less, lower_half, more, more_often,
    stronger_elastic,
};
use ritorno_core::facts::Line;
use ritorno_core::knowledge::{Dose, Exercise};
use uuid::Uuid;

fn line(exercise: &Exercise, dose: Dose) -> Line {
    Line {
        id: Uuid::nil(),
        exercise: exercise.id.clone(),
        from_day: 0,
        to_day: 70,
        dose,
        override_reason: None,
        by_hand: false,
    }
}

fn harder(exercise: &Exercise, old: Dose, new: Dose) -> bool {
    asks_more(known(), &line(exercise, old), &Change::Dose { dose: new })
}

/// The least that a row allows: where somebody begins again after weeks.
fn least(exercise: &Exercise) -> Dose {
    let range = &exercise.range;
    Dose {
        sets: range.sets[0].max(1),
        repetitions: range.repetitions[0].max(1),
        hold_s: range.hold_s[0],
        duration_s: range.duration_s.map(|[shortest, _]| shortest),
        ..exercise.dose
    }
}

/// Fields of a dose that a step may change, by name.
fn changed(a: &Dose, b: &Dose) -> Vec<&'static str> {
    let mut out = Vec::new();
    let mut note = |name, differs: bool| out.extend(differs.then_some(name));
    note("sets", a.sets != b.sets);
    note("repetitions", a.repetitions != b.repetitions);
    note("hold_s", a.hold_s != b.hold_s);
    note("duration_s", a.duration_s != b.duration_s);
    note("load_kg", a.load_kg != b.load_kg);
    note("elastic_level", a.elastic_level != b.elastic_level);
    note("rest_s", a.rest_s != b.rest_s);
    note("times_per_day", a.times_per_day != b.times_per_day);
    note("days_per_week", a.days_per_week != b.days_per_week);
    note("effort_pct", a.effort_pct != b.effort_pct);
    note("distance_m", a.distance_m != b.distance_m);
    out
}

#[test]
fn every_exercise_climbs_one_thing_at_a_time_inside_its_row_and_comes_to_an_end() {
    let mut climbed = 0;
    for exercise in known().exercises.values() {
        let range = &exercise.range;
        let mut dose = least(exercise);
        let mut steps = 0;
        while let Some(next) = more(known(), exercise, &dose) {
            let what = changed(&dose, &next);
            // A heavier weight or a stronger elastic begins at the low end of the repetitions; else one thing changes.
            match what.as_slice() {
                ["sets"] => assert_eq!(next.sets, dose.sets + 1, "{}", exercise.id),
                ["repetitions"] => assert!(next.repetitions > dose.repetitions, "{}", exercise.id),
                ["hold_s"] => assert!(next.hold_s > dose.hold_s, "{}", exercise.id),
                ["duration_s"] => {
                    let most = exercise.range.duration_s.expect("a timed row")[1];
                    assert!(next.duration_s > dose.duration_s && next.duration_s <= Some(most));
                }
                ["load_kg"] | ["repetitions", "load_kg"] => {
                    assert!(next.load_kg > dose.load_kg, "{}", exercise.id);
                    assert_eq!(
                        next.repetitions,
                        range.repetitions[0].max(1),
                        "{}",
                        exercise.id
                    );
                }
                ["elastic_level"] | ["repetitions", "elastic_level"] => {
                    let level = |d: &Dose| d.elastic_level.expect("a level");
                    assert_eq!(level(&next), level(&dose) + 1, "{}", exercise.id);
                    assert_eq!(
                        next.repetitions,
                        range.repetitions[0].max(1),
                        "{}",
                        exercise.id
                    );
                }
                other => panic!("{}: one step changes {other:?}", exercise.id),
            }
            assert!(next.sets <= range.sets[1].max(dose.sets), "{}", exercise.id);
            assert!(
                next.repetitions <= range.repetitions[1].max(dose.repetitions),
                "{}",
                exercise.id
            );
            assert!(
                next.hold_s <= range.hold_s[1].max(dose.hold_s),
                "{}",
                exercise.id
            );
            assert!(
                next.load_kg.unwrap_or(0.0)
                    <= range.load_kg_max.or(dose.load_kg).unwrap_or(0.0) + 1e-9,
                "{}",
                exercise.id
            );
            assert!(
                harder(exercise, dose, next),
                "{}: {dose:?} to {next:?} is more",
                exercise.id
            );
            steps += 1;
            assert!(steps < 2_000, "{} climbs for ever", exercise.id);
            dose = next;
        }
        climbed += usize::from(steps > 0);
    }
    assert!(climbed > 150, "only {climbed} exercises can be made harder");
}

#[test]
fn the_order_of_steps_is_repetitions_sets_hold_then_load() {
    // Steps as a clinician would write them on paper. Source: common practice, no published source; the steps are rows.
    let exercise = known()
        .exercises
        .values()
        .find(|e| {
            e.range.load_kg_max.is_some_and(|kg| kg >= 3.0)
                && e.dose.load_kg.is_some_and(|kg| kg <= 1.0)
                && e.range.sets[0] < e.range.sets[1]
                && e.range.repetitions[1] <= 15
        })
        .expect("an exercise with a hand weight");
    let [low, high] = exercise.range.repetitions;
    let mut dose = Dose {
        load_kg: Some(0.5),
        ..least(exercise)
    };
    let mut told: Vec<&'static str> = Vec::new();
    while let Some(next) = more(known(), exercise, &dose) {
        let what = changed(&dose, &next);
        if told.last() != what.last() {
            told.extend(what.last());
        }
        if what.contains(&"load_kg") {
            assert_eq!(
                next.load_kg,
                Some(1.0),
                "half a kilogram more, from the low end"
            );
            break;
        }
        dose = next;
    }
    let expected = if exercise.range.hold_s[0] < exercise.range.hold_s[1] {
        vec!["repetitions", "sets", "hold_s", "load_kg"]
    } else {
        vec!["repetitions", "sets", "load_kg"]
    };
    assert_eq!(
        told, expected,
        "{} from {low} to {high} repetitions",
        exercise.id
    );
}

#[test]
fn a_heavy_weight_grows_by_its_share_and_a_light_one_by_the_whole_step() {
    let exercise = known()
        .exercises
        .values()
        .filter(|e| e.range.load_kg_max.is_some())
        .max_by(|a, b| {
            let most = |e: &Exercise| e.range.load_kg_max.unwrap_or(0.0);
            most(a).total_cmp(&most(b))
        })
        .expect("an exercise with a weight");
    let range = &exercise.range;
    let top = |kg: f64| Dose {
        sets: range.sets[1],
        repetitions: range.repetitions[1],
        hold_s: range.hold_s[1],
        duration_s: range.duration_s.map(|[_, longest]| longest),
        load_kg: Some(kg),
        elastic_level: None,
        ..exercise.dose
    };
    let grown = |kg: f64| more(known(), exercise, &top(kg)).and_then(|d| d.load_kg);
    let bound = |id: &str| known().thresholds[id].value;
    let (whole, share, heavy) = (
        bound("weight-step-kg"),
        bound("weight-step-share-pct") / 100.0,
        bound("weight-heavy-kg"),
    );
    assert_eq!(
        grown(heavy),
        Some(heavy + whole),
        "at the bound still the whole step"
    );
    let over = heavy + 0.1;
    let expected = ((over + (over * share).min(whole)) * 10.0).round() / 10.0;
    assert_eq!(grown(over), Some(expected));
    let most = range.load_kg_max.expect("a maximum");
    assert_eq!(grown(most), None, "nothing above the row's maximum");
    // The last step lands on the maximum, not beyond it.
    let last = grown(most - whole.min(most * share));
    assert!(last.is_none_or(|kg| kg <= most + 1e-9), "{last:?}");
}

#[test]
fn an_elastic_may_go_up_must_go_up_and_stops_at_its_strongest() {
    let bound = |id: &str| known().thresholds[id].value as u32;
    let (may, must) = (
        bound("elastic-may-repetitions"),
        bound("elastic-must-repetitions"),
    );
    let exercise = known()
        .exercises
        .values()
        .find(|e| {
            e.range.elastic_level_max.is_some_and(|max| max >= 3) && e.dose.elastic_level.is_some()
        })
        .expect("an exercise with an elastic");
    let at = |repetitions: u32, level: u32| Dose {
        repetitions,
        elastic_level: Some(level),
        load_kg: None,
        ..least(exercise)
    };
    let up = more(known(), exercise, &at(must, 1)).expect("up");
    assert_eq!(
        (up.elastic_level, up.repetitions),
        (Some(2), exercise.range.repetitions[0].max(1)),
        "so many repetitions are no longer strength, whatever else could still grow"
    );
    // The row reaches so far that both can happen; twenty in all sets are enough for the next rung.
    assert!(exercise.range.repetitions[1] >= must);
    assert!(at_top(known(), exercise, &at(may, 1)) && !at_top(known(), exercise, &at(may - 1, 1)));
    let stronger = |repetitions| stronger_elastic(known(), exercise, &at(repetitions, 1));
    assert_eq!(stronger(may - 1), None);
    assert_eq!(stronger(may).and_then(|d| d.elastic_level), Some(2));
    assert_eq!(stronger(must), None, "then it is no choice any more");
    let most = exercise.range.elastic_level_max.expect("a maximum");
    assert!(
        more(known(), exercise, &at(must, most)).is_none_or(|d| d.elastic_level == Some(most)),
        "nothing above the strongest"
    );
    assert!(may < must);
}

#[test]
fn less_of_a_dose_by_hand() {
    let dose = Dose {
        sets: 3,
        repetitions: 10,
        hold_s: 5,
        load_kg: Some(2.0),
        ..known().exercises["pendulum-cradle"].dose
    };
    let half = less(&dose, 50.0);
    assert_eq!(
        (half.sets, half.repetitions),
        (2, 10),
        "half of three is two"
    );
    let third = less(&dose, 30.0);
    assert_eq!((third.sets, third.repetitions), (2, 10));
    // One set cannot be cut: the repetitions are.
    let one = less(&Dose { sets: 1, ..dose }, 50.0);
    assert_eq!((one.sets, one.repetitions), (1, 5));
    let single = Dose {
        sets: 1,
        repetitions: 1,
        ..dose
    };
    assert_eq!(less(&single, 50.0).repetitions, 1, "never nothing");
    assert_eq!(half_load(&dose).load_kg, Some(1.0));
    let banded = Dose {
        load_kg: None,
        elastic_level: Some(3),
        force_n: Some(20.0),
        ..dose
    };
    let halved = half_load(&banded);
    assert_eq!((halved.elastic_level, halved.force_n), (Some(1), None));
    let pressed = Dose {
        load_kg: None,
        elastic_level: None,
        effort_pct: Some(30),
        ..dose
    };
    assert_eq!(half_load(&pressed).effort_pct, Some(15));
    let bare = Dose {
        effort_pct: None,
        ..pressed
    };
    assert_eq!(half_load(&bare).sets, 1);
    assert_eq!(half_load(&Dose { sets: 1, ..bare }).repetitions, 5);
}

#[test]
fn an_easier_day_comes_nearer_and_never_closer_than_sense() {
    let dose = Dose {
        sets: 2,
        repetitions: 12,
        elastic_level: Some(2),
        distance_m: Some(1.5),
        force_n: Some(30.0),
        load_kg: None,
        ..known().exercises["pendulum-cradle"].dose
    };
    let easier = eased(&dose, None, [0.5, 0.8]);
    assert_eq!(
        (easier.distance_m, easier.sets, easier.force_n),
        (Some(1.0), 1, None)
    );
    let near = Dose {
        distance_m: Some(1.0),
        ..dose
    };
    assert_eq!(
        eased(&near, None, [0.5, 0.8]).distance_m,
        Some(0.8),
        "no closer than this"
    );
    let nearer = Dose {
        distance_m: Some(0.6),
        ..dose
    };
    assert_eq!(
        eased(&nearer, None, [0.5, 0.8]).distance_m,
        Some(0.6),
        "what is closer stays"
    );
    let row = Dose {
        distance_m: None,
        ..dose
    };
    assert_eq!(
        eased(&row, Some(1.2), [0.5, 0.5]).distance_m,
        Some(0.7),
        "the row's own place"
    );
    assert_eq!(eased(&row, None, [0.5, 0.5]).elastic_level, Some(1));
    let weight = Dose {
        elastic_level: None,
        distance_m: None,
        load_kg: Some(1.0),
        ..dose
    };
    assert_eq!(eased(&weight, None, [0.5, 0.5]).load_kg, Some(0.5));
}

#[test]
fn more_often_stops_at_the_rows_own_number() {
    for exercise in known().exercises.values() {
        let most = exercise.range.times_per_day[1];
        let at = |times_per_day| Dose {
            times_per_day,
            ..exercise.dose
        };
        assert_eq!(
            more_often(exercise, &at(most)),
            None,
            "{} is done {most} times",
            exercise.id
        );
        if most > 1 {
            let next = more_often(exercise, &at(most - 1)).expect("once more");
            assert_eq!(changed(&at(most - 1), &next), ["times_per_day"]);
        }
    }
}

prop_compose! {
    fn any_dose()(
        sets in 1u32..=10, repetitions in 1u32..=60, hold_s in 0u32..=60, times_per_day in 1u32..=8, days_per_week in 1u32..=7,
        load_kg in prop::option::of(0.0f64..20.0), elastic_level in prop::option::of(1u32..=6),
        effort_pct in prop::option::of(1u32..=100), duration_s in prop::option::of(5u32..=600), distance_m in prop::option::of(0.2f64..4.0)
    ) -> Dose {
        Dose { sets, repetitions, hold_s, times_per_day, days_per_week, load_kg, elastic_level, effort_pct, duration_s, distance_m,
            ..known().exercises["pendulum-cradle"].dose }
    }
}

proptest! {
    #[test]
    fn no_way_of_doing_less_asks_more(dose in any_dose(), at in 0usize..1000, cut in 0.0f64..100.0, nearer in 0.0f64..1.0) {
        let exercises: Vec<&Exercise> = known().exercises.values().collect();
        let exercise = exercises[at % exercises.len()];
        let ways = [
            ("less", less(&dose, cut)),
            ("half the load", half_load(&dose)),
            ("an easier day", eased(&dose, exercise.anchor_m(), [nearer, 0.3])),
            ("the lower half", lower_half(exercise, &dose)),
        ];
        for (way, after) in ways {
            prop_assert!(after.sets >= 1 && after.repetitions >= 1, "{way}: nothing is left of {dose:?}");
            prop_assert!(!harder(exercise, dose, after), "{way} of {}: {dose:?} to {after:?}", exercise.id);
            prop_assert_eq!((after.days_per_week, after.times_per_day), (dose.days_per_week, dose.times_per_day));
        }
    }

    #[test]
    fn a_step_more_is_more_whatever_somebody_typed(dose in any_dose(), at in 0usize..1000) {
        let exercises: Vec<&Exercise> = known().exercises.values().collect();
        let exercise = exercises[at % exercises.len()];
        // A dose is timed where its row is.
        let dose = Dose { duration_s: exercise.range.duration_s.and(dose.duration_s), ..dose };
        if let Some(next) = more(known(), exercise, &dose) {
            prop_assert!(harder(exercise, dose, next), "{}: {dose:?} to {next:?}", exercise.id);
            let what = changed(&dose, &next);
            prop_assert!(what.len() <= 2 && !what.contains(&"effort_pct") && !what.contains(&"days_per_week"), "{what:?}");
        }
        prop_assert!(!harder(exercise, dose, dose), "the same is not more");
    }
}

#[test]
fn whoever_does_all_sets_at_the_top_may_go_on() {
    let all = known().exercises.values();
    let by_repetitions = all
        .clone()
        .find(|e| {
            e.range.repetitions[0] < e.range.repetitions[1] && e.range.sets[0] < e.range.sets[1]
        })
        .expect("one");
    let top = Dose {
        repetitions: by_repetitions.range.repetitions[1],
        ..least(by_repetitions)
    };
    assert!(
        at_top(known(), by_repetitions, &top),
        "with the fewest sets too"
    );
    let one_less = Dose {
        repetitions: top.repetitions - 1,
        sets: by_repetitions.range.sets[1],
        hold_s: by_repetitions.range.hold_s[1],
        ..top
    };
    assert!(!at_top(known(), by_repetitions, &one_less));
    let by_hold = all
        .clone()
        .find(|e| {
            e.range.repetitions[0] == e.range.repetitions[1]
                && e.range.hold_s[0] < e.range.hold_s[1]
        })
        .expect("one");
    let held = Dose {
        hold_s: by_hold.range.hold_s[1],
        ..least(by_hold)
    };
    assert!(at_top(known(), by_hold, &held) && !at_top(known(), by_hold, &least(by_hold)));
}

#[test]
fn an_exercise_that_begins_without_a_weight_takes_its_first_one() {
    let mut begun = 0;
    for exercise in known().exercises.values() {
        let range = &exercise.range;
        let dose = Dose {
            sets: range.sets[1],
            repetitions: range.repetitions[1],
            hold_s: range.hold_s[1],
            ..exercise.dose
        };
        let (Some(most), None, None) = (range.load_kg_max, dose.load_kg, dose.elastic_level) else {
            continue;
        };
        begun += 1;
        let next = more(known(), exercise, &dose).expect("a first weight");
        let first = known().thresholds["weight-step-kg"].value;
        assert_eq!(next.load_kg, Some(first), "{}", exercise.id);
        assert!(first <= most, "{}", exercise.id);
    }
    assert!(begun >= 8, "only {begun} exercises begin without a weight");
}
