//! The way back: which weight, level or distance gives a wanted peak.

use super::attitude::Attitude;
use super::load::Resolved;
use super::moment::{Curve, curve};
use super::path::Path;
use super::segments::ArmBody;
use serde::{Deserialize, Serialize};

/// Why there is no answer.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum NoAnswer {
    /// Even the least gives more.
    TooMuch {
        /// Peak at the least, N·m.
        least_nm: f64,
    },
    /// Even the most gives less.
    TooLittle {
        /// Peak at the most, N·m.
        most_nm: f64,
    },
}

/// The least `x` in a range whose peak reaches a wanted one, by bisection to a thousandth of the range.
///
/// The peak must not fall as `x` grows; a weight, and a step away from the anchor in the planned range, keep to that. Where
/// the peak dips first (a light weight against a band that pulls up) the answer is a crossing all the same.
///
/// # Errors
/// When the wanted peak lies outside what the range gives.
pub fn solve_for(
    wanted_nm: f64,
    range: [f64; 2],
    peak: impl Fn(f64) -> f64,
) -> Result<f64, NoAnswer> {
    let [mut low, mut high] = range;
    let (least_nm, most_nm) = (peak(low), peak(high));
    if wanted_nm < least_nm {
        return Err(NoAnswer::TooMuch { least_nm });
    }
    if wanted_nm > most_nm {
        return Err(NoAnswer::TooLittle { most_nm });
    }
    while high - low > (range[1] - range[0]) / 4096.0 {
        let middle = (low + high) / 2.0;
        if peak(middle) < wanted_nm {
            low = middle
        } else {
            high = middle
        }
    }
    Ok((low + high) / 2.0)
}

/// Peak of a set-up, coarsely: 41 points find it to well below a percent.
pub fn peak_nm(arm: &ArmBody, attitude: Attitude, load: &Resolved, path: &Path) -> f64 {
    quick(arm, attitude, load, path).peak_nm
}

fn quick(arm: &ArmBody, attitude: Attitude, load: &Resolved, path: &Path) -> Curve {
    curve(arm, attitude, load, path, 41, 1.0)
}
