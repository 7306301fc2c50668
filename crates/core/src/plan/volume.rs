//! What the lines of a program add up to.

use crate::context::CheckContext;
use crate::facts::Line;
use crate::knowledge::{Group, Level};
use crate::reason::{Reason, wire};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Work of a week in repetitions, by muscle group and by purpose.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Volume {
    /// Minutes of one session with everything.
    pub session_minutes: f64,
    /// Minutes of a day.
    pub day_minutes: f64,
    /// Repetitions in a week that load a muscle group, by group.
    pub by_group: BTreeMap<String, f64>,
    /// Repetitions in a week, by purpose.
    pub by_purpose: BTreeMap<String, f64>,
    /// Seconds of holding or moving under load in a week.
    pub loaded_seconds: f64,
    /// What the sums call for.
    pub warnings: Vec<Reason>,
}

/// What the lines of a day add up to.
pub fn volume(ctx: &CheckContext, lines: &[&Line], minutes_per_day: Option<u32>) -> Volume {
    let pace = ctx.known.pace();
    let mut out = Volume::default();
    for line in lines {
        let Some(exercise) = ctx.known.exercises.get(&line.exercise) else {
            continue;
        };
        let (dose, weekly) = (&line.dose, line.dose.weekly_repetitions(pace));
        out.session_minutes += dose.minutes(pace);
        out.day_minutes += dose.day_minutes(pace);
        *out.by_purpose.entry(wire(exercise.purpose)).or_default() += weekly;
        let loaded = exercise
            .demand
            .iter()
            .filter(|d| d.level >= Level::Isometric);
        for demand in loaded.clone() {
            *out.by_group.entry(wire(demand.group)).or_default() += weekly;
        }
        if loaded.count() > 0 {
            let sets = dose.sets * dose.times_per_day * dose.days_per_week;
            out.loaded_seconds += f64::from(sets) * dose.set_s(pace);
        }
    }
    let sum = |groups: &[Group]| {
        groups
            .iter()
            .filter_map(|g| out.by_group.get(&wire(*g)))
            .sum::<f64>()
    };
    let (front, back) = (
        sum(&[Group::Subscapularis, Group::PecLat]),
        sum(&[Group::Cuff, Group::Scapular]),
    );
    let ratio = ctx.known.threshold("front-back-ratio");
    if front > 0.0 && front > back * ratio {
        out.warnings.push(
            Reason::new("volume-front-heavy")
                .with("front", front.round())
                .with("back", back.round()),
        );
    }
    if let Some(most) = minutes_per_day
        .map(f64::from)
        .filter(|most| out.day_minutes > most + ctx.known.threshold("minutes-tolerance"))
    {
        out.warnings.push(
            Reason::new("volume-over-minutes")
                .with("minutes", out.day_minutes.round())
                .with("max", most),
        );
    }
    out
}
