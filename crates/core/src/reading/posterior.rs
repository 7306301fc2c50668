//! From findings to probabilities, with their steps, their intervals and a careful word.

use super::evidence::Weighed;
use super::model::{Group, ReadingModel};
use super::together::{Answers, Together};
use crate::calendar::age_years;
use crate::confidence::Confidence;
use crate::facts::{Complaint, Evidence, ExamFact, Facts, OtherSide, Start};
use crate::knowledge::{Hypothesis, Knowledge, Prior};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// Where the pre-test probability comes from.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PreTest {
    /// 0 to 1.
    pub probability: f64,
    /// Reference id or one of the plain sources.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
    /// The clinician's own, with the reason.
    pub own: Option<String>,
}

/// One test inside a step.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StepTest {
    /// Test id.
    pub test: String,
    /// Counted as positive.
    pub positive: bool,
    /// What it would say alone, as a likelihood ratio.
    pub ratio_alone: f64,
    /// Sensitivity as published, 0 to 1; over all studies where several are known.
    pub sensitivity: f64,
    /// Specificity as published, 0 to 1; over all studies where several are known.
    pub specificity: f64,
    /// Reference id.
    pub source: String,
    /// Reference ids of the studies pooled with it.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub further: Vec<String>,
    /// How sure we are.
    pub confidence: Confidence,
    /// The split of the counts is assumed.
    pub assumed_counts: bool,
}

/// What one dependence group says together.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Step {
    /// Group id.
    pub group: String,
    /// ln by which the group moves the odds.
    pub log_ratio: f64,
    /// What of the group's own step counts beside stronger groups, 0 to 1.
    #[serde(default = "whole")]
    pub counts_for: f64,
    /// The tests behind it.
    pub tests: Vec<StepTest>,
}

/// A step from before groups were weighed against each other counted in full.
fn whole() -> f64 {
    1.0
}

/// A published cluster of which all members were done.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ClusterUse {
    /// Cluster id.
    pub cluster: String,
    /// Positive members.
    pub positive: usize,
    /// Of how many.
    pub of: usize,
    /// The published ratio.
    pub ratio: f64,
    /// The model's ratio for the same answers.
    pub model_ratio: f64,
    /// How far the headline lies from the sum of the steps, in ln: with it they add up.
    pub log_move: f64,
    /// Reference id.
    pub source: String,
}

/// The word for a probability. Never "ruled in", never a diagnosis.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Word {
    /// At least 0.85 from two informative tests, lower end at least 0.70.
    Likely,
    /// Neither.
    Open,
    /// At most 0.10, upper end at most 0.25.
    Unlikely,
    /// Shown by imaging or at operation.
    Shown,
    /// Excluded by imaging or at operation.
    Excluded,
}

/// One hypothesis as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HypothesisView {
    /// Hypothesis id.
    pub hypothesis: String,
    /// Before the examination.
    pub pre: PreTest,
    /// After it: the headline, 0 to 1.
    pub probability: f64,
    /// 2.5 % end of the interval.
    pub low: f64,
    /// 97.5 % end of the interval.
    pub high: f64,
    /// The steps, strongest first.
    pub steps: Vec<Step>,
    /// A published cluster behind the headline.
    pub cluster: Option<ClusterUse>,
    /// The word.
    pub word: Word,
    /// Why this word.
    pub why: Vec<Reason>,
    /// What pulls against what.
    pub conflicts: Vec<Reason>,
    /// Another criterion comes first: no number is shown, only why.
    #[serde(default)]
    pub withheld: bool,
}

/// The pre-test probability of a hypothesis for this person: the clinician's own, or the most specific row that fits.
///
/// More conditions are more specific; of as many, the narrower ages; of those, the first.
pub fn pre_test(known: &Knowledge, hypothesis: &Hypothesis, facts: &Facts) -> PreTest {
    let unknown = known.threshold("pre-test-unknown-pct") / 100.0;
    let own = facts
        .exam_notes
        .iter()
        .rev()
        .find_map(|note| match &note.fact {
            ExamFact::PreTest {
                hypothesis: id,
                probability,
                reason,
            } if *id == hypothesis.id => Some((*probability, reason.clone())),
            _ => None,
        });
    let age = age_years(facts.birth, facts.today).unwrap_or(0);
    let trauma = facts.story.start == Start::Injury;
    let lax = facts.story.other_side == OtherSide::Hypermobile;
    let complaint = facts.story.complaint.map(Complaint::word);
    let fits = |p: &&Prior| {
        p.setting.is_none_or(|s| s == facts.story.setting)
            && p.trauma.is_none_or(|t| t == trauma)
            && p.lax.is_none_or(|l| l == lax)
            && p.complaint.as_deref().is_none_or(|c| Some(c) == complaint)
            && age >= p.age_from
            && p.age_below.is_none_or(|below| age < below)
    };
    let (probability, source, confidence) = hypothesis
        .prior
        .iter()
        .filter(fits)
        .rev()
        .max_by_key(|p| p.specific())
        .map_or((unknown, "our choice".to_owned(), Confidence::C), |p| {
            (p.probability, p.source.clone(), p.confidence)
        });
    match own {
        Some((own, reason)) => PreTest {
            probability: own,
            source,
            confidence,
            own: Some(reason),
        },
        None => PreTest {
            probability,
            source,
            confidence,
            own: None,
        },
    }
}

pub(super) fn logit(p: f64) -> f64 {
    (p / (1.0 - p)).ln()
}

pub(super) fn expit(x: f64) -> f64 {
    1.0 / (1.0 + (-x).exp())
}

/// Bayes' rule on odds: the probability after a likelihood ratio. At 0 or 1 nothing changes.
///
/// ```
/// use ritorno_core::reading::after_ratio;
///
/// // Odds of 1 to 3, times 3, are even.
/// assert!((after_ratio(0.25, 3.0) - 0.5).abs() < 1e-12);
/// // What is certain stays certain, whatever a test says.
/// assert_eq!(after_ratio(1.0, 0.01), 1.0);
/// ```
pub fn after_ratio(probability: f64, ratio: f64) -> f64 {
    if probability <= 0.0 || probability >= 1.0 {
        return probability;
    }
    let odds = probability / (1.0 - probability) * ratio;
    odds / (1.0 + odds)
}

/// The 2.5 % and 97.5 % ends of drawn values.
fn ends(mut draws: Vec<f64>) -> (f64, f64) {
    draws.sort_unstable_by(f64::total_cmp);
    let at = |share: f64| {
        let place = share * (draws.len() - 1) as f64;
        let (low, rest) = (place.floor() as usize, place.fract());
        draws[low] + rest * (draws[(low + 1).min(draws.len() - 1)] - draws[low])
    };
    (at(0.025), at(0.975))
}

/// Reads one hypothesis from the findings that may be used.
pub fn read_hypothesis(
    known: &Knowledge,
    model: &ReadingModel,
    hypothesis: &Hypothesis,
    facts: &Facts,
    weighed: &[Weighed],
) -> HypothesisView {
    let used: Vec<&Weighed> = weighed.iter().filter(|w| w.unused.is_none()).collect();
    let pre = pre_test(known, hypothesis, facts);
    let answers = Answers::of(known, model, &hypothesis.id, &used);
    let mut steps: Vec<Step> = answers
        .groups
        .iter()
        .zip(answers.steps())
        .filter(|((_, answers), _)| answers.iter().any(Option::is_some))
        .map(|((group, answers), (step, count))| Step {
            group: group.id.clone(),
            log_ratio: step * count,
            counts_for: count,
            tests: step_tests(known, &hypothesis.id, group, answers),
        })
        .collect();
    let from = logit(pre.probability);
    let together = Together::of(known, &hypothesis.id, answers);
    let cluster = together.published.as_ref().map(|published| ClusterUse {
        cluster: published.cluster.id.clone(),
        positive: published.cell.positive,
        of: published.cluster.tests.len(),
        ratio: published.cell.ratio,
        model_ratio: published.model_log.exp(),
        log_move: published.moves,
        source: published.cluster.source.clone(),
    });
    let probability = expit(from + together.log);
    let draws = together.draws();
    let (low, high) = if draws.is_empty() {
        (probability, probability)
    } else {
        let (low, high) = ends(draws);
        (
            expit(from + low).min(probability),
            expit(from + high).max(probability),
        )
    };
    steps.sort_by(|a, b| b.log_ratio.abs().total_cmp(&a.log_ratio.abs()));
    let shown = facts
        .exam_notes
        .iter()
        .rev()
        .find_map(|note| match &note.fact {
            ExamFact::Known { about, present, by } if *about == hypothesis.id => {
                Some((*present, *by))
            }
            _ => None,
        });
    let (word, mut why) = word(known, &steps, probability, low, high, shown);
    if let Some(step) = steps.iter().find(|s| s.counts_for < 1.0) {
        why.push(Reason::new("groups-share").with("pct", (step.counts_for * 100.0).round()));
    }
    let conflicts = conflicts(known, &steps);
    HypothesisView {
        hypothesis: hypothesis.id.clone(),
        pre,
        probability,
        low,
        high,
        steps,
        cluster,
        word,
        why,
        conflicts,
        withheld: false,
    }
}

fn step_tests(
    known: &Knowledge,
    hypothesis: &str,
    group: &Group,
    answers: &[Option<bool>],
) -> Vec<StepTest> {
    let row_of = |id: &str| {
        known
            .test(id)
            .and_then(|t| t.accuracy.iter().find(|a| a.hypothesis == hypothesis))
    };
    let done = group
        .tests
        .iter()
        .zip(answers)
        .filter_map(|(id, answer)| Some((id, (*answer)?, row_of(id)?)));
    done.map(|(id, positive, row)| {
        let (s, f) = (row.point_sensitivity(), row.point_false_positive());
        let pooled = |all: f64, own: f64| if row.studies.is_empty() { own } else { all };
        StepTest {
            test: id.clone(),
            positive,
            ratio_alone: if positive {
                s / f
            } else {
                (1.0 - s) / (1.0 - f)
            },
            sensitivity: pooled(s, row.sensitivity),
            specificity: pooled(1.0 - f, row.specificity),
            further: row.studies.iter().map(|s| s.source.clone()).collect(),
            source: row.source.clone(),
            confidence: row.confidence,
            assumed_counts: row.counts == crate::knowledge::Counts::Effective,
        }
    })
    .collect()
}

/// Whether a test moves the odds by enough to be spoken of.
fn informative(known: &Knowledge, test: &StepTest) -> bool {
    let least = known.threshold("informative-ratio");
    !(1.0 / least..=least).contains(&test.ratio_alone)
}

/// The bounds are in `thresholds.toml`. Source: our choice, because a word must survive the uncertainty of the studies behind it.
fn word(
    known: &Knowledge,
    steps: &[Step],
    probability: f64,
    low: f64,
    high: f64,
    shown: Option<(bool, Evidence)>,
) -> (Word, Vec<Reason>) {
    if let Some((present, by)) = shown {
        let by = serde_json::to_value(by)
            .ok()
            .and_then(|v| v.as_str().map(str::to_owned))
            .unwrap_or_default();
        let rule = if present {
            "word-shown"
        } else {
            "word-excluded"
        };
        return (
            if present { Word::Shown } else { Word::Excluded },
            vec![Reason::new(rule).with("by", by)],
        );
    }
    let tests = steps
        .iter()
        .flat_map(|s| &s.tests)
        .filter(|test| informative(known, test))
        .count();
    let percent = |p: f64| (p * 100.0).round();
    let bound = |id: &str| known.threshold(id) / 100.0;
    let likely = (bound("word-likely-pct"), bound("word-likely-low-pct"));
    let unlikely = (bound("word-unlikely-pct"), bound("word-unlikely-high-pct"));
    if tests == 0 {
        return (Word::Open, vec![Reason::new("word-no-tests")]);
    }
    if probability >= likely.0 {
        let mut held = Vec::new();
        if tests < 2 {
            held.push(Reason::new("word-one-test"));
        }
        if low < likely.1 {
            held.push(
                Reason::new("word-interval-low")
                    .with("low", percent(low))
                    .with("bound", percent(likely.1)),
            );
        }
        return if held.is_empty() {
            (
                Word::Likely,
                vec![
                    Reason::new("word-likely")
                        .with("n", tests as f64)
                        .with("low", percent(low)),
                ],
            )
        } else {
            (Word::Open, held)
        };
    }
    if probability <= unlikely.0 {
        return if high <= unlikely.1 {
            (
                Word::Unlikely,
                vec![
                    Reason::new("word-unlikely")
                        .with("n", tests as f64)
                        .with("high", percent(high)),
                ],
            )
        } else {
            (
                Word::Open,
                vec![
                    Reason::new("word-interval-high")
                        .with("high", percent(high))
                        .with("bound", percent(unlikely.1)),
                ],
            )
        };
    }
    (
        Word::Open,
        vec![
            Reason::new("word-between")
                .with("low", percent(unlikely.0))
                .with("high", percent(likely.0)),
        ],
    )
}

/// The strongest positive against the strongest negative, where both would move the odds by `conflict-ratio` or more.
fn conflicts(known: &Knowledge, steps: &[Step]) -> Vec<Reason> {
    let least = known.threshold("conflict-ratio");
    let tests = || steps.iter().flat_map(|s| &s.tests);
    let up = tests()
        .filter(|t| t.positive && t.ratio_alone >= least)
        .max_by(|a, b| a.ratio_alone.total_cmp(&b.ratio_alone));
    let down = tests()
        .filter(|t| !t.positive && t.ratio_alone <= 1.0 / least)
        .min_by(|a, b| a.ratio_alone.total_cmp(&b.ratio_alone));
    up.zip(down)
        .map(|(up, down)| {
            Reason::new("tests-conflict")
                .with("test", up.test.as_str())
                .with("other_test", down.test.as_str())
        })
        .into_iter()
        .collect()
}
