//! The server and the database are killed while people write: ten times, a hundred in the long run. What was acknowledged is there, once.

use ritorno_e2e::{Door, OwnCluster, free_port};
use serde_json::{Value, json};
use std::collections::BTreeSet;
use std::sync::Mutex;
use std::sync::atomic::{AtomicBool, AtomicUsize, Ordering};
use std::time::{Duration, Instant};
use uuid::Uuid;

const TODAY: &str = "2027-03-01";
/// Acknowledged entries between two kills.
const BETWEEN: usize = 12;
/// A machine that is this slow is told.
const PATIENCE: Duration = Duration::from_secs(120);

fn kills() -> usize {
    if std::env::var("RITORNO_LONG").is_ok() {
        100
    } else {
        10
    }
}

struct Writer {
    agent: ureq::Agent,
    address: String,
    cookie: String,
}

impl Writer {
    fn new(address: &str) -> Writer {
        let agent: ureq::Agent = ureq::Agent::config_builder()
            .http_status_as_error(false)
            .timeout_global(Some(Duration::from_secs(10)))
            .build()
            .into();
        let mut writer = Writer {
            agent,
            address: address.to_owned(),
            cookie: String::new(),
        };
        let body = json!({ "login": "demo", "password": "molo-nove", "code": null });
        let answer = writer.send("/api/session", &body).expect("signed in");
        let cookie = answer
            .headers()
            .get("set-cookie")
            .and_then(|c| c.to_str().ok())
            .expect("a cookie");
        writer.cookie = cookie.split(';').next().unwrap_or_default().to_owned();
        writer
    }

    fn send(&self, path: &str, body: &Value) -> Option<ureq::http::Response<ureq::Body>> {
        self.agent
            .post(format!("{}{path}", self.address))
            .header("origin", &self.address)
            .header("cookie", &self.cookie)
            .header("content-type", "application/json")
            .send(body.to_string().as_bytes())
            .ok()
    }

    /// Whether an entry was acknowledged; nothing else than that, or no answer, or *come again*, is expected.
    fn enter(&self, episode: &str, id: &str) -> bool {
        let body = json!({ "id": id, "on": TODAY, "exercise": null, "kind": "slip" });
        match self.send(&format!("/api/episodes/{episode}/log"), &body) {
            None => false,
            Some(answer) => {
                let status = answer.status().as_u16();
                assert!([200, 503].contains(&status), "{status}");
                status == 200
            }
        }
    }
}

/// Open shoulders of different people: one writer each.
fn shoulders(door: &Door, database: &str) -> Vec<String> {
    let all = "select string_agg(id, ' ') from (select distinct on (patient_id) id::text from episode where closed_on is null order by patient_id limit 3) t";
    door.sql(database, all)
        .split(' ')
        .map(str::to_owned)
        .collect()
}

/// Writes until told to stop: every entry again and again until it is acknowledged, while somebody kills.
fn under_fire(writer: &Writer, shoulders: &[String], kill: impl Fn()) -> BTreeSet<String> {
    let (over, acknowledged) = (AtomicBool::new(false), AtomicUsize::new(0));
    let all = Mutex::new(BTreeSet::new());
    std::thread::scope(|threads| {
        for episode in shoulders {
            let (over, acknowledged, all) = (&over, &acknowledged, &all);
            threads.spawn(move || {
                while !over.load(Ordering::Relaxed) {
                    let id = Uuid::now_v7().to_string();
                    let begun = Instant::now();
                    while !writer.enter(episode, &id) {
                        assert!(begun.elapsed() < PATIENCE, "it never came back");
                    }
                    acknowledged.fetch_add(1, Ordering::Relaxed);
                    all.lock().expect("no writer fell").insert(id);
                }
            });
        }
        for n in 1..=kills() {
            let begun = Instant::now();
            while acknowledged.load(Ordering::Relaxed) < n * BETWEEN {
                assert!(
                    begun.elapsed() < PATIENCE,
                    "nobody gets through after kill {n}"
                );
                std::thread::yield_now();
                std::thread::park_timeout(Duration::from_millis(5));
            }
            kill();
        }
        over.store(true, Ordering::Relaxed);
    });
    all.into_inner().expect("no writer fell")
}

fn all_there(door: &Door, database: &str, acknowledged: &BTreeSet<String>) {
    assert!(acknowledged.len() >= kills() * BETWEEN);
    let kept = door.sql(
        database,
        "select string_agg(id::text, ' ') from log_entry where kind = 'slip'",
    );
    let kept: Vec<&str> = kept.split(' ').collect();
    let once: BTreeSet<&str> = kept.iter().copied().collect();
    assert_eq!(once.len(), kept.len(), "nothing twice");
    let lost: Vec<&String> = acknowledged
        .iter()
        .filter(|id| !once.contains(id.as_str()))
        .collect();
    assert!(lost.is_empty(), "lost: {lost:?}");
    // Nothing half: no event without its detail, no lane that did not follow; and the chains are whole.
    let half = "select count(*) from event e where kind = 'log' and not exists (select from log_entry l where l.id = e.id)";
    assert_eq!(door.sql(database, half), "0");
    door.run(database, "verify").expect("as it was written");
}

#[test]
fn what_was_acknowledged_survives_every_kill_of_the_server() {
    let door = Door::shared();
    let database = format!("e2e_kills_{}", std::process::id());
    door.empty(&database);
    door.run(&database, "demo").expect("a demo");
    let port = free_port();
    let served = Mutex::new(Some(door.serve(&database, port)));
    let address = format!("http://127.0.0.1:{port}");
    let writer = Writer::new(&address);
    let acknowledged = under_fire(&writer, &shoulders(&door, &database), || {
        let mut served = served.lock().expect("held");
        drop(served.take());
        *served = Some(door.serve(&database, port));
    });
    // Told to stop, it ends by itself and says so by its end.
    assert!(
        served.into_inner().expect("held").expect("serves").stop(),
        "it stops when it is asked to"
    );
    all_there(&door, &database, &acknowledged);
    door.sql(
        "postgres",
        &format!("drop database {database} with (force)"),
    );
}

#[test]
fn what_was_acknowledged_survives_every_kill_of_the_database() {
    let cluster = OwnCluster::start("kills");
    let door = cluster.door();
    let database = format!("e2e_kills_{}", std::process::id());
    door.empty(&database);
    door.run(&database, "demo").expect("a demo");
    let served = door.serve(&database, free_port());
    let writer = Writer::new(&served.address);
    let acknowledged = under_fire(&writer, &shoulders(&door, &database), || cluster.kill());
    all_there(&door, &database, &acknowledged);
    drop(served);
    cluster.stop();
}
