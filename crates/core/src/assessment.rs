//! Facts, rules and flags of one shoulder, put together once and read by everything above.

use crate::calendar::EpisodeDay;
use crate::context::{CheckContext, LogIndex};
use crate::facts::{ExamFact, ExamNote, Facts, Injected, OtherSide};
use crate::flags::{Derived, FlagState, FlagView, derived_flags, flag_views};
use crate::knowledge::{HealingClock, HealthItem, Knowledge};
use crate::ranges::{Breach, open_breaches};
use crate::rules::{Rules, reached_phase};

/// The context of the checks, with what it borrows from.
///
/// Red flags are evaluated first, because they outrank everything else.
#[derive(Debug)]
pub struct Assessment<'a> {
    /// All knowledge.
    pub known: &'a Knowledge,
    /// The rules of this shoulder.
    pub rules: Rules,
    /// The facts.
    pub facts: &'a Facts,
    /// What is on record that raises a flag by itself.
    pub derived: Vec<Derived>,
    /// All flags.
    pub flags: Vec<FlagView>,
    /// Open breaches of a ceiling.
    pub breaches: Vec<Breach>,
    log: LogIndex,
    open: Vec<String>,
    breached: Vec<String>,
    not_asked: usize,
    phase: u32,
    injected: Option<EpisodeDay>,
}

impl<'a> Assessment<'a> {
    /// Puts facts and knowledge together; `None` when the story's pathway is not known.
    pub fn new(known: &'a Knowledge, facts: &'a Facts) -> Option<Self> {
        let pathway = known.pathways.get(&facts.story.pathway)?;
        let rules = Rules::of(known, pathway, facts, strength_delay_weeks(known, facts));
        let phase = reached_phase(&rules, facts);
        let mut out = Assessment {
            known,
            rules,
            facts,
            derived: Vec::new(),
            flags: Vec::new(),
            breaches: Vec::new(),
            log: LogIndex::of(facts),
            open: Vec::new(),
            breached: Vec::new(),
            not_asked: 0,
            phase,
            injected: newest_steroid(facts),
        };
        let breaches = open_breaches(&out.ctx(), facts);
        out.breached = breaches.iter().map(|b| b.quantity.clone()).collect();
        out.breaches = breaches;
        out.derived = derived_flags(&out.ctx(), facts);
        let flags = flag_views(&out.ctx(), facts, &out.derived);
        out.open = flags
            .iter()
            .filter(|f| f.open())
            .map(|f| f.flag.clone())
            .collect();
        out.not_asked = flags
            .iter()
            .filter(|f| f.state == FlagState::NotAsked)
            .count();
        out.flags = flags;
        Some(out)
    }

    /// The context of the checks.
    pub fn ctx(&self) -> CheckContext<'_> {
        CheckContext {
            known: self.known,
            rules: &self.rules,
            log: &self.log,
            limits: &self.facts.limits,
            open_flags: &self.open,
            breaches: &self.breached,
            flags_not_asked: self.not_asked,
            // Where nothing heals by the calendar, and after a mere sprain, nobody else has to let go first.
            cleared: self.facts.story.clearance.is_some()
                || matches!(self.rules.clock, HealingClock::None | HealingClock::Sprain),
            phase: self.phase,
            today: self.facts.day(),
            helper_heals: self
                .facts
                .other_side_heals(self.known.threshold("helper-heals-days")),
            mass_kg: self.facts.story.mass_kg,
            helper_protected: self.facts.story.other_side == OtherSide::Operated
                || self
                    .facts
                    .other_side_heals(self.known.threshold("helper-heals-days")),
            kit: &self.facts.story.kit,
            injected_day: self.injected,
            quick_caution: (self.known.health.iter())
                .find(|h| h.quick_caution && self.facts.story.health.contains(&h.id))
                .map(|h| h.id.as_str()),
            health: &self.facts.story.health,
            planning: false,
        }
    }
}

/// The day of the newest steroid injection.
fn newest_steroid(facts: &Facts) -> Option<EpisodeDay> {
    let steroid = |n: &&ExamNote| {
        matches!(
            n.fact,
            ExamFact::Injection {
                what: Injected::Steroid
            }
        )
    };
    let days = facts.exam_notes.iter().filter(steroid);
    days.map(|n| facts.day_of(n.on)).max()
}

/// Weeks by which general health delays strength work: the longest single delay. Source: common practice, no published source.
pub fn strength_delay_weeks(known: &Knowledge, facts: &Facts) -> i32 {
    let age = crate::calendar::age_years(facts.birth, facts.today);
    let old_enough = |h: &HealthItem| h.above_age_years.is_some_and(|bound| age > Some(bound));
    known
        .health
        .iter()
        .filter(|h| facts.story.health.contains(&h.id) || old_enough(h))
        .map(|h| h.strength_delay_weeks)
        .max()
        .unwrap_or(0)
}
