//! One arm in one position.

use super::turn::Turn;
use super::vector::Vec3;
use serde::{Deserialize, Serialize};

/// Which arm.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Arm {
    /// Left.
    Left,
    /// Right.
    Right,
}

impl Arm {
    /// The other arm.
    pub fn other(self) -> Arm {
        match self {
            Arm::Left => Arm::Right,
            Arm::Right => Arm::Left,
        }
    }
}

/// Which of the two named rotations a number is. External is positive in both.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Rotation {
    /// τ: the twist left after the shortest swing from the hanging arm; forearm straight ahead is 0°.
    TwistDeg(f64),
    /// ψ = τ + plane: what a clinic reads on a raised arm; forearm level is 0°, forearm up 90°.
    ClinicDeg(f64),
}

/// One arm relative to the trunk.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct ArmPose {
    /// Plane of elevation: 0° pure abduction, 30–40° scapular plane, 90° flexion, −90° extension.
    pub plane_deg: f64,
    /// Angle between upper arm and trunk, 0° hanging to 180° overhead.
    pub elevation_deg: f64,
    /// Axial rotation, named.
    pub rotation: Rotation,
    /// Elbow flexion, 0° straight.
    pub elbow_deg: f64,
}

impl ArmPose {
    /// τ in degrees.
    pub fn twist_deg(&self) -> f64 {
        match self.rotation {
            Rotation::TwistDeg(t) => t,
            Rotation::ClinicDeg(c) => c - self.plane_deg,
        }
    }

    /// ψ in degrees.
    pub fn clinic_deg(&self) -> f64 {
        match self.rotation {
            Rotation::TwistDeg(t) => t + self.plane_deg,
            Rotation::ClinicDeg(c) => c,
        }
    }

    /// Unit direction from shoulder to elbow, in trunk axes.
    pub fn upper_arm(&self) -> Vec3 {
        let (se, ce) = self.elevation_deg.to_radians().sin_cos();
        let (sp, cp) = self.plane_deg.to_radians().sin_cos();
        Vec3::new(se * sp, -ce, se * cp)
    }

    /// Unit direction from elbow to wrist, in trunk axes.
    pub fn forearm(&self) -> Vec3 {
        self.directions().1
    }

    /// Unit directions of upper arm and forearm, in trunk axes.
    pub fn directions(&self) -> (Vec3, Vec3) {
        self.directions_at(self.orientation())
    }

    /// The same where the orientation is at hand already.
    pub(super) fn directions_at(&self, q: Turn) -> (Vec3, Vec3) {
        let (sb, cb) = self.elbow_deg.to_radians().sin_cos();
        // The hanging arm points down and, bent square, straight ahead.
        (q.apply(HANGING), q.apply(Vec3::new(sb, -cb, 0.0)))
    }

    /// The turn that takes the hanging arm, elbow crease ahead, to this pose.
    pub fn orientation(&self) -> Turn {
        swing(self.plane_deg, self.elevation_deg)
            .then(Turn::about(self.upper_arm(), self.twist_deg()))
    }

    /// The pose of an orientation. Where the arm hangs or points straight up the plane is anybody's choice: `plane_hint_deg`
    /// is kept there. Rotation is given as a twist, −180 to 180.
    pub fn from_orientation(q: Turn, elbow_deg: f64, plane_hint_deg: f64) -> ArmPose {
        let u = q.apply(HANGING);
        let level = (u.x * u.x + u.z * u.z).sqrt();
        let elevation_deg = level.atan2(-u.y).to_degrees();
        let plane_deg = if level < 1e-6 {
            plane_hint_deg
        } else {
            u.x.atan2(u.z).to_degrees()
        };
        let twist = Turn::shortest(HANGING, u)
            .unwrap_or_else(|| swing(plane_deg, elevation_deg))
            .back();
        // First the arm's whole turn, then the swing back: what is left turns about the hanging arm's own line.
        let left = q.then(twist).degrees_about(HANGING);
        ArmPose {
            plane_deg,
            elevation_deg,
            rotation: Rotation::TwistDeg(left),
            elbow_deg,
        }
    }

    /// Three unit directions at right angles: along the arm; the way the elbow goes when the arm is raised in its plane; the
    /// way it goes when the plane turns forward. Trunk axes.
    pub fn clinical_axes(&self) -> (Vec3, Vec3, Vec3) {
        self.axes_along(self.upper_arm())
    }

    /// The same where the direction of the upper arm is at hand already.
    pub(super) fn axes_along(&self, u: Vec3) -> (Vec3, Vec3, Vec3) {
        let level = (u.x * u.x + u.z * u.z).sqrt();
        if level > 1e-6 {
            let (sp, cp) = (u.x / level, u.z / level);
            return (
                u,
                Vec3::new(-u.y * sp, level, -u.y * cp),
                Vec3::new(cp, 0.0, -sp),
            );
        }
        let (se, ce) = self.elevation_deg.to_radians().sin_cos();
        let (sp, cp) = self.plane_deg.to_radians().sin_cos();
        (
            Vec3::new(se * sp, -ce, se * cp),
            Vec3::new(ce * sp, se, ce * cp),
            Vec3::new(cp, 0.0, -sp),
        )
    }
}

const HANGING: Vec3 = Vec3::new(0.0, -1.0, 0.0);

/// The shortest swing from the hanging arm: about the level axis square to the plane.
fn swing(plane_deg: f64, elevation_deg: f64) -> Turn {
    let (sp, cp) = plane_deg.to_radians().sin_cos();
    Turn::about(Vec3::new(-cp, 0.0, sp), elevation_deg)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn pose(plane: f64, elevation: f64, clinic: f64) -> ArmPose {
        ArmPose {
            plane_deg: plane,
            elevation_deg: elevation,
            rotation: Rotation::ClinicDeg(clinic),
            elbow_deg: 90.0,
        }
    }

    #[test]
    fn at_ninety_degrees_level_reads_zero_and_up_reads_ninety_in_every_plane() {
        for plane in [0.0, 30.0, 60.0, 90.0] {
            let level = pose(plane, 90.0, 0.0).forearm();
            let up = pose(plane, 90.0, 90.0).forearm();
            assert!(
                level.y.abs() < 1e-9,
                "plane {plane}: level forearm {level:?}"
            );
            assert!(
                (up.y - 1.0).abs() < 1e-9,
                "plane {plane}: raised forearm {up:?}"
            );
        }
    }

    #[test]
    fn at_the_side_external_rotation_turns_the_hand_outward() {
        let arm = ArmPose {
            plane_deg: 0.0,
            elevation_deg: 0.0,
            rotation: Rotation::TwistDeg(30.0),
            elbow_deg: 90.0,
        };
        let hand = arm.forearm();
        assert!(
            (hand.z - 0.5).abs() < 1e-9 && (hand.x - 0.75f64.sqrt()).abs() < 1e-9,
            "{hand:?}"
        );
    }

    #[test]
    fn a_straight_elbow_follows_the_upper_arm() {
        let arm = ArmPose {
            plane_deg: 40.0,
            elevation_deg: 70.0,
            rotation: Rotation::ClinicDeg(20.0),
            elbow_deg: 0.0,
        };
        let gap = arm.forearm() - arm.upper_arm();
        assert!(gap.norm() < 1e-9);
    }
}
