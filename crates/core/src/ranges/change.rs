//! What changed since the last visit, in words that respect the error of measurement.

use super::measurement_view::measurement_view;
use super::reliability::mdc95;
use crate::context::CheckContext;
use crate::facts::{Facts, Measurement, StopReason};
use crate::knowledge::{Knowledge, Unit};
use crate::reason::Reason;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// The word for a change.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ChangeWord {
    /// Below the smallest detectable change and below what matters.
    WithinError,
    /// It would matter, and error could explain it.
    PossiblyImportant,
    /// More than error, less than what matters.
    Real,
    /// More than error, and it matters.
    RealAndWorthwhile,
}

/// One quantity at the last two visits on which it was measured.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ChangeView {
    /// Quantity id.
    pub quantity: String,
    /// The earlier measurement.
    pub before: f64,
    /// Its date.
    pub before_on: NaiveDate,
    /// The newer measurement.
    pub now: f64,
    /// Its date.
    pub now_on: NaiveDate,
    /// Smallest detectable change, in the quantity's unit.
    pub detectable: f64,
    /// Measured by the clinic itself rather than a default.
    pub own_error: bool,
    /// The word.
    pub word: ChangeWord,
    /// Less than before.
    pub worse: bool,
    /// Worsening acts earlier than improvement: repeat now.
    pub act: Option<Reason>,
}

/// The smallest detectable change of a quantity between two measurements: the clinic's own where it has one, else the default.
///
/// The default error of a row is 1.96 SEM of one measurement, so MDC95 is √2 times that; between two people it is half as large
/// again (10° and 15° as defaults). Source: standard formulas; the defaults are unverified (confidence C).
pub fn detectable(
    ctx: &CheckContext,
    facts: &Facts,
    quantity: &str,
    same_rater: bool,
) -> (f64, bool) {
    if let Some(own) = facts
        .clinic_errors
        .iter()
        .rev()
        .find(|e| e.quantity == quantity)
    {
        return (
            mdc95(if same_rater {
                own.sem_same_rater
            } else {
                own.sem
            }),
            true,
        );
    }
    (default_detectable(ctx.known, quantity, same_rater), false)
}

/// The default of a quantity, without what the clinic has measured.
pub fn default_detectable(known: &Knowledge, quantity: &str, same_rater: bool) -> f64 {
    let error = known.error_of(quantity);
    let factor = if same_rater {
        1.0
    } else {
        known.threshold("different-rater-factor")
    };
    error * std::f64::consts::SQRT_2 * factor
}

/// The word for a change of so much.
pub fn change_word(change: f64, detectable: f64, important: f64) -> ChangeWord {
    match (change.abs() >= detectable, change.abs() >= important) {
        (false, false) => ChangeWord::WithinError,
        (false, true) => ChangeWord::PossiblyImportant,
        (true, false) => ChangeWord::Real,
        (true, true) => ChangeWord::RealAndWorthwhile,
    }
}

/// Changes of the affected side between the last two days on which a quantity was measured.
///
/// Stopped at the permitted limit, above the ceiling, impossible: such a measurement never enters a change. Levels are not
/// degrees and are left out. Source: standard change words; thresholds in `thresholds.toml`.
pub fn changes(ctx: &CheckContext, facts: &Facts) -> Vec<ChangeView> {
    let usable = |r: &&Measurement| {
        r.stop != StopReason::AtLimit && measurement_view(ctx, facts, r).usable()
    };
    ctx.known
        .quantities
        .iter()
        .filter(|q| q.unit == Unit::Deg)
        .filter_map(|q| {
            let mut newest = facts.operated_measurements(&q.id).rev().filter(usable);
            let now = newest.next()?;
            let before = newest.find(|r| r.on < now.on)?;
            let (detectable, own_error) = detectable(ctx, facts, &q.id, now.alike(before));
            let change = now.value - before.value;
            let bound = ctx.known.loss_of(q);
            Some(ChangeView {
                quantity: q.id.clone(),
                before: before.value,
                before_on: before.on,
                now: now.value,
                now_on: now.on,
                detectable,
                own_error,
                word: change_word(
                    change,
                    detectable,
                    ctx.known.threshold("worthwhile-change-deg"),
                ),
                worse: change < 0.0,
                act: bound.is_some_and(|bound| change <= -bound).then(|| {
                    Reason::new("change-repeat-now")
                        .with("quantity", q.id.as_str())
                        .with("value", now.value)
                        .with("before", before.value)
                }),
            })
        })
        .collect()
}
