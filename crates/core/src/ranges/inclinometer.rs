//! The angle that an inclinometer was held at.

use crate::knowledge::Knowledge;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// One sample of an inclinometer.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AngleSample {
    /// Seconds since the start.
    pub t_s: f64,
    /// Degrees.
    pub angle_deg: f64,
}

/// What the samples say.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AngleMeasurement {
    /// Mean of the half second in which the angle was greatest, whole degrees; absent when nothing was held.
    pub held_deg: Option<f64>,
    /// Standard deviation in that half second, degrees.
    pub unsteady_deg: f64,
    /// What is wrong; anything here leaves the number to the clinician.
    pub faults: Vec<Reason>,
}

/// Reads a lift: the greatest angle that was held for half a second, not the greatest that was touched.
///
/// Samples that are no number or no angle are left out and said. Source: our choice, because a clinician reads the dial when
/// the arm stands still; no published procedure. The bounds are rows of `thresholds.toml`.
pub fn read_angle(known: &Knowledge, samples: &[AngleSample]) -> AngleMeasurement {
    let bound = |id: &str| known.threshold(id);
    let possible = bound("angle-possible-least-deg")..=bound("angle-possible-most-deg");
    let (held_s, steady_deg) = (bound("angle-held-s"), bound("angle-steady-deg"));
    let least_samples = bound("angle-least-samples") as usize;
    let mut faults = Vec::new();
    let sound: Vec<&AngleSample> = samples
        .iter()
        .filter(|s| s.t_s.is_finite() && possible.contains(&s.angle_deg))
        .collect();
    if sound.len() < samples.len() {
        faults
            .push(Reason::new("angle-impossible").with("n", (samples.len() - sound.len()) as f64));
    }
    let spread = |window: &[&AngleSample]| {
        let n = window.len() as f64;
        let mean = window.iter().map(|s| s.angle_deg).sum::<f64>() / n;
        (
            mean,
            (window
                .iter()
                .map(|s| (s.angle_deg - mean).powi(2))
                .sum::<f64>()
                / n)
                .sqrt(),
        )
    };
    let mut best: Option<(f64, f64)> = None;
    let mut to = 0;
    for from in 0..sound.len() {
        while to < sound.len() && sound[to].t_s - sound[from].t_s < held_s {
            to += 1;
        }
        if to == sound.len() {
            break;
        }
        // A hold needs samples all along it.
        let window = &sound[from..to];
        let (mean, wobble) = spread(window);
        if window.len() >= least_samples
            && wobble <= steady_deg
            && best.is_none_or(|(so_far, _)| mean > so_far)
        {
            best = Some((mean, wobble));
        }
    }
    if best.is_none() {
        faults.push(Reason::new("angle-not-held").with("seconds", held_s));
    }
    AngleMeasurement {
        held_deg: best.map(|(mean, _)| mean.round()),
        unsteady_deg: best.map_or(0.0, |(_, wobble)| wobble),
        faults,
    }
}
