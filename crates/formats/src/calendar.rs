//! The calendar file of a program (iCalendar, RFC 5545): days with exercises on civil dates, appointments at their hour.
//!
//! All-day events have no clock time, so a daylight-saving change cannot move them. Appointments are by the clinic's clock and are
//! written in universal time, each by itself, so that no calendar needs to know when clocks change there.

use chrono::{DateTime, Datelike, Days, NaiveDate, NaiveDateTime, TimeDelta, TimeZone, Utc};
use icalendar::{Alarm, Calendar, Component, Event, EventLike, EventStatus, Property};
use ritorno_core::calendar::date_of;
use ritorno_core::context::CheckContext;
use ritorno_core::facts::{Appointment, Facts, Line};
use ritorno_core::plan::plan_chart;
use ritorno_core::reason::wire;
use ritorno_core::visit::goes_home;
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
    /// Version of the signed program: a calendar that holds an earlier file takes the newer events.
    pub version: u32,
    /// By which clock appointments are.
    pub zone: chrono_tz::Tz,
    /// Appointments that were cancelled: a calendar that holds them takes them out.
    pub cancelled: &'a [Appointment],
}

/// Minutes before an appointment that a calendar speaks up: a day, and two hours. Source: our choice.
const ALARMS: [i64; 2] = [24 * 60, 2 * 60];

/// The program's calendar: one all-day entry for each day with exercises over the next four weeks,
/// the gates, and the days on which a surgeon's limit ends.
pub fn program_calendar(wording: &Wording, input: &CalendarInput) -> String {
    let CalendarInput {
        ctx,
        facts,
        program_id,
        stamp,
        version,
        zone,
        cancelled,
    } = *input;
    let all_day = |id: &str, date: NaiveDate, title: &str, text: &str| {
        let mut event = all_day(id, date, title, text, stamp);
        event.sequence(version);
        event
    };
    let mut calendar = Calendar::new();
    calendar.name(&wording.say("calendar-name", &[]));
    // What goes home today, until somebody decides otherwise: a rung that comes later is a decision of a later day.
    let lines = goes_home(ctx, facts);
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
            ));
        }
    }
    let coming = facts.appointments.iter().filter(|a| a.day >= facts.today);
    for (given, stands) in coming
        .map(|a| (a, true))
        .chain(cancelled.iter().map(|a| (a, false)))
    {
        if let Some(event) = appointment(wording, given, stands, (zone, stamp)) {
            calendar.push(event);
        }
    }
    calendar.to_string()
}

/// The instant of a local time. An hour that comes twice is the first one; one that is left out when clocks go forward is an hour
/// later. None where there is neither.
pub fn instant(zone: chrono_tz::Tz, local: NaiveDateTime) -> Option<DateTime<Utc>> {
    let later = || zone.from_local_datetime(&(local + TimeDelta::hours(1)));
    let found = zone.from_local_datetime(&local).earliest();
    let found = found.or_else(|| later().earliest())?;
    Some(found.with_timezone(&Utc))
}

/// An appointment at its hour; a cancelled one under the same id, so that a calendar takes it out. None where its hour cannot be.
fn appointment(
    wording: &Wording,
    given: &Appointment,
    stands: bool,
    (zone, stamp): (chrono_tz::Tz, DateTime<Utc>),
) -> Option<Event> {
    let begins = instant(zone, given.day.and_time(given.time))?;
    let title = wording.say("calendar-appointment", &[]);
    let how = format!("calendar-appointment-{}", wire(given.how));
    let mut event = Event::new();
    event
        .uid(&format!("appointment-{}", given.id))
        .summary(&title)
        .description(&wording.say(&how, &[]))
        .timestamp(stamp)
        .starts(begins)
        .ends(begins + TimeDelta::minutes(i64::from(given.minutes)))
        .sequence(u32::from(!stands));
    if stands {
        for minutes in ALARMS {
            event.alarm(Alarm::display(&title, -TimeDelta::minutes(minutes)));
        }
    } else {
        event.status(EventStatus::Cancelled);
    }
    Some(event.done())
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
