//! Tries to come in: counted by name and by address, so that guessing becomes slow.

use crate::StoreError;
use crate::schema::sign_in_attempt as t;
use chrono::{DateTime, Utc};
use diesel::pg::Pg;
use diesel::prelude::*;
use diesel::sql_types::Text;
use uuid::Uuid;

/// Failures in a row, and when the last of them was.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Failures {
    /// How many.
    pub count: i64,
    /// The last one.
    pub last: Option<DateTime<Utc>>,
}

/// Lets one try of a name, and one from an address, come after the other until the transaction ends: many tries at once count like
/// as many in a row.
///
/// # Errors
/// Database failure.
pub fn in_a_row(conn: &mut PgConnection, login: &str, address: &str) -> Result<(), StoreError> {
    // One lock at a time and always in this order: two tries never wait for each other.
    for key in [format!("address {address}"), format!("name {login}")] {
        diesel::sql_query("select pg_advisory_xact_lock(hashtextextended($1, 0))")
            .bind::<Text, _>(key)
            .execute(conn)?;
    }
    Ok(())
}

/// Failures of a name from an address since it last succeeded from there, no longer ago than `since`.
///
/// # Errors
/// Database failure.
pub fn of_both(
    conn: &mut PgConnection,
    login: &str,
    address: &str,
    since: DateTime<Utc>,
) -> Result<Failures, StoreError> {
    let here = || {
        t::table
            .filter(t::login.eq(login))
            .filter(t::address.eq(address))
    };
    let came: Option<DateTime<Utc>> = here()
        .filter(t::succeeded.eq(true))
        .select(diesel::dsl::max(t::at))
        .first(conn)?;
    let since = came.map_or(since, |at| at.max(since));
    counted(conn, here().filter(t::at.gt(since)).into_boxed())
}

/// Failures from an address, whatever the name.
///
/// # Errors
/// Database failure.
pub fn of_address(
    conn: &mut PgConnection,
    address: &str,
    since: DateTime<Utc>,
) -> Result<Failures, StoreError> {
    let tries = t::table.filter(t::address.eq(address));
    counted(conn, tries.filter(t::at.gt(since)).into_boxed())
}

/// Failures of a name, wherever from.
///
/// # Errors
/// Database failure.
pub fn of_name(
    conn: &mut PgConnection,
    login: &str,
    since: DateTime<Utc>,
) -> Result<Failures, StoreError> {
    let tries = t::table.filter(t::login.eq(login));
    counted(conn, tries.filter(t::at.gt(since)).into_boxed())
}

fn counted(conn: &mut PgConnection, tries: t::BoxedQuery<Pg>) -> Result<Failures, StoreError> {
    let (count, last) = tries
        .filter(t::succeeded.eq(false))
        .select((diesel::dsl::count_star(), diesel::dsl::max(t::at)))
        .first(conn)?;
    Ok(Failures { count, last })
}

/// Whether a name has come in from an address.
///
/// # Errors
/// Database failure.
pub fn known_here(conn: &mut PgConnection, login: &str, address: &str) -> Result<bool, StoreError> {
    let came = t::table
        .filter(t::login.eq(login))
        .filter(t::address.eq(address))
        .filter(t::succeeded.eq(true));
    Ok(diesel::select(diesel::dsl::exists(came)).get_result(conn)?)
}

/// Notes a try as failed before it is known: many at once all count.
///
/// # Errors
/// Database failure.
pub fn begin(conn: &mut PgConnection, login: &str, address: &str) -> Result<Uuid, StoreError> {
    let id = Uuid::now_v7();
    diesel::insert_into(t::table)
        .values((
            t::id.eq(id),
            t::login.eq(login),
            t::address.eq(address),
            t::succeeded.eq(false),
            t::at.eq(Utc::now()),
        ))
        .execute(conn)?;
    Ok(id)
}

/// Notes that a try succeeded.
///
/// # Errors
/// Database failure.
pub fn succeeded(conn: &mut PgConnection, id: Uuid) -> Result<(), StoreError> {
    diesel::update(t::table.find(id))
        .set(t::succeeded.eq(true))
        .execute(conn)?;
    Ok(())
}

/// Forgets a try that said nothing wrong and is not finished.
///
/// # Errors
/// Database failure.
pub fn set_aside(conn: &mut PgConnection, id: Uuid) -> Result<(), StoreError> {
    diesel::delete(t::table.find(id)).execute(conn)?;
    Ok(())
}

/// Drops tries older than a moment.
///
/// # Errors
/// Database failure.
pub fn forget(conn: &mut PgConnection, before: DateTime<Utc>) -> Result<(), StoreError> {
    diesel::delete(t::table.filter(t::at.lt(before))).execute(conn)?;
    Ok(())
}
