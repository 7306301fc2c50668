//! The audit proves itself: whatever its owner changes in it, or beside it, is found. And who looked leaves a row.

use super::harness::{Clinic, TODAY, document};
use diesel::connection::SimpleConnection;
use diesel::prelude::*;
use ritorno_store::audit::{chain_faults, extent, heads, lost_heads, row_faults};
use serde_json::{Value, json};

/// What is found after a change that is then undone.
fn found(owner: &mut PgConnection, sql: &str) -> Vec<String> {
    let mut found = Vec::new();
    let undone = owner.transaction(|owner| {
        owner.batch_execute(sql).expect(sql);
        let mut faults = chain_faults(owner).expect("followed");
        faults.extend(row_faults(owner).expect("compared"));
        found = faults.into_iter().map(|f| f.what).collect();
        Err::<(), _>(diesel::result::Error::RollbackTransaction)
    });
    assert!(undone.is_err());
    found
}

#[test]
fn whatever_is_changed_removed_or_reordered_is_found() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    for value in [80.0, 85.0, 90.0] {
        vera.measurement(&episode, "passive-elevation", value, TODAY)
            .ok();
    }
    let owner = &mut clinic.owner();
    let looked = extent(owner).expect("counted");
    assert!(looked.chains == 2 && looked.rows > 20, "{looked:?}");
    assert_eq!(found(owner, "select 1"), Vec::<String>::new());

    // As whoever owns the database, with the triggers off. Each is a way to make the past another.
    let off = "set local session_replication_role = replica;";
    let of = "from audit where table_name = 'measurement'";
    let first = format!("(select min(id) {of})");
    for (change, what) in [
        (format!("update audit set actor = null where id = {first}"), "changed"),
        (
            format!("update audit set at = at - interval '1 day' where id = {first}"),
            "changed",
        ),
        (
            format!("delete from audit_value where audit_id = {first}; delete from audit where id = {first}"),
            "missing",
        ),
        (
            // Two rows take each other's place, with everything that is theirs but the place.
            format!(
                "update audit a set row_id = b.row_id, digest = b.digest from audit b
                 where (a.id, b.id) in (({first}, (select max(id) {of})), ((select max(id) {of}), {first}))"
            ),
            "changed",
        ),
        (
format!("update audit set seq = seq + 1000 where id = {first}"),
            "missing",
        ),
        (
            "delete from audit_value where audit_id = (select max(id) from audit); delete from audit where id = (select max(id) from audit)".to_owned(),
            "head",
        ),
        (
            format!("update audit_value set body = body || '{{\"value\": 10}}' where audit_id = {first}"),
            "value",
        ),
        ("update measurement set value = 10".to_owned(), "row changed"),
        (
            "delete from verdict; delete from measurement where value = 85".to_owned(),
            "row gone",
        ),
("delete from flag_answer".to_owned(), "row gone"),
        (
            "insert into event_reason (id, words) values (gen_random_uuid(), 'said later')".to_owned(),
            "row added",
        ),
    ] {
        let told = found(owner, &format!("{off} {change}"));
        assert!(told.iter().any(|t| t == what), "{change}: {told:?}");
    }

    // A chain that was cut at its end and closed again says nothing wrong by itself: an end kept elsewhere does.
    let kept = heads(owner).expect("ends");
    let cut = owner.transaction(|owner| {
        owner
            .batch_execute(&format!(
                "{off} delete from audit_value where audit_id = (select max(id) {of});
                 create temp table gone on commit drop as select head, seq {of} order by id desc limit 1;
                 delete from audit_value where audit_id in (select a.id from audit a join gone g on a.head = g.head and a.seq >= g.seq);
                 delete from audit a using gone g where a.head = g.head and a.seq >= g.seq;
                 update audit_head h set seq = g.seq - 1, chain = (select chain from audit a where a.head = g.head and a.seq = g.seq - 1)
                 from gone g where h.head = g.head"
            ))
            .expect("cut");
        assert_eq!(chain_faults(owner).expect("followed"), []);
        let lost = lost_heads(owner, &kept).expect("compared");
        assert_eq!(lost.len(), 1, "{lost:?}");
        Err::<(), _>(diesel::result::Error::RollbackTransaction)
    });
    assert!(cut.is_err());
    assert_eq!(lost_heads(owner, &kept).expect("compared"), []);
}

fn count(conn: &mut PgConnection, what: &str) -> i64 {
    #[derive(QueryableByName)]
    struct Count {
        #[diesel(sql_type = diesel::sql_types::BigInt)]
        n: i64,
    }
    let counted: Count = diesel::sql_query(format!("select count(*) as n from {what}"))
        .get_result(conn)
        .expect(what);
    counted.n
}

#[test]
fn every_page_that_leaves_a_row_has_a_name() {
    let words = ritorno_wording::Wording::english().expect("words");
    let document = document();
    let paths = document["paths"].as_object().expect("paths");
    let mut looked = 0;
    for (path, methods) in paths {
        let record = ["/api/episodes/{id}", "/api/patients/{id}"]
            .iter()
            .find_map(|start| path.strip_prefix(start));
        let Some(rest) = record.filter(|_| methods.get("get").is_some()) else {
            continue;
        };
        let parts = rest
            .split('/')
            .filter(|p| !p.is_empty() && !p.starts_with('{'));
        let what = parts.collect::<Vec<_>>().join("-").replace('.', "-");
        let what = if what.is_empty() { "patient" } else { &what };
        assert!(words.has(&format!("looked-{what}")), "{path}: {what}");
        looked += 1;
    }
    assert!(looked > 12, "{looked}");
}

#[test]
fn who_looks_leaves_a_row_that_a_lead_and_an_auditor_read() {
    let clinic = Clinic::open();
    let (vera, lea, ada) = (
        clinic.sign_in("vera"),
        clinic.sign_in("lea"),
        clinic.sign_in("ada"),
    );
    let episode = vera.rigger();
    let other = vera.rigger();
    for _ in 0..3 {
        vera.get(&format!("/api/episodes/{episode}/visit")).ok();
    }
    ada.get(&format!("/api/episodes/{episode}/story")).ok();
    lea.get(&format!("/api/episodes/{other}/visit")).ok();
    vera.get("/api/day-list?search=Nerio").ok();
    let owner = &mut clinic.owner();
    let reads = |owner: &mut PgConnection, what: &str| {
        count(owner, &format!("record_read where what = '{what}'"))
    };
    assert_eq!(reads(owner, "visit"), 2, "one a minute, and one of Lea's");
    assert_eq!(reads(owner, "day-list"), 1);
    // Nothing there, nothing noted.
    let nobody = uuid::Uuid::nil();
    assert_eq!(
        vera.get(&format!("/api/episodes/{nobody}/visit")).status,
        404
    );
    assert_eq!(reads(owner, "visit"), 2);

    assert_eq!(vera.get("/api/trail").status, 403);
    let patient =
        lea.get(&format!("/api/episodes/{episode}/story")).ok()["head"]["patient"].clone();
    let patient = patient.as_str().expect("a patient");
    for who in [&lea, &ada] {
        let page = who.get(&format!("/api/trail?patient={patient}")).ok();
        let told: Vec<String> = page["rows"]
            .as_array()
            .expect("rows")
            .iter()
            .map(|r| format!("{} {} {}", r["who"], r["wrote"], r["what"]))
            .collect();
        assert!(
            told.contains(&r#""vera" false "visit""#.to_owned()),
            "{told:?}"
        );
        assert!(
            told.contains(&r#""ada" false "story""#.to_owned()),
            "{told:?}"
        );
        assert!(
            told.iter().any(|t| t.starts_with(r#""vera" true"#)),
            "{told:?}"
        );
        assert!(
            page["rows"]
                .as_array()
                .expect("rows")
                .iter()
                .all(|r| r["patient"] == json!(patient))
        );
    }
    // Page by page, from a moment back.
    let all = lea.get("/api/trail").ok();
    let last = all["rows"].as_array().and_then(|r| r.last()).expect("rows")["at"].clone();
    let older = lea
        .get(&format!(
            "/api/trail?before={}",
            last.as_str().expect("a moment")
        ))
        .ok();
    let earlier = |row: &Value| row["at"].as_str() < last.as_str();
    assert!(older["rows"].as_array().expect("rows").iter().all(earlier));
}
