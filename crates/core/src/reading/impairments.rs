//! What is impaired, how much, and how sure that is: ranked, for the program to work on.

use crate::context::CheckContext;
use crate::facts::{Facts, OtherSide, TestAnswer};
use crate::force::strength_page;
use crate::knowledge::Unit;
use crate::ranges::{measure_for, measurement_view, protection};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// One deficit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Impairment {
    /// Quantity id, or the name of a derived measure.
    pub measure: String,
    /// Unit id: `deg`, `level`, `n`, `mm`, `index`.
    pub unit: String,
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

/// Deficits of range, muscle length and strength, largest share first.
///
/// Against the other side unless that side is affected, operated or hypermobile, then against the reference. The error of a
/// difference of two measurements is √2 times that of one. A measurement stopped at the permitted limit is at least that much and
/// shows no deficit. Source: standard error arithmetic; the order is our choice.
pub fn impairments(ctx: &CheckContext, facts: &Facts) -> Vec<Impairment> {
    let mut out: Vec<Impairment> = ctx
        .known
        .quantities
        .iter()
        .filter_map(|quantity| {
            let last = facts.newest(&quantity.id)?;
            let view = measurement_view(ctx, facts, last);
            if view.at_limit || !view.usable() {
                return None;
            }
            let (mut whole, mut against) = measure_for(facts, quantity);
            // What is not yet allowed is not missing: under a ceiling the ceiling is the measure.
            if let Some(ceiling) = protection(ctx, &quantity.id, facts.day(), facts.day())
                .ceiling
                .value()
                .filter(|c| *c < whole)
            {
                (whole, against) = (ceiling, "ceiling");
            }
            let deficit = whole - last.value;
            let error = if against == "other-side" {
                quantity.error * std::f64::consts::SQRT_2
            } else {
                quantity.error
            };
            (deficit > 0.0 && whole > 0.0).then(|| Impairment {
                measure: quantity.id.clone(),
                unit: if quantity.unit == Unit::Deg {
                    "deg"
                } else {
                    "level"
                }
                .to_owned(),
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
    out.extend(tightness(ctx, facts));
    out.extend(weakness(ctx, facts));
    out.sort_by(|a, b| {
        b.real
            .cmp(&a.real)
            .then(b.percent.total_cmp(&a.percent))
            .then(a.measure.cmp(&b.measure))
    });
    out
}

/// A difference between the sides beyond what both measurements can err, the affected side being the worse.
fn against_other_side(
    measure: &str,
    unit: &str,
    [here, there]: [f64; 2],
    less_is_worse: bool,
    error: f64,
) -> Option<Impairment> {
    let deficit = if less_is_worse {
        there - here
    } else {
        here - there
    };
    (deficit > 0.0 && there > 0.0).then(|| Impairment {
        measure: measure.to_owned(),
        unit: unit.to_owned(),
        deficit,
        error,
        percent: 100.0 * deficit / there,
        against: "other-side".to_owned(),
        real: deficit > error,
        reason: Reason::new("side-difference")
            .with("measure", measure)
            .with("number", here)
            .with("whole", there),
    })
}

/// Muscle length of the two sides, where the other may serve. The difference of two measurements errs √2 times as much as one.
///
/// Source: arithmetic; the errors of one measurement are rows, unsure (confidence C).
fn tightness(ctx: &CheckContext, facts: &Facts) -> Vec<Impairment> {
    if facts.story.other_side != OtherSide::Sound {
        return Vec::new();
    }
    let newest = |test: &str, side| match facts
        .findings
        .iter()
        .rev()
        .find(|f| f.test == test && f.side == side)?
        .answer
    {
        TestAnswer::Number { value } => Some(value),
        _ => None,
    };
    let side = facts.story.side;
    let both = |test: &str| Some([newest(test, side)?, newest(test, side.other())?]);
    ctx.known
        .tests
        .iter()
        .filter_map(|test| {
            let compare = test.compare?;
            let error = compare.error * std::f64::consts::SQRT_2;
            against_other_side(
                &test.id,
                test.unit.as_deref().unwrap_or("deg"),
                both(&test.id)?,
                compare.less_is_worse,
                error,
            )
        })
        .collect()
}

/// Strength of the two sides, from three sound pushes each and not limited by pain.
///
/// The mean of three errs as much as the bound on their variation. Source: our choice, because no error is published for
/// these positions with this set-up; it is wider than most that are.
fn weakness(ctx: &CheckContext, facts: &Facts) -> Vec<Impairment> {
    let page = strength_page(ctx, facts);
    let limited = ctx.known.threshold("strength-pain-limit");
    page.tests
        .iter()
        .filter(|t| {
            t.symmetry_pct.is_some()
                && t.affected
                    .as_ref()
                    .and_then(|s| s.pain)
                    .is_none_or(|p| p < limited)
        })
        .filter_map(|t| {
            let [here, there] = [t.affected.as_ref()?.mean_n?, t.other.as_ref()?.mean_n?];
            let error = there * ctx.known.threshold("strength-variation-pct") / 100.0;
            against_other_side(&t.test, "n", [here, there], true, error)
        })
        .collect()
}

/// Total-rotation deficit at 90° of abduction, where both rotations of both sides are known; that of internal rotation alone
/// stands among the ranges.
///
/// The sum of four measurements has twice the error of one. Source: definition as in Wilk 2011, from memory.
pub fn rotation_deficit(ctx: &CheckContext, facts: &Facts) -> Option<Impairment> {
    if facts.story.other_side != OtherSide::Sound {
        return None;
    }
    let newest = |id: &str, affected: bool| {
        facts
            .measurements
            .iter()
            .rev()
            .find(|r| r.quantity == id && (r.side == facts.story.side) == affected)
            .map(|r| r.value)
    };
    let total = |affected: bool| {
        Some(newest("passive-er-90", affected)? + newest("passive-ir-90", affected)?)
    };
    let (here, whole) = (total(true)?, total(false)?);
    let error = 2.0 * ctx.known.error_of("passive-ir-90");
    let deficit = whole - here;
    (deficit > 0.0).then(|| Impairment {
        measure: "total-rotation".to_owned(),
        unit: "deg".to_owned(),
        deficit,
        error,
        percent: 100.0 * deficit / whole,
        against: "other-side".to_owned(),
        real: deficit > error,
        reason: Reason::new("total-rotation")
            .with("value", here)
            .with("bound", whole),
    })
}
