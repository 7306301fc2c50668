//! How hard each muscle group may work on a day.

use super::verdict::Status;
use crate::calendar::{EpisodeDay, WEEK};
use crate::context::CheckContext;
use crate::knowledge::{Dose, Exercise, Group, Level};
use crate::reason::{Reason, wire};
use crate::rules::AllowanceRule;

/// The highest effort in percent that every muscle group of the joint may give in `exercise`; no school lifts it.
///
/// The number speaks of the shoulder; a hand may squeeze a ball.
pub fn effort_most(allowance: &AllowanceRule, exercise: &Exercise) -> Option<u32> {
    exercise
        .demand
        .iter()
        .filter(|d| d.group != Group::Distal && d.level >= Level::Isometric)
        .filter_map(|d| allowance.effort_max_pct(d.group))
        .min()
}

pub(super) fn check_allowances(
    ctx: &CheckContext,
    exercise: &Exercise,
    dose: &Dose,
    day: EpisodeDay,
    say: &mut impl FnMut(Status, bool, Reason),
) {
    let Some(allowance) = ctx.rules.allowance(day) else {
        say(Status::Blocked, false, Reason::new("no-allowance-yet"));
        return;
    };
    if let (Some(max), Some(effort)) = (effort_most(&allowance, exercise), dose.effort_pct)
        && effort > max
    {
        say(
            Status::Blocked,
            false,
            Reason::new("effort-above")
                .with("max", f64::from(max))
                .with("given", f64::from(effort)),
        );
    }
    for demand in &exercise.demand {
        if !allowance.permits(demand.group, demand.level) {
            let reason = Reason::new("allowance")
                .with("group", wire(demand.group))
                .with("level", wire(demand.level));
            say(
                Status::Blocked,
                false,
                reason.with("week", allowance.from_day / WEEK),
            );
        }
        let light = matches!(demand.level, Level::ResistedLight);
        let heavy = dose.load_kg.is_some_and(|kg| kg > 1.0)
            || dose.elastic_level.is_some_and(|level| level > 2);
        if light && heavy && !allowance.permits(demand.group, Level::Resisted) {
            say(
                Status::Blocked,
                false,
                Reason::new("load-above-light").with("group", wire(demand.group)),
            );
        }
        // A weight or an elastic turns lifting the arm into resisted work, whatever the exercise's row says.
        let loaded = dose.load_kg.is_some_and(|kg| kg > 0.0)
            || dose.elastic_level.is_some_and(|level| level > 0);
        let becomes = if heavy {
            Level::Resisted
        } else {
            Level::ResistedLight
        };
        let unloaded = matches!(
            demand.level,
            Level::Passive | Level::Assisted | Level::Active
        );
        if loaded && unloaded && !allowance.permits(demand.group, becomes) {
            say(
                Status::Blocked,
                false,
                Reason::new("load-not-permitted").with("group", wire(demand.group)),
            );
        }
    }
}
