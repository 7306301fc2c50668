//! Where the arm is: poses, the rotation convention, and the path of an exercise.
//!
//! Trunk axes: x forward, y up, z to the working side. A left arm is computed in its mirrored frame.
//! Source of the convention: our choice, because "forearm level 0°, forearm up 90°" is what a clinic
//! reads in any plane; see DESIGN.md.

mod path;
mod pose;
mod vector;

pub use path::{KeyPose, Path, PathPoint};
pub use pose::{Arm, ArmPose, Attitude, Rotation};
pub use vector::{Vec3, rotate_about};
