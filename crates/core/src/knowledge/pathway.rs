//! Pathways as they are written: phases, corridors, allowances, precautions, milestones, gates, schools.
//!
//! Where healing has a clock rows count in completed weeks; where it has none they count in phases.
//! [`crate::program::Rules`] turns both, with modifiers and schools, into days for one shoulder.

use super::allowance::Allowance;
use super::criteria::Criterion;
use super::school::School;
use super::span::RungSpan;
use super::watch::Watch;
use crate::calendar::{EpisodeDay, WEEK};
use crate::confidence::Confidence;
use crate::mechanics::ArmPose;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// What heals by the calendar, if anything does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum HealingClock {
    /// Tissue that was operated on.
    #[default]
    Operation,
    /// A joint that was dislocated.
    Dislocation,
    /// A broken bone.
    Fracture,
    /// A sprained AC joint.
    Sprain,
    /// Nothing: the pathway moves on criteria alone, its weeks are only typical.
    None,
}

/// A phase of a pathway.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Phase {
    /// Stable id.
    pub id: String,
    /// 1, 2, 3 …
    pub number: u32,
    /// Earliest completed week; without a healing clock, the typical one.
    pub earliest_week: i32,
    /// Completed week in which it is expected to end.
    pub expected_end_week: i32,
    /// What opens in this phase, by ladder and rungs; earlier exercises may go on.
    #[serde(rename = "exercises")]
    pub spans: Vec<RungSpan>,
    /// What of it only a clinician opens, with a reason.
    #[serde(rename = "clinician", default)]
    pub clinician_spans: Vec<RungSpan>,
    /// The ids behind `spans`, filled in when the whole of the knowledge is read.
    #[serde(skip)]
    pub exercises: Vec<String>,
    /// The ids behind `clinician_spans`.
    #[serde(skip)]
    pub clinician: Vec<String>,
    /// Ladders in order of importance for the goals of this phase.
    pub focus: Vec<String>,
    /// Most exercises at a time.
    pub max_lines: usize,
    /// Most minutes of one session.
    pub max_minutes: f64,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// One row of a corridor table, as it is written: "end of week N: floor, ceiling".
#[derive(Debug, Clone, Copy, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct CorridorRow {
    /// Completed weeks at the end of the interval.
    #[serde(default)]
    pub end_of_week: i32,
    /// Where there is no clock: the phase in which the ceiling holds.
    #[serde(default)]
    pub phase: Option<u32>,
    /// The movement is not made in that phase.
    #[serde(default)]
    pub barred: bool,
    /// Expected from day 7N on.
    #[serde(default)]
    pub floor: Option<f64>,
    /// Greatest permitted through day 7N − 1; with `free`, none is needed.
    #[serde(default)]
    pub ceiling: Option<f64>,
    /// No ceiling in this interval.
    #[serde(default)]
    pub free: bool,
}

/// Floor and ceiling of one quantity over the weeks.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Corridor {
    /// Quantity id.
    pub id: String,
    /// Before this completed week the movement is not allowed at all.
    #[serde(default)]
    pub opens_week: i32,
    /// The table.
    pub rows: Vec<CorridorRow>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A floor that came too soon after the movement opened, and was dropped.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct DroppedFloor {
    /// Pathway id.
    pub pathway: String,
    /// Quantity id.
    pub quantity: String,
    /// The day on which it would have counted.
    pub day: EpisodeDay,
    /// The floor.
    pub floor: f64,
}

impl Corridor {
    /// No floor counts earlier than this many days after the movement opens. Source: our choice,
    /// because nobody can be called stiff in a movement that was forbidden a fortnight ago.
    pub const FLOOR_GRACE_DAYS: i32 = 14;

    /// Floors that come too soon, to be listed at load.
    pub fn dropped_floors(&self) -> Vec<(EpisodeDay, f64)> {
        let counts = self.opens_week * WEEK + Self::FLOOR_GRACE_DAYS;
        let rows = self
            .rows
            .iter()
            .filter_map(|row| row.floor.map(|floor| (row.end_of_week * WEEK, floor)));
        rows.filter(|(day, _)| *day < counts).collect()
    }

    /// Whether its rows count in phases.
    pub fn by_phase(&self) -> bool {
        self.rows.iter().any(|row| row.phase.is_some())
    }
}

/// An angle a forbidden position speaks about.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum AngleName {
    /// Plane of elevation.
    Plane,
    /// Elevation.
    Elevation,
    /// τ.
    Twist,
    /// ψ.
    ClinicRotation,
}

/// One condition on one angle.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct AngleTest {
    /// Which angle.
    pub angle: AngleName,
    /// True when the angle is above this.
    #[serde(default)]
    pub above: Option<f64>,
    /// True when the angle is below this.
    #[serde(default)]
    pub below: Option<f64>,
}

impl AngleTest {
    /// How far a pose lies within it, in degrees: more than 0 where it holds.
    pub fn depth_deg(&self, pose: &ArmPose) -> f64 {
        let value = match self.angle {
            AngleName::Plane => pose.plane_deg,
            AngleName::Elevation => pose.elevation_deg,
            AngleName::Twist => pose.twist_deg(),
            AngleName::ClinicRotation => pose.clinic_deg(),
        };
        let within = self.above.map_or(f64::INFINITY, |bound| value - bound);
        within.min(self.below.map_or(f64::INFINITY, |bound| bound - value))
    }
}

/// A position that may not be taken: a predicate over simultaneous angles, or a declared feature.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Forbidden {
    /// Stable id.
    pub id: String,
    /// Holds before this completed week.
    #[serde(default)]
    pub until_week: i32,
    /// Where there is no clock: holds before this phase.
    #[serde(default)]
    pub until_phase: Option<u32>,
    /// All must be true at the same frame; empty means no pose is forbidden.
    #[serde(default)]
    pub all: Vec<AngleTest>,
    /// Exercises with any of these features.
    #[serde(default)]
    pub tags: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A precaution of daily life.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Precaution {
    /// Stable id, a wording key.
    pub id: String,
    /// From this completed week.
    #[serde(default)]
    pub from_week: i32,
    /// Before this completed week.
    #[serde(default)]
    pub until_week: i32,
    /// Where there is no clock: from this phase on.
    #[serde(default)]
    pub from_phase: Option<u32>,
    /// Where there is no clock: before this phase.
    #[serde(default)]
    pub until_phase: Option<u32>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// When the sling is worn.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Sling {
    /// Stable id.
    pub id: String,
    /// Day and night before this completed week.
    pub day_and_night_until_week: i32,
    /// Weaned by day and worn at night before this completed week.
    pub nights_until_week: i32,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A value expected by a week.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Milestone {
    /// Stable id, a wording key.
    pub id: String,
    /// Completed week.
    pub week: i32,
    /// Quantity id, where it is a measured one.
    #[serde(default)]
    pub quantity: Option<String>,
    /// A strength test whose force is meant, in percent of the other side.
    #[serde(default)]
    pub strength: Option<String>,
    /// The value expected.
    #[serde(default)]
    pub at_least: Option<f64>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A gate between two phases: time and criteria.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Gate {
    /// Stable id.
    pub id: String,
    /// The phase it closes.
    pub from_phase: u32,
    /// Completed week on which it opens; without a healing clock, the typical one.
    pub week: i32,
    /// What must hold besides time.
    pub criteria: Vec<Criterion>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// How much pain during exercise is inside the mode from a completed week, or from a phase, on.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct PainRow {
    /// Stable id.
    pub id: String,
    /// From this completed week.
    #[serde(default)]
    pub from_week: i32,
    /// Where there is no clock: from this phase on.
    #[serde(default)]
    pub from_phase: Option<u32>,
    /// Pain during exercise above this is outside the mode (0 to 10).
    pub max: f64,
    /// Hours within which it is as before again; without them, by the next morning.
    #[serde(default)]
    pub settles_h: Option<f64>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A whole pathway.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Pathway {
    /// Stable id.
    pub id: String,
    /// What heals by the calendar.
    #[serde(default)]
    pub clock: HealingClock,
    /// For a clinic's own: the pathway whose classes of exercises and modifiers it shares.
    #[serde(default)]
    pub based_on: Option<String>,
    /// What a clinic's own is called; the names of the others stand in the catalogue.
    #[serde(default)]
    pub title: Option<String>,
    /// It is about a shoulder that slips as a rule: a slip at the person's own usual number steps back instead of stopping all.
    #[serde(default)]
    pub loose: bool,
    /// It is for subacromial pain: where passive rotation and raising are lost, choosing it is challenged first.
    #[serde(default)]
    pub not_when_stiff: bool,
    /// Earliest completed weeks of classes of exercises, instead of those of `gate-classes.toml`.
    #[serde(default)]
    pub class_weeks: BTreeMap<String, i32>,
    /// Completed weeks until it ends as a rule.
    pub weeks: i32,
    /// How much pain is tolerated during exercise, in order.
    pub pain: Vec<PainRow>,
    /// Where the pathway comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
    /// Phases in order.
    #[serde(rename = "phase")]
    pub phases: Vec<Phase>,
    /// Corridors by quantity.
    #[serde(rename = "corridor")]
    pub corridors: Vec<Corridor>,
    /// Allowances in order.
    #[serde(rename = "allowance")]
    pub allowances: Vec<Allowance>,
    /// Forbidden positions.
    #[serde(rename = "forbidden", default)]
    pub forbidden: Vec<Forbidden>,
    /// Precautions.
    #[serde(rename = "precaution", default)]
    pub precautions: Vec<Precaution>,
    /// Sling wear.
    pub sling: Vec<Sling>,
    /// Milestones.
    #[serde(rename = "milestone", default)]
    pub milestones: Vec<Milestone>,
    /// Gates in order.
    #[serde(rename = "gate")]
    pub gates: Vec<Gate>,
    /// What it watches for besides the common rules.
    #[serde(rename = "watch", default)]
    pub watches: Vec<Watch>,
    /// Where practitioners disagree about this pathway.
    #[serde(rename = "school", default)]
    pub schools: Vec<School>,
}

impl Pathway {
    /// The id under which other rows know it: its own, or that of the pathway it was copied from.
    pub fn column(&self) -> &str {
        self.based_on.as_deref().unwrap_or(&self.id)
    }

    /// The phase with this number.
    pub fn phase(&self, number: u32) -> Option<&Phase> {
        self.phases.iter().find(|p| p.number == number)
    }

    /// The school of a question that holds unless another is chosen.
    pub fn default_school(&self, question: &str) -> Option<&School> {
        self.schools
            .iter()
            .find(|s| s.question == question && s.default)
    }
}
