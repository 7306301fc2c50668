//! The loads of all exercises for one body.

use super::elastics::ElasticLevel;
use super::setup::{Setup, complete, resolve};
use crate::knowledge::Knowledge;
use crate::mechanics::{ArmBody, Load, Person, Supply, curve};
use serde::{Deserialize, Serialize};

/// One line of the table that compares exercises by what they ask.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LoadRow {
    /// Exercise id.
    pub exercise: String,
    /// Peak with the exercise's own starting dose, N·m; absent where a moment says nothing (isometric work).
    pub peak_nm: Option<f64>,
    /// The group that supplies most there.
    pub main: Option<Supply>,
}

/// The peak of every exercise with its starting dose for one body.
pub fn load_table(known: &Knowledge, person: Person, levels: &[ElasticLevel]) -> Vec<LoadRow> {
    let Some(table) = known.segment_table() else {
        return Vec::new();
    };
    let arm = ArmBody::new(table, person);
    let open = Setup {
        mass_kg: person.mass_kg,
        height_m: person.height_m,
        weight_kg: None,
        level: None,
        distance_m: None,
        doubled: false,
    };
    known
        .exercises
        .values()
        .map(|exercise| {
            let path = exercise.path();
            let found = complete(exercise, open)
                .ok()
                .filter(|_| exercise.load != Load::Isometric)
                .map(|setup| {
                    curve(
                        &arm,
                        exercise.attitude,
                        &resolve(exercise, &arm, &path, &setup, levels),
                        &path,
                        41,
                        1.0,
                    )
                });
            LoadRow {
                exercise: exercise.id.clone(),
                peak_nm: found.as_ref().map(|c| c.peak_nm),
                main: found.and_then(|c| c.main),
            }
        })
        .collect()
}
