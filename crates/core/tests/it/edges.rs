//! Bounds of the safety check, exactly at each and just beyond it.

use super::shoulder::*;
use ritorno_core::admission::load;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{Facts, Line, StopReason};
use ritorno_core::knowledge::{Dose, Exercise, Group, Knowledge, Level, Mode, RangeDemand};
use ritorno_core::mechanics::{ArmPose, Rotation};
use ritorno_core::ranges::in_conflict;
use ritorno_core::reason::Arg;
use ritorno_core::safety::{Status, check_exercise, running_lines};
use uuid::Uuid;

fn rules_spoken(facts: &Facts, exercise: &Exercise, dose: &Dose) -> Vec<String> {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    let ctx = assessment.ctx();
    let found = check_exercise(&ctx, exercise, dose, ctx.today).findings;
    found.into_iter().map(|f| f.reason.rule).collect()
}

/// A pathway and a day on which a group may work lightly against resistance and no harder, with an exercise that does so.
fn only_light() -> (Facts, &'static Exercise) {
    for pathway in known().pathways.keys() {
        for week in 0..40 {
            let mut facts = shoulder(week * 7);
            facts.story.pathway.clone_from(pathway);
            let assessment = Assessment::new(known(), &facts).expect("a known pathway");
            let Some(allowance) = assessment.rules.allowance(week * 7) else {
                continue;
            };
            let light = |group: Group| {
                allowance.permits(group, Level::ResistedLight)
                    && !allowance.permits(group, Level::Resisted)
            };
            let mut all = known().exercises.values();
            let found = all.find(|e| {
                let mut demand = e.demand.iter();
                demand.any(|d| d.level == Level::ResistedLight && light(d.group))
            });
            if let Some(exercise) = found {
                return (facts, exercise);
            }
        }
    }
    panic!("no pathway ever allows light work only");
}

#[test]
fn a_load_is_light_up_to_its_bound_and_no_further() {
    let (facts, exercise) = only_light();
    let (kg, level) = (
        known().thresholds["light-load-kg"].value,
        known().thresholds["light-elastic-level"].value as u32,
    );
    let bare = Dose {
        load_kg: None,
        elastic_level: None,
        ..exercise.dose
    };
    let too_heavy = |dose: Dose| {
        rules_spoken(&facts, exercise, &dose)
            .iter()
            .any(|r| r == "load-above-light")
    };
    let carried = |load_kg: f64| Dose {
        load_kg: Some(load_kg),
        ..bare
    };
    assert!(!too_heavy(bare) && !too_heavy(carried(kg)), "{kg} kg");
    assert!(too_heavy(carried(kg + 0.01)), "a hair more than {kg} kg");
    let pulled = |level: u32| Dose {
        elastic_level: Some(level),
        ..bare
    };
    assert!(!too_heavy(pulled(level)), "level {level}");
    assert!(too_heavy(pulled(level + 1)), "level {}", level + 1);
}

/// A pose that a row speaks of, as far inside every bound as its bounds leave room for.
fn inside(row: &RangeDemand) -> ArmPose {
    let middle = |low: Option<f64>, high: Option<f64>, least: f64, most: f64| {
        f64::midpoint(low.unwrap_or(least), high.unwrap_or(most))
    };
    ArmPose {
        elevation_deg: middle(
            row.elevation_from_deg.or(row.elevation_above_deg),
            row.elevation_below_deg,
            0.0,
            180.0,
        ),
        plane_deg: middle(
            row.plane_from_deg.or(row.plane_above_deg),
            row.plane_to_deg.or(row.plane_below_deg),
            -90.0,
            130.0,
        ),
        rotation: Rotation::TwistDeg(0.0),
        elbow_deg: 90.0,
    }
}

#[test]
fn every_row_of_what_movements_ask_speaks_up_to_its_bounds_and_no_further() {
    let mut bounds = 0;
    for row in &known().range_demands {
        let pose = inside(row);
        assert!(row.asked(&pose).is_some(), "{} in its middle", row.id);
        let lifted = |elevation_deg: f64| {
            row.asked(&ArmPose {
                elevation_deg,
                ..pose
            })
        };
        let turned = |plane_deg: f64| row.asked(&ArmPose { plane_deg, ..pose });
        // The bound itself, which side of it is inside, and whether the bound belongs to it.
        type Asked<'a> = &'a dyn Fn(f64) -> Option<f64>;
        let all: [(&str, Option<f64>, Asked, f64, bool); 7] = [
            (
                "elevation_from",
                row.elevation_from_deg,
                &lifted,
                -1.0,
                true,
            ),
            (
                "elevation_above",
                row.elevation_above_deg,
                &lifted,
                -1.0,
                false,
            ),
            (
                "elevation_below",
                row.elevation_below_deg,
                &lifted,
                1.0,
                false,
            ),
            ("plane_from", row.plane_from_deg, &turned, -1.0, true),
            ("plane_above", row.plane_above_deg, &turned, -1.0, false),
            ("plane_to", row.plane_to_deg, &turned, 1.0, true),
            ("plane_below", row.plane_below_deg, &turned, 1.0, false),
        ];
        for (name, bound, asked, outward, belongs) in all {
            let Some(bound) = bound else { continue };
            bounds += 1;
            assert_eq!(
                asked(bound).is_some(),
                belongs,
                "{} at {name} {bound}",
                row.id
            );
            assert!(
                asked(bound - outward * 0.01).is_some(),
                "{} just inside {name} {bound}",
                row.id
            );
            for beyond in [0.01, 1.0, 20.0] {
                assert_eq!(
                    asked(bound + outward * beyond),
                    None,
                    "{} {beyond} beyond {name} {bound}",
                    row.id
                );
            }
        }
    }
    assert!(bounds >= 15, "only {bounds} bounds in range-demands.toml");
}

/// A range may be asked for in two ways: the greater counts.
#[test]
fn a_second_row_about_a_range_never_takes_away_what_the_first_one_bars() {
    let mut files = files();
    let rows = files.iter_mut().find(|f| f.name == "range-demands.toml");
    rows.expect("a file").text.push_str(
        r#"
[[demand]]
id = "a-second-look"
quantity = "passive-elevation"
reads = "plane"
rest_deg = 30.0
source = "our choice"
confidence = "C"
"#,
    );
    let more = load(&files).unwrap_or_else(|faults| panic!("{faults:#?}"));
    let mut facts = shoulder(120);
    facts.limits = vec![limit("passive-elevation", 70.0, None)];
    let barred = |known: &Knowledge, exercise: &Exercise| {
        let assessment = Assessment::new(known, &facts).expect("a known pathway");
        let found = check_exercise(&assessment.ctx(), exercise, &exercise.dose, 120).findings;
        found.iter().any(|f| {
            f.status == Status::Blocked
                && f.reason.args.get("quantity") == Some(&Arg::Text("passive-elevation".into()))
        })
    };
    let mut held = 0;
    for exercise in known().exercises.values() {
        if barred(known(), exercise) {
            held += 1;
            assert!(
                barred(&more, &more.exercises[&exercise.id]),
                "{}",
                exercise.id
            );
        }
    }
    assert!(held > 20, "only {held} exercises go above 70 degrees");
}

#[test]
fn a_dose_may_stand_at_the_end_of_its_range_and_not_one_beyond() {
    type Field = fn(&mut Dose, u32);
    let fields: [(&str, Field); 5] = [
        ("sets", |d, v| d.sets = v),
        ("repetitions", |d, v| d.repetitions = v),
        ("hold_s", |d, v| d.hold_s = v),
        ("times_per_day", |d, v| d.times_per_day = v),
        ("duration_s", |d, v| d.duration_s = Some(v)),
    ];
    let facts = shoulder(120);
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let ctx = assessment.ctx();
    for exercise in known().exercises.values() {
        let range = &exercise.range;
        let ends = [
            Some(range.sets),
            Some(range.repetitions),
            Some(range.hold_s),
            Some(range.times_per_day),
            // Only work that is timed has an end of its time.
            range.duration_s,
        ];
        for ((name, set), ends) in fields.into_iter().zip(ends) {
            let Some([low, high]) = ends else { continue };
            let told = |value: u32| {
                let mut dose = exercise.dose;
                set(&mut dose, value);
                let found = check_exercise(&ctx, exercise, &dose, 120).findings;
                let about = found.into_iter().find(|f| {
                    f.reason.rule == "dose-outside-range"
                        && f.reason.args.get("field") == Some(&Arg::Text(name.into()))
                });
                about.map(|f| (f.status, f.overridable))
            };
            let id = &exercise.id;
            assert_eq!(told(low), None, "{id}: {name} {low}");
            assert_eq!(told(high), None, "{id}: {name} {high}");
            // More than the range is nobody's choice, less is a clinician's.
            assert_eq!(
                told(high + 1),
                Some((Status::Blocked, false)),
                "{id}: {name} above {high}"
            );
            if low > 0 {
                assert_eq!(
                    told(low - 1),
                    Some((Status::Caution, true)),
                    "{id}: {name} below {low}"
                );
            }
        }
    }
}

#[test]
fn slow_lowering_and_quick_work_rest_two_days_and_nothing_else_does() {
    let facts = shoulder(300);
    let most = known().thresholds["slow-or-quick-days-per-week"].value as u32;
    for exercise in known().exercises.values() {
        let tired = |days_per_week: u32| {
            let dose = Dose {
                days_per_week,
                ..exercise.dose
            };
            rules_spoken(&facts, exercise, &dose).contains(&"rest-48-hours".to_owned())
        };
        let needs_rest = exercise.hardest() >= Level::Eccentric;
        assert!(!tired(most), "{}: {most} days", exercise.id);
        assert_eq!(
            tired(most + 1),
            needs_rest,
            "{}: {} days",
            exercise.id,
            most + 1
        );
    }
}

#[test]
fn a_forbidden_position_is_barred_through_the_day_before_it_opens() {
    let (mut watched, mut with_exercise) = (0, 0);
    for pathway in known().pathways.values() {
        let rules = rules(&pathway.id);
        if !rules.protects() {
            continue;
        }
        for rule in &rules.forbidden {
            watched += 1;
            // Whatever else speaks, the position is named on the last day and no longer on the next.
            let barred = |exercise: &Exercise, day: i32| {
                let mut facts = shoulder(day);
                facts.story.pathway.clone_from(&pathway.id);
                let assessment = Assessment::new(known(), &facts).expect("a known pathway");
                let found =
                    check_exercise(&assessment.ctx(), exercise, &exercise.dose, day).findings;
                found.into_iter().any(|f| {
                    f.reason.args.get("position") == Some(&Arg::Text(rule.id.clone()))
                        && f.status == Status::Blocked
                })
            };
            let mut all = known().exercises.values();
            let Some(exercise) = all.find(|e| barred(e, rule.until_day - 1)) else {
                continue;
            };
            with_exercise += 1;
            assert!(
                !barred(exercise, rule.until_day),
                "{}: {} of {} after day {}",
                pathway.id,
                exercise.id,
                rule.id,
                rule.until_day
            );
        }
    }
    assert!(
        with_exercise * 2 > watched && with_exercise > 20,
        "{with_exercise} of {watched} positions are met by an exercise"
    );
}

#[test]
fn a_line_runs_from_its_first_day_to_the_day_before_its_end() {
    let mut facts = shoulder(0);
    let line = |id: u128, from_day: i32, to_day: i32| Line {
        id: Uuid::from_u128(id),
        exercise: "pendulum-cradle".into(),
        from_day,
        to_day,
        dose: known().exercises["pendulum-cradle"].dose,
        override_reason: None,
        by_hand: false,
    };
    pass(&mut facts, "to-protected-passive", 14);
    facts.lines = vec![line(1, 20, 30), line(2, 30, 35)];
    let runs = |day: i32| -> Vec<u128> {
        let today = Facts {
            today: on(day),
            ..facts.clone()
        };
        let assessment = Assessment::new(known(), &today).expect("a known pathway");
        let lines = running_lines(&assessment.ctx(), &today, day);
        lines.iter().map(|l| l.id.as_u128()).collect()
    };
    for (day, expected) in [
        (19, vec![]),
        (20, vec![1]),
        (29, vec![1]),
        (30, vec![2]),
        (34, vec![2]),
        (35, vec![]),
    ] {
        assert_eq!(runs(day), expected, "day {day}");
    }
}

#[test]
fn a_gate_that_is_due_today_is_expected_soon_and_one_that_is_not_on_its_day() {
    let rules = rules(CUFF);
    let second = &rules.phases[1];
    let (earliest, wait) = (second.earliest_day, rules.gate_due_days);
    let begins = |day: i32| {
        let spans = ritorno_core::rules::schedule(&rules, &shoulder(day));
        assert_eq!(spans[0].to_day, spans[1].from_day, "no day between phases");
        assert!(spans[1].projected);
        spans[1].from_day
    };
    assert_eq!(begins(earliest - 1), earliest);
    assert_eq!(begins(earliest), earliest + wait);
    assert_eq!(begins(earliest + 3), earliest + 3 + wait);
    // Passed, it began on the day of the pass, whenever that was.
    let mut passed = shoulder(earliest + 9);
    let gate = &rules.gate_after(1).expect("a gate").id;
    pass(&mut passed, gate, earliest + 4);
    let spans = ritorno_core::rules::schedule(&rules, &passed);
    assert_eq!(
        (spans[1].from_day, spans[1].projected),
        (earliest + 4, false)
    );
}

#[test]
fn an_arm_may_show_by_itself_what_it_is_lifted_to_and_the_error_more() {
    let mut pairs = 0;
    for passive in known()
        .quantities
        .iter()
        .filter(|q| q.mode == Mode::Passive)
    {
        for active in known().quantities.iter().filter(|q| q.mode == Mode::Active) {
            let same_position = active.partner.as_deref() == Some(passive.id.as_str());
            let error = if same_position {
                active.error
            } else if passive.shown_by.contains(&active.id) {
                active.error + passive.error
            } else {
                continue;
            };
            pairs += 1;
            let conflict = |more: f64| {
                let mut facts = shoulder(300);
                read(&mut facts, &passive.id, 50.0, 300, StopReason::Stiff);
                let shown = 50.0 + more;
                read(&mut facts, &active.id, shown, 300, StopReason::Stiff);
                let assessment = Assessment::new(known(), &facts).expect("a known pathway");
                let ctx = assessment.ctx();
                let both = facts.measurements.iter();
                both.map(|m| in_conflict(&ctx, &facts, m))
                    .collect::<Vec<_>>()
            };
            let (a, p) = (&active.id, &passive.id);
            assert_eq!(conflict(error), [false, false], "{a} beyond {p} by {error}");
            assert_eq!(
                conflict(error + 1.0),
                [true, true],
                "{a} beyond {p} by more than {error}"
            );
        }
    }
    assert!(
        pairs >= 4,
        "only {pairs} ranges are shown by the person too"
    );
}
