//! What is drawn: the body in every step of the path, and where it is seen from.

use crate::body::{Body, Other, body};
use crate::camera::{Camera, best};
use ritorno_core::knowledge::{Cue, CuePlace, CueWay, Exercise, Helper, Legs, OtherArm, Roll};
use ritorno_core::mechanics::{Arm, ArmBody, ArmPose, Attitude, Frame, Path, Rotation, Vec3};

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

/// The drawn person, as far as an anchor's place depends on it.
pub(crate) const DRAWN: ArmBody = ArmBody {
    upper_arm_m: crate::body::UPPER_ARM,
    forearm_m: crate::body::FOREARM,
    grip_m: 0.068,
    mass_kg: [2.1, 1.2, 0.45],
    centre_m: [0.142, 0.11, 0.068],
    height_m: 1.75,
    body_kg: 75.0,
};

/// Steps along the path that the picture is worked out at.
pub(crate) const STEPS: usize = 24;

/// Everything the drawing needs, worked out once.
pub(crate) struct Scene {
    pub(crate) bodies: Vec<Body>,
    pub(crate) hand_track: Vec<Vec3>,
    pub(crate) camera: Camera,
    /// The arm moves on a body that stays.
    pub(crate) moves: bool,
    /// The body moves on a hand that stays.
    pub(crate) sways: bool,
    pub(crate) end: ArmPose,
    /// Degrees that the last step of the path turns an upper arm that stays where it is; nothing where it does not stay.
    pub(crate) turning: Option<f64>,
}

/// An upper arm that moves less than this between two steps stays where it is; a turn of less is none. In degrees.
const STAYS: f64 = 0.5;

fn turning(poses: &[ArmPose]) -> Option<f64> {
    let [.., before, end] = poses else {
        return None;
    };
    let apart = before.upper_arm().dot(end.upper_arm()).min(1.0).acos();
    let turned = end.twist_deg() - before.twist_deg();
    (apart.to_degrees() < STAYS && turned.abs() > STAYS).then_some(turned)
}

pub(crate) fn scene(spec: &FigureSpec) -> Option<Scene> {
    let exercise = spec.exercise;
    let attitude = exercise.attitude;
    let other = other_arm(exercise);
    let poses: Vec<ArmPose> = (0..=STEPS)
        .filter_map(|i| spec.path.at(i as f64 / STEPS as f64))
        .collect();
    let end = *poses.last()?;
    let bodies: Vec<Body> = poses
        .iter()
        .map(|pose| body(attitude, pose, other, exercise.legs))
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
    // Where one knee is down it has to be seen.
    if exercise.legs == Some(Legs::HalfKneeling)
        && let Some(b) = bodies.last()
    {
        let [ahead, behind] = [b.legs[1][3], b.legs[0][3]];
        tracks.push(vec![behind, ahead]);
    }
    // A rope runs ahead.
    if exercise.roll == Some(Roll::Rope)
        && let Some(hand) = hand_track.last()
    {
        tracks.push(vec![*hand, *hand + Vec3::new(2.0, 0.0, 0.0)]);
    }
    let taps = matches!(other, Other::Taps | Other::TapsElbow | Other::TapsShin);
    let camera = best(&tracks, attitude, taps);
    let shoulder = |b: Option<&Body>| b.map_or(Vec3::default(), |b| b.working.shoulder);
    Some(Scene {
        moves: camera_length(&camera, &hand_track) > 0.06 && !attitude.leans_on_hand(),
        sways: (attitude.leans_on_hand() || attitude == Attitude::TableBow)
            && (shoulder(bodies.first()) - shoulder(bodies.last())).norm() > 0.04,
        bodies,
        hand_track,
        camera,
        end,
        turning: turning(&poses),
    })
}

/// The track of a cue: so that the camera sees it, and the arrow follows it.
pub(crate) fn cue_track(b: &Body, cue: &Cue, frame: &Frame) -> (Vec3, Vec3, bool) {
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

pub(crate) fn other_arm(exercise: &Exercise) -> Other {
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
        Some(OtherArm::TapsElbow) => return Other::TapsElbow,
        Some(OtherArm::TapsShin) => return Other::TapsShin,
        Some(OtherArm::Neck) => return Other::Neck,
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

pub(crate) fn camera_length(camera: &Camera, track: &[Vec3]) -> f64 {
    track
        .windows(2)
        .map(|pair| {
            let (a, b) = (camera.project(pair[0]), camera.project(pair[1]));
            (a.0 - b.0).hypot(a.1 - b.1)
        })
        .sum()
}
