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

/// Why a muscle group may not work at a level on a day, and when that opens.
pub(super) fn not_permitted(
    ctx: &CheckContext,
    group: Group,
    level: Level,
    day: EpisodeDay,
) -> Reason {
    let about = |rule: &str| {
        Reason::new(rule)
            .with("group", wire(group))
            .with("level", wire(level))
    };
    match ctx.rules.permitted_from(group, level, day) {
        None => about("allowance-never"),
        // Nothing heals by the calendar: the phase opens it, whenever that comes.
        Some(_) if !ctx.rules.protects() => about("allowance-later-phase"),
        Some(opens) => about("allowance-opens")
            .with("week", opens / WEEK)
            .with("opens_day", opens),
    }
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
            let reason = not_permitted(ctx, demand.group, demand.level, day);
            say(Status::Blocked, false, reason);
        }
        let light = matches!(demand.level, Level::ResistedLight);
        let heavy = dose
            .load_kg
            .is_some_and(|kg| kg > ctx.known.threshold("light-load-kg"))
            || dose
                .elastic_level
                .is_some_and(|level| f64::from(level) > ctx.known.threshold("light-elastic-level"));
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
