//! One operated shoulder from the first question to the first gate, over HTTP.

use super::harness::{Clinic, TODAY};
use serde_json::{Value, json};
use uuid::Uuid;

#[test]
fn one_shoulder_from_the_first_question_to_the_first_gate() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");

    // Nothing can be built before the red flags were asked: not asked is not no.
    let refused = vera.post(&at("program/build"), &json!({}));
    assert_eq!(refused.status, 422);
    assert_eq!(refused.json()["reasons"][0]["rule"], "flags-not-asked");
    vera.all_no(&episode);

    // A note that contradicts a "no" is queried, and holds everything until it is looked at.
    let mut page = vera.get(&at("story")).ok();
    page["story"]["note"] = json!("Slipped on the gangway and fell on the arm on Sunday.");
    let queried = vera
        .put(
            &at("story"),
            &json!({ "rev": page["rev"], "story": page["story"] }),
        )
        .ok();
    let state = |page: &Value, flag: &str| {
        page["flags"]
            .as_array()
            .expect("flags")
            .iter()
            .find(|f| f["flag"] == flag)
            .expect("a flag")["state"]
            .clone()
    };
    assert_eq!(state(&queried, "deformity"), "queried");
    assert_eq!(vera.post(&at("program/build"), &json!({})).status, 422);

    // Yes after all: the program stays closed until what was done is on record and closed.
    vera.post(
        &at("flags"),
        &json!({ "answers": [{ "flag": "deformity", "answer": "yes" }] }),
    )
    .ok();
    let say_nothing = json!({ "step": "acted", "action": null, "words": "x", "told": "surgeon" });
    let refused = vera.step(&episode, "deformity", say_nothing);
    assert_eq!(refused.json()["fields"][0]["code"], "says-too-little");
    let too_early = json!({ "step": "answered", "result": "all is well again", "by": "surgeon", "resumes": "everything" });
    let refused = vera.step(&episode, "deformity", too_early);
    assert_eq!(refused.json()["fields"][0]["code"], "acted-first");
    vera.answer_flag(&episode, "deformity");
    // The text was not asked about yet: the answer about the fall does not speak for it.
    assert_eq!(vera.flag(&episode, "deformity")["state"], "queried");
    let view = vera.flag(&episode, "deformity");
    let causes = view["causes"].as_array().expect("causes").iter();
    let about: Vec<&Value> = causes
        .filter(|c| c["kind"] == "text")
        .map(|c| &c["key"])
        .collect();
    let reply = json!({ "answers": [{ "flag": "deformity", "answer": "no", "about": about }] });
    vera.post(&at("flags"), &reply).ok();
    assert_eq!(vera.flag(&episode, "deformity")["state"], "answered");

    for (quantity, ceiling) in [("passive-elevation", 110.0), ("passive-er-side", 25.0)] {
        let limit = json!({ "id": Uuid::now_v7(), "quantity": quantity, "ceiling": ceiling, "floor": null, "until_day": 42, "release": null, "ended_on": null });
        vera.post(&at("limits"), &limit).ok();
    }

    // Inside the ceiling, and above it: kept, judged, and told.
    let page = vera
        .measurement(&episode, "passive-elevation", 102.0, TODAY)
        .ok();
    let dial = |page: &Value, quantity: &str| {
        page["dials"]
            .as_array()
            .expect("dials")
            .iter()
            .find(|d| d["quantity"] == quantity)
            .expect("a dial")
            .clone()
    };
    assert_eq!(
        dial(&page, "passive-elevation")["operated"]["last"]["over_ceiling"],
        false
    );
    assert_eq!(
        dial(&page, "passive-elevation")["ceiling"]["ceiling"]["value"],
        110.0
    );
    let over = vera
        .measurement(&episode, "passive-er-side", 26.0, TODAY)
        .ok();
    assert_eq!(
        dial(&over, "passive-er-side")["calls"][0]["rule"],
        "measurement-over-ceiling"
    );
    let lanes = vera.get("/api/day-list").ok();
    assert_eq!(lanes["rows"][0]["lane"]["lane"], "too_far");
    // It was a slip of the keyboard: withdrawn, not deleted.
    let id = dial(&over, "passive-er-side")["operated"]["last"]["measurement"]["id"]
        .as_str()
        .expect("an id")
        .to_owned();
    vera.post(
        &at("withdrawals"),
        &json!({ "entry": id, "kind": "measurement", "reason": "typed wrong" }),
    )
    .ok();
    let undone = vera.get(&at("ranges")).ok();
    assert!(dial(&undone, "passive-er-side")["operated"]["last"].is_null());
    vera.measurement(&episode, "passive-er-side", 22.0, TODAY)
        .ok();

    // The first gate is overdue on day 38: its criteria are signed one by one, and it is passed.
    let gate = vera.get(&at("visit")).ok()["view"]["gate"].clone();
    assert_eq!(gate["gate"], "to-protected-passive");
    let not_yet = vera.post(&at("gates/to-protected-passive/pass"), &json!({}));
    assert_eq!(not_yet.status, 422);
    assert!(
        not_yet.json()["fields"]
            .as_array()
            .expect("fields")
            .iter()
            .any(|f| f["field"] == "criteria.wound")
    );
    vera.post(
        &at("attestations"),
        &json!({ "id": Uuid::now_v7(), "code": "wound-closed", "holds": true, "on": TODAY }),
    )
    .ok();
    let needs_reason = vera.post(
        &at("gates/to-protected-passive/pass"),
        &json!({ "overridden": { "rest-pain": " " } }),
    );
    assert_eq!(needs_reason.json()["fields"][0]["code"], "empty");
    let passed = vera
        .post(
            &at("gates/to-protected-passive/pass"),
            &json!({ "overridden": { "rest-pain": "asked at the door, forgot to enter" } }),
        )
        .ok();
    assert_eq!(passed["view"]["phase"], "protected-passive");
    // The next one is not due before day 42, whatever anybody overrides.
    let early = vera.post(
        &at("gates/to-assisted/pass"),
        &json!({ "overridden": { "time": "doing so well" } }),
    );
    let codes: Vec<Value> = early.json()["fields"]
        .as_array()
        .expect("fields")
        .iter()
        .map(|f| f["code"].clone())
        .collect();
    assert!(
        codes.contains(&json!("not-due")) && codes.contains(&json!("not-overridable")),
        "{codes:?}"
    );

    // Build, save, sign: the proposal follows the surgeon's limits.
    let proposal = vera.post(&at("program/build"), &json!({})).ok();
    let lines: Vec<Value> = proposal["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    assert!(lines.len() > 15, "{} lines", lines.len());
    assert!(
        proposal["chart"]["lines"]
            .as_array()
            .expect("lines")
            .iter()
            .all(|l| l["verdict"]["status"] == "allowed")
    );
    let saved = vera
        .put(&at("program"), &json!({ "rev": 0, "lines": lines }))
        .ok();
    assert_eq!(saved["rev"], 1);
    let signed = vera.post(&at("program/sign"), &json!({ "rev": 1 })).ok();
    assert_eq!(
        (
            signed["signed"]["version"].clone(),
            signed["signed"]["current"].clone()
        ),
        (json!(1), json!(true))
    );

    // Editing: what breaks a rule is named while editing and refused when saved.
    let mut broken = lines.clone();
    let early_strength = broken
        .iter()
        .position(|l| l["exercise"] == "external-rotation-side-lying-weight")
        .expect("a strengthening line");
    broken[early_strength]["from_day"] = json!(40);
    let live = vera
        .post(&at("program/check"), &json!({ "rev": 1, "lines": broken }))
        .ok();
    let verdict = live["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .find(|l| {
            l["line"]["from_day"] == 40
                && l["line"]["exercise"] == "external-rotation-side-lying-weight"
        })
        .expect("the line")["verdict"]
        .clone();
    assert_eq!(verdict["status"], "blocked");
    let refused = vera.put(&at("program"), &json!({ "rev": 1, "lines": broken }));
    assert_eq!(refused.status, 422);
    assert!(
        refused.json()["reasons"]
            .as_array()
            .expect("reasons")
            .iter()
            .any(|r| r["rule"] == "gate-week")
    );
    let after = vera.get(&at("program")).ok();
    assert_eq!(after["rev"], 1, "nothing half-written");
    // A caution needs a reason, and a reason is enough.
    let mut cautious = lines.clone();
    let today_line = cautious
        .iter()
        .position(|l| l["from_day"] == 38)
        .expect("a line of today");
    cautious[today_line]["dose"]["sets"] = json!(6);
    assert_eq!(
        vera.put(&at("program"), &json!({ "rev": 1, "lines": cautious }))
            .status,
        422
    );
    cautious[today_line]["override_reason"] = json!("she trains for a living");
    assert_eq!(
        vera.put(&at("program"), &json!({ "rev": 1, "lines": cautious }))
            .status,
        422,
        "more than the reviewed range is nobody's choice"
    );
    cautious[today_line]["dose"] = lines[today_line]["dose"].clone();
    cautious[today_line]["dose"]["repetitions"] = json!(1);
    assert_eq!(
        vera.put(&at("program"), &json!({ "rev": 1, "lines": cautious }))
            .ok()["signed"]["current"],
        false
    );

    // The log, and what it does to the day's list.
    let log = |fact: Value| {
        let mut entry = json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null });
        entry
            .as_object_mut()
            .expect("an object")
            .extend(fact.as_object().expect("an object").clone());
        vera.post(&at("log"), &entry)
    };
    log(json!({ "kind": "pain_during", "value": 2.0 })).ok();
    log(json!({ "kind": "slip" })).ok();
    let page = vera.get(&at("visit")).ok();
    assert_eq!(page["view"]["log"].as_array().expect("log").len(), 2);
    assert_eq!(
        vera.get("/api/day-list").ok()["rows"][0]["lane"]["reason"]["rule"],
        "lane-slip"
    );
    let note = vera
        .post(
            &at("notes"),
            &json!({ "id": Uuid::now_v7(), "body": "Slip felt at night. Stop levels explained." }),
        )
        .ok();
    assert_eq!(
        note["last_note"]["body"],
        "Slip felt at night. Stop levels explained."
    );
}

#[test]
fn a_limit_whose_day_has_come_holds_until_its_end_is_confirmed() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let id = Uuid::now_v7();
    let page = vera.post(&at("limits"), &json!({ "id": id, "quantity": "passive-elevation", "ceiling": 100.0, "floor": null, "from": "2027-01-22", "until_day": 30, "release": null, "ended_on": null })).ok();
    assert_eq!(page["limits"][0]["until_day"], 30);
    let ceiling = || vera.get(&at("ranges")).ok()["dials"][0]["ceiling"].clone();
    assert_eq!(
        (
            ceiling()["ceiling"]["value"].clone(),
            ceiling()["awaits_confirmation"].clone()
        ),
        (json!(100.0), json!(true))
    );
    assert_eq!(
        vera.get(&at("visit")).ok()["view"]["limits_to_confirm"][0]["id"],
        json!(id)
    );
    vera.post(&at(&format!("limits/{id}/end")), &json!({})).ok();
    assert_eq!(ceiling()["ceiling"]["value"], 120.0);
}
