//! When the later phases may come, where sessions were missed.

use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{Criterion, CriterionKind, LogEvent};
use crate::progress::{adherence_pct, day_share};
use crate::reason::Reason;
use crate::rules::{PhaseSpan, reached_phase, schedule};

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
        earliest = moved + ctx.rules.least_stay_days;
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
