//! Stories over several days: a bad day and the days after it, two shoulders for a fortnight; decisions taken back, a pathway
//! in doubt, a short plan, a band.

use super::harness::{Clinic, Session, TODAY, measurement, new_patient};
use super::whole::on_the_way;
use serde_json::{Value, json};
use uuid::Uuid;

const LYING: &str = "assisted-elevation-lying-other-hand";

fn at(episode: &str, what: &str) -> String {
    format!("/api/episodes/{episode}/{what}")
}

fn enter(s: &Session, episode: &str, on: &str, exercise: Value, fact: Value) {
    let mut body = json!({ "id": Uuid::now_v7(), "on": on, "exercise": exercise });
    let entry = body.as_object_mut().expect("an entry");
    entry.extend(fact.as_object().expect("a fact").clone());
    s.post(&at(episode, "log"), &body).ok();
}

/// The decision about an exercise, as the visit shows it.
fn decision(s: &Session, episode: &str, exercise: &str) -> Value {
    let page = s.get(&at(episode, "visit")).ok();
    let all = page["view"]["decisions"].as_array().expect("decisions");
    let found = all.iter().find(|d| d["exercise"] == exercise);
    found.unwrap_or_else(|| panic!("{page}")).clone()
}

fn lines(s: &Session, episode: &str) -> Value {
    s.get(&at(episode, "visit")).ok()["lines"].clone()
}

#[test]
fn a_bad_day_eases_that_day_and_the_three_days_after_it_count_for_trouble_only() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (episode, _) = on_the_way(&vera);
    let before = lines(&vera, &episode);
    assert_eq!(decision(&vera, &episode, LYING)["kind"], "progress_dose");
    enter(
        &vera,
        &episode,
        TODAY,
        Value::Null,
        json!({ "kind": "flare_day" }),
    );
    let eased = decision(&vera, &episode, LYING);
    assert_eq!(eased["kind"], "ease");
    assert!(
        eased["today"]["repetitions"].as_u64() < eased["change"]["dose"]["repetitions"].as_u64()
            || eased["today"]["sets"].as_u64() > Some(0)
    );
    assert_eq!(eased["change"]["kind"], "none");
    assert_eq!(lines(&vera, &episode), before, "an overlay changes no line");

    // The next morning it is gone by itself; how it ended is asked before anything is added.
    let second = clinic.on("2027-03-02");
    let vera2 = second.sign_in("vera");
    let found = decision(&vera2, &episode, LYING);
    assert_eq!(
        (&found["kind"], &found["rule"]["rule"], &found["today"]),
        (
            &json!("hold_unknown"),
            &json!("hold-no-morning-answer"),
            &Value::Null
        )
    );
    let morning = json!({ "kind": "pain_next_morning", "value": 4.0 });
    enter(&vera2, &episode, "2027-03-02", Value::Null, morning);
    let found = decision(&vera2, &episode, LYING);
    assert_eq!(
        (&found["kind"], &found["rule"]["rule"]),
        (&json!("hold_sore"), &json!("hold-morning"))
    );
    enter(
        &vera2,
        &episode,
        "2027-03-02",
        Value::Null,
        json!({ "kind": "flare_day" }),
    );

    // The third bad day within seven steps back.
    let third = clinic.on("2027-03-03");
    let vera3 = third.sign_in("vera");
    enter(
        &vera3,
        &episode,
        "2027-03-03",
        Value::Null,
        json!({ "kind": "flare_day" }),
    );
    let found = decision(&vera3, &episode, LYING);
    assert_eq!(
        (&found["kind"], &found["rule"]["rule"]),
        (&json!("step_back"), &json!("back-flares"))
    );
    assert_eq!(lines(&vera3, &episode), before, "nothing happens by itself");
}

#[test]
fn two_shoulders_for_a_fortnight_keep_their_own_days_limits_and_troubles() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (right, _) = on_the_way(&vera);
    let patient = vera.get(&at(&right, "story")).ok()["head"]["patient"].clone();
    let patient = patient.as_str().expect("an id").to_owned();
    // The left one is repaired on the day on which the right one is at day 38.
    let mut story = new_patient()["story"].clone();
    story["side"] = json!("left");
    story["day0"] = json!(TODAY);
    story["clearance"]["on"] = json!(TODAY);
    let left = Uuid::now_v7().to_string();
    let form = json!({ "episode": left, "story": story });
    vera.post(&format!("/api/patients/{patient}/episodes"), &form)
        .ok();
    vera.all_no(&left);
    // The other arm heals: nothing that it has to carry runs any longer.
    let checked = vera.get(&at(&right, "program")).ok();
    let line = checked["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .find(|l| l["line"]["exercise"] == LYING)
        .expect("it")
        .clone();
    assert_eq!(line["verdict"]["status"], "blocked", "{line}");
    let rules: Vec<&Value> = line["verdict"]["findings"]
        .as_array()
        .expect("findings")
        .iter()
        .map(|f| &f["reason"]["rule"])
        .collect();
    assert!(rules.contains(&&json!("helper-arm-protected")), "{rules:?}");

    for day in 1..=14 {
        let date = format!("2027-03-{:02}", 1 + day);
        let here = clinic.on(&date);
        let s = here.sign_in("vera");
        // Both are asked every day; what is told of one is told of one.
        for episode in [&right, &left] {
            enter(
                &s,
                episode,
                &date,
                Value::Null,
                json!({ "kind": "pain_next_morning", "value": 1.0 }),
            );
        }
        let clock =
            |episode: &str| s.get(&at(episode, "visit")).ok()["view"]["clock"]["day"].clone();
        assert_eq!((clock(&right), clock(&left)), (json!(38 + day), json!(day)));
        if day == 7 || day == 14 {
            // Measured through the right one's pages, the left arm is judged by its own protection: barred for a fortnight.
            let mut of_left = measurement("passive-elevation", 130.0, &date);
            of_left["side"] = json!("left");
            let sent = s.post(&at(&right, "measurements"), &of_left);
            assert_eq!(sent.status, if day == 7 { 422 } else { 200 });
            s.measurement(&right, "passive-elevation", 100.0, &date)
                .ok();
            let breaches = |episode: &str| {
                let page = s.get(&at(episode, "visit")).ok();
                page["view"]["breaches"].as_array().expect("breaches").len()
            };
            let of_the_left = usize::from(day == 14);
            assert_eq!((breaches(&right), breaches(&left)), (0, of_the_left));
        }
        if day == 10 {
            enter(
                &s,
                &left,
                &date,
                Value::Null,
                json!({ "kind": "slip_worse", "how": "new_direction" }),
            );
            let rows = s.get("/api/day-list").ok()["rows"].clone();
            let lane = |episode: &str| {
                rows.as_array()
                    .expect("rows")
                    .iter()
                    .find(|r| r["episode"] == episode)
                    .map(|r| r["lane"]["lane"].clone())
            };
            assert_eq!(lane(&left), Some(json!("something_is_wrong")));
            assert_ne!(lane(&right), Some(json!("something_is_wrong")), "{rows}");
        }
    }
    let end = clinic.on("2027-03-15");
    let s = end.sign_in("vera");
    let count = |episode: &str| {
        let page = s.get(&at(episode, "visit")).ok();
        let log = page["view"]["log"].as_array().expect("log").clone();
        log.iter()
            .filter(|e| e["kind"] == "pain_next_morning" && e["on"].as_str() > Some("2027-03-01"))
            .count()
    };
    assert_eq!((count(&right), count(&left)), (14, 14));
}

#[test]
fn a_decision_is_taken_back_with_its_lines_until_somebody_has_built_on_it() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (episode, line) = on_the_way(&vera);
    let before = lines(&vera, &episode);
    let decide = |kind: &str, answer: &str, code: Value| {
        let id = Uuid::now_v7();
        let body = json!({ "id": id, "line": line, "kind": kind, "answer": answer, "reason": "", "reason_code": code, "change": null });
        (id, vera.post(&at(&episode, "decisions"), &body))
    };
    let take = |entry: Uuid, code: Value| {
        let body = json!({ "entry": entry, "kind": "decision", "reason": "", "reason_code": code });
        vera.post(&at(&episode, "withdrawals"), &body)
    };
    let (id, done) = decide("progress_dose", "accepted", Value::Null);
    done.ok();
    assert_ne!(lines(&vera, &episode), before);
    // Signed things are taken back with a reason of the list for that, or in words.
    assert_eq!(take(id, Value::Null).status, 422);
    assert_eq!(
        take(id, json!("patient-wishes")).json()["fields"][0]["field"],
        "reason_code"
    );
    take(id, json!("typing-mistake")).ok();
    assert_eq!(lines(&vera, &episode), before, "as it stood");
    let page = vera.get(&at(&episode, "visit")).ok();
    assert_eq!(page["decided"].as_array().map(Vec::len), Some(0));
    // One key is enough for a reason; it stands in words.
    let (over, done) = decide("progress_dose", "overridden", json!("patient-wishes"));
    let done = done.ok();
    assert_eq!(done["decided"][0]["reason"], "The patient wishes it");
    take(over, json!("typing-mistake")).ok();
    // What was changed after it is not pulled away.
    let (id, done) = decide("progress_dose", "accepted", Value::Null);
    done.ok();
    let program = vera.get(&at(&episode, "program")).ok();
    let mut now: Vec<Value> = program["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    now[0]["to_day"] = json!(now[0]["to_day"].as_i64().expect("a day") - 1);
    vera.put(
        &at(&episode, "program"),
        &json!({ "rev": program["rev"], "lines": now }),
    )
    .ok();
    let refused = take(id, json!("typing-mistake"));
    assert_eq!(
        (refused.status, refused.json()["type"].clone()),
        (409, json!("urn:ritorno:problem:decision-built-on"))
    );
}

#[test]
fn a_stop_that_was_accepted_by_mistake_is_taken_back_with_its_pause() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (episode, line) = on_the_way(&vera);
    enter(
        &vera,
        &episode,
        TODAY,
        Value::Null,
        json!({ "kind": "slip" }),
    );
    let id = Uuid::now_v7();
    let body = json!({ "id": id, "line": line, "kind": "stop", "answer": "accepted", "reason": "", "change": null });
    let paused = |page: &Value| page["view"]["paused"].as_array().expect("paused").len();
    assert_eq!(
        paused(&vera.post(&at(&episode, "decisions"), &body).ok()),
        1
    );
    let back = json!({ "entry": id, "kind": "decision", "reason_code": "wrong-person" });
    vera.post(&at(&episode, "withdrawals"), &back).ok();
    assert_eq!(paused(&vera.get(&at(&episode, "visit")).ok()), 0);
}

#[test]
fn a_roof_pathway_against_a_stiff_shoulder_builds_nothing_until_somebody_says_why() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let mut form = new_patient();
    form["story"]["pathway"] = json!("subacromial-pain");
    form["story"]["start"] = json!("gradual");
    form["story"]["clearance"] = Value::Null;
    vera.post("/api/patients", &form).ok();
    let episode = form["episode"].as_str().expect("an id").to_owned();
    vera.all_no(&episode);
    for (quantity, value) in [
        ("passive-er-side", 15.0),
        ("passive-elevation", 100.0),
        ("passive-er-90", 30.0),
    ] {
        vera.measurement(&episode, quantity, value, TODAY).ok();
    }
    let build = || vera.post(&at(&episode, "program/build"), &json!({}));
    let refused = build();
    assert_eq!(refused.status, 422);
    assert_eq!(
        refused.json()["reasons"][0]["rule"],
        "pathway-against-stiffness"
    );
    assert_eq!(
        vera.get(&at(&episode, "program")).ok()["challenge"]["rule"],
        "pathway-against-stiffness"
    );
    assert_eq!(
        vera.get(&at(&episode, "reading")).ok()["view"]["challenge"]["rule"],
        "pathway-against-stiffness"
    );
    let kept = |reason: &str| json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "pathway_kept", "pathway": "subacromial-pain", "reason": reason });
    assert_eq!(
        vera.post(&at(&episode, "exam-notes"), &kept(" ")).status,
        422
    );
    vera.post(
        &at(&episode, "exam-notes"),
        &kept("stiff since a fracture in childhood"),
    )
    .ok();
    build().ok();
    // An injection is noted with its day, also one from before the first visit; not one of tomorrow.
    let injected = |on: &str| json!({ "id": Uuid::now_v7(), "on": on, "kind": "injection", "what": "steroid" });
    vera.post(&at(&episode, "exam-notes"), &injected("2026-12-20"))
        .ok();
    assert_eq!(
        vera.post(&at(&episode, "exam-notes"), &injected("2027-03-02"))
            .status,
        422
    );
    let seen = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "known", "about": "frozen-shoulder", "present": false, "by": "radiograph" });
    vera.post(&at(&episode, "exam-notes"), &seen).ok();
    let told = vera.get(&at(&episode, "story")).ok();
    assert_eq!(told["imaging"][0]["by"], "radiograph");
    assert_eq!(told["injections"][0]["what"], "steroid");
    // What a limit is at home is kept in words, within what the movement can be.
    let shown = |degrees: f64, words: &str| {
        json!({ "id": Uuid::now_v7(), "on": "2027-03-01", "kind": "landmark", "quantity": "passive-elevation",
            "degrees": degrees, "words": words })
    };
    let notes = at(&episode, "exam-notes");
    assert_eq!(vera.post(&notes, &shown(400.0, "the lamp")).status, 422);
    assert_eq!(vera.post(&notes, &shown(90.0, " ")).status, 422);
    vera.post(&notes, &shown(90.0, "the light switch")).ok();
    let read = vera.get(&at(&episode, "reading")).ok();
    let kept = read["notes"].as_array().expect("notes").last();
    assert_eq!(kept.expect("a note")["words"], "the light switch");
}

#[test]
fn a_short_plan_is_short_a_band_is_kept_in_newtons_and_more_is_no_answer_to_too_much() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let (episode, _) = on_the_way(&vera);
    let short = vera
        .post(&at(&episode, "program/build?short=true"), &json!({}))
        .ok();
    let runs: Vec<&Value> = short["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| &l["line"])
        .filter(|l| l["from_day"].as_i64() <= Some(38) && l["to_day"].as_i64() > Some(38))
        .collect();
    assert!((1..=3).contains(&runs.len()), "{}", runs.len());
    // One session more than planned while the repair is protected.
    let line = lines(&vera, &episode)[0].clone();
    let times = line["dose"]["times_per_day"].as_u64().expect("times");
    enter(
        &vera,
        &episode,
        "2027-02-28",
        json!(LYING),
        json!({ "kind": "done", "sessions": times + 1, "repetitions": line["dose"]["repetitions"] }),
    );
    assert_eq!(
        decision(&vera, &episode, LYING)["rule"]["rule"],
        "hold-overdone-day"
    );
    let mut more = line.clone();
    more["dose"]["repetitions"] =
        json!(line["dose"]["repetitions"].as_u64().expect("a number") + 1);
    let refused = vera.put(
        &at(&episode, "program"),
        &json!({ "rev": 1, "lines": [more] }),
    );
    assert_eq!(refused.status, 422);
    let told = refused.json();
    assert_eq!(
        (&told["fields"][0]["code"], &told["reasons"][0]["rule"]),
        (&json!("never-more"), &json!("hold-overdone-day"))
    );
    let own = json!({ "id": Uuid::now_v7(), "line": line["id"], "kind": "hold_sore", "answer": "changed", "reason": "feels fine",
        "change": { "kind": "dose", "dose": more["dose"] } });
    assert_eq!(
        vera.post(&at(&episode, "decisions"), &own).json()["fields"][0]["code"],
        "never-more"
    );

    // A sore shoulder with a band: the distance is kept with its pull.
    let mut form = new_patient();
    form["story"]["pathway"] = json!("subacromial-pain");
    form["story"]["start"] = json!("gradual");
    form["story"]["clearance"] = Value::Null;
    vera.post("/api/patients", &form).ok();
    let sore = form["episode"].as_str().expect("an id").to_owned();
    vera.all_no(&sore);
    let row = &clinic.state.knowledge.exercises["external-rotation-standing-elastic"];
    let mut dose = serde_json::to_value(row.dose).expect("a dose");
    dose["elastic_level"] = json!(2);
    let with = |metres: f64| {
        let mut dose = dose.clone();
        dose["distance_m"] = json!(metres);
        json!({ "id": Uuid::now_v7(), "exercise": row.id, "from_day": 90, "to_day": 120, "dose": dose, "override_reason": "shown in the room", "by_hand": true })
    };
    let saved = vera
        .put(
            &at(&sore, "program"),
            &json!({ "rev": 0, "lines": [with(0.9), with(0.7)] }),
        )
        .ok();
    let pulls: Vec<(f64, f64)> = saved["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| &l["line"]["dose"])
        .map(|d| {
            (
                d["distance_m"].as_f64().expect("metres"),
                d["force_n"].as_f64().expect("newtons"),
            )
        })
        .collect();
    let of = |metres: f64| pulls.iter().find(|p| p.0 == metres).expect("it").1;
    assert!(of(0.7) > 0.0 && of(0.7) < of(0.9), "{pulls:?}");
}
