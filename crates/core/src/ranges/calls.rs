//! What a measured range calls for: measure again, ask, go no further.

use super::breach::open_breach;
use super::measurement_view::measurement_view;
use crate::context::CheckContext;
use crate::facts::{Facts, Measurement};
use crate::knowledge::{Movement, Quantity};
use crate::reason::Reason;
use crate::rules::floor_on;
use chrono::NaiveDate;

/// Days after which a measurement is out of date for this person.
pub fn max_age_days(ctx: &CheckContext, facts: &Facts, q: &Quantity) -> i32 {
    let health = ctx
        .known
        .health
        .iter()
        .filter(|h| facts.story.health.contains(&h.id))
        .filter_map(|h| h.max_age_days);
    health.fold(q.max_age_days, i32::min)
}

/// Whether the operated side's measurement is missing or out of date.
pub fn is_due(ctx: &CheckContext, facts: &Facts, q: &Quantity) -> bool {
    let newest = facts.operated_measurements(&q.id).next_back();
    newest.is_none_or(|m| {
        age_days(facts, m.on) > max_age_days(ctx, facts, q) || {
            let view = measurement_view(ctx, facts, m);
            view.not_known_then.is_some() || view.impossible.is_some()
        }
    }) || open_breach(ctx, facts, &q.id).is_some()
}

fn age_days(facts: &Facts, on: NaiveDate) -> i32 {
    facts.day() - facts.day_of(on)
}

/// What a quantity calls for: an open breach, below the floor, lost ground.
///
/// Source: common practice, no published source; thresholds in `thresholds.toml`.
pub fn calls(ctx: &CheckContext, facts: &Facts, quantity: &str) -> Vec<Reason> {
    let mut newest = facts.operated_measurements(quantity).rev();
    let Some(last) = newest.next() else {
        return Vec::new();
    };
    let mut out = calls_of(ctx, facts, last, newest.next());
    if let Some(breach) = open_breach(ctx, facts, quantity) {
        // The breach itself is told once, whole.
        out.retain(|r| r.rule != "measurement-over-ceiling");
        out.push(breach.reason);
    } else {
        // Answered by the surgeon, or made up for by a newer one.
        out.retain(|r| r.rule != "measurement-over-ceiling" && r.rule != "sudden-er-gain");
    }
    out
}

/// Calls of a measurement that a flag may be raised by.
pub const CALLS: [&str; 4] = [
    "measurement-over-ceiling",
    "measurement-below-floor",
    "range-lost",
    "sudden-er-gain",
];

/// What one measurement called for when it was taken, beside the one before it.
pub(crate) fn calls_of(
    ctx: &CheckContext,
    facts: &Facts,
    last: &Measurement,
    before: Option<&Measurement>,
) -> Vec<Reason> {
    let quantity = last.quantity.as_str();
    let view = measurement_view(ctx, facts, last);
    let mut out = Vec::new();
    out.extend(view.impossible.clone());
    out.extend(view.not_known_then.clone());
    if view.over_ceiling {
        let mut reason = Reason::new("measurement-over-ceiling")
            .with("quantity", quantity)
            .with("value", last.value);
        if let Some(value) = view.verdict.ceiling {
            reason = reason.with("ceiling", value);
        }
        out.push(reason.with("whose", view.verdict.whose.as_str()));
    } else if let Some(floor) = floor_on(ctx.rules, ctx.limits, quantity, facts.day(), facts.day())
        && last.value < floor
        && !view.at_limit
    {
        out.push(
            Reason::new("measurement-below-floor")
                .with("quantity", quantity)
                .with("value", last.value)
                .with("floor", floor),
        );
    }
    let Some(before) = before else {
        return out;
    };
    let window = ctx.known.threshold("change-window-days");
    let recent = f64::from(facts.day_of(last.on) - facts.day_of(before.on)) <= window;
    let row = ctx.known.quantity(quantity);
    let movement = row.map_or(Movement::Other, |q| q.movement);
    let bound = row
        .filter(|_| matches!(movement, Movement::Elevation | Movement::ExternalRotation))
        .and_then(|q| ctx.known.loss_of(q));
    if recent && bound.is_some_and(|bound| before.value - last.value >= bound) {
        out.push(
            Reason::new("range-lost")
                .with("quantity", quantity)
                .with("value", last.value)
                .with("before", before.value),
        );
    }
    let gain = last.value - before.value;
    if recent
        && view.over_ceiling
        && movement == Movement::ExternalRotation
        && gain > ctx.known.threshold("sudden-er-gain-deg")
    {
        out.push(
            Reason::new("sudden-er-gain")
                .with("quantity", quantity)
                .with("gain", gain),
        );
    }
    out
}
