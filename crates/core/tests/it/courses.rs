//! Simulated courses: what "ready" and "in trouble" mean was written down before the rules were tried on them.
//!
//! *Ready*: a fortnight of whole sessions; true pain during half a point below the mode at most, mornings at the usual level;
//! the shoulder has no slip. *In trouble*: for the last three days true mornings three points above the usual, or true pain
//! during two points above the mode in the last two sessions, or a slip today or yesterday. Answers are the truth with a
//! normal error of 0.4 points, rounded; one in twenty is not given. The log knows nothing of the truth.

use super::deciding::{decide, log, running, whole_day};
use super::shoulder::*;
use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::{RngCore, SeedableRng};
use rand_distr::{Distribution, Normal};
use ritorno_core::assessment::Assessment;
use ritorno_core::deciding::Move;
use ritorno_core::facts::{Facts, LogFact};

const CASES: [(&str, &[&str], &str, i32); 4] = [
    (
        CUFF,
        &["to-protected-passive"],
        "assisted-elevation-lying-other-hand",
        36,
    ),
    (
        CUFF,
        &["to-protected-passive", "to-assisted"],
        "active-elevation-balance-lying",
        70,
    ),
    (
        "subacromial-pain",
        &["to-restore", "to-loading"],
        "external-rotation-side-lying-weight",
        60,
    ),
    (
        "anterior-repair",
        &["to-protected-motion", "to-active-light"],
        "external-rotation-side-lying-weight",
        75,
    ),
];

struct Course {
    rng: ChaCha8Rng,
}

impl Course {
    fn chance(&mut self, p: f64) -> bool {
        f64::from(self.rng.next_u32()) / f64::from(u32::MAX) < p
    }

    fn said(&mut self, truth: f64) -> f64 {
        let error = Normal::new(0.0, 0.4)
            .expect("a spread")
            .sample(&mut self.rng);
        (truth + error).round().clamp(0.0, 10.0)
    }

    /// A day with its answers, some of them missing.
    fn day(&mut self, facts: &mut Facts, day: i32, during: f64, morning: f64) {
        let (during, morning) = (self.said(during), self.said(morning));
        let before = facts.log.len();
        whole_day(facts, day, during, morning);
        for at in (before + 1..facts.log.len()).rev() {
            if self.chance(0.05) {
                facts.log.remove(at);
            }
        }
    }
}

fn mode(facts: &Facts) -> f64 {
    Assessment::new(known(), facts)
        .expect("known")
        .rules
        .pain(facts.day())
        .max
}

/// How many courses; `./test --long` asks for more.
fn many() -> u64 {
    std::env::var("RITORNO_COURSES")
        .ok()
        .and_then(|n| n.parse().ok())
        .unwrap_or(240)
}

#[test]
fn ready_courses_go_on_within_two_visits_and_troubled_ones_hold_or_step_back() {
    let (mut ready, mut on_time, mut trouble, mut held, mut stops) = (0u64, 0u64, 0u64, 0u64, 0u64);
    for seed in 0..many() {
        let mut course = Course {
            rng: ChaCha8Rng::seed_from_u64(seed),
        };
        let (pathway, gates, exercise, day) = CASES[(seed % 4) as usize];
        let base = f64::from(course.rng.next_u32() % 3);
        // Ready: judged on two visits, three days apart.
        let mut went_on = false;
        let mut facts = running(pathway, gates, exercise, day);
        let limit = mode(&facts);
        for d in day - 16..day {
            course.day(&mut facts, d, (limit - 0.5).min(base + 0.5), base);
        }
        went_on |= matches!(decide(&facts).kind, Move::ProgressDose | Move::NextRung);
        for d in day..day + 3 {
            course.day(&mut facts, d, (limit - 0.5).min(base + 0.5), base);
        }
        facts.today = on(day + 3);
        went_on |= matches!(decide(&facts).kind, Move::ProgressDose | Move::NextRung);
        ready += 1;
        on_time += u64::from(went_on);
        // In trouble.
        let mut facts = running(pathway, gates, exercise, day);
        for d in day - 16..day - 3 {
            course.day(&mut facts, d, base.min(limit - 0.5), base);
        }
        let kind = course.rng.next_u32() % 3;
        for d in day - 3..day {
            match kind {
                0 => course.day(&mut facts, d, base, base + 3.0),
                1 => course.day(
                    &mut facts,
                    d,
                    if d >= day - 2 { limit + 2.0 } else { base },
                    base,
                ),
                _ => course.day(&mut facts, d, base, base),
            }
        }
        if kind == 2 {
            log(
                &mut facts,
                day - (course.rng.next_u32() % 2) as i32,
                None,
                LogFact::Slip,
            );
        }
        let found = decide(&facts).kind;
        trouble += 1;
        held += u64::from(found < Move::ProgressDose);
        // Never forward on the day of a stop answer, whatever else is said.
        let mut stop = running(pathway, gates, exercise, day);
        for d in day - 16..day {
            whole_day(&mut stop, d, 0.0, 0.0);
        }
        log(
            &mut stop,
            day,
            None,
            if seed % 2 == 0 {
                LogFact::Slip
            } else {
                LogFact::SlipWorse {
                    how: ritorno_core::facts::SlipHow::StaysOut,
                }
            },
        );
        assert_eq!(decide(&stop).kind, Move::Stop, "seed {seed}");
        stops += 1;
    }
    let share = |a: u64, b: u64| 100.0 * a as f64 / b as f64;
    println!(
        "courses {}: ready went on {:.1} %, in trouble held {:.1} %, stop days {stops}",
        many(),
        share(on_time, ready),
        share(held, trouble)
    );
    assert!(
        share(on_time, ready) >= 90.0,
        "{on_time} of {ready} ready courses went on within two visits"
    );
    assert!(
        share(held, trouble) >= 95.0,
        "{held} of {trouble} troubled courses held or stepped back"
    );
}
