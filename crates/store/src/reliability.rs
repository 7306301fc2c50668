//! The clinic's own errors of measurement: each with the ratings behind it. A newer one of a quantity replaces.

use crate::schema::clinic_error;
use crate::{StoreError, UserId};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::ClinicError;
use uuid::Uuid;

#[derive(Insertable)]
#[diesel(table_name = clinic_error)]
struct NewError<'a> {
    id: Uuid,
    quantity: &'a str,
    sem: f64,
    sem_same_rater: f64,
    ratings: serde_json::Value,
    result: serde_json::Value,
    kept_on: NaiveDate,
    user_id: UserId,
}

#[derive(Queryable, Selectable)]
#[diesel(table_name = clinic_error)]
struct ErrorRow {
    quantity: String,
    sem: f64,
    sem_same_rater: f64,
    kept_on: NaiveDate,
}

/// Keeps the result of a bench once.
///
/// # Errors
/// `IdConflict` when the id is taken, database failure.
pub fn keep(
    conn: &mut PgConnection,
    id: Uuid,
    error: &ClinicError,
    ratings: serde_json::Value,
    result: serde_json::Value,
    user: UserId,
) -> Result<(), StoreError> {
    use clinic_error as t;
    let row = NewError {
        id,
        quantity: &error.quantity,
        sem: error.sem,
        sem_same_rater: error.sem_same_rater,
        ratings,
        result,
        kept_on: error.on,
        user_id: user,
    };
    let added = diesel::insert_into(t::table)
        .values(row)
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    if added == 1 {
        Ok(())
    } else {
        Err(StoreError::IdConflict)
    }
}

/// The newest of every quantity.
///
/// # Errors
/// Database failure.
pub fn newest(conn: &mut PgConnection) -> Result<Vec<ClinicError>, StoreError> {
    use clinic_error as t;
    let rows: Vec<ErrorRow> = t::table
        .distinct_on(t::quantity)
        .order((t::quantity, t::seq.desc()))
        .select(ErrorRow::as_select())
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|row| ClinicError {
            quantity: row.quantity,
            sem: row.sem,
            sem_same_rater: row.sem_same_rater,
            on: row.kept_on,
        })
        .collect())
}
