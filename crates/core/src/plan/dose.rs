//! The dose an exercise starts with: its reviewed range, the irritability, the schools and the day.

use crate::calendar::EpisodeDay;
use crate::knowledge::{Dose, Exercise, Group, HealingClock, Level, Purpose, SetStructure};
use crate::reading::Irritability;
use crate::rules::{Rules, Style};
use crate::safety::effort_most;

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
        dose.hold_s = dose
            .hold_s
            .min(rules.irritable_hold_s)
            .clamp(range.hold_s[0], range.hold_s[1]);
        if let Some([shortest, _]) = range.duration_s {
            dose.duration_s = Some(shortest);
        }
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
            dose = equal_time(dose, repetitions, hold, rules.hold_most_s);
        }
        if let Some(effort) = style.effort_pct {
            dose.effort_pct = Some(effort);
        }
    }
    // Slow lowering and quick work need days of rest.
    if exercise.hardest() >= Level::Eccentric {
        dose.days_per_week = dose.days_per_week.min(rules.resisted_days_per_week);
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

/// The same total time of holding, in other pieces: sets follow from it, and never more than `most_s` seconds in all.
pub fn equal_time(dose: Dose, repetitions: u32, hold_s: u32, most_s: u32) -> Dose {
    let total = dose.sets * dose.repetitions * dose.hold_s.max(1);
    let piece = (repetitions * hold_s).max(1);
    Dose {
        repetitions,
        hold_s,
        sets: ((total + piece / 2) / piece).min(most_s / piece).max(1),
        ..dose
    }
}

/// Irritability as it bounds a program: after surgery it may only tighten, so only a high one says anything.
pub fn bounding(irritability: Irritability, clock: HealingClock) -> Irritability {
    match (clock, irritability) {
        (HealingClock::None, own) => own,
        (_, Irritability::High) => Irritability::High,
        _ => Irritability::Low,
    }
}
