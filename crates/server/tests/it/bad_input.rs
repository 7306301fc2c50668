//! What cannot be right is named, with its field and limit, and nothing of it stays.

use super::harness::{Clinic, TODAY, measurement, new_patient};
use serde_json::{Value, json};
use uuid::Uuid;

fn faults(answer: &super::harness::Answer, field: &str, limit: &str) {
    assert_eq!(
        answer.status,
        422,
        "{}",
        String::from_utf8_lossy(&answer.bytes)
    );
    assert_eq!(answer.kind, "application/problem+json");
    let told = answer.json();
    let found = told["fields"]
        .as_array()
        .expect("fields")
        .iter()
        .find(|f| f["field"] == field)
        .unwrap_or_else(|| panic!("no {field} in {told:#}"));
    let message = found["message"].as_str().expect("a message");
    assert!(
        message.contains(limit),
        "{message:?} does not name {limit:?}"
    );
}

#[test]
fn each_kind_of_bad_input_names_its_field_and_its_limit() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let before = vera.get(&at("story")).ok();

    faults(
        &vera.measurement(&episode, "passive-elevation", 400.0, TODAY),
        "value",
        "200",
    );
    faults(
        &vera.measurement(&episode, "passive-elevation", 90.0, "2027-01-21"),
        "on",
        "2027-01-22",
    );
    faults(
        &vera.measurement(&episode, "passive-elevation", 90.0, "2027-03-02"),
        "on",
        TODAY,
    );
    faults(
        &vera.measurement(&episode, "active-elevation-lying", 90.0, TODAY),
        "value",
        "42",
    );
    faults(
        &vera.measurement(&episode, "wingspan", 90.0, TODAY),
        "quantity",
        "wingspan",
    );

    let with = |change: &dyn Fn(&mut Value)| {
        let mut form = new_patient();
        change(&mut form);
        vera.post("/api/patients", &form)
    };
    faults(
        &with(&|f| f["story"]["day0"] = json!("2027-03-02")),
        "story.day0",
        TODAY,
    );
    faults(
        &with(&|f| f["story"]["day0"] = json!("1970-01-01")),
        "story.day0",
        "1979-05-12",
    );
    faults(
        &with(&|f| f["given_name"] = json!("  ")),
        "given_name",
        "empty",
    );
    faults(
        &with(&|f| f["family_name"] = json!("n".repeat(81))),
        "family_name",
        "80",
    );
    faults(&with(&|f| f["birth"] = json!("2031-01-01")), "birth", TODAY);
    faults(
        &with(&|f| f["story"]["pathway"] = json!("moon")),
        "story.pathway",
        "moon",
    );
    faults(
        &with(&|f| f["story"]["tasks"] = json!([{ "label": "rope", "score": 11 }])),
        "story.tasks[0].score",
        "10",
    );

    let limit = |ceiling: f64, floor: Value, release: Value| {
        vera.post(&at("limits"), &json!({ "id": Uuid::now_v7(), "quantity": "passive-elevation", "ceiling": ceiling, "floor": floor, "until_day": 42, "release": release, "ended_on": null }))
    };
    faults(&limit(90.0, json!(100.0), json!(null)), "floor", "90");
    faults(&limit(300.0, json!(null), json!(null)), "ceiling", "200");
    faults(
        &limit(150.0, json!(null), json!(null)),
        "ceiling",
        "release",
    );
    limit(
        150.0,
        json!(null),
        json!({ "role": "surgeon", "on": TODAY }),
    )
    .ok();
    faults(
        &limit(150.0, json!(null), json!({ "role": "", "on": TODAY })),
        "release.role",
        "empty",
    );

    let log = |on: &str, fact: Value| {
        let mut entry = json!({ "id": Uuid::now_v7(), "on": on, "exercise": "assisted-elevation-lying-other-hand" });
        entry
            .as_object_mut()
            .expect("an object")
            .extend(fact.as_object().expect("an object").clone());
        vera.post(&at("log"), &entry)
    };
    faults(
        &log("2027-01-20", json!({ "kind": "slip" })),
        "on",
        "2027-01-22",
    );
    faults(
        &log(TODAY, json!({ "kind": "pain_before", "value": 12.0 })),
        "value",
        "10",
    );

    let mut line = json!({ "id": Uuid::now_v7(), "exercise": "hand-elbow-finger-open-close", "from_day": 38, "to_day": 45, "override_reason": null,
        "dose": { "sets": 0, "repetitions": 10, "hold_s": 0, "rest_s": 0, "times_per_day": 3, "days_per_week": 7, "load_kg": null, "elastic_level": null, "effort_pct": null } });
    let zero = vera.put(&at("program"), &json!({ "rev": 0, "lines": [line] }));
    faults(&zero, "lines[0].dose.sets", "10");
    line["dose"]["sets"] = json!(2);
    line["to_day"] = json!(38);
    assert_eq!(
        vera.put(&at("program"), &json!({ "rev": 0, "lines": [line] }))
            .status,
        422
    );

    let after = vera.get(&at("story")).ok();
    assert_eq!(after["rev"], before["rev"]);
    assert_eq!(
        vera.get("/api/day-list").ok()["rows"]
            .as_array()
            .expect("rows")
            .len(),
        1,
        "no patient was half-added"
    );
    assert_eq!(vera.get(&at("program")).ok()["rev"], 0);
}

#[test]
fn a_stale_edit_is_refused_with_the_newer_version() {
    let clinic = Clinic::open();
    let (vera, lea) = (clinic.sign_in("vera"), clinic.sign_in("lea"));
    let episode = vera.rigger();
    let at = format!("/api/episodes/{episode}/story");
    let page = vera.get(&at).ok();
    let mut hers = page["story"].clone();
    hers["note"] = json!("hers");
    lea.put(&at, &json!({ "rev": page["rev"], "story": hers }))
        .ok();
    let mut mine = page["story"].clone();
    mine["note"] = json!("mine");
    let stale = vera.put(&at, &json!({ "rev": page["rev"], "story": mine }));
    assert_eq!(
        (stale.status, stale.json()["current_rev"].clone()),
        (409, json!(2))
    );
    assert_eq!(vera.get(&at).ok()["story"]["note"], "hers");
}

#[test]
fn an_entry_sent_twice_is_stored_once_and_another_under_its_id_is_refused() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let path = format!("/api/episodes/{episode}/measurements");
    let mut entry = measurement("passive-elevation", 95.0, TODAY);
    vera.post(&path, &entry).ok();
    vera.post(&path, &entry).ok();
    let dial =
        vera.get(&format!("/api/episodes/{episode}/ranges")).ok()["dials"][0]["operated"].clone();
    assert_eq!(
        (
            dial["last"]["measurement"]["value"].clone(),
            dial["previous"].clone()
        ),
        (json!(95.0), Value::Null)
    );
    entry["value"] = json!(96.0);
    let other = vera.post(&path, &entry);
    assert_eq!(
        (other.status, other.json()["type"].clone()),
        (409, json!("urn:ritorno:problem:id-conflict"))
    );
    let slip = json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null, "kind": "slip" });
    let log = format!("/api/episodes/{episode}/log");
    // An entry answers that it is kept and where the shoulder now stands, not with the whole page.
    let answer = vera.post(&log, &slip).ok();
    assert_eq!(answer["lane"]["reason"]["rule"], "lane-slip");
    assert!(answer.to_string().len() < 2_000, "{answer}");
    vera.post(&log, &slip).ok();
    let page = vera.get(&format!("/api/episodes/{episode}/visit")).ok();
    assert_eq!(page["view"]["log"].as_array().expect("log").len(), 1);
    // The same id for another patient is not that entry either.
    let elsewhere = vera.rigger();
    assert_eq!(
        vera.post(&format!("/api/episodes/{elsewhere}/log"), &slip)
            .status,
        409
    );
}

#[test]
fn what_cannot_be_read_is_told_as_a_problem() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let path = format!("/api/episodes/{episode}/notes");
    let raw = |method: &str, path: &str, body: Vec<u8>| {
        clinic.send(
            method,
            path,
            &vera.cookie,
            Some(&clinic.address),
            "application/json",
            body,
        )
    };
    let large = format!(
        "{{\"id\":\"{}\",\"body\":\"{}\"}}",
        Uuid::now_v7(),
        "x".repeat(5 << 20)
    );
    let mut bad_text = format!("{{\"id\":\"{}\",\"body\":\"", Uuid::now_v7()).into_bytes();
    bad_text.extend([0xff, 0xfe, b'"', b'}']);
    for (method, path, body, status, code) in [
        ("POST", path.as_str(), large.into_bytes(), 413, "too-large"),
        ("POST", path.as_str(), bad_text, 400, "unreadable"),
        ("POST", path.as_str(), b"{".to_vec(), 400, "unreadable"),
        (
            "GET",
            "/api/episodes/not-an-id/visit",
            vec![],
            400,
            "unreadable",
        ),
        ("GET", "/api/nowhere", vec![], 404, "no-route"),
        (
            "GET",
            "/api/episodes/0190a000-0000-7000-8000-000000000000/visit",
            vec![],
            404,
            "not-found",
        ),
    ] {
        let answer = raw(method, path, body);
        assert_eq!(
            answer.status,
            status,
            "{method} {path}: {}",
            String::from_utf8_lossy(&answer.bytes)
        );
        assert_eq!(answer.kind, "application/problem+json", "{method} {path}");
        assert_eq!(
            answer.json()["type"],
            format!("urn:ritorno:problem:{code}"),
            "{method} {path}"
        );
    }
    let wrong_method = raw("DELETE", "/api/day-list", vec![]);
    assert_eq!(
        (wrong_method.status, wrong_method.kind.as_str()),
        (405, "application/problem+json")
    );
    let page = vera.get(&format!("/api/episodes/{episode}/visit")).ok();
    assert!(page["last_note"].is_null(), "nothing half-written");
}

#[test]
fn a_revision_that_nobody_has_reached_is_stale_and_breaks_nothing() {
    let clinic = Clinic::open();
    let lea = clinic.sign_in("lea");
    let episode = lea.rigger();
    let past = i32::MAX;
    let defaults = lea.get("/api/defaults").ok()["defaults"].clone();
    let rules = lea.get("/api/staff").ok()["rules"].clone();
    let story = lea.get(&format!("/api/episodes/{episode}/story")).ok()["story"].clone();
    let copy = json!({ "base": "cuff-repair-small-medium", "title": "Slow" });
    let file = lea.post("/api/pathways", &copy).ok()["file"].clone();
    for (path, body) in [
        (
            "/api/defaults".to_owned(),
            json!({ "rev": past, "defaults": defaults }),
        ),
        (
            "/api/access-rules".to_owned(),
            json!({ "rev": past, "rules": rules }),
        ),
        (
            "/api/pathways/own-slow".to_owned(),
            json!({ "version": past, "file": file }),
        ),
        (
            format!("/api/episodes/{episode}/story"),
            json!({ "rev": past, "story": story }),
        ),
        (
            format!("/api/episodes/{episode}/program"),
            json!({ "rev": past, "lines": [] }),
        ),
    ] {
        let answer = lea.put(&path, &body);
        let told = String::from_utf8_lossy(&answer.bytes).into_owned();
        assert_eq!(answer.status, 409, "{path}: {told}");
    }
}
