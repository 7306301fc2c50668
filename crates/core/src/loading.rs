//! How hard an exercise is for a body and a set-up: the curve, what to mind, the next step up and the easy day.

use crate::episode::Facts;
use crate::knowledge::{Confidence, DemandClass, Exercise, Knowledge, Level};
use crate::mechanics::{
    ArmBody, Band, Curve, Fit, Law, Load, PLANNED_PCT, Path, Person, PullPoint, Resolved, Supply,
    Vec3, curve, fit, peak_nm, solve_for,
};
use crate::program::CheckContext;
use crate::pull::pull_along;
use crate::reason::Reason;
use crate::strength::strength_page;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// A level of elastic as long as a clinic has not measured its own.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct ElasticRow {
    /// Stable id.
    pub id: String,
    /// 1 to 6.
    pub level: u32,
    /// Tension at 100 % elongation, N.
    pub at_100_n: f64,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A level that a clinic has measured. Append-only: the newest of a level counts.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Calibration {
    /// 1 to 6.
    pub level: u32,
    /// What the clinic calls it.
    pub label: String,
    /// Measured points, ascending.
    pub points: Vec<PullPoint>,
    /// When.
    pub on: NaiveDate,
    /// A simulated gauge of the demo invented points of it: kept and shown, never used.
    #[serde(default)]
    pub simulated: bool,
}

/// A level in use.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ElasticLevel {
    /// 1 to 6.
    pub level: u32,
    /// What the clinic calls it; empty without its own.
    pub label: String,
    /// Tension at 100 % elongation, N.
    pub at_100_n: f64,
    /// How it pulls.
    pub law: Law,
    /// The clinic's own fit, where it has measured.
    pub fit: Option<Fit>,
    /// Its points.
    pub points: Vec<PullPoint>,
    /// When they were measured.
    pub measured_on: Option<NaiveDate>,
    /// Change at 100 % against the measurement before, percent.
    pub drift_pct: Option<f64>,
    /// The curve to draw: elongation, tension, half-width of its 95 % band.
    pub drawn: Vec<[f64; 3]>,
    /// What to mind: drifted, measured long ago.
    pub minds: Vec<Reason>,
}

/// A drift beyond this is worn rubber, percent. Source: our choice; fatigue of 5 to 15 % is from memory (confidence C).
const DRIFT_PCT: f64 = 10.0;
/// Measured longer ago than this, a level is measured again. Source: as above.
const MEASURE_AGAIN_DAYS: i64 = 365;

/// All levels, the clinic's own before the defaults. `measured` is oldest first.
pub fn elastic_levels(
    known: &Knowledge,
    measured: &[Calibration],
    today: NaiveDate,
) -> Vec<ElasticLevel> {
    known
        .elastics
        .iter()
        .map(|row| {
            let (invented, own): (Vec<&Calibration>, Vec<&Calibration>) = measured
                .iter()
                .filter(|c| c.level == row.level)
                .partition(|c| c.simulated);
            // Points were checked when they were kept; what can no longer be fitted falls back to the default, and says so.
            let fits: Vec<Fit> = own.iter().filter_map(|c| fit(&c.points).ok()).collect();
            let newest = own.last();
            let found = fits.last().cloned();
            let drift_pct = fits
                .len()
                .checked_sub(2)
                .map(|i| crate::mechanics::drift_pct(&fits[i], &fits[i + 1]));
            let mut minds = Vec::new();
            if !invented.is_empty() {
                minds.push(Reason::new("elastic-simulated"));
            }
            if let Some(drift) = drift_pct.filter(|d| d.abs() > DRIFT_PCT) {
                minds.push(
                    Reason::new("elastic-drifted")
                        .with("percent", drift.round())
                        .with("limit", DRIFT_PCT),
                );
            }
            if newest.is_some_and(|c| (today - c.on).num_days() > MEASURE_AGAIN_DAYS) {
                minds.push(Reason::new("elastic-old"));
            }
            if found.is_none() {
                minds.push(Reason::new("elastic-default").with("force", row.at_100_n));
            }
            let law = found
                .as_ref()
                .map_or_else(|| Law::ideal(row.at_100_n), |f| f.law);
            let drawn = (0..=50)
                .map(|i| {
                    let pct = f64::from(i) * 5.0;
                    [
                        pct,
                        law.force_n(pct),
                        found.as_ref().map_or(0.0, |f| f.error_n(pct)),
                    ]
                })
                .collect();
            ElasticLevel {
                level: row.level,
                label: newest.map(|c| c.label.clone()).unwrap_or_default(),
                at_100_n: law.force_n(100.0),
                law,
                points: newest.map(|c| c.points.clone()).unwrap_or_default(),
                measured_on: newest.map(|c| c.on),
                fit: found,
                drift_pct,
                drawn,
                minds,
            }
        })
        .collect()
}

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

/// How far a step up may go. Source: common practice, no published source (10 to 15 %).
const STEP_UP: f64 = 1.12;
const STEP_UP_MOST: f64 = 1.15;
/// How far a flare day goes down. Source: our choice, because a third off is felt and still counts as work.
const STEP_DOWN: f64 = 0.67;
/// Distances a room allows, m.
const DISTANCES_M: [f64; 2] = [0.3, 3.0];
/// Weights a hand takes here, kg.
const WEIGHTS_KG: [f64; 2] = [0.0, 40.0];

/// The band of an exercise at a distance. Its free length is chosen so that it is stretched by a quarter where the path is
/// nearest to the anchor at the distance the exercise names: light, never slack.
fn band(
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
    let step = |factor: f64| {
        step_to(
            exercise,
            &arm,
            path,
            &setup,
            levels,
            found.peak_nm * factor,
            factor > 1.0,
        )
    };
    Some(LoadView {
        harder: step(STEP_UP),
        easier: step(STEP_DOWN),
        slack_m: load.band.map(|b| b.slack_m),
        pull_n: load.band.and_then(|_| pull_along(&found)),
        along: along(path),
        demand: DemandClass::of(&exercise.activity),
        table: table.id.clone(),
        minds,
        setup,
        curve: found,
    })
}

/// The same exercise at another peak: another weight, another distance, and for a step up that no room allows the next level.
fn step_to(
    exercise: &Exercise,
    arm: &ArmBody,
    path: &Path,
    setup: &Setup,
    levels: &[ElasticLevel],
    wanted_nm: f64,
    up: bool,
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
            let kg = solve_for(wanted_nm, WEIGHTS_KG, |kg| {
                peak(&Setup {
                    weight_kg: Some(kg),
                    ..*setup
                })
            })
            .ok()?;
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
                        ratio > 1.01 && ratio <= STEP_UP_MOST
                    } else {
                        ratio < 0.75
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
                    let d = solve_for(wanted_nm, DISTANCES_M, |d| {
                        peak(&Setup {
                            distance_m: Some(d),
                            ..s
                        })
                    })
                    .ok()?;
                    // Five centimetres are a foot's width; where that is too coarse, one.
                    let rounded = [20.0, 100.0].map(|k| Setup {
                        distance_m: Some((d * k).floor() / k),
                        ..s
                    });
                    rounded.into_iter().find(keeps).map(of)
                })
        }
        _ => None,
    }
}

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
            let kg = solve_for(wanted_nm, WEIGHTS_KG, |kg| {
                peak(&Setup {
                    weight_kg: Some(kg),
                    ..setup
                })
            })
            .map_err(say)?;
            Ok(Setup {
                weight_kg: Some((kg * 20.0).round() / 20.0),
                ..setup
            })
        }
        (SolveFor::Distance, Load::Elastic { .. }) => {
            let d = solve_for(wanted_nm, DISTANCES_M, |d| {
                peak(&Setup {
                    distance_m: Some(d),
                    ..setup
                })
            })
            .map_err(say)?;
            Ok(Setup {
                distance_m: Some((d * 100.0).round() / 100.0),
                ..setup
            })
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

fn round1(v: f64) -> f64 {
    (v * 10.0).round() / 10.0
}

/// Share of the patient's own strength that the peak asks, percent.
///
/// Only against a test that asks the same of the same axis within 30° of where the peak lies, from three sound pushes that
/// pain did not limit, and only once the allowance of the muscles is *resisted*. Source: our choice, because a share of a
/// strength measured elsewhere is a number without meaning.
///
/// # Errors
/// The reason why there is none.
pub fn share_of_strength(
    ctx: &CheckContext,
    facts: &Facts,
    exercise: &Exercise,
    path: &Path,
    found: &Curve,
) -> Result<f64, Reason> {
    let protected = exercise.demand.iter().any(|d| {
        ctx.rules.protects()
            && !ctx
                .rules
                .allowance(facts.day())
                .is_some_and(|a| a.permits(d.group, Level::Resisted))
    });
    if protected {
        return Err(Reason::new("share-not-allowed"));
    }
    let supply = found.main.ok_or_else(|| Reason::new("share-no-moment"))?;
    let at = found
        .points
        .get(found.peak_at)
        .and_then(|p| path.at(p.at))
        .ok_or_else(|| Reason::new("share-no-moment"))?;
    let page = strength_page(ctx, facts);
    let mut why = Reason::new("share-no-test");
    for test in ctx
        .known
        .strength
        .iter()
        .filter(|t| t.supplies == Some(supply))
    {
        let Some(pose) = test.path.first().and_then(crate::mechanics::KeyPose::pose) else {
            continue;
        };
        // The elbow and where the pad lies differ between test and exercise; what must agree is where the upper arm is turned.
        if at.orientation().degrees_to(pose.orientation()) > 30.0 {
            continue;
        }
        let Some(set) = page
            .tests
            .iter()
            .find(|v| v.test == test.id)
            .and_then(|v| v.affected.as_ref())
        else {
            continue;
        };
        let (Some(_), Some(moment)) = (set.variation_pct, set.moment_nm.filter(|m| *m > 0.0))
        else {
            continue;
        };
        if set
            .pain
            .is_some_and(|p| p >= ctx.known.threshold("strength-pain-limit"))
        {
            why = Reason::new("share-pain");
            continue;
        }
        return Ok(100.0 * found.peak_nm / moment);
    }
    Err(why)
}

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
