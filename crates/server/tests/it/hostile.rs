//! Hostile values: whatever a field is made to hold, the answer is a refusal that names it, never a fault of ours.

use super::harness::{Clinic, Session, TODAY, measurement, new_patient};
use serde_json::{Value, json};
use uuid::Uuid;

/// Values that break what forgets them: NUL, too much, too far, too deep, another kind.
fn hostile() -> Vec<Value> {
    let mut deep = json!("end");
    for _ in 0..40 {
        deep = json!([deep]);
    }
    vec![
        json!("\u{0}"),
        json!("a\u{0}b"),
        json!("\u{1b}[2J"),
        json!("x".repeat(20_000)),
        json!(i64::MAX),
        json!(i64::MIN),
        json!(2_147_483_647),
        json!(-2_147_483_648_i64),
        json!(4_294_967_295_u64),
        json!(1e308),
        json!(-1e308),
        json!(0.1 + 0.2),
        json!("+262142-12-31"),
        json!("-262143-01-01"),
        json!("9999-12-31"),
        json!("0001-01-01"),
        Value::Null,
        json!([]),
        json!({}),
        deep,
    ]
}

/// Every place of a body that holds a value, as a JSON pointer.
pub(super) fn places(value: &Value, at: &str, out: &mut Vec<String>) {
    match value {
        Value::Object(fields) => {
            for (name, value) in fields {
                places(value, &format!("{at}/{name}"), out);
            }
        }
        Value::Array(list) => {
            for (i, value) in list.iter().enumerate() {
                places(value, &format!("{at}/{i}"), out);
            }
        }
        _ => {}
    }
    if !at.is_empty() {
        out.push(at.to_owned());
    }
}

/// Sends `body` with every place replaced by every hostile value; answers how many were sent.
fn storm(s: &Session, method: &str, path: &str, body: &Value) -> usize {
    let mut all = Vec::new();
    places(body, "", &mut all);
    let mut sent = 0;
    for place in &all {
        for value in hostile() {
            let mut changed = body.clone();
            if let Some(id) = changed.get_mut("id") {
                *id = json!(Uuid::now_v7());
            }
            *changed.pointer_mut(place).expect("a place") = value.clone();
            let answer = match method {
                "PUT" => s.put(path, &changed),
                _ => s.post(path, &changed),
            };
            let told = String::from_utf8_lossy(&answer.bytes).into_owned();
            assert!(
                answer.status < 500,
                "{path} {place} = {value}: {} {told}",
                answer.status
            );
            if value.as_str().is_some_and(|text| text.contains('\u{0}')) {
                assert!(
                    answer.status >= 400,
                    "{path} {place}: a NUL was taken: {told}"
                );
                let last = place.rsplit('/').find(|p| p.parse::<u32>().is_err());
                assert!(
                    told.contains(last.unwrap_or_default()),
                    "{path} {place}: the refusal names no field: {told}"
                );
            }
            sent += 1;
        }
    }
    sent
}

/// A body for each write, as a page would send it: the way, the address, the body.
pub(super) fn writes(s: &Session, episode: &str) -> Vec<(&'static str, String, Value)> {
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    s.post(
        &at("gates/to-protected-passive/pass"),
        &json!({ "overridden": { "wound-closed": "seen", "rest-pain": "seen" } }),
    );
    let built = s.post(&at("program/build"), &json!({}));
    let lines = built.ok()["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .take(1)
        .map(|l| l["line"].clone())
        .collect::<Vec<_>>();
    let program = json!({ "rev": 0, "lines": lines });
    let id = Uuid::now_v7();
    let found = s.get("/api/day-list").ok();
    let patient = found["rows"][0]["patient"].as_str().expect("a patient");
    let mut arc = measurement("passive-elevation", 90.0, TODAY);
    arc["arc"] = json!({ "from": 60.0, "to": 80.0 });
    arc["method"] = json!("goniometer");
    let story = s.get(&at("story")).ok();
    let edit = json!({ "rev": story["rev"], "story": story["story"] });
    vec![
        ("POST", "/api/patients".to_owned(), new_patient()),
        ("POST", at("measurements"), arc),
        (
            "POST",
            at("scores"),
            json!({ "id": id, "score": "rest-pain", "value": 2.0, "on": TODAY }),
        ),
        (
            "POST",
            at("attestations"),
            json!({ "id": id, "code": "wound-closed", "holds": true, "on": TODAY }),
        ),
        (
            "POST",
            at("log"),
            json!({ "id": id, "on": TODAY, "exercise": "pendulum-cradle", "kind": "done", "sessions": 1, "repetitions": 10 }),
        ),
        ("POST", at("notes"), json!({ "id": id, "body": "seen" })),
        (
            "POST",
            at("limits"),
            json!({ "id": id, "quantity": "passive-elevation", "ceiling": 80.0, "floor": 20.0, "until_day": 60, "release": { "role": "surgeon", "on": TODAY }, "ended_on": null }),
        ),
        (
            "POST",
            at("flags"),
            json!({ "answers": [{ "flag": "deformity", "answer": "no" }] }),
        ),
        (
            "POST",
            at("flag-steps"),
            json!({ "id": id, "flag": "deformity", "on": TODAY, "causes": [id], "step": "acted", "action": "imaging", "words": "rang the surgeon", "told": "the surgeon" }),
        ),
        (
            "POST",
            at("breach-answers"),
            json!({ "id": id, "measurement": id, "on": TODAY, "role": "surgeon", "words": "fine up to 95" }),
        ),
        (
            "POST",
            at("end"),
            json!({ "reason": "discharged", "on": TODAY, "words": "last reading 150" }),
        ),
        ("POST", at("reopen"), json!({ "words": "came back" })),
        (
            "POST",
            "/api/screen".to_owned(),
            json!({ "text": "fell again" }),
        ),
        (
            "PUT",
            format!("/api/patients/{patient}"),
            json!({ "given_name": "Nerio", "family_name": "Falanga", "birth": "1979-05-12", "another": true }),
        ),
        (
            "POST",
            at("findings"),
            json!({ "id": id, "test": "er-lag", "side": "left", "answer": { "kind": "number", "value": 5.0 }, "variant": null, "on": TODAY, "rater": id }),
        ),
        (
            "POST",
            at("exam-notes"),
            json!({ "id": id, "on": TODAY, "kind": "response", "sign": "arc", "dose": "three sets", "before": 4.0, "after": 2.0 }),
        ),
        (
            "POST",
            at("strength"),
            json!({ "id": id, "test": "er-side", "side": "left", "lever_m": 0.24, "pain": 0.0, "on": TODAY, "force": { "kind": "typed", "peak_n": 90.0 } }),
        ),
        (
            "POST",
            at("outcomes"),
            json!({ "id": id, "instrument": "quickdash", "answers": [1.0, 2.0, null, 1.0, 1.0, 1.0, 1.0, 1.0, 1.0, 1.0, 1.0], "on": TODAY }),
        ),
        (
            "POST",
            at("withdrawals"),
            json!({ "entry": id, "kind": "measurement", "reason": "slip" }),
        ),
        ("POST", at("program/check"), program.clone()),
        ("POST", at("program/week"), program.clone()),
        ("PUT", at("program"), program),
        (
            "POST",
            at("home-hours"),
            json!({ "id": id, "on": TODAY, "days": [true, true, false, true, true, false, false], "times": ["07:30:00", "18:00:00"] }),
        ),
        (
            "POST",
            at("program/what-if"),
            json!({ "schools": { "cuff-motion": "early" }, "modifiers": ["poor-tissue"], "limits": [], "minutes_per_day": 20, "missed_days": 14 }),
        ),
        (
            "POST",
            at("decisions"),
            json!({ "id": id, "line": id, "kind": "stop", "answer": "changed", "reason": "why", "change": { "kind": "remove" } }),
        ),
        (
            "POST",
            "/api/elastics".to_owned(),
            json!({ "id": id, "level": 1, "label": "red door", "points": [{ "elongation_pct": 25.0, "force_n": 8.0 }, { "elongation_pct": 50.0, "force_n": 12.0 }, { "elongation_pct": 100.0, "force_n": 17.0 }, { "elongation_pct": 150.0, "force_n": 22.0 }], "on": TODAY, "simulated": false }),
        ),
        (
            "POST",
            "/api/reliability/judge".to_owned(),
            json!({ "ratings": [[90.0, 92.0], [80.0, 81.0], [70.0, 75.0]] }),
        ),
        (
            "POST",
            "/api/entries".to_owned(),
            json!({ "by": id, "entries": [{ "kind": "score", "episode": id, "body": { "id": id, "score": "rest-pain", "value": 2.0, "on": TODAY } }] }),
        ),
        ("PUT", at("story"), edit),
        (
            "PUT",
            at("reminders"),
            json!({ "rev": 0, "agreed": true, "reminding": { "channel": "text", "address": "+39 333 555 0100", "appointments": true, "exercises_at": "18:00:00", "quiet_from": "20:00:00", "quiet_until": "08:00:00" } }),
        ),
        ("POST", at("home-read"), json!({ "id": id, "read": [id] })),
    ]
}

#[test]
fn no_field_of_any_write_breaks_the_server() {
    let clinic = Clinic::demo();
    let s = clinic.sign_in("lea");
    let episode = s.rigger();
    s.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let mut sent = 0;
    for (method, path, body) in &writes(&s, &episode) {
        sent += storm(&s, method, path, body);
    }
    assert!(sent > 2_000, "{sent} values were tried");
    // And it still serves.
    assert_eq!(s.get(&at("visit")).status, 200);
    for address in [
        "/api/day-list?q=%00",
        "/api/episodes/%00/visit",
        "/api/exercises/a%0Ab/figure",
    ] {
        assert_eq!(s.get(address).status, 400, "{address}");
    }
}

/// A clinic's own pathway, typed by hand: no text of it falls over, and a fault names its row and field.
#[test]
fn no_own_pathway_file_breaks_the_server() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("lea");
    let copy = json!({ "base": "cuff-repair-small-medium", "title": "Slow" });
    let page = s.post("/api/pathways", &copy).ok();
    let text = page["file"].as_str().expect("a file").to_owned();
    let check = "/api/pathways/own-slow/check";
    let numbers = [
        "306783379",
        "-2147483648",
        "9223372036854775807",
        "1e308",
        "nan",
        "-inf",
        "\"\\u0000\"",
    ];
    let mut refused = 0;
    for (at, _) in text.match_indices("_week = ").step_by(3) {
        let from = at + "_week = ".len();
        let to = from + text[from..].find('\n').expect("a line");
        for number in numbers {
            let changed = format!("{}{number}{}", &text[..from], &text[to..]);
            let answer = s.post(check, &json!({ "version": 1, "file": changed }));
            assert!(answer.status < 500, "{number} at {at}: {}", answer.status);
            let faults = answer.json()["faults"].as_array().map_or(0, Vec::len);
            assert!(faults > 0, "{number} at byte {at} was let through");
            refused += 1;
        }
    }
    assert!(refused > 50, "{refused} files were tried");
}
