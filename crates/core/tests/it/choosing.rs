//! The exact chooser against every subset.

use proptest::prelude::*;
use ritorno_core::plan::{Choice, Offer, choose, value_of};

fn any_offer() -> impl Strategy<Value = Offer> {
    let choice = (
        0..5usize,
        1..16u32,
        1..40u32,
        -5..60i32,
        prop::collection::vec(0..4usize, 0..3),
    );
    (
        prop::collection::vec(choice, 0..11),
        prop::collection::vec(0..400u32, 4),
        0..6usize,
        5..60u32,
        prop::option::of(5..90u32),
    )
        .prop_map(|(choices, needs, max_lines, max_minutes, day)| Offer {
            choices: choices
                .into_iter()
                .map(|(ladder, minutes, day_minutes, value, needs)| Choice {
                    ladder,
                    minutes: f64::from(minutes) / 2.0,
                    day_minutes: f64::from(day_minutes) / 2.0,
                    value: f64::from(value),
                    needs,
                })
                .collect(),
            needs: needs.into_iter().map(f64::from).collect(),
            max_lines,
            max_minutes: f64::from(max_minutes),
            max_day_minutes: day.map(f64::from),
        })
}

fn allowed(offer: &Offer, taken: &[usize]) -> bool {
    let sum = |of: fn(&Choice) -> f64| taken.iter().map(|i| of(&offer.choices[*i])).sum::<f64>();
    let mut ladders: Vec<usize> = taken.iter().map(|i| offer.choices[*i].ladder).collect();
    ladders.sort_unstable();
    ladders.windows(2).all(|w| w[0] != w[1])
        && taken.len() <= offer.max_lines
        && sum(|c| c.minutes) <= offer.max_minutes + 1e-9
        && offer
            .max_day_minutes
            .is_none_or(|most| sum(|c| c.day_minutes) <= most + 1e-9)
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 400, ..ProptestConfig::default() })]

    /// Oracle: all 2ⁿ subsets.
    #[test]
    fn the_chooser_finds_what_trying_everything_finds(offer in any_offer()) {
        let best = (0u32..1 << offer.choices.len())
            .map(|bits| (0..offer.choices.len()).filter(|i| bits >> i & 1 == 1).collect::<Vec<_>>())
            .filter(|taken| allowed(&offer, taken))
            .map(|taken| value_of(&offer, &taken))
            .fold(f64::NEG_INFINITY, f64::max);
        let chosen = choose(&offer);
        prop_assert!(allowed(&offer, &chosen.taken), "{:?} is not allowed", chosen.taken);
        prop_assert!((chosen.value - best).abs() < 1e-6, "{} instead of {}", chosen.value, best);
        prop_assert_eq!(chosen.gap, 0.0);
    }
}
