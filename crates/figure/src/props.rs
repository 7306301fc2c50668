//! Things: what lies behind the person and what lies in front.

use crate::art::{Art, INK, PROP, Point};
use crate::body::Body;
use crate::scene::DRAWN;
use ritorno_core::knowledge::{CuePlace, Exercise, Helper, Roll, WallSide};
use ritorno_core::mechanics::{Attitude, Load, Vec3};
use std::fmt::Write as _;

impl Art {
    pub(crate) fn props_behind(
        &mut self,
        exercise: &Exercise,
        first: &Body,
        last: &Body,
        attitude: Attitude,
    ) {
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
                let corners = [(-1.0, 0.0), (1.0, 0.0), (1.0, top), (-1.0, top)];
                self.face(corners.map(|(side, y)| corner(side, y)));
            }
            Helper::Ball => {
                let Some((ball, away)) = pressed_ball(exercise, last) else {
                    return;
                };
                let at = ball + away * 0.07;
                let along = away.cross(Vec3::new(0.0, 1.0, 0.0));
                let (top, half) = (last.head.y + 0.1, 0.3);
                let corners = [(-1.0, 0.0), (1.0, 0.0), (1.0, top), (-1.0, top)];
                let foot = Vec3::new(at.x, 0.0, at.z);
                self.face(
                    corners.map(|(side, y)| foot + along * (side * half) + Vec3::new(0.0, y, 0.0)),
                );
            }
            _ => {}
        }
    }

    /// The face of a wall between four corners.
    fn face(&mut self, corners: [Vec3; 4]) {
        let face: Vec<Point> = corners.map(|v| self.p(v)).to_vec();
        self.shape(
            &face,
            &format!("fill=\"{PROP}\" fill-opacity=\"0.16\" stroke=\"{PROP}\" stroke-width=\"1.6\" stroke-linejoin=\"round\""),
        );
    }

    /// A rolled towel, a roller or a cloth that lies under the person.
    pub(crate) fn roll_behind(&mut self, exercise: &Exercise, body: &Body) {
        let trunk = |share: f64| body.hip + (body.neck - body.hip) * share;
        let down = Vec3::new(0.0, -1.0, 0.0);
        match exercise.roll {
            Some(Roll::AcrossBack) => self.round(trunk(0.62) + down * 0.1, 7.5),
            // On the side of the chest: on the floor for who lies; on the wall for who stands, see `roll_front`.
            Some(Roll::UnderSide) if exercise.attitude == Attitude::SideLying => {
                self.round(trunk(0.62) + down * 0.24, 8.0);
            }
            Some(Roll::AlongBack) => {
                let ends = [trunk(-0.12) + down * 0.1, trunk(1.25) + down * 0.1];
                self.thick(ends[0], ends[1], 9.0);
            }
            Some(Roll::UnderElbow) => {
                let elbow = body.working.elbow;
                self.thick(
                    elbow + Vec3::new(-0.06, -0.07, 0.0),
                    elbow + Vec3::new(0.06, -0.07, 0.0),
                    5.0,
                );
            }
            _ => {}
        }
    }

    /// What is held: between arm and trunk, between the hands, under the hand, or swung.
    fn roll_front(&mut self, exercise: &Exercise, body: &Body) {
        let arm = &body.working;
        match exercise.roll {
            Some(Roll::UnderArm) => {
                let ribs = arm.shoulder + (body.hips[0] - arm.shoulder) * 0.62;
                let at = arm.elbow * 0.7 + ribs * 0.3;
                self.round(at, 4.6);
            }
            Some(Roll::UnderSide) if exercise.attitude != Attitude::SideLying => {
                let side = arm.shoulder + (body.hips[0] - arm.shoulder) * 0.38;
                self.round(side + Vec3::new(-0.09, 0.0, 0.06), 6.0);
            }
            Some(Roll::UnderHand) => self.thick(
                arm.hand + (arm.wrist - arm.hand) * 0.9,
                arm.hand + (arm.hand - arm.wrist) * 0.25,
                2.6,
            ),
            Some(Roll::BetweenHands) => self.thick(body.other.hand, arm.hand, 2.4),
            Some(Roll::Rope) => {
                // Three waves along the floor ahead.
                let far = Vec3::new(arm.hand.x + 1.1, 0.02, arm.hand.z);
                let points: Vec<Point> = (0..=24)
                    .map(|i| {
                        let share = f64::from(i) / 24.0;
                        let wave = (share * 18.0).sin() * 0.13 * (1.0 - share);
                        self.p(arm.hand + (far - arm.hand) * share + Vec3::new(0.0, wave, 0.0))
                    })
                    .collect();
                let style =
                    format!("stroke=\"{INK}\" stroke-width=\"3\" stroke-linejoin=\"round\"");
                self.along(&points, &style);
            }
            _ => {}
        }
    }

    /// A roll seen from its end.
    fn round(&mut self, at: Vec3, r: f64) {
        let at = self.p(at);
        self.grow(&[at], r + 1.0);
        let _ = write!(
            self.out,
            "<circle cx=\"{:.1}\" cy=\"{:.1}\" r=\"{r}\" fill=\"{PROP}\" stroke=\"{INK}\" stroke-width=\"1.1\"/><circle cx=\"{:.1}\" cy=\"{:.1}\" r=\"{:.1}\" fill=\"none\" stroke=\"{INK}\" stroke-width=\"0.8\"/>",
            at.0,
            at.1,
            at.0,
            at.1,
            r * 0.45
        );
    }

    /// A roll seen from its side, or a cloth drawn tight; `r` is half its width in centimetres.
    fn thick(&mut self, from: Vec3, to: Vec3, r: f64) {
        self.limb(
            &[(from, r), (to, r)],
            &format!(
                "fill=\"{PROP}\" stroke=\"{INK}\" stroke-width=\"1.1\" stroke-linejoin=\"round\""
            ),
        );
    }

    pub(crate) fn props_front(&mut self, exercise: &Exercise, last: &Body) {
        self.roll_front(exercise, last);
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
                let pressed = pressed_ball(exercise, last);
                let at = self.p(pressed.map_or(hand, |(ball, _)| ball));
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
}

/// Where a ball lies between the body and a wall, and the way from the body to that wall.
fn pressed_ball(exercise: &Exercise, body: &Body) -> Option<(Vec3, Vec3)> {
    let arm = &body.working;
    let skin = match exercise.ball_at? {
        CuePlace::Elbow => (arm.shoulder + arm.elbow) * 0.5,
        CuePlace::Chest => arm.shoulder * 0.6 + body.neck * 0.4 - Vec3::new(0.0, 0.1, 0.0),
        _ => arm.shoulder,
    };
    let away = match exercise.wall {
        WallSide::Back => Vec3::new(-1.0, 0.0, 0.0),
        WallSide::Side | WallSide::Inside => Vec3::new(0.0, 0.0, 1.0),
        WallSide::Front => Vec3::new(1.0, 0.0, 0.0),
    };
    Some((skin + away * 0.12, away))
}
