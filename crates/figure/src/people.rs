//! The person: body, arms, and the ghosts of where they were.

use crate::art::{Art, BODY, HAIR, INK, SHIRT, WORK, WORK_FILL, hull};
use crate::body::{ArmJoints, Body};
use ritorno_core::knowledge::{Exercise, Helper};
use ritorno_core::mechanics::Vec3;
use std::fmt::Write as _;

impl Art {
    pub(crate) fn person(&mut self, b: &Body, exercise: &Exercise) {
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

    pub(crate) fn arm(&mut self, a: &ArmJoints, style: &str) {
        self.limb(&[(a.shoulder, 6.2), (a.elbow, 4.6)], style);
        self.limb(&[(a.elbow, 4.6), (a.wrist, 3.2)], style);
        self.limb(&[(a.wrist, 3.4), (a.hand, 2.8)], style);
    }

    pub(crate) fn other_arm(&mut self, a: &ArmJoints) {
        self.arm(a, &format!("fill=\"url(#rest)\" stroke=\"{INK}\" stroke-width=\"1.1\" stroke-linejoin=\"round\""));
    }

    pub(crate) fn ghost_arm(&mut self, a: &ArmJoints) {
        self.arm(
            a,
            &format!("fill=\"{WORK_FILL}\" fill-opacity=\"0.25\" stroke=\"{WORK}\" stroke-width=\"0.9\" stroke-dasharray=\"3 2.4\""),
        );
    }

    /// Where the body was, for whoever leans: the hand stays, the trunk goes.
    pub(crate) fn ghost_body(&mut self, b: &Body) {
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

    pub(crate) fn working_arm(&mut self, b: &Body, _exercise: &Exercise) {
        self.arm(&b.working, &format!("fill=\"{WORK_FILL}\" stroke=\"{WORK}\" stroke-width=\"1.6\" stroke-linejoin=\"round\""));
    }
}
