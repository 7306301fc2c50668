//! The drawing put together: limbs with volume, the working arm tinted, the resting arm hatched.

use crate::art::{Art, BODY, INK, LIMIT, WORK};
use crate::scene::{FigureSpec, STEPS, scene};
use ritorno_core::knowledge::{Exercise, Helper, WallSide};
use ritorno_core::mechanics::{Arm, Attitude, Frame, Load, Path};
use std::fmt::Write as _;

/// The figure as an SVG document, the same for screen and paper, legible in grey.
///
/// Coordinates are centimetres of the drawn person; the picture scales to any size.
pub fn figure_svg(spec: &FigureSpec) -> String {
    let exercise = spec.exercise;
    let Some(scene) = scene(spec) else {
        return empty(spec.title);
    };
    let (Some(first), Some(last)) = (scene.bodies.first(), scene.bodies.last()) else {
        return empty(spec.title);
    };
    let mut art = Art {
        camera: scene.camera,
        out: String::new(),
        bounds: None,
    };
    art.props_behind(exercise, first, last, exercise.attitude);
    if scene.sways {
        art.ghost_body(first);
    }
    art.roll_behind(exercise, last);
    art.person(last, exercise);
    if scene.moves {
        art.ghost_arm(&first.working);
    }
    art.working_arm(last, exercise);
    art.paths(&scene, exercise);
    let frame = Frame::of(exercise.attitude);
    for cue in &exercise.cues {
        art.cue(last, cue, &frame);
    }
    if spec.limited {
        art.limit_wedge(&scene, last, exercise.attitude);
    }
    art.props_front(exercise, last);
    art.finish(spec)
}

/// How far an arm may go: somebody who sits, the arm at the end of a way, what lies beyond hatched. Of the row nothing is drawn: any will do.
pub fn limit_figure_svg(any: &Exercise, way: Path, arm: Arm, title: &str) -> String {
    let bare = Exercise {
        attitude: Attitude::Sitting,
        demand: Vec::new(),
        tags: Vec::new(),
        kit: Vec::new(),
        helper: Helper::None,
        wall: WallSide::default(),
        other: None,
        ball_at: None,
        roll: None,
        legs: None,
        cues: Vec::new(),
        load: Load::default(),
        upper_arm_rests: false,
        ..any.clone()
    };
    figure_svg(&FigureSpec {
        exercise: &bare,
        path: way,
        arm,
        limited: true,
        title,
    })
}

/// Where an exercise begins, in the same frame as its figure; nothing where it does not move.
pub fn start_figure_svg(spec: &FigureSpec) -> Option<String> {
    let scene = scene(spec)?;
    let (first, last) = (scene.bodies.first()?, scene.bodies.last()?);
    if !scene.moves && !scene.sways {
        return None;
    }
    let mut art = Art {
        camera: scene.camera,
        out: String::new(),
        bounds: None,
    };
    art.props_behind(spec.exercise, first, last, spec.exercise.attitude);
    art.roll_behind(spec.exercise, first);
    art.person(first, spec.exercise);
    art.working_arm(first, spec.exercise);
    art.props_front(spec.exercise, first);
    Some(art.finish(spec))
}

/// The same figure in motion: one document with a group for each step of the path, all but the last hidden by `display`.
///
/// Groups carry `data-step` 0 to 24 in order; whoever shows them decides which is seen, and whether anything moves by itself.
pub fn moving_figure_svg(spec: &FigureSpec) -> String {
    in_steps(spec, |_| String::new())
}

/// The same, moving by itself, there and back without an end: for pages that show pictures and run nothing inside them.
pub fn looping_figure_svg(spec: &FigureSpec) -> String {
    in_steps(spec, seen_when)
}

/// Seconds of one way there and back. Source: our choice, slow enough to follow.
const ROUND_S: f64 = 5.0;

/// When a step of the path is seen on the way there and back, as an animation of its group.
fn seen_when(step: usize) -> String {
    let slots = 2 * STEPS;
    let seen = |slot: usize| slot == step || slot + step == slots;
    let (mut values, mut times) = (String::new(), String::new());
    for slot in (0..slots).filter(|slot| *slot == 0 || seen(*slot) != seen(*slot - 1)) {
        let between = if slot == 0 { "" } else { ";" };
        let word = if seen(slot) { "inline" } else { "none" };
        let _ = write!(values, "{between}{word}");
        let _ = write!(times, "{between}{:.4}", slot as f64 / slots as f64);
    }
    format!(
        "<animate attributeName=\"display\" calcMode=\"discrete\" dur=\"{ROUND_S}s\" repeatCount=\"indefinite\" values=\"{values}\" keyTimes=\"{times}\"/>"
    )
}

fn in_steps(spec: &FigureSpec, moves: impl Fn(usize) -> String) -> String {
    let exercise = spec.exercise;
    let Some(scene) = scene(spec) else {
        return empty(spec.title);
    };
    let (Some(first), Some(last)) = (scene.bodies.first(), scene.bodies.last()) else {
        return empty(spec.title);
    };
    let mut art = Art {
        camera: scene.camera,
        out: String::new(),
        bounds: None,
    };
    art.props_behind(exercise, first, last, exercise.attitude);
    for (step, at) in scene.bodies.iter().enumerate() {
        let hidden = if step == STEPS {
            ""
        } else {
            " display=\"none\""
        };
        let _ = write!(art.out, "<g data-step=\"{step}\"{hidden}>{}", moves(step));
        art.roll_behind(exercise, at);
        art.person(at, exercise);
        art.working_arm(at, exercise);
        art.props_front(exercise, at);
        art.out += "</g>";
    }
    art.paths(&scene, exercise);
    if spec.limited {
        art.limit_wedge(&scene, last, exercise.attitude);
    }
    art.finish(spec)
}

fn empty(title: &str) -> String {
    format!(
        "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 10 10\"><title>{}</title></svg>",
        escape(title)
    )
}

fn escape(text: &str) -> String {
    text.replace('&', "&amp;")
        .replace('<', "&lt;")
        .replace('>', "&gt;")
}

impl Art {
    fn finish(self, spec: &FigureSpec) -> String {
        let [x0, y0, x1, y1] = self.bounds.unwrap_or([0.0, 0.0, 100.0, 100.0]);
        let (w, h) = (x1 - x0 + 8.0, y1 - y0 + 8.0);
        // A left arm is the mirrored picture.
        let flip = match spec.arm {
            Arm::Right => String::new(),
            Arm::Left => format!(" transform=\"translate({:.1} 0) scale(-1 1)\"", x0 + x1),
        };
        format!(
            "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"{:.1} {:.1} {w:.1} {h:.1}\" role=\"img\"><title>{}</title><defs>\
<pattern id=\"rest\" width=\"4\" height=\"4\" patternUnits=\"userSpaceOnUse\" patternTransform=\"rotate(45)\">\
<rect width=\"4\" height=\"4\" fill=\"{BODY}\"/><line x1=\"0\" y1=\"0\" x2=\"0\" y2=\"4\" stroke=\"{INK}\" stroke-width=\"0.9\"/></pattern>\
<pattern id=\"stop\" width=\"4\" height=\"4\" patternUnits=\"userSpaceOnUse\" patternTransform=\"rotate(-45)\">\
<line x1=\"0\" y1=\"0\" x2=\"0\" y2=\"4\" stroke=\"{LIMIT}\" stroke-width=\"1.4\"/></pattern>\
<marker id=\"tip\" viewBox=\"0 0 8 8\" refX=\"5\" refY=\"4\" markerWidth=\"5\" markerHeight=\"5\" orient=\"auto-start-reverse\">\
<path d=\"M0 0 L8 4 L0 8 z\" fill=\"{WORK}\"/></marker>\
<marker id=\"cue\" viewBox=\"0 0 8 8\" refX=\"4\" refY=\"4\" markerWidth=\"3.4\" markerHeight=\"3.4\" orient=\"auto-start-reverse\">\
<path d=\"M0 0 L8 4 L0 8 z\" fill=\"{INK}\"/></marker></defs><g{flip}>{}</g></svg>",
            x0 - 4.0,
            y0 - 4.0,
            escape(spec.title),
            self.out
        )
    }
}
