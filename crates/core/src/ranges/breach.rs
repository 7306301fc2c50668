//! Measurements above their ceiling that nobody has dealt with.

use super::measurement_view::{MeasurementView, measurement_view};
use crate::context::CheckContext;
use crate::facts::{Facts, TakenBy};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// A measurement above its ceiling that nobody has dealt with: a clinician's own inside the ceiling, or the surgeon's answer, closes it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Breach {
    /// Quantity id.
    pub quantity: String,
    /// The newest measurement above.
    pub view: MeasurementView,
    /// How many lie above, one after the other.
    pub count: usize,
    /// Whether the surgeon must be asked: beyond the error, or twice.
    pub surgeon: bool,
    /// All of it in one reason.
    pub reason: Reason,
}

/// The open breach of a quantity.
pub fn open_breach(ctx: &CheckContext, facts: &Facts, quantity: &str) -> Option<Breach> {
    let mut open: Vec<MeasurementView> = Vec::new();
    for measurement in facts.operated_measurements(quantity) {
        let view = measurement_view(ctx, facts, measurement);
        let answered = facts
            .breach_answers
            .iter()
            .any(|a| a.measurement == measurement.id);
        if view.over_ceiling && !answered {
            open.push(view);
        } else if !view.over_ceiling
            && measurement.by == TakenBy::Clinician
            && view.not_known_then.is_none()
            && !view.simulated
        {
            open.clear();
        }
    }
    let count = open.len();
    let view = open.pop()?;
    let error = ctx.known.quantity(quantity).map_or(0.0, |q| q.error);
    let amount = view.verdict.ceiling.map(|c| view.measurement.value - c);
    let inside = amount.is_some_and(|a| a <= error);
    let surgeon = !inside || count > 1;
    let word = |yes: bool| if yes { "yes" } else { "no" };
    let mut reason = Reason::new("measurement-over-ceiling")
        .with("quantity", quantity)
        .with("value", view.measurement.value)
        .with("day", view.day)
        .with("error", error)
        .with("inside", word(inside))
        .with("surgeon", word(surgeon))
        .with("whose", view.verdict.whose.as_str());
    if let (Some(ceiling), Some(amount)) = (view.verdict.ceiling, amount) {
        reason = reason.with("ceiling", ceiling).with("amount", amount);
    }
    Some(Breach {
        quantity: quantity.to_owned(),
        view,
        count,
        surgeon,
        reason,
    })
}

/// All open breaches.
pub fn open_breaches(ctx: &CheckContext, facts: &Facts) -> Vec<Breach> {
    ctx.known
        .quantities
        .iter()
        .filter_map(|q| open_breach(ctx, facts, &q.id))
        .collect()
}
