//! Who may come in, from where, and how often they may try.

use super::harness::{Clinic, TODAY, reading};
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
    for (login, read, measure, log, sign) in
        [("lea", 200, 200, 200, 200), ("aldo", 200, 200, 200, 403), ("ada", 200, 403, 403, 403), ("leo", 403, 403, 403, 403)]
    {
        let who = clinic.sign_in(login);
        assert_eq!(who.get(&at("visit")).status, read, "{login} reads");
        assert_eq!(who.post(&at("readings"), &reading("passive-elevation", 80.0, TODAY)).status, measure, "{login} measures");
        assert_eq!(who.post(&at("log"), &slip()).status, log, "{login} logs");
        assert_eq!(who.post(&at("notes"), &note()).status, sign, "{login} signs");
        let leaves = clinic.send("DELETE", "/api/session", &who.cookie, Some(&clinic.address), "application/json", vec![]);
        assert_eq!(leaves.status, 204, "{login} may leave");
    }
}

#[test]
fn writes_come_from_the_applications_own_pages_and_sessions_end() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let body = reading("passive-elevation", 80.0, TODAY).to_string().into_bytes();
    let path = format!("/api/episodes/{episode}/readings");
    for origin in [None, Some("http://elsewhere.example"), Some("null")] {
        assert_eq!(clinic.send("POST", &path, &vera.cookie, origin, "application/json", body.clone()).status, 403, "{origin:?}");
    }
    assert_eq!(clinic.send("GET", "/api/decisions", "", None, "application/json", vec![]).status, 401);
    assert_eq!(clinic.send("GET", "/api/decisions", "guessed", None, "application/json", vec![]).status, 401);
    assert_eq!(clinic.send("DELETE", "/api/session", &vera.cookie, Some(&clinic.address), "application/json", vec![]).status, 204);
    assert_eq!(vera.get("/api/decisions").status, 401);
}

#[test]
fn attempts_are_throttled_per_name() {
    let clinic = Clinic::open();
    let attempt = |login: &str, password: &str| {
        let body = json!({ "login": login, "password": password }).to_string().into_bytes();
        clinic.send("POST", "/api/session", "", Some(&clinic.address), "application/json", body)
    };
    for _ in 0..5 {
        assert_eq!(attempt("vera", "guess").status, 401);
    }
    assert_eq!(attempt("vera", "harbour").status, 429, "even the right password waits now");
    assert_eq!(attempt("lea", "harbour").status, 200, "another name does not");
    assert_eq!(attempt("nobody", "guess").json()["type"], "urn:ritorno:problem:wrong-login");
}
