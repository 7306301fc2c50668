//! What a movement works against: declared with the exercise, resolved for a body.

use super::attitude::Attitude;
use super::segments::ArmBody;
use super::vector::Vec3;
use serde::{Deserialize, Serialize};

/// How high an elastic is fixed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum AnchorHeight {
    /// On the floor, or under the foot.
    Floor,
    /// At the ankle.
    Ankle,
    /// At the knee.
    Knee,
    /// At the waist.
    Waist,
    /// At the elbow of the hanging arm.
    Elbow,
    /// At the shoulder.
    Shoulder,
    /// At the eyes.
    Eye,
    /// Above the head.
    Overhead,
}

/// Where it is fixed, seen from the person; the working side is the same side.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum AnchorSide {
    /// Straight ahead.
    Front,
    /// Straight behind.
    Rear,
    /// On the working side.
    Same,
    /// On the other side.
    Opposite,
    /// Ahead, on the other side.
    FrontOpposite,
    /// Behind, on the working side.
    RearSame,
    /// Below the shoulder itself: a foot stands on it.
    Under,
}

/// Where an elastic is fixed.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Anchor {
    /// How high.
    pub height: AnchorHeight,
    /// In which direction.
    pub side: AnchorSide,
    /// How far from the shoulder, level, in metres.
    pub distance_m: f64,
}

impl Anchor {
    /// Where the anchor is, from the shoulder, room axes, metres.
    ///
    /// Heights are shares of body height (Drillis and Contini 1966, from memory); on the floor it depends on how high the
    /// shoulder is in the attitude.
    pub fn from_shoulder(&self, arm: &ArmBody, attitude: Attitude) -> Vec3 {
        let h = arm.height_m;
        let down = match self.height {
            AnchorHeight::Floor => -shoulder_height(attitude, h),
            AnchorHeight::Ankle => -shoulder_height(attitude, h) + 0.04 * h,
            AnchorHeight::Knee => -shoulder_height(attitude, h) + 0.285 * h,
            AnchorHeight::Waist => -0.25 * h,
            AnchorHeight::Elbow => -0.188 * h,
            AnchorHeight::Shoulder => 0.0,
            // Eyes at 0.936 of stature, shoulders at 0.818 (Drillis & Contini 1966, from memory).
            AnchorHeight::Eye => 0.118 * h,
            AnchorHeight::Overhead => 0.3 * h,
        };
        let d = self.distance_m;
        let level = match self.side {
            AnchorSide::Front => (d, 0.0),
            AnchorSide::Rear => (-d, 0.0),
            AnchorSide::Same => (0.0, d),
            AnchorSide::Opposite => (0.0, -d),
            AnchorSide::FrontOpposite => (
                d * std::f64::consts::FRAC_1_SQRT_2,
                -d * std::f64::consts::FRAC_1_SQRT_2,
            ),
            AnchorSide::RearSame => (
                -d * std::f64::consts::FRAC_1_SQRT_2,
                d * std::f64::consts::FRAC_1_SQRT_2,
            ),
            AnchorSide::Under => (0.0, 0.0),
        };
        Vec3::new(level.0, down, level.1)
    }
}

/// How high the shoulder is above the floor, m.
///
/// Upright heights after Drillis and Contini 1966 (from memory); the others are our choice, as drawn.
pub fn shoulder_height(attitude: Attitude, height_m: f64) -> f64 {
    height_m
        * match attitude {
            Attitude::Standing | Attitude::WallLean => 0.818,
            Attitude::Sitting => 0.57,
            Attitude::Kneeling => 0.57,
            Attitude::Reclined => 0.40,
            Attitude::TableBow => 0.52,
            Attitude::ForwardLean => 0.68,
            Attitude::CounterLean => 0.75,
            Attitude::Supine => 0.30,
            Attitude::Prone => 0.35,
            Attitude::SideLying => 0.42,
            Attitude::HandsAndKnees | Attitude::Plank => 0.36,
            Attitude::Pike => 0.34,
            Attitude::SidePlank => 0.24,
        }
}

/// What works against the arm, or helps it. Contraction level and muscle demand are declared beside it, never derived.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Load {
    /// The arm's own weight.
    #[default]
    Gravity,
    /// A weight in the hand; the dose says how heavy.
    Weight,
    /// An elastic from an anchor to the hand; the dose says which level.
    Elastic {
        /// Where it is fixed.
        anchor: Anchor,
        /// Two strands side by side.
        #[serde(default)]
        doubled: bool,
    },
    /// Pressed against something that does not move; the effort in the dose is all there is.
    Isometric,
    /// The hand carries part of the body: share of body weight, 0 to 1, straight against the support.
    Support {
        /// Share of body weight on this hand.
        share: f64,
    },
    /// Somebody or something carries part of the arm: share of the arm's weight, 0 to 1.
    Carried {
        /// Share of the arm's weight.
        share: f64,
    },
}

/// A load as it stands: numbers, no names.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Resolved {
    /// Mass in the hand, kg.
    pub weight_kg: f64,
    /// The band, where there is one.
    pub band: Option<Band>,
    /// Force of a support on the hand, room axes, N.
    pub support_n: Vec3,
    /// Share of the arm's weight that is carried, 0 to 1.
    pub carried: f64,
    /// The upper arm lies against the trunk, a table or a towel: only turning it has to be supplied.
    pub rests: bool,
}

impl Resolved {
    /// Nothing but the arm.
    pub const NONE: Resolved = Resolved {
        weight_kg: 0.0,
        band: None,
        support_n: Vec3::new(0.0, 0.0, 0.0),
        carried: 0.0,
        rests: false,
    };
}

/// A band from an anchor to the hand.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Band {
    /// The anchor from the shoulder, room axes, m.
    pub anchor: Vec3,
    /// The whole free length without tension, m.
    pub slack_m: f64,
    /// How it pulls.
    pub law: super::elastic::Law,
    /// Strands side by side.
    pub strands: f64,
}

impl Band {
    /// Elongation in percent and tension in newtons at a length; slack pulls with 0 N.
    pub fn tension(&self, length_m: f64) -> (f64, f64) {
        let elongation = 100.0 * (length_m / self.slack_m - 1.0);
        (elongation, self.strands * self.law.force_n(elongation))
    }
}
