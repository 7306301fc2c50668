//! What a range is compared with: the other side where that may serve, else the reference.

use crate::facts::{Facts, OtherSide};
use crate::knowledge::Quantity;

/// What a side is measured against: the other side where that may serve, else the reference.
///
/// Source: common practice, no published source.
pub fn measure_for(facts: &Facts, quantity: &Quantity) -> (f64, &'static str) {
    let other = facts
        .measurements
        .iter()
        .rev()
        .find(|r| r.quantity == quantity.id && r.side != facts.story.side);
    match other {
        Some(other) if facts.story.other_side == OtherSide::Sound => (other.value, "other-side"),
        _ => (quantity.reference, "reference"),
    }
}
