//! The library, the load bench and the clinic's elastics through the real HTTP interface.

use crate::harness::{Clinic, TODAY};
use serde_json::{Value, json};
use uuid::Uuid;

fn setup(extra: Value) -> Value {
    let mut body = json!({ "mass_kg": 75.0, "height_m": 1.75, "weight_kg": null, "level": null, "distance_m": null, "doubled": false });
    body.as_object_mut()
        .expect("a map")
        .extend(extra.as_object().expect("a map").clone());
    json!({ "setup": body, "episode": null, "solve": null })
}

#[test]
fn the_library_is_whole_and_every_figure_is_served() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let cards = s.get("/api/exercises").ok();
    let cards = cards.as_array().expect("cards");
    assert!(cards.len() >= 200, "{} exercises", cards.len());
    let wording = ritorno_wording::Wording::english().expect("the catalogue");
    for card in cards {
        let id = card["id"].as_str().expect("an id");
        for part in ["start", "how", "task"] {
            assert!(
                !wording.attribute(&format!("ex-{id}"), part).is_empty(),
                "{id} has no {part}"
            );
        }
        for (argument, field) in [("fault", "faults"), ("beware", "beware"), ("kit", "kit")] {
            for value in card[field].as_array().expect("a list") {
                let key = format!("{argument}-{}", value.as_str().expect("a key"));
                assert_ne!(wording.say(&key, &[]), key, "{id}: no words for {key}");
            }
        }
    }
    let heavier = s.get("/api/exercises?mass_kg=110&height_m=1.9").ok();
    let peak = |cards: &Value, id: &str| {
        cards
            .as_array()
            .expect("cards")
            .iter()
            .find(|c| c["id"] == id)
            .expect("it")["peak_nm"]
            .as_f64()
            .expect("a peak")
    };
    assert!(
        peak(&heavier, "raise-strength-side-weight")
            > peak(&s.get("/api/exercises").ok(), "raise-strength-side-weight")
    );
    let bad = s.get("/api/exercises?height_m=17.5");
    assert_eq!(
        (bad.status, bad.json()["fields"][0]["field"].as_str()),
        (422, Some("height_m"))
    );
    let figure = s.get("/api/exercises/external-rotation-standing-elastic/figure?moving=true");
    let text = String::from_utf8(figure.bytes).expect("text");
    assert_eq!(
        (
            figure.status,
            text.matches("data-step=").count(),
            text.matches("display=\"none\"").count()
        ),
        (200, 25, 24)
    );
    assert_eq!(s.get("/api/exercises/no-such/figure").status, 404);
}

#[test]
fn a_set_up_is_computed_solved_and_refused() {
    let clinic = Clinic::open();
    let s = clinic.sign_in("vera");
    let plain = s
        .post(
            "/api/exercises/external-rotation-standing-elastic/load",
            &setup(json!({})),
        )
        .ok();
    let peak = plain["view"]["curve"]["peak_nm"].as_f64().expect("a peak");
    assert_eq!(
        plain["view"]["curve"]["points"]
            .as_array()
            .expect("points")
            .len(),
        101
    );
    assert_eq!(plain["view"]["setup"]["distance_m"], 0.9);
    let mut wanted = setup(json!({}));
    wanted["solve"] = json!({ "what": "distance", "peak_nm": peak * 1.3 });
    let solved = s
        .post(
            "/api/exercises/external-rotation-standing-elastic/load",
            &wanted,
        )
        .ok();
    assert!(
        (solved["view"]["curve"]["peak_nm"].as_f64().expect("a peak") / (peak * 1.3) - 1.0).abs()
            < 0.03
    );
    wanted["solve"]["peak_nm"] = json!(400.0);
    let far = s
        .post(
            "/api/exercises/external-rotation-standing-elastic/load",
            &wanted,
        )
        .ok();
    assert_eq!(
        (
            far["unsolved"]["rule"].as_str(),
            far["view"]["curve"]["peak_nm"].as_f64()
        ),
        (Some("solve-too-little"), Some(peak))
    );
    for (extra, field) in [
        (json!({ "mass_kg": 0 }), "setup.mass_kg"),
        (json!({ "distance_m": 0.05 }), "setup.distance_m"),
        (json!({ "level": 7 }), "setup.level"),
    ] {
        let refused = s.post(
            "/api/exercises/external-rotation-standing-elastic/load",
            &setup(extra),
        );
        assert_eq!(
            (
                refused.status,
                refused.json()["fields"][0]["field"].as_str()
            ),
            (422, Some(field))
        );
    }
    // An operated shoulder: the path is cut at the ceiling of the day and no share of strength is given.
    let episode = s.rigger();
    let mut own = setup(json!({}));
    own["episode"] = json!(episode);
    let answer = s
        .post(
            "/api/exercises/assisted-elevation-lying-other-hand/load",
            &own,
        )
        .ok();
    let highest = answer["view"]["curve"]["points"]
        .as_array()
        .expect("points")
        .iter()
        .map(|p| p["elevation_deg"].as_f64().expect("degrees"))
        .fold(0.0, f64::max);
    assert!(
        highest <= 120.0 + 1e-6,
        "day 38: the pathway's ceiling is 120°, the path goes to {highest}"
    );
    assert_eq!(
        s.post(
            "/api/exercises/external-rotation-standing-elastic/load",
            &own
        )
        .ok()["share_reason"]["rule"],
        "share-not-allowed"
    );
}

#[test]
fn a_lead_measures_a_level_and_every_load_follows() {
    let clinic = Clinic::open();
    let lead = clinic.sign_in("lea");
    let points = |factor: f64| {
        json!(
            [
                [25.0, 3.5],
                [50.0, 6.0],
                [100.0, 10.0],
                [150.0, 13.4],
                [200.0, 16.5]
            ]
            .map(|[e, f]: [f64; 2]| json!({ "elongation_pct": e, "force_n": f * factor }))
        )
    };
    let form = |points: Value| json!({ "id": Uuid::now_v7(), "level": 1, "label": "the short one", "points": points, "on": TODAY });
    let tension = |s: &crate::harness::Session| {
        let answer = s
            .post(
                "/api/exercises/external-rotation-standing-elastic/load",
                &setup(json!({})),
            )
            .ok();
        answer["view"]["curve"]["points"][50]["band"][1]
            .as_f64()
            .expect("a tension")
    };
    let who = if clinic.sign_in("vera").get("/api/session").ok()["role"] == "lead" {
        clinic.sign_in("vera")
    } else {
        lead
    };
    let assumed = tension(&who);
    let kept = form(points(1.2));
    let page = who.post("/api/elastics", &kept).ok();
    assert_eq!(
        (
            page[0]["label"].as_str(),
            page[0]["points"].as_array().expect("points").len()
        ),
        (Some("the short one"), 5)
    );
    assert!((page[0]["at_100_n"].as_f64().expect("newtons") - 12.0).abs() < 0.2);
    let grown = tension(&who) / assumed;
    assert!(
        (grown - 1.2).abs() < 0.04,
        "the band grew by a fifth, its pull by {grown}"
    );
    assert_eq!(
        who.post("/api/elastics", &kept).ok(),
        page,
        "sent twice, kept once"
    );
    let refused = who.post(
        "/api/elastics",
        &form(json!(
            [[50.0, 6.0], [25.0, 3.5], [100.0, 10.0], [150.0, 13.0]]
                .map(|[e, f]: [f64; 2]| json!({ "elongation_pct": e, "force_n": f }))
        )),
    );
    assert_eq!(
        (
            refused.status,
            refused.json()["fields"][0]["field"].as_str()
        ),
        (422, Some("points.2"))
    );
    assert_eq!(
        refused.json()["fields"][0]["message"],
        "point 2: 25 % does not come after 50 %"
    );
    // Defaults of the clinic are the lead's to keep.
    let other = ["lea", "vera", "aldo"]
        .into_iter()
        .map(|n| clinic.sign_in(n))
        .find(|s| s.get("/api/session").ok()["role"] != "lead")
        .expect("somebody else");
    assert_eq!(other.post("/api/elastics", &form(points(1.0))).status, 403);
}
