//! How hard an exercise is for a body and a set-up: the curve, what to mind, the next step up and the easy day.

use super::elastics::ElasticLevel;
use super::pull::pull_along;
use super::setup::{DISTANCES_M, Setup, WEIGHTS_KG, resolve};
use crate::knowledge::{DemandClass, Exercise, Knowledge};
use crate::mechanics::{
    ArmBody, Curve, Load, PLANNED_PCT, Path, Person, curve, peak_nm, solve_for,
};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// A step up or down of the same exercise.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LoadStep {
    /// Weight in the hand, kg.
    pub weight_kg: Option<f64>,
    /// Level of elastic.
    pub level: Option<u32>,
    /// Distance from the anchor, m.
    pub distance_m: Option<f64>,
    /// Its peak, N·m.
    pub peak_nm: f64,
}

/// Which angle the curve is read along.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Along {
    /// Elevation.
    Elevation,
    /// Rotation.
    Rotation,
    /// Plane of elevation.
    Plane,
    /// The elbow; the shoulder stays.
    Elbow,
}

/// How hard one set-up is.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LoadView {
    /// The set-up that was computed, gaps filled.
    pub setup: Setup,
    /// The moment along the path, 101 points.
    pub curve: Curve,
    /// Which angle changes most.
    pub along: Along,
    /// Free length of the band, m.
    pub slack_m: Option<f64>,
    /// Greatest pull of the band along the path, N.
    #[serde(default)]
    pub pull_n: Option<f64>,
    /// Published activity of the most active muscle, as a class.
    pub demand: DemandClass,
    /// Which table gave the segments.
    pub table: String,
    /// What to mind.
    pub minds: Vec<Reason>,
    /// At most 15 % harder: further away, or the next level from nearer.
    pub harder: Option<LoadStep>,
    /// A flare day: about a third easier.
    pub easier: Option<LoadStep>,
}

/// Which angle changes most along a path.
fn along(path: &Path) -> Along {
    let span = |of: fn(&crate::mechanics::ArmPose) -> f64| {
        let all = path.keys.iter().map(of);
        all.clone().fold(f64::NEG_INFINITY, f64::max) - all.fold(f64::INFINITY, f64::min)
    };
    let low = path.keys.iter().all(|k| k.elevation_deg < 30.0);
    let rotation = span(if low {
        |k| k.twist_deg()
    } else {
        |k| k.clinic_deg()
    });
    let all = [
        (span(|k| k.elevation_deg), Along::Elevation),
        (rotation, Along::Rotation),
        (span(|k| k.plane_deg) * 0.9, Along::Plane),
        (span(|k| k.elbow_deg) * 0.5, Along::Elbow),
    ];
    all.into_iter()
        .max_by(|a, b| a.0.total_cmp(&b.0))
        .map_or(Along::Elevation, |(_, a)| a)
}

/// Everything about one exercise with one set-up. The set-up must be [`complete`].
pub fn load_view(
    known: &Knowledge,
    exercise: &Exercise,
    path: &Path,
    setup: Setup,
    levels: &[ElasticLevel],
) -> Option<LoadView> {
    let table = known.segment_table()?;
    let arm = ArmBody::new(
        table,
        Person {
            mass_kg: setup.mass_kg,
            height_m: setup.height_m,
        },
    );
    let load = resolve(exercise, &arm, path, &setup, levels);
    let seconds = exercise.path_s.unwrap_or(2.0);
    let found = curve(&arm, exercise.attitude, &load, path, 101, seconds);
    let mut minds = Vec::new();
    match exercise.load {
        Load::Isometric => minds.push(Reason::new("load-isometric")),
        Load::Carried { share } => {
            minds.push(Reason::new("load-carried").with("percent", (share * 100.0).round()))
        }
        Load::Support { share } => {
            minds.push(Reason::new("load-support").with("percent", (share * 100.0).round()))
        }
        Load::Elastic { .. } => {
            if found.slack_share > 0.0 {
                minds.push(
                    Reason::new("band-slack").with("percent", (found.slack_share * 100.0).ceil()),
                );
            }
            if further_is_easier(exercise, &arm, path, &setup, levels, found.peak_nm) {
                minds.push(Reason::new("band-further-easier"));
            }
            if found.longest_pct > PLANNED_PCT[1] {
                minds.push(
                    Reason::new("band-long")
                        .with("percent", found.longest_pct.round())
                        .with("limit", PLANNED_PCT[1]),
                );
            }
            if let Some(level) = levels.iter().find(|l| Some(l.level) == setup.level) {
                let beyond = level
                    .fit
                    .as_ref()
                    .filter(|f| found.longest_pct > f.measured_to_pct);
                minds.extend(beyond.map(|f| {
                    Reason::new("band-beyond-measured").with("percent", f.measured_to_pct.round())
                }));
                minds.extend(level.minds.iter().cloned());
            }
        }
        Load::Weight | Load::Gravity => {}
    }
    if exercise.upper_arm_rests {
        minds.push(Reason::new("upper-arm-rests"));
    }
    let step = |by: &str, at_most: &str| {
        let factor = known.threshold(by);
        step_to(
            exercise,
            &arm,
            path,
            &setup,
            levels,
            found.peak_nm * factor,
            factor > 1.0,
            known.threshold(at_most),
        )
    };
    Some(LoadView {
        harder: step("load-step-up", "load-step-up-most"),
        easier: step("load-step-down", "load-step-down-least"),
        slack_m: load.band.map(|b| b.slack_m),
        pull_n: load.band.and_then(|_| pull_along(&found)),
        along: along(path),
        demand: known.demand_class(exercise),
        table: table.id.clone(),
        minds,
        setup,
        curve: found,
    })
}

/// Whether a step away from the anchor takes load off, where one would expect more.
fn further_is_easier(
    exercise: &Exercise,
    arm: &ArmBody,
    path: &Path,
    setup: &Setup,
    levels: &[ElasticLevel],
    now_nm: f64,
) -> bool {
    let Some(now) = setup.distance_m else {
        return false;
    };
    // A small step: a tenth of the present distance.
    let stepped = Setup {
        distance_m: Some((now * 1.1).min(DISTANCES_M[1])),
        ..*setup
    };
    let load = resolve(exercise, arm, path, &stepped, levels);
    peak_nm(arm, exercise.attitude, &load, path) < now_nm * 0.995
}

/// The same exercise at another peak: another weight, another distance, and for a step up that no room allows the next level.
#[expect(
    clippy::too_many_arguments,
    reason = "an exercise, a body and a set-up, and where from there"
)]
fn step_to(
    exercise: &Exercise,
    arm: &ArmBody,
    path: &Path,
    setup: &Setup,
    levels: &[ElasticLevel],
    wanted_nm: f64,
    up: bool,
    at_most: f64,
) -> Option<LoadStep> {
    let peak = |s: &Setup| {
        peak_nm(
            arm,
            exercise.attitude,
            &resolve(exercise, arm, path, s, levels),
            path,
        )
    };
    let of = |s: Setup| LoadStep {
        weight_kg: s.weight_kg,
        level: s.level,
        distance_m: s.distance_m,
        peak_nm: peak(&s),
    };
    match exercise.load {
        Load::Weight => {
            let found = solve_for(wanted_nm, WEIGHTS_KG, |kg| {
                peak(&Setup {
                    weight_kg: Some(kg),
                    ..*setup
                })
            });
            let kg = *found.ok()?.first()?;
            // Weights come in quarters of a kilogram; a step up is rounded down, an easy day as well.
            let kg = (kg * 4.0).floor() / 4.0;
            let found = Setup {
                weight_kg: Some(kg),
                ..*setup
            };
            (Some(kg) != setup.weight_kg && (!up || peak(&found) > peak(setup))).then(|| of(found))
        }
        Load::Elastic { anchor, .. } if anchor.side != crate::mechanics::AnchorSide::Under => {
            let level = setup.level?;
            let now = peak(setup);
            // What was promised is checked on the rounded set-up: against a light band the arm's own weight can turn the peak.
            let keeps = |s: &Setup| {
                let c = curve(
                    arm,
                    exercise.attitude,
                    &resolve(exercise, arm, path, s, levels),
                    path,
                    41,
                    1.0,
                );
                let ratio = c.peak_nm / now;
                c.longest_pct <= PLANNED_PCT[1]
                    && c.slack_share == 0.0
                    && if up {
                        ratio > 1.01 && ratio <= at_most
                    } else {
                        ratio < at_most
                    }
            };
            let tries = if up {
                vec![level, level + 1]
            } else {
                vec![level, level.saturating_sub(1)]
            };
            tries
                .into_iter()
                .filter(|l| (1..=6).contains(l))
                .find_map(|l| {
                    let s = Setup {
                        level: Some(l),
                        ..*setup
                    };
                    let mut ways = solve_for(wanted_nm, DISTANCES_M, |d| {
                        peak(&Setup {
                            distance_m: Some(d),
                            ..s
                        })
                    })
                    .ok()?;
                    let now = setup.distance_m.unwrap_or(DISTANCES_M[0]);
                    ways.sort_by(|a, b| (a - now).abs().total_cmp(&(b - now).abs()));
                    // Five centimetres are a foot's width; where that is too coarse, one.
                    let rounded = ways.into_iter().flat_map(|d| {
                        [20.0, 100.0].map(|k| Setup {
                            distance_m: Some((d * k).floor() / k),
                            ..s
                        })
                    });
                    rounded.into_iter().find(keeps).map(of)
                })
        }
        _ => None,
    }
}
