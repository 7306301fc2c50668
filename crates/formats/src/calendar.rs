//! The calendar file of a program (iCalendar, RFC 5545): all-day events on civil dates.
//!
//! All-day events have no clock time, so a daylight-saving change cannot move them.

use chrono::{DateTime, Days, NaiveDate, Utc};
use icalendar::{Calendar, Component, Event, Property};
use ritorno_core::calendar::date_of;
use ritorno_core::episode::Facts;
use ritorno_core::program::{CheckContext, plan_chart, running_lines};
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
    for day in ctx.today..ctx.today + 28 {
        let names: Vec<String> = running_lines(ctx, facts, day)
            .into_iter()
            .map(|l| wording.say(&format!("ex-{}", l.exercise), &[]))
            .collect();
        if names.is_empty() {
            continue;
        }
        let text = wording.say(
            "calendar-session-text",
            &[
                ("count", Value::Number(names.len() as f64)),
                ("list", Value::Text(&names.join(", "))),
            ],
        );
        if let Some(date) = date_of(facts.story.day0, day) {
            calendar.push(all_day(
                &format!("{program_id}-day-{day}"),
                date,
                &wording.say("calendar-session", &[]),
                &text,
                stamp,
            ));
        }
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
