//! Which weight, level or distance gives a wanted share.

use super::elastics::ElasticLevel;
use super::setup::{DISTANCES_M, Setup, WEIGHTS_KG, resolve, round1};
use crate::knowledge::{Exercise, Knowledge};
use crate::mechanics::{ArmBody, Load, PLANNED_PCT, Path, Person, curve, peak_nm, solve_for};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// What set-up gives a wanted peak.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SolveFor {
    /// The weight in the hand.
    Weight,
    /// The distance from the anchor.
    Distance,
    /// The level of elastic that comes nearest from below.
    Level,
}

/// Solves a set-up for a wanted peak.
///
/// # Errors
/// The reason why nothing in reach gives it: what the least and the most give.
pub fn solve(
    known: &Knowledge,
    exercise: &Exercise,
    path: &Path,
    setup: Setup,
    levels: &[ElasticLevel],
    what: SolveFor,
    wanted_nm: f64,
) -> Result<Setup, Reason> {
    use crate::mechanics::NoAnswer;
    let Some(table) = known.segment_table() else {
        return Err(Reason::new("solve-not-here"));
    };
    let arm = ArmBody::new(
        table,
        Person {
            mass_kg: setup.mass_kg,
            height_m: setup.height_m,
        },
    );
    let peak = |s: &Setup| {
        peak_nm(
            &arm,
            exercise.attitude,
            &resolve(exercise, &arm, path, s, levels),
            path,
        )
    };
    let say = |e| match e {
        NoAnswer::TooMuch { least_nm } => {
            Reason::new("solve-too-much").with("least", round1(least_nm))
        }
        NoAnswer::TooLittle { most_nm } => {
            Reason::new("solve-too-little").with("most", round1(most_nm))
        }
    };
    match (what, exercise.load) {
        (SolveFor::Weight, Load::Weight | Load::Gravity) => {
            let found = solve_for(wanted_nm, WEIGHTS_KG, |kg| {
                peak(&Setup {
                    weight_kg: Some(kg),
                    ..setup
                })
            })
            .map_err(say)?;
            // Of several the lightest.
            let kg = found.first().copied().unwrap_or(WEIGHTS_KG[0]);
            Ok(Setup {
                weight_kg: Some((kg * 20.0).round() / 20.0),
                ..setup
            })
        }
        (SolveFor::Distance, Load::Elastic { .. }) => {
            let found = solve_for(wanted_nm, DISTANCES_M, |d| {
                peak(&Setup {
                    distance_m: Some(d),
                    ..setup
                })
            })
            .map_err(say)?;
            let to = |d: f64| Setup {
                distance_m: Some((d * 100.0).round() / 100.0),
                ..setup
            };
            let mut all = found.into_iter().map(to).collect::<Vec<_>>();
            let now = setup.distance_m.unwrap_or(DISTANCES_M[0]);
            let way = |s: &Setup| s.distance_m.map_or(0.0, |d| (d - now).abs());
            all.sort_by(|a, b| way(a).total_cmp(&way(b)));
            // The nearest step on which the band neither hangs nor is drawn out too far; else the nearest.
            let sound = all.iter().find(|s| {
                let load = resolve(exercise, &arm, path, s, levels);
                let found = curve(&arm, exercise.attitude, &load, path, 41, 1.0);
                found.slack_share == 0.0 && found.longest_pct <= PLANNED_PCT[1]
            });
            let best = sound.or_else(|| all.first()).copied();
            best.ok_or_else(|| Reason::new("solve-not-here"))
        }
        (SolveFor::Level, Load::Elastic { .. }) => {
            let fits = |l: &&ElasticLevel| {
                peak(&Setup {
                    level: Some(l.level),
                    ..setup
                }) <= wanted_nm
            };
            let best = levels
                .iter()
                .filter(fits)
                .max_by(|a, b| a.at_100_n.total_cmp(&b.at_100_n));
            let least = || {
                Reason::new("solve-too-much").with(
                    "least",
                    round1(
                        levels
                            .iter()
                            .map(|l| {
                                peak(&Setup {
                                    level: Some(l.level),
                                    ..setup
                                })
                            })
                            .fold(f64::INFINITY, f64::min),
                    ),
                )
            };
            best.map(|l| Setup {
                level: Some(l.level),
                ..setup
            })
            .ok_or_else(least)
        }
        _ => Err(Reason::new("solve-not-here")),
    }
}
