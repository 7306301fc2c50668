//! Forbidden positions, and what bars a test from taking one.

use super::allowances::not_permitted;
use super::demands::{peaks, rest_deg};
use crate::calendar::{EpisodeDay, WEEK};
use crate::context::CheckContext;
use crate::knowledge::{DemandWhen, HealingClock, Level};
use crate::mechanics::{Path, Track};
use crate::reason::Reason;
use crate::rules::{Ceiling, ceiling_on};

/// Whether a position is forbidden on a day: until its own day, unless the surgeon has released the movement.
pub(super) fn forbids(
    ctx: &CheckContext,
    rule: &crate::rules::ForbiddenRule,
    day: EpisodeDay,
) -> bool {
    day < rule.until_day
        && crate::rules::released_from(ctx.known, ctx.rules, ctx.limits, &rule.id, day, ctx.today)
            .is_none()
}

/// The reason a position is forbidden, with when that ends.
pub(super) fn forbidden(ctx: &CheckContext, rule: &crate::rules::ForbiddenRule) -> Reason {
    if ctx.rules.clock == HealingClock::None {
        return Reason::new("forbidden-position-phase").with("position", rule.id.as_str());
    }
    Reason::new("forbidden-position")
        .with("position", rule.id.as_str())
        .with("week", rule.until_day / WEEK)
}

/// What protection has against taking a position on a day: a test, or the supporting arm. Empty when nothing has.
///
/// The same rules as for exercises: forbidden positions, ceilings, contraction allowances.
pub fn bars_position(
    ctx: &CheckContext,
    path: &Path,
    demand: &[crate::knowledge::Demand],
    tags: &[String],
    day: EpisodeDay,
) -> Vec<Reason> {
    let mut out = Vec::new();
    let track = Track::of(path.clone());
    for rule in ctx.rules.forbidden.iter().filter(|f| forbids(ctx, f, day)) {
        if rule.touches(&track) || tags.iter().any(|tag| rule.tags.contains(tag)) {
            out.push(forbidden(ctx, rule));
        }
    }
    let work = if demand.iter().any(|d| d.level >= Level::Active) {
        DemandWhen::ActiveUpright
    } else {
        DemandWhen::Always
    };
    for (quantity, peak) in peaks(ctx.known, &track, work, |_| true) {
        let quantity = quantity.as_str();
        let on = ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today);
        match on.ceiling {
            Ceiling::NoneAllowed if peak > rest_deg(ctx.known, quantity) + 1e-6 => {
                out.push(barred_until(ctx, quantity))
            }
            Ceiling::UpTo { value } if peak > value + 1e-6 => {
                out.push(
                    Reason::new("test-over-ceiling")
                        .with("quantity", quantity)
                        .with("peak", peak.round())
                        .with("ceiling", value),
                );
            }
            _ => {}
        }
    }
    match ctx.rules.allowance(day) {
        None => out.push(Reason::new("no-allowance-yet")),
        Some(allowance) => out.extend(
            demand
                .iter()
                .filter(|d| !allowance.permits(d.group, d.level))
                .map(|d| not_permitted(ctx, d.group, d.level, day)),
        ),
    }
    out
}

/// Why a movement is not made yet, and when it opens.
pub fn barred_until(ctx: &CheckContext, quantity: &str) -> Reason {
    let opens = ctx.rules.corridor(quantity).map_or(0, |c| c.opens_day);
    if ctx.rules.clock == HealingClock::None {
        return Reason::new("barred-until-phase").with("quantity", quantity);
    }
    Reason::new("barred-until-week")
        .with("quantity", quantity)
        .with("week", opens / WEEK)
        .with("opens_day", opens)
}
