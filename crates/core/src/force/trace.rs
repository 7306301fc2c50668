//! From a device's samples to one push.

use crate::knowledge::Knowledge;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// One sample of a device: seconds since the start, newtons.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ForceSample {
    /// Seconds since the start.
    pub t_s: f64,
    /// Newtons.
    pub force_n: f64,
}

/// What the samples say.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TraceMeasurement {
    /// Greatest force, after a median of five: a single spike is no force.
    pub peak_n: f64,
    /// Mean over the plateau, from the first to the last sample near the peak (threshold `push-plateau-pct`).
    pub mean_n: f64,
    /// From the onset (`push-onset-pct` of the peak) to the top (`push-top-pct`): along a plateau the very peak lies anywhere.
    pub time_to_peak_s: f64,
    /// Standard deviation over the plateau in percent of its mean.
    pub variation_pct: f64,
    /// What is wrong with the samples; anything here keeps the trial from being used.
    pub faults: Vec<Reason>,
}

/// Seconds that the clock of a device can count to; what lies beyond is no time, and the span between two such is no number.
const CLOCK_S: f64 = u32::MAX as f64;

/// Reads a trace.
///
/// Garbage is flagged and kept, never silently used: samples that are no number or impossible, time that runs backwards,
/// gaps, a trace too short. Source: procedure as commonly taught; the bounds are rows of `thresholds.toml`.
pub fn read_trace(known: &Knowledge, samples: &[ForceSample]) -> TraceMeasurement {
    let bound = |id: &str| known.threshold(id);
    let possible = bound("force-possible-least-n")..=bound("force-possible-most-n");
    let is_sound = |s: &ForceSample| s.t_s.abs() <= CLOCK_S && possible.contains(&s.force_n);
    let mut faults = Vec::new();
    let sound: Vec<ForceSample> = samples.iter().copied().filter(is_sound).collect();
    let impossible = samples.len() - sound.len();
    if impossible > 0 {
        faults.push(Reason::new("trace-impossible").with("n", impossible as f64));
    }
    if sound.windows(2).any(|w| w[1].t_s <= w[0].t_s) {
        faults.push(Reason::new("trace-time"));
    }
    let longest = sound
        .windows(2)
        .map(|w| w[1].t_s - w[0].t_s)
        .fold(0.0, f64::max);
    if longest > bound("force-gap-s") {
        faults.push(Reason::new("trace-gap").with("seconds", (longest * 100.0).round() / 100.0));
    }
    let smooth: Vec<f64> = (0..sound.len())
        .map(|i| {
            let mut five: Vec<f64> = sound[i.saturating_sub(2)..(i + 3).min(sound.len())]
                .iter()
                .map(|s| s.force_n)
                .collect();
            five.sort_unstable_by(f64::total_cmp);
            five[five.len() / 2]
        })
        .collect();
    let Some(peak_n) = smooth.iter().copied().reduce(f64::max) else {
        faults.push(Reason::new("trace-empty"));
        return TraceMeasurement {
            peak_n: 0.0,
            mean_n: 0.0,
            time_to_peak_s: 0.0,
            variation_pct: 0.0,
            faults,
        };
    };
    let share = |id: &str| bound(id) / 100.0 * peak_n;
    let first_from = |least: f64| smooth.iter().position(|f| *f >= least).unwrap_or(0);
    let (onset, reached) = (
        first_from(share("push-onset-pct")),
        first_from(share("push-top-pct")),
    );
    let plateau_n = share("push-plateau-pct");
    let held: Vec<usize> = (0..smooth.len())
        .filter(|i| smooth[*i] >= plateau_n)
        .collect();
    let (from, to) = (
        held.first().copied().unwrap_or(0),
        held.last().copied().unwrap_or(0),
    );
    let plateau: Vec<f64> = sound[from..=to].iter().map(|s| s.force_n).collect();
    let mean_n = plateau.iter().sum::<f64>() / plateau.len() as f64;
    let variance = plateau.iter().map(|f| (f - mean_n).powi(2)).sum::<f64>()
        / (plateau.len().max(2) - 1) as f64;
    let least_s = bound("push-least-s");
    if peak_n < bound("push-least-n") {
        faults.push(Reason::new("trace-no-push"));
    } else if sound.last().map_or(0.0, |s| s.t_s) - sound[onset].t_s < least_s {
        faults.push(Reason::new("trace-short").with("seconds", least_s));
    }
    TraceMeasurement {
        peak_n,
        mean_n,
        time_to_peak_s: sound[reached].t_s - sound[onset].t_s,
        variation_pct: if mean_n > 0.0 {
            100.0 * variance.sqrt() / mean_n
        } else {
            0.0
        },
        faults,
    }
}
