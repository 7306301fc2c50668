//! Strength: traces with known answers, garbage, simulated pushes, sets of three.

use crate::examined::sore;
use crate::shoulder::{known, on, shoulder};
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::StrengthTrial;
use ritorno_core::facts::{Facts, OtherSide};
use ritorno_core::force::*;
use ritorno_core::mechanics::Arm;
use ritorno_instruments::{Dynamometer, Instrument, Push, Quantity, Replay};
use uuid::Uuid;

fn play(device: &mut dyn Instrument) -> Vec<ForceSample> {
    let mut out = Vec::new();
    while let Ok(Some(batch)) = device.next_batch() {
        out.extend(batch.into_iter().map(|s| ForceSample {
            t_s: s.t_s,
            force_n: s.value,
        }));
    }
    out
}

fn rules(measurement: &TraceMeasurement) -> Vec<&str> {
    measurement.faults.iter().map(|r| r.rule.as_str()).collect()
}

#[test]
fn a_trace_drawn_by_hand_gives_its_numbers() {
    // One second up to 100 N, three seconds held, at 50 Hz.
    let samples: Vec<ForceSample> = (0..=200)
        .map(|i| f64::from(i) / 50.0)
        .map(|t_s| ForceSample {
            t_s,
            force_n: (t_s * 100.0).min(100.0),
        })
        .collect();
    let got = read_trace(known(), &samples);
    assert_eq!((got.peak_n, rules(&got).len()), (100.0, 0));
    assert!(
        (got.time_to_peak_s - 0.86).abs() < 0.021,
        "from 10 to 95 N: {}",
        got.time_to_peak_s
    );
    // 80 to 100 over 0.2 s, then 100: mean a little below 100.
    assert!((got.mean_n - 99.4).abs() < 0.3, "{}", got.mean_n);
    assert!(got.variation_pct < 4.0);
}

#[test]
fn what_a_broken_device_sends_is_flagged_and_never_used() {
    let push = play(&mut Dynamometer::new(Push::default(), 1));
    let with = |change: &dyn Fn(&mut Vec<ForceSample>)| {
        let mut samples = push.clone();
        change(&mut samples);
        read_trace(known(), &samples)
    };
    assert_eq!(rules(&with(&|_| ())), Vec::<&str>::new());
    assert_eq!(
        rules(&with(&|s| s[40].force_n = f64::NAN)),
        ["trace-impossible"]
    );
    assert_eq!(
        rules(&with(&|s| s[40].force_n = 9000.0)),
        ["trace-impossible"]
    );
    // The span between two such times would be no number.
    let far = with(&|s| (s[40].t_s, s[41].t_s) = (-f64::MAX, f64::MAX));
    assert_eq!(rules(&far), ["trace-impossible"]);
    let told = serde_json::to_string(&far).expect("written");
    assert!(!told.contains("null"), "{told}");
    assert_eq!(
        rules(&with(&|s| s[40].t_s = 0.0)),
        ["trace-time", "trace-gap"]
    );
    assert_eq!(rules(&with(&|s| drop(s.drain(200..260)))), ["trace-gap"]);
    assert_eq!(rules(&with(&|s| s.truncate(180))), ["trace-short"]);
    assert_eq!(rules(&with(&|s| s.clear())), ["trace-empty"]);
    assert_eq!(
        rules(&with(&|s| s.iter_mut().for_each(|s| s.force_n = 1.0))),
        ["trace-no-push"]
    );
    // A single spike is possible but no force: the peak does not move.
    let spiked = with(&|s| s[300].force_n = 900.0);
    assert!(
        spiked.faults.is_empty() && spiked.peak_n < 130.0,
        "{spiked:?}"
    );
    let recorded = read_trace(
        known(),
        &play(
            &mut Replay::from_csv(
                include_str!("../../../instruments/data/recorded-push.csv"),
                Quantity::ForceN,
            )
            .expect("a sound file"),
        ),
    );
    assert!(
        (recorded.peak_n - 97.0).abs() < 2.0 && recorded.faults.is_empty(),
        "{recorded:?}"
    );
}

proptest! {
    #[test]
    fn whatever_a_device_sends_is_read_without_falling_over(raw in proptest::collection::vec((any::<f64>(), any::<f64>()), 0..60)) {
        let samples: Vec<ForceSample> = raw.iter().map(|(t_s, force_n)| ForceSample { t_s: *t_s, force_n: *force_n }).collect();
        let got = read_trace(known(), &samples);
        // Sixty samples are never a whole push, so nothing of this may count.
        prop_assert!(!got.faults.is_empty());
        prop_assert!(got.peak_n.is_finite() && got.mean_n.is_finite() && got.time_to_peak_s.is_finite() && got.variation_pct.is_finite(), "{got:?}");
    }

    #[test]
    fn a_simulated_push_is_read_back(seed in any::<u64>(), plateau in 30.0f64..400.0, ramp in 0.6f64..2.0, tremor in 0.2f64..3.0) {
        let push = Push { plateau, ramp_s: ramp, tremor_pct: tremor, drift_pct_s: 0.0, ..Push::default() };
        let got = read_trace(known(), &play(&mut Dynamometer::new(push, seed)));
        prop_assert!(got.faults.is_empty(), "{:?}", got.faults);
        prop_assert!((got.peak_n / plateau - 1.0).abs() < 0.02 + 3.0 * tremor / 100.0, "{} against {plateau}", got.peak_n);
        prop_assert!((got.mean_n / plateau - 1.0).abs() < 0.03, "{} against {plateau}", got.mean_n);
    }
}

fn push(facts: &mut Facts, test: &str, side: Arm, forces: &[f64]) {
    for force in forces {
        let trial = StrengthTrial {
            id: Uuid::now_v7(),
            test: test.into(),
            side,
            peak_n: *force,
            lever_m: Some(0.24),
            pain: Some(1.0),
            device: None,
            sound: true,
            remark: String::new(),
            on: facts.today,
        };
        facts.strength.push(trial);
    }
}

#[test]
fn three_trials_make_a_set_and_two_sets_a_symmetry() {
    let mut facts = sore();
    facts.story.mass_kg = Some(75.0);
    let page = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("a known pathway");
        strength_page(&assessment.ctx(), facts)
    };
    let of = |page: &StrengthPage, test: &str| {
        page.tests
            .iter()
            .find(|t| t.test == test)
            .expect("this test")
            .clone()
    };
    push(&mut facts, "er-side", Arm::Right, &[118.0, 120.0, 122.0]);
    push(&mut facts, "ir-side", Arm::Right, &[150.0, 150.0, 150.0]);
    push(&mut facts, "er-side", Arm::Left, &[100.0, 150.0, 200.0]);
    let seen = page(&facts);
    let er = of(&seen, "er-side");
    let set = er.affected.expect("a set");
    // The worked example: 120 N at 0.24 m is 28.8 N·m, and 1.6 N/kg at 75 kg.
    assert!(
        (set.moment_nm.expect("a moment") - 28.8).abs() < 1e-9
            && (set.per_mass_n_kg.expect("by mass") - 1.6).abs() < 1e-9
    );
    assert_eq!((set.best_n, set.minds.len()), (Some(122.0), 0));
    assert_eq!(er.symmetry_pct, Some(80.0));
    assert_eq!(
        er.other.expect("a set").minds[0].rule,
        "strength-unsteady",
        "33 % apart"
    );
    assert_eq!((seen.er_ir_side[0], seen.er_ir_side[1]), (Some(0.8), None));
    facts.story.other_side = OtherSide::Operated;
    assert_eq!(of(&page(&facts), "er-side").symmetry_pct, None);
    // A trial that a device spoiled is kept and shown and changes nothing.
    facts.strength[0].sound = false;
    let set = of(&page(&facts), "er-side").affected.expect("a set");
    assert_eq!(
        (
            set.trials.len(),
            set.mean_n,
            set.variation_pct,
            set.minds[0].rule.as_str()
        ),
        (3, Some(121.0), None, "strength-few")
    );
    // A later day starts a new set and the earlier one stands beside it.
    facts.today = on(20);
    push(&mut facts, "er-side", Arm::Right, &[130.0]);
    let er = of(&page(&facts), "er-side");
    assert_eq!(
        (
            er.affected.expect("today").mean_n,
            er.before.expect("before").trials.len()
        ),
        (Some(130.0), 3)
    );
}

#[test]
fn maximal_testing_waits_for_the_allowance() {
    let barred = |day: i32| {
        let facts = shoulder(day);
        let assessment = Assessment::new(known(), &facts).expect("a known pathway");
        let page = strength_page(&assessment.ctx(), &facts);
        page.tests.iter().filter(|t| !t.barred.is_empty()).count()
    };
    assert_eq!(barred(90), 9, "light resistance is not maximal testing");
    assert_eq!(barred(200), 0);
}
