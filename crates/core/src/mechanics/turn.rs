//! Turns in space: unit quaternions, just what orientations of an arm need.

use super::vector::Vec3;

/// A rotation, right-handed. `w` is the scalar part; the norm is one.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Turn {
    w: f64,
    v: Vec3,
}

impl Turn {
    /// No turn at all.
    pub const NONE: Turn = Turn {
        w: 1.0,
        v: Vec3::new(0.0, 0.0, 0.0),
    };

    /// About a unit axis by degrees.
    pub fn about(axis: Vec3, deg: f64) -> Turn {
        let (sin, cos) = (deg / 2.0).to_radians().sin_cos();
        Turn {
            w: cos,
            v: axis * sin,
        }
    }

    /// First `self`, then `next`.
    pub fn then(self, next: Turn) -> Turn {
        Turn {
            w: next.w * self.w - next.v.dot(self.v),
            v: self.v * next.w + next.v * self.w + next.v.cross(self.v),
        }
    }

    /// The way back.
    pub fn back(self) -> Turn {
        Turn {
            w: self.w,
            v: self.v * -1.0,
        }
    }

    /// A vector after the turn.
    pub fn apply(self, p: Vec3) -> Vec3 {
        let t = self.v.cross(p) * 2.0;
        p + t * self.w + self.v.cross(t)
    }

    /// How far apart two orientations are, 0 to 180 degrees.
    pub fn degrees_to(self, other: Turn) -> f64 {
        let dot = (self.w * other.w + self.v.dot(other.v)).abs().min(1.0);
        2.0 * dot.acos().to_degrees()
    }

    /// Part of the way to another orientation along the shortest arc, at an even pace; `k` from 0 to 1.
    pub fn towards(self, other: Turn, k: f64) -> Turn {
        Arc::between(self, other).at(k)
    }

    /// The shortest turn that takes one unit direction to another; none where they are opposite, since any would do.
    pub fn shortest(from: Vec3, to: Vec3) -> Option<Turn> {
        let (w, v) = (1.0 + from.dot(to), from.cross(to));
        let norm = (w * w + v.dot(v)).sqrt();
        (w > 1e-6).then(|| Turn {
            w: w / norm,
            v: v * (1.0 / norm),
        })
    }

    /// Axis times angle in degrees, the angle at most 180.
    pub fn vector_deg(self) -> Vec3 {
        let sign = if self.w < 0.0 { -1.0 } else { 1.0 };
        let sin = self.v.norm();
        if sin < 1e-12 {
            return Vec3::default();
        }
        self.v * (sign * 2.0 * sin.atan2(self.w * sign).to_degrees() / sin)
    }

    /// The angle of this turn about a unit axis, −180 to 180 degrees: exact when the turn is about that axis.
    pub fn degrees_about(self, axis: Vec3) -> f64 {
        let deg = 2.0 * self.v.dot(axis).atan2(self.w).to_degrees();
        if deg > 180.0 {
            deg - 360.0
        } else if deg <= -180.0 {
            deg + 360.0
        } else {
            deg
        }
    }
}

/// The shortest arc between two orientations, with what every point of it needs worked out once.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Arc {
    from: Turn,
    to: Turn,
    half: f64,
    per_sin: f64,
}

impl Arc {
    /// From one to the other.
    pub fn between(from: Turn, to: Turn) -> Arc {
        let dot = from.w * to.w + from.v.dot(to.v);
        // A turn and its negative are the same orientation: the nearer one is meant.
        let to = if dot < 0.0 {
            Turn {
                w: -to.w,
                v: to.v * -1.0,
            }
        } else {
            to
        };
        let half = dot.abs().min(1.0).acos();
        Arc {
            from,
            to,
            half,
            per_sin: 1.0 / half.sin(),
        }
    }

    /// The orientation at a share of the way, 0 to 1.
    pub fn at(&self, k: f64) -> Turn {
        // Nearly the same orientation: the straight line is the arc.
        let (a, b) = if self.half < 1e-6 {
            (1.0 - k, k)
        } else {
            (
                ((1.0 - k) * self.half).sin() * self.per_sin,
                (k * self.half).sin() * self.per_sin,
            )
        };
        let (w, v) = (
            self.from.w * a + self.to.w * b,
            self.from.v * a + self.to.v * b,
        );
        let norm = (w * w + v.dot(v)).sqrt();
        Turn {
            w: w / norm,
            v: v * (1.0 / norm),
        }
    }
}
