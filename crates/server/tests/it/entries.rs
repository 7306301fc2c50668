//! Entries that waited: stored by themselves, answered by themselves, sent only by who made them.

use super::harness::{Clinic, TODAY, measurement};
use serde_json::{Value, json};
use uuid::Uuid;

fn count(visit: &Value, what: &str) -> usize {
    visit["view"][what].as_array().map_or(0, Vec::len)
}

#[test]
fn a_batch_stores_each_entry_once_and_a_refused_one_holds_up_no_other() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let me = vera.get("/api/session").ok()["id"].clone();
    let entry = |kind: &str, body: Value| json!({ "kind": kind, "episode": episode, "body": body });
    let pain = |value: f64| json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null, "kind": "pain_during", "value": value });
    let batch = json!({ "by": me, "entries": [
        entry("log", pain(3.0)),
        entry("log", pain(30.0)),
        entry("note", json!({ "id": Uuid::now_v7(), "body": "n".repeat(8001) })),
        entry("measurement", measurement("passive-elevation", 95.0, TODAY)),
        entry("score", json!({ "id": Uuid::now_v7(), "score": "rest-pain", "value": 2.0, "on": TODAY })),
        entry("gate_pass", json!({ "overridden": {  } })),
    ] });
    let send = || {
        let answers = vera.post("/api/entries", &batch).ok();
        let of = |a: &Value| a["status"].as_u64().expect("a status");
        answers
            .as_array()
            .expect("answers")
            .iter()
            .map(of)
            .collect::<Vec<_>>()
    };
    assert_eq!(send(), [200, 422, 422, 200, 200, 422]);
    // Sent again after a lost answer: the same, and nothing twice.
    assert_eq!(send(), [200, 422, 422, 200, 200, 422]);
    let visit = vera.get(&format!("/api/episodes/{episode}/visit")).ok();
    assert_eq!(count(&visit, "log"), 1);
    let told = vera.post("/api/entries", &batch).ok();
    assert_eq!(told[1]["problem"]["fields"][0]["field"], "value");
    assert_eq!(told[2]["problem"]["fields"][0]["field"], "body");
    // The lane followed in the same transaction.
    let lane = vera.get("/api/day-list").ok()["rows"][0]["lane"]["lane"].clone();
    assert_ne!(lane, "quiet");
    let many: Vec<Value> = (0..101).map(|_| entry("log", pain(1.0))).collect();
    let too_many = vera.post("/api/entries", &json!({ "by": me, "entries": many }));
    assert_eq!(too_many.status, 422);
}

#[test]
fn nobody_sends_what_another_person_made() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let me = vera.get("/api/session").ok()["id"].clone();
    let lea = clinic.sign_in("lea");
    let batch = json!({ "by": me, "entries": [
        { "kind": "measurement", "episode": episode, "body": measurement("passive-elevation", 95.0, TODAY) }
    ] });
    let refused = lea.post("/api/entries", &batch);
    assert_eq!(refused.status, 403);
    assert_eq!(
        refused.json()["type"],
        "urn:ritorno:problem:made-by-another"
    );
    // A single write names its maker too, should somebody else have signed in under the page.
    let by = |user: &str| {
        clinic.send_as(
            &lea.cookie,
            &format!("/api/episodes/{episode}/measurements"),
            user,
            &measurement("passive-elevation", 95.0, TODAY),
        )
    };
    assert_eq!(by(me.as_str().expect("an id")).status, 403);
    assert_eq!(by("not an id").status, 400);
    let own = lea.get("/api/session").ok()["id"].clone();
    assert_eq!(by(own.as_str().expect("an id")).status, 200);
    // An assistant may not sign, in a batch no more than alone.
    let aldo = clinic.sign_in("aldo");
    let his = aldo.get("/api/session").ok()["id"].clone();
    let signs = json!({ "by": his, "entries": [
        { "kind": "note", "episode": episode, "body": { "id": Uuid::now_v7(), "body": "seen" } }
    ] });
    assert_eq!(aldo.post("/api/entries", &signs).ok()[0]["status"], 403);
}

#[test]
fn simulated_devices_exist_in_a_demo_only_and_are_never_evidence() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let mut invented = measurement("passive-elevation", 131.0, TODAY);
    invented["method"] = json!("simulated");
    let push = json!({ "id": Uuid::now_v7(), "test": "er-side", "side": "left", "lever_m": 0.24, "pain": null, "on": TODAY,
        "force": { "kind": "trace", "device": "simulated-dynamometer", "samples": [{ "t_s": 0.0, "force_n": 90.0 }, { "t_s": 3.0, "force_n": 90.0 }] } });
    assert_eq!(
        vera.get("/api/instruments/stream?device=inclinometer")
            .status,
        404
    );
    assert_eq!(
        vera.post(&at("measurements"), &invented).json()["fields"][0]["field"],
        "method"
    );
    assert_eq!(
        vera.post(&at("strength"), &push).json()["fields"][0]["field"],
        "force.device"
    );

    let demo = Clinic::demo();
    let vera = demo.sign_in("vera");
    let episode = vera.rigger();
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    // Far above the ceiling: were it evidence the lane would say so.
    let page = vera.post(&at("measurements"), &invented).ok();
    let dials = page["dials"].as_array().expect("dials");
    let dial = dials
        .iter()
        .find(|d| d["quantity"] == "passive-elevation")
        .expect("a dial");
    let last = &dial["operated"]["last"];
    assert_eq!(
        (
            last["measurement"]["value"].as_f64(),
            last["simulated"].as_bool()
        ),
        (Some(131.0), Some(true))
    );
    assert_eq!(dial["due"], true, "it is still to be measured");
    assert!(dial["calls"].as_array().expect("calls").is_empty());
    let lane = vera.get("/api/day-list").ok()["rows"][0]["lane"]["lane"].clone();
    assert_ne!(lane, "too_far");
    let room = vera.post(&at("strength"), &push).ok()["room"].clone();
    let tests = room["page"]["tests"].as_array().expect("tests");
    let side = tests
        .iter()
        .find(|t| t["test"] == "er-side")
        .expect("a test");
    assert!(
        side["other"].is_null(),
        "a stand-in gives no strength: {side}"
    );
    assert_eq!(side["simulated"][0]["device"], "simulated-dynamometer");
    // A real value after it stands in its place.
    let page = vera
        .measurement(&episode, "passive-elevation", 95.0, TODAY)
        .ok();
    let dials = page["dials"].as_array().expect("dials");
    let dial = dials
        .iter()
        .find(|d| d["quantity"] == "passive-elevation")
        .expect("a dial");
    assert_eq!(dial["operated"]["last"]["measurement"]["value"], 95.0);
}
