//! What every rule looks at besides the exercise.

use super::log::LogIndex;
use crate::calendar::EpisodeDay;
use crate::facts::SurgeonLimit;
use crate::knowledge::Knowledge;
use crate::mechanics::Attitude;
use crate::rules::Rules;

/// What the check looks at besides the exercise.
#[derive(Debug, Clone, Copy)]
pub struct CheckContext<'a> {
    /// All knowledge.
    pub known: &'a Knowledge,
    /// The rules of this shoulder: its pathway with schools, modifiers and general health.
    pub rules: &'a Rules,
    /// The home log by exercise and day.
    pub log: &'a LogIndex,
    /// The surgeon's limits.
    pub limits: &'a [SurgeonLimit],
    /// Open red flags, by id.
    pub open_flags: &'a [String],
    /// Measurements above their ceiling that nobody has dealt with, by quantity: nothing that gains there goes on.
    pub breaches: &'a [String],
    /// Flag questions that were never asked.
    pub flags_not_asked: usize,
    /// The surgeon's go-ahead is on record.
    pub cleared: bool,
    /// The phase reached today.
    pub phase: u32,
    /// Today's episode day.
    pub today: EpisodeDay,
    /// The other arm is itself protected, so it cannot simply carry this one.
    pub helper_protected: bool,
    /// The other arm heals from an operation itself: it carries nothing.
    pub helper_heals: bool,
    /// Body mass in kilograms, where it is known.
    pub mass_kg: Option<f64>,
    /// What is at hand.
    pub kit: &'a [String],
    /// The day of the newest steroid injection.
    pub injected_day: Option<EpisodeDay>,
    /// General health in which quick work needs a reason, by id.
    pub quick_caution: Option<&'a str>,
    /// What is on record of general health, by id.
    pub health: &'a [String],
    /// True when a plan is judged: what waits for a gate is planned, and runs only once the gate is passed.
    pub planning: bool,
}

impl<'a> CheckContext<'a> {
    /// The context of a pathway alone, with nobody in it: everything let go, everything at hand, judged as a plan.
    pub fn of_pathway(
        known: &'a Knowledge,
        rules: &'a Rules,
        kit: &'a [String],
        phase: u32,
        today: EpisodeDay,
    ) -> Self {
        CheckContext {
            known,
            rules,
            log: LogIndex::nothing(),
            limits: &[],
            open_flags: &[],
            breaches: &[],
            flags_not_asked: 0,
            cleared: true,
            phase,
            today,
            helper_protected: false,
            helper_heals: false,
            mass_kg: None,
            kit,
            injected_day: None,
            quick_caution: None,
            health: &[],
            planning: true,
        }
    }

    /// What is on record that keeps this person from getting into an attitude, by id.
    pub fn keeps_from(&self, attitude: Attitude) -> Option<&'a str> {
        let rows = self.known.health.iter();
        let mut kept =
            rows.filter(|h| h.keeps_from.contains(&attitude) && self.health.contains(&h.id));
        kept.next().map(|h| h.id.as_str())
    }
}
