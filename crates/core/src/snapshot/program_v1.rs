//! A signed program, version 1: lines, ceilings, gates and verdicts as they stood.

use super::parts_v1::{DoseV1, LimitV1, ReasonV1};
use crate::facts::SurgeonLimit;
use crate::plan::PlanChart;
use crate::reason::wire;
use crate::rules::Ceiling;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use uuid::Uuid;

/// A phase over episode days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct PhaseV1 {
    /// Phase id.
    pub id: String,
    /// 1, 2, 3 …
    pub number: u32,
    /// First day.
    pub from_day: i32,
    /// The day after the last.
    pub to_day: i32,
    /// It had not begun.
    pub projected: bool,
}

/// A precaution over episode days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct PrecautionV1 {
    /// Wording key.
    pub id: String,
    /// First day.
    pub from_day: i32,
    /// The day after the last.
    pub to_day: i32,
}

/// Sling wear.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct SlingV1 {
    /// Wording key.
    pub id: String,
    /// Day and night before this day.
    pub day_and_night_until: i32,
    /// Nights before this day.
    pub nights_until: i32,
}

/// Ceiling and floor of a stretch of days, in the quantity's unit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct CeilingV1 {
    /// First day.
    pub from_day: i32,
    /// The day after the last.
    pub to_day: i32,
    /// The movement is free: no ceiling.
    pub free: bool,
    /// Greatest permitted; nothing is where it is not free and there is none.
    pub ceiling: Option<f64>,
    /// Expected at least.
    pub floor: Option<f64>,
}

/// A measured value on a corridor.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct MeasuredV1 {
    /// Episode day.
    pub day: i32,
    /// In the quantity's unit.
    pub value: f64,
    /// Above the ceiling of its own date.
    pub over_ceiling: bool,
    /// Stopped at the permitted limit.
    pub at_limit: bool,
}

/// A corridor.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct CorridorV1 {
    /// Quantity id.
    pub quantity: String,
    /// `deg` or `level`.
    pub unit: String,
    /// Stretches of days.
    pub bands: Vec<CeilingV1>,
    /// What had been measured.
    pub measured: Vec<MeasuredV1>,
}

/// A rule that spoke about a line.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct FindingV1 {
    /// `allowed`, `caution` or `blocked`.
    pub status: String,
    /// The rule.
    pub reason: ReasonV1,
    /// Whether a clinician could go on with a reason.
    pub overridable: bool,
    /// The first day on which it speaks.
    pub day: i32,
}

/// An exercise line.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct LineV1 {
    /// Line id.
    pub id: Uuid,
    /// Exercise id.
    pub exercise: String,
    /// Its ladder.
    pub ladder: String,
    /// Its rung.
    pub rung: u32,
    /// What it is for.
    pub purpose: String,
    /// First day.
    pub from_day: i32,
    /// The day after the last.
    pub to_day: i32,
    /// How much.
    pub dose: DoseV1,
    /// Why a caution was accepted.
    pub override_reason: Option<String>,
    /// Made or changed by a clinician.
    pub by_hand: bool,
    /// The strongest of the findings.
    pub status: String,
    /// What the check said.
    pub findings: Vec<FindingV1>,
}

/// A criterion of a gate.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct CriterionV1 {
    /// Criterion id.
    pub id: String,
    /// `met`, `not_met`, `not_measured` or `out_of_date`.
    pub status: String,
    /// What it asks.
    pub asks: ReasonV1,
}

/// A gate.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct GateV1 {
    /// Gate id.
    pub id: String,
    /// The day it stands on.
    pub day: i32,
    /// Whether it had been passed.
    pub passed: bool,
    /// Its criteria.
    pub criteria: Vec<CriterionV1>,
}

/// A milestone.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct MilestoneV1 {
    /// Wording key.
    pub id: String,
    /// The day by which it was expected.
    pub day: i32,
    /// Whether a valid measurement had reached it.
    pub reached: Option<bool>,
}

/// A signed program.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct ProgramV1 {
    /// Revision of the program.
    pub rev: i32,
    /// Revision of the story.
    pub story_rev: i32,
    /// Pathway id.
    pub pathway: String,
    /// The episode day on which it was signed.
    pub day: i32,
    /// The last day of the plan.
    pub end_day: i32,
    /// The phase reached, by number.
    pub phase: u32,
    /// The surgeon's limits.
    pub limits: Vec<LimitV1>,
    /// Phases.
    pub phases: Vec<PhaseV1>,
    /// Sling wear.
    pub sling: Option<SlingV1>,
    /// Precautions.
    pub precautions: Vec<PrecautionV1>,
    /// Corridors.
    pub corridors: Vec<CorridorV1>,
    /// Exercise lines.
    pub lines: Vec<LineV1>,
    /// Gates.
    pub gates: Vec<GateV1>,
    /// Milestones.
    pub milestones: Vec<MilestoneV1>,
    /// Schools by question.
    pub schools: BTreeMap<String, String>,
    /// Modifiers.
    pub modifiers: Vec<String>,
}

impl ProgramV1 {
    /// Copies a plan as it stands.
    pub fn of(
        rev: i32,
        story_rev: i32,
        pathway: &str,
        limits: &[SurgeonLimit],
        chart: &PlanChart,
    ) -> Self {
        ProgramV1 {
            rev,
            story_rev,
            pathway: pathway.to_owned(),
            day: chart.today.day,
            end_day: chart.end_day,
            phase: chart.phase,
            limits: limits.iter().map(LimitV1::from).collect(),
            phases: phases(chart),
            sling: chart.sling.as_ref().map(|s| SlingV1 {
                id: s.id.clone(),
                day_and_night_until: s.day_and_night_until,
                nights_until: s.nights_until,
            }),
            precautions: chart
                .precautions
                .iter()
                .map(|p| PrecautionV1 {
                    id: p.id.clone(),
                    from_day: p.from_day,
                    to_day: p.to_day,
                })
                .collect(),
            corridors: corridors(chart),
            lines: lines(chart),
            gates: gates(chart),
            milestones: chart
                .milestones
                .iter()
                .map(|m| MilestoneV1 {
                    id: m.id.clone(),
                    day: m.day,
                    reached: m.reached,
                })
                .collect(),
            schools: chart.schools.clone(),
            modifiers: chart.modifiers.clone(),
        }
    }
}

fn phases(chart: &PlanChart) -> Vec<PhaseV1> {
    let copy = |p: &crate::rules::PhaseSpan| PhaseV1 {
        id: p.id.clone(),
        number: p.number,
        from_day: p.from_day,
        to_day: p.to_day,
        projected: p.projected,
    };
    chart.phases.iter().map(copy).collect()
}

fn corridors(chart: &PlanChart) -> Vec<CorridorV1> {
    let bands = |c: &crate::ranges::CorridorView| {
        c.bands
            .iter()
            .map(|b| CeilingV1 {
                from_day: b.from_day,
                to_day: b.to_day,
                free: b.ceiling == Ceiling::Free,
                ceiling: b.ceiling.value(),
                floor: b.floor,
            })
            .collect()
    };
    let measured = |c: &crate::ranges::CorridorView| {
        c.measurements
            .iter()
            .map(|m| MeasuredV1 {
                day: m.day,
                value: m.value,
                over_ceiling: m.over_ceiling,
                at_limit: m.at_limit,
            })
            .collect()
    };
    chart
        .corridors
        .iter()
        .map(|c| CorridorV1 {
            quantity: c.quantity.clone(),
            unit: wire(c.unit),
            bands: bands(c),
            measured: measured(c),
        })
        .collect()
}

fn lines(chart: &PlanChart) -> Vec<LineV1> {
    chart
        .lines
        .iter()
        .map(|view| LineV1 {
            id: view.line.id,
            exercise: view.line.exercise.clone(),
            ladder: view.ladder.clone(),
            rung: view.rung,
            purpose: wire(view.purpose),
            from_day: view.line.from_day,
            to_day: view.line.to_day,
            dose: DoseV1::from(&view.line.dose),
            override_reason: view.line.override_reason.clone(),
            by_hand: view.line.by_hand,
            status: wire(view.verdict.status),
            findings: view
                .verdict
                .findings
                .iter()
                .map(|f| FindingV1 {
                    status: wire(f.status),
                    reason: ReasonV1::from(&f.reason),
                    overridable: f.overridable,
                    day: f.day,
                })
                .collect(),
        })
        .collect()
}

fn gates(chart: &PlanChart) -> Vec<GateV1> {
    chart
        .gates
        .iter()
        .map(|g| GateV1 {
            id: g.view.gate.clone(),
            day: g.day,
            passed: g.passed,
            criteria: g
                .view
                .criteria
                .iter()
                .map(|c| CriterionV1 {
                    id: c.id.clone(),
                    status: wire(c.status),
                    asks: ReasonV1::from(&c.asks),
                })
                .collect(),
        })
        .collect()
}
