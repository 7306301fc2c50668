//! Paths and ceilings: every frame, every exercise.

use super::shoulder::*;
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::mechanics::{ArmPose, Path, Rotation, Track};
use ritorno_core::rules::{Ceiling, band_view, ceiling_on, floor_on};
use ritorno_core::safety::resolved_path;

fn pose() -> impl Strategy<Value = ArmPose> {
    (
        -60.0f64..120.0,
        0.0f64..175.0,
        -90.0f64..90.0,
        0.0f64..140.0,
    )
        .prop_map(|(plane_deg, elevation_deg, twist, elbow_deg)| ArmPose {
            plane_deg,
            elevation_deg,
            rotation: Rotation::TwistDeg(twist),
            elbow_deg,
        })
}

proptest! {
    #[test]
    fn frames_are_close_together_and_keep_both_ends(keys in proptest::collection::vec(pose(), 1..5)) {
        let path = Path { keys: keys.clone() };
        let frames = path.frames();
        prop_assert_eq!(frames.first().expect("a frame").pose, keys[0]);
        prop_assert!((frames.last().expect("a frame").pose.elevation_deg - keys[keys.len() - 1].elevation_deg).abs() < 1e-9);
        for pair in frames.windows(2) {
            // The whole arm turns by at most 2°, so the elbow's elevation changes by no more; near the singular overhead
            // position one angle alone may leap, which is why the turn is bounded and not the angles.
            prop_assert!((pair[1].pose.elevation_deg - pair[0].pose.elevation_deg).abs() <= 2.0 + 1e-6);
            prop_assert!(pair[0].pose.orientation().degrees_to(pair[1].pose.orientation()) <= 2.0 + 1e-6);
        }
    }

    #[test]
    fn limbs_keep_their_length_and_the_elbow_its_angle(arm in pose()) {
        prop_assert!((arm.upper_arm().norm() - 1.0).abs() < 1e-9);
        prop_assert!((arm.forearm().norm() - 1.0).abs() < 1e-9);
        prop_assert!((arm.upper_arm().dot(arm.forearm()) - arm.elbow_deg.to_radians().cos()).abs() < 1e-9);
    }

    #[test]
    fn a_cut_path_ends_at_the_ceiling_and_nowhere_above(day in 14i32..80, deg in 50.0f64..150.0) {
        let mut facts = shoulder(day);
        facts.limits.push(limit("passive-elevation", deg.round(), None));
        let assessment = Assessment::new(known(), &facts).expect("a known pathway");
        let ctx = assessment.ctx();
        let top = ceiling_on(ctx.rules, ctx.limits, "passive-elevation", day, day).ceiling.value().expect("a ceiling");
        for exercise in known().exercises.values().filter(|e| e.adapts.as_ref().is_some_and(|a| a.quantity == "passive-elevation" && a.least_deg <= top)) {
            let whole = exercise.path().keys.iter().map(|k| k.elevation_deg).fold(0.0, f64::max);
            let peak = resolved_path(&ctx, exercise, day).frames().iter().map(|f| f.pose.elevation_deg).fold(0.0, f64::max);
            prop_assert!((peak - whole.min(top)).abs() < 0.05, "{}: {peak} of {whole} under {top}", exercise.id);
        }
    }

    /// The bands that are drawn say on every day what the rule says on that day.
    #[test]
    fn bands_and_rule_agree_on_every_day(today in 0i32..150, deg in 20.0f64..150.0, until in proptest::option::of(10i32..150), ended in any::<bool>()) {
        let mut written = limit("passive-elevation", deg.round(), until);
        if ended && until.is_some_and(|day| today >= day) {
            written.ended_on = Some(on(today));
        }
        let pathway = &rules(CUFF);
        let limits = [written];
        let bands = band_view(pathway, &limits, "passive-elevation", today);
        prop_assert_eq!(bands[0].from_day, 0);
        prop_assert_eq!(bands.last().expect("a band").to_day, pathway.end_day);
        for pair in bands.windows(2) {
            prop_assert_eq!(pair[0].to_day, pair[1].from_day);
        }
        for day in 0..pathway.end_day {
            let band = bands.iter().find(|b| (b.from_day..b.to_day).contains(&day)).expect("a band for every day");
            prop_assert_eq!(band.ceiling, ceiling_on(pathway, &limits, "passive-elevation", day, today).ceiling, "day {}", day);
            prop_assert_eq!(band.floor, floor_on(pathway, &limits, "passive-elevation", day, today), "day {}", day);
            if let (Ceiling::UpTo { value }, Some(floor)) = (band.ceiling, band.floor) {
                prop_assert!(floor <= value);
            }
        }
    }
}

#[test]
fn every_exercise_is_reachable_in_its_pathway_by_somebody() {
    // With everything at hand, every gate passed and no limit, each exercise passes the check on some day.
    let mut facts = shoulder(180);
    facts.story.kit = known()
        .exercises
        .values()
        .flat_map(|e| e.kit.clone())
        .collect();
    for gate in &known().pathways[CUFF].gates {
        pass(&mut facts, &gate.id, gate.week * 7);
    }
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    let ctx = assessment.ctx();
    for phase in &assessment.rules.phases {
        for id in &phase.exercises {
            let exercise = &known().exercises[id];
            let open = (0..26 * 7).step_by(7).find(|day| {
                ritorno_core::safety::check_exercise(&ctx, exercise, &exercise.dose, *day).status
                    == ritorno_core::safety::Status::Allowed
            });
            let opens = open.unwrap_or_else(|| panic!("{id} is never open"));
            assert!(
                opens >= phase.earliest_day,
                "{id} opens on day {opens}, before its phase"
            );
        }
    }
}

/// The greatest demand and the forbidden positions of every shipped exercise, found again by a walk a hundred times as fine.
#[test]
fn every_exercise_asks_no_more_between_its_frames_than_is_said() {
    let shapes: Vec<_> = known().pathways.keys().map(|id| rules(id)).collect();
    for exercise in known().exercises.values() {
        let (path, track) = (exercise.path(), exercise.track());
        let steps = 100 * track.frames().len();
        let fine: Vec<ArmPose> = (0..=steps)
            .filter_map(|i| path.at(i as f64 / steps as f64))
            .collect();
        for row in &known().range_demands {
            let walked = fine.iter().filter_map(|p| row.asked(p)).reduce(f64::max);
            let found = track.greatest(|pose| row.asked(pose));
            assert_eq!(
                found.is_some(),
                walked.is_some(),
                "{}: {}",
                exercise.id,
                row.id
            );
            assert!(
                found >= walked.map(|w| w - 0.01),
                "{}: {} finds {found:?}, the walk {walked:?}",
                exercise.id,
                row.id
            );
        }
        for rule in shapes.iter().flat_map(|r| &r.forbidden) {
            let alone = |pose: &ArmPose| rule.touches(&Track::of(Path { keys: vec![*pose] }));
            if fine.iter().any(alone) {
                assert!(rule.touches(track), "{} takes {}", exercise.id, rule.id);
            }
        }
    }
}
