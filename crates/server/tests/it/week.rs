//! The week at home, and the calendar that follows it.

use crate::harness::{Clinic, PlainPaper, Session, TODAY};
use crate::paper::{all_tried, with_program};
use crate::phone;
use ical::parser::ical::component::IcalEvent;
use serde_json::{Value, json};
use std::sync::Arc;
use uuid::Uuid;

fn say(s: &Session, episode: &str, days: [bool; 7], times: &[&str]) -> Value {
    let body = json!({ "id": Uuid::now_v7(), "on": TODAY, "days": days, "times": times });
    s.post(&format!("/api/episodes/{episode}/home-hours"), &body)
        .ok()
}

fn events(bytes: &[u8]) -> Vec<IcalEvent> {
    let mut calendars = ical::IcalParser::new(bytes);
    calendars.next().expect("one").expect("parses").events
}

fn value(event: &IcalEvent, name: &str) -> String {
    let found = event.properties.iter().find(|p| p.name == name);
    found.and_then(|p| p.value.clone()).unwrap_or_default()
}

/// Sessions: how many stand at an hour, how many for a whole day, how many were cancelled.
fn sessions(bytes: &[u8]) -> (usize, usize, usize) {
    let all = events(bytes);
    let own: Vec<_> = (all.iter())
        .filter(|e| value(e, "UID").contains("-day-"))
        .collect();
    let gone = |e: &&&IcalEvent| value(e, "STATUS") == "CANCELLED";
    let timed = |e: &&&IcalEvent| value(e, "DTSTART").ends_with('Z');
    (
        own.iter().filter(timed).count(),
        own.iter().filter(|e| !timed(e) && !gone(e)).count(),
        own.iter().filter(gone).count(),
    )
}

#[test]
fn the_week_follows_what_the_patient_says_of_their_days_and_hours() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let page = vera.get(&at("program")).ok();
    let lines: Vec<Value> = (page["chart"]["lines"].as_array().expect("lines").iter())
        .map(|l| l["line"].clone())
        .collect();
    let week =
        |lines: &[Value]| vera.post(&at("program/week"), &json!({ "rev": 1, "lines": lines }));
    let before = week(&lines).ok();
    assert_eq!(
        (&before["hours"], &before["rev"]),
        (&Value::Null, &json!(0))
    );
    let weekend = [true, true, true, true, true, false, false];
    let after = say(
        &vera,
        &episode,
        weekend,
        &["18:00:00", "07:30:00", "18:00:00"],
    );
    assert_eq!(
        after["hours"]["times"],
        json!(["07:30:00", "18:00:00"]),
        "in the order of the day, each once"
    );
    assert_eq!(after["rev"], 1);
    let days = after["week"]["days"].as_array().expect("days").clone();
    let unsuited: Vec<_> = days
        .iter()
        .filter(|d| d["suits"] == false)
        .map(|d| d["weekday"].clone())
        .collect();
    assert_eq!(unsuited.len(), 2);
    let first = &days[1]["sessions"][0];
    assert_eq!(first["at"], "07:30:00");
    // A proposal lies on these days; the days of a line are as many as it counts.
    let built = vera.post(&at("program/build"), &json!({})).ok();
    for line in built["chart"]["lines"].as_array().expect("lines") {
        let dose = &line["line"]["dose"];
        let on: Vec<bool> = serde_json::from_value(line["days"].clone()).expect("days");
        let many = on.iter().filter(|on| **on).count();
        assert_eq!(json!(many), dose["days_per_week"]);
        if many <= 5 {
            assert!(!on[5] && !on[6], "{line}");
        }
    }
    let mut wrong = lines.clone();
    wrong[0]["dose"]["weekdays"] = json!([true, false, false, false, false, false, false]);
    wrong[0]["dose"]["days_per_week"] = json!(7);
    for answer in [
        week(&wrong),
        vera.post(&at("program/check"), &json!({ "rev": 1, "lines": wrong })),
        vera.put(&at("program"), &json!({ "rev": 1, "lines": wrong })),
    ] {
        assert_eq!(answer.status, 422);
        assert!(
            answer.json()["fields"][0]["field"]
                .as_str()
                .expect("a field")
                .ends_with("dose.weekdays")
        );
    }
    // What cannot be is refused by its field, and the same twice is one.
    for (body, field) in [
        (
            json!({ "days": [false, false, false, false, false, false, false], "times": [] }),
            "days",
        ),
        (
            json!({ "days": weekend, "times": vec!["08:00:00"; 9] }),
            "times",
        ),
    ] {
        let mut body = body;
        (body["id"], body["on"]) = (json!(Uuid::now_v7()), json!(TODAY));
        let answer = vera.post(&at("home-hours"), &body);
        assert_eq!(
            (answer.status, &answer.json()["fields"][0]["field"]),
            (422, &json!(field))
        );
    }
    let patient = vera.get("/api/day-list").ok()["rows"][0]["patient"].clone();
    let told = vera.timeline(&patient);
    let said: Vec<_> = told.iter().filter(|e| e["kind"] == "home_hours").collect();
    assert_eq!(said.len(), 1);
    assert_eq!(said[0]["says"]["args"]["times"], "07:30, 18:00");
    assert_eq!(said[0]["says"]["args"]["d6"], "no");
}

#[test]
fn a_calendar_asks_by_itself_and_is_told_what_went() {
    let clinic = Clinic::opened(|state| state.with_paper(Arc::new(PlainPaper::default())));
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    vera.post(
        &at("appointments"),
        &json!({ "id": Uuid::now_v7(), "on": TODAY, "day": "2027-03-08", "time": "09:30:00", "minutes": 30, "how": "room" }),
    )
    .ok();
    all_tried(&vera, &episode);
    let telephone = phone::phone(&clinic, &phone::link(&vera, &episode));
    let address = telephone.post("/api/home/calendar", &json!({})).ok()["address"].clone();
    let path = address.as_str().expect("an address");
    let path = &path[path.find("/api/").expect("a path")..];
    // Nobody is signed in: the address is the key.
    let asked = || clinic.send("GET", path, "", None, "", Vec::new());
    let first = asked();
    assert_eq!(
        (first.status, first.kind.as_str()),
        (200, "text/calendar; charset=utf-8")
    );
    assert_eq!(
        first.bytes,
        vera.get(&at("program.ics")).bytes,
        "the same as the file"
    );
    let (timed, whole, gone) = sessions(&first.bytes);
    assert_eq!((timed, gone), (0, 0));
    assert!(whole > 0);
    // Hours are named: sessions come to lie at them.
    say(
        &vera,
        &episode,
        [true; 7],
        &["07:30:00", "12:00:00", "18:00:00"],
    );
    let (at_hours, ..) = sessions(&asked().bytes);
    assert!(at_hours >= whole);
    // A flag from home takes them out until somebody has looked; the appointment stays.
    let number = |bytes: &[u8]| -> u32 {
        let all = events(bytes);
        let own = all.iter().filter(|e| value(e, "UID").contains("-day-"));
        own.map(|e| value(e, "SEQUENCE").parse::<u32>().expect("a number"))
            .max()
            .expect("some")
    };
    let before = number(&asked().bytes);
    vera.post(
        &at("flags"),
        &json!({ "answers": [{ "flag": "infection", "answer": "yes" }] }),
    )
    .ok();
    let held = asked();
    let (timed, whole, gone) = sessions(&held.bytes);
    assert_eq!((timed, whole), (0, 0), "nothing is done while it is open");
    assert!(gone >= at_hours && number(&held.bytes) > before);
    let appointments = |bytes: &[u8]| {
        let all = events(bytes);
        all.iter()
            .filter(|e| value(e, "UID").starts_with("appointment-"))
            .count()
    };
    assert_eq!(appointments(&held.bytes), 1);
    vera.answer_flag(&episode, "infection");
    let back = asked();
    assert_eq!(sessions(&back.bytes).0, at_hours);
    assert!(number(&back.bytes) > number(&held.bytes), "it counts again");
    // Changed and not signed again: appointments alone.
    let page = vera.get(&at("program")).ok();
    let mut lines: Vec<Value> = (page["chart"]["lines"].as_array().expect("lines").iter())
        .map(|l| l["line"].clone())
        .collect();
    lines.pop();
    vera.put(
        &at("program"),
        &json!({ "rev": page["rev"], "lines": lines }),
    )
    .ok();
    let changing = asked();
    assert_eq!((changing.status, events(&changing.bytes).len()), (200, 1));
    assert_eq!(appointments(&changing.bytes), 1);
    // Another address, and this one once the link was ended, look the same.
    let other = clinic.send(
        "GET",
        &path.replace(".ics", "x.ics"),
        "",
        None,
        "",
        Vec::new(),
    );
    let origin = Some(clinic.address.as_str());
    let end = clinic.send(
        "DELETE",
        &at("home-link"),
        &vera.cookie,
        origin,
        "",
        Vec::new(),
    );
    assert_eq!(end.status, 200);
    let ended = asked();
    assert_eq!((other.status, ended.status), (404, 404));
    assert_eq!(other.json()["title"], ended.json()["title"]);
    assert_eq!(telephone.post("/api/home/calendar", &json!({})).status, 401);
}
