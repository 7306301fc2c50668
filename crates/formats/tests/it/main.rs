//! The calendar, read back by another library.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends

use chrono::{NaiveDate, TimeZone, Utc};
use ical::parser::ical::component::IcalEvent;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{Appointment, Facts, Start, Story};
use ritorno_core::knowledge::HowHeld;
use ritorno_core::mechanics::Arm;
use ritorno_formats::{CalendarInput, program_calendar};
use ritorno_wording::Wording;
use uuid::Uuid;

fn day(text: &str) -> NaiveDate {
    text.parse().expect("a date")
}

fn at(id: u128, on: &str, time: &str) -> Appointment {
    Appointment {
        id: Uuid::from_u128(id),
        on: day("2027-03-01"),
        day: day(on),
        time: time.parse().expect("a time"),
        minutes: 30,
        how: HowHeld::Room,
    }
}

/// What a calendar says, event by event.
fn read(given: &[Appointment], cancelled: &[Appointment], version: u32) -> Vec<IcalEvent> {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let story = Story::begun(
        "cuff-repair-small-medium",
        Arm::Right,
        day("2027-01-22"),
        Start::Surgery,
    );
    let mut facts = Facts::new(day("2027-03-01"), day("1979-05-12"), story);
    facts.appointments = given.to_vec();
    let assessment = Assessment::new(&known, &facts).expect("a pathway");
    let text = program_calendar(
        &wording,
        &CalendarInput {
            ctx: &assessment.ctx(),
            facts: &facts,
            program_id: Uuid::from_u128(7),
            stamp: Utc.with_ymd_and_hms(2027, 3, 1, 0, 0, 0).unwrap(),
            version,
            zone: chrono_tz::Europe::Rome,
            cancelled,
        },
    );
    let mut calendars = ical::IcalParser::new(text.as_bytes());
    calendars.next().expect("one").expect("parses").events
}

fn value(event: &IcalEvent, name: &str) -> String {
    let found = event.properties.iter().find(|p| p.name == name);
    found.and_then(|p| p.value.clone()).unwrap_or_default()
}

fn of(events: &[IcalEvent], id: u128) -> &IcalEvent {
    let uid = format!("appointment-{}", Uuid::from_u128(id));
    let mut found = events.iter().filter(|e| value(e, "UID") == uid);
    let one = found.next().expect("the appointment");
    assert!(found.next().is_none(), "{uid} comes twice");
    one
}

#[test]
fn appointments_keep_the_hour_of_the_clinic_over_both_changes_of_clocks() {
    let given = [
        at(1, "2027-03-27", "09:30:00"),
        at(2, "2027-03-29", "09:30:00"),
        at(3, "2027-10-30", "09:30:00"),
        at(4, "2027-11-01", "09:30:00"),
        // An hour that is left out on the 28th of March, and one that comes twice on the 31st of October.
        at(5, "2027-03-28", "02:30:00"),
        at(6, "2027-10-31", "02:30:00"),
    ];
    let events = read(&given, &[], 1);
    // Rome is one hour ahead of universal time in winter and two in summer.
    for (id, starts, ends) in [
        (1, "20270327T083000Z", "20270327T090000Z"),
        (2, "20270329T073000Z", "20270329T080000Z"),
        (3, "20271030T073000Z", "20271030T080000Z"),
        (4, "20271101T083000Z", "20271101T090000Z"),
        (5, "20270328T013000Z", "20270328T020000Z"),
        (6, "20271031T003000Z", "20271031T010000Z"),
    ] {
        let event = of(&events, id);
        assert_eq!(value(event, "DTSTART"), starts);
        assert_eq!(value(event, "DTEND"), ends);
        let alarms: Vec<String> = (event.alarms.iter())
            .flat_map(|alarm| &alarm.properties)
            .filter(|p| p.name == "TRIGGER")
            .filter_map(|p| p.value.clone())
            .collect();
        assert_eq!(
            alarms,
            ["-PT86400S", "-PT7200S"],
            "a day and two hours before"
        );
    }
}

#[test]
fn a_later_file_replaces_an_earlier_one_and_takes_out_what_was_cancelled() {
    let (first, second) = (
        at(1, "2027-03-05", "09:30:00"),
        at(2, "2027-03-12", "10:00:00"),
    );
    let before = read(&[first.clone(), second.clone()], &[], 1);
    let after = read(&[second], &[first], 2);
    assert_eq!(value(of(&before, 1), "STATUS"), "");
    let gone = of(&after, 1);
    assert_eq!(value(gone, "STATUS"), "CANCELLED");
    assert!(gone.alarms.is_empty(), "nobody is woken for it");
    let number = |event: &IcalEvent| value(event, "SEQUENCE").parse::<u32>().expect("a number");
    assert!(number(gone) > number(of(&before, 1)));
    assert_eq!(value(of(&after, 2), "STATUS"), "");
    // What the program says keeps its id from one signed version to the next, and the later one counts.
    let planned = |events: &[IcalEvent]| -> Vec<(String, u32)> {
        let own = events
            .iter()
            .filter(|e| !value(e, "UID").starts_with("appointment-"));
        own.map(|e| (value(e, "UID"), number(e))).collect()
    };
    let (before, after) = (planned(&before), planned(&after));
    assert!(!before.is_empty());
    for ((id, older), (same, newer)) in before.iter().zip(&after) {
        assert_eq!(id, same);
        assert_eq!((*older, *newer), (1, 2));
    }
}
