//! Schools: where practitioners disagree, each side is a named rule that somebody chooses.

use super::allowance::Allowance;
use super::clinical_test::Found;
use super::dose::SetStructure;
use super::exercise::Helper;
use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// When a painful movement is looked at before and after the first set in the room.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Retest {
    /// When nothing was tried out before.
    FirstVisit,
    /// Whenever something new is tried out.
    EachTime,
    /// Not at all.
    Never,
}

/// An answer that must be on record for this shoulder before a school holds.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct NeededAnswer {
    /// The clinical test.
    pub test: String,
    /// One of these words.
    #[serde(default)]
    pub found: Vec<Found>,
    /// Or a number below this.
    #[serde(default)]
    pub below: Option<f64>,
}

/// What a school opens before its phase, for a shoulder of which everything needed is on record.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct EarlyWork {
    /// Exercises that the first phase has besides its own.
    pub exercises: Vec<String>,
    /// Rows that take the place of the pathway's of the same id.
    #[serde(default)]
    pub allowance: Vec<Allowance>,
    /// Forbidden positions that it lifts.
    #[serde(default)]
    pub lifts: Vec<String>,
    /// Ceilings of the pathway, by quantity, that are no lower than this while it holds. A surgeon's limit still wins.
    #[serde(default)]
    pub ceilings: BTreeMap<String, f64>,
    /// Classes that are open from the first day.
    #[serde(default)]
    pub classes: Vec<String>,
}

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
    /// Exercises that are left out.
    #[serde(default)]
    pub leave_out_exercises: Vec<String>,
    /// Work with a load raises no higher than this, in degrees.
    #[serde(default)]
    pub raise_most_deg: Option<f64>,
    /// What loads where a ladder can be loaded either way.
    #[serde(default)]
    pub prefer: Option<Helper>,
    /// What is said beside the exercises of `cue_ladders`, a wording key.
    #[serde(default)]
    pub cue: Option<String>,
    /// Ladders the cue is told with.
    #[serde(default)]
    pub cue_ladders: Vec<String>,
    /// Sessions a day of everything but strength work; light work counts as the rest.
    #[serde(default)]
    pub times_per_day: Option<u32>,
    /// Days a week of strength work.
    #[serde(default)]
    pub days_per_week: Option<u32>,
    /// Sessions of strength work a day.
    #[serde(default)]
    pub strength_times_per_day: Option<u32>,
    /// End-range work: `[repetitions, seconds]` at the end of a stretched movement, within what its row gives.
    #[serde(default)]
    pub end_range: Option<[u32; 2]>,
    /// Strength work with few heavy repetitions: the low end of the repetitions, the next elastic or twice the weight. Never where
    /// something heals by the calendar.
    #[serde(default)]
    pub heavy: bool,
    /// When a painful movement is looked at before and after the first set.
    #[serde(default)]
    pub retest: Option<Retest>,
    /// What must be on record; without it the default of the question holds.
    #[serde(default)]
    pub needs: Vec<NeededAnswer>,
    /// What it opens before its phase.
    #[serde(default)]
    pub early: Option<EarlyWork>,
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

impl School {
    /// The key of its reason: one for each pathway that has it, because what speaks for four still weeks after one operation may
    /// speak against them after another.
    ///
    /// `column` is the pathway's own id, or that of the one it was copied from; nothing for the schools of all pathways.
    pub fn reason_key(&self, column: Option<&str>) -> String {
        match column {
            Some(column) => format!("why-{column}-{}", self.id),
            None => format!("why-{}", self.id),
        }
    }
}
