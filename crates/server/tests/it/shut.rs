//! Records that are somebody else's.

use super::harness::{Clinic, Session, TODAY, measurement, new_patient};
use diesel::connection::SimpleConnection;
use serde_json::{Value, json};
use uuid::Uuid;

/// A clinic that keeps everybody to their own patients: somebody else's record opens only with a reason, to one person, for a while,
/// and a lead reads who, when and why. Who looks after a colleague's patients needs none.
#[test]
fn somebody_elses_record_opens_with_a_reason_and_that_is_told() {
    let clinic = Clinic::open();
    let (vera, lea, aldo, ada) = (
        clinic.sign_in("vera"),
        clinic.sign_in("lea"),
        clinic.sign_in("aldo"),
        clinic.sign_in("ada"),
    );
    let page = lea.get("/api/staff").ok();
    let added =
        json!({ "id": Uuid::now_v7(), "login": "ines", "name": "ines", "role": "clinician" });
    let token = lea.post("/api/staff", &added).ok()["token"]
        .as_str()
        .expect("a token")
        .to_owned();
    clinic.from(
        "10.9.9.9",
        "/api/links/use",
        &json!({ "token": token, "password": "a quay with nine boats" }),
    );
    let ines = clinic.sign_in_with("ines", "a quay with nine boats");
    // Vera treats one, nobody treats the other.
    let hers = vera.rigger();
    let mut other = new_patient();
    other["family_name"] = json!("Terzi");
    vera.post("/api/patients", &other).ok();
    let free = other["episode"].as_str().expect("an id").to_owned();
    let back = json!({ "id": Uuid::now_v7(), "on": TODAY, "who": null });
    vera.post(&format!("/api/episodes/{free}/care"), &back).ok();
    let rules = json!({ "rev": page["rev"], "rules": { "leads_need_second_factor": false, "own_patients_only": true, "idle_minutes": 30 } });
    let visit = format!("/api/episodes/{hers}/visit");
    assert_eq!(
        ines.get(&visit).status,
        200,
        "everybody reads everybody, where nothing else was set"
    );
    lea.put("/api/access-rules", &rules).ok();

    let shut = ines.get(&visit);
    assert_eq!(
        (shut.status, shut.json()["type"].as_str().map(str::to_owned)),
        (403, Some("urn:ritorno:problem:record-shut".to_owned()))
    );
    for (who, status) in [(&vera, 200), (&lea, 200), (&ada, 200), (&aldo, 403)] {
        assert_eq!(who.get(&visit).status, status);
    }
    // Neither by another page, nor by writing, nor by the entries that waited, nor by a list.
    let patient = lea.get(&format!("/api/episodes/{hers}/story")).ok()["head"]["patient"]
        .as_str()
        .expect("an id")
        .to_owned();
    for path in [
        format!("/api/patients/{patient}"),
        format!("/api/patients/{patient}/timeline"),
        format!("/api/episodes/{hers}/handout.pdf"),
    ] {
        assert_eq!(ines.get(&path).status, 403, "{path}");
    }
    assert_eq!(
        ines.measurement(&hers, "passive-elevation", 80.0, TODAY)
            .status,
        403
    );
    let me = ines.get("/api/session").ok()["id"].clone();
    let waiting = json!({ "by": me, "entries": [{ "kind": "measurement", "episode": hers, "body": measurement("passive-elevation", 80.0, TODAY) }] });
    assert_eq!(ines.post("/api/entries", &waiting).ok()[0]["status"], 403);
    let names = |s: &Session<'_>| {
        let list = s.get("/api/day-list").ok();
        let rows = list["rows"].as_array().expect("rows");
        let counted: i64 = list["counts"]
            .as_array()
            .expect("counts")
            .iter()
            .filter_map(|c| c["count"].as_i64())
            .sum();
        assert_eq!(
            counted,
            rows.len() as i64,
            "what is counted is what is listed"
        );
        rows.iter()
            .map(|r| r["name"].as_str().unwrap_or_default().to_owned())
            .collect::<Vec<_>>()
    };
    assert_eq!(
        names(&ines),
        ["Nerio Terzi"],
        "what nobody treats is there to be taken on"
    );
    assert_eq!(names(&vera).len(), 2);
    let found = ines.get("/api/find?search=falanga").ok();
    assert_eq!(
        (&found[0]["shut"], &found[0]["work"]),
        (&json!(true), &json!("")),
        "by name alone"
    );

    // With a reason it opens, to her; sent twice it is one; without one it does not.
    let openings = format!("/api/episodes/{hers}/openings");
    for (words, status) in [("", 422), ("  ", 422), ("x", 422)] {
        let none = json!({ "id": Uuid::now_v7(), "words": words });
        assert_eq!(ines.post(&openings, &none).status, status);
    }
    let reason = json!({ "id": Uuid::now_v7(), "words": "slipped on the stairs, Vera is at sea" });
    assert_eq!(
        ada.post(&openings, &reason).status,
        403,
        "who reads everything opens nothing"
    );
    for _ in 0..2 {
        assert_eq!(ines.post(&openings, &reason).status, 204);
    }
    assert_eq!(ines.get(&visit).status, 200);
    assert_eq!(
        ines.measurement(&hers, "passive-elevation", 80.0, TODAY)
            .status,
        200
    );
    assert_eq!(aldo.get(&visit).status, 403, "to nobody else");
    let trail = lea.get(&format!("/api/trail?patient={patient}")).ok();
    let told: Vec<&Value> = trail["rows"]
        .as_array()
        .expect("rows")
        .iter()
        .filter(|r| r["what"] == "open-record")
        .collect();
    assert_eq!(told.len(), 1);
    assert_eq!(
        (&told[0]["who"], &told[0]["words"]),
        (
            &json!("ines"),
            &json!("slipped on the stairs, Vera is at sea")
        )
    );
    // It ends by itself.
    clinic
        .owner()
        .batch_execute("alter table record_opening disable trigger all; update record_opening set until = now() - interval '1 minute'")
        .expect("over");
    assert_eq!(ines.get(&visit).status, 403);
    // Who looks after Vera's patients reads them.
    let ids = lea.get("/api/people").ok();
    let id = |login: &str| {
        ids["people"]
            .as_array()
            .expect("people")
            .iter()
            .find(|p| p["name"] == login)
            .expect("one")["id"]
            .clone()
    };
    let cover = json!({ "id": Uuid::now_v7(), "away": id("vera"), "covers": id("ines"), "from": TODAY, "until": "2027-03-07", "words": "" });
    vera.post("/api/covers", &cover).ok();
    assert_eq!(ines.get(&visit).status, 200);
}
