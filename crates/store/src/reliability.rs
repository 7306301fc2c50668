//! The clinic's own errors of measurement: each with the ratings behind it. A newer one of a quantity replaces.

use crate::StoreError;
use crate::schema::clinic_error;
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::ClinicError;
use uuid::Uuid;

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
    user: Uuid,
) -> Result<(), StoreError> {
    use clinic_error as t;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(id),
            t::quantity.eq(&error.quantity),
            t::sem.eq(error.sem),
            t::sem_same_rater.eq(error.sem_same_rater),
            t::ratings.eq(ratings),
            t::result.eq(result),
            t::kept_on.eq(error.on),
            t::user_id.eq(user),
        ))
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
    let rows: Vec<(String, f64, f64, NaiveDate)> = t::table
        .distinct_on(t::quantity)
        .order((t::quantity, t::seq.desc()))
        .select((t::quantity, t::sem, t::sem_same_rater, t::kept_on))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(quantity, sem, sem_same_rater, on)| ClinicError {
            quantity,
            sem,
            sem_same_rater,
            on,
        })
        .collect())
}
