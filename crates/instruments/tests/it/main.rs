//! Simulated devices do what their settings say, and a recorded one plays as it was recorded.
#![allow(clippy::expect_used)] // a test that cannot go on says so and ends

use proptest::prelude::*;
use ritorno_instruments::{
    Dynamometer, Inclinometer, Instrument, Lost, Push, Quantity, Replay, Sample,
};

fn all(device: &mut dyn Instrument) -> (Vec<Sample>, usize, Option<Lost>) {
    let (mut samples, mut batches) = (Vec::new(), 0);
    loop {
        match device.next_batch() {
            Ok(Some(batch)) => {
                batches += 1;
                samples.extend(batch);
            }
            Ok(None) => return (samples, batches, None),
            Err(lost) => return (samples, batches, Some(lost)),
        }
    }
}

proptest! {
    #[test]
    fn a_push_reaches_its_plateau_drifts_and_comes_back_the_same(seed in any::<u64>(), plateau in 20.0f64..400.0, drift in -3.0f64..3.0) {
        let push = Push { plateau, drift_pct_s: drift, ..Push::default() };
        let (samples, batches, lost) = all(&mut Dynamometer::new(push, seed));
        prop_assert_eq!(lost, None);
        prop_assert_eq!(samples.len(), batches * 10, "ten samples a batch, ten batches a second");
        prop_assert!(samples.windows(2).all(|w| w[1].t_s > w[0].t_s));
        let mean = |from: f64, to: f64| {
            let part: Vec<f64> = samples.iter().filter(|s| (from..to).contains(&s.t_s)).map(|s| s.value).collect();
            part.iter().sum::<f64>() / part.len() as f64
        };
        prop_assert!(mean(0.0, 0.3).abs() < 0.5, "quiet before the push");
        prop_assert!((mean(1.7, 2.1) / plateau - 1.0).abs() < 0.03);
        let per_second = (mean(4.3, 4.9) - mean(1.7, 2.3)) / 2.6 / plateau * 100.0;
        prop_assert!((per_second - drift).abs() < 0.6, "drift {per_second} against {drift}");
        prop_assert_eq!(all(&mut Dynamometer::new(push, seed)).0, samples, "the same seed gives the same push");
    }

    #[test]
    fn drop_outs_leave_gaps_and_a_lost_device_keeps_what_it_gave(seed in any::<u64>(), share in 0.1f64..0.6, lost_at in 0.5f64..4.0) {
        let push = Push { drop_out: share, lost_at_s: Some(lost_at), ..Push::default() };
        let (samples, batches, lost) = all(&mut Inclinometer::new(push, seed));
        prop_assert_eq!(lost, Some(Lost));
        let wanted = batches as f64 * 10.0 * (1.0 - share);
        prop_assert!((samples.len() as f64 - wanted).abs() < 5.0 * (batches as f64 * 10.0 * share).sqrt() + 5.0);
        prop_assert!(samples.iter().all(|s| s.t_s < lost_at + 0.1));
    }
}

#[test]
fn a_recorded_push_plays_in_tenths_of_a_second_and_a_bad_line_is_named() {
    let text = include_str!("../../data/recorded-push.csv");
    let mut device = Replay::from_csv(text, Quantity::ForceN).expect("a sound file");
    assert!((device.rate_hz() - 50.0).abs() < 0.01);
    let (samples, batches, _) = all(&mut device);
    assert_eq!(
        (samples.len(), batches),
        (280, 56),
        "five samples a batch at 50 Hz"
    );
    let broken = text.replacen("0.04,", "0.04,x", 1);
    let error = Replay::from_csv(&broken, Quantity::ForceN).expect_err("not a number");
    assert!(error.to_string().starts_with("line 4:"), "{error}");
    assert!(Replay::from_csv("t_s,force_n\n", Quantity::ForceN).is_err());
}
