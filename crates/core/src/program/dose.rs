//! How much of an exercise: from its reviewed range, the irritability, the schools and the day; and what a program adds up to.

use super::rules::{AllowanceRule, Rules, Style};
use super::safety::{CheckContext, Finding, Status};
use crate::calendar::EpisodeDay;
use crate::episode::Line;
use crate::knowledge::{Dose, Exercise, Group, HealingClock, Level, Purpose, SetStructure};
use crate::reading::Irritability;
use crate::reason::{Reason, wire};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// The hardest that an exercise asks of the joint itself.
fn of_the_joint(exercise: &Exercise) -> Level {
    [Group::Cuff, Group::Subscapularis, Group::Deltoid]
        .into_iter()
        .map(|g| exercise.demand_on(g))
        .max()
        .unwrap_or(Level::None)
}

/// Whether irritability leaves room for an exercise: high keeps to isometric, assisted and unloaded work, short of end range.
///
/// Source: Kelley 2013 and McClure 2015 in principle, from memory; after surgery irritability may only tighten.
pub fn within_irritability(exercise: &Exercise, irritability: Irritability) -> bool {
    match irritability {
        Irritability::High => {
            of_the_joint(exercise) <= Level::Isometric
                && !matches!(exercise.purpose, Purpose::Load | Purpose::Return)
        }
        Irritability::Moderate => of_the_joint(exercise) <= Level::Resisted,
        Irritability::Low => true,
    }
}

/// The dose an exercise starts with.
///
/// The row's own dose, held inside its range by irritability and shaped by the schools. An effort never rises above what the
/// allowance of the day gives. Source: common practice, no published source.
pub fn start_dose(
    rules: &Rules,
    exercise: &Exercise,
    irritability: Irritability,
    day: EpisodeDay,
) -> Dose {
    let mut dose = exercise.dose;
    let range = &exercise.range;
    if irritability == Irritability::High {
        dose.sets = range.sets[0].max(1);
        dose.repetitions = range.repetitions[0].max(1);
        dose.hold_s = dose.hold_s.min(5).clamp(range.hold_s[0], range.hold_s[1]);
    }
    let style: &Style = &rules.style;
    let strength = exercise.hardest() >= Level::ResistedLight;
    if let Some(times) = style.times_per_day.filter(|_| !strength) {
        dose.times_per_day = times.clamp(range.times_per_day[0], range.times_per_day[1]);
    }
    if let Some(days) = style.days_per_week.filter(|_| strength) {
        dose.days_per_week = days.clamp(1, 7);
    }
    if exercise.hardest() == Level::Isometric {
        if let Some([repetitions, hold]) = style.hold {
            dose = equal_time(dose, repetitions, hold);
        }
        if let Some(effort) = style.effort_pct {
            dose.effort_pct = Some(effort);
        }
    }
    // Slow lowering and quick work rest two days: no more than every other day.
    if exercise.hardest() >= Level::Eccentric {
        dose.days_per_week = dose.days_per_week.min(3);
    }
    let most = rules
        .allowance(day)
        .and_then(|allowance| effort_most(&allowance, exercise));
    if let (Some(effort), Some(max)) = (dose.effort_pct, most) {
        dose.effort_pct = Some(effort.min(max));
    }
    if let Some(structure) = style.structure.filter(|s| *s != SetStructure::Straight) {
        dose.structure = Some(structure);
    }
    dose
}

/// The highest effort in percent that every muscle group of the joint may give in `exercise`; no school lifts it.
///
/// The number speaks of the shoulder; a hand may squeeze a ball.
pub fn effort_most(allowance: &AllowanceRule, exercise: &Exercise) -> Option<u32> {
    exercise
        .demand
        .iter()
        .filter(|d| d.group != Group::Distal && d.level >= Level::Isometric)
        .filter_map(|d| allowance.effort_max_pct(d.group))
        .min()
}

/// The same total time of holding, in other pieces: sets follow from it.
pub fn equal_time(dose: Dose, repetitions: u32, hold_s: u32) -> Dose {
    let total = dose.sets * dose.repetitions * dose.hold_s.max(1);
    let piece = (repetitions * hold_s).max(1);
    Dose {
        repetitions,
        hold_s,
        sets: ((total + piece / 2) / piece).clamp(1, 10),
        ..dose
    }
}

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
    let mut out = Volume::default();
    for line in lines {
        let Some(exercise) = ctx.known.exercises.get(&line.exercise) else {
            continue;
        };
        let (dose, weekly) = (&line.dose, line.dose.weekly_repetitions());
        out.session_minutes += dose.minutes();
        out.day_minutes += dose.day_minutes();
        *out.by_purpose.entry(wire(exercise.purpose)).or_default() += weekly;
        let loaded = exercise
            .demand
            .iter()
            .filter(|d| d.level >= Level::Isometric);
        for demand in loaded.clone() {
            *out.by_group.entry(wire(demand.group)).or_default() += weekly;
        }
        if loaded.count() > 0 {
            out.loaded_seconds += weekly * f64::from(dose.hold_s + dose.repetition_s());
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
        .filter(|most| out.day_minutes > most + 0.5)
    {
        out.warnings.push(
            Reason::new("volume-over-minutes")
                .with("minutes", out.day_minutes.round())
                .with("max", most),
        );
    }
    out
}

/// Lines whose days break a rule of rest: slow lowering or quick work on more than every other day.
///
/// Source: common practice, no published source (48 h after eccentric work).
pub fn rest_findings(exercise: &Exercise, dose: &Dose, day: EpisodeDay) -> Option<Finding> {
    (exercise.hardest() >= Level::Eccentric && dose.days_per_week > 3).then(|| Finding {
        status: Status::Caution,
        reason: Reason::new("rest-48-hours")
            .with("days", f64::from(dose.days_per_week))
            .with("exercise", exercise.id.as_str()),
        overridable: true,
        day,
    })
}

/// Irritability as it bounds a program: after surgery it may only tighten, so only a high one says anything.
pub fn bounding(irritability: Irritability, clock: HealingClock) -> Irritability {
    match (clock, irritability) {
        (HealingClock::None, own) => own,
        (_, Irritability::High) => Irritability::High,
        _ => Irritability::Low,
    }
}
