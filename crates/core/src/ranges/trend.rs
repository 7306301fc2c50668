//! Where a range is heading: a line through its measurements that one odd measurement cannot bend, and when it may get somewhere.

use crate::calendar::{EpisodeDay, WEEK};
use crate::knowledge::Knowledge;
use serde::{Deserialize, Serialize};
use statrs::distribution::{ContinuousCDF, Normal};

/// Chance outside the interval: 80 % intervals throughout, since four points cannot carry 95 %.
const OUTSIDE: f64 = 0.2;

/// How many slopes are tried with how many levels each.
const DRAWN: u32 = 24;

/// How many weeks the fan reaches.
const FAN_WEEKS: EpisodeDay = 6;

/// A line through measurements, with an 80 % interval of its slope.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Trend {
    /// First day that counts.
    pub from_day: EpisodeDay,
    /// Last day that counts.
    pub to_day: EpisodeDay,
    /// On the line on the last day, in the quantity's unit.
    pub at_last: f64,
    /// Change in a week.
    pub per_week: f64,
    /// The 80 % interval of that.
    pub per_week_low: f64,
    /// Its upper end.
    pub per_week_high: f64,
    /// The line is never followed beyond this: the other side, or the usual measurement.
    pub cap: f64,
    /// When the next thing that is asked may be reached.
    pub reach: Option<Reach>,
    /// Where it may lie from the last day on, a week apart: what the days above are told by.
    pub fan: Vec<FanDay>,
    /// Where the line is known best, and how well; no part of what is sent.
    #[serde(skip)]
    middle: Middle,
}

/// The point that a line passes through: the medians of days and values, with the spread of its level.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
struct Middle {
    day: f64,
    level: f64,
    /// Standard deviation of the level, in the quantity's unit.
    spread: f64,
}

/// The 80 % interval of the line on a day, in the quantity's unit.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FanDay {
    /// The day.
    pub day: EpisodeDay,
    /// Its lower end.
    pub low: f64,
    /// Its upper end.
    pub high: f64,
}

/// When a value may be reached; a day that cannot be said is left out.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reach {
    /// What is to be reached.
    pub target: f64,
    /// The early end of the 80 % interval.
    pub earliest: Option<EpisodeDay>,
    /// On the line.
    pub middle: Option<EpisodeDay>,
    /// The late end of it.
    pub latest: Option<EpisodeDay>,
}

/// What a line must rest on, and how far it is followed.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct TrendBounds {
    /// Fewest measurements.
    pub measurements: usize,
    /// Fewest days from the first to the last.
    pub days: EpisodeDay,
    /// Most days that it is followed.
    pub furthest_days: f64,
}

impl TrendBounds {
    /// The bounds of `thresholds.toml`.
    pub fn of(known: &Knowledge) -> Self {
        TrendBounds {
            measurements: known.threshold("trend-least-measurements") as usize,
            days: known.threshold("trend-least-days") as EpisodeDay,
            furthest_days: known.threshold("trend-furthest-days"),
        }
    }
}

impl Trend {
    /// The line through `measurements` (day and value, any order, one or more a day), or `None` where they do not carry one.
    ///
    /// ```
    /// use ritorno_core::ranges::{Trend, TrendBounds};
    ///
    /// let least = TrendBounds { measurements: 4, days: 14, furthest_days: 365.0 };
    /// let weekly = [(14, 70.0), (21, 80.0), (28, 90.0), (35, 100.0)];
    /// let line = Trend::of(&weekly, 165.0, least).expect("four measurements over three weeks");
    /// assert!((line.per_week - 10.0).abs() < 1e-9);
    /// // One odd measurement does not bend the line.
    /// let odd = [(14, 70.0), (21, 80.0), (28, 20.0), (35, 100.0), (42, 110.0)];
    /// assert!((Trend::of(&odd, 165.0, least).expect("a line").per_week - 10.0).abs() < 1e-9);
    /// // Three measurements carry no line.
    /// assert!(Trend::of(&weekly[..3], 165.0, least).is_none());
    /// ```
    ///
    /// Theil–Sen: the median of the slopes between all pairs of different days; its interval after Sen 1968, with ties. The
    /// line passes through the medians of days and values. Measurements that only say "at least" must be left out by the caller.
    /// Source: Theil 1950, Sen 1968 (J Am Stat Assoc), from memory; checked against a general statistics package.
    pub fn of(measurements: &[(EpisodeDay, f64)], cap: f64, least: TrendBounds) -> Option<Trend> {
        let (first, last) = (
            measurements.iter().map(|r| r.0).min()?,
            measurements.iter().map(|r| r.0).max()?,
        );
        if measurements.len() < least.measurements || last - first < least.days {
            return None;
        }
        let days: Vec<f64> = measurements.iter().map(|r| f64::from(r.0)).collect();
        let values: Vec<f64> = measurements.iter().map(|r| r.1).collect();
        let (slope, [low, high]) = theil_sen(&days, &values, OUTSIDE)?;
        let middle = Middle::of(&days, &values, slope);
        let at_last = middle.level + slope * (f64::from(last) - middle.day);
        let week = f64::from(WEEK);
        let mut trend = Trend {
            from_day: first,
            to_day: last,
            at_last: at_last.min(cap),
            per_week: slope * week,
            per_week_low: low * week,
            per_week_high: high * week,
            cap,
            reach: None,
            fan: Vec::new(),
            middle,
        };
        trend.fan = trend.fanned();
        Some(trend)
    }

    /// With the days on which `target` may be reached, none of them before `from`; none beyond the cap, where the line says nothing.
    ///
    /// Both the slope and the level are uncertain, so the interval is that of the day on which a line would get there whose slope and
    /// level are drawn from theirs: with the slope alone it held the true day in 36 to 84 % of simulated recoveries instead of 80
    /// (`core/tests/it/trend.rs` counts; now 85 to 93 %, too wide rather than too narrow).
    #[must_use]
    pub fn toward(mut self, target: f64, from: EpisodeDay, furthest_days: f64) -> Trend {
        let on = |days: f64| -> Option<EpisodeDay> {
            (target <= self.cap && days <= furthest_days)
                .then(|| (self.to_day + days.max(0.0).ceil() as EpisodeDay).max(from))
        };
        let (early, late) = self.days_to(target);
        let straight = if self.per_week > 0.0 {
            (target - self.at_last) / self.per_week * f64::from(WEEK)
        } else {
            f64::INFINITY
        };
        self.reach = Some(Reach {
            target,
            earliest: on(early.min(straight)),
            middle: on(straight),
            latest: on(late.max(straight)),
        });
        self
    }

    /// The ends of the 80 % interval of the days from the last measurement until `target`; infinite where it may never come.
    fn days_to(&self, target: f64) -> (f64, f64) {
        let day = |(slope, level): (f64, f64)| {
            if slope > 0.0 {
                self.middle.day + (target - level) / slope - f64::from(self.to_day)
            } else {
                f64::INFINITY
            }
        };
        ends(self.drawn().map(day).collect())
    }

    /// Lines whose slopes in a day and levels on the middle day are drawn evenly from theirs.
    fn drawn(&self) -> impl Iterator<Item = (f64, f64)> {
        let week = f64::from(WEEK);
        let (slope, low, high) = (
            self.per_week / week,
            self.per_week_low / week,
            self.per_week_high / week,
        );
        let Middle { level, spread, .. } = self.middle;
        let end = quantile(1.0 - OUTSIDE / 2.0);
        let steps = || (0..DRAWN).map(|i| quantile((f64::from(i) + 0.5) / f64::from(DRAWN)));
        steps().flat_map(move |z| {
            // The interval of the slope need not lie evenly around it.
            let side = if z > 0.0 { high - slope } else { slope - low };
            let drawn = slope + z / end * side;
            steps().map(move |z| (drawn, level + z * spread))
        })
    }

    /// Where those lines lie from the last day on, never beyond the cap.
    fn fanned(&self) -> Vec<FanDay> {
        (0..=FAN_WEEKS)
            .map(|week| {
                let day = self.to_day + week * WEEK;
                let on = f64::from(day) - self.middle.day;
                let (low, high) = ends(
                    self.drawn()
                        .map(|(slope, level)| level + slope * on)
                        .collect(),
                );
                FanDay {
                    day,
                    low: low.min(self.cap),
                    high: high.min(self.cap),
                }
            })
            .collect()
    }
}

impl Middle {
    /// The spread is that of a median of values around the line: of one value where their number is odd, of two where it is even.
    fn of(days: &[f64], values: &[f64], slope: f64) -> Middle {
        let (day, level) = (median(days.to_vec()), median(values.to_vec()));
        let off = days.iter().zip(values);
        let squares: f64 = off
            .map(|(d, v)| (v - level - slope * (d - day)).powi(2))
            .sum();
        let n = values.len();
        let one = (squares / (n.max(3) - 2) as f64).sqrt();
        let counted = if n.is_multiple_of(2) { 2.0 } else { 1.0 };
        Middle {
            day,
            level,
            spread: one / f64::sqrt(counted),
        }
    }
}

/// The ends of the 80 % interval of what was drawn.
fn ends(mut drawn: Vec<f64>) -> (f64, f64) {
    drawn.sort_by(f64::total_cmp);
    let at = |share: f64| drawn[(share * (drawn.len() - 1) as f64).round() as usize];
    (at(OUTSIDE / 2.0), at(1.0 - OUTSIDE / 2.0))
}

/// A quantile of the standard normal distribution.
fn quantile(share: f64) -> f64 {
    Normal::standard().inverse_cdf(share)
}

/// Slope and its interval with `outside` as the chance of lying outside; `None` when all lie on one day.
fn theil_sen(x: &[f64], y: &[f64], outside: f64) -> Option<(f64, [f64; 2])> {
    let mut slopes: Vec<f64> = Vec::with_capacity(x.len() * x.len() / 2);
    for i in 0..x.len() {
        for j in 0..i {
            if (x[i] - x[j]).abs() > 0.0 {
                slopes.push((y[i] - y[j]) / (x[i] - x[j]));
            }
        }
    }
    if slopes.is_empty() {
        return None;
    }
    slopes.sort_by(f64::total_cmp);
    let z = quantile(1.0 - outside / 2.0);
    let n = x.len() as f64;
    let ties = |v: &[f64]| -> f64 {
        tie_sizes(v)
            .into_iter()
            .map(|k| k * (k - 1.0) * (2.0 * k + 5.0))
            .sum()
    };
    let variance = (n * (n - 1.0) * (2.0 * n + 5.0) - ties(x) - ties(y)) / 18.0;
    let pairs = slopes.len() as f64;
    let reach = z * variance.max(0.0).sqrt();
    let at = |place: f64| slopes[(place.max(0.0) as usize).min(slopes.len() - 1)];
    let low = at(((pairs - reach) / 2.0).round_ties_even() - 1.0);
    let high = at(((pairs + reach) / 2.0).round_ties_even());
    Some((median(slopes.clone()), [low, high]))
}

fn tie_sizes(values: &[f64]) -> Vec<f64> {
    let mut sorted = values.to_vec();
    sorted.sort_by(f64::total_cmp);
    sorted
        .chunk_by(|a, b| a == b)
        .map(|same| same.len() as f64)
        .collect()
}

fn median(mut values: Vec<f64>) -> f64 {
    values.sort_by(f64::total_cmp);
    let n = values.len();
    if n == 0 {
        return f64::NAN;
    }
    f64::midpoint(values[(n - 1) / 2], values[n / 2])
}
