//! The calendar file of a program (iCalendar, RFC 5545): exercises at the hours of the patient or on civil dates, appointments at
//! their hour.
//!
//! All-day events have no clock time, so a daylight-saving change cannot move them. Hours are by the clinic's clock and are
//! written in universal time, each by itself, so that no calendar needs to know when clocks change there.

use chrono::{DateTime, Datelike, Days, NaiveDate, NaiveDateTime, TimeDelta, TimeZone, Utc};
use icalendar::{Alarm, Calendar, Component, Event, EventLike, EventStatus, Property};
use ritorno_core::calendar::{EpisodeDay, date_of};
use ritorno_core::context::CheckContext;
use ritorno_core::facts::{Appointment, Facts, Line};
use ritorno_core::plan::plan_chart;
use ritorno_core::reason::wire;
use ritorno_core::visit::goes_home;
use ritorno_core::week::home_sessions;
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
    /// A number that grows with every change of the record: a calendar that holds an earlier file takes the newer events.
    pub number: u32,
    /// Most sessions of a day that an earlier file may have held: those that went are taken out.
    pub held_sessions: u32,
    /// By which clock appointments are.
    pub zone: chrono_tz::Tz,
    /// Appointments that were cancelled: a calendar that holds them takes them out.
    pub cancelled: &'a [Appointment],
}

/// Minutes before an appointment that a calendar speaks up: a day, and two hours. Source: our choice.
const ALARMS: [i64; 2] = [24 * 60, 2 * 60];

/// The program's calendar over the next four weeks: sessions at the patient's hours, one all-day entry for what has no hour,
/// the gates, and the days on which a surgeon's limit ends. What an earlier file held and is no more comes as cancelled.
pub fn program_calendar(wording: &Wording, input: &CalendarInput) -> String {
    let CalendarInput {
        ctx,
        facts,
        program_id,
        zone,
        stamp,
        cancelled,
        ..
    } = *input;
    let mut calendar = Calendar::new();
    calendar.name(&wording.say("calendar-name", &[]));
    // What goes home today, until somebody decides otherwise: a rung that comes later is a decision of a later day.
    let lines = goes_home(ctx, facts);
    for day in ctx.today..ctx.today + 28 {
        if let Some(date) = date_of(facts.story.day0, day) {
            let runs = |line: &&Line| line.dose.on_weekday(date.weekday());
            let lines: Vec<&Line> = lines.iter().copied().filter(runs).collect();
            calendar.extend(day_events(wording, input, (day, date), &lines));
        }
    }
    let mark = |id: String, day: EpisodeDay, stands: bool, title: &str, text: &str| {
        let date = date_of(facts.story.day0, day).filter(|_| day >= ctx.today)?;
        let id = format!("{program_id}-{id}");
        Some(input.numbered(all_day(&id, date, title, text, stamp), stands))
    };
    for gate in &plan_chart(ctx, facts).gates {
        // What the gate is called is the clinic's own word, with degrees in some.
        let title = wording.say("calendar-gate", &[]);
        let text = wording.say("calendar-gate-text", &[]);
        let id = format!("gate-{}", gate.view.gate);
        calendar.extend(mark(id, gate.day, !gate.passed, &title, &text));
    }
    for limit in &facts.limits {
        let title = wording.say("calendar-limit", &[]);
        let text = wording.say(&format!("limit-{}", limit.quantity), &[]);
        let id = format!("limit-{}", limit.id);
        let stands = limit.ended_on.is_none();
        calendar.extend((limit.until_day).and_then(|day| mark(id, day, stands, &title, &text)));
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

/// Appointments alone: what is told while the program is held.
pub fn appointment_calendar(
    wording: &Wording,
    (coming, cancelled): (&[Appointment], &[Appointment]),
    when: (chrono_tz::Tz, DateTime<Utc>),
) -> String {
    let mut calendar = Calendar::new();
    calendar.name(&wording.say("calendar-name", &[]));
    let stand = coming.iter().map(|a| (a, true));
    for (given, stands) in stand.chain(cancelled.iter().map(|a| (a, false))) {
        calendar.extend(appointment(wording, given, stands, when));
    }
    calendar.to_string()
}

impl CalendarInput<'_> {
    /// An event with its number in the row of files; one that is no more is told as cancelled under the same id.
    fn numbered(&self, mut event: Event, stands: bool) -> Event {
        event.sequence(self.number);
        if !stands {
            event.status(EventStatus::Cancelled);
        }
        event.done()
    }
}

/// The sessions of a day, each under an id of its own: the first keeps the id that the whole day has where no hours are named.
fn day_events(
    wording: &Wording,
    input: &CalendarInput,
    (day, date): (EpisodeDay, NaiveDate),
    lines: &[&Line],
) -> Vec<Event> {
    let sessions = home_sessions(input.ctx, input.facts, date, lines);
    let uid = |n: usize| match n {
        0 => format!("{}-day-{day}", input.program_id),
        n => format!("{}-day-{day}-{n}", input.program_id),
    };
    let title = wording.say("calendar-session", &[]);
    let text = |told: &[(&Line, u32)]| {
        let list: Vec<String> = told
            .iter()
            .map(|(line, times)| with_dose(wording, line, *times))
            .collect();
        let count = Value::Number(list.len() as f64);
        let list = list.join("\n");
        let args = [("count", count), ("list", Value::Text(&list))];
        wording.say("calendar-session-text", &args)
    };
    let mut out = Vec::new();
    let mut told = Vec::new();
    for (n, session) in sessions.iter().enumerate() {
        let begins = (session.at).and_then(|at| instant(input.zone, date.and_time(at)));
        let Some(begins) = begins else { continue };
        let own = lines.iter().filter(|line| session.lines.contains(&line.id));
        let own: Vec<(&Line, u32)> = own.map(|line| (*line, 0)).collect();
        let mut event = Event::new();
        event
            .uid(&uid(n))
            .summary(&title)
            .description(&text(&own))
            .timestamp(input.stamp)
            .starts(begins)
            .ends(begins + TimeDelta::minutes(session.minutes.ceil().max(1.0) as i64))
            .alarm(alarm(&uid(n), &title, (0, input.stamp)));
        told.push(n);
        out.push(input.numbered(event.done(), true));
    }
    // What has no hour is told for the whole day, with how often it is left.
    let left: Vec<usize> = (0..sessions.len()).filter(|n| !told.contains(n)).collect();
    if let Some(first) = left.first() {
        let times = |line: &Line| {
            let of = left
                .iter()
                .filter(|n| sessions[**n].lines.contains(&line.id));
            of.count() as u32
        };
        let own: Vec<(&Line, u32)> = lines
            .iter()
            .map(|line| (*line, times(line)))
            .filter(|(_, times)| *times > 0)
            .collect();
        let event = all_day(&uid(*first), date, &title, &text(&own), input.stamp);
        told.push(*first);
        out.push(input.numbered(event, true));
    }
    for n in (0..input.held_sessions as usize).filter(|n| !told.contains(n)) {
        let event = all_day(&uid(n), date, &title, "", input.stamp);
        out.push(input.numbered(event, false));
    }
    out
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
    let uid = format!("appointment-{}", given.id);
    let mut event = Event::new();
    event
        .uid(&uid)
        .summary(&title)
        .description(&wording.say(&how, &[]))
        .timestamp(stamp)
        .starts(begins)
        .ends(begins + TimeDelta::minutes(i64::from(given.minutes)))
        .sequence(u32::from(!stands));
    if stands {
        for minutes in ALARMS {
            event.alarm(alarm(&uid, &title, (minutes, stamp)));
        }
    } else {
        event.status(EventStatus::Cancelled);
    }
    Some(event.done())
}

/// Speaks up so many minutes before an event, under an id that stays.
fn alarm(of: &str, title: &str, (minutes, stamp): (i64, DateTime<Utc>)) -> Alarm {
    Alarm::display(title, -TimeDelta::minutes(minutes))
        .uid(&format!("{of}-alarm-{minutes}"))
        .timestamp(stamp)
        .done()
}

/// An exercise with how much of it, and how often where that is not said by the hour.
fn with_dose(wording: &Wording, line: &Line, times: u32) -> String {
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
            ("times_per_day", number(times)),
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
