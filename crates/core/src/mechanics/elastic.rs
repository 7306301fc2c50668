//! Elastics: each of a clinic's levels is measured, fitted by a rubber law, and read back with its error.

use serde::{Deserialize, Serialize};
use statrs::distribution::{ContinuousCDF, StudentsT};
use thiserror::Error;

/// Planned use lies between these elongations, in percent: below, a table is poor; above, rubber stiffens and wears.
pub const PLANNED_PCT: [f64; 2] = [25.0, 250.0];

/// A two-parameter rubber law: F = (a + b/λ)(λ − 1/λ²) with the stretch λ = 1 + elongation/100; a and b in newtons.
///
/// With b = 0 it is the ideal elastomer. Source: Mooney and Rivlin's law for one axis, from memory.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Law {
    /// First constant, N.
    pub a_n: f64,
    /// Second constant, N.
    pub b_n: f64,
}

impl Law {
    /// The ideal elastomer that pulls with so much at 100 % elongation.
    pub fn ideal(newtons_at_100: f64) -> Law {
        Law {
            a_n: newtons_at_100 / 1.75,
            b_n: 0.0,
        }
    }

    /// Tension in newtons at an elongation in percent; 0 when slack.
    ///
    /// ```
    /// use ritorno_core::mechanics::Law;
    ///
    /// let band = Law::ideal(20.0);
    /// assert!((band.force_n(100.0) - 20.0).abs() < 1e-12);
    /// // Half as long again pulls with more than half: rubber is stiffest at the beginning.
    /// assert!(band.force_n(50.0) > 10.0);
    /// assert_eq!(band.force_n(-5.0), 0.0);
    /// ```
    pub fn force_n(&self, elongation_pct: f64) -> f64 {
        if elongation_pct <= 0.0 {
            return 0.0;
        }
        let stretch = 1.0 + elongation_pct / 100.0;
        ((self.a_n + self.b_n / stretch) * (stretch - 1.0 / (stretch * stretch))).max(0.0)
    }

    /// Energy stored from slack to an elongation, for a band of so much slack length, J. Simpson's rule, 64 steps.
    pub fn energy_j(&self, elongation_pct: f64, slack_m: f64) -> f64 {
        let end = elongation_pct.max(0.0) / 100.0;
        let n = 64;
        let h = end / f64::from(n);
        let sum: f64 = (0..=n)
            .map(|i| {
                let weight = if i == 0 || i == n {
                    1.0
                } else if i % 2 == 1 {
                    4.0
                } else {
                    2.0
                };
                weight * self.force_n(100.0 * h * f64::from(i))
            })
            .sum();
        slack_m * h / 3.0 * sum
    }
}

/// One measured point.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PullPoint {
    /// Elongation in percent of the slack length.
    pub elongation_pct: f64,
    /// Tension in newtons.
    pub force_n: f64,
}

/// A fitted level.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Fit {
    /// The law.
    pub law: Law,
    /// Root mean square of the residuals, N.
    pub rms_n: f64,
    /// Tension at 100 % elongation, N: what a level is called by.
    pub at_100_n: f64,
    /// Greatest elongation that was measured, percent: beyond it the curve is a guess.
    pub measured_to_pct: f64,
    /// Covariance of (a, b), N².
    covariance: [f64; 3],
    /// Student's factor of the 95 % band for this many points.
    factor: f64,
}

impl Fit {
    /// Half-width of the 95 % band of the curve at an elongation, N.
    pub fn error_n(&self, elongation_pct: f64) -> f64 {
        if elongation_pct <= 0.0 {
            return 0.0;
        }
        let [x, y] = basis(elongation_pct);
        let [aa, ab, bb] = self.covariance;
        self.factor * (x * x * aa + 2.0 * x * y * ab + y * y * bb).max(0.0).sqrt()
    }
}

/// Points that make no calibration.
#[derive(Debug, Clone, Copy, PartialEq, Error)]
pub enum CalibrationError {
    /// Too few.
    #[error("needs at least 4 points, got {got}")]
    TooFew {
        /// How many came.
        got: usize,
    },
    /// Not ascending.
    #[error("point {point}: {given} % does not come after {before} %")]
    OutOfOrder {
        /// Which, from 1.
        point: usize,
        /// Its elongation.
        given: f64,
        /// That of the point before.
        before: f64,
    },
    /// Not a possible elongation.
    #[error("point {point}: {given} % is outside 1 to 400 %")]
    Elongation {
        /// Which, from 1.
        point: usize,
        /// Its elongation.
        given: f64,
    },
    /// Not a possible tension.
    #[error("point {point}: {given} N is outside 0.1 to 500 N")]
    Tension {
        /// Which, from 1.
        point: usize,
        /// Its tension.
        given: f64,
    },
    /// A longer band pulled less.
    #[error("point {point}: {given} N at a greater length is less than {before} N")]
    Weaker {
        /// Which, from 1.
        point: usize,
        /// Its tension.
        given: f64,
        /// That of the point before.
        before: f64,
    },
    /// All elongations lie too close together.
    #[error("the points lie between {from} and {to} %: spread them over at least 60 %")]
    Narrow {
        /// Least elongation.
        from: f64,
        /// Greatest.
        to: f64,
    },
}

fn basis(elongation_pct: f64) -> [f64; 2] {
    let stretch = 1.0 + elongation_pct / 100.0;
    let pull = stretch - 1.0 / (stretch * stretch);
    [pull, pull / stretch]
}

/// Student's t, 97.5 %. Without a degree of freedom nothing is known.
fn student(df: usize) -> f64 {
    let exact = StudentsT::new(0.0, 1.0, df as f64);
    exact.map_or(f64::INFINITY, |t| t.inverse_cdf(0.975))
}

/// Checks the points of a calibration.
///
/// # Errors
/// The first point that cannot be, with its place.
pub fn check_points(points: &[PullPoint]) -> Result<(), CalibrationError> {
    for (i, p) in points.iter().enumerate() {
        if !(1.0..=400.0).contains(&p.elongation_pct) {
            return Err(CalibrationError::Elongation {
                point: i + 1,
                given: p.elongation_pct,
            });
        }
        if !(0.1..=500.0).contains(&p.force_n) {
            return Err(CalibrationError::Tension {
                point: i + 1,
                given: p.force_n,
            });
        }
    }
    for (i, pair) in points.windows(2).enumerate() {
        if pair[1].elongation_pct <= pair[0].elongation_pct {
            return Err(CalibrationError::OutOfOrder {
                point: i + 2,
                given: pair[1].elongation_pct,
                before: pair[0].elongation_pct,
            });
        }
        // A gauge shakes: a little less is noise, a tenth less is a mix-up.
        if pair[1].force_n < pair[0].force_n * 0.9 {
            return Err(CalibrationError::Weaker {
                point: i + 2,
                given: pair[1].force_n,
                before: pair[0].force_n,
            });
        }
    }
    if points.len() < 4 {
        return Err(CalibrationError::TooFew { got: points.len() });
    }
    let (from, to) = (
        points[0].elongation_pct,
        points[points.len() - 1].elongation_pct,
    );
    if to - from < 60.0 {
        return Err(CalibrationError::Narrow { from, to });
    }
    Ok(())
}

/// Fits the law to measured points by least squares.
///
/// # Errors
/// As [`check_points`].
pub fn fit(points: &[PullPoint]) -> Result<Fit, CalibrationError> {
    check_points(points)?;
    let (mut xx, mut xy, mut yy, mut xf, mut yf) = (0.0, 0.0, 0.0, 0.0, 0.0);
    for p in points {
        let [x, y] = basis(p.elongation_pct);
        xx += x * x;
        xy += x * y;
        yy += y * y;
        xf += x * p.force_n;
        yf += y * p.force_n;
    }
    // At least 60 % apart the two shapes differ, so the determinant is never near zero.
    let det = xx * yy - xy * xy;
    let law = Law {
        a_n: (yy * xf - xy * yf) / det,
        b_n: (xx * yf - xy * xf) / det,
    };
    let residual = |p: &PullPoint| {
        let [x, y] = basis(p.elongation_pct);
        p.force_n - law.a_n * x - law.b_n * y
    };
    let squares: f64 = points.iter().map(|p| residual(p).powi(2)).sum();
    let df = points.len() - 2;
    let variance = squares / df as f64;
    Ok(Fit {
        law,
        rms_n: (squares / points.len() as f64).sqrt(),
        at_100_n: law.force_n(100.0),
        measured_to_pct: points.last().map_or(0.0, |p| p.elongation_pct),
        covariance: [
            yy * variance / det,
            -xy * variance / det,
            xx * variance / det,
        ],
        factor: student(df),
    })
}

/// How much a level has drifted at 100 % elongation since it was last measured, in percent; bands weaken with use.
pub fn drift_pct(before: &Fit, now: &Fit) -> f64 {
    100.0 * (now.at_100_n / before.at_100_n - 1.0)
}
