//! What may be measured at all, and what a protected shoulder may not show yet.

use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::SurgeonLimit;
use crate::knowledge::Quantity;
use crate::reason::Reason;
use crate::rules::{Ceiling, CeilingToday, ceiling_on};

/// Why a measurement cannot be kept at all.
#[derive(Debug, Clone, PartialEq)]
pub struct RangeFault {
    /// Least possible.
    pub min: f64,
    /// Greatest possible.
    pub max: f64,
}

/// Whether a value is a possible measurement of a quantity.
///
/// ```
/// use ritorno_core::ranges::possible;
///
/// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
/// let raised = known.quantity("passive-elevation").expect("a row");
/// assert!(possible(raised, 97.0).is_ok());
/// // A slip of the finger is told with the bounds it breaks, never rounded into them.
/// assert_eq!(possible(raised, 970.0).expect_err("no arm does that").max, raised.max);
/// assert!(possible(raised, f64::NAN).is_err());
/// ```
///
/// # Errors
/// The bounds, when it is not.
pub fn possible(quantity: &Quantity, value: f64) -> Result<(), RangeFault> {
    if value.is_finite() && (quantity.min..=quantity.max).contains(&value) {
        Ok(())
    } else {
        Err(RangeFault {
            min: quantity.min,
            max: quantity.max,
        })
    }
}

/// The ceiling of a measurement on a day.
///
/// While something heals a movement for which the pathway has no corridor is not measured by default: only once the ceiling of
/// the movement that guards it is gone. Source: our choice, because what nobody has allowed is not allowed.
pub fn protection(
    ctx: &CheckContext,
    quantity: &str,
    day: EpisodeDay,
    today: EpisodeDay,
) -> CeilingToday {
    protection_under(ctx, ctx.limits, quantity, day, today)
}

pub(super) fn protection_under(
    ctx: &CheckContext,
    limits: &[SurgeonLimit],
    quantity: &str,
    day: EpisodeDay,
    today: EpisodeDay,
) -> CeilingToday {
    let on = ceiling_on(ctx.rules, limits, quantity, day, today);
    let written =
        ctx.rules.corridor(quantity).is_some() || limits.iter().any(|l| l.quantity == quantity);
    if !ctx.rules.protects() || written {
        return on;
    }
    let guard = ctx
        .known
        .quantity(quantity)
        .and_then(|q| q.guard.as_deref());
    match guard {
        Some(guard)
            if ceiling_on(ctx.rules, limits, guard, day, today).ceiling == Ceiling::Free =>
        {
            on
        }
        _ => {
            let mut reason = Reason::new("barred-without-corridor").with("quantity", quantity);
            if let Some(guard) = guard {
                reason = reason.with("guard", guard);
            }
            CeilingToday {
                ceiling: Ceiling::NoneAllowed,
                reason,
                ..on
            }
        }
    }
}
