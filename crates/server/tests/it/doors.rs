//! Who may come in, from where, and how often they may try.

use super::harness::{Clinic, TODAY, document, measurement};
use super::hostile::writes;
use ritorno_core::permission::{Action, Role, may};
use serde_json::json;
use uuid::Uuid;

#[test]
fn roles_may_do_what_the_matrix_says() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let note = || json!({ "id": Uuid::now_v7(), "body": "seen" });
    let slip = || json!({ "id": Uuid::now_v7(), "on": TODAY, "exercise": null, "kind": "slip" });
    for (login, read, measure, log, sign) in [
        ("lea", 200, 200, 200, 200),
        ("aldo", 200, 200, 200, 403),
        ("ada", 200, 403, 403, 403),
        ("leo", 403, 403, 403, 403),
    ] {
        let who = clinic.sign_in(login);
        assert_eq!(who.get(&at("visit")).status, read, "{login} reads");
        assert_eq!(
            who.post(
                &at("measurements"),
                &measurement("passive-elevation", 80.0, TODAY)
            )
            .status,
            measure,
            "{login} measures"
        );
        assert_eq!(who.post(&at("log"), &slip()).status, log, "{login} logs");
        assert_eq!(
            who.post(&at("notes"), &note()).status,
            sign,
            "{login} signs"
        );
        let leaves = clinic.send(
            "DELETE",
            "/api/session",
            &who.cookie,
            Some(&clinic.address),
            "application/json",
            vec![],
        );
        assert_eq!(leaves.status, 204, "{login} may leave");
    }
}

#[test]
fn writes_come_from_the_applications_own_pages_and_sessions_end() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let body = measurement("passive-elevation", 80.0, TODAY)
        .to_string()
        .into_bytes();
    let path = format!("/api/episodes/{episode}/measurements");
    for origin in [None, Some("http://elsewhere.example"), Some("null")] {
        assert_eq!(
            clinic
                .send(
                    "POST",
                    &path,
                    &vera.cookie,
                    origin,
                    "application/json",
                    body.clone()
                )
                .status,
            403,
            "{origin:?}"
        );
    }
    assert_eq!(
        clinic
            .send("GET", "/api/day-list", "", None, "application/json", vec![])
            .status,
        401
    );
    assert_eq!(
        clinic
            .send(
                "GET",
                "/api/day-list",
                "guessed",
                None,
                "application/json",
                vec![]
            )
            .status,
        401
    );
    assert_eq!(
        clinic
            .send(
                "DELETE",
                "/api/session",
                &vera.cookie,
                Some(&clinic.address),
                "application/json",
                vec![]
            )
            .status,
        204
    );
    assert_eq!(vera.get("/api/day-list").status, 401);
}

#[test]
fn attempts_are_throttled_per_name() {
    let clinic = Clinic::open();
    let attempt = |login: &str, password: &str| {
        let body = json!({ "login": login, "password": password })
            .to_string()
            .into_bytes();
        clinic.send(
            "POST",
            "/api/session",
            "",
            Some(&clinic.address),
            "application/json",
            body,
        )
    };
    for _ in 0..5 {
        assert_eq!(attempt("vera", "guess").status, 401);
    }
    assert_eq!(
        attempt("vera", "harbour").status,
        429,
        "even the right password waits now"
    );
    assert_eq!(
        attempt("lea", "harbour").status,
        200,
        "another name does not"
    );
    assert_eq!(
        attempt("nobody", "guess").json()["type"],
        "urn:ritorno:problem:wrong-login"
    );
}

/// Every address of the document with its methods; ids are filled in.
pub(super) fn addresses(episode: &str) -> Vec<(String, String)> {
    let document = document();
    let paths = document["paths"].as_object().expect("paths").clone();
    let mut out = Vec::new();
    for (path, methods) in paths {
        let parts: Vec<String> = path
            .split('/')
            .map(|part| match part {
                "{id}" if path.starts_with("/api/episodes") => episode.to_owned(),
                "{exercise}" => "assisted-elevation-lying-other-hand".to_owned(),
                part if part.starts_with('{') => Uuid::nil().to_string(),
                part => part.to_owned(),
            })
            .collect();
        out.extend(
            methods
                .as_object()
                .expect("methods")
                .keys()
                .map(|method| (method.to_uppercase(), parts.join("/"))),
        );
    }
    assert!(out.len() > 35, "{} addresses", out.len());
    out
}

#[test]
fn no_door_stands_open_to_strangers_or_learners() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let learner = clinic.sign_in("leo");
    for (method, path) in addresses(&episode)
        .into_iter()
        .filter(|(_, path)| {
            !path.starts_with("/api/session")
                && !path.starts_with("/api/links/")
                && !path.starts_with("/api/calendars/")
        })
        .filter(|(_, path)| path != "/api/home/open" && path != "/api/home/clinic")
    {
        // A session of the clinic is nobody on the patient's page.
        let signed_in = if path.starts_with("/api/home/") {
            401
        } else {
            403
        };
        for (who, cookie, refused) in [
            ("a stranger", "", 401),
            ("a learner", learner.cookie.as_str(), signed_in),
        ] {
            let query = if path.ends_with("/stream") {
                "?device=dynamometer&lost_at_s=0.0"
            } else {
                ""
            };
            let answer = clinic.send(
                &method,
                &format!("{path}{query}"),
                cookie,
                Some(&clinic.address),
                "application/json",
                b"{}".to_vec(),
            );
            // Everybody sees to their own account, whatever their role.
            if cookie == learner.cookie && path.starts_with("/api/me/") {
                assert_ne!(answer.status, 403, "{method} {path}");
                continue;
            }
            // A body is read before anybody is asked who they are; nothing is loaded for it.
            let expected = if method == "GET" {
                answer.status == refused
            } else {
                [refused, 400].contains(&answer.status)
            };
            assert!(
                expected,
                "{method} {path} answers {who} with {}",
                answer.status
            );
        }
    }
    assert_eq!(
        vera.get(&format!("/api/episodes/{episode}/story")).ok()["rev"],
        1,
        "and nothing was changed"
    );
}

/// What each address asks of a role, said once more beside the code.
fn asked_by(path: &str) -> Action {
    use Action::*;
    match path.rsplit('/').next().unwrap_or_default() {
        "measurements" | "scores" | "findings" | "exam-notes" | "strength" | "outcomes"
        | "withdrawals" | "angle" => Measure,
        "log" | "week-uses" | "contacts" | "appointments" | "openings" | "home-hours" => EnterLog,
        "home-link" | "reminders" => TakeHome,
        "limits" | "breach-answers" => RecordLimit,
        "flags" | "flag-steps" | "home-read" => AnswerFlags,
        "attestations" | "notes" | "end" | "reopen" | "decisions" | "sign" | "pass" | "covers" => {
            Sign
        }
        "build" | "what-if" | "program" => EditProgram,
        "patients" | "story" | "care" => EditStory,
        "screen" | "judge" | "check" | "week" => ReadRecord,
        "elastics" | "defaults" | "pathways" => KeepDefaults,
        "staff" | "access-rules" => KeepPeople,
        _ if path.starts_with("/api/patients/") => EditStory,
        other => panic!("{other} is in no row of this table"),
    }
}

/// A right body opens no door: whoever's role may not is refused before anything is written.
#[test]
fn every_role_meets_every_write_with_a_right_body() {
    let clinic = Clinic::demo();
    let lea = clinic.sign_in("lea");
    let episode = lea.rigger();
    lea.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let id = Uuid::now_v7();
    let defaults = lea.get("/api/defaults").ok();
    let people = lea.get("/api/staff").ok();
    let mut writes = writes(&lea, &episode);
    // Who made the entries of an outbox is asked for before the role; it has its own test.
    writes.retain(|(_, path, _)| path != "/api/entries");
    writes.extend([
        ("POST", at("program/build"), json!({})),
        ("POST", at("home-link"), json!({})),
        ("POST", at("program/sign"), json!({ "rev": 0 })),
        (
            "POST",
            at("gates/to-protected-passive/pass"),
            json!({ "overridden": {} }),
        ),
        (
            "POST",
            at("contacts"),
            json!({ "id": id, "on": TODAY, "how": "telephone" }),
        ),
        (
            "POST",
            at("care"),
            json!({ "id": id, "on": TODAY, "who": null }),
        ),
        (
            "POST",
            at("openings"),
            json!({ "id": id, "words": "asked by the ward" }),
        ),
        (
            "POST",
            "/api/covers".to_owned(),
            json!({ "id": id, "away": id, "covers": id, "from": TODAY, "until": TODAY, "words": "" }),
        ),
        (
            "PUT",
            "/api/defaults".to_owned(),
            json!({ "rev": defaults["rev"], "defaults": defaults["defaults"] }),
        ),
        (
            "POST",
            "/api/staff".to_owned(),
            json!({ "id": id, "login": "new", "name": "new", "role": "clinician" }),
        ),
        (
            "PUT",
            "/api/access-rules".to_owned(),
            json!({ "rev": people["rev"], "rules": people["rules"] }),
        ),
        (
            "POST",
            "/api/pathways".to_owned(),
            json!({ "base": "cuff-repair-small-medium", "title": "Slow" }),
        ),
        (
            "POST",
            "/api/instruments/angle".to_owned(),
            json!([{ "t_s": 0.0, "angle_deg": 10.0 }]),
        ),
    ]);
    let mut met = [0; 2];
    let mut wrong = Vec::new();
    for (who, role) in [
        ("ada", Role::Auditor),
        ("leo", Role::Learner),
        ("aldo", Role::Assistant),
        ("vera", Role::Clinician),
        ("lea", Role::Lead),
    ] {
        let session = clinic.sign_in(who);
        for (method, path, body) in &writes {
            let before = rows(&clinic);
            let answer = match *method {
                "PUT" => session.put(path, body),
                _ => session.post(path, body),
            };
            let allowed = may(role, asked_by(path));
            let told = String::from_utf8_lossy(&answer.bytes).into_owned();
            if answer.status == 400 || (answer.status != 403) != allowed {
                wrong.push(format!("{who} {method} {path}: {} {told}", answer.status));
            }
            if !allowed {
                assert_eq!(rows(&clinic), before, "{who} {method} {path} left a row");
            }
            met[usize::from(allowed)] += 1;
        }
    }
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
    assert!(met[0] > 60 && met[1] > 80, "{met:?}");
}

/// Rows of the audit.
fn rows(clinic: &Clinic) -> i64 {
    use diesel::RunQueryDsl;
    #[derive(diesel::QueryableByName)]
    struct Count {
        #[diesel(sql_type = diesel::sql_types::BigInt)]
        n: i64,
    }
    let count: Count = diesel::sql_query("select count(*) as n from audit")
        .get_result(&mut clinic.owner())
        .expect("counted");
    count.n
}

#[test]
fn nonsense_is_refused_as_a_problem_at_every_door_and_leaves_nothing() {
    let clinic = Clinic::open();
    let lea = clinic.sign_in("lea");
    let episode = lea.rigger();
    let before = rows(&clinic);
    let deep = format!("{}{}", "[".repeat(400), "]".repeat(400));
    let bodies = [
        "",
        "null",
        "[]",
        "7",
        "\"x\"",
        "{\"id\":1}",
        "{\"id\":\"00000000-0000-0000-0000-000000000000\",\"on\":\"2027-02-31\"}",
        "{\"ratings\":[[1e999]]}",
        deep.as_str(),
    ];
    for (method, path) in addresses(&episode)
        .into_iter()
        .filter(|(method, path)| method != "GET" && path != "/api/session")
    {
        // Some addresses act on their name alone and take no body.
        let bodyless = ["/end", "/build", "/home-link", "/no-reminders"]
            .iter()
            .any(|last| path.ends_with(last));
        for body in bodies.iter().filter(|_| !bodyless) {
            let answer = clinic.send(
                &method,
                &path,
                &lea.cookie,
                Some(&clinic.address),
                "application/json",
                body.as_bytes().to_vec(),
            );
            assert!(
                (400..500).contains(&answer.status),
                "{method} {path} {body:.40}: {}",
                answer.status
            );
            assert_eq!(
                answer.kind, "application/problem+json",
                "{method} {path} {body:.40}"
            );
            assert!(
                answer.json()["title"]
                    .as_str()
                    .is_some_and(|t| !t.is_empty())
            );
        }
    }
    assert_eq!(rows(&clinic), before, "nothing half-written");
}

#[test]
fn eight_hands_at_once_store_every_entry_once() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let (vera_hand, lea) = (&vera, clinic.sign_in("lea"));
    let shared = measurement("passive-elevation", 88.0, TODAY);
    let path = format!("/api/episodes/{episode}/measurements");
    let answers: Vec<(u16, u16)> = std::thread::scope(|scope| {
        let hands: Vec<_> = (0..8)
            .map(|i| {
                let (who, path, shared) =
                    (if i % 2 == 0 { vera_hand } else { &lea }, &path, &shared);
                // Each sends one of its own and all send the same one.
                scope.spawn(move || {
                    (
                        who.post(path, shared).status,
                        who.post(path, &measurement("passive-er-side", f64::from(i), TODAY))
                            .status,
                    )
                })
            })
            .collect();
        hands
            .into_iter()
            .map(|h| h.join().expect("a hand"))
            .collect()
    });
    // A full house may say "busy"; whoever was told so sends again, as the page's queue does.
    let again: usize = answers
        .iter()
        .map(|(a, b)| usize::from(*a == 503) + usize::from(*b == 503))
        .sum();
    assert!(
        answers
            .iter()
            .all(|(a, b)| [200, 503].contains(a) && [200, 503].contains(b)),
        "{answers:?}"
    );
    let mut conn = clinic.state.pool.get().expect("a connection");
    let today = clinic.state.today.date();
    let stored = ritorno_store::episode::load(&mut conn, episode.parse().expect("an id"), today)
        .expect("an episode")
        .facts
        .measurements;
    let same = stored
        .iter()
        .filter(|r| r.quantity == "passive-elevation")
        .count();
    assert_eq!(same, 1, "one id, one row");
    assert_eq!(
        stored.len() - same,
        8 - answers.iter().filter(|(_, b)| *b == 503).count(),
        "{again} were told to wait"
    );
}
