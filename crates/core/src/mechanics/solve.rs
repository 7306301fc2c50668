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

/// Steps of the grid on which a crossing is looked for.
const GRID: usize = 48;

/// Every `x` in a range where the peak is the wanted one, ascending: bracketed on a grid, then halved to a hundredth of a grid step.
///
/// The peak may fall before it rises: against a light weight a band can pull up, and a band's arm about the shoulder shrinks as
/// its anchor moves away. So there may be several; two closer than a grid step are not told apart.
///
/// # Errors
/// When the wanted peak lies outside what the range gives.
///
/// ```
/// use ritorno_core::mechanics::{NoAnswer, solve_for};
///
/// let both = solve_for(4.0, [-3.0, 3.0], |x| x * x)?;
/// assert!((both[0] + 2.0).abs() < 1e-3 && (both[1] - 2.0).abs() < 1e-3);
/// assert_eq!(solve_for(10.0, [-3.0, 3.0], |x| x * x), Err(NoAnswer::TooLittle { most_nm: 9.0 }));
/// # Ok::<(), NoAnswer>(())
/// ```
pub fn solve_for(
    wanted_nm: f64,
    range: [f64; 2],
    peak: impl Fn(f64) -> f64,
) -> Result<Vec<f64>, NoAnswer> {
    let at = |i: usize| range[0] + (range[1] - range[0]) * i as f64 / GRID as f64;
    let seen: Vec<(f64, f64)> = (0..=GRID).map(|i| (at(i), peak(at(i)))).collect();
    let least_nm = seen.iter().map(|s| s.1).fold(f64::INFINITY, f64::min);
    let most_nm = seen.iter().map(|s| s.1).fold(f64::NEG_INFINITY, f64::max);
    if wanted_nm < least_nm {
        return Err(NoAnswer::TooMuch { least_nm });
    }
    if wanted_nm > most_nm {
        return Err(NoAnswer::TooLittle { most_nm });
    }
    let over = |nm: f64| nm >= wanted_nm;
    let mut found: Vec<f64> = seen
        .windows(2)
        .filter(|pair| over(pair[0].1) != over(pair[1].1))
        .map(|pair| {
            let (mut low, mut high) = (pair[0].0, pair[1].0);
            for _ in 0..7 {
                let middle = (low + high) / 2.0;
                if over(peak(middle)) == over(pair[0].1) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            (low + high) / 2.0
        })
        .collect();
    if found.is_empty() {
        // All reach it and none lies below: the least is the wanted one.
        let least = seen.iter().filter(|s| s.1 <= wanted_nm);
        found.extend(least.map(|s| s.0));
    }
    Ok(found)
}

/// Peak of a set-up, coarsely: 41 points find it to well below a percent.
pub fn peak_nm(arm: &ArmBody, attitude: Attitude, load: &Resolved, path: &Path) -> f64 {
    quick(arm, attitude, load, path).peak_nm
}

fn quick(arm: &ArmBody, attitude: Attitude, load: &Resolved, path: &Path) -> Curve {
    curve(arm, attitude, load, path, 41, 1.0)
}
