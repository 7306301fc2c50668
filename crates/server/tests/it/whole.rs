//! Program, whole, over HTTP: decisions, what-if, choices, own pathways, several episodes.

use super::harness::{Clinic, Session, TODAY, new_patient};
use serde_json::{Value, json};
use uuid::Uuid;

fn day(n: i64) -> String {
    let day0: chrono::NaiveDate = "2027-01-22".parse().expect("a date");
    (day0 + chrono::Days::new(n as u64)).to_string()
}

/// A rigger on day 38 in the second phase, with one exercise that has run since day 20 and a quiet log.
pub fn on_the_way(vera: &Session) -> (String, String) {
    let episode = vera.rigger();
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    vera.all_no(&episode);
    vera.post(
        &at("attestations"),
        &json!({ "id": Uuid::now_v7(), "code": "wound-closed", "holds": true, "on": TODAY }),
    )
    .ok();
    vera.post(
        &at("gates/to-protected-passive/pass"),
        &json!({ "overridden": { "rest-pain": "asked: 2/10" } }),
    )
    .ok();
    let built = vera.post(&at("program/build"), &json!({})).ok();
    let mut lines: Vec<Value> = built["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    let own = lines
        .iter_mut()
        .find(|l| l["exercise"] == "assisted-elevation-lying-other-hand")
        .expect("the lying lift");
    own["from_day"] = json!(20);
    let (id, repetitions, times) = (
        own["id"].as_str().expect("an id").to_owned(),
        own["dose"]["repetitions"].clone(),
        own["dose"]["times_per_day"].clone(),
    );
    // Only this one runs, so that the share done speaks of it.
    lines.retain(|l| l["exercise"] == "assisted-elevation-lying-other-hand");
    vera.put(&at("program"), &json!({ "rev": 0, "lines": lines }))
        .ok();
    for d in 24..38 {
        let entry = |fact: Value, exercise: Value, on: i64| {
            let mut body = json!({ "id": Uuid::now_v7(), "on": day(on), "exercise": exercise });
            body.as_object_mut()
                .expect("an entry")
                .extend(fact.as_object().expect("a fact").clone());
            vera.post(&at("log"), &body).ok();
        };
        entry(
            json!({ "kind": "done", "sessions": times, "repetitions": repetitions }),
            json!("assisted-elevation-lying-other-hand"),
            d,
        );
        entry(
            json!({ "kind": "pain_during", "value": 1.0 }),
            Value::Null,
            d,
        );
        entry(
            json!({ "kind": "pain_next_morning", "value": 1.0 }),
            Value::Null,
            d + 1,
        );
    }
    (episode, id)
}

#[test]
fn a_decision_is_proposed_with_its_inputs_accepted_once_and_a_stop_is_never_answered_by_going_on() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (episode, line) = on_the_way(&vera);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let visit = vera.get(&at("visit")).ok();
    let found = visit["view"]["decisions"]
        .as_array()
        .expect("decisions")
        .iter()
        .find(|d| d["line"] == line.as_str())
        .expect("one")
        .clone();
    assert_eq!(found["kind"], "progress_dose", "{found}");
    assert!(
        found["inputs"].as_array().expect("inputs").len() >= 3
            && found["patient"]["rule"] == "say-more"
    );
    // Not accepted needs a reason; what is no longer proposed is refused.
    let decide = |id: Uuid, kind: &str, answer: &str, reason: &str, change: Value| {
        vera.post(&at("decisions"), &json!({ "id": id, "line": line, "kind": kind, "answer": answer, "reason": reason, "change": change }))
    };
    let refused = decide(
        Uuid::now_v7(),
        "progress_dose",
        "overridden",
        " ",
        Value::Null,
    )
    .json();
    assert_eq!(
        (
            &refused["fields"][0]["field"],
            &refused["fields"][0]["code"]
        ),
        (&json!("reason"), &json!("empty"))
    );
    assert_eq!(
        decide(Uuid::now_v7(), "next_rung", "accepted", "", Value::Null).json()["fields"][0]["code"],
        "not-proposed"
    );
    let id = Uuid::now_v7();
    let done = decide(id, "progress_dose", "accepted", "", Value::Null).ok();
    let lines = |page: &Value| {
        page["lines"]
            .as_array()
            .expect("lines")
            .iter()
            .filter(|l| l["exercise"] == "assisted-elevation-lying-other-hand")
            .cloned()
            .collect::<Vec<_>>()
    };
    let now = lines(&done);
    assert_eq!(
        (now.len(), &now[0]["from_day"], &now[0]["by_hand"]),
        (1, &json!(38), &json!(true)),
        "{now:?}"
    );
    assert_eq!(now[0]["dose"], found["change"]["dose"]);
    assert_eq!(done["decided"][0]["answer"], "accepted");
    // Sent twice: nothing happens twice.
    let again = decide(id, "progress_dose", "accepted", "", Value::Null).ok();
    assert_eq!(again["decided"].as_array().expect("decided").len(), 1);
    // A slip stops; going on is not an answer to it, whatever the reason.
    vera.post(&at("log"), &json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null, "kind": "slip_worse", "how": "new_direction" }))
        .ok();
    let visit = vera.get(&at("visit")).ok();
    let stop = visit["view"]["decisions"][0].clone();
    assert_eq!(
        (&stop["kind"], &stop["rule"]["rule"]),
        (&json!("stop"), &json!("stop-slip-worse"))
    );
    let more = json!({ "kind": "dose", "dose": now[0]["dose"] });
    let body = json!({ "id": Uuid::now_v7(), "line": stop["line"], "kind": "stop", "answer": "changed", "reason": "feels fine", "change": more });
    assert_eq!(
        vera.post(&at("decisions"), &body).json()["fields"][0]["code"],
        "stop-stands"
    );
    assert_eq!(
        vera.get("/api/day-list").ok()["rows"][0]["lane"]["lane"],
        "something_is_wrong"
    );
    // An assistant decides nothing.
    let aldo = clinic.sign_in("aldo");
    assert_eq!(aldo.post(&at("decisions"), &body).status, 403);
}

#[test]
fn what_if_compares_without_saving_and_choices_are_checked() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (episode, _) = on_the_way(&vera);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let before = vera.get(&at("program")).ok();
    let both = vera
        .post(
            &at("program/what-if"),
            &json!({ "schools": { "strength-start": "strength-16" }, "missed_days": 14 }),
        )
        .ok();
    let moved = both["moved"].as_array().expect("moved");
    let gate = |id: &str| {
        moved
            .iter()
            .find(|m| m["kind"] == "gate" && m["what"] == id)
            .expect("a gate")
            .clone()
    };
    assert_eq!(
        (
            gate("to-assisted")["variant"].clone(),
            gate("to-early-strength")["variant"].clone()
        ),
        (json!(56.0), json!(126.0))
    );
    assert_eq!(vera.get(&at("program")).ok(), before, "nothing was saved");
    for (body, field) in [
        (
            json!({ "schools": { "strength-start": "never" } }),
            "story.schools.strength-start",
        ),
        (json!({ "modifiers": ["remplissage"] }), "story.modifiers"),
        (json!({ "missed_days": 400 }), "missed_days"),
        (json!({ "minutes_per_day": 0 }), "minutes_per_day"),
    ] {
        let refused = vera.post(&at("program/what-if"), &body);
        assert_eq!(
            (refused.status, refused.json()["fields"][0]["field"].clone()),
            (422, json!(field))
        );
    }
    // The story keeps choices, and the program follows: a subscapularis repair tightens rotation at once.
    let mut page = vera.get(&at("story")).ok();
    assert!(
        page["questions"]
            .as_array()
            .expect("questions")
            .iter()
            .any(|q| q["id"] == "passive-start" && q["holds"] == "two-still")
    );
    page["story"]["modifiers"] = json!(["subscapularis-repair"]);
    page["story"]["minutes_per_day"] = json!(12);
    let kept = vera
        .put(
            &at("story"),
            &json!({ "rev": page["rev"], "story": page["story"] }),
        )
        .ok();
    let ceiling = kept["dials"]
        .as_array()
        .expect("dials")
        .iter()
        .find(|d| d["quantity"] == "passive-er-90")
        .expect("a dial")["ceiling"]["ceiling"]["kind"]
        .clone();
    assert_eq!(
        (&kept["story"]["modifiers"][0], ceiling),
        (&json!("subscapularis-repair"), json!("none_allowed"))
    );
    page = kept;
    page["story"]["pathway"] = json!("frozen-shoulder");
    let wrong = vera.put(
        &at("story"),
        &json!({ "rev": page["rev"], "story": page["story"] }),
    );
    assert_eq!(wrong.json()["fields"][0]["code"], "pathway-and-start");
    // Two limits that cannot both hold are not kept side by side.
    let limit = |ceiling: f64, floor: Value| json!({ "id": Uuid::now_v7(), "quantity": "passive-elevation", "ceiling": ceiling, "floor": floor, "until_day": 60, "release": null, "ended_on": null });
    vera.post(&at("limits"), &limit(100.0, Value::Null)).ok();
    assert_eq!(
        vera.post(&at("limits"), &limit(115.0, json!(110.0))).json()["fields"][0]["code"],
        "floor-above-ceiling"
    );
}

#[test]
fn a_clinic_keeps_its_own_pathways_under_the_same_checks() {
    let clinic = Clinic::open();
    let (vera, lea) = (clinic.sign_in("vera"), clinic.sign_in("lea"));
    let copy = json!({ "base": "cuff-repair-small-medium", "title": "Cuff repair, harbour way" });
    assert_eq!(
        vera.post("/api/pathways", &copy).status,
        403,
        "a lead keeps the pathways"
    );
    let page = lea.post("/api/pathways", &copy).ok();
    let (id, file) = (
        page["row"]["id"].as_str().expect("an id").to_owned(),
        page["file"].as_str().expect("a file").to_owned(),
    );
    assert_eq!(id, "own-cuff-repair-harbour-way");
    // The same request once more answers as it did; another one under its title does not.
    assert_eq!(lea.post("/api/pathways", &copy).ok()["file"], page["file"]);
    let other = json!({ "base": "arthrolysis", "title": copy["title"] });
    assert_eq!(
        lea.post("/api/pathways", &other).json()["fields"][0]["code"],
        "taken"
    );
    let at = format!("/api/pathways/{id}");
    // A fault names row and field, while typing and on saving; nothing is saved.
    let broken = file.replace("ceiling = 120.0", "ceiling = 500.0");
    let told = lea
        .post(
            &format!("{at}/check"),
            &json!({ "version": 1, "file": broken }),
        )
        .ok();
    assert!(
        told["faults"]
            .as_array()
            .expect("faults")
            .iter()
            .any(|f| f["row"] == "passive-elevation"),
        "{}",
        told["faults"]
    );
    let refused = lea.put(&at, &json!({ "version": 1, "file": broken }));
    assert_eq!(
        (refused.status, refused.json()["fields"][0]["code"].clone()),
        (422, json!("knowledge"))
    );
    assert_eq!(
        lea.put(
            &at,
            &json!({ "version": 1, "file": file.replace(&id, "cuff-repair-large") })
        )
        .json()["fields"][0]["code"],
        "own-id"
    );
    // Tightened: a new version, told against its base; a stale one is refused.
    let tight = file.replacen("ceiling = 120.0", "ceiling = 110.0", 1);
    let saved = lea.put(&at, &json!({ "version": 1, "file": tight })).ok();
    assert_eq!(saved["row"]["own"]["version"], 2);
    assert!(
        saved["against_base"]
            .as_array()
            .expect("against")
            .iter()
            .any(|a| a["own"] == 110.0 && a["looser"] == false),
        "{}",
        saved["against_base"]
    );
    assert_eq!(
        lea.put(&at, &json!({ "version": 1, "file": tight })).status,
        409
    );
    // A patient on it is measured, planned and kept by it.
    let mut form = new_patient();
    form["story"]["pathway"] = json!(id);
    vera.post("/api/patients", &form).ok();
    let episode = form["episode"].as_str().expect("an id").to_owned();
    vera.all_no(&episode);
    let ceiling = |page: Value| page["dials"][0]["ceiling"]["ceiling"]["value"].clone();
    assert_eq!(
        ceiling(vera.get(&format!("/api/episodes/{episode}/ranges")).ok()),
        json!(110.0)
    );
    let built = vera
        .post(
            &format!("/api/episodes/{episode}/program/build"),
            &json!({}),
        )
        .ok();
    let lines: Vec<Value> = built["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    assert!(lines.len() > 10);
    vera.put(
        &format!("/api/episodes/{episode}/program"),
        &json!({ "rev": 0, "lines": lines }),
    )
    .ok();
    // Loosened later and retired: the program that runs keeps what it was built with, and nobody new may choose it.
    let loose = tight.replacen("ceiling = 110.0", "ceiling = 118.0", 1);
    lea.put(&at, &json!({ "version": 2, "file": loose })).ok();
    assert_eq!(
        lea.post(&format!("{at}/retire"), &json!({})).ok()["row"]["own"]["retired"],
        true
    );
    assert_eq!(
        ceiling(vera.get(&format!("/api/episodes/{episode}/ranges")).ok()),
        json!(110.0)
    );
    let offered = vera.get(&format!("/api/episodes/{episode}/story")).ok()["pathways"].clone();
    assert!(
        !offered
            .as_array()
            .expect("pathways")
            .iter()
            .any(|p| p["id"] == id.as_str())
    );
    // Taken out and brought in elsewhere it is the same file.
    assert_eq!(vera.get(&at).ok()["row"]["own"]["version"], 4);
}

#[test]
fn a_second_operation_takes_the_place_of_the_first_and_the_other_shoulder_has_its_own_clock() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (episode, _) = on_the_way(&vera);
    let story = vera.get(&format!("/api/episodes/{episode}/story")).ok();
    let patient = story["head"]["patient"].as_str().expect("an id").to_owned();
    let mut other = story["story"].clone();
    (other["side"], other["day0"], other["clearance"]["on"]) =
        (json!("left"), json!(day(30)), json!(day(30)));
    let id = Uuid::now_v7();
    let head = vera
        .post(
            &format!("/api/patients/{patient}/episodes"),
            &json!({ "episode": id, "story": other }),
        )
        .ok();
    assert_eq!(head["episodes"].as_array().expect("episodes").len(), 2);
    // Both shoulders heal: nothing that the other arm has to carry is proposed for either.
    let built = vera
        .post(
            &format!("/api/episodes/{episode}/program/build"),
            &json!({}),
        )
        .ok();
    let helper = |l: &Value| l["helper"].as_str().expect("a helper").to_owned();
    let fresh = built["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .filter(|l| l["line"]["by_hand"] == false);
    assert!(
        fresh.clone().count() > 3
            && fresh
                .into_iter()
                .all(|l| !["other_hand", "stick", "pulley"].contains(&helper(l).as_str()))
    );
    // A revision of the first: it is closed, leaves the day's list, and its program is read but no longer edited.
    let mut revision = story["story"].clone();
    (
        revision["day0"],
        revision["clearance"]["on"],
        revision["modifiers"],
    ) = (json!(day(36)), json!(day(36)), json!(["revision"]));
    let early = json!({ "episode": Uuid::now_v7(), "story": { "day0": "2027-01-10" } });
    let mut before = revision.clone();
    (before["day0"], before["clearance"]["on"]) = (json!("2027-01-10"), json!("2027-01-10"));
    let refused = vera.post(
        &format!("/api/patients/{patient}/episodes"),
        &json!({ "episode": early["episode"], "story": before }),
    );
    assert_eq!(refused.json()["fields"][0]["code"], "before-episode");
    let head = vera
        .post(
            &format!("/api/patients/{patient}/episodes"),
            &json!({ "episode": Uuid::now_v7(), "story": revision }),
        )
        .ok();
    let closed = head["episodes"]
        .as_array()
        .expect("episodes")
        .iter()
        .find(|e| e["id"] == episode.as_str())
        .expect("the first")["closed_on"]
        .clone();
    assert_eq!(closed, json!(TODAY));
    let rows = vera.get("/api/day-list").ok()["rows"].clone();
    assert_eq!(
        rows.as_array().expect("rows").len(),
        2,
        "one lane a shoulder"
    );
    let refused = vera.put(
        &format!("/api/episodes/{episode}/program"),
        &json!({ "rev": 1, "lines": [] }),
    );
    assert_eq!(refused.json()["fields"][0]["code"], "episode-closed");
}
