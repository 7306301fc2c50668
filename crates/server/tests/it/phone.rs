//! The patient's own page: who is let in, what is told from home and what it does.

use super::harness::{Answer, Clinic, PlainPaper, Session, TODAY, new_patient};
use super::paper::{all_tried, with_program};
use diesel::RunQueryDsl;
use serde_json::{Value, json};
use std::cell::Cell;
use std::sync::Arc;
use uuid::Uuid;

fn clinic() -> Clinic {
    Clinic::opened(|state| state.with_paper(Arc::new(PlainPaper::default())))
}

/// What another library reads from a picture for cameras. The picture is made of dark boxes: `M` left top `h` width `v` height.
fn decoded(svg: &str) -> String {
    let (_, rest) = svg.split_once(" d=\"").expect("a path");
    let (path, _) = rest.split_once('"').expect("a path");
    let boxes: Vec<[usize; 4]> = path
        .split('M')
        .skip(1)
        .map(|part| {
            let numbers: Vec<usize> = part
                .split(|c: char| !c.is_ascii_digit())
                .filter_map(|n| n.parse().ok())
                .collect();
            [numbers[0], numbers[1], numbers[2], numbers[3]]
        })
        .collect();
    let side = boxes.iter().map(|[x, _, w, _]| x + w).max().unwrap_or(0) + 40;
    let mut dark = vec![255u8; side * side];
    for [x, y, w, h] in boxes {
        for row in y..y + h {
            dark[row * side + x..row * side + x + w].fill(0);
        }
    }
    let mut image =
        rqrr::PreparedImage::prepare_from_greyscale(side, side, |x, y| dark[y * side + x]);
    let grids = image.detect_grids();
    grids[0].decode().expect("a code").1
}

/// Makes a link; answers with what stands behind the hash.
pub fn link(vera: &Session, episode: &str) -> String {
    let made = vera
        .post(&format!("/api/episodes/{episode}/home-link"), &json!({}))
        .ok();
    let address = made["address"].as_str().expect("an address");
    let picture = made["picture"].as_str().expect("a picture");
    assert_eq!(decoded(picture), address, "what a camera reads");
    let (_, link) = address.split_once("/h#").expect("the patient's page");
    link.to_owned()
}

fn open(clinic: &Clinic, link: &str, birth: &str) -> Answer {
    let nobody = Session {
        clinic,
        cookie: String::new(),
    };
    nobody.post("/api/home/open", &json!({ "link": link, "birth": birth }))
}

/// A telephone that was let in.
pub fn phone<'a>(clinic: &'a Clinic, link: &str) -> Session<'a> {
    let form = new_patient();
    let opened = open(clinic, link, form["birth"].as_str().expect("a birth date"));
    assert_eq!(opened.status, 204);
    let kept = opened.set_cookie.split(';').next().expect("a cookie");
    assert!(
        kept.starts_with("ritorno_home=")
            && opened.set_cookie.contains("HttpOnly")
            && opened.set_cookie.contains("SameSite=Strict"),
        "{}",
        opened.set_cookie
    );
    Session {
        clinic,
        cookie: format!("none; {kept}"),
    }
}

fn told(of: &Session, on: &str, says: Value) -> Value {
    let whose = of.get("/api/home/page").ok()["whose"].clone();
    let mut entry = json!({ "id": Uuid::now_v7(), "on": on, "whose": whose });
    for (name, value) in says.as_object().expect("fields") {
        entry[name] = value.clone();
    }
    entry
}

#[test]
fn a_link_opens_with_the_birth_date_and_everything_else_looks_the_same() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let first = link(&vera, &episode);
    let birth = new_patient()["birth"].as_str().expect("a date").to_owned();
    // Each from another address, so that it is the link that is looked at and not how often somebody tried.
    let tries = Cell::new(0);
    let shut = |link: &str, birth: &str| {
        tries.set(tries.get() + 1);
        let body = json!({ "link": link, "birth": birth });
        let from = format!("203.0.113.{}", tries.get());
        let answer = clinic.from(&from, "/api/home/open", &body);
        assert_eq!(answer.status, 404);
        let mut told = answer.json();
        assert_eq!(told["type"], "urn:ritorno:problem:home-closed");
        told.as_object_mut().expect("a problem").remove("instance");
        told
    };
    let wrong = shut("wrongwrongwrongwrongwrongw", &birth);
    // Replaced: the earlier one, and the telephone that came in with it, are out.
    let before = phone(&clinic, &first);
    assert_eq!(before.get("/api/home/page").status, 200);
    let second = link(&vera, &episode);
    assert_eq!(before.get("/api/home/page").status, 401);
    assert_eq!(shut(&first, &birth), wrong);
    // Locked after a few birth dates; the right one comes too late, until the clinic makes a new link.
    for _ in 0..5 {
        assert_eq!(shut(&second, "1990-01-01"), wrong);
    }
    assert_eq!(shut(&second, &birth), wrong);
    let at = format!("/api/episodes/{episode}/home-link");
    assert_eq!(vera.get(&at).ok()["locked"], true);
    let third = link(&vera, &episode);
    let kept = phone(&clinic, &third);
    let slip = told(&kept, TODAY, json!({ "kind": "slip" }));
    // Run out: a link of the first of March is over in September.
    let later = clinic.on("2027-09-01");
    assert_eq!(open(&later, &third, &birth).status, 404);
    let late = Session {
        clinic: &later,
        cookie: kept.cookie.clone(),
    };
    assert_eq!(late.get("/api/home/page").status, 401);
    // Ended.
    let ended = clinic.send(
        "DELETE",
        &at,
        &vera.cookie,
        Some(&clinic.address),
        "application/json",
        vec![],
    );
    assert_eq!(ended.status, 200);
    assert_eq!(kept.get("/api/home/page").status, 401);
    assert_eq!(kept.post("/api/home/log", &slip).status, 401);
    assert_eq!(shut(&third, &birth), wrong);
}

#[test]
fn a_telephone_reaches_its_own_program_and_nothing_else() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let phone = phone(&clinic, &link(&vera, &episode));
    let page = phone.get("/api/home/page").ok();
    assert_eq!(page["holds"], "no");
    assert_eq!(page["name"], "Nerio");
    // The clinic sees beforehand exactly what the patient sees.
    let preview = format!("/api/episodes/{episode}/home-page");
    assert_eq!(vera.get(&preview).ok(), page);
    assert_eq!(clinic.sign_in("ada").get(&preview).status, 403);
    assert_eq!(phone.get(&preview).status, 401);
    let own = page["sheet"]["exercises"][0].as_str().expect("an exercise");
    let figure = |name: &str| phone.get(&format!("/api/home/figures/{name}")).status;
    assert_eq!(figure(own), 200);
    assert_eq!(figure("pull-down-standing-on-one-leg"), 404);
    assert_eq!(figure("..%2f..%2fvisit"), 404);
    for path in [
        format!("/api/episodes/{episode}/visit"),
        format!("/api/episodes/{episode}/home-link"),
        "/api/day-list".to_owned(),
    ] {
        assert_eq!(phone.get(&path).status, 401, "{path}");
    }
    assert_eq!(
        phone
            .post(&format!("/api/episodes/{episode}/log"), &json!({}))
            .status,
        401
    );
    // The calendar is the one that the clinic gives out.
    let own = phone.get("/api/home/program.ics");
    assert_eq!(own.status, 200);
    let given = vera.get(&format!("/api/episodes/{episode}/program.ics"));
    assert_eq!(own.bytes, given.bytes);
    // Nor does a session of the clinic open the patient's page.
    assert_eq!(vera.get("/api/home/page").status, 401);
}

#[test]
fn the_language_that_a_patient_reads_stays_with_the_record_and_is_spoken_everywhere() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    all_tried(&vera, &episode);
    let path = format!("/api/episodes/{episode}/story");
    let page = vera.get(&path).ok();
    assert_eq!(page["story"]["reads"], "english");
    let set = |reads: &str| {
        let mut body = vera.get(&path).ok();
        body["story"]["reads"] = reads.into();
        vera.put(
            &path,
            &json!({ "rev": body["rev"], "story": body["story"] }),
        )
    };
    assert_eq!(set("latin").status, 400);
    let kept = set("italian").ok();
    assert_eq!(kept["story"]["reads"], "italian");
    // Nothing else of the story has moved, and the program is still as it was signed.
    let mut as_before = kept["story"].clone();
    as_before["reads"] = "english".into();
    assert_eq!(as_before, page["story"]);
    let phone = phone(&clinic, &link(&vera, &episode));
    let shown = phone.get("/api/home/page").ok();
    assert_eq!(
        (&shown["reads"], &shown["holds"]),
        (&json!("italian"), &json!("no"))
    );
    let own = phone.get("/api/home/program.ics");
    let calendar = String::from_utf8_lossy(&own.bytes).into_owned();
    assert!(
        calendar.contains("SUMMARY:Esercizi per la spalla"),
        "{calendar}"
    );
    assert!(!calendar.contains("Shoulder"), "{calendar}");
    let drawn = shown["sheet"]["exercises"][0]
        .as_str()
        .expect("an exercise");
    let figure = phone.get(&format!("/api/home/figures/{drawn}"));
    let title = ritorno_wording::Wording::of(ritorno_core::facts::Language::Italian)
        .expect("the catalogue")
        .say(&format!("ex-{drawn}"), &[]);
    assert!(String::from_utf8_lossy(&figure.bytes).contains(&title));
    // What they write in it is screened: it holds the program until the clinic has asked.
    let words = json!({ "kind": "message", "words": "Da stamattina ho dolore al petto." });
    let heard = phone
        .post("/api/home/log", &told(&phone, TODAY, words))
        .ok();
    assert_eq!(heard["asks"][0]["tier"], "emergency_now");
}

#[test]
fn what_is_told_from_home_is_kept_once_for_its_own_day() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let patient = vera.get("/api/day-list").ok()["rows"][0]["patient"].clone();
    let phone = phone(&clinic, &link(&vera, &episode));
    let own = phone.get("/api/home/page").ok()["sheet"]["exercises"][0].clone();
    let done = told(
        &phone,
        TODAY,
        json!({ "kind": "done", "exercise": own, "sessions": 1, "repetitions": 10 }),
    );
    // A slip of the night before comes when there is a network again.
    let slip = told(&phone, "2027-02-28", json!({ "kind": "slip" }));
    for entry in [&slip, &done, &slip, &done, &slip] {
        assert_eq!(phone.post("/api/home/log", entry).status, 200);
    }
    let mut other = slip.clone();
    other["kind"] = json!("flare_day");
    assert_eq!(phone.post("/api/home/log", &other).status, 409);
    let entries: Vec<Value> = vera
        .timeline(&patient)
        .into_iter()
        .filter(|e| e["from_home"] == true)
        .collect();
    assert_eq!(entries.len(), 2, "{entries:?}");
    let night = entries.iter().find(|e| e["on"] == "2027-02-28");
    assert_eq!(night.expect("the slip")["late"], true);
    assert!(entries.iter().all(|e| e["by"].is_null()));
    // What was told of somebody else on the same telephone is not taken for this patient's.
    let mut another = told(&phone, TODAY, json!({ "kind": "slip" }));
    another["whose"] = json!("0011223344556677");
    assert_eq!(phone.post("/api/home/log", &another).status, 403);
    // A telephone whose clock is a day ahead is told so, by field; nothing is kept.
    let ahead = told(&phone, "2027-03-02", json!({ "kind": "slip" }));
    let refused = phone.post("/api/home/log", &ahead);
    assert_eq!(refused.status, 422);
    assert_eq!(refused.json()["fields"][0]["field"], "on");
    for (field, says) in [
        (
            "exercise",
            json!({ "kind": "left_out", "exercise": "no-such" }),
        ),
        ("value", json!({ "kind": "pain_next_morning", "value": 11 })),
        ("flag", json!({ "kind": "stop", "flag": "cancer" })),
    ] {
        let refused = phone.post("/api/home/log", &told(&phone, TODAY, says));
        assert_eq!(refused.status, 422, "{field}");
        assert_eq!(refused.json()["fields"][0]["field"], field);
    }
    let logged = phone.get("/api/home/page").ok()["logged"].clone();
    assert_eq!(logged.as_array().map(Vec::len), Some(2), "{logged}");
    let state = vera.get(&format!("/api/episodes/{episode}/home-link")).ok();
    assert!(state["told_at"].is_string(), "{state}");
}

#[test]
fn a_stop_from_home_holds_the_program_and_stands_in_something_is_wrong() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let phone = phone(&clinic, &link(&vera, &episode));
    let page = phone.get("/api/home/page").ok();
    assert_eq!(page["stops"][0]["tier"], "emergency_now", "{page}");
    assert!(page["stops"].as_array().is_some_and(|s| s.len() >= 8));
    let stop = told(
        &phone,
        TODAY,
        json!({ "kind": "stop", "flag": "infection" }),
    );
    assert_eq!(phone.post("/api/home/log", &stop).status, 200);
    let row = vera.get("/api/day-list").ok()["rows"][0].clone();
    assert_eq!(row["lane"]["lane"], "something_is_wrong", "{row}");
    let page = phone.get("/api/home/page").ok();
    assert_eq!(page["holds"], "flag");
    assert_eq!(page["sheet"]["exercises"], json!([]));
    // Whom to call stands there for everybody, let in or not.
    let lea = clinic.sign_in("lea");
    let mut defaults = lea.get("/api/defaults").ok();
    defaults["defaults"]["telephone"] = json!("00 555 0142");
    let edit = json!({ "rev": defaults["rev"], "defaults": defaults["defaults"] });
    lea.put("/api/defaults", &edit).ok();
    let nobody = Session {
        clinic: &clinic,
        cookie: String::new(),
    };
    assert_eq!(
        nobody.get("/api/home/clinic").ok()["telephone"],
        "00 555 0142"
    );
    let sheet = vera.get(&format!("/api/episodes/{episode}/handout.pdf"));
    assert_eq!(sheet.status, 422, "an open flag holds the paper too");
}

/// What waits to be read, as a day list shows it.
fn unread(of: &Session) -> Vec<Value> {
    let list = of.get("/api/day-list").ok();
    list["unread"].as_array().expect("a list").clone()
}

#[test]
fn a_message_is_screened_held_and_waits_until_somebody_has_read_it() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let visit = format!("/api/episodes/{episode}/visit");
    let reading = format!("/api/episodes/{episode}/home-read");
    let phone = phone(&clinic, &link(&vera, &episode));
    let write = |words: &str| told(&phone, TODAY, json!({ "kind": "message", "words": words }));
    // A plain word holds nothing and waits for a person.
    let plain = write("The <b>towel</b> slide is easier now.");
    for _ in 0..3 {
        let heard = phone.post("/api/home/log", &plain).ok();
        assert_eq!(heard["asks"], json!([]));
    }
    let waits = vera.get(&visit).ok()["from_home"].clone();
    assert_eq!(
        waits.as_array().map(Vec::len),
        Some(1),
        "sent three times, kept once"
    );
    assert_eq!(waits[0]["words"], "The <b>towel</b> slide is easier now.");
    assert_eq!(phone.get("/api/home/page").ok()["holds"], "no");
    // An alarming one is answered at once, the most urgent first, and holds the program until the clinic has asked.
    let bad = write("Since last night I am short of breath and my fingers are blue");
    let heard = phone.post("/api/home/log", &bad).ok();
    assert_eq!(heard["asks"][0]["tier"], "emergency_now", "{heard}");
    let page = phone.get("/api/home/page").ok();
    assert_eq!(page["holds"], "flag");
    assert_eq!(page["sheet"]["exercises"], json!([]));
    assert_eq!(page["messages"][1]["read"], false);
    let row = vera.get("/api/day-list").ok()["rows"][0].clone();
    assert_eq!(row["lane"]["lane"], "something_is_wrong", "{row}");
    // Whoever treats the patient is told; the lead is told when the clinic was open for two hours meanwhile.
    let lea = clinic.sign_in("lea");
    assert_eq!(unread(&vera)[0]["count"], 2);
    assert_eq!(unread(&vera)[0]["late"], false);
    assert_eq!(unread(&lea), Vec::<Value>::new());
    let earlier = "update home_unread set at = at - interval '2 hours'";
    diesel::sql_query(earlier)
        .execute(&mut clinic.owner())
        .expect("moved");
    assert_eq!(unread(&lea)[0]["late"], true);
    assert_eq!(unread(&lea)[0]["of_another"], true);
    assert_eq!(unread(&clinic.sign_in("ada")), Vec::<Value>::new());
    // Hours that the clinic was shut do not count.
    let shut = json!([{ "weekday": chrono::Datelike::weekday(&chrono::Utc::now().date_naive().checked_add_days(chrono::Days::new(3)).expect("a day")).number_from_monday(), "from": "08:00:00", "until": "17:00:00" }]);
    let mut defaults = lea.get("/api/defaults").ok();
    defaults["defaults"]["opening"] = shut;
    lea.put(
        "/api/defaults",
        &json!({ "rev": defaults["rev"], "defaults": defaults["defaults"] }),
    )
    .ok();
    assert_eq!(unread(&lea), Vec::<Value>::new());
    assert_eq!(unread(&vera)[0]["late"], false);
    // Read: nothing waits any more, the question still stands, and the patient sees that it was read.
    let ids: Vec<Value> = [&plain, &bad].map(|told| told["id"].clone()).to_vec();
    assert_eq!(
        clinic
            .sign_in("aldo")
            .post(&reading, &json!({ "id": Uuid::now_v7(), "read": ids }))
            .status,
        403
    );
    assert_eq!(
        vera.post(&reading, &json!({ "id": Uuid::now_v7(), "read": [] }))
            .status,
        422
    );
    let other = vera.post(
        &reading,
        &json!({ "id": Uuid::now_v7(), "read": [Uuid::now_v7()] }),
    );
    assert_eq!(other.status, 404, "what was not told is not read");
    let read = json!({ "id": Uuid::now_v7(), "read": ids });
    for _ in 0..2 {
        assert_eq!(vera.post(&reading, &read).ok()["from_home"], json!([]));
    }
    assert_eq!(unread(&vera), Vec::<Value>::new());
    let page = phone.get("/api/home/page").ok();
    assert_eq!(page["messages"][1]["read"], true);
    assert_eq!(page["holds"], "flag", "reading answers no question");
    // Told again by a telephone that never heard the answer, it does not come back.
    assert_eq!(
        phone.post("/api/home/log", &bad).ok()["asks"][0]["tier"],
        "emergency_now"
    );
    assert_eq!(unread(&vera), Vec::<Value>::new());
    // Too long, empty, with what no text holds: refused by field, and nothing of it kept.
    for words in ["", "  ", &"x".repeat(601), "a\u{0}b"] {
        let refused = phone.post("/api/home/log", &write(words));
        assert!(matches!(refused.status, 400 | 422), "{words:?}");
        assert!(String::from_utf8_lossy(&refused.bytes).contains("words"));
    }
    assert_eq!(
        phone.get("/api/home/page").ok()["messages"]
            .as_array()
            .map(Vec::len),
        Some(2)
    );
    let patient = vera.get("/api/day-list").ok()["rows"][0]["patient"].clone();
    let told: Vec<String> = vera
        .timeline(&patient)
        .iter()
        .map(|e| e["kind"].to_string())
        .collect();
    assert!(
        told.contains(&"\"home_message\"".to_owned()) && told.contains(&"\"home_read\"".to_owned()),
        "{told:?}"
    );
}

#[test]
fn what_was_acted_on_or_asked_about_need_not_be_read_again() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let phone = phone(&clinic, &link(&vera, &episode));
    let stop = told(
        &phone,
        TODAY,
        json!({ "kind": "stop", "flag": "infection" }),
    );
    let slip = told(&phone, TODAY, json!({ "kind": "slip" }));
    let words = told(
        &phone,
        TODAY,
        json!({ "kind": "message", "words": "my fingers are blue" }),
    );
    for entry in [&stop, &slip, &words] {
        phone.post("/api/home/log", entry).ok();
    }
    assert_eq!(unread(&vera)[0]["count"], 3);
    let step = json!({
        "id": Uuid::now_v7(), "flag": "infection", "on": TODAY, "causes": [stop["id"]],
        "step": "acted", "action": null, "words": "seen in the ward", "told": "surgeon",
    });
    vera.post(&format!("/api/episodes/{episode}/flag-steps"), &step)
        .ok();
    assert_eq!(unread(&vera)[0]["count"], 2);
    let flags = vera.get(&format!("/api/episodes/{episode}/visit")).ok()["view"]["flags"].clone();
    let causes = flags
        .as_array()
        .expect("flags")
        .iter()
        .flat_map(|f| f["causes"].as_array().expect("causes").clone());
    let about = causes
        .filter_map(|c| c["key"].as_str().map(str::to_owned))
        .find(|key| key.contains('#'));
    let no = json!({ "answers": [{
        "id": Uuid::now_v7(), "flag": "limb-blood", "answer": "no", "on": TODAY, "about": [about.expect("a passage")],
    }] });
    vera.post(&format!("/api/episodes/{episode}/flags"), &no)
        .ok();
    assert_eq!(unread(&vera)[0]["count"], 1);
    vera.post(
        &format!("/api/episodes/{episode}/withdrawals"),
        &json!({ "entry": slip["id"], "kind": "log", "reason": "tapped by a child" }),
    )
    .ok();
    assert_eq!(unread(&vera), Vec::<Value>::new());
}

#[test]
fn what_is_left_out_says_why() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let phone = phone(&clinic, &link(&vera, &episode));
    let own = phone.get("/api/home/page").ok()["sheet"]["exercises"][0].clone();
    let left = told(
        &phone,
        TODAY,
        json!({ "kind": "left_out", "exercise": own, "because": "hurt" }),
    );
    phone.post("/api/home/log", &left).ok();
    assert_eq!(
        phone.get("/api/home/page").ok()["logged"][0]["because"],
        "hurt"
    );
    let patient = vera.get("/api/day-list").ok()["rows"][0]["patient"].clone();
    let entry = vera
        .timeline(&patient)
        .into_iter()
        .find(|e| e["kind"] == "log")
        .expect("the entry");
    assert_eq!(entry["says"]["args"]["how"], "hurt", "{entry}");
}

#[test]
fn a_sheet_carries_the_link_that_stands_and_no_other() {
    let clinic = clinic();
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let at = format!("/api/episodes/{episode}/handout.pdf");
    let first = link(&vera, &episode);
    let with = |link: &str| vera.post(&format!("{at}?large=true"), &json!({ "link": link }));
    let sheet = String::from_utf8(with(&first).bytes).expect("plain paper");
    assert!(sheet.contains("large") && sheet.contains("code"), "{sheet}");
    let plain = String::from_utf8(vera.get(&at).bytes).expect("plain paper");
    assert!(
        !plain.contains("large") && !plain.contains("code"),
        "{plain}"
    );
    // Replaced, made up, or somebody else's: it would lead nowhere, or to another patient.
    let second = link(&vera, &episode);
    for wrong in [first.as_str(), "abcdefghijklmnopqrstuvwxyz", ""] {
        let refused = with(wrong);
        assert_eq!(refused.status, 422, "{wrong}");
        assert_eq!(refused.json()["fields"][0]["field"], "link");
    }
    assert_eq!(with(&second).status, 200);
    assert_eq!(
        clinic
            .sign_in("ada")
            .post(&at, &json!({ "link": second }))
            .status,
        403
    );
}
