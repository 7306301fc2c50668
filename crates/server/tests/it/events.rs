//! The stream of a patient: what is closed, ended and taken back; two shoulders; writers that come at once.

use super::harness::{Clinic, Session, TODAY, measurement, new_patient};
use diesel::connection::SimpleConnection;
use diesel::prelude::*;
use diesel::sql_types::BigInt;
use ritorno_store::{Contention, StoreError, write};
use serde_json::{Value, json};
use std::sync::mpsc;
use uuid::Uuid;

const DAY0: &str = "2027-01-22";

fn limit(ceiling: f64, from: &str, release: bool) -> Value {
    let release = release.then(|| json!({ "role": "surgeon", "on": from }));
    json!({ "id": Uuid::now_v7(), "quantity": "passive-elevation", "ceiling": ceiling, "floor": null, "from": from,
        "until_day": null, "ask_again_day": 60, "release": release, "ended_on": null })
}

fn over(s: &Session, episode: &str) -> Value {
    let page = s.get(&format!("/api/episodes/{episode}/ranges")).ok();
    let dials = page["dials"].as_array().expect("dials");
    let dial = dials.iter().find(|d| d["quantity"] == "passive-elevation");
    dial.expect("the dial")["operated"]["last"].clone()
}

#[test]
fn a_flag_raised_closed_and_raised_again_in_a_minute_is_open_and_all_of_it_is_on_the_timeline() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let yes =
        || json!({ "answers": [{ "id": Uuid::now_v7(), "flag": "infection", "answer": "yes" }] });
    vera.post(&at("flags"), &yes()).ok();
    // A no after it closes nothing, and sent away is not yet safe.
    vera.all_no(&episode);
    assert_eq!(vera.flag(&episode, "infection")["state"], "raised");
    let acted = json!({ "step": "acted", "action": "surgeon-called", "words": "", "told": "surgeon on call" });
    vera.step(&episode, "infection", acted).ok();
    assert_eq!(vera.flag(&episode, "infection")["state"], "acted_on");
    assert_eq!(vera.post(&at("program/build"), &json!({})).status, 422);
    let row = vera.get("/api/day-list").ok()["rows"][0].clone();
    assert_eq!(row["lane"]["reason"]["rule"], "lane-flag-waits");
    // An answer that names a cause nobody knows is refused; so is one to what was not acted on.
    let made_up = json!({ "id": Uuid::now_v7(), "flag": "infection", "on": TODAY, "causes": ["nothing"], "step": "answered",
        "result": "wound clean and dry", "by": "surgeon", "resumes": "everything" });
    let refused = vera.post(&at("flag-steps"), &made_up);
    assert_eq!(refused.json()["fields"][0]["field"], "causes");
    let answered = json!({ "step": "answered", "result": "wound clean and dry", "by": "surgeon", "resumes": "everything" });
    vera.step(&episode, "infection", answered).ok();
    assert_eq!(vera.flag(&episode, "infection")["state"], "answered");
    vera.post(&at("flags"), &yes()).ok();
    assert_eq!(vera.flag(&episode, "infection")["state"], "raised");
    // A signed note that contradicts is asked about, in its own words.
    let note = json!({ "id": Uuid::now_v7(), "body": "Better. Slipped on the quay on Sunday, landed on the arm." });
    vera.post(&at("notes"), &note).ok();
    let queried = vera.flag(&episode, "deformity");
    assert_eq!(queried["state"], "queried");
    assert_eq!(
        queried["causes"][0]["quote"],
        "Slipped on the quay on Sunday, landed on the arm."
    );
    let about = &queried["causes"][0]["key"];
    let no = json!({ "answers": [{ "id": Uuid::now_v7(), "flag": "deformity", "answer": "no", "about": [about] }] });
    for _ in 0..2 {
        // Sent again after a lost answer it is the same answer.
        vera.post(&at("flags"), &no).ok();
    }
    assert_eq!(vera.flag(&episode, "deformity")["state"], "no");
    let typed = vera.post(
        "/api/screen",
        &json!({ "text": "No fever. The hand went cold." }),
    );
    assert_eq!(typed.ok()[0]["flag"], "limb-blood");

    let patient = vera.get(&at("story")).ok()["head"]["patient"].clone();
    let told = vera.timeline(&patient);
    let kinds: Vec<&str> = told.iter().filter_map(|e| e["kind"].as_str()).collect();
    for kind in ["note", "flag_answer", "flag_step", "story"] {
        assert!(kinds.contains(&kind), "{kind} is missing");
    }
    assert!(
        told.iter()
            .all(|e| e["by"] == "vera" || e["kind"] == "flag_raised"),
        "each with its author"
    );
    let body = told.iter().find(|e| e["kind"] == "note").expect("the note");
    assert!(
        body["words"][0]["text"]
            .as_str()
            .expect("text")
            .contains("quay")
    );
}

#[test]
fn a_release_after_a_breach_excuses_nothing_and_a_mistyped_limit_is_judged_again() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let tight = limit(90.0, DAY0, false);
    vera.post(&at("limits"), &tight).ok();
    vera.measurement(&episode, "passive-elevation", 97.0, "2027-02-15")
        .ok();
    assert_eq!(over(&vera, &episode)["over_ceiling"], true);
    let release = limit(120.0, "2027-02-20", true);
    vera.post(&at("limits"), &release).ok();
    assert_eq!(
        over(&vera, &episode)["over_ceiling"],
        true,
        "today's release excuses none"
    );
    // It stands in the list, nothing that gains there is proposed, and saving it by hand is refused.
    let row = vera.get("/api/day-list").ok()["rows"][0].clone();
    assert_eq!(row["lane"]["lane"], "too_far");
    let told = &row["lane"]["reason"]["args"];
    assert_eq!(
        (&told["amount"], &told["inside"]),
        (&json!(7.0), &json!("yes"))
    );
    let built = vera.post(&at("program/build"), &json!({})).ok();
    let lines = built["chart"]["lines"].as_array().expect("lines");
    assert!(
        lines
            .iter()
            .all(|l| l["line"]["exercise"] != "table-slide-forward"
                && !l["line"]["exercise"]
                    .as_str()
                    .expect("id")
                    .starts_with("assisted-elevation")),
        "nothing that gains elevation"
    );
    // The surgeon's answer ends it; the verdict stays.
    let breach = over(&vera, &episode)["measurement"]["id"].clone();
    let answer = json!({ "id": Uuid::now_v7(), "measurement": breach, "on": TODAY, "role": "surgeon", "words": "fine up to 100 from now on" });
    vera.post(&at("breach-answers"), &answer).ok();
    let row = vera.get("/api/day-list").ok()["rows"][0].clone();
    assert_ne!(row["lane"]["lane"], "too_far");
    assert_eq!(over(&vera, &episode)["over_ceiling"], true);
    // Written for the wrong patient: taken back with a reason, judged again, both verdicts on the timeline.
    let back = |reason: &str| json!({ "entry": tight["id"], "kind": "limit", "reason": reason });
    assert_eq!(vera.post(&at("withdrawals"), &back(" ")).status, 422);
    vera.post(&at("withdrawals"), &back("another patient's letter"))
        .ok();
    assert_eq!(over(&vera, &episode)["over_ceiling"], false);
    let patient = vera.get(&at("story")).ok()["head"]["patient"].clone();
    let told = vera.timeline(&patient);
    let judged = told
        .iter()
        .find(|e| e["kind"] == "measurement")
        .expect("it");
    assert_eq!(judged["words"][0]["label"], "judged-over");
    let written = told
        .iter()
        .find(|e| e["id"] == tight["id"])
        .expect("the limit");
    assert_eq!(written["taken_back"], true);
    // A limit that became known late makes no breach of an older measurement.
    vera.post(&at("limits"), &limit(80.0, DAY0, false)).ok();
    let view = over(&vera, &episode);
    assert_eq!(view["over_ceiling"], false);
    assert_eq!(view["not_known_then"]["rule"], "limit-not-known-then");
}

#[test]
fn choosing_a_pathway_makes_no_breach_of_what_was_measured_before() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let mut form = new_patient();
    form["story"]["start"] = json!("gradual");
    form["story"]["pathway"] = json!("no-operation");
    vera.post("/api/patients", &form).ok();
    let episode = form["episode"].as_str().expect("an id");
    vera.all_no(episode);
    vera.measurement(episode, "passive-elevation", 165.0, "2027-02-01")
        .ok();
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let mut page = vera.get(&at("story")).ok();
    page["story"]["start"] = json!("surgery");
    page["story"]["pathway"] = json!("cuff-repair-small-medium");
    let edit = json!({ "rev": page["rev"], "story": page["story"] });
    vera.put(&at("story"), &edit).ok();
    assert_eq!(over(&vera, episode)["over_ceiling"], false);
}

#[test]
fn a_repaired_shoulder_is_judged_by_its_own_day_through_whichever_page_it_is_measured() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    // The right one was repaired 38 days ago; the left one yesterday.
    let right = vera.rigger();
    vera.all_no(&right);
    let patient = vera.get(&format!("/api/episodes/{right}/story")).ok()["head"]["patient"].clone();
    let patient = patient.as_str().expect("an id").to_owned();
    let mut story = new_patient()["story"].clone();
    story["side"] = json!("left");
    story["day0"] = json!("2027-02-28");
    story["clearance"]["on"] = json!("2027-02-28");
    let left = Uuid::now_v7();
    let form = json!({ "episode": left, "story": story });
    vera.post(&format!("/api/patients/{patient}/episodes"), &form)
        .ok();
    vera.all_no(&left.to_string());
    // Active movement of the left arm, typed on the right one's page: barred by the left one's protection.
    let active = |side: &str| {
        json!({ "id": Uuid::now_v7(), "quantity": "active-elevation-upright", "side": side, "value": 120.0,
        "stop": "stiff", "by": "clinician", "on": TODAY })
    };
    let refused = vera.post(
        &format!("/api/episodes/{right}/measurements"),
        &active("left"),
    );
    assert_eq!(refused.json()["fields"][0]["code"], "barred");
    let mut passive = measurement("passive-elevation", 95.0, TODAY);
    passive["side"] = json!("left");
    let refused = vera.post(&format!("/api/episodes/{right}/measurements"), &passive);
    assert_eq!(refused.status, 422, "on day 1 nothing is measured there");
    let numb = json!({ "id": Uuid::now_v7(), "test": "axillary-sensation", "side": "left", "answer": { "kind": "word", "found": "yes" },
        "variant": null, "on": TODAY, "remark": "duller over the left deltoid" });
    vera.post(&format!("/api/episodes/{right}/findings"), &numb)
        .ok();
    assert_eq!(
        vera.flag(&left.to_string(), "nerve-finding")["state"],
        "raised",
        "it lies with the left one"
    );
    assert!(vera.flag(&right, "nerve-finding").is_null());
    // What is known is not asked: each sees the other as operated.
    let page = vera.get(&format!("/api/episodes/{right}/story")).ok();
    assert_eq!(page["story"]["other_side"], "operated");
    // One open episode a side: a later operation of the same shoulder ends the first.
    let again = json!({ "episode": Uuid::now_v7(), "story": story });
    vera.post(&format!("/api/patients/{patient}/episodes"), &again)
        .ok();
    let head = vera.get(&format!("/api/patients/{patient}")).ok();
    let episodes = head["episodes"].as_array().expect("episodes");
    let open = episodes
        .iter()
        .filter(|e| e["side"] == "left" && e["closed_on"].is_null());
    assert_eq!(open.count(), 1);
    // A second person of the same name and birth date is asked about.
    let mut twin = new_patient();
    twin["another"] = json!(false);
    let asked = vera.post("/api/patients", &twin);
    assert_eq!(
        (asked.status, asked.json()["type"].clone()),
        (409, json!("urn:ritorno:problem:same-person"))
    );
}

#[test]
fn a_discharge_ends_the_work_and_an_edit_opens_nothing_again() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let end = json!({ "reason": "discharged", "on": "2027-02-20", "words": "Last reading 150; goes on at home." });
    vera.post(&at("end"), &end).ok();
    assert_eq!(vera.post(&at("end"), &end).status, 422, "once");
    assert_eq!(vera.get("/api/day-list").ok()["rows"], json!([]));
    // Entries dated up to its end are taken, later ones and decisions are not.
    vera.measurement(&episode, "passive-elevation", 90.0, "2027-02-19")
        .ok();
    assert_eq!(
        vera.measurement(&episode, "passive-elevation", 90.0, TODAY)
            .status,
        422
    );
    assert_eq!(
        vera.post(&at("limits"), &limit(90.0, DAY0, false)).status,
        422
    );
    assert_eq!(vera.post(&at("program/build"), &json!({})).status, 422);
    let page = vera.get(&at("story")).ok();
    let mut story = page["story"].clone();
    story["note"] = json!("Sent a card.");
    vera.put(&at("story"), &json!({ "rev": page["rev"], "story": story }))
        .ok();
    let patient = page["head"]["patient"].as_str().expect("an id").to_owned();
    let head = vera.get(&format!("/api/patients/{patient}")).ok();
    assert_eq!(
        head["episodes"][0]["closed_on"], "2027-02-20",
        "an edit opens nothing"
    );
    assert_eq!(
        vera.post(&at("reopen"), &json!({ "words": "" })).status,
        422
    );
    vera.post(&at("reopen"), &json!({ "words": "Pain came back." }))
        .ok();
    assert_eq!(
        vera.get("/api/day-list").ok()["rows"]
            .as_array()
            .expect("rows")
            .len(),
        1
    );
    let told = vera.timeline(&json!(patient));
    let late = told
        .iter()
        .find(|e| e["kind"] == "measurement")
        .expect("it");
    assert_eq!(late["late"], true, "told as entered late");
    // The name was typed wrongly: corrected, and what stood there is on the timeline.
    let edit = json!({ "given_name": "Nereo", "family_name": "Falanga", "birth": "1979-05-12", "another": true });
    vera.put(&format!("/api/patients/{patient}"), &edit).ok();
    let told = vera.timeline(&json!(patient));
    let corrected = told
        .iter()
        .find(|e| e["kind"] == "person_corrected")
        .expect("it");
    assert!(
        corrected["words"][0]["text"]
            .as_str()
            .expect("text")
            .starts_with("Nerio")
    );
}

#[test]
fn a_late_referral_starts_at_the_lowest_gate_that_is_not_met() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let mut form = new_patient();
    // Seen for the first time after fourteen weeks.
    form["story"]["day0"] = json!("2026-11-23");
    form["story"]["clearance"]["on"] = json!("2026-11-23");
    vera.post("/api/patients", &form).ok();
    let episode = form["episode"].as_str().expect("an id").to_owned();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    for row in &clinic.state.knowledge.attestations {
        let signed = json!({ "id": Uuid::now_v7(), "code": row.id, "holds": true, "on": TODAY });
        vera.post(&at("attestations"), &signed).ok();
    }
    for score in ["rest-pain", "task-pain"] {
        let none = json!({ "id": Uuid::now_v7(), "score": score, "value": 0.0, "on": TODAY });
        vera.post(&at("scores"), &none).ok();
    }
    for (quantity, value) in [
        ("passive-elevation", 150.0),
        ("passive-er-side", 45.0),
        ("active-elevation-lying", 140.0),
        ("active-elevation-upright", 130.0),
    ] {
        vera.measurement(&episode, quantity, value, TODAY).ok();
    }
    let first = vera.get(&at("visit")).ok()["view"]["gate"]["gate"].clone();
    assert_eq!(first, "to-protected-passive");
    let page = vera
        .post(&at("gates/to-protected-passive/pass"), &json!({}))
        .ok();
    let gate = &page["view"]["gate"];
    assert_ne!(
        gate["gate"], "to-assisted",
        "its criteria are met as well: {gate}"
    );
    assert_ne!(gate["status"], "met");
}

#[derive(QueryableByName)]
struct Number {
    #[diesel(sql_type = BigInt)]
    n: i64,
}

#[test]
fn twenty_writers_of_two_shoulders_on_two_servers_lose_nothing_and_the_lanes_are_right() {
    let clinic = Clinic::open();
    let twin = clinic.twin();
    let vera = clinic.sign_in("vera");
    let right = vera.rigger();
    vera.all_no(&right);
    let page = vera.get(&format!("/api/episodes/{right}/story")).ok();
    let patient = page["head"]["patient"].as_str().expect("an id").to_owned();
    let mut story = new_patient()["story"].clone();
    story["side"] = json!("left");
    let left = Uuid::now_v7().to_string();
    let form = json!({ "episode": left, "story": story });
    vera.post(&format!("/api/patients/{patient}/episodes"), &form)
        .ok();
    vera.all_no(&left);
    let mut owner = clinic.owner();
    let mut number = |sql: &str| {
        diesel::sql_query(sql)
            .get_result::<Number>(&mut owner)
            .expect(sql)
            .n
    };
    let before = number("select max(seq) as n from event");
    let (tell, told) = mpsc::channel();
    std::thread::scope(|threads| {
        for writer in 0..20 {
            let at = if writer % 2 == 0 { &clinic } else { &twin };
            let episode = if writer % 4 < 2 {
                right.clone()
            } else {
                left.clone()
            };
            let tell = tell.clone();
            // One after the other: many at once of one name are what the door holds back.
            let session = at.sign_in("vera");
            threads.spawn(move || {
                let slip =
                    json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null, "kind": "slip" });
                // Asked to come again, a writer comes again: as the outbox does.
                let mut tries = 0;
                loop {
                    let answer = session.post(&format!("/api/episodes/{episode}/log"), &slip);
                    tries += 1;
                    match answer.status {
                        200 => break,
                        503 if tries < 200 => std::thread::yield_now(),
                        other => panic!("{other}"),
                    }
                }
                tell.send(tries).expect("told");
            });
        }
    });
    drop(tell);
    assert_eq!(told.iter().count(), 20);
    assert_eq!(number("select max(seq) as n from event"), before + 20);
    assert_eq!(
        number("select count(*) as n from log_entry"),
        20,
        "each once"
    );
    assert_eq!(
        number(
            "select count(*) as n from event e where not exists (select from event p where p.patient_id = e.patient_id and p.seq = e.seq - 1) and e.seq > 1"
        ),
        0,
        "no number is missing"
    );
    for row in vera.get("/api/day-list").ok()["rows"]
        .as_array()
        .expect("rows")
    {
        assert_eq!(
            row["lane"]["reason"]["rule"], "lane-slip",
            "both lanes saw them"
        );
    }
}

#[test]
fn what_stands_in_the_way_of_a_write_is_told_apart() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let pool = &clinic.state.pool;
    let actor = ritorno_store::Actor {
        user: None,
        action: "test",
    };
    let sorted = |sql: &str| {
        let mut conn = pool.get().expect("a connection");
        write(&mut conn, actor, |conn| Ok(conn.batch_execute(sql)?)).expect_err("in the way")
    };
    let what = |error: StoreError| match error {
        StoreError::Busy(what) => Some(what),
        other => panic!("{other}"),
    };
    assert_eq!(
        what(sorted(
            "set local statement_timeout = 20; select pg_sleep(5)"
        )),
        Some(Contention::Statement)
    );
    // Somebody holds the record: the lock is not free in time, and the answer asks to come again.
    let mut holder = clinic.owner();
    holder
        .batch_execute("begin; select 1 from record for update")
        .expect("held");
    assert_eq!(
        what(sorted(
            "set local lock_timeout = 20; update record set seq = seq"
        )),
        Some(Contention::Lock)
    );
    let busy = vera.measurement(&episode, "passive-elevation", 95.0, TODAY);
    assert_eq!(
        (busy.status, busy.json()["retry_after_s"].clone()),
        (503, json!(1))
    );
    holder.batch_execute("rollback").expect("let go");
    vera.measurement(&episode, "passive-elevation", 95.0, TODAY)
        .ok();
    // Two transactions that cannot be put in an order.
    let mut first = clinic.owner();
    first
        .batch_execute("begin isolation level repeatable read; select count(*) from record")
        .expect("a snapshot");
    holder
        .batch_execute("update record set seq = seq")
        .expect("written");
    let late: StoreError = first
        .batch_execute("update record set seq = seq")
        .expect_err("too late")
        .into();
    assert_eq!(what(late), Some(Contention::Serialization));
    // Two that wait for each other.
    let (mut a, mut b) = (clinic.owner(), clinic.owner());
    a.batch_execute("begin; select pg_advisory_xact_lock(1)")
        .expect("one");
    b.batch_execute("begin; select pg_advisory_xact_lock(2)")
        .expect("two");
    let other =
        std::thread::spawn(move || b.batch_execute("select pg_advisory_xact_lock(1)").err());
    let mine = a.batch_execute("select pg_advisory_xact_lock(2)").err();
    drop(a);
    let faults: Vec<StoreError> = [mine, other.join().expect("joined")]
        .into_iter()
        .flatten()
        .map(StoreError::from)
        .collect();
    assert!(
        faults
            .into_iter()
            .any(|f| what(f) == Some(Contention::Deadlock))
    );
    // A connection that the server ends.
    let gone = sorted("select pg_terminate_backend(pg_backend_pid())");
    assert!(matches!(gone, StoreError::Unavailable), "{gone}");
}

#[test]
fn the_change_of_day_passes_over_who_is_written_to_and_stops_for_nobody() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episodes: Vec<String> = (0..3).map(|_| vera.rigger()).collect();
    let mut owner = clinic.owner();
    owner
        .batch_execute("update lane set as_of_day = as_of_day - 1, next_change_day = as_of_day")
        .expect("yesterday");
    // One is broken: its program names a release that is not there; one is being written to.
    let broken = format!(
        "alter table program drop constraint program_knowledge_sha256_fkey;
         insert into program (id, episode_id, knowledge_sha256) values ('{}', '{}', 'nothing')",
        Uuid::now_v7(),
        episodes[0]
    );
    owner.batch_execute(&broken).expect("broken");
    let mut holder = clinic.owner();
    let hold = format!(
        "begin; select 1 from record r join episode e using (patient_id) where e.id = '{}' for update of r",
        episodes[1]
    );
    holder.batch_execute(&hold).expect("held");
    assert_eq!(
        ritorno_server::change_day(&clinic.state).expect("goes on"),
        1
    );
    holder.batch_execute("rollback").expect("let go");
    assert_eq!(
        ritorno_server::change_day(&clinic.state).expect("goes on"),
        1
    );
    let behind: i64 = diesel::sql_query(
        "select count(*) as n from lane where as_of_day < (select max(as_of_day) from lane)",
    )
    .get_result::<Number>(&mut owner)
    .expect("counted")
    .n;
    assert_eq!(behind, 1, "only the broken one");
}
