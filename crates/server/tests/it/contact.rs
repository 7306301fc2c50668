//! Contacts at a distance, appointments, who treats a shoulder and who looks after it, finding and filtering.

use super::harness::{Clinic, Session, TODAY, new_patient};
use serde_json::{Value, json};
use uuid::Uuid;

/// Sends one entry the way a browser's outbox does, and answers its own status and problem.
fn enter(s: &Session, episode: &str, kind: &str, body: Value) -> Value {
    let me = s.get("/api/session").ok()["id"].clone();
    let batch =
        json!({ "by": me, "entries": [{ "kind": kind, "episode": episode, "body": body }] });
    s.post("/api/entries", &batch).ok()[0].clone()
}

fn rows(value: &Value) -> &Vec<Value> {
    value.as_array().expect("a list")
}

#[test]
fn what_nobody_can_find_out_by_telephone_holds_the_gate() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let attest =
        json!({ "id": Uuid::now_v7(), "code": "wound-closed", "holds": true, "on": TODAY });
    vera.post(&at("attestations"), &attest).ok();
    let reason = json!({ "overridden": { "rest-pain": "asked at the door" } });
    vera.post(&at("gates/to-protected-passive/pass"), &reason)
        .ok();

    // Four weeks on the next gate asks for ranges; nobody measured them, and today's contact is a call.
    let (later, day) = (clinic.on("2027-03-29"), "2027-03-29");
    let vera = later.sign_in("vera");
    let contact = |how: &str| json!({ "id": Uuid::now_v7(), "on": day, "how": how });
    assert_eq!(
        enter(&vera, &episode, "contact", contact("telephone"))["status"],
        200
    );
    let view = vera.get(&at("visit")).ok()["view"].clone();
    let gate = view["gate"]["gate"].as_str().expect("a gate").to_owned();
    assert_eq!(view["contact"]["how"], "telephone");
    assert_eq!(view["contact"]["try_out"], "no");
    let far: Vec<Value> = rows(&view["contact"]["criteria"]).clone();
    assert!(!far.is_empty(), "{view}");
    let open = rows(&view["gate"]["criteria"])
        .iter()
        .filter(|c| c["status"] != "met");
    let overridden: serde_json::Map<String, Value> = open
        .map(|c| (c["id"].as_str().expect("an id").to_owned(), json!("sure")))
        .collect();
    let pass = |s: &Session| {
        let form = json!({ "overridden": overridden });
        s.post(&at(&format!("gates/{gate}/pass")), &form)
    };
    let refused = pass(&vera);
    assert_eq!(refused.status, 422);
    let codes: Vec<Value> = rows(&refused.json()["fields"])
        .iter()
        .map(|f| f["code"].clone())
        .collect();
    assert!(codes.contains(&json!("out-of-reach")), "{codes:?}");
    // By video the patient moves and nobody touches: passive ranges stay out of reach, active ones are seen.
    enter(&vera, &episode, "contact", contact("video"));
    let contact_now = vera.get(&at("visit")).ok()["view"]["contact"].clone();
    assert!(rows(&contact_now["ranges"]).contains(&json!("passive-elevation")));
    assert!(rows(&contact_now["by_eye"]).contains(&json!("active-range")));
    // In the room the clinician decides, with a reason.
    enter(&vera, &episode, "contact", contact("room"));
    assert_eq!(
        rows(&vera.get(&at("visit")).ok()["view"]["contact"]["criteria"]).len(),
        0
    );
    let refused = pass(&vera);
    let fields = refused.json()["fields"].clone();
    let held = fields
        .as_array()
        .is_some_and(|all| all.iter().any(|f| f["code"] == "out-of-reach"));
    assert!(!held, "{fields}");
}

#[test]
fn the_next_appointment_is_kept_shown_and_cancelled() {
    let clinic = Clinic::open();
    let aldo = clinic.sign_in("aldo");
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let visit = |s: &Session| {
        let page = s.get(&format!("/api/episodes/{episode}/visit")).ok();
        page["view"]["appointments"].clone()
    };
    let meeting = |day: &str, time: &str| json!({ "id": Uuid::now_v7(), "on": TODAY, "day": day, "time": time, "minutes": 30, "how": "room" });
    let later = meeting("2027-03-19", "09:30:00");
    for given in [&later, &meeting("2027-03-08", "14:00:00"), &later] {
        // An assistant makes appointments; one sent twice is one.
        assert_eq!(
            enter(&aldo, &episode, "appointment", given.clone())["status"],
            200
        );
    }
    let days: Vec<Value> = rows(&visit(&vera))
        .iter()
        .map(|a| a["day"].clone())
        .collect();
    assert_eq!(days, ["2027-03-08", "2027-03-19"], "the next first");
    for (day, field) in [("2027-02-20", "day"), ("2029-01-01", "day")] {
        let refused = enter(&vera, &episode, "appointment", meeting(day, "09:00:00"));
        assert_eq!(refused["status"], 422);
        assert_eq!(refused["problem"]["fields"][0]["field"], field);
    }
    let back = json!({ "entry": later["id"], "kind": "appointment", "reason": "" });
    assert_eq!(enter(&vera, &episode, "withdrawal", back)["status"], 200);
    assert_eq!(rows(&visit(&vera)).len(), 1);
    let page = vera.get(&format!("/api/episodes/{episode}/story")).ok();
    let told = vera.timeline(&page["head"]["patient"]);
    let meant = told.iter().filter(|e| e["kind"] == "appointment");
    assert_eq!(meant.count(), 2, "what was cancelled stays readable");
}

#[test]
fn a_colleague_looks_after_the_patients_of_who_is_away() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let lea = clinic.sign_in("lea");
    let id = |s: &Session| s.get("/api/session").ok()["id"].clone();
    let (own, hers) = (id(&vera), id(&lea));
    // Who begins with somebody treats them.
    let episode = vera.rigger();
    let mine = |s: &Session| {
        let page = s.get("/api/day-list?mine=true").ok();
        rows(&page["rows"]).len()
    };
    assert_eq!((mine(&vera), mine(&lea)), (1, 0));
    let cover = |from: &str, until: &str, covers: &Value| json!({ "id": Uuid::now_v7(), "away": own, "covers": covers, "from": from, "until": until, "words": "The rigger may ask about stairs." });
    for (form, field) in [
        (cover("2027-03-01", "2027-03-05", &own), "covers"),
        (cover("2027-02-01", "2027-02-05", &hers), "until"),
    ] {
        let refused = vera.post("/api/covers", &form);
        assert_eq!(refused.status, 422);
        assert_eq!(refused.json()["fields"][0]["field"], field);
    }
    let form = cover(TODAY, "2027-03-05", &hers);
    let kept = vera.post("/api/covers", &form).ok();
    assert_eq!(kept["covers"][0]["words"], form["words"]);
    assert_eq!(
        rows(&vera.post("/api/covers", &form).ok()["covers"]).len(),
        1,
        "twice is once"
    );
    assert_eq!(mine(&lea), 1);
    let visit = vera.get(&format!("/api/episodes/{episode}/visit")).ok();
    assert_eq!(visit["treated_by"]["covered_by"], "lea");
    // It ends by itself, or before its time.
    let after = clinic.on("2027-03-06");
    assert_eq!(mine(&after.sign_in("lea")), 0);
    let end = format!("/api/covers/{}/end", form["id"].as_str().expect("an id"));
    let aldo = clinic.sign_in("aldo");
    assert_eq!(aldo.post(&end, &json!({})).status, 403);
    vera.post(&end, &json!({})).ok();
    assert_eq!(mine(&lea), 0);
    // Handed over for good, then given back.
    let care = |who: &Value| json!({ "id": Uuid::now_v7(), "on": TODAY, "who": who });
    assert_eq!(enter(&vera, &episode, "care", care(&hers))["status"], 200);
    assert_eq!((mine(&vera), mine(&lea)), (0, 1));
    let assistant = care(&id(&aldo));
    assert_eq!(enter(&vera, &episode, "care", assistant)["status"], 422);
    assert_eq!(enter(&aldo, &episode, "care", care(&own))["status"], 403);
    assert_eq!(
        enter(&vera, &episode, "care", care(&Value::Null))["status"],
        200
    );
    assert_eq!((mine(&vera), mine(&lea)), (0, 0));
}

#[test]
fn who_was_discharged_is_found_and_the_list_and_the_timeline_are_filtered() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let mut form = new_patient();
    form["family_name"] = json!("Brera_Cima");
    vera.post("/api/patients", &form).ok();
    let list = |query: &str| {
        let page = vera.get(&format!("/api/day-list?{query}")).ok();
        rows(&page["rows"]).len()
    };
    assert_eq!(list("pathway=cuff-repair-small-medium"), 2);
    assert_eq!(list("pathway=frozen-shoulder"), 0);
    let places = vera.get("/api/day-list").ok()["places"].clone();
    let phase = places[0]["phase"].as_str().expect("a phase").to_owned();
    assert_eq!(
        list(&format!("pathway=cuff-repair-small-medium&phase={phase}")),
        2
    );
    assert_eq!(list(&format!("phase={phase}x")), 0);

    let end = json!({ "reason": "discharged", "on": TODAY, "words": "Goes on at home." });
    vera.post(&format!("/api/episodes/{episode}/end"), &end)
        .ok();
    assert_eq!(list(""), 1);
    let find = |search: &str| vera.get(&format!("/api/find?search={search}")).ok();
    let found = find("nerio%20FALANGA");
    assert_eq!(found[0]["closed_on"], TODAY);
    assert_eq!(found[0]["episode"], json!(episode));
    assert_eq!(rows(&find("a_c")).len(), 1, "a letter, not a wildcard");
    assert_eq!(rows(&find("%25")).len(), 0);
    assert_eq!(rows(&find("")).len(), 0);

    let patient = found[0]["patient"].as_str().expect("an id").to_owned();
    let told = |query: &str| {
        let page = vera.get(&format!("/api/patients/{patient}/timeline?{query}"));
        let page = page.ok();
        rows(&page["entries"])
            .iter()
            .map(|e| e["kind"].clone())
            .collect::<Vec<_>>()
    };
    assert_eq!(told("kinds=story"), ["story"]);
    assert_eq!(told("search=at%20home%20GOES"), ["episode_end"]);
    assert_eq!(told("search=at%20home&kinds=story").len(), 0);
    assert_eq!(told("search=words").len(), 0, "the name of a field");
}

#[test]
fn versions_of_a_program_are_compared_and_every_line_says_why_it_stands_there() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    assert_eq!(
        rows(&vera.get(&at("program/versions")).ok()["versions"]).len(),
        0
    );
    let attest =
        json!({ "id": Uuid::now_v7(), "code": "wound-closed", "holds": true, "on": TODAY });
    vera.post(&at("attestations"), &attest).ok();
    let reason = json!({ "overridden": { "rest-pain": "asked at the door" } });
    vera.post(&at("gates/to-protected-passive/pass"), &reason)
        .ok();
    vera.measurement(&episode, "passive-elevation", 60.0, TODAY)
        .ok();
    let built = vera.post(&at("program/build"), &json!({})).ok();
    let lines: Vec<Value> = rows(&built["chart"]["lines"])
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    let saved = vera
        .put(&at("program"), &json!({ "rev": 0, "lines": lines }))
        .ok();
    vera.post(&at("program/sign"), &json!({ "rev": saved["rev"] }))
        .ok();
    // What is short is named beside the ladder that answers it, long after the proposal was saved.
    let page = vera.get(&at("program")).ok();
    let why = rows(&page["why"]);
    let ladders: std::collections::BTreeSet<Option<&str>> = rows(&page["chart"]["lines"])
        .iter()
        .map(|l| l["ladder"].as_str())
        .collect();
    assert_eq!(why.len(), ladders.len());
    let measured = |r: &Value| r["args"]["measure"] == "passive-elevation";
    assert!(
        why.iter().any(|w| rows(&w["reasons"]).iter().any(measured)),
        "{why:?}"
    );

    let mut changed = lines.clone();
    let gone = changed.remove(0);
    changed[0]["dose"]["sets"] = json!(1);
    changed[0]["by_hand"] = json!(true);
    vera.put(
        &at("program"),
        &json!({ "rev": saved["rev"], "lines": changed }),
    )
    .ok();
    let compared = vera.get(&at("program/versions")).ok();
    assert_eq!(compared["versions"][0]["by"], "vera");
    let became = |exercise: &Value| {
        let changes = rows(&compared["changes"]);
        let row = changes.iter().find(|c| &c["exercise"] == exercise);
        row.map_or(Value::Null, |c| c["became"].clone())
    };
    assert_eq!(became(&changed[0]["exercise"]), "changed");
    let still = changed.iter().any(|l| l["exercise"] == gone["exercise"]);
    assert_eq!(
        became(&gone["exercise"]),
        if still { "changed" } else { "left_out" }
    );
    let same = vera.get(&at("program/versions?before=1&after=1")).ok();
    assert_eq!(rows(&same["changes"]).len(), 0);
    let unknown = vera.get(&at("program/versions?before=7"));
    assert_eq!(unknown.status, 422);
    assert_eq!(unknown.json()["fields"][0]["field"], "before");
}
