//! Joint positions of a person in a trunk attitude, metres, room axes (x forward, y up, z to the working side).
//!
//! Segment lengths are shares of 1.75 m of height (Drillis & Contini 1966, from memory); the left arm is
//! drawn in the mirrored frame and the picture is turned over at the end.

use ritorno_core::knowledge::Legs;
use ritorno_core::mechanics::{ArmPose, Attitude, Frame, Vec3, rotate_about};

const HEIGHT: f64 = 1.75;
pub(crate) const UPPER_ARM: f64 = 0.186 * HEIGHT;
pub(crate) const FOREARM: f64 = 0.146 * HEIGHT;
const HAND: f64 = 0.075 * HEIGHT;
const TRUNK: f64 = 0.288 * HEIGHT;
const SHOULDER_HALF: f64 = 0.105 * HEIGHT;
const HIP_HALF: f64 = 0.055 * HEIGHT;
const THIGH: f64 = 0.245 * HEIGHT;
const SHANK: f64 = 0.246 * HEIGHT;
const FOOT: f64 = 0.11 * HEIGHT;

/// The joints of one arm.
#[derive(Debug, Clone, Copy)]
pub(crate) struct ArmJoints {
    pub shoulder: Vec3,
    pub elbow: Vec3,
    pub wrist: Vec3,
    pub hand: Vec3,
}

/// The joints of the whole person.
#[derive(Debug, Clone)]
pub(crate) struct Body {
    pub hip: Vec3,
    pub neck: Vec3,
    pub head: Vec3,
    pub face: Vec3,
    pub working: ArmJoints,
    pub other: ArmJoints,
    /// Hip, knee, ankle, toe; the working side first.
    pub legs: [[Vec3; 4]; 2],
    pub shoulders: [Vec3; 2],
    pub hips: [Vec3; 2],
}

fn mirrored(v: Vec3) -> Vec3 {
    Vec3::new(v.x, v.y, -v.z)
}

fn arm(shoulder: Vec3, pose: &ArmPose, frame: &Frame, mirror: bool) -> ArmJoints {
    let turn = |v: Vec3| frame.room(if mirror { mirrored(v) } else { v });
    let elbow = shoulder + turn(pose.upper_arm()) * UPPER_ARM;
    let wrist = elbow + turn(pose.forearm()) * FOREARM;
    ArmJoints {
        shoulder,
        elbow,
        wrist,
        hand: wrist + turn(pose.forearm()) * HAND,
    }
}

/// The other arm reaching for a point: two bones, elbow falling outward and down.
fn reach(shoulder: Vec3, target: Vec3, outward: Vec3) -> ArmJoints {
    let away = target - shoulder;
    let far = UPPER_ARM + FOREARM;
    let distance = away.norm().clamp(0.08, far * 0.995);
    let along = away.unit().unwrap_or(Vec3::new(1.0, 0.0, 0.0));
    let cos = ((UPPER_ARM * UPPER_ARM + distance * distance - FOREARM * FOREARM)
        / (2.0 * UPPER_ARM * distance))
        .clamp(-1.0, 1.0);
    let side = (outward - along * outward.dot(along))
        .unit()
        .unwrap_or(Vec3::new(0.0, -1.0, 0.0));
    let elbow =
        shoulder + along * (UPPER_ARM * cos) + side * (UPPER_ARM * (1.0 - cos * cos).sqrt());
    let wrist = shoulder + along * distance;
    let hand = wrist + (wrist - elbow).unit().unwrap_or(along) * (HAND * 0.8);
    ArmJoints {
        shoulder,
        elbow,
        wrist,
        hand,
    }
}

/// What the other arm does.
#[derive(Debug, Clone, Copy)]
pub(crate) enum Other {
    /// Rests.
    Rest(ArmPose),
    /// Holds the working wrist.
    HoldsWrist,
    /// Holds the far end of a stick that the working hand holds too.
    Mirrors,
    /// Does the same as the working arm.
    Same,
    /// Reaches ahead, past the head.
    Lifts,
    /// Rests on the head.
    Head,
    /// Touches the working shoulder.
    Taps,
    /// Touches the working elbow.
    TapsElbow,
    /// Touches the shin of the working side.
    TapsShin,
    /// On the side of the neck.
    Neck,
    /// Props on a point of the room, ahead of the trunk.
    Props,
}

/// The body with the working arm in `pose`.
pub(crate) fn body(attitude: Attitude, pose: &ArmPose, other: Other, legs: Option<Legs>) -> Body {
    let frame = Frame::of_pose(attitude, pose);
    let hip_height = match attitude {
        Attitude::Standing | Attitude::ForwardLean => THIGH + SHANK + 0.06,
        Attitude::Sitting | Attitude::TableBow => SHANK + 0.06,
        Attitude::Reclined => 0.34,
        Attitude::Supine | Attitude::Prone => 0.14,
        Attitude::SideLying => SHOULDER_HALF + 0.04,
        Attitude::Kneeling => THIGH + 0.05,
        // A wall is touched at breast height, a counter is 88 cm high: the body is where the arm holds it.
        Attitude::WallLean | Attitude::CounterLean => {
            let shoulder = frame.room(Vec3::new(0.0, TRUNK, SHOULDER_HALF));
            let held = if attitude == Attitude::WallLean {
                1.28
            } else {
                0.88
            };
            held - arm(shoulder, pose, &frame, false).wrist.y
        }
        // The hands are on the floor: the body is as high as the arm holds it.
        Attitude::SidePlank => {
            let shoulder = frame.room(Vec3::new(0.0, TRUNK, SHOULDER_HALF));
            0.06 - arm(shoulder, pose, &frame, false).elbow.y
        }
        Attitude::HandsAndKnees | Attitude::Plank | Attitude::Pike => {
            let shoulder = frame.room(Vec3::new(0.0, TRUNK, SHOULDER_HALF));
            0.05 - arm(shoulder, pose, &frame, false).wrist.y
        }
    };
    // Whoever leans keeps the hand where it is: the body moves.
    let ahead = if attitude.leans_on_hand() {
        let shoulder = frame.room(Vec3::new(0.0, TRUNK, SHOULDER_HALF));
        0.55 - arm(shoulder, pose, &frame, false).wrist.x
    } else {
        0.0
    };
    let hip = Vec3::new(ahead, hip_height, 0.0);
    let at = |x: f64, y: f64, z: f64| hip + frame.room(Vec3::new(x, y, z));
    let shoulders = [
        at(0.0, TRUNK, SHOULDER_HALF),
        at(0.0, TRUNK, -SHOULDER_HALF),
    ];
    let hips = [at(0.0, 0.0, HIP_HALF), at(0.0, 0.0, -HIP_HALF)];
    let neck = at(0.0, TRUNK + 0.075, 0.0);
    // The head stays a little more upright than a trunk that leans.
    let lift = if matches!(attitude, Attitude::ForwardLean | Attitude::TableBow) {
        0.06
    } else {
        0.0
    };
    let head = at(0.03, TRUNK + 0.075 + 0.125, 0.0) + Vec3::new(0.0, lift, 0.0);
    let face = frame.room(Vec3::new(1.0, 0.0, 0.0));
    let mut working = arm(shoulders[0], pose, &frame, false);
    let mut other = match other {
        Other::Rest(pose) => arm(shoulders[1], &pose, &frame, true),
        Other::Same => arm(shoulders[1], pose, &frame, true),
        Other::Lifts => {
            let up = ArmPose {
                plane_deg: 80.0,
                elevation_deg: 160.0,
                rotation: ritorno_core::mechanics::Rotation::ClinicDeg(0.0),
                elbow_deg: 5.0,
            };
            arm(shoulders[1], &up, &frame, true)
        }
        Other::Head => reach(
            shoulders[1],
            head + Vec3::new(-0.02, 0.11, 0.0),
            frame.room(Vec3::new(0.1, 0.2, -1.0)),
        ),
        Other::Taps => reach(
            shoulders[1],
            shoulders[0] + frame.room(Vec3::new(0.09, -0.02, 0.02)),
            frame.room(Vec3::new(0.6, -0.5, -0.4)),
        ),
        Other::TapsElbow => reach(
            shoulders[1],
            working.elbow + frame.room(Vec3::new(0.05, 0.0, -0.03)),
            frame.room(Vec3::new(0.6, -0.5, -0.4)),
        ),
        Other::TapsShin => reach(
            shoulders[1],
            hips[0] + Vec3::new(-0.1, -0.45, 0.0),
            frame.room(Vec3::new(0.2, -0.2, -1.0)),
        ),
        Other::Neck => reach(
            shoulders[1],
            neck * 0.55 + shoulders[0] * 0.45 + frame.room(Vec3::new(0.03, 0.03, 0.0)),
            frame.room(Vec3::new(0.6, -0.5, -0.6)),
        ),
        Other::HoldsWrist => reach(
            shoulders[1],
            working.elbow + (working.wrist - working.elbow) * 0.75,
            frame.room(Vec3::new(0.4, -0.3, -0.6)),
        ),
        Other::Mirrors => {
            let mut apart = frame.room(Vec3::new(0.0, 0.0, -1.0)) * (2.0 * SHOULDER_HALF);
            if attitude == Attitude::Sitting {
                apart = apart * 0.9;
            }
            reach(
                shoulders[1],
                working.wrist + apart,
                frame.room(Vec3::new(0.2, -0.5, -0.6)),
            )
        }
        Other::Props => reach(
            shoulders[1],
            shoulders[1] + Vec3::new(0.18, -0.5, -0.05),
            Vec3::new(-0.2, 0.0, -1.0),
        ),
    };
    // A hand that leans lies flat: fingers up on a wall, ahead on the floor.
    if attitude.leans_on_hand() && attitude != Attitude::SidePlank {
        let flat = if attitude == Attitude::WallLean {
            Vec3::new(0.02, 1.0, 0.0)
        } else {
            Vec3::new(1.0, -0.2, 0.0)
        };
        for side in [&mut working, &mut other] {
            if side.wrist.y < 0.12 || matches!(attitude, Attitude::WallLean | Attitude::CounterLean)
            {
                side.hand = side.wrist + flat * HAND;
            }
        }
    }
    let leg = |side: usize| -> [Vec3; 4] {
        let start = hips[side];
        let step = |dir: Vec3, len: f64, from: Vec3| from + dir * len;
        let bent =
            |deg: f64| rotate_about(Vec3::new(0.0, -1.0, 0.0), Vec3::new(0.0, 0.0, 1.0), deg);
        let back = Vec3::new(-1.0, 0.0, 0.0);
        let (thigh, shank, toe) = match attitude {
            Attitude::HandsAndKnees if legs == Some(Legs::OneLifts) && side == 0 => {
                (back, back, Vec3::new(-0.7, -0.7, 0.0))
            }
            Attitude::HandsAndKnees if legs == Some(Legs::KneesOff) => {
                (bent(36.0), bent(-102.0), bent(0.0))
            }
            Attitude::Plank if legs == Some(Legs::KneesDown) => {
                let drop = ((hip_height - 0.06) / THIGH)
                    .clamp(-1.0, 1.0)
                    .asin()
                    .to_degrees();
                (bent(drop - 90.0), bent(-112.0), bent(-112.0))
            }
            Attitude::Plank if legs == Some(Legs::FootLifts) && side == 0 => {
                (bent(-98.0), bent(-98.0), bent(-20.0))
            }
            Attitude::HandsAndKnees if legs == Some(Legs::OnHeels) => {
                // Folded: the thighs come forward over the shanks, which lie on the floor.
                let drop = ((hip_height - 0.07) / THIGH).clamp(-1.0, 1.0).acos();
                (bent(drop.to_degrees()), bent(-88.0), bent(-90.0))
            }
            Attitude::Kneeling if legs == Some(Legs::HalfKneeling) && side == 1 => {
                (bent(88.0), bent(0.0), bent(90.0))
            }
            Attitude::Standing => (bent(0.0), bent(0.0), bent(90.0)),
            Attitude::ForwardLean => (
                bent(if side == 0 { -6.0 } else { 10.0 }),
                bent(if side == 0 { -10.0 } else { 2.0 }),
                bent(90.0),
            ),
            Attitude::Sitting | Attitude::TableBow => (bent(88.0), bent(0.0), bent(90.0)),
            Attitude::Reclined => (bent(92.0), bent(86.0), bent(150.0)),
            // Head lies towards −x, so the legs go towards +x.
            Attitude::Supine => (bent(138.0), bent(40.0), bent(90.0)),
            Attitude::Prone => (
                Vec3::new(-1.0, 0.0, 0.0),
                Vec3::new(-1.0, 0.0, 0.0),
                Vec3::new(-0.7, -0.7, 0.0),
            ),
            Attitude::Kneeling => (bent(0.0), bent(-86.0), bent(-90.0)),
            Attitude::HandsAndKnees => (bent(4.0), bent(-84.0), bent(-90.0)),
            Attitude::Plank | Attitude::Pike | Attitude::WallLean | Attitude::CounterLean => {
                // Who stands has the whole foot down, who props has the toes down and the ankle above them.
                let (ankle, toe) = if matches!(attitude, Attitude::WallLean | Attitude::CounterLean)
                {
                    (0.05, bent(90.0))
                } else {
                    // In a low plank the hips leave no room for that: the foot slants.
                    let ankle = (0.02 + FOOT).min(hip_height * 0.75);
                    let slant = ((ankle - 0.02) / FOOT).clamp(-1.0, 1.0).acos();
                    (ankle, bent(slant.to_degrees()))
                };
                let drop = ((hip_height - ankle) / (THIGH + SHANK))
                    .clamp(-1.0, 1.0)
                    .asin()
                    .to_degrees();
                (bent(drop - 90.0), bent(drop - 90.0), toe)
            }
            Attitude::SidePlank => {
                let drop = ((start.y - 0.05) / (THIGH + SHANK))
                    .clamp(-1.0, 1.0)
                    .asin()
                    .to_degrees();
                (
                    bent(90.0 - drop),
                    bent(90.0 - drop),
                    Vec3::new(0.1, 0.0, 1.0),
                )
            }
            Attitude::SideLying => {
                let ahead = Vec3::new(-0.75, 0.0, 0.66);
                (ahead, Vec3::new(-0.8, 0.0, -0.6), Vec3::new(-0.3, 0.0, 0.9))
            }
        };
        let knee = step(thigh, THIGH, start);
        let ankle = step(shank, SHANK, knee);
        [start, knee, ankle, step(toe, FOOT, ankle)]
    };
    Body {
        hip,
        neck,
        head,
        face,
        working,
        other,
        legs: [leg(0), leg(1)],
        shoulders,
        hips,
    }
}
