//! Keeping data for years: what a database holds, what belongs to one patient, taking it out and erasing it.

use crate::{PatientId, StoreError};
use chrono::{DateTime, NaiveDate, Utc};
use diesel::prelude::*;
use diesel::sql_types::{BigInt, Date, Jsonb, Nullable, Text, Timestamptz, Uuid as SqlUuid};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What one table holds: how many rows, and one digest of all of them.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, QueryableByName)]
pub struct TableDigest {
    /// The table.
    #[diesel(sql_type = Text)]
    pub name: String,
    /// Rows.
    #[diesel(sql_type = BigInt)]
    pub rows: i64,
    /// SHA-256 over the digests of the rows, in hex; the order of the rows does not matter.
    #[diesel(sql_type = Text)]
    pub digest: String,
}

#[derive(QueryableByName)]
struct Name {
    #[diesel(sql_type = Text)]
    name: String,
}

fn names(conn: &mut PgConnection, sql: &str) -> Result<Vec<String>, StoreError> {
    let rows: Vec<Name> = diesel::sql_query(sql).load(conn)?;
    Ok(rows.into_iter().map(|row| row.name).collect())
}

/// What every table of the database holds.
///
/// # Errors
/// Database failure.
pub fn digests(conn: &mut PgConnection) -> Result<Vec<TableDigest>, StoreError> {
    let tables = names(
        conn,
        "select tablename::text as name from pg_tables where schemaname = 'public' order by 1",
    )?;
    let mut out = Vec::new();
    for name in tables {
        // The name comes from the catalogue of the database, and is one of its tables.
        let one = diesel::sql_query(format!(
            "select '{name}' as name, count(*) as rows,
                encode(sha256(coalesce(string_agg(d, ''::bytea order by d), ''::bytea)), 'hex') as digest
             from (select sha256(convert_to(t::text, 'utf8')) as d from \"{name}\" t) rows"
        ))
        .get_result(conn)?;
        out.push(one);
    }
    Ok(out)
}

/// Begins a snapshot that another program can look at as well; it lasts as long as the transaction of this connection.
///
/// # Errors
/// Database failure.
pub fn shared_snapshot(conn: &mut PgConnection) -> Result<String, StoreError> {
    diesel::sql_query("begin isolation level repeatable read read only").execute(conn)?;
    diesel::sql_query("set local time zone 'UTC'").execute(conn)?;
    let snapshot: Name =
        diesel::sql_query("select pg_export_snapshot() as name").get_result(conn)?;
    Ok(snapshot.name)
}

/// One connection, for a command that needs more than the application may.
///
/// # Errors
/// When the database cannot be reached.
pub fn connect(url: &str) -> Result<PgConnection, StoreError> {
    PgConnection::establish(url).map_err(|_| StoreError::Unavailable)
}

/// Makes an empty database of a name that was made up for it.
///
/// # Errors
/// When the role may not.
pub fn make_database(conn: &mut PgConnection, name: Uuid) -> Result<String, StoreError> {
    let name = format!("ritorno_check_{}", name.simple());
    diesel::sql_query(format!("create database {name}")).execute(conn)?;
    Ok(name)
}

/// Drops what [`make_database`] made.
///
/// # Errors
/// When it is not there.
pub fn drop_database(conn: &mut PgConnection, name: &str) -> Result<(), StoreError> {
    diesel::sql_query(format!("drop database \"{name}\" with (force)")).execute(conn)?;
    Ok(())
}

/// Whether there is a role of that name.
///
/// # Errors
/// Database failure.
pub fn has_role(conn: &mut PgConnection, role: &str) -> Result<bool, StoreError> {
    let found: Vec<Name> =
        diesel::sql_query("select rolname::text as name from pg_roles where rolname = $1")
            .bind::<Text, _>(role)
            .load(conn)?;
    Ok(!found.is_empty())
}

/// A row of a patient's record, as it lies in its table.
#[derive(Debug, Clone, QueryableByName)]
pub struct PatientRow {
    /// The table.
    #[diesel(sql_type = Text)]
    pub name: String,
    /// Its columns.
    #[diesel(sql_type = Jsonb)]
    pub body: serde_json::Value,
}

/// Everything that a patient's record is made of, with who looked and what the audit says.
///
/// # Errors
/// Database failure.
pub fn patient_rows(
    conn: &mut PgConnection,
    whose: PatientId,
) -> Result<Vec<PatientRow>, StoreError> {
    Ok(diesel::sql_query("select * from patient_rows($1)")
        .bind::<SqlUuid, _>(whose.0)
        .load(conn)?)
}

/// A patient and how long nothing was entered.
#[derive(Debug, Clone, PartialEq, QueryableByName)]
pub struct Resting {
    /// Patient id.
    #[diesel(sql_type = SqlUuid)]
    pub patient: Uuid,
    /// What they are called.
    #[diesel(sql_type = Text)]
    pub name: String,
    /// Birth date.
    #[diesel(sql_type = Date)]
    pub birth: NaiveDate,
    /// When anything was last entered.
    #[diesel(sql_type = Nullable<Timestamptz>)]
    pub last: Option<DateTime<Utc>>,
    /// Shoulders still under treatment.
    #[diesel(sql_type = BigInt)]
    pub open: i64,
}

/// All patients, those who have rested longest first.
///
/// # Errors
/// Database failure.
pub fn resting(conn: &mut PgConnection) -> Result<Vec<Resting>, StoreError> {
    Ok(diesel::sql_query(
        "select p.id as patient, p.given_name || ' ' || p.family_name as name, p.birth,
            (select max(at) from event e where e.patient_id = p.id) as last,
            (select count(*) from episode s where s.patient_id = p.id and s.closed_on is null) as open
         from patient p order by last nulls first, p.id",
    )
    .load(conn)?)
}

/// What was removed from one table.
#[derive(Debug, Clone, PartialEq, QueryableByName)]
pub struct Removed {
    /// The table.
    #[diesel(sql_type = Text)]
    pub name: String,
    /// Rows.
    #[diesel(sql_type = BigInt)]
    pub removed: i64,
}

/// Erases a patient's record, by the word of somebody. Only the owner of the database can.
///
/// # Errors
/// `Refused` where there is no such patient, or it is not the owner who asks; nothing is erased then.
pub fn erase(
    conn: &mut PgConnection,
    whose: PatientId,
    by_words: &str,
) -> Result<Vec<Removed>, StoreError> {
    diesel::sql_query("select * from erase_patient($1, $2)")
        .bind::<SqlUuid, _>(whose.0)
        .bind::<Text, _>(by_words)
        .load(conn)
        .map_err(|error| match error {
            diesel::result::Error::DatabaseError(_, info) => {
                StoreError::Refused(info.message().to_owned())
            }
            other => other.into(),
        })
}

/// What the database says about itself.
#[derive(Debug, Clone, PartialEq, QueryableByName)]
pub struct Health {
    /// The server's version.
    #[diesel(sql_type = Text)]
    pub version: String,
    /// Its clock.
    #[diesel(sql_type = Timestamptz)]
    pub now: DateTime<Utc>,
    /// Whether the role that came in could change the audit.
    #[diesel(sql_type = diesel::sql_types::Bool)]
    pub may_change_audit: bool,
    /// Lanes worked out for a day that has not come.
    #[diesel(sql_type = BigInt)]
    pub lanes_ahead: i64,
    /// Lanes that the change of day has not come to.
    #[diesel(sql_type = BigInt)]
    pub lanes_behind: i64,
    /// Jobs that should have been done before today.
    #[diesel(sql_type = BigInt)]
    pub late_jobs: i64,
    /// Leads who may come in.
    #[diesel(sql_type = BigInt)]
    pub leads: i64,
    /// Those of them without a second factor.
    #[diesel(sql_type = BigInt)]
    pub leads_without_factor: i64,
    /// Bytes on the disk.
    #[diesel(sql_type = BigInt)]
    pub bytes: i64,
}

/// Asks the database about itself, on a day in the clinic.
///
/// # Errors
/// Database failure.
pub fn health(conn: &mut PgConnection, today: NaiveDate) -> Result<Health, StoreError> {
    Ok(diesel::sql_query(
        "select current_setting('server_version') as version, clock_timestamp() as now,
            has_table_privilege('audit', 'update') or has_table_privilege('audit', 'delete') as may_change_audit,
            (select count(*) from lane where as_of_day > $1) as lanes_ahead,
            (select count(*) from lane where next_change_day <= $1) as lanes_behind,
            (select count(*) from job where done_at is null and due_at < $1::timestamp at time zone 'UTC') as late_jobs,
            (select count(*) from app_user where role = 'lead' and ended_at is null) as leads,
            (select count(*) from app_user u where role = 'lead' and ended_at is null
                and not exists (select from second_factor f where f.user_id = u.id and f.confirmed_at is not null)) as leads_without_factor,
            pg_database_size(current_database()) as bytes",
    )
    .bind::<Date, _>(today)
    .get_result(conn)?)
}
