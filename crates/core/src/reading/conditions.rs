//! Frozen shoulder and osteoarthritis: decided by criterion, not by likelihood ratios, and before subacromial pain.

use crate::context::CheckContext;
use crate::facts::{ExamFact, Facts, StopReason};
use crate::ranges::{in_conflict, measure_for};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// Where a condition stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ConditionStatus {
    /// The whole criterion holds.
    Met,
    /// The range part holds, the radiograph is not known.
    RangeOnly,
    /// It does not hold.
    NotMet,
    /// Ranges are missing.
    NotMeasured,
}

/// One condition as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ConditionView {
    /// `frozen-shoulder` or `glenohumeral-osteoarthritis`.
    pub condition: String,
    /// Where it stands.
    pub status: ConditionStatus,
    /// The parts, with their numbers.
    pub parts: Vec<Reason>,
}

/// Whether passive range is lost the way a frozen or arthritic shoulder loses it, radiograph there or not.
///
/// The impingement signs say nothing in such a shoulder. Source: common practice, no published source.
pub fn stiff_pattern(ctx: &CheckContext, facts: &Facts) -> Option<ConditionView> {
    conditions(ctx, facts)
        .into_iter()
        .find(|c| matches!(c.status, ConditionStatus::Met | ConditionStatus::RangeOnly))
}

/// Why the chosen pathway is challenged before anything is built: its kind of pain against a stiff pattern. A clinician may
/// keep it with a reason; nothing is decided here.
pub fn pathway_challenge(ctx: &CheckContext, facts: &Facts) -> Option<Reason> {
    let pathway = ctx.known.pathways.get(&facts.story.pathway)?;
    if !pathway.not_when_stiff || facts.operated() {
        return None;
    }
    let kept = facts
        .exam_notes
        .iter()
        .any(|n| matches!(&n.fact, ExamFact::PathwayKept { pathway: id, .. } if *id == pathway.id));
    if kept {
        return None;
    }
    let found = stiff_pattern(ctx, facts)?;
    let rule = match found.status {
        ConditionStatus::Met => "pathway-against-criterion",
        _ => "pathway-against-stiffness",
    };
    let lost = found
        .parts
        .iter()
        .filter(|p| p.rule == "plane-lost")
        .count();
    Some(
        Reason::new(rule)
            .with("pathway", pathway.id.as_str())
            .with("condition", found.condition.as_str())
            .with("count", lost as f64),
    )
}

/// Reads both conditions.
///
/// Frozen shoulder: passive external rotation at most half of the other side or below 30°, more than a quarter lost in at
/// least two planes, and a radiograph without arthritis. Source: Kelley 2009 and the 2013 guideline; UK trial entry rule
/// 2020; all from memory. A criterion, not a diagnosis.
pub fn conditions(ctx: &CheckContext, facts: &Facts) -> Vec<ConditionView> {
    let threshold = |id: &str| ctx.known.threshold(id);
    // Stopped at a permitted limit is at least that much: no loss can be read from it.
    let newest = |id: &str| {
        let last = facts.newest(id).filter(|r| r.stop != StopReason::AtLimit);
        last.filter(|r| !in_conflict(ctx, facts, r))
    };
    let film = facts.exam_notes.iter().rev().find_map(|n| match &n.fact {
        ExamFact::Known { about, present, .. } if about == "glenohumeral-osteoarthritis" => {
            Some(*present)
        }
        _ => None,
    });
    let mut parts = Vec::new();
    let mut lost = 0usize;
    let mut measured = 0usize;
    for quantity in ctx.known.quantities.iter().filter(|q| q.stiff_plane) {
        let Some(measurement) = newest(&quantity.id) else {
            continue;
        };
        let (whole, against) = measure_for(facts, quantity);
        measured += 1;
        let share = if whole > 0.0 {
            1.0 - measurement.value / whole
        } else {
            0.0
        };
        if share > threshold("frozen-plane-loss-pct") / 100.0 {
            lost += 1;
            parts.push(
                Reason::new("plane-lost")
                    .with("quantity", quantity.id.as_str())
                    .with("value", measurement.value)
                    .with("percent", (share * 100.0).round())
                    .with("against", against),
            );
        }
    }
    let turned = newest("passive-er-side").zip(ctx.known.quantity("passive-er-side"));
    let rotation = turned.map(|(measurement, quantity)| {
        let (whole, against) = measure_for(facts, quantity);
        let half = against == "other-side"
            && measurement.value <= whole * threshold("frozen-er-share-pct") / 100.0;
        half || measurement.value < threshold("frozen-er-deg")
    });
    let planes = threshold("frozen-planes") as usize;
    let enough = lost >= planes;
    let status = match rotation {
        None => ConditionStatus::NotMeasured,
        Some(false) => ConditionStatus::NotMet,
        Some(true) if enough => match film {
            Some(true) => ConditionStatus::NotMet,
            Some(false) => ConditionStatus::Met,
            None => ConditionStatus::RangeOnly,
        },
        Some(true) if measured < planes => ConditionStatus::NotMeasured,
        Some(true) => ConditionStatus::NotMet,
    };
    let film_part = match film {
        Some(true) => Reason::new("film-arthritis"),
        Some(false) => Reason::new("film-clear"),
        None => Reason::new("film-unknown"),
    };
    let arthritis = match (film, rotation) {
        (Some(true), Some(true)) => ConditionStatus::Met,
        (Some(false), _) | (None, Some(false)) => ConditionStatus::NotMet,
        (Some(true), _) => ConditionStatus::NotMeasured,
        (None, Some(true)) => ConditionStatus::RangeOnly,
        (None, None) => ConditionStatus::NotMeasured,
    };
    let with = |first: &[Reason]| {
        first
            .iter()
            .cloned()
            .chain([film_part.clone()])
            .collect::<Vec<_>>()
    };
    vec![
        ConditionView {
            condition: "frozen-shoulder".into(),
            status,
            parts: with(&parts),
        },
        ConditionView {
            condition: "glenohumeral-osteoarthritis".into(),
            status: arthritis,
            parts: with(&parts),
        },
    ]
}
