//! What is impaired, how much, and how sure that is: ranked, for the program to work on.

use super::conditions::measure_for;
use crate::episode::{Facts, OtherSide};
use crate::exam::{protection, reading_view};
use crate::program::CheckContext;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// One deficit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Impairment {
    /// Quantity id, or the name of a derived measure.
    pub measure: String,
    /// What is missing, in the measure's unit.
    pub deficit: f64,
    /// Half-width of the error of that difference.
    pub error: f64,
    /// Share of what it is measured against, in percent.
    pub percent: f64,
    /// `other-side`, `reference` or `ceiling`.
    pub against: String,
    /// Larger than its error.
    pub real: bool,
    /// How it was worked out.
    pub reason: Reason,
}

/// Deficits of range, largest share first.
///
/// Against the other side unless that side is affected, operated or hypermobile, then against the reference. The error of a
/// difference of two readings is √2 times that of one. A reading stopped at the permitted limit is at least that much and
/// shows no deficit. Source: standard error arithmetic; the order is our choice.
pub fn impairments(ctx: &CheckContext, facts: &Facts) -> Vec<Impairment> {
    let mut out: Vec<Impairment> = ctx
        .known
        .quantities
        .iter()
        .filter_map(|quantity| {
            let last = facts.newest(&quantity.id)?;
            let view = reading_view(ctx, facts, last);
            if view.at_limit || !view.usable() {
                return None;
            }
            let (mut whole, mut against) = measure_for(facts, quantity);
            // What is not yet allowed is not missing: under a ceiling the ceiling is the measure.
            if let Some(ceiling) = protection(ctx, facts, &quantity.id, facts.day(), facts.day()).ceiling.value().filter(|c| *c < whole) {
                (whole, against) = (ceiling, "ceiling");
            }
            let deficit = whole - last.value;
            let error = if against == "other-side" { quantity.error * std::f64::consts::SQRT_2 } else { quantity.error };
            (deficit > 0.0 && whole > 0.0).then(|| Impairment {
                measure: quantity.id.clone(),
                deficit,
                error,
                percent: 100.0 * deficit / whole,
                against: against.to_owned(),
                real: deficit > error,
                reason: Reason::new("range-deficit")
                    .with("quantity", quantity.id.as_str())
                    .with("value", last.value)
                    .with("bound", whole)
                    .with("against", against),
            })
        })
        .collect();
    out.extend(rotation_deficit(ctx, facts));
    out.sort_by(|a, b| b.real.cmp(&a.real).then(b.percent.total_cmp(&a.percent)).then(a.measure.cmp(&b.measure)));
    out
}

/// Total-rotation deficit at 90° of abduction, where both rotations of both sides are known; that of internal rotation alone
/// stands among the ranges.
///
/// The sum of four readings has twice the error of one. Source: definition as in Wilk 2011, from memory.
pub fn rotation_deficit(ctx: &CheckContext, facts: &Facts) -> Option<Impairment> {
    if facts.story.other_side != OtherSide::Sound {
        return None;
    }
    let newest = |id: &str, affected: bool| {
        facts.readings.iter().rev().find(|r| r.quantity == id && (r.side == facts.story.side) == affected).map(|r| r.value)
    };
    let total = |affected: bool| Some(newest("passive-er-90", affected)? + newest("passive-ir-90", affected)?);
    let (here, whole) = (total(true)?, total(false)?);
    let error = 2.0 * ctx.known.quantity("passive-ir-90").map_or(7.0, |q| q.error);
    let deficit = whole - here;
    (deficit > 0.0).then(|| Impairment {
        measure: "total-rotation".to_owned(),
        deficit,
        error,
        percent: 100.0 * deficit / whole,
        against: "other-side".to_owned(),
        real: deficit > error,
        reason: Reason::new("total-rotation").with("value", here).with("bound", whole),
    })
}
