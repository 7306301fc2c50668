//! Modifiers: what else was done or is known, and what that tightens. A modifier never loosens.

use super::exercise::{Group, Level};
use super::pathway::{AngleTest, Precaution};
use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};

/// A ceiling that a modifier adds, before a completed week.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct TighterRow {
    /// Holds before this completed week.
    pub until_week: i32,
    /// Greatest permitted; without one the movement is not made at all.
    #[serde(default)]
    pub ceiling: Option<f64>,
}

/// Ceilings of one quantity that a modifier adds.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct TighterCorridor {
    /// Quantity id.
    pub id: String,
    /// The rows, weeks rising.
    pub rows: Vec<TighterRow>,
}

/// The most that muscle groups may do before a completed week.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Cap {
    /// Muscle groups.
    pub groups: Vec<Group>,
    /// Holds before this completed week.
    pub until_week: i32,
    /// What stays permitted, where the pathway permits it too.
    pub levels: Vec<Level>,
    /// Highest effort in percent meanwhile; needed where the hardest that stays is to hold.
    #[serde(default)]
    pub effort_max_pct: Option<u32>,
}

/// A position that a modifier forbids for a time.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct AddedForbidden {
    /// Stable id, a wording key.
    pub id: String,
    /// Holds before this completed week.
    pub until_week: i32,
    /// All must be true at the same frame.
    #[serde(default)]
    pub all: Vec<AngleTest>,
    /// Exercises with any of these features.
    #[serde(default)]
    pub tags: Vec<String>,
}

/// One modifier of pathways. Columns of the gate classes may carry its id too.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Modifier {
    /// Stable id.
    pub id: String,
    /// Pathways it may be chosen with.
    pub pathways: Vec<String>,
    /// Everything after the first phase comes so many weeks later.
    #[serde(default)]
    pub delay_weeks: i32,
    /// Strength work comes so many weeks later.
    #[serde(default)]
    pub strength_delay_weeks: i32,
    /// Ceilings it adds.
    #[serde(default)]
    pub corridor: Vec<TighterCorridor>,
    /// What it takes away from muscle groups.
    #[serde(default)]
    pub cap: Vec<Cap>,
    /// Positions it forbids.
    #[serde(default)]
    pub forbidden: Vec<AddedForbidden>,
    /// Precautions it adds.
    #[serde(default)]
    pub precaution: Vec<Precaution>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
