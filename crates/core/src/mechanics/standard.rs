//! To and from the published joint-coordinate standard (Wu 2005, J Biomech, from memory): thorax X forward, Y up, Z right; the
//! humerus by the sequence Y, X′, Y″. Not used inside, because it degenerates where a clinic measures most: at the side.

use super::pose::{ArmPose, Rotation};
use super::vector::Vec3;

/// The three angles of the standard for a right arm, degrees.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct StandardAngles {
    /// Plane of elevation: 0 abduction, 90 flexion.
    pub plane_deg: f64,
    /// Elevation, negative as published.
    pub elevation_deg: f64,
    /// Axial rotation, internal positive.
    pub axial_deg: f64,
}

impl ArmPose {
    /// This pose in the standard's angles, from its directions in space alone; at the side and overhead, where only a sum of
    /// the two rotations means anything, the plane is given as 0.
    pub fn to_standard(&self) -> StandardAngles {
        let q = self.orientation();
        let y = q.apply(Vec3::new(0.0, 1.0, 0.0));
        let x = q.apply(Vec3::new(1.0, 0.0, 0.0));
        let elevation = y.y.clamp(-1.0, 1.0).acos();
        if elevation.sin().abs() < 1e-6 {
            let axial = (-x.z).atan2(x.x);
            return StandardAngles {
                plane_deg: 0.0,
                elevation_deg: -elevation.to_degrees(),
                axial_deg: axial.to_degrees(),
            };
        }
        // The long axis y = Ry(p)·Rx(−e)·ŷ = (−sin e·sin p, cos e, −sin e·cos p).
        let plane = (-y.x).atan2(-y.z);
        let (sp, cp) = plane.sin_cos();
        // Undo plane and elevation on x: what is left is Ry(axial)·x̂ = (cos a, 0, −sin a).
        let x1 = Vec3::new(cp * x.x - sp * x.z, x.y, sp * x.x + cp * x.z);
        let (se, ce) = elevation.sin_cos();
        let x2 = Vec3::new(x1.x, ce * x1.y - se * x1.z, se * x1.y + ce * x1.z);
        let axial = (-x2.z).atan2(x2.x);
        StandardAngles {
            plane_deg: plane.to_degrees(),
            elevation_deg: -elevation.to_degrees(),
            axial_deg: axial.to_degrees(),
        }
    }

    /// A pose from the standard's angles. The axial rotation of the standard is −ψ.
    pub fn from_standard(angles: StandardAngles, elbow_deg: f64) -> ArmPose {
        ArmPose {
            plane_deg: angles.plane_deg,
            elevation_deg: -angles.elevation_deg,
            rotation: Rotation::ClinicDeg(-angles.axial_deg),
            elbow_deg,
        }
    }
}
