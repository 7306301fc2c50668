//! One share from several studies that did not find the same.

/// A share over several studies.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Pooled {
    /// The share in the middle of the studies, 0 to 1.
    pub share: f64,
    /// Variance of that middle, log odds.
    pub variance: f64,
    /// Variance between studies, log odds; 0 for one study, which says nothing of it.
    pub between: f64,
    /// How many studies.
    pub studies: usize,
}

/// Pools shares of 0 to 1 with their counts by random effects on log odds; half an event is added to each cell.
///
/// With one study it is (x + ½)/(n + 1) itself. Source: DerSimonian and Laird 1986, from memory.
///
/// ```
/// use ritorno_core::knowledge::pool;
///
/// // Two studies of one size that agree are one study of twice the size.
/// let one = pool(&[(0.7, 100.0)]);
/// let two = pool(&[(0.7, 100.0), (0.7, 100.0)]);
/// assert!((one.share - two.share).abs() < 1e-12 && two.between == 0.0);
/// assert!((one.variance / two.variance - 2.0).abs() < 1e-12);
/// ```
pub fn pool(studies: &[(f64, f64)]) -> Pooled {
    // Log odds and their variance, study by study.
    let seen: Vec<(f64, f64)> = studies
        .iter()
        .map(|(share, n)| {
            let (with, without) = (share * n + 0.5, (1.0 - share) * n + 0.5);
            ((with / without).ln(), 1.0 / with + 1.0 / without)
        })
        .collect();
    let middle = |between: f64| {
        let weights = || seen.iter().map(|(_, v)| 1.0 / (v + between));
        let sum: f64 = weights().sum();
        let at: f64 = weights().zip(&seen).map(|(w, (y, _))| w * y).sum();
        (at / sum, sum)
    };
    let (fixed, sum) = middle(0.0);
    let weight = |v: f64| 1.0 / v;
    let q: f64 = seen
        .iter()
        .map(|(y, v)| weight(*v) * (y - fixed).powi(2))
        .sum();
    let squares: f64 = seen.iter().map(|(_, v)| weight(*v).powi(2)).sum();
    let scale = sum - squares / sum;
    let between = if seen.len() < 2 || scale <= 0.0 {
        0.0
    } else {
        ((q - (seen.len() - 1) as f64) / scale).max(0.0)
    };
    let (at, sum) = middle(between);
    Pooled {
        share: 1.0 / (1.0 + (-at).exp()),
        variance: 1.0 / sum,
        between,
        studies: seen.len(),
    }
}

impl Pooled {
    /// Standard deviation of the share in a place that was not studied, log odds beyond the studies' own counts.
    ///
    /// Two or three studies say little of how far they lie apart, so what they say is drawn towards `usual`, as if `weight` more
    /// studies had shown it. Our choice.
    pub fn spread(&self, usual: f64, weight: f64) -> f64 {
        let own = self.studies.saturating_sub(1) as f64;
        ((own * self.between + weight * usual * usual) / (own + weight)).sqrt()
    }
}
