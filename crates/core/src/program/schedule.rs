//! Which phase has been reached, and when the later ones may come.

use super::rules::Rules;
use super::safety::CheckContext;
use crate::calendar::{EpisodeDay, WEEK};
use crate::episode::Facts;
use crate::knowledge::{Criterion, CriterionKind, LogEvent};
use crate::progress::{adherence_pct, day_share};
use crate::reason::Reason;
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

/// The phases over days as they are to be expected: a gate that asks for sessions that were not done comes later.
///
/// The earliest day on which the share can be reached when everything is done from today on. Nothing that heals by the calendar
/// moves.
pub fn expected(ctx: &CheckContext, facts: &Facts) -> Vec<PhaseSpan> {
    let mut spans = schedule(ctx.rules, facts);
    let Some((day, _)) = catching_up(ctx, facts) else {
        return spans;
    };
    let mut earliest = day;
    for at in 0..spans.len() {
        if !spans[at].projected {
            continue;
        }
        let moved = spans[at].from_day.max(earliest);
        spans[at].to_day += moved - spans[at].from_day;
        spans[at].from_day = moved;
        earliest = moved + LEAST_STAY_DAYS;
        if at > 0 {
            spans[at - 1].to_day = moved;
        }
    }
    spans
}

/// The day on which the next gate can have its share of sessions at the earliest, and why.
pub fn catching_up(ctx: &CheckContext, facts: &Facts) -> Option<(EpisodeDay, Reason)> {
    let gate = ctx.rules.gate_after(reached_phase(ctx.rules, facts))?;
    let asked = |c: &Criterion| match c.ask {
        CriterionKind::CountFromLog {
            event: LogEvent::SessionsDonePct,
            window_days,
            n,
            ..
        } => Some((window_days, n)),
        _ => None,
    };
    let (window, least) = gate
        .criteria
        .iter()
        .find_map(|c| asked(c).or_else(|| c.ask.parts().iter().find_map(asked)))?;
    let done = adherence_pct(ctx, facts, window).filter(|done| *done < least && *done < 100.0)?;
    let today = facts.day();
    // Day by day: what was missed leaves the window while whole days come in.
    let of_day = |day: EpisodeDay| {
        let told = day_share(ctx, facts, day);
        let done = if day < today { told.done } else { told.planned };
        (told.planned, done)
    };
    let days: Vec<(f64, f64)> = (today + 1 - window..today + window).map(of_day).collect();
    let reached = days.windows(window as usize).position(|days| {
        let (planned, done) = days
            .iter()
            .fold((0.0, 0.0), |sum, day| (sum.0 + day.0, sum.1 + day.1));
        planned > 0.0 && 100.0 * done / planned >= least
    });
    let day = today + reached.map_or(window, |at| at as EpisodeDay + 1);
    let reason = Reason::new("dates-wait-for-sessions")
        .with("percent", done.round())
        .with("least", least)
        .with("day", day);
    Some((day, reason))
}

/// A phase takes at least a fortnight, however late it begins. Source: our choice.
const LEAST_STAY_DAYS: i32 = 2 * WEEK;

/// The phases over days. A gate that is late moves the phases after it; ceilings do not move.
///
/// A gate that is due and not passed is expected within a week. Source: our choice.
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
                today + WEEK
            } else {
                earliest
            }
        } else {
            earliest.max(
                spans
                    .last()
                    .map_or(0, |before| before.from_day + LEAST_STAY_DAYS),
            )
        };
        if let Some(last) = spans.last_mut() {
            last.to_day = from_day;
        }
        spans.push(PhaseSpan {
            id: phase.id.clone(),
            number: phase.number,
            from_day,
            to_day: phase.expected_end_day.max(from_day + LEAST_STAY_DAYS),
            projected: phase.number > reached,
        });
    }
    spans
}
