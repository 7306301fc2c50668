//! Schools: where practitioners disagree, each side is a named rule that somebody chooses.

use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// One answer to a question on which practitioners disagree, with what it changes.
///
/// A school of a pathway may move its weeks either way, because that is what the disagreement is about; a surgeon's limit
/// and the modifiers still tighten whatever was chosen. What a row leaves out it does not change.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct School {
    /// Stable id, unique within its question.
    pub id: String,
    /// The question it answers, a wording key.
    pub question: String,
    /// Whether it holds when nobody has chosen.
    #[serde(default)]
    pub default: bool,
    /// Earliest completed week of phases, by phase id; the gate before it moves along.
    #[serde(default)]
    pub phase_weeks: BTreeMap<String, i32>,
    /// Completed week on which a movement opens, by quantity.
    #[serde(default)]
    pub opens_weeks: BTreeMap<String, i32>,
    /// Completed week from which an allowance holds, by its id.
    #[serde(default)]
    pub allowance_weeks: BTreeMap<String, i32>,
    /// Earliest completed week of classes of exercises.
    #[serde(default)]
    pub class_weeks: BTreeMap<String, i32>,
    /// Classes from this completed week on come later by so many weeks: `[from, later]`.
    #[serde(default)]
    pub classes_later: Option<[i32; 2]>,
    /// Sling: day and night, and nights, before these completed weeks.
    #[serde(default)]
    pub sling_weeks: Option<[i32; 2]>,
    /// Pain during exercise above this is outside the mode (0 to 10).
    #[serde(default)]
    pub pain_during_max: Option<f64>,
    /// Most exercises at a time.
    #[serde(default)]
    pub max_lines: Option<usize>,
    /// Ladders that come first.
    #[serde(default)]
    pub lead: Vec<String>,
    /// Ladders that are left out.
    #[serde(default)]
    pub leave_out: Vec<String>,
    /// Sessions a day.
    #[serde(default)]
    pub times_per_day: Option<u32>,
    /// Days a week of strength work.
    #[serde(default)]
    pub days_per_week: Option<u32>,
    /// How sets follow each other.
    #[serde(default)]
    pub structure: Option<SetStructure>,
    /// Holds of isometric work: `[repetitions, seconds]`, about the same total time.
    #[serde(default)]
    pub hold: Option<[u32; 2]>,
    /// Greatest isometric effort in percent.
    #[serde(default)]
    pub effort_pct: Option<u32>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// How the sets of a session follow each other.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SetStructure {
    /// All sets of one exercise, then the next exercise.
    Straight,
    /// One set of each exercise, several rounds.
    Circuit,
    /// Single perfect repetitions with a pause after each.
    Single,
}
