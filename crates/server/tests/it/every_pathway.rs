//! Every pathway that ships, from a new patient to the sheet that goes home, over HTTP: whatever the application says on the
//! way has a sentence without gaps. What the sheets look like is `handout/tests/it`'s.

use super::harness::{Clinic, PlainPaper, Session, TODAY, measurement, new_patient};
use ritorno_core::reason::Reason;
use ritorno_wording::Wording;
use serde_json::{Value, json};
use std::collections::BTreeSet;
use std::sync::Arc;
use uuid::Uuid;

/// Every reason in an answer, wherever it stands.
fn reasons(value: &Value, out: &mut Vec<Reason>) {
    match value {
        Value::Object(map) => {
            if let (true, Ok(reason)) = (
                map.contains_key("rule"),
                serde_json::from_value::<Reason>(value.clone()),
            ) {
                out.push(reason);
            }
            map.values().for_each(|v| reasons(v, out));
        }
        Value::Array(list) => list.iter().for_each(|v| reasons(v, out)),
        _ => {}
    }
}

fn day(n: u64) -> String {
    (day0() + chrono::Days::new(n)).to_string()
}

fn day0() -> chrono::NaiveDate {
    "2027-01-22".parse().expect("a date")
}

/// A patient of a pathway on day 38, examined a little, with a restless log.
fn patient(vera: &Session, pathway: &str, clock: &str) -> String {
    let mut form = new_patient();
    form["story"]["pathway"] = json!(pathway);
    let start = match clock {
        "operation" => "surgery",
        "none" => "gradual",
        _ => "injury",
    };
    form["story"]["start"] = json!(start);
    form["story"]["tasks"][0]["asks"] = json!("goal-overhead");
    form["story"]["job_load_kg"] = json!(20.0);
    form["story"]["minutes_per_day"] = json!(25);
    for id in ["patient", "episode"] {
        form[id] = json!(Uuid::now_v7());
    }
    vera.post("/api/patients", &form).ok();
    let episode = form["episode"].as_str().expect("an id").to_owned();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    for (quantity, values) in [
        ("passive-elevation", [60.0, 70.0, 78.0, 85.0]),
        ("passive-er-side", [5.0, 9.0, 12.0, 16.0]),
    ] {
        for (i, value) in values.into_iter().enumerate() {
            // What protection bars on that day is refused, and nothing else.
            let answer = vera.post(
                &at("measurements"),
                &measurement(quantity, value, &day(15 + 7 * i as u64)),
            );
            let barred = answer.status == 422
                && answer.json()["fields"][0]["code"]
                    .as_str()
                    .is_some_and(|c| c.starts_with("barred"));
            assert!(
                answer.status == 200 || barred,
                "{pathway}: {}",
                answer.json()
            );
        }
    }
    for (score, value, on) in [
        ("rest-pain", 4.0, 20),
        ("rest-pain", 3.0, 37),
        ("task-pain", 6.0, 37),
        ("nights-woken", 2.0, 36),
    ] {
        vera.post(
            &at("scores"),
            &json!({ "id": Uuid::now_v7(), "score": score, "value": value, "on": day(on) }),
        )
        .ok();
    }
    episode
}

#[test]
fn each_goes_from_the_first_question_to_the_sheet() {
    let paper = Arc::new(PlainPaper::default());
    let clinic = Clinic::opened(|state| state.with_paper(paper));
    let vera = clinic.sign_in("vera");
    let wording = Wording::english().expect("the catalogue");
    let list = vera.get("/api/pathways").ok();
    let pathways: Vec<(String, String)> = list
        .as_array()
        .expect("pathways")
        .iter()
        .filter(|p| p["phases"].as_u64().unwrap_or(0) > 0)
        .map(|p| {
            (
                p["id"].as_str().expect("an id").to_owned(),
                p["clock"].as_str().expect("a clock").to_owned(),
            )
        })
        .collect();
    assert!(pathways.len() >= 20, "{pathways:?}");
    let mut said: BTreeSet<String> = BTreeSet::new();
    let mut faults: Vec<String> = Vec::new();
    for (pathway, clock) in &pathways {
        let episode = patient(&vera, pathway, clock);
        let at = |what: &str| format!("/api/episodes/{episode}/{what}");
        // The made-up ranges are stiff; pathways for subacromial pain ask why they are kept.
        if !vera.get(&at("program")).ok()["challenge"].is_null() {
            let kept = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "pathway_kept", "pathway": pathway, "reason": "asked and answered" });
            vera.post(&at("exam-notes"), &kept).ok();
        }
        let built = vera.post(&at("program/build"), &json!({})).ok();
        let lines: Vec<Value> = built["chart"]["lines"]
            .as_array()
            .expect("lines")
            .iter()
            .map(|l| l["line"].clone())
            .collect();
        assert!(!lines.is_empty(), "{pathway} proposes nothing");
        for line in built["chart"]["lines"].as_array().expect("lines") {
            assert_eq!(line["verdict"]["status"], "allowed", "{pathway}: {line}");
        }
        vera.put(&at("program"), &json!({ "rev": 0, "lines": lines }))
            .ok();
        vera.post(&at("program/sign"), &json!({ "rev": 1 })).ok();
        let running = vera.get(&at("program")).ok()["running"]
            .as_array()
            .expect("running")
            .clone();
        // A sore week, a bad day, and a slip at its end.
        let exercises: Vec<Value> = lines
            .iter()
            .filter(|l| running.contains(&l["id"]))
            .map(|l| l["exercise"].clone())
            .take(1)
            .collect();
        for n in 36..38 {
            for exercise in &exercises {
                let done = json!({ "id": Uuid::now_v7(), "on": day(n), "exercise": exercise, "kind": "done", "sessions": 1, "repetitions": 10 });
                vera.post(&at("log"), &done).ok();
            }
            let pain = json!({ "id": Uuid::now_v7(), "on": day(n), "exercise": null, "kind": "pain_during", "value": 2.0 + (n % 3) as f64 });
            vera.post(&at("log"), &pain).ok();
        }
        for exercise in &exercises {
            let note = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "try_out", "exercise": exercise, "went": "clean" });
            vera.post(&at("exam-notes"), &note).ok();
        }
        let mut found = Vec::new();
        reasons(&built, &mut found);
        for what in ["visit", "story", "program", "reading", "ranges"] {
            reasons(&vera.get(&at(what)).ok(), &mut found);
        }
        vera.post(
            &at("log"),
            &json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null, "kind": "slip" }),
        )
        .ok();
        reasons(&vera.get(&at("visit")).ok(), &mut found);
        for reason in found {
            let sentence = wording.reason(&reason);
            if sentence.contains('{') || sentence.contains("rule-") || sentence.starts_with("Rule-")
            {
                faults.push(format!("{pathway}: {sentence} from {reason:?}"));
            }
            said.insert(reason.rule);
        }
        let sheet = vera.get(&at("handout.pdf"));
        let text = String::from_utf8_lossy(&sheet.bytes).into_owned();
        assert_eq!(sheet.status, 200, "{pathway}: {text}");
        assert!(text.starts_with("Nerio Falanga v1"), "{pathway}: {text}");
    }
    assert!(faults.is_empty(), "{faults:#?}");
    assert!(said.len() > 60, "only {} rules spoke: {said:?}", said.len());
}

/// What a pathway watches for, over HTTP: it speaks on the visit and in the day's list, pauses where it must, and goes on when
/// somebody has looked.
#[test]
fn a_stop_of_the_pathway_pauses_the_program_until_somebody_has_looked() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = patient(&vera, "proximal-fracture", "fracture");
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let watch = |visit: &Value| {
        let all = visit["view"]["watches"]
            .as_array()
            .expect("watches")
            .clone();
        all.into_iter()
            .find(|w| w["watch"] == "pain-jumps")
            .expect("it is watched")
    };
    let visit = vera.get(&at("visit")).ok();
    assert_eq!(
        (
            &watch(&visit)["speaks"],
            &watch(&visit)["act"],
            &watch(&visit)["tell"]
        ),
        (&json!(false), &json!("stop"), &json!("orthopaedics"))
    );
    let built = vera.post(&at("program/build"), &json!({})).ok();
    let lines: Vec<Value> = built["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    vera.put(&at("program"), &json!({ "rev": 0, "lines": lines }))
        .ok();
    vera.post(&at("program/sign"), &json!({ "rev": 1 })).ok();
    vera.post(
        &at("scores"),
        &json!({ "id": Uuid::now_v7(), "score": "rest-pain", "value": 3.0, "on": day(29) }),
    )
    .ok();
    let jumped = vera
        .post(
            &at("scores"),
            &json!({ "id": Uuid::now_v7(), "score": "rest-pain", "value": 7.0, "on": TODAY }),
        )
        .ok();
    assert_eq!(watch(&jumped)["speaks"], true, "{}", watch(&jumped));
    let row = vera.get("/api/day-list").ok()["rows"][0].clone();
    assert_eq!(
        (&row["lane"]["lane"], &row["lane"]["reason"]["rule"]),
        (&json!("something_is_wrong"), &json!("lane-flag-open"))
    );
    let refused = vera.post(&at("program/build"), &json!({}));
    assert_eq!(refused.status, 422, "building waits");
    assert_eq!(
        vera.get(&at("handout.pdf")).status,
        422,
        "nothing goes home meanwhile"
    );
    vera.answer_flag(&episode, "pathway-stop");
    vera.post(&at("program/build"), &json!({})).ok();
    assert_ne!(
        vera.get("/api/day-list").ok()["rows"][0]["lane"]["reason"]["rule"],
        "lane-flag-open"
    );
}

#[test]
fn a_task_asks_for_a_movement_that_is_known_and_the_plan_says_what_it_is_for() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = patient(&vera, "cuff-repair-small-medium", "operation");
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let page = vera.get(&at("story")).ok();
    assert!(
        page["goals"]
            .as_array()
            .expect("goals")
            .contains(&json!("goal-overhead"))
    );
    assert_eq!(page["story"]["tasks"][0]["asks"], "goal-overhead");
    let mut story = page["story"].clone();
    story["tasks"][0]["asks"] = json!("goal-of-another-world");
    let refused = vera
        .put(&at("story"), &json!({ "rev": page["rev"], "story": story }))
        .json();
    assert_eq!(
        (&refused["fields"][0]["field"], &refused["status"]),
        (&json!("story.tasks[0].asks"), &json!(422)),
        "{refused}"
    );
    assert_eq!(
        vera.get(&at("story")).ok()["story"]["tasks"][0]["asks"],
        "goal-overhead",
        "what was there is kept"
    );
    let built = vera.post(&at("program/build"), &json!({})).ok();
    let first = built["first"].as_array().expect("what came first");
    assert!(
        first
            .iter()
            .any(|f| f["measure"] == "goal-overhead"
                && f["reason"]["args"]["task"] == "pulling a rope"),
        "{first:?}"
    );
    // Four measurements over three weeks carry a trend, and it says when the gate's number may come.
    let visit = vera.get(&at("visit")).ok();
    let corridor = visit["view"]["corridors"]
        .as_array()
        .expect("corridors")
        .iter()
        .find(|c| c["quantity"] == "passive-elevation")
        .expect("one")
        .clone();
    assert!(
        corridor["trend"]["per_week"].as_f64().expect("a slope") > 5.0
            && corridor["trend"]["reach"]["target"] == 90.0,
        "{}",
        corridor["trend"]
    );
}
