//! Which phase has been reached, and when the later ones may come.

use super::types::Rules;
use crate::calendar::EpisodeDay;
use crate::facts::Facts;
use serde::{Deserialize, Serialize};

/// A phase over days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PhaseSpan {
    /// Phase id.
    pub id: String,
    /// 1, 2, 3 …
    pub number: u32,
    /// First day: as it was, or the earliest it can be.
    pub from_day: EpisodeDay,
    /// The day after the last expected one.
    pub to_day: EpisodeDay,
    /// True for phases that have not begun.
    pub projected: bool,
}

/// The phase reached: one more than the gates passed in order. Nobody is in a phase because of the calendar alone.
pub fn reached_phase(rules: &Rules, facts: &Facts) -> u32 {
    let mut phase = 1;
    while let Some(gate) = rules.gate_after(phase)
        && facts.gate_passes.iter().any(|pass| pass.gate == gate.id)
    {
        phase += 1;
    }
    phase
}

/// The phases over days. A gate that is late moves the phases after it; ceilings do not move.
///
/// A gate that is due and not passed is expected after `gate-due-days`; a phase takes `least-stay-days` at least, however late it
/// begins.
pub fn schedule(rules: &Rules, facts: &Facts) -> Vec<PhaseSpan> {
    let today = facts.day();
    let reached = reached_phase(rules, facts);
    let mut spans: Vec<PhaseSpan> = Vec::new();
    for phase in &rules.phases {
        let earliest = phase.earliest_day;
        let from_day = if phase.number == 1 {
            0
        } else if phase.number <= reached {
            let gate = rules.gate_after(phase.number - 1);
            let pass =
                gate.and_then(|gate| facts.gate_passes.iter().rev().find(|p| p.gate == gate.id));
            pass.map_or(earliest, |p| facts.day_of(p.on))
        } else if phase.number == reached + 1 {
            if today >= earliest {
                today + rules.gate_due_days
            } else {
                earliest
            }
        } else {
            earliest.max(
                spans
                    .last()
                    .map_or(0, |before| before.from_day + rules.least_stay_days),
            )
        };
        if let Some(last) = spans.last_mut() {
            last.to_day = from_day;
        }
        spans.push(PhaseSpan {
            id: phase.id.clone(),
            number: phase.number,
            from_day,
            to_day: phase.expected_end_day.max(from_day + rules.least_stay_days),
            projected: phase.number > reached,
        });
    }
    spans
}
