//! What the findings say of one hypothesis together: the groups of the model, and a published cluster among them.

use super::evidence::{Weighed, positive};
use super::model::{DRAWS, Group, ReadingModel};
use super::normal::quantile;
use crate::knowledge::{Cluster, ClusterCell, Knowledge};

/// The answers to the tests of one hypothesis, group by group, in the order of the members.
#[derive(Clone)]
pub(super) struct Answers<'a> {
    pub(super) groups: Vec<(&'a Group, Vec<Option<bool>>)>,
    /// What a group beyond the strongest counts, 0 to 1.
    further: f64,
}

impl<'a> Answers<'a> {
    /// Of the findings that may be used.
    pub(super) fn of(
        known: &Knowledge,
        model: &'a ReadingModel,
        hypothesis: &str,
        used: &[&Weighed],
    ) -> Self {
        let answer = |id: &String| {
            let finding = used.iter().find(|w| w.finding.test == *id)?;
            let mut rows = known.test(id)?.accuracy.iter();
            let row = rows.find(|a| a.hypothesis == hypothesis)?;
            positive(row, finding.finding.answer)
        };
        let groups = model.groups(hypothesis).iter();
        Answers {
            groups: groups
                .map(|g| (g, g.tests.iter().map(answer).collect()))
                .collect(),
            further: known.threshold("further-groups-pct") / 100.0,
        }
    }

    /// The same with one answer given or taken away; `None` where the test does not speak for the hypothesis.
    pub(super) fn with(&self, test: &str, answer: Option<bool>) -> Option<Self> {
        let mut out = self.clone();
        for (group, answers) in &mut out.groups {
            if let Some(at) = group.tests.iter().position(|t| t == test) {
                answers[at] = answer;
                return Some(out);
            }
        }
        None
    }

    /// The step of each group alone, ln, and what it counts, 0 to 1.
    ///
    /// Signs of one person share causes across groups as well (who is sore, is sore in every test), so of the groups that speak the
    /// same way only the strongest counts in full. The sum moves with every group, and the same way. Our choice.
    pub(super) fn steps(&self) -> Vec<(f64, f64)> {
        let steps: Vec<f64> = self.groups.iter().map(|(g, a)| g.log_ratio(a)).collect();
        let strongest = |way: f64| {
            let these = steps.iter().enumerate().filter(|(_, s)| *s * way > 0.0);
            these.max_by(|a, b| a.1.abs().total_cmp(&b.1.abs()))
        };
        let full = [strongest(1.0), strongest(-1.0)].map(|s| s.map(|(at, _)| at));
        let count = |at: usize| {
            if full.contains(&Some(at)) {
                1.0
            } else {
                self.further
            }
        };
        let all = steps.iter().enumerate();
        all.map(|(at, step)| (*step, count(at))).collect()
    }

    /// ln of the model's likelihood ratio.
    pub(super) fn model_log(&self) -> f64 {
        self.steps().iter().map(|(step, count)| step * count).sum()
    }

    /// P(answers | condition) and P(answers | no condition), as the model has them.
    pub(super) fn likelihoods(&self) -> (f64, f64) {
        self.groups.iter().fold((1.0, 1.0), |so_far, (g, a)| {
            let (with, without) = g.point.likelihoods(a);
            (so_far.0 * with, so_far.1 * without)
        })
    }

    /// The step of every draw, summed over the groups; empty when nothing was answered.
    fn draws(&self) -> Vec<f64> {
        let mut sum: Vec<f64> = Vec::new();
        for ((group, answers), (_, count)) in self.groups.iter().zip(self.steps()) {
            let drawn = group.draws(answers).into_iter().map(|d| d * count);
            if sum.is_empty() {
                sum = drawn.collect();
            } else {
                sum.iter_mut().zip(drawn).for_each(|(s, d)| *s += d);
            }
        }
        sum
    }

    fn done(&self) -> Vec<Done> {
        let mut out = Vec::new();
        for (group, answers) in &self.groups {
            for (at, answer) in answers.iter().enumerate() {
                if let Some(positive) = *answer {
                    out.push(Done {
                        test: group.tests[at].clone(),
                        positive,
                        // A test worse than chance speaks the other way round.
                        lifts: positive == group.point.informative(at),
                    });
                }
            }
        }
        out
    }

    fn without(&self, tests: impl Fn(&str) -> bool) -> Self {
        let mut out = self.clone();
        for (group, answers) in &mut out.groups {
            for (test, answer) in group.tests.iter().zip(answers) {
                if tests(test) {
                    *answer = None;
                }
            }
        }
        out
    }
}

/// One answer.
struct Done {
    test: String,
    positive: bool,
    /// It makes the condition likelier.
    lifts: bool,
}

/// A published cell that takes the place of what the model makes of its members.
pub(super) struct Published<'a> {
    pub(super) cluster: &'a Cluster,
    pub(super) cell: &'a ClusterCell,
    /// ln of the model's ratio for the same answers.
    pub(super) model_log: f64,
    /// How far it moves what all answers say together, in ln.
    pub(super) moves: f64,
    members: Answers<'a>,
}

/// What all answers say together.
pub(super) struct Together<'a> {
    /// ln of the likelihood ratio that is shown.
    pub(super) log: f64,
    pub(super) published: Option<Published<'a>>,
    answers: Answers<'a>,
}

impl<'a> Together<'a> {
    /// Reads the answers.
    ///
    /// Where all members of a published cluster were done and their cell was published, it replaces the model's own; what else was
    /// done adds what it adds in the model. A sign that speaks for the condition never lowers the sum and its absence never
    /// raises it: the sum is held between what it is without each of the answers. Our choice.
    pub(super) fn of(known: &'a Knowledge, hypothesis: &str, answers: Answers<'a>) -> Self {
        let done = answers.done();
        let found = known
            .clusters
            .iter()
            .filter(|c| c.hypothesis == hypothesis)
            .find_map(|cluster| {
                let mut members = cluster.tests.iter();
                let answered = members
                    .clone()
                    .filter_map(|t| done.iter().find(|d| &d.test == t));
                let positive = answered.filter(|d| d.positive).count();
                let all = members.all(|t| done.iter().any(|d| &d.test == t));
                let mut cells = cluster.cells.iter();
                let cell = cells.find(|c| all && c.positive == positive)?;
                Some((cluster, cell))
            });
        let Some((cluster, cell)) = found else {
            return Together {
                log: answers.model_log(),
                published: None,
                answers,
            };
        };
        let is_member = |test: &str| cluster.tests.iter().any(|t| t == test);
        let members = answers.without(|test| !is_member(test));
        let model_log = members.model_log();
        let shift = cell.ratio.ln() - model_log;
        let others: Vec<&Done> = done.iter().filter(|d| !is_member(&d.test)).collect();
        // What the sum is with some of the others, smaller selections first.
        let mut held: Vec<f64> = Vec::with_capacity(1 << others.len());
        for some in 0..1usize << others.len() {
            let has = |test: &str| {
                let place = others.iter().position(|d| d.test == test);
                place.is_none_or(|i| some >> i & 1 == 1)
            };
            let these = answers.without(|test| !has(test));
            let (mut least, mut most) = (f64::NEG_INFINITY, f64::INFINITY);
            let mut hold = |lifts: bool, before: f64| {
                if lifts {
                    least = f64::max(least, before);
                } else {
                    most = f64::min(most, before);
                }
            };
            for (i, other) in others.iter().enumerate() {
                if some >> i & 1 == 1 {
                    hold(other.lifts, held[some & !(1 << i)]);
                }
            }
            // Without a member the cluster is not whole: the model alone speaks.
            for member in done.iter().filter(|d| is_member(&d.test)) {
                hold(
                    member.lifts,
                    these.without(|t| t == member.test).model_log(),
                );
            }
            held.push((these.model_log() + shift).max(least).min(most));
        }
        let log = held.last().copied().unwrap_or_default();
        Together {
            log,
            published: Some(Published {
                cluster,
                cell,
                model_log,
                moves: log - answers.model_log(),
                members,
            }),
            answers,
        }
    }

    /// What might have been drawn instead, in ln; empty when nothing was answered.
    ///
    /// A published cluster brings the error of its own counts, not the model's; where shares were not published they are the model's.
    /// Source: log method for a ratio of shares (Simel 1991, from memory).
    pub(super) fn draws(&self) -> Vec<f64> {
        let all = self.answers.draws();
        let Some(published) = &self.published else {
            return all;
        };
        let moved = |by: f64| all.iter().map(|d| d + by).collect();
        let Some(error) = published.error() else {
            return moved(published.moves);
        };
        let members = published.members.draws();
        let rest = self.answers.model_log() - published.model_log;
        let centre = self.log - rest;
        let spread = (0..DRAWS).map(|i| error * quantile((i as f64 + 0.5) / DRAWS as f64));
        let others = all.iter().zip(&members).map(|(all, own)| all - own);
        others.zip(spread).map(|(o, s)| o + centre + s).collect()
    }
}

impl Published<'_> {
    /// Standard error of the ln of the published ratio, from the counts of its cell.
    fn error(&self) -> Option<f64> {
        let (n_with, n_without) = self.cluster.n_with.zip(self.cluster.n_without)?;
        let with = self.cell.with.unwrap_or_else(|| self.model_share());
        let without = self.cell.without.unwrap_or(with / self.cell.ratio);
        let part = |share: f64, n: f64| {
            let cases = (share * n).max(0.5);
            1.0 / cases - 1.0 / n.max(cases)
        };
        Some((part(with, n_with) + part(without, n_without)).sqrt())
    }

    /// Share of those with the condition in whom exactly so many members are positive, by the model.
    fn model_share(&self) -> f64 {
        let tests = &self.cluster.tests;
        let patterns = (0..1u32 << tests.len())
            .filter(|bits| bits.count_ones() as usize == self.cell.positive);
        patterns
            .filter_map(|bits| {
                let mut answers = self.members.clone();
                for (i, test) in tests.iter().enumerate() {
                    answers = answers.with(test, Some(bits >> i & 1 == 1))?;
                }
                Some(answers.likelihoods().0)
            })
            .sum()
    }
}
