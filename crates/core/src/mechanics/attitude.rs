//! How the trunk is held, and how its axes then lie in the room.

use super::pose::ArmPose;
use super::vector::{Vec3, rotate_about};
use serde::{Deserialize, Serialize};

/// How the trunk is held.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Attitude {
    /// Standing upright.
    Standing,
    /// Sitting on a chair.
    Sitting,
    /// Kneeling upright, one or both knees.
    Kneeling,
    /// Sitting leaned back on a backrest.
    Reclined,
    /// Lying on the back.
    Supine,
    /// Lying on the front, arm over the edge.
    Prone,
    /// Lying on the other side.
    SideLying,
    /// Standing, trunk bent forward, other hand on a support.
    ForwardLean,
    /// Sitting bowed over a table.
    TableBow,
    /// On hands and knees.
    HandsAndKnees,
    /// On hands and feet, body straight.
    Plank,
    /// On hands and feet, hips high.
    Pike,
    /// On one forearm and the side of a foot, body straight, the working arm below.
    SidePlank,
    /// Standing, leaning on a wall with the hands.
    WallLean,
    /// Standing, leaning on a counter with the hands.
    CounterLean,
}

impl Attitude {
    /// All attitudes.
    pub const ALL: [Attitude; 15] = [
        Attitude::Standing,
        Attitude::Sitting,
        Attitude::Kneeling,
        Attitude::Reclined,
        Attitude::Supine,
        Attitude::Prone,
        Attitude::SideLying,
        Attitude::ForwardLean,
        Attitude::TableBow,
        Attitude::HandsAndKnees,
        Attitude::Plank,
        Attitude::Pike,
        Attitude::SidePlank,
        Attitude::WallLean,
        Attitude::CounterLean,
    ];

    /// How far the trunk leans forward from upright in degrees; on the side it does not.
    ///
    /// Source: our choice, because these are the angles the figure is drawn at; picture, load and limit share them.
    pub fn lean_deg(self) -> f64 {
        match self {
            Attitude::Standing
            | Attitude::Sitting
            | Attitude::Kneeling
            | Attitude::SideLying
            | Attitude::SidePlank => 0.0,
            Attitude::Reclined => -48.0,
            Attitude::Supine => -90.0,
            Attitude::Prone => 90.0,
            Attitude::HandsAndKnees => 76.0,
            Attitude::ForwardLean => 58.0,
            Attitude::TableBow => 32.0,
            Attitude::Plank => 62.0,
            Attitude::Pike => 115.0,
            Attitude::WallLean => 14.0,
            Attitude::CounterLean => 38.0,
        }
    }

    /// Whether the hand carries part of the body's weight.
    pub fn leans_on_hand(self) -> bool {
        matches!(
            self,
            Attitude::HandsAndKnees
                | Attitude::Plank
                | Attitude::Pike
                | Attitude::SidePlank
                | Attitude::WallLean
                | Attitude::CounterLean
        )
    }
}

/// Trunk axes in the room: x forward of the chest, y to the head, z to the working side.
///
/// Room axes: x forward when upright, y up, z to the working side when upright.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Frame {
    x: Vec3,
    y: Vec3,
    z: Vec3,
}

/// A table's height above the seat, in body heights: 28 cm for 1.75 m.
const TABLE: f64 = 0.16;

impl Frame {
    /// The frame of an attitude.
    pub fn of(attitude: Attitude) -> Frame {
        let side = Vec3::new(0.0, 0.0, 1.0);
        if attitude == Attitude::SideLying {
            // Head to +x, working side up, chest to +z.
            return Frame {
                x: side,
                y: Vec3::new(1.0, 0.0, 0.0),
                z: Vec3::new(0.0, 1.0, 0.0),
            };
        }
        if attitude == Attitude::SidePlank {
            // Head to −x and 20° up, working side down, chest to +z.
            let (sin, cos) = 20f64.to_radians().sin_cos();
            return Frame {
                x: side,
                y: Vec3::new(-cos, sin, 0.0),
                z: Vec3::new(-sin, -cos, 0.0),
            };
        }
        Frame::leaning(attitude.lean_deg())
    }

    /// The frame in which an arm is held so: as [`Frame::of`], but whoever bows over a table bows as far as the arm is raised, so
    /// that the hand stays on the table. Source: our choice, because the bow is the movement there.
    pub fn of_pose(attitude: Attitude, pose: &ArmPose) -> Frame {
        if attitude != Attitude::TableBow {
            return Frame::of(attitude);
        }
        // Height of the wrist above the seat, in body heights (segments as published by Drillis and Contini 1966, from memory).
        let (u, f) = pose.directions();
        let above = |lean: f64| {
            Frame::leaning(lean)
                .room(Vec3::new(0.0, 0.288, 0.0) + u * 0.186 + f * 0.146)
                .y
        };
        let (mut upright, mut bowed) = (0.0, 75.0);
        for _ in 0..30 {
            let middle = (upright + bowed) / 2.0;
            if above(middle) > TABLE {
                upright = middle
            } else {
                bowed = middle
            }
        }
        Frame::leaning((upright + bowed) / 2.0)
    }

    fn leaning(deg: f64) -> Frame {
        let side = Vec3::new(0.0, 0.0, 1.0);
        Frame {
            x: rotate_about(Vec3::new(1.0, 0.0, 0.0), side, -deg),
            y: rotate_about(Vec3::new(0.0, 1.0, 0.0), side, -deg),
            z: side,
        }
    }

    /// From trunk axes to room axes.
    pub fn room(&self, v: Vec3) -> Vec3 {
        self.x * v.x + self.y * v.y + self.z * v.z
    }

    /// From room axes to trunk axes.
    pub fn trunk(&self, v: Vec3) -> Vec3 {
        Vec3::new(self.x.dot(v), self.y.dot(v), self.z.dot(v))
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_frame_is_right_handed_and_square() {
        for attitude in Attitude::ALL {
            let f = Frame::of(attitude);
            assert!((f.x.cross(f.y) - f.z).norm() < 1e-12, "{attitude:?}");
            let v = Vec3::new(0.3, -0.7, 0.2);
            assert!((f.trunk(f.room(v)) - v).norm() < 1e-12, "{attitude:?}");
        }
    }
}
