//! Two versions of a program side by side: what was added, left out or changed.

use super::program_v1::{LineV1, ProgramV1};
use crate::calendar::EpisodeDay;
use crate::facts::Line;
use crate::knowledge::Dose;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// An exercise over some days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Stretch {
    /// First day.
    pub from_day: EpisodeDay,
    /// The day after the last.
    pub to_day: EpisodeDay,
    /// How much.
    pub dose: Dose,
}

/// What became of an exercise.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Became {
    /// It was not there.
    Added,
    /// It is not there any more.
    LeftOut,
    /// Other days or another dose.
    Changed,
}

/// One exercise that differs between two versions.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct VersionChange {
    /// Exercise id.
    pub exercise: String,
    /// What became of it.
    pub became: Became,
    /// Its stretches in the earlier version, in order.
    pub before: Vec<Stretch>,
    /// Its stretches in the later one, in order.
    pub after: Vec<Stretch>,
}

/// The stretches of a version, by exercise.
pub type Stretches = BTreeMap<String, Vec<Stretch>>;

/// The stretches of lines.
pub fn stretches<'a>(lines: impl IntoIterator<Item = &'a Line>) -> Stretches {
    in_order(lines.into_iter().map(|l| {
        let stretch = Stretch {
            from_day: l.from_day,
            to_day: l.to_day,
            dose: l.dose,
        };
        (l.exercise.clone(), stretch)
    }))
}

/// The stretches of a signed version; nothing when a dose is not one that today's application knows.
pub fn signed_stretches(signed: &ProgramV1) -> Option<Stretches> {
    let stretch = |l: &LineV1| {
        // The kept shape has the same fields by the same names.
        let dose = serde_json::to_value(&l.dose).ok()?;
        let stretch = Stretch {
            from_day: l.from_day,
            to_day: l.to_day,
            dose: serde_json::from_value(dose).ok()?,
        };
        Some((l.exercise.clone(), stretch))
    };
    let all: Option<Vec<(String, Stretch)>> = signed.lines.iter().map(stretch).collect();
    Some(in_order(all?.into_iter()))
}

fn in_order(all: impl Iterator<Item = (String, Stretch)>) -> Stretches {
    let mut out = Stretches::new();
    for (exercise, stretch) in all {
        out.entry(exercise).or_default().push(stretch);
    }
    for list in out.values_mut() {
        list.sort_by_key(|s| (s.from_day, s.to_day));
    }
    out
}

/// What differs, by exercise.
pub fn compare(before: &Stretches, after: &Stretches) -> Vec<VersionChange> {
    let names: std::collections::BTreeSet<&String> = before.keys().chain(after.keys()).collect();
    let of = |all: &Stretches, id: &String| all.get(id).cloned().unwrap_or_default();
    names
        .into_iter()
        .filter_map(|id| {
            let (old, new) = (of(before, id), of(after, id));
            let became = match (old.is_empty(), new.is_empty()) {
                (true, _) => Became::Added,
                (_, true) => Became::LeftOut,
                _ if old == new => return None,
                _ => Became::Changed,
            };
            Some(VersionChange {
                exercise: id.clone(),
                became,
                before: old,
                after: new,
            })
        })
        .collect()
}
