//! Jobs: work that is nobody's request. Planned once a key, claimed by one server at a time, tried again until done.

use crate::schema::job as t;
use crate::{PatientId, StoreError};
use chrono::{DateTime, NaiveDate, NaiveTime, Utc};
use diesel::dsl::now;
use diesel::prelude::*;
use serde_json::Value;
use uuid::Uuid;

/// A claimed job.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable)]
#[diesel(table_name = t)]
pub struct Job {
    /// Id.
    pub id: Uuid,
    /// What is to be done.
    pub kind: String,
    /// What it is about.
    pub payload: Value,
    /// How often it was claimed before.
    pub attempts: i32,
}

/// A job to plan.
#[derive(Debug, Clone, PartialEq)]
pub struct Planned<'a> {
    /// What is to be done.
    pub kind: &'a str,
    /// The same job has the same key, however often it is planned.
    pub key: &'a str,
    /// Not before.
    pub due_at: DateTime<Utc>,
    /// Whose record it belongs to, where it is somebody's.
    pub patient: Option<PatientId>,
    /// What it is about.
    pub payload: Value,
}

/// Plans a job; planning its key twice changes nothing.
///
/// # Errors
/// Database failure.
pub fn plan(conn: &mut PgConnection, job: &Planned) -> Result<(), StoreError> {
    diesel::insert_into(t::table)
        .values((
            t::id.eq(Uuid::now_v7()),
            t::kind.eq(job.kind),
            t::key.eq(job.key),
            t::due_at.eq(job.due_at),
            t::patient_id.eq(job.patient),
            t::payload.eq(&job.payload),
        ))
        .on_conflict(t::key)
        .do_nothing()
        .execute(conn)?;
    Ok(())
}

/// Plans a job for a day; planning it twice changes nothing.
///
/// # Errors
/// Database failure.
pub fn plan_day(conn: &mut PgConnection, kind: &str, day: NaiveDate) -> Result<(), StoreError> {
    let job = Planned {
        kind,
        key: &format!("{kind} {day}"),
        due_at: day.and_time(NaiveTime::MIN).and_utc(),
        patient: None,
        payload: Value::Null,
    };
    plan(conn, &job)
}

/// Claims the next open job of these kinds for this transaction; another server's claim is passed over, not waited for. Kinds of a
/// newer application are not ours to do.
///
/// # Errors
/// Database failure.
pub fn claim(
    conn: &mut PgConnection,
    kinds: &[&str],
    until: DateTime<Utc>,
) -> Result<Option<Job>, StoreError> {
    let found: Option<Job> = t::table
        .filter(t::done_at.is_null())
        .filter(t::due_at.le(until))
        .filter(t::kind.eq_any(kinds))
        .order((t::due_at, t::key))
        .select(Job::as_select())
        .for_update()
        .skip_locked()
        .first(conn)
        .optional()?;
    if let Some(job) = &found {
        diesel::update(t::table.find(job.id))
            .set(t::attempts.eq(t::attempts + 1))
            .execute(conn)?;
    }
    Ok(found)
}

/// Puts a claimed job off: whoever works on it and falls over leaves it to be tried again then.
///
/// # Errors
/// Database failure.
pub fn put_off(conn: &mut PgConnection, id: Uuid, due_at: DateTime<Utc>) -> Result<(), StoreError> {
    diesel::update(t::table.find(id))
        .set(t::due_at.eq(due_at))
        .execute(conn)?;
    Ok(())
}

/// Marks a claimed job as done.
///
/// # Errors
/// Database failure.
pub fn done(conn: &mut PgConnection, id: Uuid) -> Result<(), StoreError> {
    diesel::update(t::table.find(id))
        .set(t::done_at.eq(now))
        .execute(conn)?;
    Ok(())
}
