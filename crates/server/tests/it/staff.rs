//! Who may come in, with what, for how long, and how slow guessing is.

use super::harness::{Answer, Clinic, Session};
use diesel::RunQueryDsl;
use ritorno_server::Settings;
use serde_json::{Value, json};
use totp_rs::{Builder, Secret, Totp};
use uuid::Uuid;

const GOOD: &str = "four boats leave before the bora";

fn sql(clinic: &Clinic, text: &str) {
    diesel::sql_query(text)
        .execute(&mut clinic.owner())
        .unwrap_or_else(|error| panic!("{text}: {error}"));
}

fn kind(answer: &Answer) -> String {
    let kind = answer.json()["type"].as_str().expect("a type").to_owned();
    kind.replace("urn:ritorno:problem:", "")
}

/// The faults of an answer: field and code.
fn faults(answer: &Answer) -> Vec<String> {
    let fields = answer.json()["fields"].as_array().expect("fields").clone();
    let word = |f: &Value, key: &str| f[key].as_str().expect("a word").to_owned();
    let told = fields
        .iter()
        .map(|f| format!("{} {}", word(f, "field"), word(f, "code")));
    told.collect()
}

fn invited(lea: &Session, login: &str, role: &str) -> (Uuid, String) {
    let id = Uuid::now_v7();
    let form = json!({ "id": id, "login": login, "name": "Mara Sepich", "role": role });
    let link = lea.post("/api/staff", &form).ok();
    (id, link["token"].as_str().expect("a token").to_owned())
}

#[test]
fn somebody_is_invited_chooses_a_password_works_and_is_out_at_once() {
    let clinic = Clinic::open();
    let lea = clinic.sign_in("lea");
    assert_eq!(clinic.sign_in("vera").get("/api/staff").status, 403);
    let (id, first) = invited(&lea, "mara", "clinician");
    let stranger = |path: &str, body: Value| clinic.from("198.51.100.7", path, &body);
    // Asked for once more, the link of before no longer works.
    let link = lea.post(&format!("/api/staff/{id}/link"), &json!({})).ok();
    let token = link["token"].as_str().expect("a token");
    let lost = stranger("/api/links/open", json!({ "token": first }));
    assert_eq!((lost.status, kind(&lost).as_str()), (404, "no-such-link"));
    let opened = stranger("/api/links/open", json!({ "token": token })).ok();
    assert_eq!(opened["name"], "Mara Sepich");

    let choose = |password: &str| {
        let body = json!({ "token": token, "password": password });
        stranger("/api/links/use", body)
    };
    for (password, fault) in [
        ("bora", "password password-short"),
        ("passwordpassword", "password password-guessed"),
        ("qwertyuiopasdfgh", "password password-guessed"),
        ("mara sepich mara", "password password-guessed"),
    ] {
        assert_eq!(faults(&choose(password)), [fault], "{password}");
    }
    assert_eq!(choose(GOOD).ok()["login"], "mara");
    let wrong = stranger("/api/links/open", json!({ "token": "0".repeat(64) }));
    // Used, wrong or run out: the same answer.
    assert_eq!(choose(GOOD).bytes, wrong.bytes);

    let mara = clinic.sign_in_with("mara", GOOD);
    assert_eq!(mara.get("/api/day-list").status, 200);
    let row = |page: &Value| {
        let people = page["people"].as_array().expect("people").clone();
        let mara = people.into_iter().find(|p| p["login"] == "mara");
        mara.expect("Mara")
    };
    let page = lea.get("/api/staff").ok();
    assert_eq!(row(&page)["standing"], "active");
    let ended = lea.post(&format!("/api/staff/{id}/end"), &json!({})).ok();
    assert_eq!(row(&ended)["standing"], "ended");
    assert_eq!(mara.get("/api/day-list").status, 401, "at once");
    let refused = clinic.try_in("mara", GOOD, None);
    let unknown = clinic.try_in("nobody", GOOD, None);
    assert_eq!(refused.status, 401);
    assert_eq!(refused.bytes, unknown.bytes, "nothing tells them apart");
    // What she is called stays known; nothing new becomes hers.
    let people = lea.get("/api/people").ok();
    let listed = people["people"].as_array().expect("people").iter();
    let mara = listed.into_iter().find(|p| p["name"] == "Mara Sepich");
    assert_eq!(mara.expect("listed")["treats"], false);
    lea.post(&format!("/api/staff/{id}/again"), &json!({})).ok();
    clinic.sign_in_with("mara", GOOD);

    // A clinic keeps somebody who can let others in.
    let own = lea.get("/api/session").ok()["id"].clone();
    let own = own.as_str().expect("an id");
    let alone = lea.post(&format!("/api/staff/{own}/end"), &json!({}));
    assert_eq!(faults(&alone), ["role last-lead"]);
    let less = lea.put(
        &format!("/api/staff/{own}"),
        &json!({ "name": "Lea", "role": "clinician" }),
    );
    assert_eq!(faults(&less), ["role last-lead"]);
}

#[test]
fn an_empty_clinic_begins_with_a_link_that_works_once_and_only_while_nobody_is_there() {
    let clinic = Clinic::empty();
    let link = || ritorno_server::first_link(&clinic.state).expect("asked");
    let (before, token) = (link().expect("a link"), link().expect("another"));
    let take = |token: &str, login: &str| {
        let body =
            json!({ "token": token, "password": GOOD, "login": login, "name": "Livia Onesti" });
        clinic.from("198.51.100.7", "/api/links/use", &body)
    };
    assert_eq!(take(&before, "livia").status, 404, "replaced");
    assert_eq!(faults(&take(&token, "Li via")), ["login login-letters"]);
    take(&token, "livia").ok();
    assert_eq!(take(&token, "eve").status, 404, "once");
    assert_eq!(link(), None, "somebody is there");
    let livia = clinic.sign_in_with("livia", GOOD);
    assert_eq!(livia.get("/api/session").ok()["role"], "lead");
}

#[test]
fn a_password_made_for_somebody_opens_nothing_but_their_own_choice() {
    let clinic = Clinic::open();
    sql(
        &clinic,
        "update app_user set must_change = true where login = 'vera'",
    );
    let (vera, other) = (clinic.sign_in("vera"), clinic.sign_in("vera"));
    assert_eq!(vera.get("/api/session").ok()["must"], "password");
    let held = vera.get("/api/day-list");
    assert_eq!((held.status, kind(&held).as_str()), (403, "must-change"));
    let change = |old: &str, new: &str| {
        let body = json!({ "old": old, "new": new });
        vera.put("/api/me/password", &body)
    };
    assert_eq!(faults(&change("harbor", GOOD)), ["old password-wrong"]);
    assert_eq!(faults(&change("harbour", "vera")), ["new password-short"]);
    assert_eq!(change("harbour", GOOD).status, 204);
    assert_eq!(vera.get("/api/day-list").status, 200);
    assert_eq!(other.get("/api/session").status, 401, "signed out there");
    assert_eq!(clinic.try_in("vera", "harbour", None).status, 401);
}

fn phone(secret: &str) -> Totp {
    Builder::new()
        .with_secret(Secret::try_from_base32(secret).expect("a secret"))
        .with_account_name("lea")
        .build()
        .expect("a telephone")
}

#[test]
fn a_second_factor_is_asked_for_used_once_and_can_be_lost() {
    let clinic = Clinic::open();
    let lea = clinic.sign_in("lea");
    let path = "/api/me/second-factor";
    let wrong = lea.post(path, &json!({ "password": "harbor" }));
    assert_eq!(faults(&wrong), ["password password-wrong"]);
    // RFC 6238: half-minute steps, six digits, SHA-1; what another reading of it says the clinic must take.
    let offer = lea.post(path, &json!({ "password": "harbour" })).ok();
    let phone = phone(offer["secret"].as_str().expect("a secret"));
    let confirm = |code: &str| lea.post(&format!("{path}/confirm"), &json!({ "code": code }));
    assert_eq!(faults(&confirm("12")), ["code wrong-code"]);
    assert_eq!(clinic.try_in("lea", "harbour", None).status, 200, "not yet");
    let code = phone.generate_current().to_string();
    let codes = confirm(&code).ok()["codes"].clone();
    let codes = codes.as_array().expect("codes").clone();
    assert_eq!(codes.len(), 10);

    let asked = clinic.try_in("lea", "harbour", None);
    assert_eq!((asked.status, kind(&asked).as_str()), (401, "asks-code"));
    for used in [code.as_str(), "000000"] {
        let again = clinic.try_in("lea", "harbour", Some(used));
        assert_eq!((again.status, kind(&again).as_str()), (401, "wrong-code"));
    }
    // The next step: half a minute from now, and already within what a slow clock is allowed.
    let now = std::time::SystemTime::now()
        .duration_since(std::time::SystemTime::UNIX_EPOCH)
        .expect("a clock");
    let next = phone.generate(now.as_secs() + 30).to_string();
    assert_eq!(clinic.try_in("lea", "harbour", Some(&next)).status, 200);
    assert_eq!(clinic.try_in("lea", "harbour", Some(&next)).status, 401);
    let lost = codes[0].as_str().expect("a code").to_uppercase();
    assert_eq!(clinic.try_in("lea", "harbour", Some(&lost)).status, 200);
    assert_eq!(clinic.try_in("lea", "harbour", Some(&lost)).status, 401);
    assert_eq!(lea.get(path).ok()["codes_left"], 9);

    // Where a clinic asks leads for one, a lead without it does nothing else first.
    let rules = json!({ "leads_need_second_factor": true, "idle_minutes": 30 });
    let keep = json!({ "rev": 0, "rules": rules });
    lea.put("/api/access-rules", &keep).ok();
    assert_eq!(lea.get("/api/day-list").status, 200);
    let end = lea.post(&format!("{path}/end"), &json!({ "password": "harbour" }));
    assert_eq!(end.status, 204);
    assert_eq!(lea.get("/api/session").ok()["must"], "second-factor");
    let held = lea.get("/api/day-list");
    assert_eq!(kind(&held), "must-second-factor");
    // Others go on.
    assert_eq!(clinic.sign_in("vera").get("/api/day-list").status, 200);
}

#[test]
fn sessions_are_seen_ended_lie_idle_and_keep_to_the_encrypted_way() {
    let clinic = Clinic::open();
    let (vera, phone, lea) = (
        clinic.sign_in("vera"),
        clinic.sign_in("vera"),
        clinic.sign_in("lea"),
    );
    let list = vera.get("/api/me/sessions").ok();
    let rows = list["sessions"].as_array().expect("sessions").clone();
    assert_eq!(rows.len(), 2);
    let other = rows.iter().find(|r| r["this"] == false).expect("another");
    let other = other["id"].as_str().expect("an id");
    // Nobody ends a stranger's session as their own.
    let path = format!("/api/me/sessions/{other}/end");
    assert_eq!(lea.post(&path, &json!({})).status, 404);
    vera.post(&path, &json!({})).ok();
    assert_eq!(phone.get("/api/session").status, 401);
    let (vera_id, second) = (vera.get("/api/session").ok(), clinic.sign_in("vera"));
    vera.post("/api/me/sessions/end", &json!({})).ok();
    assert_eq!(second.get("/api/session").status, 401);
    let vera_id = vera_id["id"].as_str().expect("an id");
    let seen = lea.get(&format!("/api/staff/{vera_id}/sessions")).ok();
    let one = seen["sessions"][0]["id"].as_str().expect("one left");
    lea.post(
        &format!("/api/staff/{vera_id}/sessions/{one}/end"),
        &json!({}),
    )
    .ok();
    assert_eq!(vera.get("/api/session").status, 401);

    let vera = clinic.sign_in("vera");
    sql(
        &clinic,
        "update session set seen_at = now() - interval '29 minutes'",
    );
    assert_eq!(vera.get("/api/session").status, 200);
    assert_eq!(vera.get("/api/session").status, 200, "noted as used");
    sql(
        &clinic,
        "update session set seen_at = now() - interval '31 minutes'",
    );
    assert_eq!(vera.get("/api/session").status, 401, "idle");
    let vera = clinic.sign_in("vera");
    sql(&clinic, "update session set expires_at = now()");
    assert_eq!(vera.get("/api/session").status, 401, "over, used or not");

    let behind = Clinic::opened(|state| {
        state.reached(Settings {
            public_address: Some("https://clinic.example".to_owned()),
            trusted_proxies: Vec::new(),
        })
    });
    let set = behind.try_in("vera", "harbour", None).set_cookie;
    for part in [
        "__Host-ritorno=",
        "; Secure",
        "; HttpOnly",
        "SameSite=Strict",
        "; Path=/",
    ] {
        assert!(set.contains(part), "{part} in {set}");
    }
}

#[test]
fn guessing_is_slow_and_locks_nobody_else_out() {
    let clinic = Clinic::open();
    let guess = |from: &str, login: &str, password: &str| {
        let body = json!({ "login": login, "password": password });
        clinic.from(from, "/api/session", &body).status
    };
    let here = "203.0.113.9";
    // All at once: those that come while the first are being looked at are not looked at.
    let at_once: Vec<u16> = std::thread::scope(|scope| {
        let tries: Vec<_> = (0..24)
            .map(|n| scope.spawn(move || guess(here, "vera", &format!("guess {n}"))))
            .collect();
        tries
            .into_iter()
            .map(|t| t.join().expect("a try"))
            .collect()
    });
    let looked_at = |answers: &[u16]| answers.iter().filter(|s| **s == 401).count();
    assert!(looked_at(&at_once) <= 5, "{at_once:?}");
    let many: Vec<u16> = (0..1000)
        .map(|n| guess(here, "vera", &format!("guess {n}")))
        .collect();
    // The ninth would come after twenty minutes, however slow the machine.
    assert!(looked_at(&many) <= 8, "{} of 1000", looked_at(&many));
    assert!(many.iter().all(|s| [401, 429, 503].contains(s)));
    // The last failure was a moment ago, however long the machine took for all these.
    let just_now = || {
        sql(
            &clinic,
            "update sign_in_attempt set at = now() where not succeeded",
        )
    };
    just_now();
    assert_eq!(guess(here, "vera", "harbour"), 429, "right, and too soon");
    assert_eq!(guess("203.0.113.10", "vera", "harbour"), 200);
    // Through all names from one address, until it is the address that waits; where one came in before, one comes in.
    assert_eq!(guess(here, "lea", "harbour"), 200);
    for n in 0..40 {
        guess(here, &format!("name{n}"), "guess");
    }
    just_now();
    assert_eq!(guess(here, "aldo", "harbour"), 429);
    assert_eq!(guess(here, "lea", "harbour"), 200);
    // One name from everywhere: slower for newcomers, not where she came in before.
    for n in 0..45 {
        guess(&format!("192.0.2.{n}"), "vera", "guess");
    }
    just_now();
    assert_eq!(guess("192.0.2.200", "vera", "harbour"), 429);
    assert_eq!(guess("203.0.113.10", "vera", "harbour"), 200);

    let mut links = [0; 2];
    let many = match std::env::var("RITORNO_LONG") {
        Ok(_) => 10_000,
        Err(_) => 1000,
    };
    for n in 0..many {
        let body = json!({ "token": format!("{n:064x}") });
        match clinic.from("203.0.113.77", "/api/links/open", &body).status {
            404 => links[0] += 1,
            429 => links[1] += 1,
            other => panic!("{other}"),
        }
    }
    assert!(links[0] <= 10, "{links:?}");

    // Only a proxy that is trusted says where a request comes from; this one says it for itself.
    let alone = Clinic::opened(|state| state.reached(Settings::default()));
    let tries: Vec<u16> = (0..8)
        .map(|n| {
            let body = json!({ "login": "vera", "password": "guess" });
            let from = format!("192.0.2.{n}");
            alone.from(&from, "/api/session", &body).status
        })
        .collect();
    assert_eq!(tries, [401, 401, 401, 401, 401, 429, 429, 429]);
}
