//! Active beyond passive: two measurements that contradict each other serve nothing until one is taken again.

use crate::context::CheckContext;
use crate::facts::{Facts, Measurement, StopReason};
use crate::knowledge::{Mode, Quantity};
use crate::reason::Reason;

/// By how much an active measurement may lie above a passive one of the same movement: the error, in another position both errors.
fn apart(active: &Quantity, passive: &Quantity) -> Option<f64> {
    if active.partner.as_deref() == Some(passive.id.as_str()) {
        Some(active.error)
    } else {
        passive
            .shown_by
            .contains(&active.id)
            .then_some(active.error + passive.error)
    }
}

/// Whether a measurement stands against another of its day: kept and shown, used for nothing until it is measured again.
pub fn in_conflict(ctx: &CheckContext, facts: &Facts, measurement: &Measurement) -> bool {
    beyond_partner(ctx, facts, measurement).is_some()
}

/// Active beyond passive on one day, in the same or in another position: both are kept, neither is used, and the re-test comes first.
pub(super) fn beyond_partner(
    ctx: &CheckContext,
    facts: &Facts,
    measurement: &Measurement,
) -> Option<Reason> {
    let of = |m: &Measurement| ctx.known.quantity(&m.quantity);
    let quantity = of(measurement)?;
    let same_day = |m: &&Measurement| {
        m.side == measurement.side && m.on == measurement.on && m.stop != StopReason::AtLimit
    };
    // The newest of each quantity: a re-test on the same day settles it.
    let mut seen: Vec<&str> = Vec::new();
    let others = facts.measurements.iter().rev().filter(same_day);
    let others = others.filter(|m| {
        let newest = !seen.contains(&m.quantity.as_str());
        seen.push(&m.quantity);
        newest
    });
    let pairs = others.filter_map(|m| {
        let other = of(m)?;
        match (quantity.mode, other.mode) {
            (Mode::Active, Mode::Passive) => Some((measurement, m, apart(quantity, other)?)),
            (Mode::Passive, Mode::Active) => Some((m, measurement, apart(other, quantity)?)),
            _ => None,
        }
    });
    // The newest of each; the greatest conflict is told.
    let (active, passive, error) =
        pairs.max_by(|a, b| (a.0.value - a.1.value).total_cmp(&(b.0.value - b.1.value)))?;
    (active.value > passive.value + error).then(|| {
        Reason::new("active-beyond-passive")
            .with("quantity", measurement.quantity.as_str())
            .with("active", active.value)
            .with("passive", passive.value)
            .with("error", error)
    })
}
