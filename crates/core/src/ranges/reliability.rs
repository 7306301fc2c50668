//! How well raters agree: intraclass correlations, the error of one measurement, and the smallest change that is more than error.

use serde::{Deserialize, Serialize};
use statrs::distribution::{ContinuousCDF, FisherSnedecor};
use thiserror::Error;

/// An estimate with its 95 % interval.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Estimate {
    /// The estimate.
    pub value: f64,
    /// Lower end.
    pub low: f64,
    /// Upper end.
    pub high: f64,
}

/// The word for an intraclass correlation, by the thresholds `agreement-*`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum IccBand {
    /// Below all bands.
    Poor,
    /// From the first.
    Moderate,
    /// From the second.
    Good,
    /// From the third.
    Excellent,
}

/// The word for an estimate; `bands` say from where on it is moderate, good, excellent.
pub fn icc_band(value: f64, bands: [f64; 3]) -> IccBand {
    match bands.iter().filter(|b| value >= **b).count() {
        0 => IccBand::Poor,
        1 => IccBand::Moderate,
        2 => IccBand::Good,
        _ => IccBand::Excellent,
    }
}

/// What a table of ratings says.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reliability {
    /// Subjects.
    pub subjects: usize,
    /// Raters.
    pub raters: usize,
    /// ICC(2,1): any rater of the clinic, absolute agreement.
    pub icc_2_1: Estimate,
    /// ICC(3,1): these raters, consistency.
    pub icc_3_1: Estimate,
    /// Word for the first: poor, moderate, good, excellent.
    pub band_2_1: IccBand,
    /// Word for the second.
    pub band_3_1: IccBand,
    /// From where on an estimate is called moderate, good, excellent.
    pub bands: [f64; 3],
    /// Standard error of one measurement by any rater, in the unit of the ratings.
    pub sem: f64,
    /// Smallest detectable change at 95 %, any rater.
    pub mdc95: f64,
    /// Standard error of one measurement by the same rater.
    pub sem_same_rater: f64,
    /// Smallest detectable change at 95 %, same rater.
    pub mdc95_same_rater: f64,
}

/// Why a table cannot be judged.
#[derive(Debug, Clone, PartialEq, Error)]
pub enum ReliabilityError {
    /// Fewer than three subjects or two raters.
    #[error("needs at least 3 subjects and 2 raters, got {subjects} and {raters}")]
    TooFew {
        /// Subjects given.
        subjects: usize,
        /// Raters given.
        raters: usize,
    },
    /// A row has another length than the first.
    #[error("row {row} has {got} ratings instead of {wanted}")]
    Ragged {
        /// Row, from 0.
        row: usize,
        /// Its length.
        got: usize,
        /// The first row's length.
        wanted: usize,
    },
    /// A rating is not a number.
    #[error("row {row}, rater {rater}: not a number")]
    NotANumber {
        /// Row, from 0.
        row: usize,
        /// Column, from 0.
        rater: usize,
    },
    /// All subjects are alike: agreement cannot be told from chance.
    #[error("the subjects do not differ from each other")]
    NoSpread,
}

/// Judges `ratings[subject][rater]`; `bands` as [`crate::knowledge::Knowledge::agreement_bands`].
///
/// Two-way analysis of variance; ICC(2,1) and ICC(3,1) with intervals as in Shrout and Fleiss 1979 and McGraw and Wong
/// 1996; the standard error of one measurement from the components of variance: √(raters + rest) for any rater, √rest for the same one;
/// MDC95 = 1.96·√2·SEM (standard). All from memory, checked against the published table and a statistics package. Units: those of
/// the ratings.
///
/// # Errors
/// Too few, ragged, not numbers, or no spread.
pub fn reliability(ratings: &[Vec<f64>], bands: [f64; 3]) -> Result<Reliability, ReliabilityError> {
    let (subjects, raters) = (ratings.len(), ratings.first().map_or(0, Vec::len));
    if subjects < 3 || raters < 2 {
        return Err(ReliabilityError::TooFew { subjects, raters });
    }
    for (row, values) in ratings.iter().enumerate() {
        if values.len() != raters {
            return Err(ReliabilityError::Ragged {
                row,
                got: values.len(),
                wanted: raters,
            });
        }
        if let Some(rater) = values.iter().position(|v| !v.is_finite()) {
            return Err(ReliabilityError::NotANumber { row, rater });
        }
    }
    let (n, k) = (subjects as f64, raters as f64);
    let grand = ratings.iter().flatten().sum::<f64>() / (n * k);
    let square = |x: f64| x * x;
    let rows: f64 = ratings
        .iter()
        .map(|r| k * square(r.iter().sum::<f64>() / k - grand))
        .sum();
    let columns: f64 = (0..raters)
        .map(|j| n * square(ratings.iter().map(|r| r[j]).sum::<f64>() / n - grand))
        .sum();
    let total: f64 = ratings.iter().flatten().map(|v| square(v - grand)).sum();
    let error = (total - rows - columns).max(0.0);
    let (msr, msc, mse) = (
        rows / (n - 1.0),
        columns / (k - 1.0),
        error / ((n - 1.0) * (k - 1.0)),
    );
    if msr <= 1e-12 * (1.0 + grand * grand) {
        return Err(ReliabilityError::NoSpread);
    }
    let icc_2_1 = agreement(msr, msc, mse, n, k);
    let icc_3_1 = consistency(msr, mse, n, k);
    // Between measurements of one rater the raters' own levels do not count.
    let between_raters = ((msc - mse) / n).max(0.0);
    let (sem, sem_same_rater) = ((between_raters + mse).sqrt(), mse.sqrt());
    Ok(Reliability {
        subjects,
        raters,
        icc_2_1,
        icc_3_1,
        band_2_1: icc_band(icc_2_1.value, bands),
        band_3_1: icc_band(icc_3_1.value, bands),
        bands,
        sem,
        mdc95: mdc95(sem),
        sem_same_rater,
        mdc95_same_rater: mdc95(sem_same_rater),
    })
}

/// The smallest change that is more than error: MDC95 = 1.96·√2·SEM, in the unit of the standard error.
///
/// ```
/// // A standard error of 3 degrees hides changes below about 8 degrees.
/// let smallest = ritorno_core::ranges::mdc95(3.0);
/// assert!((smallest - 8.3).abs() < 0.1);
/// ```
///
/// Source: Weir 2005 (J Strength Cond Res), from memory.
pub fn mdc95(sem: f64) -> f64 {
    1.96 * std::f64::consts::SQRT_2 * sem
}

/// The 97.5 % point of F; infinite where a degree of freedom vanishes.
fn f_point(d1: f64, d2: f64) -> f64 {
    FisherSnedecor::new(d1, d2).map_or(f64::INFINITY, |f| f.inverse_cdf(0.975))
}

fn agreement(msr: f64, msc: f64, mse: f64, n: f64, k: f64) -> Estimate {
    let value = (msr - mse) / (msr + (k - 1.0) * mse + k * (msc - mse) / n);
    if mse <= 0.0 {
        return Estimate {
            value,
            low: value,
            high: value,
        };
    }
    let fj = msc / mse;
    let part = n * (1.0 + (k - 1.0) * value) - k * value;
    let v = (k - 1.0) * (n - 1.0) * (k * value * fj + part).powi(2)
        / ((n - 1.0) * (k * value * fj).powi(2) + part.powi(2));
    let rest = k * msc + (k * n - k - n) * mse;
    let (fl, fu) = (f_point(n - 1.0, v), f_point(v, n - 1.0));
    Estimate {
        value,
        low: n * (msr - fl * mse) / (fl * rest + n * msr),
        high: n * (fu * msr - mse) / (rest + n * fu * msr),
    }
}

fn consistency(msr: f64, mse: f64, n: f64, k: f64) -> Estimate {
    let value = (msr - mse) / (msr + (k - 1.0) * mse);
    if mse <= 0.0 {
        return Estimate {
            value,
            low: value,
            high: value,
        };
    }
    let f0 = msr / mse;
    let (d1, d2) = (n - 1.0, (n - 1.0) * (k - 1.0));
    let (fl, fu) = (f0 / f_point(d1, d2), f0 * f_point(d2, d1));
    Estimate {
        value,
        low: (fl - 1.0) / (fl + k - 1.0),
        high: (fu - 1.0) / (fu + k - 1.0),
    }
}
