//! How much of what was planned was done, and how much of that is known.

use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{Facts, UseHow};
use crate::safety::scheduled_lines;
use serde::{Deserialize, Serialize};

/// What was done of what was planned, and how much of that is known.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Adherence {
    /// Planned sessions that were done at least, in percent: what is not known counts as not done here.
    pub pct: f64,
    /// Planned sessions of which anything is known, in percent.
    pub known_pct: f64,
}

/// Of the last days, as many as decisions look at (threshold `adherence-days`).
pub fn adherence_lately(ctx: &CheckContext, facts: &Facts) -> Option<Adherence> {
    adherence(ctx, facts, ctx.known.threshold("adherence-days") as i32)
}

/// As [`adherence`], the least share alone.
pub fn adherence_pct(ctx: &CheckContext, facts: &Facts, window: i32) -> Option<f64> {
    adherence(ctx, facts, window).map(|a| a.pct)
}

/// The share of planned sessions done over the last `window` days, today left out.
///
/// A planned session is done, left out or not known. Days on which nothing was planned do not count. `None` when nothing is
/// known: unlogged is not undone. Every line counts as many sessions a day as its dose says; more than planned counts as planned.
/// A week told as a whole speaks where nothing was logged.
pub fn adherence(ctx: &CheckContext, facts: &Facts, window: i32) -> Option<Adherence> {
    let today = facts.day();
    let mut all = DayShare::default();
    for day in (today - window)..today {
        let of_day = day_share(ctx, facts, day);
        all.planned += of_day.planned;
        all.done += of_day.done;
        all.known += of_day.known;
    }
    (all.known > 0.0 && all.planned > 0.0).then(|| Adherence {
        pct: (100.0 * all.done / all.planned).min(100.0),
        known_pct: (100.0 * all.known / all.planned).min(100.0),
    })
}

/// Sessions of one day: planned, done at least, and of which anything is known.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub(crate) struct DayShare {
    pub(crate) planned: f64,
    pub(crate) done: f64,
    known: f64,
}

/// What was planned on a day and what is known of it.
pub(crate) fn day_share(ctx: &CheckContext, facts: &Facts, day: EpisodeDay) -> DayShare {
    let mut out = DayShare::default();
    let told = facts.week_uses.iter().rev().find(|week| {
        let last = facts.day_of(week.on);
        (last - 6..=last).contains(&day)
    });
    for line in scheduled_lines(ctx, facts, day) {
        let wanted = f64::from(line.dose.times_per_day) * f64::from(line.dose.days_per_week) / 7.0;
        let last = ctx.log.sessions(facts, &line.exercise, day);
        out.planned += wanted;
        match (last, told) {
            (Some(sessions), _) => {
                out.known += wanted;
                out.done += f64::from(sessions).min(f64::from(line.dose.times_per_day));
            }
            (None, Some(week)) => {
                out.known += wanted;
                out.done += wanted * told_share(ctx, week.how);
            }
            (None, None) => {}
        }
    }
    out
}

fn told_share(ctx: &CheckContext, how: UseHow) -> f64 {
    match how {
        UseHow::All => 1.0,
        UseHow::Half => ctx.known.threshold("told-half-pct") / 100.0,
        UseHow::Hardly => ctx.known.threshold("told-hardly-pct") / 100.0,
    }
}
