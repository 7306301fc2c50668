//! The clinic's elastics: each level with its measured law, its age and its drift.

use crate::facts::Calibration;
use crate::knowledge::Knowledge;
use crate::mechanics::{Fit, Law, PullPoint, fit};
use crate::reason::Reason;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// A level in use.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ElasticLevel {
    /// 1 to 6.
    pub level: u32,
    /// What the clinic calls it; empty without its own.
    pub label: String,
    /// Tension at 100 % elongation, N.
    pub at_100_n: f64,
    /// How it pulls.
    pub law: Law,
    /// The clinic's own fit, where it has measured.
    pub fit: Option<Fit>,
    /// Its points.
    pub points: Vec<PullPoint>,
    /// When they were measured.
    pub measured_on: Option<NaiveDate>,
    /// Change at 100 % against the measurement before, percent.
    pub drift_pct: Option<f64>,
    /// The curve to draw: elongation, tension, half-width of its 95 % band.
    pub drawn: Vec<[f64; 3]>,
    /// What to mind: drifted, measured long ago.
    pub minds: Vec<Reason>,
}

/// All levels, the clinic's own before the defaults. `measured` is oldest first.
pub fn elastic_levels(
    known: &Knowledge,
    measured: &[Calibration],
    today: NaiveDate,
) -> Vec<ElasticLevel> {
    let worn = known.threshold("elastic-drift-pct");
    let again = known.threshold("elastic-again-days");
    known
        .elastics
        .iter()
        .map(|row| {
            let (invented, own): (Vec<&Calibration>, Vec<&Calibration>) = measured
                .iter()
                .filter(|c| c.level == row.level)
                .partition(|c| c.simulated);
            // Points were checked when they were kept; what can no longer be fitted falls back to the default, and says so.
            let fits: Vec<Fit> = own.iter().filter_map(|c| fit(&c.points).ok()).collect();
            let newest = own.last();
            let found = fits.last().cloned();
            let drift_pct = fits
                .len()
                .checked_sub(2)
                .map(|i| crate::mechanics::drift_pct(&fits[i], &fits[i + 1]));
            let mut minds = Vec::new();
            if !invented.is_empty() {
                minds.push(Reason::new("elastic-simulated"));
            }
            if let Some(drift) = drift_pct.filter(|d| d.abs() > worn) {
                minds.push(
                    Reason::new("elastic-drifted")
                        .with("percent", drift.round())
                        .with("limit", worn),
                );
            }
            if newest.is_some_and(|c| (today - c.on).num_days() as f64 > again) {
                minds.push(Reason::new("elastic-old"));
            }
            if found.is_none() {
                minds.push(Reason::new("elastic-default").with("force", row.at_100_n));
            }
            let law = found
                .as_ref()
                .map_or_else(|| Law::ideal(row.at_100_n), |f| f.law);
            let drawn = (0..=50)
                .map(|i| {
                    let pct = f64::from(i) * 5.0;
                    [
                        pct,
                        law.force_n(pct),
                        found.as_ref().map_or(0.0, |f| f.error_n(pct)),
                    ]
                })
                .collect();
            ElasticLevel {
                level: row.level,
                label: newest.map(|c| c.label.clone()).unwrap_or_default(),
                at_100_n: law.force_n(100.0),
                law,
                points: newest.map(|c| c.points.clone()).unwrap_or_default(),
                measured_on: newest.map(|c| c.on),
                fit: found,
                drift_pct,
                drawn,
                minds,
            }
        })
        .collect()
}
