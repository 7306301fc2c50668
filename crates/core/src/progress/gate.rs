//! Gates: all their criteria, and whether somebody may pass.

use super::criterion::evaluate;
use super::status::{CriterionStatus, CriterionView};
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::rules::GateRule;
use serde::{Deserialize, Serialize};

/// One gate as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GateView {
    /// Gate id.
    pub gate: String,
    /// The phase it closes.
    pub from_phase: u32,
    /// The day it opens.
    pub opens_day: EpisodeDay,
    /// Whether it may be passed: its day has come, or nothing heals by the calendar.
    pub time_reached: bool,
    /// Whether a decision is due: its day has come, or everything is met.
    #[serde(default)]
    pub due: bool,
    /// Nothing here heals by the calendar: the day is only the usual one.
    #[serde(default)]
    pub typical: bool,
    /// Its criteria.
    pub criteria: Vec<CriterionView>,
    /// How many are met.
    pub met: usize,
    /// Of how many.
    pub total: usize,
    /// The worst status of all.
    pub status: CriterionStatus,
}

/// Evaluates a gate against the facts.
pub fn evaluate_gate(ctx: &CheckContext, facts: &Facts, gate: &GateRule) -> GateView {
    let criteria: Vec<CriterionView> = gate
        .criteria
        .iter()
        .map(|c| evaluate(ctx, facts, c))
        .collect();
    let opens_day = gate.opens_day;
    let status = criteria
        .iter()
        .map(|c| c.status)
        .min()
        .unwrap_or(CriterionStatus::Met);
    GateView {
        gate: gate.id.clone(),
        from_phase: gate.from_phase,
        opens_day,
        time_reached: facts.day() >= opens_day || !gate.holds_time,
        due: facts.day() >= opens_day || (!gate.holds_time && status == CriterionStatus::Met),
        typical: !gate.holds_time,
        met: criteria
            .iter()
            .filter(|c| c.status == CriterionStatus::Met)
            .count(),
        total: criteria.len(),
        status,
        criteria,
    }
}

/// The gate that closes the reached phase.
pub fn next_gate(ctx: &CheckContext, facts: &Facts) -> Option<GateView> {
    ctx.rules
        .gate_after(ctx.phase)
        .map(|gate| evaluate_gate(ctx, facts, gate))
}
