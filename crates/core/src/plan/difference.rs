//! What a plan changes against the one before.

use crate::calendar::EpisodeDay;
use crate::facts::Line;
use serde::{Deserialize, Serialize};

/// What a re-run changes against the present program.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanDifference {
    /// Exercise id.
    pub exercise: String,
    /// `added`, `removed`, `moved`, `kept-by-hand`.
    pub change: String,
    /// First day before and after.
    pub from_day: [Option<EpisodeDay>; 2],
    /// The day after the last, before and after.
    pub to_day: [Option<EpisodeDay>; 2],
}

/// What changes for each exercise from today on.
pub(super) fn difference(
    today: EpisodeDay,
    before: &[Line],
    after: &[Line],
) -> Vec<PlanDifference> {
    let span = |lines: &[Line], id: &str| {
        let own = lines
            .iter()
            .filter(|l| l.exercise == id && l.to_day > today);
        own.fold(None, |all: Option<(i32, i32, bool)>, l| {
            Some(all.map_or((l.from_day, l.to_day, l.by_hand), |(a, b, h)| {
                (a.min(l.from_day), b.max(l.to_day), h || l.by_hand)
            }))
        })
    };
    let names: std::collections::BTreeSet<&str> = before
        .iter()
        .chain(after)
        .map(|l| l.exercise.as_str())
        .collect();
    names
        .into_iter()
        .filter_map(|id| {
            let (old, new) = (span(before, id), span(after, id));
            let change = match (old, new) {
                (None, Some(_)) => "added",
                (Some(_), None) => "removed",
                (Some(_), Some((.., true))) => "kept-by-hand",
                (Some(a), Some(b)) if (a.0.max(today), a.1) != (b.0.max(today), b.1) => "moved",
                _ => return None,
            };
            Some(PlanDifference {
                exercise: id.to_owned(),
                change: change.to_owned(),
                from_day: [old.map(|o| o.0), new.map(|n| n.0)],
                to_day: [old.map(|o| o.1), new.map(|n| n.1)],
            })
        })
        .collect()
}
