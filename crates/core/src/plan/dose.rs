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
    let [fewest, most] = range.times_per_day;
    // Light work with an elastic or a weight is done as often as the rest; firm work has its own days.
    let often = style
        .times_per_day
        .filter(|_| exercise.hardest() < Level::Resisted);
    let strong = style.strength_times_per_day.filter(|_| strength);
    if let Some(times) = strong.or(often) {
        dose.times_per_day = times.clamp(fewest, most);
    }
    if let Some(days) = style.days_per_week.filter(|_| strength) {
        dose.days_per_week = days.clamp(1, 7);
    }
    if irritability == Irritability::Low {
        dose = by_school(rules, exercise, dose);
    }
    if exercise.hardest() == Level::Isometric {
        // Where each repetition is another direction, none of them can be left out.
        let [fewest, most] = range.repetitions;
        let ways = fewest == most && fewest > 1;
        if let Some([repetitions, hold]) = style.hold.filter(|_| !ways) {
            dose = equal_time(dose, repetitions, hold, rules.hold_most_s);
        }
        if let Some(effort) = style.effort_pct {
            dose.effort_pct = Some(effort);
        }
    }
    // Slow lowering and quick work need days of rest.
    if exercise.hardest() >= Level::Eccentric {
        dose.days_per_week = dose
            .days_per_week
            .min(rules.resisted_days_per_week)
            .min(exercise.dose.days_per_week);
    }
    let most = rules
        .allowance(day)
        .and_then(|allowance| effort_most(&allowance, exercise));
    if let (Some(effort), Some(max)) = (dose.effort_pct, most) {
        dose.effort_pct = Some(effort.min(max));
    }
    match style.structure {
        Some(SetStructure::Circuit) => dose.structure = style.structure,
        // One at a time, each as good as it can be, is for a muscle that has forgotten its work: one set of them all.
        Some(SetStructure::Single) if exercise.purpose == Purpose::Control && counted(&dose) => {
            let all = dose.sets * dose.repetitions;
            dose.structure = style.structure;
            dose.sets = range.sets[0].max(1);
            dose.repetitions = all
                .min(rules.single_repetitions)
                .clamp(range.repetitions[0], range.repetitions[1]);
        }
        _ => {}
    }
    dose
}

/// Whether a dose counts repetitions, and not the time of a hold or of the whole set.
fn counted(dose: &Dose) -> bool {
    dose.repetitions > 1 && dose.duration_s.is_none()
}

/// End-range work and heavy work, where the school does them and the row has room for them.
///
/// Where something heals by the calendar nothing begins heavy, whatever the school: loading starts at the least.
fn by_school(rules: &Rules, exercise: &Exercise, dose: Dose) -> Dose {
    let mut dose = dose;
    let style: &Style = &rules.style;
    let range = &exercise.range;
    let clamp = |wanted: u32, [low, high]: [u32; 2]| wanted.clamp(low, high);
    let stretched = exercise.purpose == Purpose::Move && exercise.hardest() <= Level::Assisted;
    if let Some([repetitions, hold]) = style.end_range.filter(|_| stretched) {
        dose.repetitions = clamp(repetitions, range.repetitions);
        dose.hold_s = clamp(hold, range.hold_s);
    }
    let heavy = style.heavy && !rules.protects() && dose.duration_s.is_none();
    if heavy && exercise.hardest() == Level::Resisted {
        dose.repetitions = range.repetitions[0].max(1);
        let stronger = dose.elastic_level.map(|level| level + 1);
        dose.elastic_level =
            stronger.map(|level| level.min(range.elastic_level_max.unwrap_or(level)));
        let heavier = dose.load_kg.map(|kg| kg * 2.0);
        dose.load_kg = heavier.map(|kg| kg.min(range.load_kg_max.unwrap_or(kg)));
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
