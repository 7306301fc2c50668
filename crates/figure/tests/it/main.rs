//! Figures of every exercise: well-formed, inside their frame, honest about which arm works.
#![allow(clippy::expect_used)] // a test that cannot go on says so and ends

use ritorno_core::knowledge::{Exercise, Knowledge};
use ritorno_core::mechanics::{Arm, Path};
use ritorno_figure::{FigureSpec, figure_svg, moving_figure_svg};
use std::collections::BTreeSet;

fn known() -> Knowledge {
    ritorno_shelf::read(&ritorno_shelf::shipped()).unwrap_or_else(|faults| panic!("{faults}"))
}

fn draw(exercise: &Exercise, arm: Arm, path: Path, limited: bool) -> String {
    figure_svg(&FigureSpec {
        exercise,
        path,
        arm,
        limited,
        title: &exercise.id,
    })
}

fn points(text: &str) -> Vec<(f64, f64)> {
    text.split_whitespace()
        .filter_map(|pair| pair.split_once(','))
        .map(|(x, y)| (x.parse().expect("a number"), y.parse().expect("a number")))
        .collect()
}

#[test]
fn every_figure_is_well_formed_and_inside_its_frame() {
    for exercise in known().exercises.values() {
        let svg = draw(exercise, Arm::Right, exercise.path(), true);
        let document = roxmltree::Document::parse(&svg)
            .unwrap_or_else(|error| panic!("{}: {error}", exercise.id));
        let root = document.root_element();
        let frame: Vec<f64> = root
            .attribute("viewBox")
            .expect("a frame")
            .split(' ')
            .map(|n| n.parse().expect("a number"))
            .collect();
        assert!(
            frame[2] > 60.0 && frame[2] < 400.0 && frame[3] > 30.0 && frame[3] < 320.0,
            "{}: {frame:?}",
            exercise.id
        );
        let shapes: Vec<_> = root
            .descendants()
            .filter(|n| n.has_tag_name("polygon") || n.has_tag_name("polyline"))
            .collect();
        assert!(
            shapes.len() > 15,
            "{}: a person has more than {} shapes",
            exercise.id,
            shapes.len()
        );
        for shape in shapes {
            for (x, y) in points(shape.attribute("points").expect("points")) {
                let inside = x >= frame[0]
                    && x <= frame[0] + frame[2]
                    && y >= frame[1]
                    && y <= frame[1] + frame[3];
                assert!(inside, "{}: ({x}, {y}) lies outside {frame:?}", exercise.id);
            }
        }
        assert!(
            !svg.contains("NaN") && !svg.contains("inf"),
            "{}",
            exercise.id
        );
        assert_eq!(
            root.children()
                .find(|n| n.has_tag_name("title"))
                .and_then(|n| n.text()),
            Some(exercise.id.as_str())
        );
    }
}

#[test]
fn the_working_arm_is_tinted_the_other_hatched_and_the_left_is_the_mirror() {
    for exercise in known().exercises.values() {
        let right = draw(exercise, Arm::Right, exercise.path(), false);
        assert_eq!(
            right
                .matches("#8fc1c4\" stroke=\"#12616b\" stroke-width=\"1.6\"")
                .count(),
            3,
            "{}: upper arm, forearm, hand",
            exercise.id
        );
        assert_eq!(
            right.matches("fill=\"url(#rest)\"").count(),
            3,
            "{}",
            exercise.id
        );
        assert!(
            !right.contains("fill=\"url(#stop)\""),
            "{}: no wedge without a limit",
            exercise.id
        );
        let left = draw(exercise, Arm::Left, exercise.path(), false);
        assert!(left.contains("scale(-1 1)") && !right.contains("scale(-1 1)"));
        let drawn = |svg: &str| {
            svg.split_once("<g")
                .expect("a group")
                .1
                .split_once('>')
                .expect("its end")
                .1
                .to_owned()
        };
        assert_eq!(
            drawn(&left),
            drawn(&right),
            "{}: the same drawing, turned over",
            exercise.id
        );
    }
}

#[test]
fn a_limit_shortens_the_movement_and_shows_its_wedge() {
    let known = known();
    let lift = &known.exercises["assisted-elevation-lying-other-hand"];
    let whole = lift.path();
    let cut = Path {
        keys: vec![whole.keys[0], whole.at(0.5).expect("a pose")],
    };
    let (free, limited) = (
        draw(lift, Arm::Right, whole, false),
        draw(lift, Arm::Right, cut, true),
    );
    assert!(limited.contains("url(#stop)\" stroke"));
    let track = |svg: &str| -> f64 {
        let document = roxmltree::Document::parse(svg).expect("well-formed");
        let line = document
            .descendants()
            .find(|n| n.has_tag_name("polyline"))
            .expect("a track");
        points(line.attribute("points").expect("points"))
            .windows(2)
            .map(|p| (p[1].0 - p[0].0).hypot(p[1].1 - p[0].1))
            .sum()
    };
    let share = track(&limited) / track(&free);
    assert!(
        (0.4..0.6).contains(&share),
        "half the movement leaves about half the track: {share}"
    );
}

#[test]
fn different_exercises_look_different() {
    let known = known();
    let moving: Vec<&Exercise> = known
        .exercises
        .values()
        .filter(|e| e.path.len() > 1)
        .collect();
    let drawings: BTreeSet<String> = moving
        .iter()
        .map(|e| {
            figure_svg(&FigureSpec {
                exercise: e,
                path: e.path(),
                arm: Arm::Right,
                limited: false,
                title: "",
            })
        })
        .collect();
    // A punch with and without a weight differ by the weight alone; none may be the same to the letter.
    assert_eq!(drawings.len(), moving.len());
}

/// Centre of the working forearm's wrist end in one step: the last of the three tinted shapes is the hand.
fn hand_of(step: roxmltree::Node) -> (f64, f64) {
    let hand = step
        .descendants()
        .filter(|n| n.attribute("fill") == Some("#8fc1c4"))
        .nth(2)
        .expect("a hand");
    let outline = points(hand.attribute("points").expect("points"));
    let n = outline.len() as f64;
    (
        outline.iter().map(|p| p.0).sum::<f64>() / n,
        outline.iter().map(|p| p.1).sum::<f64>() / n,
    )
}

#[test]
fn in_motion_every_step_is_a_whole_person_and_whoever_leans_keeps_the_hand() {
    let mut leaning = 0;
    for exercise in known().exercises.values() {
        let spec = FigureSpec {
            exercise,
            path: exercise.path(),
            arm: Arm::Right,
            limited: false,
            title: &exercise.id,
        };
        let svg = moving_figure_svg(&spec);
        let document = roxmltree::Document::parse(&svg)
            .unwrap_or_else(|error| panic!("{}: {error}", exercise.id));
        let steps: Vec<_> = document
            .descendants()
            .filter(|n| n.attribute("data-step").is_some())
            .collect();
        assert_eq!(steps.len(), 25, "{}", exercise.id);
        assert_eq!(
            steps
                .iter()
                .filter(|s| s.attribute("display").is_none())
                .count(),
            1,
            "{}: one step is seen",
            exercise.id
        );
        for step in &steps {
            assert_eq!(
                step.descendants()
                    .filter(|n| n.attribute("fill") == Some("#8fc1c4"))
                    .count(),
                3,
                "{}: a working arm",
                exercise.id
            );
        }
        if exercise.attitude.leans_on_hand()
            && !matches!(
                exercise.attitude,
                ritorno_core::mechanics::Attitude::SidePlank
            )
        {
            leaning += 1;
            let (first, last) = (hand_of(steps[0]), hand_of(steps[24]));
            // Weight shifts and hand walks move the arm sideways on purpose; nobody's hand sinks into the floor or lifts off it.
            assert!(
                (first.1 - last.1).abs() < 12.0,
                "{}: the hand goes from {first:?} to {last:?}",
                exercise.id
            );
        }
    }
    assert!(leaning > 25, "{leaning} exercises lean on the hand");
}

/// Whoever takes two sheets home tells their drawings apart: nothing but the name under it tells no exercise from another.
#[test]
fn no_two_exercises_give_the_same_picture() {
    let known = known();
    let mut seen: std::collections::BTreeMap<String, &str> = Default::default();
    let mut twins: Vec<(&str, &str)> = Vec::new();
    for exercise in known.exercises.values() {
        let svg = draw(exercise, Arm::Right, exercise.path(), false);
        let drawn = svg.replace(&exercise.id, "");
        if let Some(other) = seen.insert(drawn, &exercise.id) {
            twins.push((other, &exercise.id));
        }
    }
    assert!(twins.is_empty(), "drawn alike: {twins:?}");
}
