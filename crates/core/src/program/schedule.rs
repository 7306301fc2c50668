//! Which phase has been reached, and when the later ones may come.

use crate::calendar::{PostOpDay, WEEK};
use crate::episode::Facts;
use crate::knowledge::Pathway;
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
    pub from_day: PostOpDay,
    /// The day after the last expected one.
    pub to_day: PostOpDay,
    /// True for phases that have not begun.
    pub projected: bool,
}

/// The phase reached: one more than the gates passed in order. Nobody is in a phase because of the calendar alone.
pub fn reached_phase(pathway: &Pathway, facts: &Facts) -> u32 {
    let mut phase = 1;
    while let Some(gate) = pathway.gate_after(phase)
        && facts.gate_passes.iter().any(|pass| pass.gate == gate.id)
    {
        phase += 1;
    }
    phase
}

/// The phases over days. A gate that is late moves every later phase by as much; ceilings do not move.
///
/// A gate that is due and not passed is expected within a week. Source: our choice.
pub fn schedule(pathway: &Pathway, facts: &Facts) -> Vec<PhaseSpan> {
    let today = facts.day();
    let reached = reached_phase(pathway, facts);
    let mut spans: Vec<PhaseSpan> = Vec::new();
    let mut late = 0;
    for phase in &pathway.phases {
        let earliest = phase.earliest_week * WEEK;
        let from_day = if phase.number == 1 {
            0
        } else if phase.number <= reached {
            let gate = pathway.gate_after(phase.number - 1);
            let pass = gate.and_then(|gate| facts.gate_passes.iter().rev().find(|p| p.gate == gate.id));
            let on = pass.map_or(earliest, |p| facts.day_of(p.on));
            late = (on - earliest).max(0);
            on
        } else {
            if phase.number == reached + 1 && today >= earliest {
                late = late.max(today + WEEK - earliest);
            }
            earliest + late
        };
        if let Some(last) = spans.last_mut() {
            last.to_day = from_day;
        }
        spans.push(PhaseSpan {
            id: phase.id.clone(),
            number: phase.number,
            from_day,
            to_day: (phase.expected_end_week * WEEK + late).max(from_day + WEEK),
            projected: phase.number > reached,
        });
    }
    spans
}
