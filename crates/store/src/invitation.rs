//! Links that work once: with one somebody chooses a password.

use crate::schema::invitation as t;
use crate::{StoreError, UserId};
use chrono::{DateTime, Utc};
use diesel::prelude::*;
use uuid::Uuid;

/// A link that can still be used.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = t)]
pub struct Invitation {
    /// Id.
    pub id: Uuid,
    /// For whom; nobody where it makes the first lead.
    pub user_id: Option<UserId>,
    /// Until when.
    pub expires_at: DateTime<Utc>,
}

/// Adds a link for somebody; earlier ones of theirs no longer work.
///
/// # Errors
/// Database failure.
pub fn add(
    conn: &mut PgConnection,
    token_hash: &[u8],
    user: Option<UserId>,
    made_by: Option<UserId>,
    expires_at: DateTime<Utc>,
) -> Result<(), StoreError> {
    end_of(conn, user)?;
    diesel::insert_into(t::table)
        .values((
            t::id.eq(Uuid::now_v7()),
            t::token_hash.eq(token_hash),
            t::user_id.eq(user),
            t::made_by.eq(made_by),
            t::expires_at.eq(expires_at),
        ))
        .execute(conn)?;
    Ok(())
}

/// Ends the links of somebody that were not used.
///
/// # Errors
/// Database failure.
pub fn end_of(conn: &mut PgConnection, user: Option<UserId>) -> Result<(), StoreError> {
    let open = t::table
        .filter(t::user_id.is_not_distinct_from(user))
        .filter(t::used_at.is_null())
        .filter(t::expires_at.gt(Utc::now()));
    diesel::update(open)
        .set(t::expires_at.eq(Utc::now()))
        .execute(conn)?;
    Ok(())
}

/// The link of a token, while it can be used; it is held until the transaction ends, so that it is used once.
///
/// # Errors
/// Database failure.
pub fn open(conn: &mut PgConnection, token_hash: &[u8]) -> Result<Option<Invitation>, StoreError> {
    Ok(t::table
        .filter(t::token_hash.eq(token_hash))
        .filter(t::used_at.is_null())
        .filter(t::expires_at.gt(Utc::now()))
        .select(Invitation::as_select())
        .for_update()
        .first(conn)
        .optional()?)
}

/// Notes that a link was used.
///
/// # Errors
/// Database failure.
pub fn used(conn: &mut PgConnection, id: Uuid) -> Result<(), StoreError> {
    diesel::update(t::table.find(id))
        .set(t::used_at.eq(Utc::now()))
        .execute(conn)?;
    Ok(())
}

/// Links that can still be used, by person.
///
/// # Errors
/// Database failure.
pub fn waiting(conn: &mut PgConnection) -> Result<Vec<Invitation>, StoreError> {
    Ok(t::table
        .filter(t::used_at.is_null())
        .filter(t::expires_at.gt(Utc::now()))
        .select(Invitation::as_select())
        .load(conn)?)
}
