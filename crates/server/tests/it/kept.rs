//! Nothing typed is ever lost: what was written comes back letter by letter, in every version, also after it was taken back.

use super::harness::{Clinic, TODAY, measurement};
use proptest::prelude::*;
use proptest::strategy::ValueTree;
use proptest::test_runner::TestRunner;
use serde_json::{Value, json};
use std::collections::BTreeMap;
use uuid::Uuid;

/// Words of any script, with quotes, breaks and marks that a page, a query or a sheet could trip over.
fn words(least: usize) -> impl Strategy<Value = String> {
    let piece = prop::sample::select(vec![
        "rope",
        "Kabelträger",
        "gru “alta”",
        "'; drop table event; --",
        "<b>left</b>",
        "à côté",
        "吊り",
        "حبل",
        "10 % & more",
        "line\nbreak",
        "tab\there",
        "\\ back",
        "🎪",
        "{{ $name }}",
        "a \"quoted\" word",
        "O’Dell’s winch",
    ]);
    prop::collection::vec(piece, least..6).prop_map(|pieces| pieces.join(" "))
}

/// One decimal, as it is typed.
fn tenths(least: u32, most: u32) -> impl Strategy<Value = Value> {
    (least * 10..=most * 10).prop_map(|n| json!(f64::from(n) / 10.0))
}

fn or_nothing(value: impl Strategy<Value = Value> + 'static) -> BoxedStrategy<Value> {
    prop_oneof![1 => Just(Value::Null), 3 => value].boxed()
}

/// Fields of a story with values that a clinician might type.
fn fields() -> Vec<(&'static str, BoxedStrategy<Value>)> {
    let text = |least| words(least).prop_map(Value::String).boxed();
    let one_of =
        |all: &'static [&'static str]| prop::sample::select(all).prop_map(|w| json!(w)).boxed();
    let some_of = |all: &'static [&'static str]| {
        prop::sample::subsequence(all, 0..=all.len())
            .prop_map(|w| json!(w))
            .boxed()
    };
    vec![
        ("mechanism", text(1)),
        ("note", text(0)),
        ("work", text(1)),
        ("flag_words", text(0)),
        ("complaint_words", text(0)),
        ("health_words", text(1)),
        ("dominant", one_of(&["left", "right"])),
        ("setting", one_of(&["primary", "specialist"])),
        (
            "other_side",
            one_of(&["not_known", "sound", "hypermobile", "affected"]),
        ),
        ("mass_kg", or_nothing(tenths(2, 350))),
        (
            "height_cm",
            or_nothing((40u32..=250).prop_map(|n| json!(f64::from(n)))),
        ),
        ("job_load_kg", or_nothing(tenths(0, 200))),
        ("job_overhead_h", or_nothing(tenths(0, 24))),
        (
            "minutes_per_day",
            or_nothing((1u32..=600).prop_map(|n| json!(n))),
        ),
        (
            "slips_per_week",
            or_nothing((0u32..=100).prop_map(|n| json!(n))),
        ),
        (
            "sling_worn",
            or_nothing(any::<bool>().prop_map(|b| json!(b))),
        ),
        ("health", some_of(&["diabetes", "thyroid", "nicotine"])),
        ("kit", some_of(&["bed", "table", "stick", "towel", "wall"])),
        (
            "tasks",
            prop::collection::vec((words(1), 0u32..=10), 0..5)
                .prop_map(|all| {
                    let task = |(i, (label, score)): (usize, (String, u32))| {
                        json!({ "label": format!("{} {label}", i + 1), "score": score, "asks": null })
                    };
                    json!(all.into_iter().enumerate().map(task).collect::<Vec<_>>())
                })
                .boxed(),
        ),
    ]
}

fn sorted(value: &Value) -> Value {
    match value {
        // What is chosen from a list is a set.
        Value::Array(all) if all.iter().all(Value::is_string) => {
            let mut all: Vec<&str> = all.iter().filter_map(Value::as_str).collect();
            all.sort_unstable();
            json!(all)
        }
        other => other.clone(),
    }
}

#[test]
fn every_version_of_a_story_comes_back_letter_by_letter_and_stays_on_the_timeline() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let episode = s.rigger();
    let path = format!("/api/episodes/{episode}/story");
    let mut runner = TestRunner::deterministic();
    let first = s.get(&path).ok();
    let patient = first["head"]["patient"].clone();
    let mut page = first;
    let mut written: Vec<BTreeMap<&str, Value>> = Vec::new();
    for version in 0..30 {
        let mut typed = BTreeMap::new();
        for (field, strategy) in fields() {
            let tree = strategy.new_tree(&mut runner).expect("a value");
            typed.insert(field, tree.current());
        }
        // No two versions are the same text.
        let marked = format!(
            "version {version}: {}",
            typed["mechanism"].as_str().expect("a text")
        );
        typed.insert("mechanism", json!(marked));
        let mut story = page["story"].clone();
        for (field, value) in &typed {
            story[*field] = value.clone();
        }
        let edit = json!({ "rev": page["rev"], "story": story });
        let saved = s.put(&path, &edit).ok();
        page = s.get(&path).ok();
        assert_eq!(
            saved["story"], page["story"],
            "what was answered is what is kept"
        );
        for (field, value) in &typed {
            let kept = &page["story"][*field];
            assert_eq!(sorted(kept), sorted(value), "version {version}: {field}");
        }
        // Who sends an edit of the version before is told, and nothing of it is kept.
        assert_eq!(s.put(&path, &edit).status, 409);
        written.push(typed);
    }
    let told = s.timeline(&patient);
    for (version, typed) in written.iter().enumerate() {
        let entry = told.iter().find(|e| {
            let mut words = e["words"].as_array().expect("words").iter();
            words.any(|w| w["text"] == typed["mechanism"])
        });
        let entry = entry.unwrap_or_else(|| panic!("version {version} is gone from the timeline"));
        let texts: Vec<&Value> = entry["words"]
            .as_array()
            .expect("words")
            .iter()
            .map(|w| &w["text"])
            .collect();
        for field in [
            "note",
            "work",
            "flag_words",
            "complaint_words",
            "health_words",
        ] {
            let text = &typed[field];
            let blank = text.as_str().is_some_and(|t| t.trim().is_empty());
            assert!(
                blank || texts.contains(&text),
                "version {version}: {field} {text}"
            );
        }
    }
}

/// One entry of each kind that can be taken back: where it is sent, what it is called, and its form with its id.
fn entries(breached: &Value) -> Vec<(&'static str, &'static str, Value)> {
    let id = Uuid::now_v7;
    let limit = json!({ "id": id(), "quantity": "passive-er-side", "ceiling": 20.0, "floor": null, "from": null, "until_day": 70,
        "release": null, "ended_on": null });
    let mut measured = measurement("hand-behind-back", 3.0, TODAY);
    measured["side"] = json!("left");
    measured["remark"] = json!("measured twice, “the same” both times");
    vec![
        ("measurements", "measurement", measured),
        (
            "findings",
            "finding",
            json!({ "id": id(), "test": "axillary-sensation", "side": "right", "answer": { "kind": "word", "found": "no" }, "on": TODAY,
                "remark": "felt alike on both sides" }),
        ),
        (
            "exam-notes",
            "exam_note",
            json!({ "id": id(), "kind": "irritability", "question": "night", "value": 1.0, "on": TODAY }),
        ),
        (
            "strength",
            "strength_trial",
            json!({ "id": id(), "test": "er-side", "side": "left", "lever_m": 0.24, "pain": 0.0, "on": TODAY,
                "force": { "kind": "typed", "peak_n": 120.0 }, "remark": "elbow slid once" }),
        ),
        (
            "outcomes",
            "outcome_sheet",
            json!({ "id": id(), "instrument": "quickdash", "answers": vec![json!(2.0); 11], "on": TODAY }),
        ),
        (
            "scores",
            "score",
            json!({ "id": id(), "score": "rest-pain", "value": 2.0, "on": TODAY }),
        ),
        (
            "log",
            "log",
            json!({ "id": id(), "on": TODAY, "exercise": null, "kind": "pain_during", "value": 3.0, "remark": "after carrying shopping" }),
        ),
        (
            "week-uses",
            "week_use",
            json!({ "id": id(), "on": TODAY, "how": "half" }),
        ),
        ("limits", "limit", limit),
        (
            "breach-answers",
            "breach_answer",
            json!({ "id": id(), "measurement": breached, "on": TODAY, "role": "surgeon", "words": "fine up to ninety-five" }),
        ),
    ]
}

#[test]
fn what_was_taken_back_stays_readable_with_who_when_and_why() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let episode = s.rigger();
    s.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let patient = s.get(&at("story")).ok()["head"]["patient"].clone();
    // Above the ceiling of its day, so that a surgeon has something to answer.
    let over = measurement("passive-elevation", 130.0, TODAY);
    s.post(&at("measurements"), &over).ok();
    let all = entries(&over["id"]);
    for (path, kind, form) in &all {
        let answer = s.post(&at(path), form);
        assert_eq!(answer.status, 200, "{kind}: {}", answer.json());
    }
    let find = |told: &[Value], form: &Value| -> Value {
        let entry = told.iter().find(|e| e["id"] == form["id"]);
        entry.cloned().unwrap_or(Value::Null)
    };
    let before = s.timeline(&patient);
    for (_, kind, form) in &all {
        let entry = find(&before, form);
        assert_eq!(entry["kind"], *kind);
        assert_eq!(entry["taken_back"], false, "{kind}");
        let words = entry["words"].as_array().expect("words");
        for field in ["remark", "words"] {
            if let Some(text) = form.get(field) {
                assert!(words.iter().any(|w| &w["text"] == text), "{kind}: {text}");
            }
        }
    }
    // What the pages show of each, so that its absence afterwards says something.
    let shown =
        || s.get(&at("outcomes")).ok().to_string() + &s.get(&at("strength")).ok().to_string();
    let is_shown = |form: &Value| shown().contains(form["id"].as_str().expect("an id"));
    let counts = ["strength_trial", "outcome_sheet"];
    for (_, kind, form) in all.iter().filter(|(_, kind, _)| counts.contains(kind)) {
        assert!(is_shown(form), "{kind} counts");
    }
    // The answer leans on the measurement, so it goes first.
    for (n, (_, kind, form)) in all.iter().enumerate().rev() {
        let why = format!("meant for another patient, case {n}");
        let back = json!({ "entry": form["id"], "kind": kind, "reason": why });
        let wrong = if *kind == "score" { "log" } else { "score" };
        let as_other = json!({ "entry": form["id"], "kind": wrong, "reason": why });
        assert!(
            s.post(&at("withdrawals"), &as_other).status >= 400,
            "{kind} is no {wrong}"
        );
        let done = s.post(&at("withdrawals"), &back);
        assert_eq!(done.status, 200, "{kind}: {}", done.json());
        // Sent once more after a lost answer: the same, and nothing twice.
        assert_eq!(
            s.post(&at("withdrawals"), &back).status,
            200,
            "{kind} again"
        );
    }
    let after = s.timeline(&patient);
    for (n, (_, kind, form)) in all.iter().enumerate() {
        let entry = find(&after, form);
        assert_eq!(entry["taken_back"], true, "{kind}");
        assert_eq!(
            entry["words"],
            find(&before, form)["words"],
            "{kind} keeps its words"
        );
        assert_eq!(entry["says"], find(&before, form)["says"], "{kind}");
        let later = entry["later"].to_string();
        let told = after.iter().filter(|e| {
            e.to_string()
                .contains(&format!("meant for another patient, case {n}\""))
        });
        assert!(
            told.count() >= 1 || later.contains(&format!("case {n}")),
            "{kind}: why is not told"
        );
    }
    // Nothing rests on it any more.
    for (_, kind, form) in &all {
        assert!(!is_shown(form), "{kind} still counts");
    }
    let visit = s.get(&at("visit")).ok();
    assert_eq!(visit["view"]["log"], json!([]));
    assert!(
        !visit["view"]["breaches"]
            .as_array()
            .expect("breaches")
            .is_empty(),
        "with the surgeon's answer gone the measurement above the ceiling is open again"
    );
}
