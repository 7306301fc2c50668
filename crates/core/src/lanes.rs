//! Which lane of the day's work a patient is in, and the one-line reason.

use crate::assessment::Assessment;
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::deciding::{LineDecision, Move, decide};
use crate::facts::{Facts, Line, LogFact};
use crate::flags::{FlagState, FlagView};
use crate::knowledge::{Knowledge, WatchAct};
use crate::progress::{CriterionStatus, GateView, next_gate, watch_views};
use crate::ranges::{CorridorView, calls, corridor_view, is_due};
use crate::reason::Reason;
use crate::rules::{Ceiling, ceiling_on};
use serde::{Deserialize, Serialize};

/// The lanes, most pressing first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LaneName {
    /// A flag is open, a slip was felt, pain is outside its mode.
    SomethingIsWrong,
    /// A measurement lies above its ceiling.
    TooFar,
    /// A gate's time has come.
    GateDue,
    /// A measurement lies below its floor.
    TooStiff,
    /// Measurements are missing or out of date.
    ReMeasure,
    /// Nothing to decide.
    Quiet,
}

/// A patient's place in the day's work.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Lane {
    /// The lane.
    pub lane: LaneName,
    /// The rule that put the patient here, with its numbers.
    pub reason: Reason,
    /// The next gate, with how many of its criteria are met.
    pub next_gate: Option<NextGate>,
    /// The corridor behind the reason (elevation, where nothing else is).
    pub corridor: Option<CorridorView>,
}

/// The next gate in short.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct NextGate {
    /// Gate id.
    pub gate: String,
    /// The day it opens.
    pub opens_day: i32,
    /// Criteria met.
    pub met: usize,
    /// Of how many.
    pub total: usize,
}

/// Works out the lane.
///
/// Order: red flags and slips outrank everything, then too far, a gate that is due, too stiff, re-measure.
/// Source: our choice, because harm comes before delay.
pub fn lane(assessment: &Assessment) -> Lane {
    let (ctx, facts) = (&assessment.ctx(), assessment.facts);
    let gate = next_gate(ctx, facts);
    let quantities = ctx.known.quantities.iter();
    let called: Vec<(&str, Vec<Reason>)> = quantities
        .map(|q| (q.id.as_str(), calls(ctx, facts, &q.id)))
        .collect();
    let spoken = |rule: &str, counts: &dyn Fn(&str) -> bool| {
        let told = called.iter().filter(|(q, _)| counts(q));
        told.flat_map(|(_, told)| told)
            .find(|r| r.rule == rule)
            .cloned()
    };
    let any = |_: &str| true;
    let with_corridor = |q: &str| ctx.rules.corridor(q).is_some();
    let decisions = if facts.lines.is_empty() {
        Vec::new()
    } else {
        decide(ctx, facts)
    };
    let watches = watch_views(ctx, facts);
    let watched = |acts: &[WatchAct]| {
        watches
            .iter()
            .find(|w| w.speaks && acts.contains(&w.act))
            .map(|w| w.reason("lane-watch"))
    };
    let flags = &assessment.flags;
    // While an answer is waited for everything is paused, and the stops say no more than that.
    let waits = flags.iter().find(|f| f.open());
    let paused = flags.iter().any(FlagView::open);
    let (name, reason) = if let Some(reason) = wrong(ctx, facts, flags, spoken("range-lost", &any))
        .or_else(|| grave(&decisions).filter(|_| !paused))
        .or_else(|| watched(&[WatchAct::Back, WatchAct::Hold, WatchAct::Tell]))
    {
        (LaneName::SomethingIsWrong, reason)
    } else if let Some(breach) = assessment.breaches.first() {
        (LaneName::TooFar, breach.reason.clone())
    } else if let Some(flag) = waits {
        // Nothing can be passed or built before the answer comes.
        let mut reason = Reason::new("lane-flag-waits").with("flag", flag.flag.as_str());
        if let Some(back) = flag.back_on {
            reason = reason.with("back_day", facts.day_of(back));
        }
        (LaneName::ReMeasure, reason)
    } else if let Some(reason) = gate.as_ref().filter(|g| g.due).map(|g| {
        let rule = if g.status == CriterionStatus::Met {
            "lane-gate-ready"
        } else {
            "lane-gate-due"
        };
        Reason::new(rule)
            .with("gate", g.gate.as_str())
            .with("met", g.met as f64)
            .with("total", g.total as f64)
    }) {
        (LaneName::GateDue, reason)
    } else if let Some(reason) = spoken("active-beyond-passive", &any) {
        // Active beyond passive: measured again before anything rests on it, so never quiet.
        (LaneName::ReMeasure, reason)
    } else if let Some(reason) = spoken("measurement-below-floor", &with_corridor) {
        (LaneName::TooStiff, reason)
    } else if let Some(reason) = watched(&[WatchAct::Review])
        .or_else(|| due(ctx, facts, gate.as_ref()))
        .or_else(|| silent(ctx, facts))
    {
        (LaneName::ReMeasure, reason)
    } else {
        (LaneName::Quiet, quiet(ctx, facts, &decisions))
    };
    let shown = match reason.args.get("quantity") {
        Some(crate::reason::Arg::Text(quantity)) => quantity.clone(),
        _ => "passive-elevation".to_owned(),
    };
    Lane {
        lane: name,
        reason,
        next_gate: gate.map(|g| NextGate {
            gate: g.gate,
            opens_day: g.opens_day,
            met: g.met,
            total: g.total,
        }),
        // Too small to say where it is heading; what would change with every day is left out.
        corridor: (ctx.known.quantity(&shown)).and_then(|q| corridor_view(ctx, facts, q)),
    }
}

/// The first day after today on which the lane says something else although nothing new becomes known; at most `most` days ahead.
///
/// A gate opens, a limit or a measurement runs out, a window leaves a bad day behind: rather than listing such days, the lane is
/// worked out for each day to come, so nothing can be forgotten. Until that day it need not be worked out again. A flag that a rule
/// raises counts as something else to say, since what is raised must be kept on its own day, even where the lane stays as it was.
pub fn next_change(known: &Knowledge, facts: &Facts, now: &Lane, most: u32) -> chrono::NaiveDate {
    let raised = |assessment: &Assessment| -> Vec<(String, String)> {
        let derived = assessment.derived.iter();
        derived.map(|d| (d.flag.clone(), d.key.clone())).collect()
    };
    let today = Assessment::new(known, facts).map(|a| raised(&a));
    let mut later = facts.clone();
    for _ in 0..most {
        let Some(day) = later.today.succ_opt() else {
            break;
        };
        later.today = day;
        let Some(then) = Assessment::new(known, &later) else {
            break;
        };
        if lane(&then) != *now || Some(raised(&then)) != today {
            break;
        }
    }
    later.today
}

/// An exercise that is to stop or to step back.
fn grave(decisions: &[LineDecision]) -> Option<Reason> {
    let first = decisions
        .iter()
        .find(|d| matches!(d.kind, Move::Stop | Move::StepBack))?;
    let n = decisions
        .iter()
        .filter(|d| matches!(d.kind, Move::Stop | Move::StepBack))
        .count();
    Some(
        Reason::new("lane-step-back")
            .with("count", n as f64)
            .with("exercise", first.exercise.as_str()),
    )
}

/// Nothing presses; what may go on is told.
fn quiet(ctx: &CheckContext, facts: &Facts, decisions: &[LineDecision]) -> Reason {
    let ready = decisions
        .iter()
        .filter(|d| matches!(d.kind, Move::ProgressDose | Move::NextRung))
        .count();
    if ready > 0 {
        return Reason::new("lane-steps-ready").with("count", ready as f64);
    }
    Reason::new(if facts.operated() || !ctx.rules.phases.is_empty() {
        "lane-quiet"
    } else {
        "lane-examined"
    })
}

/// What outranks everything: an open flag, a slip felt lately, a range that was `lost`.
fn wrong(
    ctx: &CheckContext,
    facts: &Facts,
    flags: &[FlagView],
    lost: Option<Reason>,
) -> Option<Reason> {
    if let Some(open) = flags.iter().find(|f| f.presses()) {
        let rule = match open.state {
            FlagState::Queried => "lane-flag-queried",
            FlagState::ActedOn => "lane-flag-back",
            _ => "lane-flag-open",
        };
        return Some(Reason::new(rule).with("flag", open.flag.as_str()));
    }
    let window = ctx.known.threshold("recent-trouble-days") as i32;
    let recent = |on: chrono::NaiveDate| (0..window).contains(&(facts.day() - facts.day_of(on)));
    let trouble = ctx
        .log
        .slips(facts)
        .rev()
        .filter(|e| recent(e.on))
        .find_map(|e| match e.fact {
            LogFact::Slip | LogFact::SlipWorse { .. } => {
                Some(Reason::new("lane-slip").with("day", facts.day_of(e.on)))
            }
            _ => None,
        });
    trouble.or(lost)
}

fn due(ctx: &CheckContext, facts: &Facts, gate: Option<&GateView>) -> Option<Reason> {
    if ctx.rules.phases.is_empty() {
        let age = facts
            .findings
            .iter()
            .map(|f| f.on)
            .chain(facts.measurements.iter().map(|r| r.on))
            .max()
            .map(|on| facts.day() - facts.day_of(on));
        return match age {
            None => Some(Reason::new("lane-not-examined")),
            Some(days) if f64::from(days) > ctx.known.threshold("finding-max-age-days") => {
                Some(Reason::new("lane-examined-long-ago").with("days", days))
            }
            Some(_) => None,
        };
    }
    let corridor = ctx
        .known
        .quantities
        .iter()
        .filter(|q| ctx.rules.corridor(&q.id).is_some())
        .filter(|q| {
            ceiling_on(ctx.rules, ctx.limits, &q.id, facts.day(), facts.day()).ceiling
                != Ceiling::NoneAllowed
        })
        .filter(|q| q.kept_up)
        .find(|q| is_due(ctx, facts, q))
        .map(|q| {
            let last = facts
                .operated_measurements(&q.id)
                .next_back()
                .map(|r| facts.day_of(r.on));
            match last {
                Some(day) => Reason::new("lane-out-of-date")
                    .with("quantity", q.id.as_str())
                    .with("day", day),
                None => Reason::new("lane-never-measured").with("quantity", q.id.as_str()),
            }
        });
    corridor.or_else(|| gate_wants(ctx, facts, gate))
}

/// A week without a word from a telephone that was let in, while there is something to do at home: nobody knows how it goes.
///
/// Who tells at visits only is not asked. Source: our choice.
fn silent(ctx: &CheckContext, facts: &Facts) -> Option<Reason> {
    let since = facts.phone_since?;
    let told = facts.log.iter().map(|entry| entry.on);
    let last = facts.day_of(told.chain([since]).max().unwrap_or(since));
    let most = ctx.known.threshold("home-silent-days") as EpisodeDay;
    let asked = |line: &Line| (line.from_day.max(last)..line.to_day).contains(&facts.day());
    (facts.day() - last >= most && facts.lines.iter().any(asked))
        .then(|| Reason::new("lane-silent").with("day", last))
}

/// Without a healing clock the next gate says what is to be measured, from so many days before its usual day on.
///
/// Source: our choice, because there criteria alone move a phase, and nobody can meet what nobody measures.
fn gate_wants(ctx: &CheckContext, facts: &Facts, gate: Option<&GateView>) -> Option<Reason> {
    let before = ctx.known.threshold("gate-wants-days") as EpisodeDay;
    let gate = gate.filter(|g| g.typical && facts.day() >= g.opens_day - before)?;
    let missing = gate.criteria.iter().filter(|c| {
        matches!(
            c.status,
            CriterionStatus::NotMeasured | CriterionStatus::OutOfDate
        )
    });
    let count = missing
        .filter(|c| {
            !["asks-attested", "asks-count", "asks-sessions-done"].contains(&c.asks.rule.as_str())
        })
        .count();
    (count > 0).then(|| {
        Reason::new("lane-gate-unmeasured")
            .with("gate", gate.gate.as_str())
            .with("count", count as f64)
    })
}
