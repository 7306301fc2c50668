//! The path of an exercise: a few key poses, and every frame in between.

use super::pose::{ArmPose, Rotation};
use serde::{Deserialize, Serialize};

/// One key pose of an exercise file. Exactly one of the two rotations is given.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct KeyPose {
    /// Plane of elevation in degrees.
    pub plane_deg: f64,
    /// Elevation in degrees.
    pub elevation_deg: f64,
    /// τ in degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub twist_deg: Option<f64>,
    /// ψ in degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub clinic_rotation_deg: Option<f64>,
    /// Elbow flexion in degrees.
    pub elbow_deg: f64,
}

impl KeyPose {
    /// The pose, or `None` when not exactly one rotation is given.
    pub fn pose(&self) -> Option<ArmPose> {
        let rotation = match (self.twist_deg, self.clinic_rotation_deg) {
            (Some(t), None) => Rotation::TwistDeg(t),
            (None, Some(c)) => Rotation::ClinicDeg(c),
            _ => return None,
        };
        Some(ArmPose { plane_deg: self.plane_deg, elevation_deg: self.elevation_deg, rotation, elbow_deg: self.elbow_deg })
    }
}

/// A frame of a path: its pose and how far along it lies, 0 to 1.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PathPoint {
    /// Share of the path, 0 at the start, 1 at the end.
    pub at: f64,
    /// The arm there.
    pub pose: ArmPose,
}

/// The key poses of one exercise, in order.
#[derive(Debug, Clone, PartialEq)]
pub struct Path {
    /// At least one pose; a hold has exactly one.
    pub keys: Vec<ArmPose>,
}

impl Path {
    /// The pose at share `at` of the path; angles are interpolated between neighbouring keys.
    pub fn at(&self, at: f64) -> Option<ArmPose> {
        let last = self.keys.len().checked_sub(1)?;
        let place = at.clamp(0.0, 1.0) * last as f64;
        let i = (place.floor() as usize).min(last.saturating_sub(1));
        let (a, b) = (&self.keys[i], self.keys.get(i + 1).unwrap_or(&self.keys[i]));
        let k = place - i as f64;
        let mix = |from: f64, to: f64| from + (to - from) * k;
        Some(ArmPose {
            plane_deg: mix(a.plane_deg, b.plane_deg),
            elevation_deg: mix(a.elevation_deg, b.elevation_deg),
            rotation: match (a.rotation, b.rotation) {
                (Rotation::ClinicDeg(x), Rotation::ClinicDeg(y)) => Rotation::ClinicDeg(mix(x, y)),
                _ => Rotation::TwistDeg(mix(a.twist_deg(), b.twist_deg())),
            },
            elbow_deg: mix(a.elbow_deg, b.elbow_deg),
        })
    }

    /// Every frame that is checked: at most 2° of any angle between neighbours, both ends included.
    pub fn frames(&self) -> Vec<PathPoint> {
        let widest = self
            .keys
            .windows(2)
            .map(|pair| {
                [
                    pair[1].plane_deg - pair[0].plane_deg,
                    pair[1].elevation_deg - pair[0].elevation_deg,
                    pair[1].twist_deg() - pair[0].twist_deg(),
                    pair[1].clinic_deg() - pair[0].clinic_deg(),
                ]
                .into_iter()
                .fold(0.0f64, |most, change| most.max(change.abs()))
            })
            .fold(0.0f64, f64::max);
        let per_leg = ((widest / 2.0).ceil() as usize).max(1);
        let count = per_leg * self.keys.len().saturating_sub(1);
        (0..=count)
            .filter_map(|i| {
                let at = if count == 0 { 0.0 } else { i as f64 / count as f64 };
                self.at(at).map(|pose| PathPoint { at, pose })
            })
            .collect()
    }
}
