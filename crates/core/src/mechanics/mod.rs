//! Where the arm is and what that costs: poses, paths, segments, loads, moments.
//!
//! Trunk axes: x forward, y up, z to the working side. A left arm is computed in its mirrored frame.
//! Source of the convention: our choice, because "forearm level 0°, forearm up 90°" is what a clinic
//! reads in any plane; see DESIGN.md.

mod attitude;
mod elastic;
mod load;
mod moment;
mod path;
mod pose;
mod segments;
mod solve;
mod standard;
mod track;
mod turn;
mod vector;

pub use attitude::{Attitude, Frame};
pub use elastic::{
    CalibrationError, Fit, Law, PLANNED_PCT, PullPoint, check_points, drift_pct, fit,
};
pub use load::{Anchor, AnchorHeight, AnchorSide, Band, Load, Resolved, shoulder_height};
pub use moment::{Curve, MomentPoint, Split, Supply, curve, supply_at, work_and_energy};
pub use path::{KeyPose, Path, PathPoint};
pub use pose::{Arm, ArmPose, Rotation};
pub use segments::{ArmBody, GRAVITY, Person, PersonFault, Segment, SegmentTable, Sex};
pub use solve::{NoAnswer, peak_nm, solve_for};
pub use standard::StandardAngles;
pub use track::Track;
pub use turn::{Arc, Turn};
pub use vector::{Vec3, rotate_about};
