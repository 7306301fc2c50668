//! What a clinic sets for itself goes into stories that begin, and into no other.

use super::harness::{Clinic, Session, new_patient};
use serde_json::{Value, json};

fn begun(s: &Session) -> (String, Value) {
    let mut form = new_patient();
    form["story"]["kit"] = json!([]);
    form["with_defaults"] = json!(true);
    s.post("/api/patients", &form).ok();
    let id = form["episode"].as_str().expect("an id").to_owned();
    let story = story(s, &id);
    (id, story)
}

fn story(s: &Session, episode: &str) -> Value {
    s.get(&format!("/api/episodes/{episode}/story")).ok()["story"].clone()
}

/// Another school than the one that holds, of some question under a key.
fn another(page: &Value, key: &str) -> (String, String) {
    let questions = page["questions"][key].as_array().expect("questions");
    let of = |q: &Value| {
        let other = q["schools"]
            .as_array()?
            .iter()
            .find(|s| s["id"] != q["holds"])?;
        Some((
            q["id"].as_str()?.to_owned(),
            other["id"].as_str()?.to_owned(),
        ))
    };
    questions.iter().find_map(of).expect("a disputed question")
}

#[test]
fn a_story_begins_with_what_the_clinic_has_set_and_keeps_it() {
    let clinic = Clinic::open();
    let lea = clinic.sign_in("lea");
    let (before, plain) = begun(&lea);
    assert_eq!(plain["setting"], "primary");
    assert_eq!(plain["schools"], json!({}));
    let page = lea.get("/api/defaults").ok();
    assert_eq!(page["rev"], 0);
    let (every, follows) = another(&page, "every");
    let (own, holds) = another(&page, "cuff-repair-small-medium");
    let (loose, way) = another(&page, "instability-loose");
    let mut set = page["defaults"].clone();
    set["setting"] = json!("specialist");
    set["minutes_per_day"] = json!(25);
    set["appointment_minutes"] = json!(45);
    set["kit"] = json!(["table", "wall"]);
    set["lent"] = json!(["pulley"]);
    set["schools"] = json!({
        "every": { &every: follows }, "cuff-repair-small-medium": { &own: holds }, "instability-loose": { &loose: way },
    });
    let edit = json!({ "rev": 0, "defaults": set });
    assert_eq!(lea.put("/api/defaults", &edit).ok()["rev"], 1);
    // The same once more is the same; who read the version before is told.
    assert_eq!(lea.put("/api/defaults", &edit).ok()["rev"], 1);
    let mut other = edit.clone();
    other["defaults"]["setting"] = json!("primary");
    assert_eq!(lea.put("/api/defaults", &other).status, 409);

    let (after, story_now) = begun(&lea);
    assert_eq!(story_now["setting"], "specialist");
    assert_eq!(story_now["minutes_per_day"], 25);
    assert_eq!(story_now["kit"], json!(["pulley", "table", "wall"]));
    assert_eq!(
        story_now["schools"],
        json!({ &every: follows, &own: holds })
    );
    // What began before keeps what it began with, and what is asked for by name is not written over.
    assert_eq!(story(&lea, &before), plain);
    let mut named = new_patient();
    named["with_defaults"] = json!(true);
    let shipped = page["questions"]["every"].as_array().expect("questions");
    let shipped = shipped.iter().find(|q| q["id"] == every.as_str());
    let shipped = shipped.expect("the question")["holds"].clone();
    named["story"]["schools"] = json!({ &every: shipped });
    lea.post("/api/patients", &named).ok();
    let named = named["episode"].as_str().expect("an id");
    assert_eq!(story(&lea, named)["schools"][&every], shipped);
    // Another pathway asks other questions, and they are the clinic's too.
    let path = format!("/api/episodes/{after}/story");
    let held = lea.get(&path).ok();
    let mut moved = held["story"].clone();
    moved["start"] = json!("gradual");
    moved["clearance"] = Value::Null;
    moved["sling_worn"] = Value::Null;
    moved["pathway"] = json!("instability-loose");
    moved["schools"] = json!({});
    let edit = json!({ "rev": held["rev"], "story": moved });
    let kept = lea.put(&path, &edit).ok();
    assert_eq!(
        kept["story"]["schools"],
        json!({ &every: follows, &loose: way })
    );
}

#[test]
fn only_a_lead_sets_them_and_what_is_unknown_is_named() {
    let clinic = Clinic::open();
    let lea = clinic.sign_in("lea");
    let page = lea.get("/api/defaults").ok();
    let edit = json!({ "rev": 0, "defaults": page["defaults"] });
    for login in ["vera", "aldo"] {
        assert_eq!(
            clinic.sign_in(login).put("/api/defaults", &edit).status,
            403
        );
    }
    for (field, value, named) in [
        ("kit", json!(["trapeze"]), "defaults.kit"),
        ("lent", json!(["trapeze"]), "defaults.lent"),
        ("minutes_per_day", json!(0), "defaults.minutes_per_day"),
        (
            "appointment_minutes",
            json!(2),
            "defaults.appointment_minutes",
        ),
        (
            "schools",
            json!({ "every": { "pain-rule": "none-such" } }),
            "defaults.schools.every.pain-rule",
        ),
        (
            "schools",
            json!({ "none-such": { "pain-rule": "x" } }),
            "defaults.schools.none-such.pain-rule",
        ),
    ] {
        let mut bad = edit.clone();
        bad["defaults"][field] = value;
        let refused = lea.put("/api/defaults", &bad);
        assert_eq!(refused.status, 422, "{field}");
        assert_eq!(refused.json()["fields"][0]["field"], named);
    }
    assert_eq!(lea.get("/api/defaults").ok()["rev"], 0, "nothing was kept");
}
