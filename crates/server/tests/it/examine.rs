//! The examination through the real HTTP interface: entered, read, undone, refused.

use crate::harness::{Clinic, Session, TODAY, measurement, new_patient};
use serde_json::{Value, json};
use uuid::Uuid;

/// A ceiling plasterer whose shoulder came by itself, everything asked, full range.
fn plasterer(s: &Session) -> String {
    let mut form = new_patient();
    form["story"]["pathway"] = json!("no-operation");
    form["story"]["start"] = json!("gradual");
    form["story"]["complaint"] = json!("raising");
    form["story"]["clearance"] = Value::Null;
    s.post("/api/patients", &form).ok();
    let episode = form["episode"].as_str().expect("an id").to_owned();
    s.all_no(&episode);
    for (quantity, value) in [
        ("active-elevation-upright", 160.0),
        ("active-er-side", 60.0),
    ] {
        s.post(
            &format!("/api/episodes/{episode}/measurements"),
            &measurement(quantity, value, TODAY),
        )
        .ok();
    }
    episode
}

fn finding(test: &str, answer: Value) -> Value {
    json!({ "id": Uuid::now_v7(), "test": test, "side": "right", "answer": answer, "on": TODAY })
}

fn word(found: &str) -> Value {
    json!({ "kind": "word", "found": found })
}

fn hypothesis<'a>(page: &'a Value, id: &str) -> &'a Value {
    page["view"]["hypotheses"]
        .as_array()
        .expect("beams")
        .iter()
        .find(|h| h["hypothesis"] == id)
        .expect("this one")
}

#[test]
fn an_examination_is_entered_read_and_undone() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let episode = plasterer(&s);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    assert!(s.get("/api/tests").ok().as_array().expect("tests").len() >= 60);
    let before = s.get(&at("reading")).ok();
    assert_eq!(before["view"]["plan"][0]["place"], "core");
    assert!(
        hypothesis(&before, "subacromial-pain")["steps"]
            .as_array()
            .expect("steps")
            .is_empty()
    );
    let mut page = before.clone();
    for (test, found) in [
        ("painful-arc", "familiar"),
        ("hawkins-kennedy", "familiar"),
        ("resisted-er", "weak_painful"),
    ] {
        page = s.post(&at("findings"), &finding(test, word(found))).ok();
    }
    let subacromial = hypothesis(&page, "subacromial-pain");
    assert_eq!(
        (
            subacromial["word"].as_str(),
            subacromial["cluster"]["ratio"].as_f64()
        ),
        (Some("likely"), Some(10.56))
    );
    // Pre-test 0.74 in primary care (Ostor 2005, from memory): 0.74/0.26 × 10.56 = 30.06 : 1.
    assert!((subacromial["probability"].as_f64().expect("a number") - 0.9678).abs() < 1e-3);
    // The clinician's own pre-test probability replaces it, with a reason or not at all.
    let own = |reason: &str| json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "pre_test", "hypothesis": "subacromial-pain", "probability": 0.3, "reason": reason });
    assert_eq!(s.post(&at("exam-notes"), &own("")).status, 422);
    let page = s
        .post(&at("exam-notes"), &own("young, no overhead work"))
        .ok();
    assert_eq!(
        hypothesis(&page, "subacromial-pain")["pre"]["own"],
        "young, no overhead work"
    );
    // Undo takes the last finding back and with it its step.
    let last = page["history"]
        .as_array()
        .expect("history")
        .last()
        .expect("one")["id"]
        .as_str()
        .expect("an id")
        .to_owned();
    s.post(
        &at("withdrawals"),
        &json!({ "entry": last, "kind": "finding", "reason": "undo" }),
    )
    .ok();
    let page = s.get(&at("reading")).ok();
    assert!(hypothesis(&page, "subacromial-pain")["cluster"].is_null());
    // A scan ends the guessing.
    let scan = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "known", "about": "full-thickness-cuff-tear", "present": false, "by": "ultrasound" });
    assert_eq!(
        hypothesis(
            &s.post(&at("exam-notes"), &scan).ok(),
            "full-thickness-cuff-tear"
        )["word"],
        "excluded"
    );
}

#[test]
fn what_cannot_be_a_finding_is_refused_and_what_is_doubtful_is_kept_unused() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let episode = plasterer(&s);
    let path = format!("/api/episodes/{episode}/findings");
    let refused = |body: &Value, field: &str| {
        let answer = s.post(&path, body);
        assert_eq!(answer.status, 422, "{body}");
        let problem = answer.json();
        assert!(
            problem["fields"]
                .as_array()
                .expect("fields")
                .iter()
                .any(|f| f["field"] == field),
            "{field}: {problem}"
        );
    };
    refused(&finding("crystal-ball", word("yes")), "test");
    refused(&finding("painful-arc", word("apprehension")), "answer");
    refused(
        &finding("er-lag", json!({ "kind": "number", "value": 400.0 })),
        "answer.value",
    );
    refused(
        &json!({ "id": Uuid::now_v7(), "test": "neer", "side": "right", "answer": word("familiar"), "on": "2027-03-02" }),
        "on",
    );
    assert!(
        s.get(&format!("/api/episodes/{episode}/reading")).ok()["history"]
            .as_array()
            .expect("history")
            .is_empty()
    );

    // Two people at once: both are kept, neither is used until one is withdrawn.
    s.post(&path, &finding("painful-arc", word("familiar")))
        .ok();
    let colleague = clinic.sign_in("lea");
    let page = colleague
        .post(&path, &finding("painful-arc", word("nothing")))
        .ok();
    let weighed = &page["view"]["findings"][0];
    assert_eq!(
        (
            weighed["unused"]["rule"].as_str(),
            weighed["also"].as_array().map(Vec::len)
        ),
        (Some("finding-contradicted"), Some(1))
    );
    assert!(
        hypothesis(&page, "subacromial-pain")["steps"]
            .as_array()
            .expect("steps")
            .is_empty()
    );
    // A painful arc lies below the measurement, and comes back as it was sent.
    let mut arc = measurement("active-elevation-upright", 150.0, TODAY);
    arc["arc"] = json!({ "from": 115.0, "to": 80.0 });
    assert_eq!(
        s.post(&format!("/api/episodes/{episode}/measurements"), &arc)
            .json()["fields"][0]["field"],
        "arc.to"
    );
    arc["arc"] = json!({ "from": 80.0, "to": 115.0 });
    let ranges = s
        .post(&format!("/api/episodes/{episode}/measurements"), &arc)
        .ok();
    let dial = ranges["dials"]
        .as_array()
        .expect("dials")
        .iter()
        .find(|d| d["quantity"] == "active-elevation-upright")
        .expect("it")
        .clone();
    assert_eq!(
        dial["operated"]["last"]["measurement"]["arc"],
        json!({ "from": 80.0, "to": 115.0 })
    );
    // Sent twice it is stored once; the same id with another answer is refused.
    let mut once = finding("neer", word("familiar"));
    s.post(&path, &once).ok();
    let again = s.post(&path, &once).ok();
    assert_eq!(
        again["history"]
            .as_array()
            .expect("history")
            .iter()
            .filter(|f| f["test"] == "neer")
            .count(),
        1
    );
    once["answer"] = word("nothing");
    assert_eq!(s.post(&path, &once).status, 409);
    // Own pain on the side that was called sound: kept, asked about, not used.
    let mut mixed = finding("hawkins-kennedy", word("familiar"));
    mixed["side"] = json!("left");
    let page = s.post(&path, &mixed).ok();
    assert_eq!(
        page["view"]["other_findings"][0]["unused"]["rule"],
        "finding-on-sound-side"
    );
    // An assistant enters findings and votes, but sets no probabilities.
    let aldo = clinic.sign_in("aldo");
    assert_eq!(
        aldo.post(&path, &finding("full-can", word("strong_painless")))
            .status,
        200
    );
    let own = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "pre_test", "hypothesis": "subacromial-pain", "probability": 0.3, "reason": "x" });
    assert_eq!(
        aldo.post(&format!("/api/episodes/{episode}/exam-notes"), &own)
            .status,
        403
    );
}

#[test]
fn an_operated_shoulder_is_examined_within_its_protection_and_read_as_a_state() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let episode = s.rigger();
    s.all_no(&episode);
    let page = s.get(&format!("/api/episodes/{episode}/reading")).ok();
    assert_eq!(
        (
            page["view"]["operated"].as_bool(),
            page["view"]["hypotheses"].as_array().map(Vec::len)
        ),
        (Some(true), Some(0))
    );
    let refused = s.post(
        &format!("/api/episodes/{episode}/findings"),
        &finding("painful-arc", word("familiar")),
    );
    assert_eq!(refused.status, 422);
    assert!(
        refused.json()["reasons"]
            .as_array()
            .expect("rules")
            .iter()
            .any(|r| r["rule"] == "allowance-opens")
    );
    // A movement without a corridor is barred as well, and says so.
    let barred = s.measurement(&episode, "passive-ir-90", 40.0, TODAY);
    assert_eq!(
        barred.json()["fields"][0]["code"],
        "barred-without-corridor"
    );
    // A numb patch over the deltoid raises a flag and moves the lane in the same transaction.
    let page = s
        .post(
            &format!("/api/episodes/{episode}/findings"),
            &finding("axillary-sensation", word("yes")),
        )
        .ok();
    let nerve = page["view"]["state"]
        .as_array()
        .expect("signs")
        .iter()
        .find(|x| x["sign"] == "nerve")
        .expect("nerve")
        .clone();
    assert_eq!(nerve["state"], "raised");
    let rows = s.get("/api/day-list").ok()["rows"]
        .as_array()
        .expect("rows")
        .clone();
    assert_eq!(rows[0]["lane"]["lane"], "something_is_wrong");
    // An operation without weeks and weeks without an operation are refused.
    let mut wrong = new_patient();
    wrong["story"]["pathway"] = json!("no-operation");
    assert_eq!(
        s.post("/api/patients", &wrong).json()["fields"][0]["code"],
        "pathway-and-start"
    );
}

#[test]
fn pushes_are_typed_or_measured_and_a_spoiled_trace_is_kept_unused() {
    let clinic = Clinic::demo();
    let s = clinic.sign_in("vera");
    let episode = plasterer(&s);
    let path = format!("/api/episodes/{episode}/strength");
    let push = |side: &str, force: Value| json!({ "id": Uuid::now_v7(), "test": "er-side", "side": side, "lever_m": 0.24, "pain": 1.0, "on": TODAY, "force": force });
    let typed = |n: f64| json!({ "kind": "typed", "peak_n": n });
    for n in [118.0, 120.0, 122.0] {
        s.post(&path, &push("right", typed(n))).ok();
        s.post(&path, &push("left", typed(n + 30.0))).ok();
    }
    let room = s.get(&path).ok();
    let er = &room["page"]["tests"][0];
    assert_eq!(
        (
            er["affected"]["moment_nm"].as_f64(),
            er["symmetry_pct"].as_f64()
        ),
        (Some(28.799999999999997), Some(80.0))
    );
    // A sound trace is read and kept; a spoiled one is kept, told and not used.
    let trace = |spoil: bool| {
        let samples: Vec<Value> = (0..=250)
            .map(|i| f64::from(i) / 50.0)
            .map(|t| json!({ "t_s": t, "force_n": if spoil && i32::try_from((t * 50.0) as i64) == Ok(99) { 9000.0 } else { (t * 100.0).min(124.0) } }))
            .collect();
        json!({ "kind": "trace", "device": "simulated-dynamometer", "samples": samples })
    };
    let sound = s.post(&path, &push("right", trace(false))).ok();
    assert_eq!(
        (
            sound["measurement"]["peak_n"].as_f64(),
            sound["measurement"]["faults"].as_array().map(Vec::len)
        ),
        (Some(124.0), Some(0))
    );
    let before = sound["room"]["page"]["tests"][0]["affected"]["mean_n"].clone();
    let spoiled = push("right", trace(true));
    let kept = s.post(&path, &spoiled).ok();
    assert_eq!(kept["measurement"]["faults"][0]["rule"], "trace-impossible");
    assert_eq!(
        kept["room"]["page"]["tests"][0]["affected"]["mean_n"],
        before
    );
    let id = spoiled["id"].as_str().expect("an id");
    assert_eq!(
        s.get(&format!("{path}/{id}/trace")).ok()["samples"]
            .as_array()
            .map(Vec::len),
        Some(251)
    );
    s.post(
        &format!("/api/episodes/{episode}/withdrawals"),
        &json!({ "entry": id, "kind": "strength_trial", "reason": "slipped" }),
    )
    .ok();
    // What a stand-in invented is shown beside the three that were typed, and counts for nothing.
    let left = s.get(&path).ok()["page"]["tests"][0].clone();
    let trials = |of: &Value| of.as_array().map(Vec::len);
    assert_eq!(trials(&left["affected"]["trials"]), Some(3));
    assert_eq!(trials(&left["simulated"]), Some(1));
    for (body, field) in [
        (push("right", typed(5000.0)), "force.peak_n"),
        (
            push(
                "right",
                json!({ "kind": "trace", "device": "simulated-dynamometer", "samples": [] }),
            ),
            "force.samples",
        ),
    ] {
        assert_eq!(s.post(&path, &body).json()["fields"][0]["field"], field);
    }
    // Six weeks after a repair nobody pushes with full force.
    let repaired = s.rigger();
    let refused = s.post(
        &format!("/api/episodes/{repaired}/strength"),
        &push("right", typed(100.0)),
    );
    assert_eq!(
        (
            refused.status,
            refused.json()["reasons"][0]["rule"].as_str() == Some("allowance-opens")
        ),
        (422, true)
    );
    // Words beside a push are kept and screened like any other.
    let mut told = push("right", typed(90.0));
    told["remark"] = json!("Heard a loud pop and let go.");
    let kept = s.post(&path, &told).ok();
    let trials = &kept["room"]["page"]["tests"][0]["affected"]["trials"];
    let last = trials.as_array().and_then(|t| t.last()).expect("a trial");
    assert_eq!(last["remark"], told["remark"]);
    assert_eq!(s.flag(&episode, "pop")["state"], "queried");
}

#[test]
fn a_device_streams_in_tenths_of_a_second_and_its_loss_is_told() {
    let clinic = Clinic::demo();
    let s = clinic.sign_in("vera");
    let answer = s.get("/api/instruments/stream?device=dynamometer&seed=4&lost_at_s=0.6");
    assert_eq!(
        (answer.status, answer.kind.as_str()),
        (200, "text/event-stream")
    );
    let text = String::from_utf8(answer.bytes).expect("text");
    let batches: Vec<Vec<[f64; 2]>> = text
        .split("\n\n")
        .filter_map(|e| e.strip_prefix("event: batch\ndata: "))
        .map(|d| serde_json::from_str(d).expect("pairs"))
        .collect();
    assert_eq!(
        batches.iter().map(Vec::len).collect::<Vec<_>>(),
        [10; 6],
        "100 Hz in batches of a tenth of a second"
    );
    assert!(text.ends_with("event: lost\ndata: {}\n\n"), "{text}");
    assert_eq!(
        s.get("/api/instruments/stream?device=dynamometer&seed=4&lost_at_s=0.6")
            .bytes,
        text.into_bytes(),
        "the same seed"
    );
    assert_eq!(
        s.get("/api/instruments/stream?device=crystal-ball").status,
        422
    );
    assert_eq!(
        clinic
            .send(
                "GET",
                "/api/instruments/stream?device=dynamometer",
                "",
                None,
                "",
                Vec::new()
            )
            .status,
        401
    );
}

#[test]
fn the_clinic_measures_its_own_raters_and_changes_are_judged_by_it() {
    let clinic = Clinic::open();
    let (vera, lea) = (clinic.sign_in("vera"), clinic.sign_in("lea"));
    let episode = plasterer(&vera);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    vera.measurement(&episode, "passive-elevation", 140.0, "2027-02-20")
        .ok();
    vera.measurement(&episode, "passive-elevation", 155.0, TODAY)
        .ok();
    let change = |s: &Session| s.get(&at("reading")).ok()["view"]["changes"][0].clone();
    assert_eq!(
        change(&vera)["word"],
        "real_and_worthwhile",
        "15 degrees against a default of 11.3"
    );
    let ratings = json!([
        [120.0, 130.0, 112.0],
        [90.0, 99.0, 84.0],
        [150.0, 161.0, 140.0],
        [101.0, 113.0, 96.0],
        [135.0, 141.0, 122.0]
    ]);
    let body = |id: Uuid| json!({ "id": id, "quantity": "passive-elevation", "ratings": ratings });
    assert_eq!(
        vera.post("/api/reliability", &body(Uuid::now_v7())).status,
        403,
        "the lead sets the clinic's defaults"
    );
    let judged = vera
        .post("/api/reliability/judge", &json!({ "ratings": ratings }))
        .ok();
    assert!(
        judged["icc_3_1"]["value"].as_f64() > judged["icc_2_1"]["value"].as_f64(),
        "these raters differ by a steady amount"
    );
    lea.post("/api/reliability", &body(Uuid::now_v7())).ok();
    let own = change(&vera);
    assert_eq!(own["own_error"], true);
    assert!(
        (own["detectable"].as_f64().expect("a number")
            - judged["mdc95_same_rater"].as_f64().expect("a number"))
        .abs()
            < 1e-9
    );
    for (ratings, code) in [
        (json!([[1.0, 2.0]]), "bench-too-few"),
        (json!([[1.0, 2.0], [3.0], [4.0, 5.0]]), "bench-ragged"),
        (
            json!([[1.0, 2.0], [1.0, 2.0], [1.0, 2.0]]),
            "bench-no-spread",
        ),
    ] {
        assert_eq!(
            vera.post("/api/reliability/judge", &json!({ "ratings": ratings }))
                .json()["fields"][0]["code"],
            code
        );
    }
    let wild = json!({ "id": Uuid::now_v7(), "quantity": "passive-elevation", "ratings": [[400.0, 2.0], [1.0, 2.0], [3.0, 4.0]] });
    assert_eq!(
        lea.post("/api/reliability", &wild).json()["fields"][0]["field"],
        "ratings[0][0]"
    );
    // Notes of the examination: a response, a question on severity; both come back as they were sent.
    let response = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "response", "sign": "painful arc", "dose": "blade help", "before": 5.0, "after": 2.0 });
    let page = vera.post(&at("exam-notes"), &response).ok();
    assert_eq!(page["notes"][0]["after"], 2.0);
    assert_eq!(
        page["view"]["responses"][0]["word"], "better",
        "three points of ten"
    );
    let item = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "instability", "item": "competition", "present": true });
    let page = vera.post(&at("exam-notes"), &item).ok();
    assert!(
        page["view"]["worked_out"]
            .as_array()
            .expect("scores")
            .iter()
            .any(|w| w["reason"]["rule"] == "severity-incomplete")
    );
    let wrong = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "response", "sign": "", "dose": "x", "before": 15.0, "after": 2.0 });
    assert_eq!(
        vera.post(&at("exam-notes"), &wrong).json()["fields"]
            .as_array()
            .map(Vec::len),
        Some(2)
    );
}

#[test]
fn a_sheet_is_scored_refused_where_the_rule_allows_no_number_and_compared() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let episode = plasterer(&s);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let sheet = |instrument: &str, answers: Value| json!({ "id": Uuid::now_v7(), "instrument": instrument, "answers": answers, "on": TODAY });
    let of = |page: &Value, id: &str| {
        page["instruments"]
            .as_array()
            .expect("rows")
            .iter()
            .find(|v| v["instrument"]["id"] == id)
            .expect(id)
            .clone()
    };
    let full = sheet("quickdash", json!([3, 3, 3, 3, 3, 3, 3, 3, 2, 2, 2]));
    let page = s.post(&at("outcomes"), &full).ok();
    let value = of(&page, "quickdash")["sheets"][0]["scored"]["value"]
        .as_f64()
        .expect("a score");
    // (30 / 11 − 1) × 25; formula Beaton 2005, from memory.
    assert!((value - 43.1818).abs() < 1e-3);
    // Sent twice it is stored once; with other answers it is refused.
    assert_eq!(
        of(&s.post(&at("outcomes"), &full).ok(), "quickdash")["sheets"]
            .as_array()
            .expect("sheets")
            .len(),
        1
    );
    let mut other = full.clone();
    other["answers"][0] = json!(5);
    assert_eq!(s.post(&at("outcomes"), &other).status, 409);
    let few = s.post(
        &at("outcomes"),
        &sheet("quickdash", json!([3, 3, 3, 3, 3, 3, 3, 3, 2, null, null])),
    );
    assert_eq!(few.status, 422);
    assert_eq!(
        few.json()["fields"][0]["message"],
        "9 of 11 are answered: the missing-item rule of this score allows no number"
    );
    for (bad, field) in [
        (
            sheet("quickdash", json!([3, 3, 7, 3, 3, 3, 3, 3, 2, 2, 2])),
            "answers.3",
        ),
        (sheet("quickdash", json!([3, 3])), "answers.length"),
        (sheet("no-such", json!([3])), "instrument"),
    ] {
        let refused = s.post(&at("outcomes"), &bad);
        assert_eq!(
            (
                refused.status,
                refused.json()["fields"][0]["field"].as_str()
            ),
            (422, Some(field))
        );
    }
    let seen = s.get(&at("comparison")).ok();
    assert_eq!(seen["days"].as_array().expect("days").len(), 1);
    let id = full["id"].as_str().expect("an id");
    s.post(
        &at("withdrawals"),
        &json!({ "entry": id, "kind": "outcome_sheet", "reason": "undo" }),
    )
    .ok();
    let page = s.get(&at("outcomes")).ok();
    assert!(
        of(&page, "quickdash")["sheets"]
            .as_array()
            .expect("sheets")
            .is_empty()
    );
    // Protection bars the sheet of a test as it bars the test.
    let rigger = s.rigger();
    let reach = s.post(
        &format!("/api/episodes/{rigger}/outcomes"),
        &sheet("reach-in-support", json!([80, 80, 80, 90])),
    );
    assert_eq!(reach.status, 422);
    assert!(
        !reach.json()["reasons"]
            .as_array()
            .expect("reasons")
            .is_empty()
    );
}

#[test]
fn who_measured_is_who_is_signed_in() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let episode = plasterer(&s);
    let mut forged = measurement("passive-elevation", 150.0, TODAY);
    forged["rater"] = json!(Uuid::nil());
    forged["method"] = json!("inclinometer");
    s.post(&format!("/api/episodes/{episode}/measurements"), &forged)
        .ok();
    let page = s.get(&format!("/api/episodes/{episode}/ranges")).ok();
    let dial = page["dials"]
        .as_array()
        .expect("dials")
        .iter()
        .find(|d| d["quantity"] == "passive-elevation")
        .expect("it");
    let kept = &dial["operated"]["last"]["measurement"];
    assert_eq!(kept["method"], "inclinometer");
    assert_ne!(kept["rater"], json!(Uuid::nil()));
    assert!(kept["rater"].is_string());
    // The same entry, sent again by the queue under another sign-in, is still the first one.
    let second = clinic.sign_in("lea");
    second
        .post(&format!("/api/episodes/{episode}/measurements"), &forged)
        .ok();
}
