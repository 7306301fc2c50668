//! The week on the sheet: a box to tick for every session, on the days that it is planned for.

use chrono::{Datelike, Days, NaiveDate};
use ritorno_core::context::CheckContext;
use ritorno_core::facts::{Facts, Line};
use ritorno_core::knowledge::Exercise;
use ritorno_core::safety::scheduled_lines;
use ritorno_wording::{Value, Wording};
use serde_json::{Value as Json, json};

/// Days that can be ticked.
const DAYS: u64 = 7;

/// The days from `today` on, by name and date, and for each exercise how many boxes each day has: none on a day of rest.
///
/// What ends at a gate goes on while the gate is not passed, as in the room.
pub(crate) fn week(
    wording: &Wording,
    (ctx, facts): (&CheckContext, &Facts),
    explained: &[(&Exercise, &Line)],
) -> Json {
    let dates: Vec<NaiveDate> = (0..DAYS).map(|n| facts.today + Days::new(n)).collect();
    let days: Vec<Json> = dates
        .iter()
        .map(|date| {
            let weekday = date.weekday().number_from_monday();
            json!({
                "name": wording.say(&format!("paper-weekday-{weekday}"), &[]),
                "date": date.format("%-d").to_string(),
            })
        })
        .collect();
    let rows: Vec<Json> = explained
        .iter()
        .map(|(exercise, line)| {
            let boxes: Vec<u32> = (ctx.today..)
                .zip(&dates)
                .map(|(day, date)| {
                    let lines = scheduled_lines(ctx, facts, day);
                    let own = lines.iter().find(|l| l.exercise == line.exercise);
                    let planned = own.filter(|l| l.dose.on_weekday(date.weekday()));
                    planned.map_or(0, |l| l.dose.times_per_day)
                })
                .collect();
            json!({ "name": wording.say(&format!("ex-{}", exercise.id), &[]), "boxes": boxes })
        })
        .collect();
    json!({ "days": days, "rows": rows })
}

/// The days of the week that an exercise is done on, in words, where it is not every day.
pub(crate) fn days_text(wording: &Wording, line: &Line) -> String {
    let days: Vec<String> = (1..)
        .zip(line.dose.days().0)
        .filter(|(_, on)| *on)
        .map(|(n, _)| wording.say(&format!("paper-weekday-{n}"), &[]))
        .collect();
    if days.len() == DAYS as usize {
        return String::new();
    }
    wording.say(
        "paper-on-days",
        &[
            ("list", Value::Text("")),
            ("days", Value::Text(&days.join(", "))),
        ],
    )
}

/// The hours that the patient named for the exercises.
pub(crate) fn hours_text(wording: &Wording, facts: &Facts) -> String {
    let named = facts.home_hours.iter().flat_map(|h| &h.times);
    let hours: Vec<String> = named.map(|at| at.format("%H:%M").to_string()).collect();
    match hours.is_empty() {
        true => String::new(),
        false => wording.say("paper-hours", &[("hours", Value::Text(&hours.join(", ")))]),
    }
}
