//! What a movement asks of each measured range; the rows are in `range-demands.toml`.

use crate::knowledge::{DemandWhen, Exercise, HAIR_DEG, Knowledge};
use crate::mechanics::{ArmPose, Attitude, Track};

/// The arm at rest in a sling: never a movement, never a breach.
struct AtRest {
    elevation_deg: f64,
    internal_deg: f64,
    plane_deg: f64,
}

impl AtRest {
    fn of(known: &Knowledge) -> AtRest {
        AtRest {
            elevation_deg: known.threshold("sling-elevation-deg"),
            internal_deg: known.threshold("sling-internal-deg"),
            plane_deg: known.threshold("sling-plane-deg"),
        }
    }

    fn holds(&self, pose: &ArmPose) -> bool {
        let within =
            |value: f64, from: f64, to: f64| (from - HAIR_DEG..=to + HAIR_DEG).contains(&value);
        pose.elevation_deg <= self.elevation_deg + HAIR_DEG
            && within(pose.twist_deg(), -self.internal_deg, 0.0)
            && within(pose.plane_deg, 0.0, self.plane_deg)
    }
}

/// Which rows about lifting without help speak of an exercise.
pub(super) fn active_work(exercise: &Exercise) -> DemandWhen {
    if !exercise.is_active() {
        return DemandWhen::Always;
    }
    match exercise.attitude {
        Attitude::Supine | Attitude::SideLying | Attitude::Reclined | Attitude::Prone => {
            DemandWhen::ActiveLying
        }
        _ => DemandWhen::ActiveUpright,
    }
}

/// The greatest demand on each quantity that `counts` along a path, in degrees, in the order of the rows.
pub(super) fn peaks(
    known: &Knowledge,
    track: &Track,
    work: DemandWhen,
    counts: impl Fn(&str) -> bool,
) -> Vec<(String, f64)> {
    let rest = AtRest::of(known);
    let mut peaks: Vec<(String, f64)> = Vec::new();
    for row in known.range_demands.iter().filter(|r| counts(&r.quantity)) {
        if row.when != DemandWhen::Always && row.when != work {
            continue;
        }
        let asked = |pose: &ArmPose| row.asked(pose).filter(|_| !rest.holds(pose));
        let Some(demand) = track.greatest(asked) else {
            continue;
        };
        match peaks.iter_mut().find(|(q, _)| *q == row.quantity) {
            Some(peak) => peak.1 = peak.1.max(demand),
            None => peaks.push((row.quantity.clone(), demand)),
        }
    }
    peaks
}

/// What a movement that is not made at all may show at rest, in degrees.
pub(super) fn rest_deg(known: &Knowledge, quantity: &str) -> f64 {
    let mut rows = known.range_demands.iter();
    rows.find(|row| row.quantity == quantity)
        .map_or(0.0, |row| row.rest_deg)
}
