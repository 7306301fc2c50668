//! How easily the shoulder is stirred up: six votes and their rule.

use crate::context::CheckContext;
use crate::facts::{ExamFact, Facts, StopReason, Vote};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// The level.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Irritability {
    /// Full loading, end range.
    Low,
    /// Basic loading, toward end range.
    Moderate,
    /// Short, mid-range, pain-free.
    High,
}

/// One vote as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct VoteView {
    /// The question, or `active_passive`, which is worked out from the ranges.
    pub question: String,
    /// The vote; `None` when not answered or dropped.
    pub level: Option<Irritability>,
    /// Why it was dropped or how it was worked out.
    pub reason: Option<Reason>,
}

/// The level with its votes.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct IrritabilityView {
    /// What to work with: undetermined counts as moderate.
    pub level: Irritability,
    /// Fewer than three answers.
    pub undetermined: bool,
    /// The votes.
    pub votes: Vec<VoteView>,
    /// The rule that decided.
    pub rule: Reason,
}

const QUESTIONS: [(Vote, &str); 5] = [
    (Vote::WorstPain, "worst_pain"),
    (Vote::Night, "night"),
    (Vote::EndRange, "end_range"),
    (Vote::Disability, "disability"),
    (Vote::Ache, "ache"),
];

/// Source: Kelley 2013 (clinical practice guideline), from memory; the bounds of pain in `thresholds.toml`.
fn level_of(ctx: &CheckContext, question: Vote, value: f64) -> Irritability {
    let (high, moderate) = if question == Vote::WorstPain {
        (
            ctx.known.threshold("irritability-pain-high"),
            ctx.known.threshold("irritability-pain-moderate"),
        )
    } else {
        (2.0, 1.0)
    };
    if value >= high {
        Irritability::High
    } else if value >= moderate {
        Irritability::Moderate
    } else {
        Irritability::Low
    }
}

/// Counts the votes.
///
/// High: three highs, or worst pain of 7 or more with constant night pain. At least moderate: two highs,
/// constant night pain, or an ache longer than a day. Else the median, ties up. Fewer than three answers:
/// undetermined, treated as moderate. Source: criteria Kelley 2013 from memory; the counting is our choice.
pub fn irritability(ctx: &CheckContext, facts: &Facts) -> IrritabilityView {
    let window = ctx.known.threshold("irritability-max-age-days");
    let value = |vote: Vote| {
        facts
            .exam_notes
            .iter()
            .rev()
            .filter(|n| f64::from(facts.day() - facts.day_of(n.on)) <= window)
            .find_map(|n| match &n.fact {
                ExamFact::Irritability { question, value } if *question == vote => Some(*value),
                _ => None,
            })
    };
    let mut votes: Vec<VoteView> = QUESTIONS
        .iter()
        .map(|(vote, name)| VoteView {
            question: (*name).to_owned(),
            level: value(*vote).map(|v| level_of(ctx, *vote, v)),
            reason: None,
        })
        .collect();
    votes.push(active_against_passive(ctx, facts));
    let mut levels: Vec<Irritability> = votes.iter().filter_map(|v| v.level).collect();
    levels.sort_unstable();
    let highs = levels.iter().filter(|l| **l == Irritability::High).count();
    let at = |vote: Vote| value(vote).map(|v| level_of(ctx, vote, v));
    let constant_night = at(Vote::Night) == Some(Irritability::High);
    let long_ache = at(Vote::Ache) == Some(Irritability::High);
    let count = |id: &str| ctx.known.threshold(id) as usize;
    let undetermined = levels.len() < count("irritability-least-votes");
    let (level, rule) = if undetermined {
        (
            Irritability::Moderate,
            Reason::new("irritability-undetermined").with("n", levels.len() as f64),
        )
    } else if highs >= count("irritability-highs") {
        (
            Irritability::High,
            Reason::new("irritability-three-highs").with("n", highs as f64),
        )
    } else if at(Vote::WorstPain) == Some(Irritability::High) && constant_night {
        (
            Irritability::High,
            Reason::new("irritability-pain-and-night"),
        )
    } else {
        // The upper median: of an even number the higher of the two in the middle.
        let median = levels[levels.len() / 2];
        if highs >= count("irritability-highs-moderate") {
            (
                median.max(Irritability::Moderate),
                Reason::new("irritability-two-highs"),
            )
        } else if constant_night {
            (
                median.max(Irritability::Moderate),
                Reason::new("irritability-night"),
            )
        } else if long_ache {
            (
                median.max(Irritability::Moderate),
                Reason::new("irritability-ache"),
            )
        } else {
            (
                median,
                Reason::new("irritability-median").with("n", levels.len() as f64),
            )
        }
    };
    // After surgery the votes can only tighten: low never speeds anything up there.
    let level = if facts.operated() {
        level.max(Irritability::Moderate)
    } else {
        level
    };
    IrritabilityView {
        level,
        undetermined,
        votes,
        rule,
    }
}

/// Active less than passive because of pain speaks for high; dropped when weakness or surgery explains it.
fn active_against_passive(ctx: &CheckContext, facts: &Facts) -> VoteView {
    let say = |level: Option<Irritability>, reason: Reason| VoteView {
        question: "active_passive".to_owned(),
        level,
        reason: Some(reason),
    };
    if facts.operated() {
        return say(None, Reason::new("vote-dropped-surgery"));
    }
    let active = facts
        .newest("active-elevation-upright")
        .or_else(|| facts.newest("active-elevation-lying"));
    let (Some(active), Some(passive)) = (active, facts.newest("passive-elevation")) else {
        return say(None, Reason::new("vote-no-ranges"));
    };
    if active.stop == StopReason::Weak || facts.lag(ctx.known).is_some() {
        return say(None, Reason::new("vote-dropped-weakness"));
    }
    let error = ctx.known.error_of("passive-elevation");
    let gap = passive.value - active.value;
    // An arm that goes further by itself than it is lifted was measured wrongly once, or on another day.
    if active.value > passive.value + error {
        let reason = Reason::new("vote-ranges-conflict")
            .with("quantity", "passive-elevation")
            .with("active", active.value)
            .with("passive", passive.value);
        return say(None, reason);
    }
    let reason = Reason::new("vote-from-ranges")
        .with("quantity", "passive-elevation")
        .with("active", active.value)
        .with("passive", passive.value);
    let level = if gap > error && active.stop == StopReason::Pain {
        Irritability::High
    } else if passive.stop == StopReason::Pain {
        Irritability::Moderate
    } else {
        Irritability::Low
    };
    say(Some(level), reason)
}
