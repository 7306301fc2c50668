//! Three-dimensional vectors, just what a static arm needs.

use std::ops::{Add, Mul, Sub};

/// A vector in trunk or room axes; metres for positions, dimensionless for directions.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Vec3 {
    /// Forward.
    pub x: f64,
    /// Up.
    pub y: f64,
    /// To the working side.
    pub z: f64,
}

impl Vec3 {
    /// A vector from its components.
    pub const fn new(x: f64, y: f64, z: f64) -> Self {
        Vec3 { x, y, z }
    }

    /// Scalar product.
    pub fn dot(self, other: Vec3) -> f64 {
        self.x * other.x + self.y * other.y + self.z * other.z
    }

    /// Vector product, right-handed.
    pub fn cross(self, other: Vec3) -> Vec3 {
        Vec3::new(
            self.y * other.z - self.z * other.y,
            self.z * other.x - self.x * other.z,
            self.x * other.y - self.y * other.x,
        )
    }

    /// Length.
    pub fn norm(self) -> f64 {
        self.dot(self).sqrt()
    }

    /// The unit vector, or `None` for a vector too short to have a direction.
    pub fn unit(self) -> Option<Vec3> {
        let norm = self.norm();
        (norm > 1e-9).then(|| self * (1.0 / norm))
    }
}

impl Add for Vec3 {
    type Output = Vec3;
    fn add(self, o: Vec3) -> Vec3 {
        Vec3::new(self.x + o.x, self.y + o.y, self.z + o.z)
    }
}

impl Sub for Vec3 {
    type Output = Vec3;
    fn sub(self, o: Vec3) -> Vec3 {
        Vec3::new(self.x - o.x, self.y - o.y, self.z - o.z)
    }
}

impl Mul<f64> for Vec3 {
    type Output = Vec3;
    fn mul(self, k: f64) -> Vec3 {
        Vec3::new(self.x * k, self.y * k, self.z * k)
    }
}

/// Rotates `v` about the unit axis `axis` by `deg` degrees, right-handed (Rodrigues' formula).
pub fn rotate_about(v: Vec3, axis: Vec3, deg: f64) -> Vec3 {
    let (sin, cos) = deg.to_radians().sin_cos();
    v * cos + axis.cross(v) * sin + axis * (axis.dot(v) * (1.0 - cos))
}
