//! What to examine next: the fixed core, then optional tests by what they would tell per minute.

use super::conditions::stiff_pattern;
use super::evidence::{Weighed, stiff_says_nothing, unmet};
use super::irritability::Irritability;
use super::model::ReadingModel;
use super::posterior::{HypothesisView, Word, expit, logit};
use super::together::{Answers, Together};
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{ClinicalTest, Knowledge};
use crate::reason::Reason;
use crate::rules::{Ceiling, ceiling_on};
use crate::safety::bars_position;
use serde::{Deserialize, Serialize};

/// Where a test stands in the plan.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Place {
    /// Part of the fixed core.
    Core,
    /// Ordered by what it would tell.
    Optional,
    /// Answered today.
    Done,
    /// Cannot be interpreted now.
    NotNow,
    /// Protection forbids it.
    Barred,
    /// Left out while the shoulder is easily stirred up.
    TooProvoking,
}

/// One test in the plan.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanItem {
    /// Test id.
    pub test: String,
    /// Where it stands.
    pub place: Place,
    /// Expected fall of entropy, weighted by consequence, in bits.
    pub gain_bits: f64,
    /// Tells enough to stand in the short plan.
    pub worth: bool,
    /// Minutes, with the change of position.
    pub minutes: f64,
    /// Why it is not now, barred or left out.
    pub reasons: Vec<Reason>,
    /// Hypotheses it would move, strongest first.
    pub about: Vec<String>,
}

/// Entropy of a yes-or-no matter, in bits.
pub fn entropy(p: f64) -> f64 {
    [p, 1.0 - p]
        .into_iter()
        .filter(|q| *q > 0.0)
        .map(|q| -q * q.log2())
        .sum()
}

/// Expected fall of entropy of one hypothesis if a test of it were done, in bits.
///
/// Under the model's own predictive probability, given what has been answered already. `None` when the test does not speak for it.
pub fn gain_bits(
    known: &Knowledge,
    model: &ReadingModel,
    hypothesis: &str,
    probability: f64,
    used: &[&Weighed],
    test: &str,
) -> Option<f64> {
    let all = Answers::of(known, model, hypothesis, used);
    let without_it = all.with(test, None)?;
    let positive = all.with(test, Some(true))?;
    let negative = all.with(test, Some(false))?;
    // P(+ | condition, answers) and P(+ | no condition, answers).
    let (before, after) = (without_it.likelihoods(), positive.likelihoods());
    let (with, without) = (after.0 / before.0, after.1 / before.1);
    let plus = probability * with + (1.0 - probability) * without;
    // What will then be shown, published clusters with it.
    let log = |answers: Answers| Together::of(known, hypothesis, answers).log;
    let from = logit(probability) - log(without_it);
    let left = |share: f64, answers: Answers| share * entropy(expit(from + log(answers)));
    let gain = entropy(probability) - left(plus, positive) - left(1.0 - plus, negative);
    Some(gain.max(0.0))
}

/// The plan: what is done, the core, the optional tests in order, and what is barred or makes no sense now.
///
/// A suggestion; any order is allowed.
pub fn plan(
    ctx: &CheckContext,
    model: &ReadingModel,
    facts: &Facts,
    weighed: &[Weighed],
    views: &[HypothesisView],
    irritability: Irritability,
) -> Vec<PlanItem> {
    let used: Vec<&Weighed> = weighed.iter().filter(|w| w.unused.is_none()).collect();
    let position_now = facts
        .findings
        .last()
        .and_then(|f| ctx.known.test(&f.test))
        .map(|t| t.position.as_str());
    let wanted: Vec<String> = ctx
        .open_flags
        .iter()
        .filter_map(|id| ctx.known.red_flag(id))
        .flat_map(|flag| flag.tests.clone())
        .collect();
    let stiff = stiff_pattern(ctx, facts).is_some();
    let complaint = facts.story.complaint.map(crate::facts::Complaint::word);
    let mut items: Vec<(PlanItem, u32)> =
        ctx.known
            .tests
            .iter()
            .map(|test| {
                let (gain, about) = worth(ctx.known, model, views, &used, test, facts.operated());
                let done = facts.findings.iter().any(|f| {
                    f.test == test.id && f.side == facts.story.side && f.on == facts.today
                });
                let core = test
                    .core_for
                    .iter()
                    .any(|word| word == "any" || Some(word.as_str()) == complaint)
                    || wanted.contains(&test.id);
                let mut reasons = barred(ctx, facts, test);
                let place = if done {
                    Place::Done
                } else if !reasons.is_empty() {
                    Place::Barred
                } else if let Some(reason) = test
                    .needs
                    .iter()
                    .find_map(|need| unmet(ctx, facts, need, facts.story.side))
                {
                    reasons.push(reason);
                    Place::NotNow
                } else if stiff && test.impingement {
                    reasons.push(stiff_says_nothing(test));
                    Place::NotNow
                } else if irritability == Irritability::High && test.provocation >= 2 {
                    reasons.push(Reason::new("too-provoking").with("test", test.id.as_str()));
                    Place::TooProvoking
                } else if core {
                    Place::Core
                } else {
                    Place::Optional
                };
                let turn = if position_now.is_some_and(|now| now != test.position) {
                    ctx.known.threshold("turn-minutes")
                } else {
                    0.0
                };
                (
                    PlanItem {
                        test: test.id.clone(),
                        place,
                        gain_bits: gain,
                        worth: facts.operated() || gain >= ctx.known.threshold("plan-least-bits"),
                        minutes: test.minutes + turn,
                        reasons,
                        about,
                    },
                    test.order,
                )
            })
            .collect();
    let provocation = |item: &PlanItem| ctx.known.test(&item.test).map_or(0, |t| t.provocation);
    let rank = |place: Place| match place {
        Place::Core => 0,
        Place::Optional => 1,
        Place::NotNow => 2,
        Place::TooProvoking => 3,
        Place::Barred => 4,
        Place::Done => 5,
    };
    items.sort_by(|(a, a_order), (b, b_order)| {
        let last = |item: &PlanItem| provocation(item) >= 3;
        let by_gain = || (b.gain_bits / b.minutes).total_cmp(&(a.gain_bits / a.minutes));
        rank(a.place)
            .cmp(&rank(b.place))
            .then_with(|| match a.place {
                Place::Optional => last(a)
                    .cmp(&last(b))
                    .then_with(by_gain)
                    .then(a_order.cmp(b_order)),
                _ => a_order.cmp(b_order),
            })
    });
    items.into_iter().map(|(item, _)| item).collect()
}

/// The few tests that would tell most a minute, of those that may be done now.
pub fn telling(plan: &[PlanItem]) -> Vec<PlanItem> {
    let mut out: Vec<PlanItem> = plan
        .iter()
        .filter(|i| {
            matches!(i.place, Place::Core | Place::Optional) && i.gain_bits > 0.0 && i.worth
        })
        .cloned()
        .collect();
    out.sort_by(|a, b| (b.gain_bits / b.minutes).total_cmp(&(a.gain_bits / a.minutes)));
    out.truncate(4);
    out
}

/// What a test would tell about the open hypotheses, weighted by consequence; nothing for an operated shoulder.
fn worth(
    known: &Knowledge,
    model: &ReadingModel,
    views: &[HypothesisView],
    used: &[&Weighed],
    test: &ClinicalTest,
    operated: bool,
) -> (f64, Vec<String>) {
    if operated {
        return (0.0, Vec::new());
    }
    let mut parts: Vec<(f64, String)> = views
        .iter()
        .filter(|v| !v.withheld && !matches!(v.word, Word::Shown | Word::Excluded))
        .filter_map(|v| {
            let gain = gain_bits(known, model, &v.hypothesis, v.probability, used, &test.id)?;
            let weight = known
                .hypothesis(&v.hypothesis)
                .map_or(1.0, |h| h.consequence);
            Some((gain * weight, v.hypothesis.clone()))
        })
        .collect();
    parts.sort_by(|a, b| b.0.total_cmp(&a.0));
    (
        parts.iter().map(|p| p.0).sum(),
        parts
            .into_iter()
            .filter(|p| p.0 > 0.001)
            .map(|p| p.1)
            .collect(),
    )
}

/// What protection has against a test today; empty when nothing has.
pub fn barred(ctx: &CheckContext, facts: &Facts, test: &ClinicalTest) -> Vec<Reason> {
    if !ctx.rules.protects() {
        // A surgeon's limit can stand without an operation here (after a fracture, say): it bars all the same.
        return if facts.limits.is_empty() {
            Vec::new()
        } else {
            bars_position(ctx, &test.path(), &test.demand, &test.tags, facts.day())
        };
    }
    let moves = !test.path.is_empty() || !test.demand.is_empty();
    if moves && !ctx.cleared {
        return vec![Reason::new("no-clearance")];
    }
    let mut reasons = bars_position(ctx, &test.path(), &test.demand, &test.tags, facts.day());
    // Provoking a repair that is still protected teaches nothing and may harm it. Source: our choice.
    let today = facts.day();
    let protected =
        ctx.rules.corridors.iter().find(|c| {
            ceiling_on(ctx.rules, ctx.limits, &c.id, today, today).ceiling != Ceiling::Free
        });
    if let Some(corridor) = protected.filter(|_| test.provocation >= 2) {
        reasons
            .push(Reason::new("provoking-while-protected").with("quantity", corridor.id.as_str()));
    }
    reasons
}
