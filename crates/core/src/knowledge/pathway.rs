//! Pathways: phases, corridors, allowances, precautions, milestones, gates.

use super::criteria::Criterion;
use super::exercise::{Group, Level};
use super::rows::Confidence;
use crate::calendar::{PostOpDay, Steps, WEEK};
use crate::mechanics::{ArmPose, Path};
use serde::{Deserialize, Serialize};

/// A phase of a pathway.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Phase {
    /// Stable id.
    pub id: String,
    /// 1, 2, 3 …
    pub number: u32,
    /// Earliest completed week.
    pub earliest_week: i32,
    /// Completed week in which it is expected to end.
    pub expected_end_week: i32,
    /// Exercises that open in this phase; earlier ones may go on.
    pub exercises: Vec<String>,
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
    pub end_of_week: i32,
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
    pub day: PostOpDay,
    /// The floor.
    pub floor: f64,
}

impl Corridor {
    /// No floor counts earlier than this many days after the movement opens. Source: our choice,
    /// because nobody can be called stiff in a movement that was forbidden a fortnight ago.
    pub const FLOOR_GRACE_DAYS: i32 = 14;

    /// Ceilings by day: `None` inside means free, and before the corridor opens nothing is allowed.
    ///
    /// The row "end of week N" holds from where the row before it ended through day 7N − 1.
    pub fn ceilings(&self) -> Steps<Option<f64>> {
        let opens = self.opens_week * WEEK;
        let mut steps = Vec::new();
        let mut from = 0;
        for row in &self.rows {
            let end = row.end_of_week * WEEK;
            if end > opens {
                steps.push((from.max(opens), if row.free { None } else { row.ceiling }));
            }
            from = end;
        }
        steps.push((from.max(opens), None));
        Steps::new(steps)
    }

    /// Floors by day, without those that come too soon after the movement opens.
    pub fn floors(&self) -> Steps<f64> {
        Steps::new(self.floor_rows().filter(|(day, _)| self.floor_counts(*day)).collect())
    }

    /// Floors that come too soon, to be listed at load.
    pub fn dropped_floors(&self) -> Vec<(PostOpDay, f64)> {
        self.floor_rows().filter(|(day, _)| !self.floor_counts(*day)).collect()
    }

    fn floor_rows(&self) -> impl Iterator<Item = (PostOpDay, f64)> + '_ {
        self.rows.iter().filter_map(|row| row.floor.map(|floor| (row.end_of_week * WEEK, floor)))
    }

    fn floor_counts(&self, day: PostOpDay) -> bool {
        day >= self.opens_week * WEEK + Self::FLOOR_GRACE_DAYS
    }
}

/// The highest contraction levels from a completed week on.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Allowance {
    /// Stable id.
    pub id: String,
    /// Completed weeks.
    pub from_week: i32,
    /// Supraspinatus, infraspinatus, teres minor.
    pub cuff: Vec<Level>,
    /// Subscapularis.
    pub subscapularis: Vec<Level>,
    /// Deltoid.
    pub deltoid: Vec<Level>,
    /// Biceps.
    pub biceps: Vec<Level>,
    /// Triceps.
    pub triceps: Vec<Level>,
    /// Pectoralis major, latissimus, teres major.
    pub pec_lat: Vec<Level>,
    /// Trapezius, serratus, rhomboids.
    pub scapular: Vec<Level>,
    /// Hand, wrist, forearm.
    pub distal: Vec<Level>,
    /// Greatest isometric effort of the cuff in percent, where the table gives one.
    #[serde(default)]
    pub cuff_effort_max_pct: Option<u32>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl Allowance {
    /// What is permitted for `group`.
    pub fn levels(&self, group: Group) -> &[Level] {
        match group {
            Group::Cuff => &self.cuff,
            Group::Subscapularis => &self.subscapularis,
            Group::Deltoid => &self.deltoid,
            Group::Biceps => &self.biceps,
            Group::Triceps => &self.triceps,
            Group::PecLat => &self.pec_lat,
            Group::Scapular => &self.scapular,
            Group::Distal => &self.distal,
        }
    }

    /// Whether `wanted` is permitted for `group`.
    pub fn permits(&self, group: Group, wanted: Level) -> bool {
        wanted == Level::None || self.levels(group).iter().any(|level| level.includes(wanted))
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
    fn holds(&self, pose: &ArmPose) -> bool {
        let value = match self.angle {
            AngleName::Plane => pose.plane_deg,
            AngleName::Elevation => pose.elevation_deg,
            AngleName::Twist => pose.twist_deg(),
            AngleName::ClinicRotation => pose.clinic_deg(),
        };
        self.above.is_none_or(|bound| value > bound) && self.below.is_none_or(|bound| value < bound)
    }
}

/// A position that may not be taken: a predicate over simultaneous angles, or a declared feature.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Forbidden {
    /// Stable id.
    pub id: String,
    /// Holds before this completed week.
    pub until_week: i32,
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

impl Forbidden {
    /// Whether any frame of `path` takes the position.
    pub fn touches(&self, path: &Path) -> bool {
        !self.all.is_empty() && path.frames().iter().any(|frame| self.all.iter().all(|test| test.holds(&frame.pose)))
    }
}

/// A precaution of daily life.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Precaution {
    /// Stable id, a wording key.
    pub id: String,
    /// From this completed week.
    pub from_week: i32,
    /// Before this completed week.
    pub until_week: i32,
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
    /// Completed week on which it opens.
    pub week: i32,
    /// What must hold besides time.
    pub criteria: Vec<Criterion>,
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
    /// Completed weeks until it ends as a rule.
    pub weeks: i32,
    /// Pain during exercise above this is outside the mode (0 to 10).
    pub pain_during_max: f64,
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
}

impl Pathway {
    /// The corridor of a quantity.
    pub fn corridor(&self, quantity: &str) -> Option<&Corridor> {
        self.corridors.iter().find(|c| c.id == quantity)
    }

    /// The allowance in force on `day`, with strength levels delayed by `delay_weeks`.
    ///
    /// Rows that open resisted work are delayed, the earlier ones are not: a modifier only tightens.
    pub fn allowance(&self, day: PostOpDay, delay_weeks: i32) -> Option<&Allowance> {
        self.allowances
            .iter()
            .filter(|row| {
                let late = row.levels(Group::Cuff).iter().any(|level| *level >= Level::ResistedLight);
                day >= (row.from_week + if late { delay_weeks } else { 0 }) * WEEK
            })
            .max_by_key(|row| row.from_week)
    }

    /// The phase with this number.
    pub fn phase(&self, number: u32) -> Option<&Phase> {
        self.phases.iter().find(|p| p.number == number)
    }

    /// The phase in which an exercise opens.
    pub fn opening_phase(&self, exercise: &str) -> Option<&Phase> {
        self.phases.iter().find(|p| p.exercises.iter().any(|e| e == exercise))
    }

    /// The gate that closes a phase.
    pub fn gate_after(&self, phase: u32) -> Option<&Gate> {
        self.gates.iter().find(|g| g.from_phase == phase)
    }
}
