//! What is never in a log, and what every answer carries.

use super::doors::addresses;
use super::harness::Clinic;
use diesel::RunQueryDsl;
use serde_json::{Value, json};
use std::io::Write;
use std::sync::{Mutex, PoisonError};

static LOG: Mutex<Vec<u8>> = Mutex::new(Vec::new());

struct Kept;

impl Write for Kept {
    fn write(&mut self, bytes: &[u8]) -> std::io::Result<usize> {
        LOG.lock()
            .unwrap_or_else(PoisonError::into_inner)
            .extend_from_slice(bytes);
        Ok(bytes.len())
    }
    fn flush(&mut self) -> std::io::Result<()> {
        Ok(())
    }
}

/// A person that no other test knows.
const SAID: &str = "Zvonka-Pettirosso";
const BORN: &str = "2987-03-04";

#[test]
fn no_log_tells_anything_about_anybody() {
    let listens = tracing_subscriber::fmt()
        .json()
        .with_writer(|| Kept)
        .try_init();
    assert!(listens.is_ok(), "this test alone listens");
    let clinic = Clinic::open();
    let lea = clinic.sign_in("lea");
    let episode = lea.rigger();
    let origin = Some(clinic.address.as_str());
    let mut person = super::harness::new_patient();
    person["given_name"] = json!(SAID);
    person["birth"] = json!(BORN);
    let refused = lea.post("/api/patients", &person);
    assert_eq!(refused.status, 422, "and the fault names the date");
    assert!(String::from_utf8_lossy(&refused.bytes).contains("birth"));
    person["birth"] = json!("1987-03-04");
    person["family_name"] = json!(format!("{SAID}\u{0}"));
    assert!(lea.post("/api/patients", &person).status >= 400);

    let anything = json!({
        "id": SAID, "name": SAID, "login": SAID, "password": SAID, "words": SAID, "body": SAID, "on": BORN, "birth": BORN,
        "given_name": SAID, "family_name": SAID, "story": { "note": SAID, "day0": BORN }, "token": SAID, "entries": [{ "id": SAID }],
    });
    for (method, path) in addresses(&episode) {
        let asked = format!("{path}?search={SAID}&q={SAID}&patient={SAID}");
        let spoilt = path.replace(&episode, SAID);
        for (path, body) in [
            (asked, anything.to_string()),
            (spoilt, anything.to_string()),
            (path, format!("{{\"{SAID}\": {BORN}")),
        ] {
            if !path.contains("/session") && !path.contains("/stream") {
                clinic.send(
                    &method,
                    &path,
                    &lea.cookie,
                    origin,
                    "application/json",
                    body.into_bytes(),
                );
            }
        }
    }
    clinic.try_in(SAID, SAID, Some(SAID));
    let log = LOG.lock().unwrap_or_else(PoisonError::into_inner).clone();
    let log = String::from_utf8(log).expect("text");
    assert!(log.contains("/api/patients") && log.lines().count() > 200);
    for told in [SAID, BORN, "1987-03-04"] {
        let line = log.lines().find(|line| line.contains(told));
        assert_eq!(line, None, "{told}");
    }
}

#[test]
fn answers_carry_what_keeps_them_safe_and_packed_bodies_are_refused() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let agent = ureq::Agent::config_builder()
        .http_status_as_error(false)
        .build();
    let agent: ureq::Agent = agent.into();
    let get = |path: &str| {
        let request = ureq::http::Request::builder()
            .uri(format!("{}{path}", clinic.address))
            .header("cookie", format!("ritorno_session={}", vera.cookie))
            .body(())
            .expect("a request");
        agent.run(request).expect("an answer")
    };
    let list = get("/api/day-list");
    let says = |name: &str| list.headers()[name].to_str().expect("text").to_owned();
    assert_eq!(says("cache-control"), "no-store");
    assert_eq!(says("cross-origin-opener-policy"), "same-origin");
    assert!(says("permissions-policy").contains("geolocation=()"));
    assert_eq!(says("x-content-type-options"), "nosniff");
    let again = get("/api/day-list");
    assert_ne!(
        again.headers()["x-request-id"],
        list.headers()["x-request-id"]
    );
    assert!(!list.headers().contains_key("strict-transport-security"));
    assert_eq!(get("/livez").status(), 200);
    assert_eq!(get("/readyz").status(), 200);

    // Packed, a little is a lot: nothing is unpacked.
    let packed = ureq::http::Request::builder()
        .method("POST")
        .uri(format!("{}/api/session", clinic.address))
        .header("origin", &clinic.address)
        .header("content-type", "application/json")
        .header("content-encoding", "gzip")
        .body(vec![0x1f_u8; 64])
        .expect("a request");
    let mut refused = agent.run(packed).expect("an answer");
    assert_eq!(refused.status(), 415);
    let told: Value = refused.body_mut().read_json().expect("a problem");
    assert_eq!(told["type"], "urn:ritorno:problem:packed");

    // A newer application has been at this database.
    diesel::sql_query("insert into __diesel_schema_migrations (version) values ('99990101000000')")
        .execute(&mut clinic.owner())
        .expect("marked");
    assert_eq!(get("/readyz").status(), 503);
}
