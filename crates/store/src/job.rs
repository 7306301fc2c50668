//! Jobs: planned once a day, claimed by one server at a time.

use crate::StoreError;
use chrono::NaiveDate;
use diesel::prelude::*;
use diesel::sql_types::{Date, Text, Uuid as SqlUuid};
use uuid::Uuid;

/// A claimed job.
#[derive(Debug, Clone, PartialEq, Eq, QueryableByName)]
pub struct Job {
    /// Id.
    #[diesel(sql_type = SqlUuid)]
    pub id: Uuid,
    /// What is to be done.
    #[diesel(sql_type = Text)]
    pub kind: String,
}

/// Plans a job for a day; planning it twice changes nothing.
///
/// # Errors
/// Database failure.
pub fn plan(conn: &mut PgConnection, kind: &str, due_on: NaiveDate) -> Result<(), StoreError> {
    diesel::sql_query("insert into job (id, kind, due_on) values ($1, $2, $3) on conflict (kind, due_on) do nothing")
        .bind::<SqlUuid, _>(Uuid::now_v7())
        .bind::<Text, _>(kind)
        .bind::<Date, _>(due_on)
        .execute(conn)?;
    Ok(())
}

/// Claims the next open job for this transaction; another server's claim is passed over, not waited for.
///
/// # Errors
/// Database failure.
pub fn claim(conn: &mut PgConnection, today: NaiveDate) -> Result<Option<Job>, StoreError> {
    let sql = "update job set attempts = attempts + 1 where id = (
        select id from job where done_at is null and due_on <= $1 order by due_on, kind for update skip locked limit 1
    ) returning id, kind";
    Ok(diesel::sql_query(sql)
        .bind::<Date, _>(today)
        .get_result(conn)
        .optional()?)
}

/// Marks a claimed job as done.
///
/// # Errors
/// Database failure.
pub fn done(conn: &mut PgConnection, id: Uuid) -> Result<(), StoreError> {
    diesel::sql_query("update job set done_at = now() where id = $1")
        .bind::<SqlUuid, _>(id)
        .execute(conn)?;
    Ok(())
}
