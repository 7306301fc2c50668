//! How hard a band pulls at its distance: a dose holds metres and newtons together.

use super::elastics::{ElasticLevel, elastic_levels};
use super::setup::{Setup, complete, resolve};
use crate::facts::Facts;
use crate::knowledge::{Dose, Exercise, Knowledge};
use crate::mechanics::{ArmBody, Curve, Person, curve};

/// The greatest pull of the band along the path of an exercise, N; `None` without a band. Gaps are filled from the exercise.
pub fn greatest_pull_n(
    known: &Knowledge,
    exercise: &Exercise,
    setup: Setup,
    levels: &[ElasticLevel],
) -> Option<f64> {
    let setup = complete(exercise, setup).ok()?;
    let arm = ArmBody::new(
        known.segment_table()?,
        Person {
            mass_kg: setup.mass_kg,
            height_m: setup.height_m,
        },
    );
    let path = exercise.path();
    let load = resolve(exercise, &arm, &path, &setup, levels);
    load.band?;
    pull_along(&curve(&arm, exercise.attitude, &load, &path, 41, 1.0))
}

/// The pull of a line's band for the body of a story, N, with the clinic's own levels.
pub fn pull_of_dose(
    known: &Knowledge,
    facts: &Facts,
    exercise: &Exercise,
    dose: &Dose,
) -> Option<f64> {
    dose.elastic_level?;
    let setup = Setup {
        mass_kg: facts.story.mass_kg.unwrap_or(ASSUMED_BODY.0),
        height_m: facts.story.height_cm.unwrap_or(ASSUMED_BODY.1) / 100.0,
        weight_kg: None,
        level: dose.elastic_level,
        distance_m: dose.distance_m,
        doubled: false,
    };
    let levels = elastic_levels(known, &facts.elastics, facts.today);
    greatest_pull_n(known, exercise, setup, &levels).map(|n| n.round())
}

/// Mass in kg and height in cm of a body nobody has weighed. Source: our choice, the body of the check values.
const ASSUMED_BODY: (f64, f64) = (75.0, 175.0);

/// The greatest pull along a curve that was worked out with a band, N.
pub(crate) fn pull_along(found: &Curve) -> Option<f64> {
    let pulls = found.points.iter().filter_map(|p| p.band);
    pulls.map(|[_, newtons]| newtons).reduce(f64::max)
}
