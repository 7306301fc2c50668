//! What goes home: which sheet is set and when, the calendar by an independent parser.

use super::harness::{Clinic, PlainPaper, Session, TODAY};
use serde_json::json;
use std::sync::Arc;
use std::sync::atomic::Ordering;
use uuid::Uuid;

pub(super) fn with_program(vera: &Session) -> String {
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    for (quantity, ceiling) in [("passive-elevation", 120.0), ("passive-er-side", 30.0)] {
        vera.post(&at("limits"), &json!({ "id": Uuid::now_v7(), "quantity": quantity, "ceiling": ceiling, "floor": null, "until_day": 42, "release": null, "ended_on": null })).ok();
    }
    vera.post(
        &at("attestations"),
        &json!({ "id": Uuid::now_v7(), "code": "wound-closed", "holds": true, "on": TODAY }),
    )
    .ok();
    vera.post(
        &at("gates/to-protected-passive/pass"),
        &json!({ "overridden": { "rest-pain": "asked" } }),
    )
    .ok();
    let proposal = vera.post(&at("program/build"), &json!({})).ok();
    let lines: Vec<_> = proposal["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    vera.put(&at("program"), &json!({ "rev": 0, "lines": lines }))
        .ok();
    vera.post(&at("program/sign"), &json!({ "rev": 1 })).ok();
    episode
}

/// Everything of the program was tried in the room, clean.
pub(super) fn all_tried(vera: &Session, episode: &str) {
    let visit = vera.get(&format!("/api/episodes/{episode}/visit")).ok();
    let untried: Vec<String> =
        serde_json::from_value(visit["view"]["untried"].clone()).expect("ids");
    for exercise in untried {
        let note = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "try_out", "exercise": exercise, "went": "clean" });
        vera.post(&format!("/api/episodes/{episode}/exam-notes"), &note)
            .ok();
    }
}

#[test]
fn a_sheet_is_set_once_from_what_was_signed_and_again_when_something_changes() {
    let paper = Arc::new(PlainPaper::default());
    let set = paper.set.clone();
    let clinic = Clinic::opened(|state| state.with_paper(paper));
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let sheet = vera.get(&at("handout.pdf"));
    assert_eq!(
        (sheet.status, sheet.kind.as_str()),
        (200, "application/pdf")
    );
    let text = String::from_utf8_lossy(&sheet.bytes).into_owned();
    assert!(
        text.starts_with("Nerio Falanga v1 2027-03-01 [\"")
            && text.contains("assisted-elevation-lying"),
        "{text}"
    );
    assert_eq!(vera.get(&at("handout.pdf")).bytes, sheet.bytes);
    assert_eq!(set.load(Ordering::Relaxed), 1, "printed again it is kept");
    let morning = json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null, "kind": "pain_next_morning", "value": 1 });
    vera.post(&at("log"), &morning).ok();
    vera.get(&at("handout.pdf"));
    assert_eq!(set.load(Ordering::Relaxed), 2, "something became known");
    // Where nobody sets sheets the answer is a fault, and nothing else is.
    let bare = clinic.twin();
    let vera = bare.sign_in("vera");
    assert_eq!(vera.get(&at("handout.pdf")).status, 500);
}

#[test]
fn an_open_flag_keeps_the_sheet_in_the_house() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    vera.post(
        &format!("/api/episodes/{episode}/flags"),
        &json!({ "answers": [{ "flag": "pop", "answer": "yes" }] }),
    )
    .ok();
    let refused = vera.get(&format!("/api/episodes/{episode}/handout.pdf"));
    assert_eq!(
        (refused.status, refused.json()["reasons"][0]["rule"].clone()),
        (422, json!("flag-open"))
    );
}

#[test]
fn the_calendar_reads_back_as_all_day_events_over_the_clock_change() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    // Only what was tried goes into the calendar.
    let empty = vera.get(&at("program.ics"));
    assert!(!String::from_utf8_lossy(&empty.bytes).contains("SUMMARY:Shoulder exercises"));
    all_tried(&vera, &episode);
    let ics = vera.get(&format!("/api/episodes/{episode}/program.ics"));
    assert_eq!(ics.status, 200);
    let calendars: Vec<_> = ical::IcalParser::new(ics.bytes.as_slice())
        .collect::<Result<_, _>>()
        .expect("parses");
    let events = &calendars[0].events;
    let value = |event: &ical::parser::ical::component::IcalEvent, name: &str| {
        event
            .properties
            .iter()
            .find(|p| p.name == name)
            .and_then(|p| p.value.clone())
            .unwrap_or_default()
    };
    let mut starts: Vec<String> = Vec::new();
    for event in events {
        let start: chrono::NaiveDate =
            chrono::NaiveDate::parse_from_str(&value(event, "DTSTART"), "%Y%m%d")
                .expect("a bare date");
        let end = chrono::NaiveDate::parse_from_str(&value(event, "DTEND"), "%Y%m%d")
            .expect("a bare date");
        assert_eq!((end - start).num_days(), 1);
        assert!(event.properties.iter().any(|p| {
            p.name == "DTSTART"
                && p.params
                    .iter()
                    .flatten()
                    .any(|(n, v)| n == "VALUE" && v.contains(&"DATE".to_owned()))
        }));
        if value(event, "SUMMARY").starts_with("Shoulder exercises") {
            starts.push(start.to_string());
        }
    }
    // 28 days from 1 March 2027; clocks change in between, on 28 March: no day is missing and none comes twice.
    let expected: Vec<String> = (0..28)
        .map(|d| {
            (TODAY.parse::<chrono::NaiveDate>().expect("a date") + chrono::Days::new(d)).to_string()
        })
        .collect();
    starts.sort();
    assert_eq!(starts, expected);
    let gate = events
        .iter()
        .find(|e| value(e, "UID").ends_with("-gate-to-assisted"))
        .expect("the next gate");
    assert_eq!(
        value(gate, "DTSTART"),
        "20270305",
        "day 42 of an operation on 22 January 2027"
    );
    let uids: std::collections::BTreeSet<String> = events.iter().map(|e| value(e, "UID")).collect();
    assert_eq!(uids.len(), events.len(), "each event has a UID of its own");
    let said = value(&events[0], "DESCRIPTION");
    assert!(
        said.contains('×') && said.contains("a day") || said.contains("times"),
        "the dose: {said}"
    );
    // Appointments stand in it at their hour; a cancelled one is taken out by the same id.
    let ids = [Uuid::now_v7(), Uuid::now_v7()];
    for id in ids {
        let appointment = json!({ "id": id, "on": TODAY, "day": "2027-03-05", "time": "09:30:00", "minutes": 30, "how": "room" });
        vera.post(&at("appointments"), &appointment).ok();
    }
    let gone = json!({ "entry": ids[0], "kind": "appointment", "reason": "" });
    vera.post(&at("withdrawals"), &gone).ok();
    let ics = vera.get(&at("program.ics"));
    let mut calendars = ical::IcalParser::new(ics.bytes.as_slice());
    let events = calendars.next().expect("one").expect("parses").events;
    let status = |id: Uuid| {
        let uid = format!("appointment-{id}");
        let event = events.iter().find(|e| value(e, "UID") == uid);
        value(event.expect("the appointment"), "STATUS")
    };
    assert_eq!(ids.map(status), ["CANCELLED", ""]);
    // What was signed is what goes home: after a new limit it is signed again first.
    vera.post(&at("limits"), &json!({ "id": Uuid::now_v7(), "quantity": "passive-elevation", "ceiling": 100.0, "floor": null, "until_day": null, "release": null, "ended_on": null })).ok();
    for paper in ["program.ics", "handout.pdf"] {
        let stale = vera.get(&at(paper));
        assert_eq!(
            (stale.status, stale.json()["type"].clone()),
            (409, json!("urn:ritorno:problem:sheet-stale"))
        );
    }
}
