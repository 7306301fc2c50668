//! The drawing itself: limbs with volume, the working arm tinted, the resting arm hatched.

use crate::body::{ArmJoints, Body, Other, body};
use crate::camera::{Camera, best};
use ritorno_core::knowledge::{Exercise, Helper};
use ritorno_core::mechanics::{Arm, ArmPose, Attitude, Frame, Path, Rotation, Vec3};
use std::fmt::Write as _;

/// What to draw.
#[derive(Debug, Clone)]
pub struct FigureSpec<'a> {
    /// The exercise.
    pub exercise: &'a Exercise,
    /// Its path, cut at today's ceiling.
    pub path: Path,
    /// The working arm.
    pub arm: Arm,
    /// Whether a ceiling cut the path: the wedge beyond is hatched.
    pub limited: bool,
    /// What the picture shows, for people who do not see it.
    pub title: &'a str,
}

const INK: &str = "#2b2a27";
const BODY: &str = "#efe7d8";
const WORK: &str = "#12616b";
const WORK_FILL: &str = "#8fc1c4";
const PROP: &str = "#8d8471";
const LIMIT: &str = "#a8402c";

type Point = (f64, f64);

/// The figure as an SVG document, the same for screen and paper, legible in grey.
///
/// Coordinates are centimetres of the drawn person; the picture scales to any size.
pub fn figure_svg(spec: &FigureSpec) -> String {
    let exercise = spec.exercise;
    let attitude = exercise.attitude;
    let lying = matches!(attitude, Attitude::Supine | Attitude::SideLying | Attitude::Prone | Attitude::Reclined);
    let other = other_arm(exercise);
    let frames: Vec<ArmPose> = (0..=24).filter_map(|i| spec.path.at(f64::from(i) / 24.0)).collect();
    let (Some(start), Some(end)) = (frames.first(), frames.last()) else { return empty(spec.title) };
    let bodies: Vec<Body> = frames.iter().map(|pose| body(attitude, pose, other)).collect();
    let tracks =
        vec![bodies.iter().map(|b| b.working.hand).collect::<Vec<_>>(), bodies.iter().map(|b| b.working.elbow).collect::<Vec<_>>()];
    let camera = best(&tracks, lying);
    let (first, last) = (body(attitude, start, other), body(attitude, end, other));
    let moves = camera_length(&camera, &tracks[0]) > 0.06;
    let mut art = Art { camera, out: String::new(), bounds: None };
    art.props_behind(exercise, &first, &last, attitude);
    art.person(&last, exercise);
    if moves {
        art.ghost_arm(&first.working);
    }
    art.working_arm(&last, exercise);
    if moves {
        art.track(&tracks[0]);
    }
    if spec.limited {
        art.limit_wedge(&last, end, attitude);
    }
    art.props_front(exercise, &last);
    art.finish(spec)
}

fn empty(title: &str) -> String {
    format!("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 10 10\"><title>{}</title></svg>", escape(title))
}

fn escape(text: &str) -> String {
    text.replace('&', "&amp;").replace('<', "&lt;").replace('>', "&gt;")
}

fn other_arm(exercise: &Exercise) -> Other {
    let hanging = ArmPose { plane_deg: 30.0, elevation_deg: 6.0, rotation: Rotation::TwistDeg(-10.0), elbow_deg: 14.0 };
    let lap = ArmPose { plane_deg: 60.0, elevation_deg: 18.0, rotation: Rotation::TwistDeg(-25.0), elbow_deg: 72.0 };
    let flat = ArmPose { plane_deg: 20.0, elevation_deg: 14.0, rotation: Rotation::TwistDeg(0.0), elbow_deg: 8.0 };
    match (exercise.helper, exercise.attitude) {
        (Helper::OtherHand, _) => Other::HoldsWrist,
        (Helper::Stick | Helper::Pulley, _) => Other::Mirrors,
        (_, attitude) if attitude.leans_on_hand() => Other::Same,
        (_, Attitude::ForwardLean) => Other::Props,
        (_, Attitude::Sitting | Attitude::TableBow) => Other::Rest(lap),
        (_, Attitude::Supine | Attitude::Prone | Attitude::SideLying | Attitude::Reclined) => Other::Rest(flat),
        _ => Other::Rest(hanging),
    }
}

fn camera_length(camera: &Camera, track: &[Vec3]) -> f64 {
    track
        .windows(2)
        .map(|pair| {
            let (a, b) = (camera.project(pair[0]), camera.project(pair[1]));
            (a.0 - b.0).hypot(a.1 - b.1)
        })
        .sum()
}

struct Art {
    camera: Camera,
    out: String,
    bounds: Option<[f64; 4]>,
}

impl Art {
    fn p(&self, v: Vec3) -> Point {
        let (x, y, _) = self.camera.project(v);
        (x * 100.0, y * 100.0)
    }

    fn grow(&mut self, points: &[Point], pad: f64) {
        for (x, y) in points {
            let b = self.bounds.get_or_insert([*x, *y, *x, *y]);
            b[0] = b[0].min(x - pad);
            b[1] = b[1].min(y - pad);
            b[2] = b[2].max(x + pad);
            b[3] = b[3].max(y + pad);
        }
    }

    /// A limb: the outline round circles along a line.
    fn limb(&mut self, joints: &[(Vec3, f64)], style: &str) {
        for pair in joints.windows(2) {
            let (a, b) = (self.p(pair[0].0), self.p(pair[1].0));
            let outline = hull(&[(a, pair[0].1), (b, pair[1].1)]);
            self.shape(&outline, style);
        }
    }

    fn shape(&mut self, outline: &[Point], style: &str) {
        self.grow(outline, 1.0);
        let points: Vec<String> = outline.iter().map(|(x, y)| format!("{x:.1},{y:.1}")).collect();
        let _ = write!(self.out, "<polygon points=\"{}\" {style}/>", points.join(" "));
    }

    fn line(&mut self, from: Vec3, to: Vec3, style: &str) {
        let (a, b) = (self.p(from), self.p(to));
        self.grow(&[a, b], 1.0);
        let _ = write!(self.out, "<line x1=\"{:.1}\" y1=\"{:.1}\" x2=\"{:.1}\" y2=\"{:.1}\" {style}/>", a.0, a.1, b.0, b.1);
    }

    fn person(&mut self, b: &Body, exercise: &Exercise) {
        let skin = format!("fill=\"{BODY}\" stroke=\"{INK}\" stroke-width=\"1.1\" stroke-linejoin=\"round\"");
        let depth = |v: Vec3| self.camera.project(v).2;
        let legs_near_first = depth(b.legs[0][1]) > depth(b.legs[1][1]);
        let order = if legs_near_first { [1, 0] } else { [0, 1] };
        for side in order {
            let l = &b.legs[side];
            self.limb(&[(l[0], 8.5), (l[1], 6.0)], &skin);
            self.limb(&[(l[1], 5.6), (l[2], 4.0)], &skin);
            self.limb(&[(l[2], 4.0), (l[3], 2.6)], &skin);
        }
        let far_other = self.camera.project(b.other.shoulder).2 < self.camera.project(b.working.shoulder).2;
        if far_other && !matches!(exercise.helper, Helper::OtherHand) {
            self.other_arm(&b.other);
        }
        let camera = self.camera;
        let round = |v: Vec3, r: f64| {
            let (x, y, _) = camera.project(v);
            ((x * 100.0, y * 100.0), r)
        };
        let trunk = hull(&[round(b.shoulders[0], 6.4), round(b.shoulders[1], 6.4), round(b.hips[0], 7.6), round(b.hips[1], 7.6)]);
        let neck = hull(&[round(b.neck, 5.0), round(b.head, 5.0)]);
        self.shape(&neck, &skin);
        self.shape(&trunk, &skin);
        let head = hull(&[round(b.head, 10.2), round(b.head + (b.neck - b.head) * 0.12, 9.6)]);
        self.shape(&head, &skin);
        let nose_root = b.head + b.face * 0.095;
        let nose = hull(&[(self.p(nose_root), 2.2), (self.p(nose_root + b.face * 0.035), 1.2)]);
        self.shape(&nose, &skin);
        if !far_other || matches!(exercise.helper, Helper::OtherHand) {
            self.other_arm(&b.other);
        }
    }

    fn arm(&mut self, a: &ArmJoints, style: &str) {
        self.limb(&[(a.shoulder, 6.2), (a.elbow, 4.6)], style);
        self.limb(&[(a.elbow, 4.6), (a.wrist, 3.2)], style);
        self.limb(&[(a.wrist, 3.4), (a.hand, 2.8)], style);
    }

    fn other_arm(&mut self, a: &ArmJoints) {
        self.arm(a, &format!("fill=\"url(#rest)\" stroke=\"{INK}\" stroke-width=\"1.1\" stroke-linejoin=\"round\""));
    }

    fn ghost_arm(&mut self, a: &ArmJoints) {
        self.arm(
            a,
            &format!("fill=\"{WORK_FILL}\" fill-opacity=\"0.25\" stroke=\"{WORK}\" stroke-width=\"0.9\" stroke-dasharray=\"3 2.4\""),
        );
    }

    fn working_arm(&mut self, b: &Body, _exercise: &Exercise) {
        self.arm(&b.working, &format!("fill=\"{WORK_FILL}\" stroke=\"{WORK}\" stroke-width=\"1.6\" stroke-linejoin=\"round\""));
    }

    fn track(&mut self, hands: &[Vec3]) {
        let points: Vec<Point> = hands.iter().map(|v| self.p(*v)).collect();
        self.grow(&points, 3.0);
        let text: Vec<String> = points.iter().map(|(x, y)| format!("{x:.1},{y:.1}")).collect();
        let _ = write!(
            self.out,
            "<polyline points=\"{}\" fill=\"none\" stroke=\"{WORK}\" stroke-width=\"1.8\" stroke-linecap=\"round\" marker-end=\"url(#tip)\"/>",
            text.join(" ")
        );
    }

    /// The wedge beyond the limit, hatched: from the end of the path on, in the same plane.
    fn limit_wedge(&mut self, b: &Body, end: &ArmPose, attitude: Attitude) {
        let frame = Frame::of(attitude);
        let centre = b.working.shoulder;
        let reach = (b.working.hand - centre).norm().max(0.3);
        let mut points = vec![self.p(centre)];
        for step in 0..=6 {
            let elevation_deg = (end.elevation_deg + 1.0 + f64::from(step) * 4.0).min(180.0);
            let beyond = ArmPose { elevation_deg, ..*end };
            points.push(self.p(centre + frame.room(beyond.upper_arm()) * reach));
        }
        self.shape(&points, &format!("fill=\"url(#stop)\" stroke=\"{LIMIT}\" stroke-width=\"0.8\""));
    }

    fn props_behind(&mut self, exercise: &Exercise, first: &Body, last: &Body, attitude: Attitude) {
        let thick = format!("stroke=\"{PROP}\" stroke-width=\"2.2\" stroke-linecap=\"round\"");
        // Floors and seats run across the picture, whatever the view.
        let across = self.camera.right;
        let level = |y: f64, from: f64, to: f64| (Vec3::new(0.0, y, 0.0) + across * from, Vec3::new(0.0, y, 0.0) + across * to);
        match attitude {
            Attitude::Standing
            | Attitude::ForwardLean
            | Attitude::Kneeling
            | Attitude::HandsAndKnees
            | Attitude::Plank
            | Attitude::Pike
            | Attitude::WallLean
            | Attitude::CounterLean => {
                let (a, b) = level(0.0, -0.45, 0.6);
                self.line(a, b, &thick);
            }
            Attitude::Sitting | Attitude::TableBow => {
                let seat = last.hip.y - 0.1;
                for ((y, from), (y2, to)) in
                    [((seat, -0.24), (seat, 0.26)), ((seat, -0.22), (0.0, -0.22)), ((seat, 0.22), (0.0, 0.22)), ((0.0, -0.45), (0.0, 0.75))]
                {
                    self.line(level(y, from, from).0, level(y2, to, to).0, &thick);
                }
                if across.x > 0.9 {
                    self.line(Vec3::new(-0.24, seat, 0.0), Vec3::new(-0.27, seat + 0.45, 0.0), &thick);
                }
            }
            Attitude::Supine | Attitude::SideLying | Attitude::Prone => {
                self.line(Vec3::new(-1.05, 0.0, 0.0), Vec3::new(1.05, 0.0, 0.0), &thick);
            }
            Attitude::Reclined => {
                self.line(Vec3::new(-0.08, 0.2, 0.0), Vec3::new(1.0, 0.2, 0.0), &thick);
                self.line(Vec3::new(-0.08, 0.2, 0.0), Vec3::new(-0.62, 0.75, 0.0), &thick);
            }
        }
        if attitude == Attitude::ForwardLean {
            let hand = last.other.hand;
            self.line(hand + Vec3::new(-0.12, -0.03, 0.0), hand + Vec3::new(0.3, -0.03, 0.0), &thick);
            self.line(hand + Vec3::new(0.26, -0.03, 0.0), Vec3::new(hand.x + 0.26, 0.0, hand.z), &thick);
        }
        match exercise.helper {
            Helper::Table => {
                let y = first.working.wrist.y.min(last.working.wrist.y) - 0.06;
                let along = [first.working.elbow, last.working.elbow, first.working.hand, last.working.hand].map(|v| v.dot(across));
                let near = along.iter().copied().fold(f64::INFINITY, f64::min) - 0.04;
                let far = along.iter().copied().fold(f64::NEG_INFINITY, f64::max) + 0.14;
                let (a, b) = level(y, near, far);
                self.line(a, b, &thick);
                let leg = if across.x > 0.5 { far - 0.06 } else { near + 0.06 };
                self.line(level(y, leg, leg).0, level(0.0, leg, leg).0, &thick);
            }
            Helper::Wall => {
                let hand = last.working.hand;
                let x = hand.x.max(first.working.hand.x) + 0.02;
                self.line(Vec3::new(x, 0.0, hand.z), Vec3::new(x, hand.y.max(first.working.hand.y).max(1.5) + 0.15, hand.z), &thick);
            }
            _ => {}
        }
    }

    fn props_front(&mut self, exercise: &Exercise, last: &Body) {
        let hand = last.working.hand;
        let stroke =
            |w: f64, dash: &str| format!("stroke=\"{INK}\" stroke-width=\"{w}\" stroke-linecap=\"round\" stroke-dasharray=\"{dash}\"");
        match exercise.helper {
            Helper::Stick => {
                let over = (last.working.hand - last.other.hand) * 0.18;
                self.line(last.other.hand - over, last.working.hand + over, &stroke(2.6, "none"));
            }
            Helper::Pulley => {
                let top = Vec3::new(last.head.x, last.head.y + 0.55, 0.0);
                self.line(last.working.hand, top, &stroke(1.1, "none"));
                self.line(last.other.hand, top, &stroke(1.1, "none"));
            }
            Helper::Elastic => {
                let start = exercise.path.first().map_or(hand, |_| hand);
                let anchor = if exercise.ladder == "row" { Vec3::new(1.0, 1.0, hand.z) } else { Vec3::new(start.x, start.y, -0.75) };
                self.line(hand, anchor, &stroke(1.8, "5 2.5"));
                let at = self.p(anchor);
                self.grow(&[at], 3.0);
                let _ = write!(self.out, "<circle cx=\"{:.1}\" cy=\"{:.1}\" r=\"2.6\" fill=\"{INK}\"/>", at.0, at.1);
            }
            Helper::Weight => {
                let at = self.p(hand);
                self.grow(&[at], 5.0);
                let _ = write!(
                    self.out,
                    "<rect x=\"{:.1}\" y=\"{:.1}\" width=\"13\" height=\"5\" rx=\"1.5\" fill=\"{INK}\"/>",
                    at.0 - 6.5,
                    at.1 - 2.5
                );
            }
            _ => {}
        }
    }

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
<path d=\"M0 0 L8 4 L0 8 z\" fill=\"{WORK}\"/></marker></defs><g{flip}>{}</g></svg>",
            x0 - 4.0,
            y0 - 4.0,
            escape(spec.title),
            self.out
        )
    }
}

/// The outline round circles: the convex hull of points on them (monotone chain).
fn hull(circles: &[(Point, f64)]) -> Vec<Point> {
    let mut points: Vec<Point> = circles
        .iter()
        .flat_map(|((x, y), r)| {
            (0..20).map(move |i| {
                let (sin, cos) = (f64::from(i) * std::f64::consts::TAU / 20.0).sin_cos();
                (x + r * cos, y + r * sin)
            })
        })
        .collect();
    points.sort_by(|a, b| a.partial_cmp(b).unwrap_or(std::cmp::Ordering::Equal));
    let turn = |o: Point, a: Point, b: Point| (a.0 - o.0) * (b.1 - o.1) - (a.1 - o.1) * (b.0 - o.0);
    let half = |points: &mut dyn Iterator<Item = Point>| {
        let mut chain: Vec<Point> = Vec::new();
        for p in points {
            while chain.len() >= 2 && turn(chain[chain.len() - 2], chain[chain.len() - 1], p) <= 0.0 {
                chain.pop();
            }
            chain.push(p);
        }
        chain.pop();
        chain
    };
    let mut out = half(&mut points.iter().copied());
    out.extend(half(&mut points.iter().rev().copied()));
    out
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_outline_of_one_circle_is_that_circle() {
        let outline = hull(&[((3.0, 4.0), 2.0)]);
        assert_eq!(outline.len(), 20);
        assert!(outline.iter().all(|(x, y)| ((x - 3.0).hypot(y - 4.0) - 2.0).abs() < 1e-9));
    }
}
