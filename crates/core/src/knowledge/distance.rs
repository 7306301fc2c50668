//! What can be found out while the patient is not in the room.

use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};

/// How a contact is held.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum HowHeld {
    /// The patient is in the room.
    Room,
    /// By telephone: heard and not seen.
    Telephone,
    /// By video: seen and not touched.
    Video,
}

/// A kind of finding, by what it takes.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "kebab-case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Sought {
    /// A range that somebody else moves.
    PassiveRange,
    /// A range that the patient moves.
    ActiveRange,
    /// A force against a device.
    Force,
    /// How far a held arm drops back.
    Lag,
    /// A clinical test, or a position that somebody else brings the arm to.
    HandsOn,
    /// What is seen while an exercise is done.
    Shown,
    /// What the patient says, or somebody reads out.
    Said,
}

/// All kinds, for the loader.
pub const SOUGHT: [Sought; 7] = [
    Sought::PassiveRange,
    Sought::ActiveRange,
    Sought::Force,
    Sought::Lag,
    Sought::HandsOn,
    Sought::Shown,
    Sought::Said,
];

/// How much of it can be found out.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Findable {
    /// As in the room.
    Yes,
    /// Seen and not measured.
    ByEye,
    /// Not at all.
    No,
}

/// One kind of finding, and what of it reaches over a distance.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct DistanceRow {
    /// The kind.
    pub id: Sought,
    /// By telephone.
    pub telephone: Findable,
    /// By video.
    pub video: Findable,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl DistanceRow {
    /// What of it can be found out in a contact that is held in this way.
    pub fn reach(&self, how: HowHeld) -> Findable {
        match how {
            HowHeld::Room => Findable::Yes,
            HowHeld::Telephone => self.telephone,
            HowHeld::Video => self.video,
        }
    }
}
