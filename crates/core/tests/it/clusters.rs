//! What was published of several tests taken together, against what the model makes of them.

use ritorno_core::knowledge::{Accuracy, Knowledge};
use ritorno_core::reading::{GroupModel, Member};

/// A published ratio and the model's.
pub struct Against {
    pub hypothesis: &'static str,
    pub tests: Vec<&'static str>,
    /// So many positive, or `n+` for that many and more.
    pub positive: &'static str,
    pub published: f64,
    /// The dependence was fitted to it.
    pub fitted: bool,
    /// The model with the shares of that very study: how well the dependence fits.
    pub own: f64,
    /// The model with the shares of all studies: what the page would say without the published cluster.
    pub pooled: f64,
    /// Largest factor that `own` may lie off.
    pub factor: f64,
    pub source: &'static str,
}

/// Every line of the frozen table.
pub fn against(known: &Knowledge) -> Vec<Against> {
    include_str!("../oracles/published-clusters.tsv")
        .lines()
        .filter(|line| !line.starts_with('#'))
        .map(|line| {
            let parts: Vec<&str> = line.split('\t').collect();
            let number = |i: usize| parts[i].parse().expect("a number");
            let tests: Vec<&str> = parts[1].split(' ').collect();
            let rows: Vec<&Accuracy> = tests.iter().map(|t| row(known, parts[0], t)).collect();
            let rho = |row: &Accuracy| {
                let groups = &known.hypothesis(parts[0]).expect("known").group;
                groups
                    .iter()
                    .find(|g| g.id == row.group)
                    .expect("known")
                    .rho
            };
            let own = rows.iter().map(|r| {
                let (sensitivity, specificity) = shares(r, parts[6]);
                let loading = r.loading.unwrap_or(rho(r).sqrt());
                Member::new(sensitivity, 1.0 - specificity, loading)
            });
            let pooled = rows.iter().map(|r| Member::point(r, rho(r)));
            let (least, more) = match parts[2].strip_suffix('+') {
                Some(n) => (n, true),
                None => (parts[2], false),
            };
            let least: u32 = least.parse().expect("a count");
            let counts = |n: u32| if more { n >= least } else { n == least };
            Against {
                hypothesis: parts[0],
                positive: parts[2],
                published: number(3),
                fitted: parts[4] == "f",
                own: ratio(GroupModel::new(own.collect()), tests.len(), counts),
                pooled: ratio(GroupModel::new(pooled.collect()), tests.len(), counts),
                factor: number(5),
                source: parts[6],
                tests,
            }
        })
        .collect()
}

fn row<'a>(known: &'a Knowledge, hypothesis: &str, test: &str) -> &'a Accuracy {
    let rows = &known.test(test).expect("a known test").accuracy;
    let row = rows.iter().find(|a| a.hypothesis == hypothesis);
    row.expect("it speaks for it")
}

/// What that study found of the test, or the row's own where the study is not among them.
fn shares(row: &Accuracy, source: &str) -> (f64, f64) {
    let study = row.studies.iter().find(|s| s.source == source);
    study.map_or((row.sensitivity, row.specificity), |s| {
        (s.sensitivity, s.specificity)
    })
}

/// Over all patterns that count, as often as each comes.
fn ratio(model: GroupModel, n: usize, counts: impl Fn(u32) -> bool) -> f64 {
    let patterns = (0..1u32 << n).filter(|mask| counts(mask.count_ones()));
    let (with, without) = patterns.fold((0.0, 0.0), |so_far, mask| {
        let answers: Vec<_> = (0..n).map(|i| Some(mask >> i & 1 == 1)).collect();
        let (with, without) = model.likelihoods(&answers);
        (so_far.0 + with, so_far.1 + without)
    });
    with / without
}
