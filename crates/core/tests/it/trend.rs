//! Where a range is heading: against a general statistics package (`oracles/trend.json`, made by `oracles/trend.py`), and by
//! what must hold for any measurements.

use super::shoulder::*;
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::StopReason;
use ritorno_core::ranges::{Trend, TrendBounds, corridor_views};
use serde::Deserialize;

fn trend_of(measurements: &[(i32, f64)], cap: f64) -> Option<Trend> {
    Trend::of(measurements, cap, TrendBounds::of(known()))
}

#[derive(Deserialize)]
struct Case {
    kind: String,
    days: Vec<i32>,
    values: Vec<f64>,
    slope: f64,
    low: f64,
    high: f64,
    at_last: f64,
}

#[test]
fn slopes_and_intervals_equal_those_of_a_statistics_package() {
    let cases: Vec<Case> =
        serde_json::from_str(include_str!("../oracles/trend.json")).expect("the frozen answers");
    assert!(cases.len() >= 20);
    for case in cases {
        let measurements: Vec<(i32, f64)> = case
            .days
            .iter()
            .copied()
            .zip(case.values.iter().copied())
            .collect();
        let trend = trend_of(&measurements, 1e9).expect("enough measurements");
        let name = format!("{} {:?}", case.kind, case.days);
        for (mine, theirs) in [
            (trend.per_week, case.slope),
            (trend.per_week_low, case.low),
            (trend.per_week_high, case.high),
        ] {
            assert!(
                (mine / 7.0 - theirs).abs() < 1e-9,
                "{name}: {mine} {theirs}"
            );
        }
        assert!(
            (trend.at_last - case.at_last).abs() < 1e-9,
            "{name}: {} {}",
            trend.at_last,
            case.at_last
        );
    }
}

#[test]
fn few_or_hurried_measurements_carry_no_trend() {
    assert_eq!(
        trend_of(&[(0, 60.0), (7, 65.0), (14, 70.0)], 180.0),
        None,
        "three"
    );
    assert_eq!(
        trend_of(&[(0, 60.0), (4, 65.0), (8, 66.0), (13, 70.0)], 180.0),
        None,
        "thirteen days"
    );
    assert!(trend_of(&[(0, 60.0), (4, 65.0), (8, 66.0), (14, 70.0)], 180.0).is_some());
    // One odd measurement does not bend it.
    let steady: Vec<(i32, f64)> = (0..9).map(|i| (i * 7, 60.0 + 5.0 * f64::from(i))).collect();
    let mut odd = steady.clone();
    odd[4].1 = 20.0;
    let [a, b] = [steady, odd].map(|r| trend_of(&r, 180.0).expect("enough"));
    assert!(
        (a.per_week - 5.0).abs() < 1e-9 && (b.per_week - 5.0).abs() < 1.0,
        "{b:?}"
    );
}

/// On a shoulder: what stopped at the permitted limit is left out, the gate's number is the target, and a line that does not
/// rise says of no day.
#[test]
fn the_corridor_carries_the_trend_toward_the_next_gate() {
    let view = |facts: &ritorno_core::facts::Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        corridor_views(&assessment.ctx(), facts)
            .into_iter()
            .find(|c| c.quantity == "passive-elevation")
            .expect("a corridor")
    };
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 15);
    for (day, value) in [(16, 52.0), (23, 60.0), (30, 69.0), (37, 77.0)] {
        read(
            &mut facts,
            "passive-elevation",
            value,
            day,
            StopReason::Stiff,
        );
    }
    let trend = view(&facts)
        .trend
        .expect("four measurements over three weeks");
    assert!((trend.per_week - 8.3).abs() < 0.5, "{trend:?}");
    let reach = trend.reach.expect("the gate asks for elevation");
    assert_eq!(reach.target, 90.0);
    let [early, middle, late] =
        [reach.earliest, reach.middle, reach.latest].map(|d| d.expect("it rises"));
    assert!(
        early <= middle && middle <= late && (45..60).contains(&middle),
        "{reach:?}"
    );
    facts.measurements.last_mut().expect("a measurement").stop = StopReason::AtLimit;
    assert_eq!(
        view(&facts).trend,
        None,
        "at the limit is at least, and no measurement for a trend"
    );
    facts.measurements.last_mut().expect("a measurement").stop = StopReason::Stiff;
    for r in &mut facts.measurements {
        r.value = 150.0 - r.value;
    }
    let falling = view(&facts).trend.expect("a trend").reach;
    assert!(
        falling.is_none_or(|r| r.middle.is_none() && r.latest.is_none()),
        "{falling:?}"
    );
}

/// How often the interval holds the day on which a made-up recovery really gets there: so many of a hundred, as it says, or a few more.
///
/// Straight recoveries of 3 to 10 degrees a week, measured to whole degrees with an error of 4 or 8; invented, so they say how the
/// rule behaves. `./test --long` makes more of them.
#[test]
fn the_day_lies_inside_its_interval_as_often_as_that_says() {
    use rand_chacha::ChaCha8Rng;
    use rand_chacha::rand_core::SeedableRng;
    use rand_distr::{Distribution, Normal, Uniform};
    let series = std::env::var("RITORNO_COURSES")
        .ok()
        .and_then(|n| n.parse().ok())
        .unwrap_or(400);
    let mut random = ChaCha8Rng::seed_from_u64(7);
    for (count, apart) in [(4, 7), (5, 7), (6, 7), (8, 7), (12, 7), (6, 4)] {
        for error in [4.0, 8.0] {
            let noise = Normal::new(0.0, error).expect("an error");
            let slopes = Uniform::new(3.0 / 7.0, 10.0 / 7.0).expect("a slope");
            let ahead = Uniform::new(7.0, 60.0).expect("days");
            let mut inside = 0;
            for _ in 0..series {
                let slope: f64 = slopes.sample(&mut random);
                let measured: Vec<(i32, f64)> = (0..count)
                    .map(|i| i * apart)
                    .map(|day| {
                        let value: f64 = 60.0 + slope * f64::from(day) + noise.sample(&mut random);
                        (day, value.round())
                    })
                    .collect();
                let last = f64::from((count - 1) * apart);
                let on = last + ahead.sample(&mut random);
                let target = 60.0 + slope * on;
                let least = TrendBounds {
                    measurements: 4,
                    days: 14,
                    furthest_days: f64::INFINITY,
                };
                let line = Trend::of(&measured, 1e9, least).expect("enough measurements");
                let reach = line.toward(target, 0, 1e8).reach.expect("asked");
                // Whole days: the interval is read outward.
                let early = reach.earliest.is_some_and(|d| f64::from(d) - 1.0 <= on);
                inside += usize::from(early && reach.latest.is_none_or(|d| f64::from(d) >= on));
            }
            let share = inside as f64 / f64::from(series);
            println!("{count} measurements {apart} days apart, an error of {error}: {share:.3}");
            assert!(
                (0.75..0.97).contains(&share),
                "{count} measurements, an error of {error}: {share}"
            );
        }
    }
}

proptest! {
    /// Shifting all measurements shifts the line; turning them over turns it over; order of entry is nothing.
    #[test]
    fn a_trend_moves_with_its_measurements(raw in prop::collection::vec((0i32..120, 20.0f64..170.0), 4..14), by in -40.0f64..40.0, seed in any::<u64>()) {
        let Some(base) = trend_of(&raw, 1e9) else { return Ok(()) };
        prop_assert!(base.per_week_low <= base.per_week + 1e-9 && base.per_week <= base.per_week_high + 1e-9);
        let shifted: Vec<(i32, f64)> = raw.iter().map(|(d, v)| (*d, v + by)).collect();
        let moved = trend_of(&shifted, 1e9).expect("as many measurements");
        prop_assert!((moved.per_week - base.per_week).abs() < 1e-6 && (moved.at_last - base.at_last - by).abs() < 1e-6);
        let mut mixed = raw.clone();
        mixed.rotate_left((seed % raw.len() as u64) as usize);
        mixed.reverse();
        let again = trend_of(&mixed, 1e9).expect("as many measurements");
        prop_assert!((again.per_week - base.per_week).abs() < 1e-9 && (again.per_week_low - base.per_week_low).abs() < 1e-9);
        let over: Vec<(i32, f64)> = raw.iter().map(|(d, v)| (*d, -v)).collect();
        let turned = trend_of(&over, 1e9).expect("as many measurements");
        prop_assert!((turned.per_week + base.per_week).abs() < 1e-9);
        // Never beyond the cap.
        prop_assert!(trend_of(&raw, 90.0).expect("as many").at_last <= 90.0);
    }
}

/// Picture and sentence are one: on the early and the late day that are told, the fan's edges lie on the target.
#[test]
fn the_fan_that_is_drawn_ends_where_the_days_that_are_told_lie() {
    let least = TrendBounds {
        measurements: 4,
        days: 14,
        furthest_days: 365.0,
    };
    let uneven = [(14, 62.0), (21, 75.0), (28, 78.0), (35, 91.0), (42, 95.0)];
    let line = Trend::of(&uneven, 400.0, least).expect("a line");
    let first = line.fan.first().expect("a fan");
    assert_eq!(first.day, 42);
    assert!(
        first.low < line.at_last && line.at_last < first.high,
        "the level is not known for certain"
    );
    assert!(
        line.fan
            .windows(2)
            .all(|w| w[1].high - w[1].low >= w[0].high - w[0].low - 1e-9)
    );
    let edge = |day: i32, of: fn(&ritorno_core::ranges::FanDay) -> f64| {
        let week = line
            .fan
            .windows(2)
            .find(|w| w[0].day <= day && day <= w[1].day)
            .expect("inside");
        let share = f64::from(day - week[0].day) / f64::from(week[1].day - week[0].day);
        of(&week[0]) + share * (of(&week[1]) - of(&week[0]))
    };
    let target = 108.0;
    let reach = line.clone().toward(target, 0, 365.0).reach.expect("a day");
    // A day is whole, and a week's edge is drawn straight: half a week of the slope is allowed.
    let slack = line.per_week / 2.0;
    let (early, late) = (reach.earliest.expect("early"), reach.latest.expect("late"));
    assert!(
        (edge(early, |f| f.high) - target).abs() < slack,
        "{early}: {}",
        edge(early, |f| f.high)
    );
    assert!(
        (edge(late, |f| f.low) - target).abs() < slack,
        "{late}: {}",
        edge(late, |f| f.low)
    );
}
