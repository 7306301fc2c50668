//! What a frame of a movement asks of a measured range.

use crate::confidence::Confidence;
use crate::mechanics::ArmPose;
use serde::{Deserialize, Serialize};

/// Less than this is rounding, in degrees: a pose that is worked out may lie a hair beyond the key it comes from.
pub const HAIR_DEG: f64 = 1e-6;

/// What of a pose a row reads, in degrees.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum PoseAngle {
    /// How far the arm is lifted.
    Elevation,
    /// In which plane: 0 to the side, 90 forward, beyond it across the body.
    Plane,
    /// Outward twist about the arm's own axis.
    ExternalTwist,
    /// Inward twist.
    InternalTwist,
    /// External rotation as it is read in the lifted arm.
    ExternalLifted,
    /// Internal rotation as it is read in the lifted arm.
    InternalLifted,
}

impl PoseAngle {
    /// The angle in a pose, in degrees.
    pub fn of(self, pose: &ArmPose) -> f64 {
        match self {
            PoseAngle::Elevation => pose.elevation_deg,
            PoseAngle::Plane => pose.plane_deg,
            PoseAngle::ExternalTwist => pose.twist_deg(),
            PoseAngle::InternalTwist => -pose.twist_deg(),
            PoseAngle::ExternalLifted => pose.clinic_deg(),
            PoseAngle::InternalLifted => -pose.clinic_deg(),
        }
    }
}

/// In which work a row speaks.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum DemandWhen {
    /// In any.
    #[default]
    Always,
    /// When the person lifts the arm without help, upright.
    ActiveUpright,
    /// The same, lying or leaning back.
    ActiveLying,
}

/// Where and how a movement asks something of a measured range.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct RangeDemand {
    /// Stable id.
    pub id: String,
    /// The range it asks of.
    pub quantity: String,
    /// What it reads from the pose.
    pub reads: PoseAngle,
    /// In which work.
    #[serde(default)]
    pub when: DemandWhen,
    /// Only from this elevation on.
    #[serde(default)]
    pub elevation_from_deg: Option<f64>,
    /// Only above this elevation.
    #[serde(default)]
    pub elevation_above_deg: Option<f64>,
    /// Only below this elevation.
    #[serde(default)]
    pub elevation_below_deg: Option<f64>,
    /// Only from this plane on.
    #[serde(default)]
    pub plane_from_deg: Option<f64>,
    /// Only beyond this plane.
    #[serde(default)]
    pub plane_above_deg: Option<f64>,
    /// Only up to this plane.
    #[serde(default)]
    pub plane_to_deg: Option<f64>,
    /// Only before this plane.
    #[serde(default)]
    pub plane_below_deg: Option<f64>,
    /// What the range may show although its movement is not made at all.
    pub rest_deg: f64,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl RangeDemand {
    /// What the pose asks, in degrees, where the row speaks.
    ///
    /// ```
    /// use ritorno_core::mechanics::{ArmPose, Rotation};
    ///
    /// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
    /// let row = known.range_demands.iter().find(|r| r.id == "abduction").expect("a row");
    /// let rotation = Rotation::TwistDeg(0.0);
    /// let side = ArmPose { elevation_deg: 80.0, plane_deg: 0.0, rotation, elbow_deg: 0.0 };
    /// assert_eq!(row.asked(&side), Some(80.0));
    /// // Forward, the same height asks nothing of abduction.
    /// assert_eq!(row.asked(&ArmPose { plane_deg: 90.0, ..side }), None);
    /// ```
    pub fn asked(&self, pose: &ArmPose) -> Option<f64> {
        let (e, plane) = (pose.elevation_deg, pose.plane_deg);
        let from = |bound: Option<f64>, v: f64| bound.is_none_or(|b| v >= b - HAIR_DEG);
        let above = |bound: Option<f64>, v: f64| bound.is_none_or(|b| v > b + HAIR_DEG);
        let to = |bound: Option<f64>, v: f64| bound.is_none_or(|b| v <= b + HAIR_DEG);
        let below = |bound: Option<f64>, v: f64| bound.is_none_or(|b| v < b - HAIR_DEG);
        let speaks = from(self.elevation_from_deg, e)
            && above(self.elevation_above_deg, e)
            && below(self.elevation_below_deg, e)
            && from(self.plane_from_deg, plane)
            && above(self.plane_above_deg, plane)
            && to(self.plane_to_deg, plane)
            && below(self.plane_below_deg, plane);
        speaks.then(|| self.reads.of(pose))
    }
}
