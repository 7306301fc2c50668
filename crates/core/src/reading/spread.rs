//! What a share may be in this place: the error of its counts, and how far places lie apart.

use crate::knowledge::{Accuracy, Knowledge, Pooled};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Beta, Distribution, Normal};

/// A share to be drawn.
pub(super) struct Drawn {
    pooled: Pooled,
    /// Of one study: Beta(x + ½, n − x + ½).
    counts: Option<Beta<f64>>,
    /// Log odds.
    around: Option<Normal<f64>>,
}

impl Drawn {
    /// Share positive with the condition.
    pub(super) fn sensitivity(known: &Knowledge, row: &Accuracy) -> Self {
        Drawn::of(known, row.pooled_sensitivity(), row.sensitivity, row.n_with)
    }

    /// Share positive without the condition.
    pub(super) fn false_positive(known: &Knowledge, row: &Accuracy) -> Self {
        let own = 1.0 - row.specificity;
        Drawn::of(known, row.pooled_false_positive(), own, row.n_without)
    }

    fn of(known: &Knowledge, pooled: Pooled, own: f64, n: f64) -> Self {
        let spread = pooled.spread(
            known.threshold("between-studies-spread"),
            known.threshold("between-studies-weight"),
        );
        let alone = pooled.studies == 1;
        let counts = alone.then(|| Beta::new(own * n + 0.5, (1.0 - own) * n + 0.5).ok());
        let wide = if alone {
            spread
        } else {
            (spread * spread + pooled.variance).sqrt()
        };
        Drawn {
            pooled,
            // Both parameters are at least one half, and the spread is finite: both always exist.
            counts: counts.flatten(),
            around: Normal::new(0.0, wide).ok(),
        }
    }

    pub(super) fn sample(&self, random: &mut ChaCha8Rng) -> f64 {
        let counts = self.counts.as_ref();
        let share = counts.map_or(self.pooled.share, |c| c.sample(random));
        let share = share.clamp(1e-9, 1.0 - 1e-9);
        let moved = self.around.as_ref().map_or(0.0, |a| a.sample(random));
        1.0 / (1.0 + (1.0 - share) / share * (-moved).exp())
    }
}
