//! Whether a dose stays inside its exercise's range and leaves rest.

use super::verdict::{Finding, Status};
use crate::calendar::EpisodeDay;
use crate::knowledge::{Dose, Exercise, Level};
use crate::reason::Reason;
use crate::rules::Rules;

/// Lines whose days break a rule of rest: slow lowering or quick work on more than `most` days a week.
///
/// Source: common practice, no published source (48 h after eccentric work); threshold `slow-or-quick-days-per-week`.
pub fn rest_findings(
    exercise: &Exercise,
    dose: &Dose,
    day: EpisodeDay,
    most: u32,
) -> Option<Finding> {
    let tired = exercise.hardest() >= Level::Eccentric && dose.days_per_week > most;
    tired.then(|| Finding {
        status: Status::Caution,
        reason: Reason::new("rest-48-hours")
            .with("days", f64::from(dose.days_per_week))
            .with("exercise", exercise.id.as_str()),
        overridable: true,
        day,
    })
}

/// The first field outside the range of the row, too much before too little: its name, both ends, and whether it is too much.
///
/// A school that holds in its own pieces brings their range: so many repetitions, so long, in as many sets as `hold_most_s` leaves.
pub(super) fn outside_range(
    rules: &Rules,
    exercise: &Exercise,
    dose: &Dose,
) -> Option<(&'static str, f64, f64, bool)> {
    let range = &exercise.range;
    let pieces = rules.style.hold.filter(|[repetitions, hold]| {
        exercise.hardest() == Level::Isometric
            && (dose.repetitions, dose.hold_s) == (*repetitions, *hold)
    });
    let (sets, repetitions, hold_s) = match pieces {
        None => (range.sets, range.repetitions, range.hold_s),
        Some([repetitions, hold]) => {
            let most = rules.hold_most_s / (repetitions * hold).max(1);
            ([1, most.max(1)], [repetitions; 2], [hold; 2])
        }
    };
    let mut counted = vec![
        ("sets", dose.sets, sets),
        ("repetitions", dose.repetitions, repetitions),
        ("times_per_day", dose.times_per_day, range.times_per_day),
    ];
    // A line of a program from before its row was timed holds as long.
    if let Some(seconds) = range.duration_s {
        let own = dose.duration_s.unwrap_or(dose.hold_s);
        counted.push(("duration_s", own, seconds));
    } else if let Some(seconds) = dose.duration_s {
        // What is counted has no time of its own: nobody could tell which of both is meant.
        counted.push(("duration_s", seconds, [0, 0]));
    }
    if range.duration_s.is_none() || dose.duration_s.is_some() {
        counted.push(("hold_s", dose.hold_s, hold_s));
    }
    let found = |above: bool| {
        let out = move |(_, value, [low, high]): &(&str, u32, [u32; 2])| {
            if above { value > high } else { value < low }
        };
        let told = move |(field, _, [low, high]): (&'static str, u32, [u32; 2])| {
            (field, f64::from(low), f64::from(high), above)
        };
        counted.iter().copied().find(out).map(told)
    };
    // What is too much is told before what is too little.
    found(true)
        .or_else(|| {
            let max = range.load_kg_max?;
            (dose.load_kg? > max).then_some(("load_kg", 0.0, max, true))
        })
        .or_else(|| {
            let max = f64::from(range.elastic_level_max?);
            (f64::from(dose.elastic_level?) > max).then_some(("elastic_level", 1.0, max, true))
        })
        .or_else(|| found(false))
}
