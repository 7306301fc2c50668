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
