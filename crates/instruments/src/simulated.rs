//! Simulated devices: a push or a lift with ramp, plateau, tremor, drift and drop-outs, the same for the same seed.

use crate::{Instrument, Lost, Quantity, Sample};
use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::{RngCore, SeedableRng};
use rand_distr::{Distribution, Normal};

const RATE_HZ: f64 = 100.0;
const BATCH: usize = 10;

/// One push, or one lift.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Push {
    /// Level of the plateau, in the device's unit.
    pub plateau: f64,
    /// Seconds of quiet before it.
    pub rest_s: f64,
    /// Seconds to the plateau.
    pub ramp_s: f64,
    /// Seconds on the plateau.
    pub hold_s: f64,
    /// Standard deviation of the tremor, in percent of the plateau.
    pub tremor_pct: f64,
    /// Change along the plateau in percent a second; fatigue is negative.
    pub drift_pct_s: f64,
    /// Share of samples that never arrive, 0 to 1.
    pub drop_out: f64,
    /// Second at which the device is lost.
    pub lost_at_s: Option<f64>,
}

impl Default for Push {
    fn default() -> Self {
        Push {
            plateau: 120.0,
            rest_s: 0.4,
            ramp_s: 1.2,
            hold_s: 3.4,
            tremor_pct: 1.5,
            drift_pct_s: -1.0,
            drop_out: 0.0,
            lost_at_s: None,
        }
    }
}

impl Push {
    /// The level at a time, without tremor. Smooth at both ends.
    fn level(&self, t_s: f64) -> f64 {
        let rise = ((t_s - self.rest_s) / self.ramp_s).clamp(0.0, 1.0);
        let held = (t_s - self.rest_s - self.ramp_s).max(0.0);
        let fall = 1.0 - ((held - self.hold_s) / 0.4).clamp(0.0, 1.0);
        let smooth = |x: f64| x * x * (3.0 - 2.0 * x);
        self.plateau
            * smooth(rise)
            * smooth(fall)
            * (1.0 + self.drift_pct_s / 100.0 * held.min(self.hold_s))
    }

    fn end_s(&self) -> f64 {
        self.rest_s + self.ramp_s + self.hold_s + 0.8
    }
}

/// What both devices share.
#[derive(Debug)]
struct Source {
    push: Push,
    random: ChaCha8Rng,
    at: usize,
}

impl Source {
    fn new(push: Push, seed: u64) -> Self {
        Source {
            push,
            random: ChaCha8Rng::seed_from_u64(seed),
            at: 0,
        }
    }

    fn batch(&mut self) -> Result<Option<Vec<Sample>>, Lost> {
        let start_s = self.at as f64 / RATE_HZ;
        if self.push.lost_at_s.is_some_and(|lost| start_s >= lost) {
            return Err(Lost);
        }
        if start_s >= self.push.end_s() {
            return Ok(None);
        }
        let mut out = Vec::with_capacity(BATCH);
        for _ in 0..BATCH {
            let t_s = self.at as f64 / RATE_HZ;
            self.at += 1;
            let level = self.push.level(t_s);
            // Tremor grows with the effort; a device at rest still flickers a little.
            let spread = (level.abs() * self.push.tremor_pct / 100.0).max(0.15);
            let shake = Normal::new(0.0, spread).map_or(0.0, |n| n.sample(&mut self.random));
            let kept =
                f64::from(self.random.next_u32()) / f64::from(u32::MAX) >= self.push.drop_out;
            if kept {
                out.push(Sample {
                    t_s,
                    value: level + shake,
                });
            }
        }
        Ok(Some(out))
    }
}

/// A simulated hand-held dynamometer.
#[derive(Debug)]
pub struct Dynamometer(Source);

impl Dynamometer {
    /// One push; the same seed gives the same samples.
    pub fn new(push: Push, seed: u64) -> Self {
        Dynamometer(Source::new(push, seed))
    }
}

impl Instrument for Dynamometer {
    fn quantity(&self) -> Quantity {
        Quantity::ForceN
    }
    fn rate_hz(&self) -> f64 {
        RATE_HZ
    }
    fn next_batch(&mut self) -> Result<Option<Vec<Sample>>, Lost> {
        self.0.batch()
    }
}

/// A simulated inclinometer.
#[derive(Debug)]
pub struct Inclinometer(Source);

impl Inclinometer {
    /// One lift to an angle; the same seed gives the same samples.
    pub fn new(lift: Push, seed: u64) -> Self {
        Inclinometer(Source::new(lift, seed))
    }
}

impl Instrument for Inclinometer {
    fn quantity(&self) -> Quantity {
        Quantity::AngleDeg
    }
    fn rate_hz(&self) -> f64 {
        RATE_HZ
    }
    fn next_batch(&mut self) -> Result<Option<Vec<Sample>>, Lost> {
        self.0.batch()
    }
}
