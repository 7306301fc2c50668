//! The drawing itself: limbs with volume, the working arm tinted, the resting arm hatched.

use crate::body::{ArmJoints, Body, Other, body};
use crate::camera::{Camera, best};
use ritorno_core::knowledge::{Cue, CuePlace, CueWay, Exercise, Helper, Level, OtherArm, WallSide};
use ritorno_core::mechanics::{Arm, ArmBody, ArmPose, Attitude, Frame, Load, Path, Rotation, Vec3};
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
const SHIRT: &str = "#d8cbb3";
const HAIR: &str = "#6b6255";
const WORK: &str = "#12616b";
const WORK_FILL: &str = "#8fc1c4";
const PROP: &str = "#8d8471";
const LIMIT: &str = "#a8402c";

/// The drawn person, as far as an anchor's place depends on it.
const DRAWN: ArmBody = ArmBody {
    upper_arm_m: crate::body::UPPER_ARM,
    forearm_m: crate::body::FOREARM,
    grip_m: 0.068,
    mass_kg: [2.1, 1.2, 0.45],
    centre_m: [0.142, 0.11, 0.068],
    height_m: 1.75,
    body_kg: 75.0,
};

type Point = (f64, f64);

/// Steps along the path that the picture is worked out at.
const STEPS: usize = 24;

/// Everything the drawing needs, worked out once.
struct Scene {
    bodies: Vec<Body>,
    hand_track: Vec<Vec3>,
    camera: Camera,
    /// The arm moves on a body that stays.
    moves: bool,
    /// The body moves on a hand that stays.
    sways: bool,
    end: ArmPose,
}

fn scene(spec: &FigureSpec) -> Option<Scene> {
    let exercise = spec.exercise;
    let attitude = exercise.attitude;
    let other = other_arm(exercise);
    let poses: Vec<ArmPose> = (0..=STEPS)
        .filter_map(|i| spec.path.at(i as f64 / STEPS as f64))
        .collect();
    let end = *poses.last()?;
    let bodies: Vec<Body> = poses
        .iter()
        .map(|pose| body(attitude, pose, other))
        .collect();
    let frame = Frame::of(attitude);
    let hand_track: Vec<Vec3> = bodies.iter().map(|b| b.working.hand).collect();
    let mut tracks = vec![
        hand_track.clone(),
        bodies.iter().map(|b| b.working.elbow).collect::<Vec<_>>(),
    ];
    for cue in &exercise.cues {
        if let Some(b) = bodies.last() {
            let (from, way, both) = cue_track(b, cue, &frame);
            tracks.push(vec![from, from + way * if both { 0.4 } else { 0.3 }]);
        }
    }
    let camera = best(&tracks, attitude);
    let shoulder = |b: Option<&Body>| b.map_or(Vec3::default(), |b| b.working.shoulder);
    Some(Scene {
        moves: camera_length(&camera, &hand_track) > 0.06 && !attitude.leans_on_hand(),
        sways: (attitude.leans_on_hand() || attitude == Attitude::TableBow)
            && (shoulder(bodies.first()) - shoulder(bodies.last())).norm() > 0.04,
        bodies,
        hand_track,
        camera,
        end,
    })
}

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
        art.limit_wedge(last, &scene.end, exercise.attitude);
    }
    art.props_front(exercise, last);
    art.finish(spec)
}

/// The same figure in motion: one document with a group for each step of the path, all but the last hidden by `display`.
///
/// Groups carry `data-step` 0 to 24 in order; whoever shows them decides which is seen, and whether anything moves by itself.
pub fn moving_figure_svg(spec: &FigureSpec) -> String {
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
        let _ = write!(art.out, "<g data-step=\"{step}\"{hidden}>");
        art.person(at, exercise);
        art.working_arm(at, exercise);
        art.props_front(exercise, at);
        art.out += "</g>";
    }
    art.paths(&scene, exercise);
    if spec.limited {
        art.limit_wedge(last, &scene.end, exercise.attitude);
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

/// The track of a cue: so that the camera sees it, and the arrow follows it.
fn cue_track(b: &Body, cue: &Cue, frame: &Frame) -> (Vec3, Vec3, bool) {
    let out = frame.room(Vec3::new(0.0, 0.0, 1.0));
    let ahead = frame.room(Vec3::new(1.0, 0.0, 0.0));
    let up = frame.room(Vec3::new(0.0, 1.0, 0.0));
    let from = match cue.at {
        CuePlace::Head => b.head + up * 0.16,
        CuePlace::Chin => b.head + ahead * 0.13 - up * 0.05,
        CuePlace::Shoulder => b.working.shoulder + up * 0.1,
        CuePlace::Elbow => b.working.elbow,
        CuePlace::Hand => b.working.hand,
        CuePlace::Chest => b.neck - up * 0.16 + ahead * 0.12,
        CuePlace::Belly => b.hip + up * 0.14 + ahead * 0.14,
    };
    let (way, both) = match cue.go {
        CueWay::Up => (up, false),
        CueWay::Down => (up * -1.0, false),
        CueWay::Forward => (ahead, false),
        CueWay::Back => (ahead * -1.0, false),
        CueWay::Out => (out, false),
        CueWay::In => (out * -1.0, false),
        CueWay::UpDown => (up, true),
        CueWay::ForwardBack => (ahead, true),
        CueWay::OutIn | CueWay::Turn | CueWay::Tilt => (out, true),
        CueWay::Circle | CueWay::Open => (ahead, true),
    };
    (from, way, both)
}

fn other_arm(exercise: &Exercise) -> Other {
    let hanging = ArmPose {
        plane_deg: 30.0,
        elevation_deg: 6.0,
        rotation: Rotation::TwistDeg(-10.0),
        elbow_deg: 14.0,
    };
    let lap = ArmPose {
        plane_deg: 60.0,
        elevation_deg: 18.0,
        rotation: Rotation::TwistDeg(-25.0),
        elbow_deg: 72.0,
    };
    let flat = ArmPose {
        plane_deg: 20.0,
        elevation_deg: 14.0,
        rotation: Rotation::TwistDeg(0.0),
        elbow_deg: 8.0,
    };
    match exercise.other {
        Some(OtherArm::Same) => return Other::Same,
        Some(OtherArm::Lifts) => return Other::Lifts,
        Some(OtherArm::Taps) => return Other::Taps,
        Some(OtherArm::Holds) => return Other::HoldsWrist,
        Some(OtherArm::Head) => return Other::Head,
        Some(OtherArm::Hangs) => return Other::Rest(hanging),
        Some(OtherArm::Behind) => {
            return Other::Rest(ArmPose {
                plane_deg: -50.0,
                elevation_deg: 26.0,
                rotation: Rotation::TwistDeg(-80.0),
                elbow_deg: 80.0,
            });
        }
        None => {}
    }
    match (exercise.helper, exercise.attitude) {
        (Helper::OtherHand, _) => Other::HoldsWrist,
        (Helper::Stick | Helper::Pulley, _) => Other::Mirrors,
        (_, attitude) if attitude.leans_on_hand() => Other::Same,
        (_, Attitude::ForwardLean) => Other::Props,
        (_, Attitude::Sitting | Attitude::TableBow) => Other::Rest(lap),
        (_, Attitude::Supine | Attitude::Prone | Attitude::SideLying | Attitude::Reclined) => {
            Other::Rest(flat)
        }
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
        let points: Vec<String> = outline
            .iter()
            .map(|(x, y)| format!("{x:.1},{y:.1}"))
            .collect();
        let _ = write!(
            self.out,
            "<polygon points=\"{}\" {style}/>",
            points.join(" ")
        );
    }

    fn line(&mut self, from: Vec3, to: Vec3, style: &str) {
        let (a, b) = (self.p(from), self.p(to));
        self.grow(&[a, b], 1.0);
        let _ = write!(
            self.out,
            "<line x1=\"{:.1}\" y1=\"{:.1}\" x2=\"{:.1}\" y2=\"{:.1}\" {style}/>",
            a.0, a.1, b.0, b.1
        );
    }

    fn person(&mut self, b: &Body, exercise: &Exercise) {
        let skin = format!(
            "fill=\"{BODY}\" stroke=\"{INK}\" stroke-width=\"1.1\" stroke-linejoin=\"round\""
        );
        let depth = |v: Vec3| self.camera.project(v).2;
        let legs_near_first = depth(b.legs[0][1]) > depth(b.legs[1][1]);
        let order = if legs_near_first { [1, 0] } else { [0, 1] };
        for side in order {
            let l = &b.legs[side];
            self.limb(&[(l[0], 8.5), (l[1], 6.0)], &skin);
            self.limb(&[(l[1], 5.6), (l[2], 4.0)], &skin);
            self.limb(&[(l[2], 4.0), (l[3], 2.6)], &skin);
        }
        let far_other =
            self.camera.project(b.other.shoulder).2 < self.camera.project(b.working.shoulder).2;
        if far_other && !matches!(exercise.helper, Helper::OtherHand) {
            self.other_arm(&b.other);
        }
        let camera = self.camera;
        let round = |v: Vec3, r: f64| {
            let (x, y, _) = camera.project(v);
            ((x * 100.0, y * 100.0), r)
        };
        let trunk = hull(&[
            round(b.shoulders[0], 6.4),
            round(b.shoulders[1], 6.4),
            round(b.hips[0], 7.6),
            round(b.hips[1], 7.6),
        ]);
        let neck = hull(&[round(b.neck, 5.0), round(b.head, 5.0)]);
        let shirt = format!(
            "fill=\"{SHIRT}\" stroke=\"{INK}\" stroke-width=\"1.1\" stroke-linejoin=\"round\""
        );
        self.shape(&neck, &skin);
        self.shape(&trunk, &shirt);
        // Hair: behind the face when it looks this way, over the back of the head when it looks away.
        let crown = (b.head - b.neck).unit().unwrap_or_default();
        let faces_us = self.camera.project(b.face).2 > 0.35;
        let style = format!("fill=\"{HAIR}\" stroke=\"{INK}\" stroke-width=\"0.9\"");
        if faces_us {
            let behind = hull(&[round(b.head + crown * 0.022, 11.0)]);
            self.shape(&behind, &style);
        }
        let head = hull(&[
            round(b.head, 10.2),
            round(b.head + (b.neck - b.head) * 0.12, 9.6),
        ]);
        self.shape(&head, &skin);
        if !faces_us {
            let hair = hull(&[
                round(b.head - b.face * 0.045 + crown * 0.035, 7.4),
                round(b.head - b.face * 0.01 + crown * 0.062, 5.6),
            ]);
            self.shape(&hair, &style);
        }
        let nose_root = b.head + b.face * 0.097 - crown * 0.012;
        let nose = hull(&[
            (self.p(nose_root), 1.7),
            (self.p(nose_root + b.face * 0.03 - crown * 0.006), 1.0),
        ]);
        self.shape(&nose, &skin);
        let side = b.face.cross(crown);
        for eye in [-1.0, 1.0] {
            let at = b.head + b.face * 0.088 + crown * 0.02 + side * (0.036 * eye);
            // An eye on the far side of the head is not seen.
            if self.camera.project(at).2 - self.camera.project(b.head).2 > 0.02 {
                let (x, y) = self.p(at);
                let _ = write!(
                    self.out,
                    "<circle cx=\"{x:.1}\" cy=\"{y:.1}\" r=\"1.15\" fill=\"{INK}\"/>"
                );
            }
        }
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

    /// Where the body was, for whoever leans: the hand stays, the trunk goes.
    fn ghost_body(&mut self, b: &Body) {
        let dashed = format!(
            "fill=\"none\" stroke=\"{WORK}\" stroke-width=\"0.9\" stroke-dasharray=\"3 2.4\""
        );
        let mid = |a: Vec3, c: Vec3| (a + c) * 0.5;
        self.limb(
            &[
                (mid(b.shoulders[0], b.shoulders[1]), 8.0),
                (mid(b.hips[0], b.hips[1]), 8.0),
            ],
            &dashed,
        );
        self.limb(&[(b.head, 10.0), (b.head, 10.0)], &dashed);
    }

    /// A small arrow with a light rim, so that it stands out on the body and on paper.
    fn cue(&mut self, b: &Body, cue: &Cue, frame: &Frame) {
        let (from, way, both) = cue_track(b, cue, frame);
        let (x, y) = self.p(from);
        let (tx, ty) = self.p(from + way);
        let (dx, dy) = (tx - x, ty - y);
        let long = dx.hypot(dy).max(1.0);
        let (ux, uy) = (dx / long, dy / long);
        let line = |d: String, back: bool| {
            let start = if back {
                " marker-start=\"url(#cue)\""
            } else {
                ""
            };
            format!(
                "<path d=\"{d}\" fill=\"none\" stroke=\"#fffdf8\" stroke-width=\"6\" stroke-linecap=\"round\"/>\
<path d=\"{d}\" fill=\"none\" stroke=\"{INK}\" stroke-width=\"2.6\" stroke-linecap=\"round\"{start} marker-end=\"url(#cue)\"/>"
            )
        };
        let art = match cue.go {
            CueWay::Turn | CueWay::Tilt => {
                // Over the head for a tilt, flat like a halo for a turn.
                let (rx, ry, lift) = if cue.go == CueWay::Turn {
                    (13.0, 5.0, 2.0)
                } else {
                    (15.0, 13.0, 14.0)
                };
                let y = y + if cue.at == CuePlace::Head {
                    lift - 2.0
                } else {
                    0.0
                };
                line(
                    format!(
                        "M{:.1} {:.1}A{rx} {ry} 0 0 1 {:.1} {:.1}",
                        x - rx,
                        y,
                        x + rx,
                        y
                    ),
                    true,
                )
            }
            CueWay::Circle => line(format!("M{:.1} {:.1}a8 8 0 1 1 -3 -6", x + 8.0, y), false),
            CueWay::Open => {
                let mut rays = String::new();
                for k in -1..=1 {
                    let turn = f64::from(k) * 0.7;
                    let (fx, fy) = self.p(b.working.hand + (b.working.hand - b.working.wrist));
                    let (hx, hy) = self.p(b.working.hand);
                    let (ax, ay) = ((fx - hx) / 13.0, (fy - hy) / 13.0);
                    let (s, c) = turn.sin_cos();
                    let (rx, ry) = (ax * c - ay * s, ax * s + ay * c);
                    rays += &line(
                        format!(
                            "M{:.1} {:.1}L{:.1} {:.1}",
                            hx + rx * 5.0,
                            hy + ry * 5.0,
                            hx + rx * 14.0,
                            hy + ry * 14.0
                        ),
                        true,
                    );
                }
                rays
            }
            _ => {
                let length = if both { 11.0 } else { 17.0 };
                let start = if both { -11.0 } else { 3.0 };
                line(
                    format!(
                        "M{:.1} {:.1}L{:.1} {:.1}",
                        x + ux * start,
                        y + uy * start,
                        x + ux * length,
                        y + uy * length
                    ),
                    both,
                )
            }
        };
        self.grow(
            &[(x, y), (x + ux * 20.0, y + uy * 20.0)],
            if both { 16.0 } else { 5.0 },
        );
        self.out += &art;
    }

    fn working_arm(&mut self, b: &Body, _exercise: &Exercise) {
        self.arm(&b.working, &format!("fill=\"{WORK_FILL}\" stroke=\"{WORK}\" stroke-width=\"1.6\" stroke-linejoin=\"round\""));
    }

    /// The way the hand goes, or the shoulder of whoever leans.
    fn paths(&mut self, scene: &Scene, exercise: &Exercise) {
        let quick = exercise.demand.iter().any(|d| d.level == Level::Ballistic);
        if scene.moves {
            self.track(&scene.hand_track, quick);
        }
        if scene.sways && !scene.moves {
            self.track(
                &scene
                    .bodies
                    .iter()
                    .map(|b| b.working.shoulder)
                    .collect::<Vec<_>>(),
                quick,
            );
        }
    }

    fn track(&mut self, hands: &[Vec3], quick: bool) {
        let points: Vec<Point> = hands.iter().map(|v| self.p(*v)).collect();
        self.grow(&points, 3.0);
        let text: Vec<String> = points
            .iter()
            .map(|(x, y)| format!("{x:.1},{y:.1}"))
            .collect();
        let _ = write!(
            self.out,
            "<polyline points=\"{}\" fill=\"none\" stroke=\"{WORK}\" stroke-width=\"{}\" stroke-linecap=\"round\" marker-end=\"url(#tip)\"/>",
            text.join(" "),
            // Quick work is drawn with a broken, heavier line.
            if quick {
                "2.8\" stroke-dasharray=\"9 4"
            } else {
                "1.8"
            }
        );
    }

    /// The wedge beyond the limit, hatched: from the end of the path on, in the same plane.
    fn limit_wedge(&mut self, b: &Body, end: &ArmPose, attitude: Attitude) {
        let frame = Frame::of_pose(attitude, end);
        let centre = b.working.shoulder;
        let reach = (b.working.hand - centre).norm().max(0.3);
        let mut points = vec![self.p(centre)];
        for step in 0..=6 {
            let elevation_deg = (end.elevation_deg + 1.0 + f64::from(step) * 4.0).min(180.0);
            let beyond = ArmPose {
                elevation_deg,
                ..*end
            };
            points.push(self.p(centre + frame.room(beyond.upper_arm()) * reach));
        }
        self.shape(
            &points,
            &format!("fill=\"url(#stop)\" stroke=\"{LIMIT}\" stroke-width=\"0.8\""),
        );
    }

    fn props_behind(&mut self, exercise: &Exercise, first: &Body, last: &Body, attitude: Attitude) {
        let thick = format!("stroke=\"{PROP}\" stroke-width=\"2.2\" stroke-linecap=\"round\"");
        // Floors and seats run across the picture, whatever the view.
        let across = self.camera.right;
        let level = |y: f64, from: f64, to: f64| {
            (
                Vec3::new(0.0, y, 0.0) + across * from,
                Vec3::new(0.0, y, 0.0) + across * to,
            )
        };
        match attitude {
            Attitude::Standing
            | Attitude::ForwardLean
            | Attitude::Kneeling
            | Attitude::HandsAndKnees
            | Attitude::Plank
            | Attitude::Pike
            | Attitude::SidePlank
            | Attitude::WallLean
            | Attitude::CounterLean => {
                let (from, to) = if !attitude.leans_on_hand() {
                    (-0.45, 0.6)
                } else {
                    // From foot to hand, wherever the body had to go.
                    let ends = [
                        last.legs[0][3],
                        last.legs[1][3],
                        last.working.hand,
                        last.other.hand,
                    ]
                    .map(|v| v.dot(across));
                    let least = ends.iter().copied().fold(f64::INFINITY, f64::min);
                    (
                        least - 0.1,
                        ends.iter().copied().fold(f64::NEG_INFINITY, f64::max) + 0.1,
                    )
                };
                let (a, b) = level(0.0, from, to);
                self.line(a, b, &thick);
            }
            Attitude::Sitting | Attitude::TableBow => {
                let seat = last.hip.y - 0.1;
                for ((y, from), (y2, to)) in [
                    ((seat, -0.24), (seat, 0.26)),
                    ((seat, -0.22), (0.0, -0.22)),
                    ((seat, 0.22), (0.0, 0.22)),
                    ((0.0, -0.45), (0.0, 0.75)),
                ] {
                    self.line(level(y, from, from).0, level(y2, to, to).0, &thick);
                }
                if across.x > 0.9 {
                    self.line(
                        Vec3::new(-0.24, seat, 0.0),
                        Vec3::new(-0.27, seat + 0.45, 0.0),
                        &thick,
                    );
                }
            }
            Attitude::Prone => {
                // A bench that ends at the shoulder, so that the arm can hang.
                let end = last.shoulders[0].x.max(last.shoulders[1].x) - 0.08;
                let top = last.hip.y - 0.11;
                self.line(Vec3::new(-0.95, top, 0.0), Vec3::new(end, top, 0.0), &thick);
                for x in [-0.85, end - 0.1] {
                    self.line(
                        Vec3::new(x, top, 0.0),
                        Vec3::new(x, top - 0.42, 0.0),
                        &thick,
                    );
                }
            }
            Attitude::Supine | Attitude::SideLying => {
                self.line(
                    Vec3::new(-1.05, 0.0, 0.0),
                    Vec3::new(1.05, 0.0, 0.0),
                    &thick,
                );
            }
            Attitude::Reclined => {
                self.line(Vec3::new(-0.08, 0.2, 0.0), Vec3::new(1.0, 0.2, 0.0), &thick);
                self.line(
                    Vec3::new(-0.08, 0.2, 0.0),
                    Vec3::new(-0.62, 0.75, 0.0),
                    &thick,
                );
            }
        }
        if attitude == Attitude::ForwardLean {
            let hand = last.other.hand;
            self.line(
                hand + Vec3::new(-0.12, -0.03, 0.0),
                hand + Vec3::new(0.3, -0.03, 0.0),
                &thick,
            );
            self.line(
                hand + Vec3::new(0.26, -0.03, 0.0),
                Vec3::new(hand.x + 0.26, 0.0, hand.z),
                &thick,
            );
        }
        match exercise.helper {
            Helper::Table => {
                let y = first.working.wrist.y.min(last.working.wrist.y) - 0.06;
                let along = [
                    first.working.elbow,
                    last.working.elbow,
                    first.working.hand,
                    last.working.hand,
                ]
                .map(|v| v.dot(across));
                let near = along.iter().copied().fold(f64::INFINITY, f64::min) - 0.04;
                let far = along.iter().copied().fold(f64::NEG_INFINITY, f64::max) + 0.14;
                let (a, b) = level(y, near, far);
                self.line(a, b, &thick);
                let leg = if across.x > 0.5 {
                    far - 0.06
                } else {
                    near + 0.06
                };
                self.line(level(y, leg, leg).0, level(0.0, leg, leg).0, &thick);
            }
            Helper::Wall => {
                let joints = [
                    first.working.hand,
                    last.working.hand,
                    first.working.elbow,
                    last.working.elbow,
                    first.working.wrist,
                    last.working.wrist,
                ];
                let far = |of: fn(Vec3) -> f64| {
                    joints
                        .iter()
                        .copied()
                        .map(of)
                        .fold(f64::NEG_INFINITY, f64::max)
                };
                let (hand, top) = (last.working.hand, far(|v| v.y).max(1.5) + 0.12);
                // Two level directions of the wall's face and where it stands.
                let (at, along) = match exercise.wall {
                    WallSide::Front => (
                        Vec3::new(far(|v| v.x) + 0.03, 0.0, hand.z),
                        Vec3::new(0.0, 0.0, 1.0),
                    ),
                    WallSide::Back => {
                        let back = joints.iter().map(|v| v.x).fold(-0.15, f64::min) - 0.04;
                        (Vec3::new(back, 0.0, 0.0), Vec3::new(0.0, 0.0, 1.0))
                    }
                    WallSide::Side => (
                        Vec3::new(0.15, 0.0, far(|v| v.z) + 0.05),
                        Vec3::new(1.0, 0.0, 0.0),
                    ),
                    WallSide::Inside => (
                        Vec3::new(hand.x, 0.0, hand.z - 0.06),
                        Vec3::new(1.0, 0.0, 0.0),
                    ),
                };
                let half = if exercise.wall == WallSide::Inside {
                    0.06
                } else {
                    0.32
                };
                let corner =
                    |side: f64, y: f64| at + along * (side * half) + Vec3::new(0.0, y, 0.0);
                let face: Vec<Point> = [
                    corner(-1.0, 0.0),
                    corner(1.0, 0.0),
                    corner(1.0, top),
                    corner(-1.0, top),
                ]
                .map(|v| self.p(v))
                .to_vec();
                self.shape(
                    &face,
                    &format!("fill=\"{PROP}\" fill-opacity=\"0.16\" stroke=\"{PROP}\" stroke-width=\"1.6\" stroke-linejoin=\"round\""),
                );
            }
            _ => {}
        }
    }

    fn props_front(&mut self, exercise: &Exercise, last: &Body) {
        let hand = last.working.hand;
        let stroke = |w: f64, dash: &str| {
            format!(
                "stroke=\"{INK}\" stroke-width=\"{w}\" stroke-linecap=\"round\" stroke-dasharray=\"{dash}\""
            )
        };
        match exercise.helper {
            Helper::Stick => {
                let over = (last.working.hand - last.other.hand) * 0.18;
                self.line(
                    last.other.hand - over,
                    last.working.hand + over,
                    &stroke(2.6, "none"),
                );
            }
            Helper::Pulley => {
                let top = Vec3::new(last.head.x, last.head.y + 0.55, 0.0);
                self.line(last.working.hand, top, &stroke(1.1, "none"));
                self.line(last.other.hand, top, &stroke(1.1, "none"));
            }
            Helper::Elastic => {
                // The anchor of the load itself: picture and computation share it.
                let Load::Elastic { anchor, .. } = exercise.load else {
                    return;
                };
                let shoulder = last.working.shoulder;
                let mut anchor = shoulder + anchor.from_shoulder(&DRAWN, exercise.attitude);
                anchor.y = anchor.y.max(0.0);
                self.line(hand, anchor, &stroke(1.8, "5 2.5"));
                let at = self.p(anchor);
                self.grow(&[at], 3.0);
                let _ = write!(
                    self.out,
                    "<circle cx=\"{:.1}\" cy=\"{:.1}\" r=\"2.6\" fill=\"{INK}\"/>",
                    at.0, at.1
                );
            }
            Helper::Ball => {
                let at = self.p(hand);
                // Big balls roll under both hands, the others lie in one.
                let r = if exercise.attitude == Attitude::Kneeling && exercise.load != Load::Weight
                {
                    20.0
                } else {
                    6.5
                };
                let at = if r > 10.0 { (at.0, at.1 + r) } else { at };
                self.grow(&[at], r + 1.0);
                let _ = write!(
                    self.out,
                    "<circle cx=\"{:.1}\" cy=\"{:.1}\" r=\"{r}\" fill=\"{PROP}\" fill-opacity=\"0.45\" stroke=\"{INK}\" stroke-width=\"1.1\"/>",
                    at.0, at.1
                );
            }
            Helper::Box => {
                let at = self.p(hand);
                self.grow(&[(at.0, at.1 + 12.0)], 14.0);
                let _ = write!(
                    self.out,
                    "<rect x=\"{:.1}\" y=\"{:.1}\" width=\"24\" height=\"19\" rx=\"1.5\" fill=\"{PROP}\" fill-opacity=\"0.45\" stroke=\"{INK}\" stroke-width=\"1.1\"/>",
                    at.0 - 12.0,
                    at.1 + 1.0
                );
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
            while chain.len() >= 2 && turn(chain[chain.len() - 2], chain[chain.len() - 1], p) <= 0.0
            {
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
        assert!(
            outline
                .iter()
                .all(|(x, y)| ((x - 3.0).hypot(y - 4.0) - 2.0).abs() < 1e-9)
        );
    }
}
