//! Everything the plan chart shows, worked out: nothing is left to compute on the page.

use super::expected::{catching_up, expected};
use super::volume::{Volume, volume};
use crate::calendar::{Clock, EpisodeDay};
use crate::context::CheckContext;
use crate::facts::{Facts, Line};
use crate::knowledge::{HealingClock, Helper, Purpose, Weekdays};
use crate::progress::{GateView, evaluate_gate};
use crate::ranges::{CorridorView, corridor_views, measurement_view};
use crate::reason::Reason;
use crate::rules::{ForbiddenRule, PhaseSpan, reached_phase, released_from, schedule};
use crate::safety::{Verdict, check_line};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// A line of the chart with its verdict.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LineView {
    /// The line.
    pub line: Line,
    /// What it is for.
    pub purpose: Purpose,
    /// Ladder id.
    pub ladder: String,
    /// Rung on the ladder.
    pub rung: u32,
    /// The days of the week it is done on, Monday first.
    pub days: Weekdays,
    /// What helps or holds the arm.
    pub helper: Helper,
    /// What the schools say beside it, as wording keys.
    pub cues: Vec<String>,
    /// Time and volume.
    pub totals: DoseTotals,
    /// What the safety check says.
    pub verdict: Verdict,
}

/// Time and volume of a dose.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DoseTotals {
    /// Minutes of one session.
    pub minutes: f64,
    /// Repetitions in a week.
    pub weekly_repetitions: f64,
}

/// A gate as the chart draws it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GateMark {
    /// The day it stands on.
    pub day: EpisodeDay,
    /// Whether it was passed.
    pub passed: bool,
    /// Its criteria.
    pub view: GateView,
}

/// A precaution over days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PrecautionSpan {
    /// Wording key.
    pub id: String,
    /// First day.
    pub from_day: EpisodeDay,
    /// The day after the last.
    pub to_day: EpisodeDay,
}

/// Sling wear over days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SlingSpan {
    /// Wording key.
    pub id: String,
    /// Day and night before this day.
    pub day_and_night_until: EpisodeDay,
    /// Nights before this day.
    pub nights_until: EpisodeDay,
}

/// A milestone with whether it has been reached.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MilestoneView {
    /// Wording key.
    pub id: String,
    /// The day by which it is expected.
    pub day: EpisodeDay,
    /// Quantity id, where it is a measured one.
    pub quantity: Option<String>,
    /// A strength test, where it is a force in percent of the other side.
    #[serde(default)]
    pub strength: Option<String>,
    /// The value expected.
    pub at_least: Option<f64>,
    /// Whether a valid measurement has reached it.
    pub reached: Option<bool>,
}

/// The whole plan chart.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanChart {
    /// Today.
    pub today: Clock,
    /// Days the chart spans.
    pub end_day: EpisodeDay,
    /// Phases.
    pub phases: Vec<PhaseSpan>,
    /// Why the dates are later than the pathway's.
    #[serde(default)]
    pub waits: Option<Reason>,
    /// The phase reached, by number.
    pub phase: u32,
    /// Sling wear.
    pub sling: Option<SlingSpan>,
    /// Precautions.
    pub precautions: Vec<PrecautionSpan>,
    /// Corridors for elevation and external rotation first, then the others.
    pub corridors: Vec<CorridorView>,
    /// Exercise lines.
    pub lines: Vec<LineView>,
    /// Gates.
    pub gates: Vec<GateMark>,
    /// Milestones.
    pub milestones: Vec<MilestoneView>,
    /// What heals by the calendar.
    #[serde(default)]
    pub clock: HealingClock,
    /// The schools that hold, by question.
    #[serde(default)]
    pub schools: BTreeMap<String, String>,
    /// Modifiers that tighten.
    #[serde(default)]
    pub modifiers: Vec<String>,
    /// What the exercises of each phase add up to in a week of it.
    #[serde(default)]
    pub volumes: Vec<PhaseVolume>,
}

/// What runs in a phase, summed up on its middle day.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PhaseVolume {
    /// Phase number.
    pub phase: u32,
    /// The sums.
    pub volume: Volume,
}

/// Every precaution over days, shortened by the surgeon's releases.
pub fn precaution_spans(ctx: &CheckContext) -> Vec<PrecautionSpan> {
    ctx.rules
        .precautions
        .iter()
        .map(|p| PrecautionSpan {
            id: p.id.clone(),
            from_day: p.from_day,
            to_day: released_day(ctx, &p.id).map_or(p.until_day, |day| p.until_day.min(day)),
        })
        .filter(|p| p.to_day > p.from_day)
        .collect()
}

/// The day from which the surgeon's releases lift everything a precaution tells in words; none where it tells more.
fn released_day(ctx: &CheckContext, precaution: &str) -> Option<EpisodeDay> {
    let row = ctx.known.precautions.iter().find(|p| p.id == precaution)?;
    let mut told = (ctx.rules.forbidden.iter())
        .filter(|f| row.positions.contains(&f.id))
        .peekable();
    if !row.tags.is_empty() || told.peek().is_none() {
        return None;
    }
    let lifted = |f: &ForbiddenRule| {
        released_from(
            ctx.known, ctx.rules, ctx.limits, &f.id, ctx.today, ctx.today,
        )
    };
    told.map(lifted)
        .try_fold(0, |last, day| Some(last.max(day?)))
}

/// The plan chart of a program.
pub fn plan_chart(ctx: &CheckContext, facts: &Facts) -> PlanChart {
    let rules = ctx.rules;
    let phases = expected(ctx, facts);
    let lines = facts
        .lines
        .iter()
        .filter_map(|line| {
            let exercise = ctx.known.exercises.get(&line.exercise)?;
            Some(LineView {
                days: line.dose.days(),
                purpose: exercise.purpose,
                ladder: exercise.ladder.clone(),
                rung: exercise.rung,
                helper: exercise.helper,
                cues: rules
                    .style
                    .cues_of(exercise)
                    .into_iter()
                    .map(str::to_owned)
                    .collect(),
                totals: DoseTotals {
                    minutes: line.dose.minutes(ctx.known.pace()),
                    weekly_repetitions: line.dose.weekly_repetitions(ctx.known.pace()),
                },
                verdict: check_line(ctx, line),
                line: line.clone(),
            })
        })
        .collect();
    let gates = rules
        .gates
        .iter()
        .map(|gate| GateMark {
            day: phases
                .iter()
                .find(|p| p.number == gate.from_phase + 1)
                .map_or(gate.opens_day, |p| p.from_day),
            passed: facts.gate_passes.iter().any(|p| p.gate == gate.id),
            view: evaluate_gate(ctx, facts, gate),
        })
        .collect();
    let milestones = rules
        .milestones
        .iter()
        .map(|m| MilestoneView {
            id: m.id.clone(),
            day: m.day,
            quantity: m.quantity.clone(),
            strength: m.strength.clone(),
            at_least: m.at_least,
            reached: m
                .quantity
                .as_deref()
                .zip(m.at_least)
                .map(|(quantity, bound)| {
                    facts
                        .operated_measurements(quantity)
                        .any(|r| r.value >= bound && measurement_view(ctx, facts, r).usable())
                }),
        })
        .collect();
    PlanChart {
        today: Clock::at(ctx.today),
        end_day: phases
            .last()
            .map_or(rules.end_day, |p| p.to_day.max(rules.end_day)),
        phase: reached_phase(rules, facts),
        sling: rules.sling.as_ref().map(|s| SlingSpan {
            id: s.id.clone(),
            day_and_night_until: s.day_and_night_until,
            nights_until: s.nights_until,
        }),
        precautions: precaution_spans(ctx),
        corridors: corridor_views(ctx, facts),
        volumes: phases
            .iter()
            .filter(|p| p.to_day > ctx.today)
            .map(|p| {
                let middle = p.from_day.max(ctx.today).midpoint(p.to_day - 1);
                let runs: Vec<&Line> = facts
                    .lines
                    .iter()
                    .filter(|l| (l.from_day..l.to_day).contains(&middle))
                    .collect();
                PhaseVolume {
                    phase: p.number,
                    volume: volume(ctx, &runs, facts.story.minutes_per_day),
                }
            })
            .collect(),
        waits: catching_up(ctx, facts)
            .filter(|(day, _)| {
                let plain = schedule(rules, facts);
                plain.iter().any(|p| p.projected && p.from_day < *day)
            })
            .map(|(_, reason)| reason),
        phases,
        lines,
        gates,
        milestones,
        clock: rules.clock,
        schools: rules.schools.iter().cloned().collect(),
        modifiers: facts.story.modifiers.clone(),
    }
}
