//! The calendar, read back by another library.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends

use chrono::{NaiveDate, TimeZone, Utc};
use ical::parser::ical::component::IcalEvent;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{
    Answer, Appointment, Clearance, Facts, FlagAnswer, GatePass, HomeHours, Line, LogEntry,
    LogFact, Start, Story,
};
use ritorno_core::knowledge::{HealingClock, HowHeld, Knowledge, Weekdays};
use ritorno_core::mechanics::Arm;
use ritorno_formats::{CalendarInput, program_calendar};
use ritorno_wording::Wording;
use std::sync::OnceLock;
use uuid::Uuid;

/// What is shipped, read once.
fn known() -> &'static Knowledge {
    static KNOWN: OnceLock<Knowledge> = OnceLock::new();
    KNOWN.get_or_init(|| {
        ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge")
    })
}

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
fn read(given: &[Appointment], cancelled: &[Appointment], number: u32) -> Vec<IcalEvent> {
    let mut facts = shoulder("2027-03-01");
    facts.appointments = given.to_vec();
    told(&facts, cancelled, (number, 0))
}

/// Weeks after a repair.
fn shoulder(today: &str) -> Facts {
    let story = Story::begun(
        "cuff-repair-small-medium",
        Arm::Right,
        day("2027-01-22"),
        Start::Surgery,
    );
    Facts::new(day(today), day("1979-05-12"), story)
}

fn told(facts: &Facts, cancelled: &[Appointment], (number, held): (u32, u32)) -> Vec<IcalEvent> {
    let known = known();
    let wording = Wording::english().expect("the catalogue");
    let assessment = Assessment::new(known, facts).expect("a pathway");
    let text = program_calendar(
        &wording,
        &CalendarInput {
            ctx: &assessment.ctx(),
            facts,
            program_id: Uuid::from_u128(7),
            stamp: Utc.with_ymd_and_hms(2027, 3, 1, 0, 0, 0).unwrap(),
            number,
            held_sessions: held,
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
        assert_eq!((*older, *newer), (1, 2), "the later one counts");
    }
}

/// One exercise three times a day that was done before, and three hours named for it.
fn at_home(today: &str, times: &[&str]) -> Facts {
    let known = known();
    let mut facts = shoulder(today);
    let mut dose = known.exercises["pendulum-cradle"].dose;
    (dose.times_per_day, dose.days_per_week) = (3, 7);
    facts.lines.push(Line {
        id: Uuid::from_u128(3),
        exercise: "pendulum-cradle".to_owned(),
        from_day: 0,
        to_day: 400,
        dose,
        override_reason: None,
        by_hand: false,
    });
    facts.log.push(LogEntry {
        id: Uuid::from_u128(4),
        on: facts.today,
        exercise: Some("pendulum-cradle".to_owned()),
        fact: LogFact::Done {
            sessions: 1,
            repetitions: 10,
        },
        remark: String::new(),
    });
    let answers = known
        .red_flags
        .iter()
        .filter(|f| f.asked)
        .map(|flag| FlagAnswer {
            id: Uuid::now_v7(),
            flag: flag.id.clone(),
            answer: Answer::No,
            about: Vec::new(),
            on: facts.today,
            because: None,
        });
    facts.flag_answers.extend(answers);
    facts.story.clearance = Some(Clearance {
        role: "surgeon".to_owned(),
        on: facts.story.day0,
    });
    facts.story.kit = "bed table".split(' ').map(str::to_owned).collect();
    let assessment = Assessment::new(known, &facts).expect("a pathway");
    let passed: Vec<GatePass> = (assessment.rules.gates.iter())
        .map(|gate| GatePass {
            id: Uuid::now_v7(),
            gate: gate.id.clone(),
            on: facts.today,
            overridden: Default::default(),
        })
        .collect();
    facts.gate_passes = passed;
    facts.home_hours = (!times.is_empty()).then(|| HomeHours {
        id: Uuid::from_u128(5),
        on: facts.today,
        days: Weekdays([true; 7]),
        times: times.iter().map(|t| t.parse().expect("a time")).collect(),
    });
    facts
}

#[test]
fn sessions_keep_their_hours_over_both_changes_of_clocks_and_what_went_is_cancelled() {
    let session = |events: &[IcalEvent], day: u32, n: usize| -> (String, String) {
        let uid = match n {
            0 => format!("{}-day-{day}", Uuid::from_u128(7)),
            n => format!("{}-day-{day}-{n}", Uuid::from_u128(7)),
        };
        let mut found = events.iter().filter(|e| value(e, "UID") == uid);
        let one = found.next();
        assert!(found.next().is_none(), "{uid} comes twice");
        one.map_or_else(Default::default, |e| {
            (value(e, "DTSTART"), value(e, "STATUS"))
        })
    };
    let said = |start: &str| (start.to_owned(), String::new());
    // The 28th of March is day 65: from then on Rome is two hours ahead of universal time.
    let spring = told(
        &at_home("2027-03-15", &["07:30:00", "12:00:00", "18:30:00"]),
        &[],
        (2, 4),
    );
    assert_eq!(session(&spring, 64, 0), said("20270327T063000Z"));
    assert_eq!(session(&spring, 64, 2), said("20270327T173000Z"));
    assert_eq!(session(&spring, 65, 0), said("20270328T053000Z"));
    assert_eq!(session(&spring, 65, 2), said("20270328T163000Z"));
    let gone = |events: &[IcalEvent], n| session(events, 65, n).1 == "CANCELLED";
    assert!(gone(&spring, 3), "a fourth hour that was named once");
    let rings = spring.iter().find(|e| value(e, "UID").ends_with("-day-65"));
    assert_eq!(rings.expect("a session").alarms.len(), 1, "at its hour");
    // The 31st of October is day 282.
    let autumn = told(
        &at_home("2027-10-20", &["07:30:00", "12:00:00", "18:30:00"]),
        &[],
        (2, 4),
    );
    assert_eq!(session(&autumn, 281, 0), said("20271030T053000Z"));
    assert_eq!(session(&autumn, 282, 0), said("20271031T063000Z"));
    // One hour for three times a day: the others are told for the day as a whole.
    let one = told(&at_home("2027-03-15", &["07:30:00"]), &[], (3, 4));
    assert_eq!(session(&one, 65, 0), said("20270328T053000Z"));
    assert_eq!(session(&one, 65, 1), said("20270328"));
    assert!(gone(&one, 2) && gone(&one, 3));
    let text = |events: &[IcalEvent], end: &str| {
        let found = events.iter().find(|e| value(e, "UID").ends_with(end));
        value(found.expect("an event"), "DESCRIPTION")
    };
    assert!(
        text(&one, "-day-65-1").contains("twice"),
        "{}",
        text(&one, "-day-65-1")
    );
    assert!(
        !text(&one, "-day-65").contains("times"),
        "each hour is once"
    );
    // No hours: one entry a day, under the id that the first session had, and the newer one counts.
    let none = told(&at_home("2027-03-15", &[]), &[], (4, 4));
    assert_eq!(session(&none, 65, 0), said("20270328"));
    assert!(gone(&none, 1) && gone(&none, 2) && gone(&none, 3));
    let number = |events: &[IcalEvent]| {
        let found = events.iter().find(|e| value(e, "UID").ends_with("-day-65"));
        value(found.expect("an event"), "SEQUENCE")
            .parse::<u32>()
            .expect("a number")
    };
    assert!(number(&spring) < number(&one) && number(&one) < number(&none));
    // A file before anything was changed cancels nothing.
    let first = told(&at_home("2027-03-15", &[]), &[], (1, 0));
    let (days, gates): (Vec<_>, Vec<_>) =
        (first.iter()).partition(|e| value(e, "UID").contains("-day-"));
    assert!(days.iter().all(|e| value(e, "STATUS").is_empty()));
    // Gates that were passed early stand on no later day.
    assert!(gates.iter().all(|e| value(e, "STATUS") == "CANCELLED"));
}

/// What a gate or a phase is called is the clinic's own word.
#[test]
fn no_calendar_of_any_pathway_tells_degrees_or_a_name_of_the_clinics() {
    let known = known();
    let mut checks = 0;
    for pathway in known.pathways.values().filter(|p| !p.phases.is_empty()) {
        let start = match pathway.clock {
            HealingClock::Operation => Start::Surgery,
            HealingClock::None => Start::Gradual,
            _ => Start::Injury,
        };
        let story = Story::begun(&pathway.id, Arm::Right, day("2027-02-25"), start);
        let facts = Facts::new(day("2027-03-01"), day("1979-05-12"), story);
        for event in told(&facts, &[], (1, 0)) {
            let says = format!(
                "{} {}",
                value(&event, "SUMMARY"),
                value(&event, "DESCRIPTION")
            );
            checks += usize::from(says.contains("Shoulder check"));
            let names = says.contains("gate") || says.contains(" to ");
            assert!(!says.contains('°') && !names, "{}: {says}", pathway.id);
        }
    }
    assert!(checks > 20, "{checks} checks");
}
