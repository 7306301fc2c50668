//! The follow-up on one page, and the context every rule reads.

use crate::calendar::{Clock, EpisodeDay};
use crate::deciding::{LineDecision, Move, decide};
use crate::episode::OtherSide;
use crate::episode::{
    ExamFact, ExamNote, Facts, Injected, Line, LineStep, LogEntry, LogFact, SurgeonLimit,
    TryOutWord,
};
use crate::flags::{FlagState, FlagView, flag_views};
use crate::knowledge::{HealingClock, Knowledge};
use crate::program::{
    BuildAsk, CheckContext, CorridorView, PhaseSpan, PrecautionSpan, Proposal, Rules, Volume,
    build, corridor_views, expected, plan_chart, reached_phase, running_lines, scheduled_lines,
    volume,
};
use crate::progress::{GateView, adherence, adherence_pct, next_gate};
use crate::ranges::{Breach, Dial, dials, open_breaches};
use crate::reading::{Irritability, impairments, irritability};
use crate::reason::Reason;
use crate::watching::{WatchView, watch_views};
use serde::{Deserialize, Serialize};

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
    /// All flags.
    pub flags: Vec<FlagView>,
    /// Open breaches of a ceiling.
    pub breaches: Vec<Breach>,
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
            flags: Vec::new(),
            breaches: Vec::new(),
            open: Vec::new(),
            breached: Vec::new(),
            not_asked: 0,
            phase,
            injected: newest_steroid(facts),
        };
        let breaches = open_breaches(&out.ctx(), facts);
        out.breached = breaches.iter().map(|b| b.quantity.clone()).collect();
        out.breaches = breaches;
        let flags = flag_views(&out.ctx(), facts);
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
            limits: &self.facts.limits,
            open_flags: &self.open,
            breaches: &self.breached,
            flags_not_asked: self.not_asked,
            // Where nothing heals by the calendar, and after a mere sprain, nobody else has to let go first.
            cleared: self.facts.story.clearance.is_some()
                || matches!(self.rules.clock, HealingClock::None | HealingClock::Sprain),
            phase: self.phase,
            today: self.facts.day(),
            helper_heals: self.facts.other_side_heals(),
            mass_kg: self.facts.story.mass_kg,
            helper_protected: self.facts.story.other_side == OtherSide::Operated
                || self.facts.other_side_heals(),
            kit: &self.facts.story.kit,
            injected_day: self.injected,
            quick_caution: (self.known.health.iter())
                .find(|h| h.quick_caution && self.facts.story.health.contains(&h.id))
                .map(|h| h.id.as_str()),
            planning: false,
        }
    }
}

impl Assessment<'_> {
    /// What the builder proposes from today on.
    pub fn propose(&self, seed: uuid::Uuid) -> Proposal {
        self.propose_over(&expected(&self.ctx(), self.facts), seed)
    }

    /// What the builder proposes for somebody who does little: few exercises in few minutes, whatever runs now.
    pub fn propose_short(&self, seed: uuid::Uuid) -> Proposal {
        let few = |id: &str| self.known.threshold(id);
        // Nothing keeps its place only because it was there: what matters most is chosen anew.
        let mut current = self.facts.lines.clone();
        current.iter_mut().for_each(|line| line.by_hand = false);
        let minutes = few("short-plan-minutes").min(self.facts.minutes_left().unwrap_or(f64::MAX));
        let few = (minutes.floor() as u32, few("short-plan-exercises") as usize);
        let spans = expected(&self.ctx(), self.facts);
        self.propose_with(&spans, seed, &current, Some(few))
    }

    /// What the builder proposes over given phases.
    pub fn propose_over(&self, spans: &[PhaseSpan], seed: uuid::Uuid) -> Proposal {
        self.propose_with(spans, seed, &self.facts.lines, None)
    }

    fn propose_with(
        &self,
        spans: &[PhaseSpan],
        seed: uuid::Uuid,
        current: &[Line],
        few: Option<(u32, usize)>,
    ) -> Proposal {
        let ctx = self.ctx();
        let impaired = impairments(&ctx, self.facts);
        let mut irritable = irritability(&ctx, self.facts);
        let low = (ctx.known.health.iter())
            .any(|h| h.starts_low && self.facts.story.health.contains(&h.id));
        if low {
            irritable.level = irritable.level.max(Irritability::Moderate);
        }
        // Nothing answered says nothing about a shoulder whose clock rules anyway.
        let mut ask = BuildAsk::of(self.facts, spans, &impaired, irritable.level, seed);
        ask.current = current;
        if let Some((minutes, lines)) = few {
            ask.minutes_per_day = Some(minutes);
            ask.max_lines = Some(lines);
        }
        build(&ctx, &ask)
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
    let over_70 = crate::calendar::age_years(facts.birth, facts.today).is_some_and(|age| age > 70);
    known
        .health
        .iter()
        .filter(|h| facts.story.health.contains(&h.id) || (over_70 && h.id == "age-over-70"))
        .map(|h| h.strength_delay_weeks)
        .max()
        .unwrap_or(0)
}

/// The visit page.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct VisitView {
    /// Weeks and days.
    pub clock: Clock,
    /// Phase reached, by id.
    pub phase: Option<String>,
    /// All flags.
    pub flags: Vec<FlagView>,
    /// Limits whose end has come and waits for one key.
    pub limits_to_confirm: Vec<SurgeonLimit>,
    /// Precautions of today.
    pub precautions: Vec<PrecautionSpan>,
    /// Dials, in order; those due first come to the page.
    pub dials: Vec<Dial>,
    /// Corridors with measurements.
    pub corridors: Vec<CorridorView>,
    /// The next gate.
    pub gate: Option<GateView>,
    /// The log of the last 14 days, newest first.
    pub log: Vec<LogEntry>,
    /// Share of the planned sessions done over 14 days, where anything was logged.
    pub adherence_pct: Option<f64>,
    /// Share of the planned sessions of which anything is known.
    pub known_pct: Option<f64>,
    /// Exercises that run today and were never tried out in the room: nothing new goes home untried.
    pub untried: Vec<String>,
    /// What today's facts call for.
    pub calls: Vec<Reason>,
    /// Measurements above their ceiling that nobody has dealt with.
    pub breaches: Vec<Breach>,
    /// What the pathway watches for at this time.
    pub watches: Vec<WatchView>,
    /// What to do with each exercise, the gravest first.
    pub decisions: Vec<LineDecision>,
    /// Why a short plan is offered: too little is done, and nothing else keeps the program from going on.
    pub short_plan: Option<Reason>,
    /// Exercises that a stop has paused, until somebody resumes them.
    pub paused: Vec<LineStep>,
    /// What today's exercises add up to.
    pub volume: Volume,
}

/// Works out the visit page.
pub fn visit_view(assessment: &Assessment) -> VisitView {
    let (ctx, facts) = (assessment.ctx(), assessment.facts);
    let day = facts.day();
    let all = dials(&ctx, facts);
    let mut log: Vec<LogEntry> = facts
        .log
        .iter()
        .filter(|e| day - facts.day_of(e.on) < 14)
        .cloned()
        .collect();
    log.reverse();
    let decisions = decide(&ctx, facts);
    VisitView {
        clock: Clock::at(day),
        phase: assessment.rules.phase(ctx.phase).map(|p| p.id.clone()),
        flags: assessment.flags.clone(),
        limits_to_confirm: facts
            .limits
            .iter()
            .filter(|l| {
                let asks = l.until_day.into_iter().chain(l.ask_again_day).min();
                l.ended_on.is_none() && asks.is_some_and(|from| day >= from)
            })
            .cloned()
            .collect(),
        precautions: plan_chart(&ctx, facts)
            .precautions
            .into_iter()
            .filter(|p| (p.from_day..p.to_day).contains(&day))
            .collect(),
        untried: untried(&ctx, facts),
        calls: all.iter().flat_map(|d| d.calls.clone()).collect(),
        breaches: assessment.breaches.clone(),
        watches: watch_views(&ctx, facts),
        dials: all,
        corridors: corridor_views(&ctx, facts),
        gate: next_gate(&ctx, facts),
        log,
        adherence_pct: adherence_pct(&ctx, facts, 14),
        known_pct: adherence(&ctx, facts, 14).map(|a| a.known_pct),
        short_plan: short_plan(&ctx, &decisions),
        decisions,
        paused: scheduled_lines(&ctx, facts, day)
            .iter()
            .filter_map(|l| facts.paused(&l.exercise).cloned())
            .collect(),
        volume: volume(
            &ctx,
            &running_lines(&ctx, facts, day),
            facts.minutes_left().map(|m| m.floor() as u32),
        ),
    }
}

/// Offered when too little is done and that is all that holds: where a stop, pain or something unknown speaks, that comes first.
///
/// Source: common practice, no published source.
fn short_plan(ctx: &CheckContext, decisions: &[LineDecision]) -> Option<Reason> {
    let little = decisions.iter().find(|d| d.rule.rule == "hold-adherence")?;
    let other = |d: &LineDecision| d.kind < Move::HoldUnknown;
    if decisions.iter().any(other) {
        return None;
    }
    let mut reason = Reason::new("short-plan")
        .with("count", ctx.known.threshold("short-plan-exercises"))
        .with("minutes", ctx.known.threshold("short-plan-minutes"));
    for name in ["percent", "least"] {
        if let Some(value) = little.rule.args.get(name) {
            reason.args.insert(name.to_owned(), value.clone());
        }
    }
    Some(reason)
}

/// Exercises that run today, were never tried out clean or with faults to watch, and have not been done at home before.
///
/// Source: common practice, no published source.
pub fn untried(ctx: &CheckContext, facts: &Facts) -> Vec<String> {
    let tried = |id: &str| {
        let last = facts.exam_notes.iter().rev().find_map(|n| match &n.fact {
            ExamFact::TryOut { exercise, went } if exercise == id => Some(*went),
            _ => None,
        });
        matches!(last, Some(TryOutWord::Clean | TryOutWord::Faults))
    };
    let done = |id: &str| {
        facts.log.iter().any(|e| {
            e.exercise.as_deref() == Some(id)
                && matches!(e.fact, LogFact::Done { sessions, .. } if sessions > 0)
        })
    };
    running_lines(ctx, facts, facts.day())
        .iter()
        .map(|l| l.exercise.clone())
        .filter(|id| !tried(id) && !done(id))
        .collect()
}
