//! The normal distribution and its quadrature.

use statrs::distribution::{ContinuousCDF, Normal};
use std::sync::OnceLock;

/// Nodes of the quadrature: at ρ ≤ 0.6 the error of a group's likelihood stays below 1e-6 (checked against adaptive integration).
pub(super) const NODES: usize = 32;

fn standard() -> &'static Normal {
    static NORMAL: OnceLock<Normal> = OnceLock::new();
    NORMAL.get_or_init(Normal::standard)
}

/// Φ.
pub(super) fn cdf(x: f64) -> f64 {
    standard().cdf(x)
}

/// Φ⁻¹, kept finite at 0 and 1.
pub(super) fn quantile(p: f64) -> f64 {
    standard().inverse_cdf(p.clamp(1e-12, 1.0 - 1e-12))
}

/// Nodes and weights for the mean of a function of a standard normal variable (probabilists' Gauss–Hermite).
///
/// Newton's method on the orthonormal Hermite functions, each root deflated by those already found.
/// Source: standard numerical analysis, from memory; checked by its moments.
pub(super) fn rule() -> &'static [(f64, f64); NODES] {
    static RULE: OnceLock<[(f64, f64); NODES]> = OnceLock::new();
    RULE.get_or_init(|| {
        let n = NODES as f64;
        let mut out = [(0.0, 0.0); NODES];
        let mut roots: Vec<f64> = Vec::with_capacity(NODES);
        for slot in &mut out {
            // From beyond the greatest root downwards: deflation keeps Newton from finding one twice.
            let mut x = roots
                .last()
                .map_or((4.0 * n + 2.0).sqrt(), |last| last - 0.01);
            for _ in 0..200 {
                let (value, slope, _) = hermite(x);
                let pull: f64 = roots.iter().map(|r| 1.0 / (x - r)).sum();
                let step = value / (slope - value * pull);
                x -= step;
                if step.abs() < 1e-15 * x.abs().max(1.0) {
                    break;
                }
            }
            roots.push(x);
            let (_, _, before) = hermite(x);
            *slot = (x, 1.0 / (n * before * before));
        }
        out
    })
}

/// Orthonormal probabilists' Hermite polynomial of degree `NODES` at `x`: value, slope, and the value one degree lower.
fn hermite(x: f64) -> (f64, f64, f64) {
    let (mut before, mut now) = (0.0, 1.0);
    for k in 0..NODES {
        let k = k as f64;
        let next = (x * now - k.sqrt() * before) / (k + 1.0).sqrt();
        (before, now) = (now, next);
    }
    (now, (NODES as f64).sqrt() * before, before)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_rule_gives_the_moments_of_the_normal_distribution() {
        let moment = |k: i32| rule().iter().map(|(x, w)| w * x.powi(k)).sum::<f64>();
        for (k, exact) in [
            (0, 1.0),
            (1, 0.0),
            (2, 1.0),
            (4, 3.0),
            (6, 15.0),
            (8, 105.0),
            (12, 10395.0),
        ] {
            assert!(
                (moment(k) - exact).abs() < 1e-9 * exact.max(1.0),
                "moment {k}: {}",
                moment(k)
            );
        }
    }
}
