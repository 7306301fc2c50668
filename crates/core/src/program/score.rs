//! Everything the score shows, worked out: nothing is left to compute on the page.

use super::ceiling::{Band, band_view, ceiling_on};
use super::dose::{Volume, volume};
use super::safety::{CheckContext, Verdict, check_line};
use super::schedule::{PhaseSpan, reached_phase, schedule};
use crate::calendar::{Clock, PostOpDay};
use crate::episode::{Facts, Line};
use crate::exam::reading_view;
use crate::knowledge::{Comparison, CriterionKind, HealingClock, Helper, Purpose, Quantity, Unit};
use crate::progress::{GateView, evaluate_gate};
use crate::reading::measure_for;
use crate::trend::Trend;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Corridor of one quantity with the readings on it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CorridorView {
    /// Quantity id.
    pub quantity: String,
    /// Unit of the readings.
    pub unit: Unit,
    /// Usual reading of a healthy shoulder.
    pub reference: f64,
    /// Half-width of the measurement error.
    pub error: f64,
    /// Stretches of equal ceiling and floor.
    pub bands: Vec<Band>,
    /// Readings of the operated side.
    pub readings: Vec<CorridorDot>,
    /// Last reading of the other side.
    pub other_side: Option<f64>,
    /// Where it is heading, where enough readings say so.
    #[serde(default)]
    pub trend: Option<Trend>,
}

/// One reading on a corridor.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CorridorDot {
    /// Post-operative day.
    pub day: PostOpDay,
    /// In the quantity's unit.
    pub value: f64,
    /// Judged by the ceiling of its own date.
    pub over_ceiling: bool,
    /// Stopped at the permitted limit, so at least this much.
    pub at_limit: bool,
}

/// A line of the score with its verdict.
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
    /// What helps or holds the arm.
    pub helper: Helper,
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

/// A gate as the score draws it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GateMark {
    /// The day it stands on.
    pub day: PostOpDay,
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
    pub from_day: PostOpDay,
    /// The day after the last.
    pub to_day: PostOpDay,
}

/// Sling wear over days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SlingSpan {
    /// Wording key.
    pub id: String,
    /// Day and night before this day.
    pub day_and_night_until: PostOpDay,
    /// Nights before this day.
    pub nights_until: PostOpDay,
}

/// A milestone with whether it has been reached.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MilestoneView {
    /// Wording key.
    pub id: String,
    /// The day by which it is expected.
    pub day: PostOpDay,
    /// Quantity id, where it is a measured one.
    pub quantity: Option<String>,
    /// A strength test, where it is a force in percent of the other side.
    #[serde(default)]
    pub strength: Option<String>,
    /// The value expected.
    pub at_least: Option<f64>,
    /// Whether a valid reading has reached it.
    pub reached: Option<bool>,
}

/// The whole score.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ScoreView {
    /// Today.
    pub today: Clock,
    /// Days the score spans.
    pub end_day: PostOpDay,
    /// Phases.
    pub phases: Vec<PhaseSpan>,
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

/// Corridors of every quantity of the pathway, with readings.
pub fn corridor_views(ctx: &CheckContext, facts: &Facts) -> Vec<CorridorView> {
    ctx.known
        .quantities
        .iter()
        .filter(|q| ctx.pathway.corridor(&q.id).is_some())
        .map(|q| CorridorView {
            quantity: q.id.clone(),
            unit: q.unit,
            reference: q.reference,
            error: q.error,
            bands: band_view(ctx.pathway, ctx.limits, &q.id, ctx.today),
            readings: facts
                .operated_readings(&q.id)
                .map(|reading| {
                    let view = reading_view(ctx, facts, reading);
                    CorridorDot {
                        day: view.day,
                        value: reading.value,
                        over_ceiling: view.over_ceiling,
                        at_limit: view.at_limit,
                    }
                })
                .collect(),
            other_side: facts
                .readings
                .iter()
                .rev()
                .find(|r| r.quantity == q.id && r.side != facts.story.side)
                .map(|r| r.value),
            trend: trend(ctx, facts, q),
        })
        .collect()
}

/// The trend of a range toward what is asked of it next: by the gate, else by the next floor.
///
/// What stopped at the permitted limit or cannot be is left out; the line ends at the other side, where that may serve, else
/// at the usual reading.
fn trend(ctx: &CheckContext, facts: &Facts, q: &Quantity) -> Option<Trend> {
    let views = facts
        .operated_readings(&q.id)
        .map(|r| reading_view(ctx, facts, r));
    let used: Vec<(PostOpDay, f64)> = views
        .filter(|v| v.usable() && !v.at_limit && v.day >= 0)
        .map(|v| (v.day, v.reading.value))
        .collect();
    // Who already goes further than the other side is not drawn back.
    let cap = used
        .iter()
        .map(|r| r.1)
        .fold(measure_for(facts, q).0, f64::max);
    let found = Trend::of(&used, cap)?;
    let last = used.last()?.1;
    let asked = ctx
        .pathway
        .gate_after(ctx.phase)
        .into_iter()
        .flat_map(|g| &g.criteria)
        .find_map(|c| match &c.ask {
            CriterionKind::Measure {
                quantity,
                op: Comparison::AtLeast,
                value,
                of_other_side: false,
                ..
            } if *quantity == q.id => Some(*value),
            _ => None,
        });
    let floors = ctx
        .pathway
        .corridor(&q.id)
        .into_iter()
        .flat_map(|c| &c.floors.steps)
        .filter(|(day, _)| *day > facts.day());
    let target = asked
        .into_iter()
        .chain(floors.map(|(_, floor)| *floor))
        .find(|target| *target > last);
    // No day is told on which the ceiling forbids what would be reached.
    let allowed = |target: f64| {
        let ceilings = |day| ceiling_on(ctx.pathway, ctx.limits, &q.id, day, ctx.today).ceiling;
        (facts.day()..=ctx.pathway.end_day).find(|day| !ceilings(*day).exceeded_by(target))
    };
    Some(
        match target.and_then(|target| Some((target, allowed(target)?))) {
            Some((target, from)) => found.toward(target, from),
            None => found,
        },
    )
}

/// The score of a program.
pub fn score_view(ctx: &CheckContext, facts: &Facts) -> ScoreView {
    let pathway = ctx.pathway;
    let phases = schedule(pathway, facts);
    let lines = facts
        .lines
        .iter()
        .filter_map(|line| {
            let exercise = ctx.known.exercises.get(&line.exercise)?;
            Some(LineView {
                purpose: exercise.purpose,
                ladder: exercise.ladder.clone(),
                rung: exercise.rung,
                helper: exercise.helper,
                totals: DoseTotals {
                    minutes: line.dose.minutes(),
                    weekly_repetitions: line.dose.weekly_repetitions(),
                },
                verdict: check_line(ctx, line),
                line: line.clone(),
            })
        })
        .collect();
    let gates = pathway
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
    let milestones = pathway
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
                        .operated_readings(quantity)
                        .any(|r| r.value >= bound && reading_view(ctx, facts, r).usable())
                }),
        })
        .collect();
    ScoreView {
        today: Clock::at(ctx.today),
        end_day: phases
            .last()
            .map_or(pathway.end_day, |p| p.to_day.max(pathway.end_day)),
        phase: reached_phase(pathway, facts),
        sling: pathway.sling.as_ref().map(|s| SlingSpan {
            id: s.id.clone(),
            day_and_night_until: s.day_and_night_until,
            nights_until: s.nights_until,
        }),
        precautions: pathway
            .precautions
            .iter()
            .map(|p| PrecautionSpan {
                id: p.id.clone(),
                from_day: p.from_day,
                to_day: p.until_day,
            })
            .collect(),
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
        phases,
        lines,
        gates,
        milestones,
        clock: pathway.clock,
        schools: pathway.schools.iter().cloned().collect(),
        modifiers: facts.story.modifiers.clone(),
    }
}
