//! Sessions: only the digest of a token is kept.

use crate::schema::{app_user, session};
use crate::user::{User, UserRow};
use crate::{StoreError, UserId};
use chrono::{DateTime, Utc};
use diesel::prelude::*;
use uuid::Uuid;

/// Opens a session.
///
/// # Errors
/// Database failure.
pub fn open(
    conn: &mut PgConnection,
    token_hash: &[u8],
    user: UserId,
    expires_at: DateTime<Utc>,
) -> Result<(), StoreError> {
    diesel::insert_into(session::table)
        .values((
            session::token_hash.eq(token_hash),
            session::id.eq(Uuid::now_v7()),
            session::user_id.eq(user),
            session::expires_at.eq(expires_at),
        ))
        .execute(conn)?;
    Ok(())
}

/// Whose session a token is: one query.
///
/// # Errors
/// Database failure.
pub fn user(conn: &mut PgConnection, token_hash: &[u8]) -> Result<Option<User>, StoreError> {
    let row = session::table
        .inner_join(app_user::table.on(app_user::id.eq(session::user_id)))
        .filter(session::token_hash.eq(token_hash))
        .filter(session::expires_at.gt(Utc::now()))
        .select(UserRow::as_select())
        .first(conn)
        .optional()?;
    Ok(row.map(UserRow::user).transpose()?.map(|(user, _)| user))
}

/// Ends a session.
///
/// # Errors
/// Database failure.
pub fn close(conn: &mut PgConnection, token_hash: &[u8]) -> Result<(), StoreError> {
    diesel::delete(session::table.filter(session::token_hash.eq(token_hash))).execute(conn)?;
    Ok(())
}

/// Drops the sessions that have run out.
///
/// # Errors
/// Database failure.
pub fn forget_ended(conn: &mut PgConnection) -> Result<(), StoreError> {
    diesel::delete(session::table.filter(session::expires_at.lt(Utc::now()))).execute(conn)?;
    Ok(())
}
