//! The calendar file of a program (iCalendar, RFC 5545): all-day events on civil dates.
//!
//! All-day events have no clock time, so a daylight-saving change cannot move them.

use chrono::{DateTime, Datelike, Days, NaiveDate, Utc};
use icalendar::{Calendar, Component, Event, Property};
use ritorno_core::calendar::date_of;
use ritorno_core::context::CheckContext;
use ritorno_core::facts::{Facts, Line};
use ritorno_core::plan::plan_chart;
use ritorno_core::safety::running_lines;
use ritorno_core::visit::untried;
use ritorno_wording::{Value, Wording};

/// What goes into the file.
#[derive(Debug, Clone, Copy)]
pub struct CalendarInput<'a> {
    /// The context of the checks.
    pub ctx: &'a CheckContext<'a>,
    /// The facts.
    pub facts: &'a Facts,
    /// A stable id of the program: the same event keeps its UID, so a new file replaces the old.
    pub program_id: uuid::Uuid,
    /// The moment the file is made.
    pub stamp: DateTime<Utc>,
}

/// The program's calendar: one all-day entry for each day with exercises over the next four weeks,
/// the gates, and the days on which a surgeon's limit ends.
pub fn program_calendar(wording: &Wording, input: &CalendarInput) -> String {
    let CalendarInput {
        ctx,
        facts,
        program_id,
        stamp,
    } = *input;
    let mut calendar = Calendar::new();
    calendar.name(&wording.say("calendar-name", &[]));
    // What runs today and was tried, until somebody decides otherwise: a rung that comes later is a decision of a later day.
    let waits = untried(ctx, facts);
    let lines: Vec<&Line> = running_lines(ctx, facts, ctx.today)
        .into_iter()
        .filter(|l| !waits.contains(&l.exercise))
        .collect();
    for day in ctx.today..ctx.today + 28 {
        let Some(date) = date_of(facts.story.day0, day) else {
            continue;
        };
        let names: Vec<String> = lines
            .iter()
            .filter(|l| l.dose.on_weekday(date.weekday()))
            .map(|l| with_dose(wording, l))
            .collect();
        if names.is_empty() {
            continue;
        }
        let text = wording.say(
            "calendar-session-text",
            &[
                ("count", Value::Number(names.len() as f64)),
                ("list", Value::Text(&names.join("\n"))),
            ],
        );
        calendar.push(all_day(
            &format!("{program_id}-day-{day}"),
            date,
            &wording.say("calendar-session", &[]),
            &text,
            stamp,
        ));
    }
    for gate in plan_chart(ctx, facts)
        .gates
        .iter()
        .filter(|g| !g.passed && g.day >= ctx.today)
    {
        if let Some(date) = date_of(facts.story.day0, gate.day) {
            let title = wording.say("calendar-gate", &[("gate", Value::Text(&gate.view.gate))]);
            let id = format!("{program_id}-gate-{}", gate.view.gate);
            calendar.push(all_day(
                &id,
                date,
                &title,
                &wording.say("calendar-gate-text", &[]),
                stamp,
            ));
        }
    }
    for limit in facts.limits.iter().filter(|l| l.ended_on.is_none()) {
        if let Some(date) = limit
            .until_day
            .filter(|day| *day >= ctx.today)
            .and_then(|day| date_of(facts.story.day0, day))
        {
            let title = wording.say("calendar-limit", &[]);
            let text = wording.say(&format!("limit-{}", limit.quantity), &[]);
            calendar.push(all_day(
                &format!("{program_id}-limit-{}", limit.id),
                date,
                &title,
                &text,
                stamp,
            ));
        }
    }
    calendar.to_string()
}

/// An exercise with how much of it.
fn with_dose(wording: &Wording, line: &Line) -> String {
    let number = |n: u32| Value::Number(f64::from(n));
    let dose = &line.dose;
    let id = match dose.duration_s {
        Some(_) => "calendar-line-timed",
        None => "calendar-line",
    };
    wording.say(
        id,
        &[
            ("exercise", Value::Text(&line.exercise)),
            ("sets", number(dose.sets)),
            ("repetitions", number(dose.repetitions)),
            ("hold_s", number(dose.hold_s)),
            ("duration_s", number(dose.duration_s.unwrap_or(0))),
            ("times_per_day", number(dose.times_per_day)),
        ],
    )
}

fn all_day(uid: &str, date: NaiveDate, title: &str, text: &str, stamp: DateTime<Utc>) -> Event {
    let mut event = Event::new();
    event
        .uid(uid)
        .summary(title)
        .description(text)
        .timestamp(stamp);
    // The end of an all-day event is the day after: RFC 5545 counts it as not included.
    let end = date.checked_add_days(Days::new(1)).unwrap_or(date);
    for (name, day) in [("DTSTART", date), ("DTEND", end)] {
        let mut property = Property::new(name, day.format("%Y%m%d").to_string());
        property.add_parameter("VALUE", "DATE");
        event.append_property(property);
    }
    event.done()
}
