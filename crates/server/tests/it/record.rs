//! What is kept: audit rows, snapshots, constant numbers of queries, the wire document.

use super::harness::{Clinic, TODAY, document};
use diesel::connection::InstrumentationEvent;
use diesel::prelude::*;
use diesel::sql_types::{BigInt, Text};
use ritorno_store::{daylist, episode};
use serde_json::json;
use std::sync::Arc;
use std::sync::atomic::{AtomicUsize, Ordering};

#[derive(QueryableByName)]
struct Count {
    #[diesel(sql_type = BigInt)]
    n: i64,
}
#[derive(QueryableByName)]
struct Name {
    #[diesel(sql_type = Text)]
    name: String,
}

fn count(conn: &mut PgConnection, sql: &str) -> i64 {
    diesel::sql_query(format!("select count(*) as n from {sql}"))
        .get_result::<Count>(conn)
        .expect(sql)
        .n
}

#[test]
fn every_table_is_audited_and_the_audit_cannot_be_changed() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    let mut owner = clinic.owner();
    let bare: Vec<Name> = diesel::sql_query(
        "select tablename as name from pg_tables t where schemaname = 'public' and tablename not in ('audit', 'audit_value', 'audit_head', 'record', 'record_read', 'sign_in_attempt', 'job', 'lane', 'lane_move', '__diesel_schema_migrations')
         and not exists (select from pg_trigger g where g.tgname = 'audited' and g.tgrelid = t.tablename::regclass)",
    )
    .load(&mut owner)
    .expect("tables");
    assert!(
        bare.is_empty(),
        "not audited: {:?}",
        bare.iter().map(|n| &n.name).collect::<Vec<_>>()
    );

    // A write and its audit row, with the actor; a refused write leaves neither.
    let before = count(&mut owner, "audit where table_name = 'measurement'");
    vera.measurement(&episode, "passive-elevation", 90.0, TODAY)
        .ok();
    assert_eq!(
        vera.measurement(&episode, "passive-elevation", 900.0, TODAY)
            .status,
        422
    );
    assert_eq!(
        count(&mut owner, "audit where table_name = 'measurement'"),
        before + 1
    );
    assert_eq!(
        count(
            &mut owner,
            "audit a join app_user u on u.id = a.actor where table_name = 'measurement' and u.login = 'vera' and action = 'add-measurement:insert'"
        ),
        1
    );
    assert_eq!(
        count(
            &mut owner,
            "audit a join audit_value v on v.audit_id = a.id where a.digest <> sha256(v.salt || convert_to(v.body::text, 'utf8'))"
        ),
        0
    );
    assert_eq!(
        count(
            &mut owner,
            "audit_value where body ?| array['password_hash', 'token_hash', 'secret', 'code_hash']"
        ),
        0,
        "secrets stay out of the audit"
    );

    // Neither the application nor the owner changes the past.
    let mut app = clinic.state.pool.get().expect("a connection");
    for sql in [
        "update audit set action = 'x'",
        "delete from audit",
        "delete from audit_value",
        "alter table audit disable trigger all",
        "update measurement set value = 1",
        "update audit_head set seq = 0",
        "delete from record_read",
        "update record_read set what = 'x'",
        // Limits, what was taken back and why, and episodes: nothing is changed afterwards, nothing goes.
        "update surgeon_limit set ceiling = 170",
        "delete from surgeon_limit",
        "delete from effect",
        "update event_reason set words = 'x'",
        "update event set on_date = '2020-01-01'",
        "delete from event",
        "delete from episode",
        "delete from patient",
        "delete from record",
        "delete from program",
        "delete from app_user",
        "delete from cover",
        "update episode set patient_id = gen_random_uuid()",
    ] {
        assert!(
            diesel::sql_query(sql).execute(&mut *app).is_err(),
            "{sql} went through"
        );
    }
    assert!(
        diesel::sql_query("update audit set action = 'x'")
            .execute(&mut owner)
            .is_err()
    );
    assert!(
        diesel::sql_query("delete from measurement")
            .execute(&mut owner)
            .is_err()
    );
}

#[test]
fn lists_and_patients_take_the_same_number_of_queries_however_much_they_hold() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let small = vera.rigger();
    let large = vera.rigger();
    vera.all_no(&large);
    for value in 0..12 {
        vera.measurement(&large, "passive-elevation", 80.0 + f64::from(value), TODAY)
            .ok();
    }
    for _ in 0..6 {
        vera.rigger();
    }
    let counter = Arc::new(AtomicUsize::new(0));
    let mut conn = clinic.state.pool.get().expect("a connection");
    let seen = counter.clone();
    conn.set_instrumentation(move |event: InstrumentationEvent<'_>| {
        if let InstrumentationEvent::StartQuery { .. } = event {
            seen.fetch_add(1, Ordering::Relaxed);
        }
    });
    let mut queries = |work: &mut dyn FnMut(&mut PgConnection)| {
        let before = counter.load(Ordering::Relaxed);
        work(&mut conn);
        counter.load(Ordering::Relaxed) - before
    };
    let today = TODAY.parse().expect("a date");
    let load = |id: &str| {
        let id = id.parse().expect("an id");
        move |conn: &mut PgConnection| {
            episode::load(conn, id, today).expect("loads");
        }
    };
    let few = queries(&mut load(&small));
    assert_eq!(queries(&mut load(&large)), few);
    assert!(few <= 8, "{few} queries for one patient");
    let list = queries(&mut |conn| {
        let rows = daylist::list(
            conn,
            &daylist::Filter {
                limit: 50,
                ..Default::default()
            },
        )
        .expect("lists");
        assert_eq!(rows.len(), 8);
    });
    assert_eq!(list, 1);
}

#[test]
fn a_signed_version_keeps_what_it_was_built_with() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let proposal = vera.post(&at("program/build"), &json!({})).ok();
    let lines: Vec<_> = proposal["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    vera.put(&at("program"), &json!({ "rev": 0, "lines": lines }))
        .ok();
    vera.post(&at("program/sign"), &json!({ "rev": 1 })).ok();
    assert_eq!(
        vera.post(&at("program/sign"), &json!({ "rev": 7 })).status,
        409,
        "only what is on the page can be signed"
    );
    let mut owner = clinic.owner();
    let sha = &clinic.state.knowledge.sha256;
    assert_eq!(
        count(
            &mut owner,
            &format!(
                "program_snapshot s join knowledge_release k on k.sha256 = s.knowledge_sha256 where s.knowledge_sha256 = '{sha}' and s.body ? 'corridors'"
            )
        ),
        1
    );
    assert!(
        diesel::sql_query("update program_snapshot set version = 9")
            .execute(&mut owner)
            .is_err()
    );
}

#[test]
fn the_committed_api_document_is_the_one_the_code_makes() {
    let committed =
        std::fs::read_to_string(concat!(env!("CARGO_MANIFEST_DIR"), "/../../openapi.json"))
            .expect("openapi.json");
    let made = serde_json::to_string_pretty(&document()).expect("json");
    assert!(
        committed.trim() == made.trim(),
        "openapi.json is out of date: run ./scripts/api"
    );
}

#[test]
fn a_program_is_judged_by_the_knowledge_it_was_built_with() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let at = |what: &str| format!("/api/episodes/{episode}/{what}");
    let proposal = vera.post(&at("program/build"), &json!({})).ok();
    let lines: Vec<_> = proposal["chart"]["lines"]
        .as_array()
        .expect("lines")
        .iter()
        .map(|l| l["line"].clone())
        .collect();
    vera.put(&at("program"), &json!({ "rev": 0, "lines": lines }))
        .ok();
    // An older release, in which elevation went to 100 degrees in weeks 2 to 6, and a program built with it.
    let canonical = &clinic.state.knowledge.canonical;
    let (before, own) = canonical.split_at(
        canonical
            .find("pathways/cuff-repair-small-medium.toml")
            .expect("the pathway's file"),
    );
    let row = "\"ceiling\":120.0,\"end_of_week\":6,\"floor\":90.0";
    let older = format!(
        "{before}{}",
        own.replacen(row, &row.replace("120.0", "100.0"), 1)
    );
    assert_ne!(older, clinic.state.knowledge.canonical);
    let release =
        ritorno_core::admission::load_release(&older, &clinic.state.knowledge).expect("loads");
    let mut owner = clinic.owner();
    ritorno_store::knowledge::keep(&mut owner, &release.sha256, &release.canonical).expect("kept");
    diesel::sql_query(format!(
        "update program set knowledge_sha256 = '{}'",
        release.sha256
    ))
    .execute(&mut owner)
    .expect("updated");
    let ceiling = |page: serde_json::Value| page["dials"][0]["ceiling"]["ceiling"]["value"].clone();
    assert_eq!(ceiling(vera.get(&at("ranges")).ok()), json!(100.0));
    assert_eq!(
        vera.measurement(&episode, "passive-elevation", 110.0, TODAY)
            .ok()["dials"][0]["operated"]["last"]["over_ceiling"],
        true
    );
    // Saved again, it moves to what is known now.
    vera.put(&at("program"), &json!({ "rev": 1, "lines": lines }))
        .ok();
    assert_eq!(ceiling(vera.get(&at("ranges")).ok()), json!(120.0));
}

#[test]
fn a_job_is_claimed_by_one_server_at_a_time_and_done_once_a_day() {
    use ritorno_store::job;
    let clinic = Clinic::open();
    clinic.sign_in("vera");
    let today: chrono::NaiveDate = TODAY.parse().expect("a date");
    let until = today.and_time(chrono::NaiveTime::MIN).and_utc();
    let claim = |conn: &mut PgConnection| job::claim(conn, &["one", "two"], until);
    let mut owner = clinic.owner();
    for kind in ["one", "two", "one", "of a newer application"] {
        job::plan_day(&mut owner, kind, today).expect("planned");
    }
    let (mut here, mut there) = (
        clinic.state.pool.get().expect("a connection"),
        clinic.state.pool.get().expect("a connection"),
    );
    let say =
        |conn: &mut PgConnection, sql: &str| diesel::sql_query(sql).execute(conn).expect("said");
    say(&mut here, "begin");
    say(&mut there, "begin");
    let mut kinds: Vec<String> = [claim(&mut here), claim(&mut there)]
        .into_iter()
        .map(|claimed| claimed.expect("no waiting").expect("a job").kind)
        .collect();
    kinds.sort();
    assert_eq!(
        kinds,
        ["one", "two"],
        "planned twice is one job, and two servers never hold the same"
    );
    let mut third = clinic.state.pool.get().expect("a connection");
    say(&mut third, "begin");
    assert_eq!(claim(&mut third).expect("no waiting"), None);
    for mut conn in [here, there, third] {
        say(&mut conn, "rollback");
    }

    diesel::sql_query("delete from job")
        .execute(&mut owner)
        .expect("cleared");
    diesel::sql_query("update session set expires_at = now() - interval '1 minute'")
        .execute(&mut owner)
        .expect("ended");
    let fresh = clinic.sign_in("lea");
    assert_eq!(ritorno_server::run_jobs(&clinic.state).expect("ran"), 3);
    assert_eq!(count(&mut owner, "session"), 1);
    assert_eq!(fresh.get("/api/day-list").status, 200);
    assert_eq!(
        ritorno_server::run_jobs(&clinic.state).expect("ran"),
        0,
        "done for today"
    );
}

#[test]
fn no_two_wire_types_share_a_name() {
    // A second type of the same name would silently take the first one's place in the document.
    let mut names = Vec::new();
    let root = std::path::Path::new(env!("CARGO_MANIFEST_DIR")).join("..");
    for file in ["core/src", "server/src"]
        .into_iter()
        .flat_map(|dir| ritorno_shelf::below(&root.join(dir), "rs").expect("sources"))
    {
        for after in file.text.split("ToSchema").skip(1) {
            let mut words = after
                .split_whitespace()
                .skip_while(|w| *w != "struct" && *w != "enum")
                .skip(1);
            names.extend(words.next().map(|w| {
                w.trim_end_matches(|c: char| !c.is_alphanumeric())
                    .split('<')
                    .next()
                    .unwrap_or_default()
                    .to_owned()
            }));
        }
    }
    names.retain(|name| !name.is_empty());
    let mut sorted = names.clone();
    sorted.sort();
    let twice: Vec<_> = sorted
        .windows(2)
        .filter(|w| w[0] == w[1])
        .map(|w| &w[0])
        .collect();
    assert!(
        names.len() > 80 && twice.is_empty(),
        "{} types, twice: {twice:?}",
        names.len()
    );
}
