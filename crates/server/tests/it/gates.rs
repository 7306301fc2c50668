//! What comes before a handler: who sends, how much, how slowly, how often, and a database that says nothing.

use super::harness::{Clinic, Session, TODAY, measurement, new_patient};
use serde_json::{Value, json};
use std::io::{Read, Write};
use std::net::{Shutdown, TcpListener, TcpStream};
use std::sync::Arc;
use std::sync::atomic::{AtomicBool, Ordering};
use std::time::{Duration, Instant};
use uuid::Uuid;

/// The bound of the order, and room for a slow machine.
const SOON: Duration = Duration::from_secs(8);

/// A connection that is told when it waits in vain.
fn connect(clinic: &Clinic) -> TcpStream {
    let host = clinic.address.trim_start_matches("http://");
    let stream = TcpStream::connect(host).expect("connects");
    stream.set_read_timeout(Some(SOON)).expect("a bound");
    stream
}

/// The head of a write whose body is said to be `long`.
fn head(clinic: &Clinic, path: &str, cookie: &str, long: usize) -> String {
    let host = clinic.address.trim_start_matches("http://");
    format!(
        "POST {path} HTTP/1.1\r\nhost: {host}\r\norigin: http://{host}\r\ncontent-type: application/json\r\ncookie: ritorno_session={cookie}\r\ncontent-length: {long}\r\n\r\n"
    )
}

/// The status that comes back, 0 where the other side only hangs up.
fn status(stream: &mut TcpStream) -> u16 {
    let mut begun = [0u8; 12];
    match stream.read_exact(&mut begun) {
        Ok(()) => std::str::from_utf8(&begun[9..]).map_or(0, |code| code.parse().unwrap_or(0)),
        Err(error) if error.kind() == std::io::ErrorKind::WouldBlock => {
            panic!("no answer in {SOON:?}")
        }
        Err(_) => 0,
    }
}

#[test]
fn no_body_is_read_before_it_is_known_who_sends_it() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    // Nothing of the body is ever sent: only whoever decides by the head can answer.
    for cookie in ["", "made-up"] {
        for path in ["/api/patients", "/api/entries", "/api/instruments/force"] {
            let mut stream = connect(&clinic);
            let begin = Instant::now();
            stream
                .write_all(head(&clinic, path, cookie, 900_000).as_bytes())
                .expect("sent");
            assert_eq!(status(&mut stream), 401, "{path} {cookie}");
            assert!(begin.elapsed() < SOON);
        }
    }
    // Whoever is not signed in has nothing long to say.
    let mut stream = connect(&clinic);
    stream
        .write_all(head(&clinic, "/api/session", "", 900_000).as_bytes())
        .expect("sent");
    assert_eq!(status(&mut stream), 413);
    // A refusal carries what every answer carries.
    let mut stream = connect(&clinic);
    stream
        .write_all(head(&clinic, "/api/patients", "", 2).as_bytes())
        .expect("sent");
    stream.shutdown(Shutdown::Write).expect("said all");
    let mut text = String::new();
    let _ = stream.read_to_string(&mut text);
    let text = text.to_lowercase();
    for header in [
        "cache-control: no-store",
        "x-request-id: ",
        "content-security-policy: ",
        "application/problem+json",
    ] {
        assert!(text.contains(header), "{header} is missing in {text}");
    }
    // Whoever signed out is a stranger at once, though the sender was known a moment ago.
    vera.rigger();
    clinic.send(
        "DELETE",
        "/api/session",
        &vera.cookie,
        Some(&clinic.address),
        "application/json",
        vec![],
    );
    assert_eq!(vera.post("/api/patients", &new_patient()).status, 401);
}

#[test]
fn whoever_sends_slowly_too_much_or_too_often_gets_an_answer_and_holds_nobody_up() {
    let clinic = Clinic::demo();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let (clinic, cookie) = (&clinic, &vera.cookie);
    let visit = format!("/api/episodes/{episode}/visit");
    std::thread::scope(|threads| {
        // Thirty bodies and thirty heads that never end.
        let slow: Vec<_> = (0..60)
            .map(|n| {
                threads.spawn(move || {
                    let mut stream = connect(clinic);
                    let whole = head(clinic, "/api/patients", cookie, 5000);
                    let sent = if n % 2 == 0 { &whole } else { &whole[..60] };
                    stream.write_all(sent.as_bytes()).expect("sent");
                    status(&mut stream)
                })
            })
            .collect();
        // Heads of more than anybody needs.
        let floods: Vec<_> = (0..20)
            .map(|_| {
                threads.spawn(move || {
                    let mut stream = connect(clinic);
                    let lines: String = (0..4000)
                        .map(|n| format!("x-{n}: {}\r\n", "y".repeat(100)))
                        .collect();
                    let _ = stream.write_all(
                        format!("GET / HTTP/1.1\r\nhost: here\r\n{lines}\r\n").as_bytes(),
                    );
                    status(&mut stream)
                })
            })
            .collect();
        assert_eq!(vera.get(&visit).status, 200, "everybody else goes on");
        for one in slow {
            assert_eq!(one.join().expect("ends"), 408);
        }
        for one in floods {
            let status = one.join().expect("ends");
            assert!(status == 0 || (400..500).contains(&status), "{status}");
        }
    });
    // More devices than a clinic has.
    let mut streams: Vec<TcpStream> = Vec::new();
    let mut answers = Vec::new();
    for n in 0..300 {
        let mut stream = connect(clinic);
        let host = clinic.address.trim_start_matches("http://");
        stream
            .write_all(format!("GET /api/instruments/stream?device=dynamometer&seed={n} HTTP/1.1\r\nhost: {host}\r\ncookie: ritorno_session={cookie}\r\n\r\n").as_bytes())
            .expect("sent");
        answers.push(status(&mut stream));
        streams.push(stream);
    }
    assert!(
        answers.iter().all(|a| [200, 503].contains(a)),
        "{answers:?}"
    );
    assert!(answers.contains(&503), "none was asked to come again");
    assert_eq!(vera.get(&visit).status, 200, "a page beside them");
}

#[test]
fn more_rows_than_anybody_enters_are_refused_by_their_field() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let answers: Vec<Value> = (0..20_000)
        .map(|_| json!({ "flag": "fever", "answer": "no" }))
        .collect();
    let answer = vera.post(
        &format!("/api/episodes/{episode}/flags"),
        &json!({ "answers": answers }),
    );
    assert_eq!(answer.status, 422);
    assert_eq!(answer.json()["fields"][0]["field"], "answers");
    assert!(
        answer.json()["fields"][0]["message"]
            .as_str()
            .is_some_and(|m| m.contains("1000"))
    );
    let mut deep = json!("x");
    for _ in 0..60 {
        deep = json!([deep]);
    }
    let answer = vera.post(
        &format!("/api/episodes/{episode}/notes"),
        &json!({ "id": Uuid::now_v7(), "body": deep }),
    );
    assert_eq!(answer.status, 422);
}

/// A create whose answer was lost is sent once more: the same answer, and nothing twice; another one under its id is refused.
#[test]
fn a_repeated_create_answers_as_the_first_did() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let mut person = new_patient();
    person["another"] = json!(false);
    let first = vera.post("/api/patients", &person).ok();
    assert_eq!(vera.post("/api/patients", &person).ok(), first);
    let mut other = person.clone();
    other["given_name"] = json!("Nerina");
    assert_eq!(vera.post("/api/patients", &other).status, 409);
    let patient = person["patient"].as_str().expect("an id");
    let mut left = person["story"].clone();
    left["side"] = json!("left");
    let episode = json!({ "episode": Uuid::now_v7(), "story": left });
    let path = format!("/api/patients/{patient}/episodes");
    let first = vera.post(&path, &episode).ok();
    assert_eq!(vera.post(&path, &episode).ok(), first);
    let list = vera.get("/api/day-list").ok();
    assert_eq!(
        list["rows"].as_array().map(Vec::len),
        Some(2),
        "two shoulders of one person"
    );
}

/// Carries bytes between servers and the database, until it is told to hold still: then both sides wait, and no connection closes.
struct Wire {
    port: u16,
    still: Arc<AtomicBool>,
}

impl Wire {
    fn to(database: u16) -> Wire {
        let listener = TcpListener::bind("127.0.0.1:0").expect("a port");
        let port = listener.local_addr().expect("an address").port();
        let still = Arc::new(AtomicBool::new(false));
        let held = still.clone();
        std::thread::spawn(move || {
            for near in listener.incoming().flatten() {
                let far = TcpStream::connect(("127.0.0.1", database)).expect("the database");
                let pairs = [
                    (
                        near.try_clone().expect("a copy"),
                        far.try_clone().expect("a copy"),
                    ),
                    (far, near),
                ];
                for (from, to) in pairs {
                    let held = held.clone();
                    std::thread::spawn(move || carry(from, to, &held));
                }
            }
        });
        Wire { port, still }
    }
}

fn carry(mut from: TcpStream, mut to: TcpStream, still: &AtomicBool) {
    let mut bytes = [0u8; 8192];
    while let Ok(n) = from.read(&mut bytes) {
        while still.load(Ordering::Relaxed) {
            std::thread::yield_now();
            std::thread::park_timeout(Duration::from_millis(10));
        }
        if n == 0 || to.write_all(&bytes[..n]).is_err() {
            break;
        }
    }
    let _ = to.shutdown(Shutdown::Both);
}

fn entered(s: &Session, episode: &str, entry: &Value) -> u16 {
    s.post(&format!("/api/episodes/{episode}/measurements"), entry)
        .status
}

#[test]
fn a_database_that_says_nothing_is_told_within_seconds_and_forgotten_when_it_speaks() {
    let near = Clinic::open();
    let database = std::env::var("RITORNO_TEST_PG_PORT")
        .expect("a port")
        .parse()
        .expect("a number");
    let wire = Wire::to(database);
    let clinic = near.through(wire.port);
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let visit = format!("/api/episodes/{episode}/visit");
    assert_eq!(vera.get(&visit).status, 200);
    wire.still.store(true, Ordering::Relaxed);
    let entry = measurement("passive-elevation", 80.0, TODAY);
    let begin = Instant::now();
    let statuses = std::thread::scope(|threads| {
        let readers: Vec<_> = (0..12)
            .map(|_| threads.spawn(|| vera.get(&visit).status))
            .collect();
        let writer = threads.spawn(|| entered(&vera, &episode, &entry));
        let mut all: Vec<u16> = readers
            .into_iter()
            .map(|r| r.join().expect("an answer"))
            .collect();
        all.push(writer.join().expect("an answer"));
        all
    });
    assert!(statuses.iter().all(|s| *s == 503), "{statuses:?}");
    assert!(begin.elapsed() < SOON, "{:?}", begin.elapsed());
    // Once that is known, nobody waits for it; and the server itself lives.
    let begin = Instant::now();
    assert_eq!(vera.get(&visit).status, 503);
    assert_eq!(vera.get("/readyz").status, 503);
    assert!(
        begin.elapsed() < Duration::from_secs(2),
        "{:?}",
        begin.elapsed()
    );
    assert_eq!(vera.get("/livez").status, 200);
    wire.still.store(false, Ordering::Relaxed);
    let begin = Instant::now();
    while entered(&vera, &episode, &entry) != 200 {
        assert!(
            begin.elapsed() < Duration::from_secs(30),
            "it never came back"
        );
    }
    let kept = vera.get(&format!("/api/episodes/{episode}/ranges")).ok();
    assert_eq!(
        kept.to_string()
            .matches(entry["id"].as_str().expect("an id"))
            .count()
            .min(1),
        1
    );
}

/// Two servers, one of them with an older day: what the newer one has worked out stays, and what the older one writes is followed.
#[test]
fn a_server_with_an_older_day_moves_no_lane_back() {
    use diesel::prelude::*;
    #[derive(QueryableByName)]
    struct Row {
        #[diesel(sql_type = diesel::sql_types::Date)]
        as_of_day: chrono::NaiveDate,
        #[diesel(sql_type = diesel::sql_types::Integer)]
        inputs_rev: i32,
    }
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let lane = || {
        diesel::sql_query("select as_of_day, inputs_rev from lane")
            .get_result::<Row>(&mut clinic.owner())
            .expect("a lane")
    };
    let older = clinic.on("2027-02-20");
    let there = older.sign_in("vera");
    let before = lane();
    ritorno_server::change_day(&older.state).expect("changes");
    assert_eq!(lane().as_of_day.to_string(), TODAY);
    there
        .measurement(&episode, "passive-elevation", 80.0, "2027-02-20")
        .ok();
    let after = lane();
    assert_eq!(after.as_of_day.to_string(), TODAY);
    assert!(
        after.inputs_rev > before.inputs_rev,
        "what was written is followed"
    );
}

#[test]
fn an_inner_address_tells_how_the_server_does_and_nothing_of_anybody() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.get(&format!("/api/episodes/{episode}/visit")).ok();
    let listener = TcpListener::bind("127.0.0.1:0").expect("a port");
    let inner = listener.local_addr().expect("an address");
    let state = clinic.state.clone();
    let (tell, told) = std::sync::mpsc::channel();
    std::thread::spawn(move || {
        actix_web::rt::System::new().block_on(async move {
            let running = ritorno_server::metrics_server(state, listener).expect("serves");
            tell.send(running.handle()).expect("told");
            running.await.expect("ran");
        });
    });
    let handle = told.recv().expect("a server");
    let mut answer = ureq::get(format!("http://{inner}/metrics"))
        .call()
        .expect("told");
    let text = answer.body_mut().read_to_string().expect("text");
    for line in [
        "ritorno_requests_total{method=\"GET\",route=\"/api/episodes/{id}/visit\",status=\"200\"} 1",
        "ritorno_request_seconds_bucket",
        "ritorno_database_silent 0",
        "ritorno_lanes_behind 0",
        "ritorno_connections ",
        "# EOF",
    ] {
        assert!(text.contains(line), "{line} is missing in {text}");
    }
    for nobody in [episode.as_str(), "Falanga", "vera"] {
        assert!(!text.contains(nobody), "{nobody}");
    }
    assert!(
        !String::from_utf8_lossy(&vera.get("/metrics").bytes).contains("ritorno_requests"),
        "on the inner address alone"
    );
    drop(handle.stop(false));
}
