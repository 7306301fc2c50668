//! What an exercise is done with: body, weight, elastic, distance; completed and resolved.

use super::elastics::ElasticLevel;
use crate::knowledge::Exercise;
use crate::mechanics::{
    ArmBody, Band, Law, Load, PLANNED_PCT, Path, Person, Resolved, Vec3, curve,
};
use serde::{Deserialize, Serialize};

/// What is in the hand and where it is fixed. What is left out comes from the exercise.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Setup {
    /// Body mass, kg.
    pub mass_kg: f64,
    /// Body height, m.
    pub height_m: f64,
    /// Weight in the hand, kg.
    pub weight_kg: Option<f64>,
    /// Level of elastic.
    pub level: Option<u32>,
    /// Level distance from shoulder to anchor, m.
    pub distance_m: Option<f64>,
    /// Two strands.
    #[serde(default)]
    pub doubled: bool,
}

/// A field of a set-up that cannot be.
#[derive(Debug, Clone, PartialEq)]
pub struct SetupFault {
    /// The field.
    pub field: &'static str,
    /// Least possible.
    pub min: f64,
    /// Greatest possible.
    pub max: f64,
    /// What was given.
    pub given: f64,
}

/// Distances a room allows, m.
pub(super) const DISTANCES_M: [f64; 2] = [0.3, 3.0];

/// Weights a hand takes here, kg.
pub(super) const WEIGHTS_KG: [f64; 2] = [0.0, 40.0];

/// The band of an exercise at a distance. Its free length is chosen so that it is stretched by a quarter where the path is
/// nearest to the anchor at the distance the exercise names: light, never slack.
pub(super) fn band(
    exercise: &Exercise,
    arm: &ArmBody,
    path: &Path,
    law: Law,
    distance_m: f64,
    doubled: bool,
) -> Option<Band> {
    let Load::Elastic { anchor, .. } = exercise.load else {
        return None;
    };
    let at = |d: f64| {
        crate::mechanics::Anchor {
            distance_m: d,
            ..anchor
        }
        .from_shoulder(arm, exercise.attitude)
    };
    let probe = |anchor: Vec3| {
        let load = Resolved {
            band: Some(Band {
                anchor,
                slack_m: 1.0,
                law,
                strands: 1.0,
            }),
            ..Resolved::NONE
        };
        let c = curve(arm, exercise.attitude, &load, path, 41, 1.0);
        c.points
            .iter()
            .filter_map(|p| p.band)
            .map(|[pct, _]| 1.0 + pct / 100.0)
            .fold(f64::INFINITY, f64::min)
    };
    let slack_m = (probe(at(anchor.distance_m)) / (1.0 + PLANNED_PCT[0] / 100.0)).max(0.1);
    Some(Band {
        anchor: at(distance_m),
        slack_m,
        law,
        strands: if doubled { 2.0 } else { 1.0 },
    })
}

pub(crate) fn resolve(
    exercise: &Exercise,
    arm: &ArmBody,
    path: &Path,
    setup: &Setup,
    levels: &[ElasticLevel],
) -> Resolved {
    let law = setup
        .level
        .and_then(|l| levels.iter().find(|x| x.level == l))
        .map(|l| l.law);
    let none = Resolved {
        rests: exercise.upper_arm_rests,
        ..Resolved::NONE
    };
    match exercise.load {
        Load::Gravity | Load::Isometric => Resolved {
            weight_kg: setup.weight_kg.unwrap_or(0.0),
            ..none
        },
        Load::Weight => Resolved {
            weight_kg: setup.weight_kg.unwrap_or(0.0),
            ..none
        },
        Load::Carried { share } => Resolved {
            carried: share,
            ..none
        },
        Load::Support { share } => {
            // A wall pushes back level, everything else straight up.
            let force = share * arm.body_kg * crate::mechanics::GRAVITY;
            let wall = exercise.attitude == crate::mechanics::Attitude::WallLean;
            Resolved {
                support_n: if wall {
                    Vec3::new(-force, 0.0, 0.0)
                } else {
                    Vec3::new(0.0, force, 0.0)
                },
                ..none
            }
        }
        Load::Elastic { .. } => Resolved {
            band: law.and_then(|law| {
                band(
                    exercise,
                    arm,
                    path,
                    law,
                    setup.distance_m.unwrap_or(1.0),
                    setup.doubled,
                )
            }),
            ..none
        },
    }
}

/// Fills what a set-up leaves open from the exercise and checks the rest.
///
/// # Errors
/// Every field that cannot be, with its bounds.
pub fn complete(exercise: &Exercise, setup: Setup) -> Result<Setup, Vec<SetupFault>> {
    let mut faults = Vec::new();
    let mut check = |field, given: f64, [min, max]: [f64; 2]| {
        if !(min..=max).contains(&given) {
            faults.push(SetupFault {
                field,
                min,
                max,
                given,
            });
        }
    };
    if let Err(bad) = (Person {
        mass_kg: setup.mass_kg,
        height_m: setup.height_m,
    })
    .checked()
    {
        check(bad.field, bad.given, [bad.min, bad.max]);
    }
    let mut out = setup;
    match exercise.load {
        Load::Elastic { anchor, doubled } => {
            out.weight_kg = None;
            out.level = setup.level.or(exercise.dose.elastic_level);
            out.distance_m = Some(setup.distance_m.unwrap_or(anchor.distance_m));
            out.doubled = setup.doubled || doubled;
            check("level", f64::from(out.level.unwrap_or(1)), [1.0, 6.0]);
            let least = if anchor.side == crate::mechanics::AnchorSide::Under {
                0.0
            } else {
                DISTANCES_M[0]
            };
            check(
                "distance_m",
                out.distance_m.unwrap_or(1.0),
                [least, DISTANCES_M[1]],
            );
        }
        Load::Weight | Load::Gravity => {
            (out.level, out.distance_m, out.doubled) = (None, None, false);
            out.weight_kg = setup
                .weight_kg
                .or(exercise.dose.load_kg)
                .filter(|_| exercise.load == Load::Weight || setup.weight_kg.is_some());
            check("weight_kg", out.weight_kg.unwrap_or(0.0), WEIGHTS_KG);
        }
        _ => (out.weight_kg, out.level, out.distance_m, out.doubled) = (None, None, None, false),
    }
    if faults.is_empty() {
        Ok(out)
    } else {
        Err(faults)
    }
}

pub(super) fn round1(v: f64) -> f64 {
    (v * 10.0).round() / 10.0
}
