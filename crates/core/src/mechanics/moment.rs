//! The moment about the shoulder along a path: what must be supplied, about which axis, by which group.
//!
//! Static: no inertial terms. The moment is not the load on a tendon, and it says nothing about which muscles share it.

use super::attitude::{Attitude, Frame};
use super::load::Resolved;
use super::path::Path;
use super::pose::ArmPose;
use super::segments::{ArmBody, GRAVITY};
use super::vector::Vec3;
use serde::{Deserialize, Serialize};

/// Which muscles must supply a moment: a direction, not a muscle.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Supply {
    /// Turning the arm outward.
    ExternalRotators,
    /// Turning it inward.
    InternalRotators,
    /// Raising it in its plane.
    Raisers,
    /// Lowering it in its plane.
    Lowerers,
    /// Bringing it forward and across.
    AcrossForward,
    /// Taking it back and outward.
    AcrossBack,
}

/// What must be supplied at the shoulder, split along the three clinical axes, N·m.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Split {
    /// About the upper arm: external rotation positive.
    pub rotation_nm: f64,
    /// In the plane of elevation: raising positive.
    pub raising_nm: f64,
    /// Across it: forward (towards flexion and the other side) positive.
    pub across_nm: f64,
}

impl Split {
    /// Length of the whole moment.
    pub fn total_nm(&self) -> f64 {
        (self.rotation_nm * self.rotation_nm
            + self.raising_nm * self.raising_nm
            + self.across_nm * self.across_nm)
            .sqrt()
    }

    /// The group that supplies most, `None` below 0.05 N·m.
    pub fn main(&self) -> Option<Supply> {
        let all = [
            (
                self.rotation_nm,
                Supply::ExternalRotators,
                Supply::InternalRotators,
            ),
            (self.raising_nm, Supply::Raisers, Supply::Lowerers),
            (self.across_nm, Supply::AcrossForward, Supply::AcrossBack),
        ];
        all.into_iter()
            .max_by(|a, b| a.0.abs().total_cmp(&b.0.abs()))
            .filter(|(m, _, _)| m.abs() > 0.05)
            .map(|(m, up, down)| if m > 0.0 { up } else { down })
    }
}

/// One point of a curve.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MomentPoint {
    /// Share of the path, 0 to 1.
    pub at: f64,
    /// Elevation there, degrees.
    pub elevation_deg: f64,
    /// Plane there, degrees.
    pub plane_deg: f64,
    /// Rotation as a clinic reads it: τ below 30° of elevation, ψ above, degrees.
    pub rotation_deg: f64,
    /// What must be supplied.
    pub supply: Split,
    /// Its length, N·m.
    pub total_nm: f64,
    /// Elongation of the band in percent and its tension in N, where there is one.
    pub band: Option<[f64; 2]>,
}

/// The moment along a path.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Curve {
    /// Evenly along the path.
    pub points: Vec<MomentPoint>,
    /// Greatest total, N·m.
    pub peak_nm: f64,
    /// Index of the peak.
    pub peak_at: usize,
    /// Mean total along the path, N·m.
    pub mean_nm: f64,
    /// Mean times the time the path takes, N·m·s.
    pub impulse_nms: f64,
    /// The group that supplies most at the peak.
    pub main: Option<Supply>,
    /// Share of the path on which the band is slack, 0 to 1.
    pub slack_share: f64,
    /// Greatest elongation of the band, percent.
    pub longest_pct: f64,
}

/// Where the parts of the arm are, from the shoulder, room axes, m.
struct Reach {
    elbow: Vec3,
    centres: [Vec3; 3],
    hand: Vec3,
}

fn reach(arm: &ArmBody, frame: &Frame, (u, f): (Vec3, Vec3)) -> Reach {
    let (u, f) = (frame.room(u), frame.room(f));
    let elbow = u * arm.upper_arm_m;
    let wrist = elbow + f * arm.forearm_m;
    Reach {
        elbow,
        centres: [
            u * arm.centre_m[0],
            elbow + f * arm.centre_m[1],
            wrist + f * arm.centre_m[2],
        ],
        hand: wrist + f * arm.grip_m,
    }
}

/// Everything that pulls at the arm distal to a point, as a moment about it, room axes, N·m.
fn load_moment(
    arm: &ArmBody,
    load: &Resolved,
    at: &Reach,
    about: Vec3,
    from_segment: usize,
) -> (Vec3, Option<[f64; 2]>) {
    let down = Vec3::new(0.0, -1.0, 0.0);
    let mut sum = Vec3::default();
    for i in from_segment..3 {
        sum = sum
            + (at.centres[i] - about)
                .cross(down * (arm.mass_kg[i] * GRAVITY * (1.0 - load.carried)));
    }
    let mut at_hand = down * (load.weight_kg * GRAVITY) + load.support_n;
    let mut pulled = None;
    if let Some(band) = &load.band {
        let towards = band.anchor - at.hand;
        let length = towards.norm();
        let (elongation, force) = band.tension(length);
        if let Some(direction) = towards.unit() {
            at_hand = at_hand + direction * force;
        }
        pulled = Some([elongation, force]);
    }
    (sum + (at.hand - about).cross(at_hand), pulled)
}

/// What must be supplied at the shoulder in one pose, in N·m, and the band's elongation in percent and tension in N.
///
/// ```
/// use ritorno_core::mechanics::{
///     ArmBody, ArmPose, Attitude, Person, Resolved, Rotation, Supply, supply_at,
/// };
///
/// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
/// let arm = ArmBody::new(&known.segments[0], Person::REFERENCE);
/// let pose = |elevation_deg| ArmPose {
///     plane_deg: 90.0,
///     elevation_deg,
///     rotation: Rotation::TwistDeg(0.0),
///     elbow_deg: 0.0,
/// };
/// let needed = |elevation| supply_at(&arm, Attitude::Standing, &Resolved::NONE, &pose(elevation)).0;
/// // A hanging arm needs nothing; held straight forward it needs the raisers.
/// assert!(needed(0.0).total_nm() < 0.1);
/// assert_eq!(needed(90.0).main(), Some(Supply::Raisers));
/// // A kilogram in the hand weighs more than itself: it hangs at the end of the arm.
/// let held = Resolved { weight_kg: 1.0, ..Resolved::NONE };
/// let with = supply_at(&arm, Attitude::Standing, &held, &pose(90.0)).0;
/// assert!(with.total_nm() > needed(90.0).total_nm() * 1.4);
/// ```
pub fn supply_at(
    arm: &ArmBody,
    attitude: Attitude,
    load: &Resolved,
    pose: &ArmPose,
) -> (Split, Option<[f64; 2]>) {
    let frame = Frame::of_pose(attitude, pose);
    let (u, f) = pose.directions();
    let at = reach(arm, &frame, (u, f));
    let (loaded, pulled) = load_moment(arm, load, &at, Vec3::default(), 0);
    let needed = frame.trunk(loaded) * -1.0;
    (split(pose, u, needed, load.rests), pulled)
}

/// A moment in trunk axes, split along the clinical axes of a pose.
fn split(pose: &ArmPose, u: Vec3, needed: Vec3, rests: bool) -> Split {
    let (u, rising, forward) = pose.axes_along(u);
    if rests {
        return Split {
            rotation_nm: needed.dot(u),
            ..Split::default()
        };
    }
    Split {
        rotation_nm: needed.dot(u),
        raising_nm: needed.dot(u.cross(rising)),
        across_nm: needed.dot(u.cross(forward)),
    }
}

/// The moment along a path at `count` points, the path taking `seconds`.
///
/// # Panics
/// Never; a path without poses gives no points.
pub fn curve(
    arm: &ArmBody,
    attitude: Attitude,
    load: &Resolved,
    path: &Path,
    count: usize,
    seconds: f64,
) -> Curve {
    let still = Frame::of(attitude);
    let points: Vec<MomentPoint> = path
        .walk(count)
        .map(|(share, pose, turn)| {
            let frame = if attitude == Attitude::TableBow {
                Frame::of_pose(attitude, &pose)
            } else {
                still
            };
            let (u, f) = pose.directions_at(turn);
            let at = reach(arm, &frame, (u, f));
            let (loaded, band) = load_moment(arm, load, &at, Vec3::default(), 0);
            let supply = split(&pose, u, frame.trunk(loaded) * -1.0, load.rests);
            let rotation_deg = if pose.elevation_deg < 30.0 {
                pose.twist_deg()
            } else {
                pose.clinic_deg()
            };
            MomentPoint {
                at: share,
                elevation_deg: pose.elevation_deg,
                plane_deg: pose.plane_deg,
                rotation_deg,
                supply,
                total_nm: supply.total_nm(),
                band,
            }
        })
        .collect();
    let peak_at = points
        .iter()
        .enumerate()
        .max_by(|a, b| a.1.total_nm.total_cmp(&b.1.total_nm))
        .map_or(0, |(i, _)| i);
    let n = points.len().max(1) as f64;
    let mean_nm = points.iter().map(|p| p.total_nm).sum::<f64>() / n;
    Curve {
        peak_nm: points.get(peak_at).map_or(0.0, |p| p.total_nm),
        main: points.get(peak_at).and_then(|p| p.supply.main()),
        peak_at,
        mean_nm,
        impulse_nms: mean_nm * seconds,
        slack_share: points
            .iter()
            .filter(|p| p.band.is_some_and(|[e, _]| e <= 0.0))
            .count() as f64
            / n,
        longest_pct: points
            .iter()
            .filter_map(|p| p.band.map(|[e, _]| e))
            .fold(0.0, f64::max),
        points,
    }
}

/// Work that shoulder and elbow must do from one pose to the next, J, and what gravity and band have stored since, J.
///
/// Over a trunk that stays where it is: in a table bow the trunk works as well. For the check that the two are equal: the moments at the middle of the step times the turn of each joint.
pub fn work_and_energy(
    arm: &ArmBody,
    attitude: Attitude,
    load: &Resolved,
    from: &ArmPose,
    to: &ArmPose,
) -> (f64, f64) {
    let frame = Frame::of(attitude);
    // The turn in space that takes one orientation to the other.
    let turn = from
        .orientation()
        .back()
        .then(to.orientation())
        .vector_deg();
    let between = ArmPose::from_orientation(
        from.orientation().towards(to.orientation(), 0.5),
        (from.elbow_deg + to.elbow_deg) / 2.0,
        from.plane_deg,
    );
    let at = reach(arm, &frame, between.directions());
    let (shoulder, _) = load_moment(arm, load, &at, Vec3::default(), 0);
    let (elbow, _) = load_moment(arm, load, &at, at.elbow, 1);
    // The elbow turns about the axis that carries the upper arm's line into the forearm's.
    let (u, f) = between.directions();
    let hinge = frame.room(u.cross(f).unit().unwrap_or_default());
    let work = -shoulder.dot(frame.room(turn)) * std::f64::consts::PI / 180.0
        - elbow.dot(hinge) * (to.elbow_deg - from.elbow_deg).to_radians();
    let stored = |pose: &ArmPose| {
        let at = reach(arm, &frame, pose.directions());
        let heights: f64 = (0..3)
            .map(|i| arm.mass_kg[i] * (1.0 - load.carried) * at.centres[i].y)
            .sum();
        let band = load.band.map_or(0.0, |b| {
            let (elongation, _) = b.tension((b.anchor - at.hand).norm());
            b.strands * b.law.energy_j(elongation, b.slack_m)
        });
        GRAVITY * (heights + load.weight_kg * at.hand.y) - load.support_n.dot(at.hand) + band
    };
    (work, stored(to) - stored(from))
}
