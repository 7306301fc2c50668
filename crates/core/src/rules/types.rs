//! The rules of one shoulder, everything in days. Every check asks these and never the pathway as it is written.

use super::ceiling::Ceiling;
use super::style::Style;
use crate::calendar::{EpisodeDay, Steps};
use crate::knowledge::{
    Allowance, AngleTest, Criterion, Exercise, Group, HAIR_DEG, HealingClock, Knowledge, Level,
    Watch,
};
use crate::mechanics::{ArmPose, Track};
use crate::reason::Reason;
use std::collections::{BTreeMap, BTreeSet};

/// A phase in days.
#[derive(Debug, Clone, PartialEq)]
pub struct PhaseRule {
    /// Phase id.
    pub id: String,
    /// 1, 2, 3 …
    pub number: u32,
    /// Earliest day; without a healing clock, the typical one.
    pub earliest_day: EpisodeDay,
    /// Expected last day.
    pub expected_end_day: EpisodeDay,
    /// Exercises that open in it.
    pub exercises: Vec<String>,
    /// Ladders in order of importance.
    pub focus: Vec<String>,
    /// Most exercises at a time.
    pub max_lines: usize,
    /// Most minutes of a session.
    pub max_minutes: f64,
}

/// Ceilings and floors of a quantity in days.
#[derive(Debug, Clone, PartialEq)]
pub struct CorridorRule {
    /// Quantity id.
    pub id: String,
    /// The first day on which anything is allowed.
    pub opens_day: EpisodeDay,
    /// Ceilings from their first days on; nothing is allowed before the first.
    pub ceilings: Steps<Ceiling>,
    /// Floors from the days on which they count.
    pub floors: Steps<f64>,
}

/// How much pain is tolerated during exercise, and how soon it must be gone.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PainRule {
    /// 0 to 10.
    pub max: f64,
    /// Hours; without them, by the next morning.
    pub settles_h: Option<f64>,
}

/// What a modifier leaves to a muscle group.
#[derive(Debug, Clone, PartialEq)]
pub(super) struct CapRule {
    pub(super) group: Group,
    pub(super) until_day: EpisodeDay,
    pub(super) levels: Vec<Level>,
    pub(super) effort_max_pct: Option<u32>,
}

/// Permissions on a day.
#[derive(Debug, Clone, Copy)]
pub struct AllowanceRule<'a> {
    /// The day from which the row holds.
    pub from_day: EpisodeDay,
    row: &'a Allowance,
    pub(super) caps: &'a [CapRule],
    day: EpisodeDay,
}

impl AllowanceRule<'_> {
    /// Whether `wanted` is permitted for `group`: by the pathway and by every modifier.
    pub fn permits(&self, group: Group, wanted: Level) -> bool {
        let any = |levels: &[Level]| {
            wanted == Level::None || levels.iter().any(|level| level.includes(wanted))
        };
        any(self.row.levels(group)) && self.caps_of(group).all(|cap| any(&cap.levels))
    }

    /// The highest single level permitted for `group`.
    pub fn highest(&self, group: Group) -> Level {
        use Level::{
            Active, Assisted, Ballistic, Eccentric, Isometric, None, Passive, Resisted,
            ResistedLight,
        };
        [
            Ballistic,
            Eccentric,
            Resisted,
            ResistedLight,
            Isometric,
            Active,
            Assisted,
            Passive,
        ]
        .into_iter()
        .find(|l| self.permits(group, *l))
        .unwrap_or(None)
    }

    /// Highest effort of `group` in percent: of the pathway and of every modifier.
    pub fn effort_max_pct(&self, group: Group) -> Option<u32> {
        let own = self.row.effort_max_pct.get(&group).copied();
        own.into_iter()
            .chain(self.caps_of(group).filter_map(|cap| cap.effort_max_pct))
            .min()
    }

    /// What modifiers leave to `group` on this day.
    fn caps_of(&self, group: Group) -> impl Iterator<Item = &CapRule> {
        self.caps
            .iter()
            .filter(move |cap| cap.group == group && self.day < cap.until_day)
    }
}

/// A forbidden position in days.
#[derive(Debug, Clone, PartialEq)]
pub struct ForbiddenRule {
    /// Wording key.
    pub id: String,
    /// Holds before this day.
    pub until_day: EpisodeDay,
    pub(super) all: Vec<AngleTest>,
    /// Exercises with any of these features.
    pub tags: Vec<String>,
}

impl ForbiddenRule {
    /// Whether the path takes the position anywhere, between its frames too.
    pub fn touches(&self, track: &Track) -> bool {
        let depth = |pose: &ArmPose| {
            let within = self.all.iter().map(|test| test.depth_deg(pose));
            within.fold(f64::INFINITY, f64::min) - HAIR_DEG
        };
        !self.all.is_empty() && track.passes_nought(depth)
    }
}

/// A precaution in days.
#[derive(Debug, Clone, PartialEq)]
pub struct PrecautionRule {
    /// Wording key.
    pub id: String,
    /// First day.
    pub from_day: EpisodeDay,
    /// The day after the last.
    pub until_day: EpisodeDay,
}

/// Sling wear in days.
#[derive(Debug, Clone, PartialEq)]
pub struct SlingRule {
    /// Wording key.
    pub id: String,
    /// Day and night before this day.
    pub day_and_night_until: EpisodeDay,
    /// At night before this day.
    pub nights_until: EpisodeDay,
}

/// A milestone in days.
#[derive(Debug, Clone, PartialEq)]
pub struct MilestoneRule {
    /// Wording key.
    pub id: String,
    /// The day by which it is expected.
    pub day: EpisodeDay,
    /// Quantity id, where it is a measured range.
    pub quantity: Option<String>,
    /// Strength test id, where it is a force in percent of the other side.
    pub strength: Option<String>,
    /// The value expected.
    pub at_least: Option<f64>,
}

/// A gate in days.
#[derive(Debug, Clone, PartialEq)]
pub struct GateRule {
    /// Gate id.
    pub id: String,
    /// The phase it closes.
    pub from_phase: u32,
    /// The day it opens; without a healing clock, the typical one.
    pub opens_day: EpisodeDay,
    /// Whether it may not be passed earlier.
    pub holds_time: bool,
    /// What must hold besides time.
    pub criteria: Vec<Criterion>,
}

/// A watch in days.
#[derive(Debug, Clone, PartialEq)]
pub struct WatchRule {
    /// From this day on.
    pub from_day: EpisodeDay,
    /// Before this day.
    pub until_day: EpisodeDay,
    /// What it says.
    pub row: Watch,
}

/// Who may open a class of exercises.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub enum Lock {
    /// Time and criteria.
    Open,
    /// Only a clinician, with a reason.
    Clinician,
    /// Nobody in this pathway.
    Never,
}

/// When a class of exercises opens, and whose rule that is.
#[derive(Debug, Clone, PartialEq)]
pub struct ClassRule {
    /// First day.
    pub opens_day: EpisodeDay,
    /// Who may open it.
    pub lock: Lock,
    /// Pathway or modifier id.
    pub whose: String,
}

/// What was chosen for a shoulder.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Choices {
    /// Modifier ids.
    pub modifiers: Vec<String>,
    /// School ids by question.
    pub schools: BTreeMap<String, String>,
    /// Weeks by which general health delays strength.
    pub strength_delay_weeks: i32,
}

/// The rules of one shoulder.
#[derive(Debug, Clone)]
pub struct Rules {
    /// Pathway id.
    pub id: String,
    /// The id under which other rows know it: its own, or that of the pathway it was copied from.
    pub column: String,
    /// The date of day 0, where the rules are those of a shoulder; dated limits count from it.
    pub day0: Option<chrono::NaiveDate>,
    /// What heals by the calendar.
    pub clock: HealingClock,
    /// Whether the shoulder slips as a rule.
    pub loose: bool,
    /// The day on which the pathway ends as a rule.
    pub end_day: EpisodeDay,
    /// Days that a phase takes at least.
    pub least_stay_days: EpisodeDay,
    /// Days within which a gate that is due is expected.
    pub gate_due_days: EpisodeDay,
    /// Most days a week with slow lowering or quick work.
    pub resisted_days_per_week: u32,
    /// Most seconds of isometric holding of one direction in a session, where a school holds in its own pieces.
    pub hold_most_s: u32,
    /// Single repetitions of one session at most.
    pub single_repetitions: u32,
    /// The longest hold that a highly irritable shoulder begins with, in seconds.
    pub irritable_hold_s: u32,
    /// Phases in order.
    pub phases: Vec<PhaseRule>,
    /// Corridors in the pathway's order.
    pub corridors: Vec<CorridorRule>,
    /// Forbidden positions.
    pub forbidden: Vec<ForbiddenRule>,
    /// Precautions.
    pub precautions: Vec<PrecautionRule>,
    /// Sling wear.
    pub sling: Option<SlingRule>,
    /// Milestones by day.
    pub milestones: Vec<MilestoneRule>,
    /// Gates in order.
    pub gates: Vec<GateRule>,
    /// What is watched for besides the common rules.
    pub watches: Vec<WatchRule>,
    /// What the schools say.
    pub style: Style,
    /// The schools that hold: question and school.
    pub schools: Vec<(String, String)>,
    /// What is said of the chosen schools: one that does not hold and why, one that only bridges the days until an assessment.
    pub of_schools: Vec<Reason>,
    pub(super) allowances: Vec<(EpisodeDay, Allowance)>,
    pub(super) caps: Vec<CapRule>,
    pub(super) classes: BTreeMap<String, ClassRule>,
    pub(super) pain: Steps<PainRule>,
    pub(super) turning: Vec<EpisodeDay>,
    pub(super) opens: BTreeMap<String, (u32, bool)>,
}

impl Rules {
    /// Whether something here heals by the calendar and is protected meanwhile.
    pub fn protects(&self) -> bool {
        self.clock != HealingClock::None
    }

    /// The corridor of a quantity.
    pub fn corridor(&self, quantity: &str) -> Option<&CorridorRule> {
        self.corridors.iter().find(|c| c.id == quantity)
    }

    /// What is permitted on `day`.
    pub fn allowance(&self, day: EpisodeDay) -> Option<AllowanceRule<'_>> {
        let (from_day, row) = self
            .allowances
            .iter()
            .rev()
            .find(|(from, _)| day >= *from)?;
        Some(AllowanceRule {
            from_day: *from_day,
            row,
            caps: &self.caps,
            day,
        })
    }

    /// The first day after `day` on which a muscle group may work at a level: by the pathway and by every modifier. `None` when that
    /// never comes in this pathway.
    pub fn permitted_from(
        &self,
        group: Group,
        level: Level,
        day: EpisodeDay,
    ) -> Option<EpisodeDay> {
        let rows = self.allowances.iter().map(|(from, _)| *from);
        let caps = self.caps.iter().map(|cap| cap.until_day);
        let mut days: Vec<EpisodeDay> = rows.chain(caps).filter(|from| *from > day).collect();
        days.sort_unstable();
        let permits = |day: &EpisodeDay| {
            let allowance = self.allowance(*day);
            allowance.is_some_and(|a| a.permits(group, level))
        };
        days.into_iter().find(permits)
    }

    /// The phase with this number.
    pub fn phase(&self, number: u32) -> Option<&PhaseRule> {
        self.phases.iter().find(|p| p.number == number)
    }

    /// The phase in which an exercise opens.
    pub fn opening_phase(&self, exercise: &str) -> Option<&PhaseRule> {
        self.opens
            .get(exercise)
            .and_then(|(number, _)| self.phase(*number))
    }

    /// Whether only a clinician opens an exercise.
    pub fn clinician_opens(&self, exercise: &str) -> bool {
        self.opens.get(exercise).is_some_and(|(_, locked)| *locked)
    }

    /// The gate that closes a phase.
    pub fn gate_after(&self, phase: u32) -> Option<&GateRule> {
        self.gates.iter().find(|g| g.from_phase == phase)
    }

    /// When a class of exercises opens; `None` where the class says nothing about this pathway.
    pub fn class(&self, class: &str) -> Option<&ClassRule> {
        self.classes.get(class)
    }

    /// How much pain is tolerated on `day`; nothing where the pathway says nothing.
    pub fn pain(&self, day: EpisodeDay) -> PainRule {
        self.pain.at(day.max(0)).copied().unwrap_or(PainRule {
            max: 0.0,
            settles_h: None,
        })
    }

    /// Pain above this is outside the mode on `day` during `exercise` (0 to 10): quick work has a bound of its own.
    pub fn pain_max(&self, known: &Knowledge, exercise: Option<&Exercise>, day: EpisodeDay) -> f64 {
        let max = self.pain(day).max;
        if exercise.is_some_and(|e| e.hardest() == Level::Ballistic) {
            max.min(known.threshold("quick-work-pain-max"))
        } else {
            max
        }
    }

    /// Days on which some rule changes, ascending.
    pub fn turning_days(&self) -> &[EpisodeDay] {
        &self.turning
    }

    pub(super) fn worked_turning_days(&self) -> BTreeSet<EpisodeDay> {
        let mut days: BTreeSet<EpisodeDay> = self.allowances.iter().map(|(day, _)| *day).collect();
        days.extend(self.caps.iter().map(|cap| cap.until_day));
        days.extend(self.forbidden.iter().map(|f| f.until_day));
        days.extend(
            self.corridors
                .iter()
                .flat_map(|c| c.ceilings.steps.iter().map(|s| s.0)),
        );
        days.extend(self.classes.values().map(|c| c.opens_day));
        days.extend(self.phases.iter().map(|p| p.earliest_day));
        days
    }
}
