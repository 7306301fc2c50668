//! The random-effects probit model: tests of one group share a hidden cause, so their answers do not multiply.
//!
//! For test j with positive share s in a stratum, P(+|u) = Φ((Φ⁻¹(s) + a·u)/√(1−a²)) with u standard normal and
//! a = √ρ (or the row's own loading). The marginals stay exact; ρ = 0 is naive Bayes. The same ρ serves both strata.
//! How groups of one hypothesis add up is in `together`.
//! Source: our choice among standard latent-trait models; starting values fitted to published clusters.

use super::normal::{NODES, cdf, quantile, rule};
use super::spread::Drawn;
use crate::knowledge::{Accuracy, Knowledge};
use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::SeedableRng;
use std::collections::BTreeMap;

/// Draws behind an interval.
pub const DRAWS: usize = 2000;

/// One test of a group: its positive share at each node, with and without the condition.
#[derive(Debug, Clone)]
pub struct Member {
    with: [f64; NODES],
    without: [f64; NODES],
    informative: bool,
}

impl Member {
    /// From two shares and a loading.
    pub fn new(sensitivity: f64, false_positive: f64, loading: f64) -> Self {
        Member {
            with: at_nodes(sensitivity, loading),
            without: at_nodes(false_positive, loading),
            informative: sensitivity > false_positive,
        }
    }

    /// The point values of a row in a group of correlation ρ.
    pub fn point(row: &Accuracy, rho: f64) -> Self {
        Member::new(
            row.point_sensitivity(),
            row.point_false_positive(),
            row.loading.unwrap_or(rho.sqrt()),
        )
    }
}

fn at_nodes(share: f64, loading: f64) -> [f64; NODES] {
    let (z, rest) = (quantile(share), (1.0 - loading * loading).sqrt());
    let mut out = [0.0; NODES];
    for (slot, (u, _)) in out.iter_mut().zip(rule()) {
        *slot = if loading == 0.0 {
            share
        } else {
            cdf((z + loading * u) / rest)
        };
    }
    out
}

/// A dependence group as numbers.
#[derive(Debug, Clone)]
pub struct GroupModel {
    members: Vec<Member>,
}

impl GroupModel {
    /// A group of these members.
    pub fn new(members: Vec<Member>) -> Self {
        GroupModel { members }
    }

    /// Whether a positive answer of a member is likelier with the condition than without.
    pub fn informative(&self, member: usize) -> bool {
        self.members[member].informative
    }

    /// ln of P(answers | condition) / P(answers | no condition); `None` is not done and contributes nothing.
    pub fn log_ratio(&self, answers: impl Iterator<Item = Option<bool>>) -> f64 {
        let (mut with, mut without) = ([1.0; NODES], [1.0; NODES]);
        let mut any = false;
        for (member, answer) in self.members.iter().zip(answers) {
            let Some(positive) = answer else { continue };
            any = true;
            for k in 0..NODES {
                with[k] *= if positive {
                    member.with[k]
                } else {
                    1.0 - member.with[k]
                };
                without[k] *= if positive {
                    member.without[k]
                } else {
                    1.0 - member.without[k]
                };
            }
        }
        if any {
            (mean(&with) / mean(&without)).ln()
        } else {
            0.0
        }
    }

    /// The step of every pattern, where each is held between what it is without one of its answers.
    ///
    /// Tests that share a cause explain each other away: beside strong signs a weak one more can make the condition less likely in
    /// the model. Nobody at the bedside would follow that, and no study shows it, so a sign that speaks for the condition never
    /// lowers the step, and its absence never raises it. A test worse than chance is held the other way round. Our choice.
    fn steady(&self) -> Vec<f64> {
        let n = self.members.len();
        let patterns = 3usize.pow(n as u32);
        let mut steps = vec![0.0; patterns];
        // A pattern lies behind all that lack one of its answers.
        for at in 1..patterns {
            let digit = |i: usize| at / 3usize.pow(i as u32) % 3;
            let answers = (0..n).map(|i| match digit(i) {
                0 => None,
                d => Some(d == 2),
            });
            let (mut least, mut most) = (f64::NEG_INFINITY, f64::INFINITY);
            for i in (0..n).filter(|i| digit(*i) > 0) {
                let before = steps[at - digit(i) * 3usize.pow(i as u32)];
                if (digit(i) == 2) == self.informative(i) {
                    least = f64::max(least, before);
                } else {
                    most = f64::min(most, before);
                }
            }
            steps[at] = self.log_ratio(answers).max(least).min(most);
        }
        steps
    }

    /// P(answers | condition) and P(answers | no condition).
    pub fn likelihoods(&self, answers: &[Option<bool>]) -> (f64, f64) {
        let (mut with, mut without) = ([1.0; NODES], [1.0; NODES]);
        for (member, answer) in self.members.iter().zip(answers) {
            let Some(positive) = *answer else { continue };
            for k in 0..NODES {
                with[k] *= if positive {
                    member.with[k]
                } else {
                    1.0 - member.with[k]
                };
                without[k] *= if positive {
                    member.without[k]
                } else {
                    1.0 - member.without[k]
                };
            }
        }
        (mean(&with), mean(&without))
    }
}

fn mean(values: &[f64; NODES]) -> f64 {
    values.iter().zip(rule()).map(|(v, (_, w))| v * w).sum()
}

/// One group of one hypothesis, with the draws behind its interval.
#[derive(Debug)]
pub struct Group {
    /// Group id.
    pub id: String,
    /// Test ids, in the order of the members.
    pub tests: Vec<String>,
    /// Point values.
    pub point: GroupModel,
    /// The step of every pattern: see [`GroupModel::steady`].
    steps: Vec<f64>,
    /// P(+|u) of each member and draw, `[member][draw * width + node]`; independent groups need one node only.
    with: Vec<Vec<f32>>,
    without: Vec<Vec<f32>>,
    width: usize,
}

impl Group {
    /// The step: a positive answer never lowers it, a negative one never raises it.
    pub fn log_ratio(&self, answers: &[Option<bool>]) -> f64 {
        self.steps[pattern(answers)]
    }

    /// The step of every draw, moved as far as the step of the point values was; empty when nothing of the group was answered.
    pub fn draws(&self, answers: &[Option<bool>]) -> Vec<f64> {
        let moved = self.log_ratio(answers) - self.point.log_ratio(answers.iter().copied());
        let answered: Vec<(usize, bool)> = answers
            .iter()
            .enumerate()
            .filter_map(|(i, a)| a.map(|a| (i, a)))
            .collect();
        if answered.is_empty() {
            return Vec::new();
        }
        let mut weights = [1.0f32; NODES];
        if self.width > 1 {
            for (slot, (_, w)) in weights.iter_mut().zip(rule()) {
                *slot = *w as f32;
            }
        }
        (0..DRAWS)
            .map(|draw| {
                let mut with = weights;
                let mut without = weights;
                for (i, positive) in &answered {
                    let row = draw * self.width..(draw + 1) * self.width;
                    for (slot, p) in with.iter_mut().zip(&self.with[*i][row.clone()]) {
                        *slot *= if *positive { *p } else { 1.0 - *p };
                    }
                    for (slot, p) in without.iter_mut().zip(&self.without[*i][row]) {
                        *slot *= if *positive { *p } else { 1.0 - *p };
                    }
                }
                let sum =
                    |values: &[f32; NODES]| f64::from(values[..self.width].iter().sum::<f32>());
                (sum(&with) / sum(&without)).ln() + moved
            })
            .collect()
    }
}

/// The place of a pattern among all of them: not done, negative or positive for each member.
fn pattern(answers: &[Option<bool>]) -> usize {
    let digit = |answer: &Option<bool>| match answer {
        None => 0,
        Some(false) => 1,
        Some(true) => 2,
    };
    answers.iter().rev().fold(0, |at, a| at * 3 + digit(a))
}

/// All groups of all hypotheses, built once for a knowledge release.
#[derive(Debug)]
pub struct ReadingModel {
    groups: BTreeMap<String, Vec<Group>>,
}

impl ReadingModel {
    /// Builds tables and draws: seeded by the names of the rows, so that a release always reads the same.
    pub fn new(known: &Knowledge) -> Self {
        let mut groups = BTreeMap::new();
        for hypothesis in &known.hypotheses {
            let of_hypothesis = hypothesis.group.iter().map(|group| {
                let rows: Vec<(&str, &Accuracy)> = known
                    .tests
                    .iter()
                    .flat_map(|t| t.accuracy.iter().map(move |a| (t.id.as_str(), a)))
                    .filter(|(_, a)| a.hypothesis == hypothesis.id && a.group == group.id)
                    .collect();
                let dependent = rows
                    .iter()
                    .any(|(_, a)| a.loading.unwrap_or(group.rho.sqrt()) > 0.0);
                let (with, without) = rows
                    .iter()
                    .map(|(test, row)| draw_tables(known, test, row, group.rho, dependent))
                    .unzip();
                let members = rows.iter().map(|(_, a)| Member::point(a, group.rho));
                let point = GroupModel::new(members.collect());
                Group {
                    id: group.id.clone(),
                    tests: rows.iter().map(|(test, _)| (*test).to_owned()).collect(),
                    steps: point.steady(),
                    point,
                    with,
                    without,
                    width: if dependent { NODES } else { 1 },
                }
            });
            groups.insert(hypothesis.id.clone(), of_hypothesis.collect());
        }
        ReadingModel { groups }
    }

    /// The groups of a hypothesis.
    pub fn groups(&self, hypothesis: &str) -> &[Group] {
        self.groups.get(hypothesis).map_or(&[], Vec::as_slice)
    }
}

/// Tables of one row: sensitivity and false-positive share as they may be here, then spread over the nodes.
fn draw_tables(
    known: &Knowledge,
    test: &str,
    row: &Accuracy,
    rho: f64,
    dependent: bool,
) -> (Vec<f32>, Vec<f32>) {
    let seed = format!("{test}/{}", row.hypothesis)
        .bytes()
        .fold(0xcbf2_9ce4_8422_2325u64, |h, b| {
            (h ^ u64::from(b)).wrapping_mul(0x100_0000_01b3)
        });
    let mut random = ChaCha8Rng::seed_from_u64(seed);
    let loading = row.loading.unwrap_or(rho.sqrt());
    let mut table = |drawn: Drawn| -> Vec<f32> {
        let mut out = Vec::with_capacity(DRAWS * if dependent { NODES } else { 1 });
        for _ in 0..DRAWS {
            let share = drawn.sample(&mut random).clamp(1e-6, 1.0 - 1e-6);
            if dependent {
                out.extend(at_nodes(share, loading).iter().map(|p| *p as f32));
            } else {
                out.push(share as f32);
            }
        }
        out
    };
    let with = table(Drawn::sensitivity(known, row));
    let without = table(Drawn::false_positive(known, row));
    (with, without)
}
