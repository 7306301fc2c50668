//! Many at once: nobody is told anything untrue, and the night's work goes on.

use super::harness::Clinic;
use diesel::connection::SimpleConnection;
use std::sync::mpsc;

#[test]
fn a_crowd_is_told_that_it_is_busy_and_never_that_the_database_is_away() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    vera.rigger();
    // Somebody holds what every request needs first, so all of them stand in line.
    let mut holder = clinic.owner();
    holder
        .batch_execute("begin; lock table session in access exclusive mode")
        .expect("held");
    let (tell, told) = mpsc::channel();
    std::thread::scope(|threads| {
        for _ in 0..100 {
            let (tell, vera) = (tell.clone(), &vera);
            threads.spawn(move || {
                let answer = vera.get("/api/day-list");
                let body = answer.json();
                let again = body["retry_after_s"].as_u64();
                tell.send((answer.status, body["type"].clone(), again))
                    .expect("told");
            });
        }
        // Requests hold what is theirs to hold: the change of day has connections of its own.
        ritorno_server::change_day(&clinic.state).expect("goes on");
    });
    drop(tell);
    let answers: Vec<_> = told.iter().collect();
    assert_eq!(answers.len(), 100);
    for (status, kind, again) in answers {
        assert_eq!(
            (status, kind.as_str(), again),
            (503, Some("urn:ritorno:problem:busy"), Some(1))
        );
    }
    holder.batch_execute("rollback").expect("let go");
    vera.get("/api/day-list").ok();
}

#[test]
fn guesses_made_at_once_do_not_all_pass_the_throttle() {
    let clinic = Clinic::open();
    let guess = |password: &str| -> u16 {
        let body = serde_json::json!({ "login": "vera", "password": password });
        let origin = clinic.address.clone();
        clinic
            .send(
                "POST",
                "/api/session",
                "",
                Some(&origin),
                "application/json",
                body.to_string().into_bytes(),
            )
            .status
    };
    let statuses: Vec<u16> = std::thread::scope(|threads| {
        let tries: Vec<_> = (0..8)
            .map(|n| threads.spawn(move || guess(&format!("guess {n}"))))
            .collect();
        tries
            .into_iter()
            .map(|t| t.join().expect("joined"))
            .collect()
    });
    // Hashing takes two at a time: a few may be on their way when the fifth failure is noted. On a slow machine somebody waits too
    // long for a turn and is asked to come again.
    let tried = statuses.iter().filter(|s| **s == 401).count();
    assert!(tried <= 7, "{statuses:?}");
    assert!(
        statuses.iter().all(|s| [401, 429, 503].contains(s)),
        "{statuses:?}"
    );
    for _ in tried..5 {
        assert!([401, 429].contains(&guess("one after the other")));
    }
    assert_eq!(guess("harbour"), 429, "right or wrong");
}
