//! The second factor of a person: a secret shared with their telephone, and codes for the day it is lost.

use crate::schema::{recovery_code, second_factor as t};
use crate::{StoreError, UserId};
use chrono::{DateTime, Utc};
use diesel::prelude::*;
use uuid::Uuid;

/// A second factor, confirmed or not.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = t)]
pub struct SecondFactor {
    /// The shared secret.
    pub secret: Vec<u8>,
    /// When the person showed that their telephone has it.
    pub confirmed_at: Option<DateTime<Utc>>,
    /// The last step that was used.
    pub last_step: i64,
}

/// Somebody's second factor.
///
/// # Errors
/// Database failure.
pub fn of(conn: &mut PgConnection, user: UserId) -> Result<Option<SecondFactor>, StoreError> {
    Ok(t::table
        .find(user)
        .select(SecondFactor::as_select())
        .first(conn)
        .optional()?)
}

/// Offers a secret; one that was confirmed is not replaced.
///
/// # Errors
/// `Refused` when there is a confirmed one.
pub fn offer(conn: &mut PgConnection, user: UserId, secret: &[u8]) -> Result<(), StoreError> {
    if of(conn, user)?.is_some_and(|f| f.confirmed_at.is_some()) {
        return Err(StoreError::Refused("second factor".to_owned()));
    }
    diesel::delete(t::table.find(user)).execute(conn)?;
    diesel::insert_into(t::table)
        .values((t::user_id.eq(user), t::secret.eq(secret)))
        .execute(conn)?;
    Ok(())
}

/// Confirms the secret that was offered, and keeps new codes for the day the telephone is lost.
///
/// # Errors
/// Database failure.
pub fn confirm(
    conn: &mut PgConnection,
    user: UserId,
    step: i64,
    code_hashes: &[Vec<u8>],
) -> Result<(), StoreError> {
    diesel::update(t::table.find(user))
        .set((t::confirmed_at.eq(Utc::now()), t::last_step.eq(step)))
        .execute(conn)?;
    diesel::delete(recovery_code::table.filter(recovery_code::user_id.eq(user))).execute(conn)?;
    for code_hash in code_hashes {
        diesel::insert_into(recovery_code::table)
            .values((
                recovery_code::id.eq(Uuid::now_v7()),
                recovery_code::user_id.eq(user),
                recovery_code::code_hash.eq(code_hash),
            ))
            .execute(conn)?;
    }
    Ok(())
}

/// Notes that a step was used; false when it, or a later one, had been used before.
///
/// # Errors
/// Database failure.
pub fn use_step(conn: &mut PgConnection, user: UserId, step: i64) -> Result<bool, StoreError> {
    let fresh = t::table.find(user).filter(t::last_step.lt(step));
    Ok(diesel::update(fresh)
        .set(t::last_step.eq(step))
        .execute(conn)?
        == 1)
}

/// Notes that a code was used; false when there is no such code, or it had been used before.
///
/// # Errors
/// Database failure.
pub fn use_code(
    conn: &mut PgConnection,
    user: UserId,
    code_hash: &[u8],
) -> Result<bool, StoreError> {
    use recovery_code as r;
    let fresh = r::table
        .filter(r::user_id.eq(user))
        .filter(r::code_hash.eq(code_hash))
        .filter(r::used_at.is_null());
    Ok(diesel::update(fresh)
        .set(r::used_at.eq(Utc::now()))
        .execute(conn)?
        == 1)
}

/// How many codes are left.
///
/// # Errors
/// Database failure.
pub fn codes_left(conn: &mut PgConnection, user: UserId) -> Result<i64, StoreError> {
    use recovery_code as r;
    Ok(r::table
        .filter(r::user_id.eq(user))
        .filter(r::used_at.is_null())
        .count()
        .get_result(conn)?)
}

/// Takes somebody's second factor away, with its codes.
///
/// # Errors
/// Database failure.
pub fn end(conn: &mut PgConnection, user: UserId) -> Result<(), StoreError> {
    diesel::delete(recovery_code::table.filter(recovery_code::user_id.eq(user))).execute(conn)?;
    diesel::delete(t::table.find(user)).execute(conn)?;
    Ok(())
}

/// Who has a second factor.
///
/// # Errors
/// Database failure.
pub fn holders(conn: &mut PgConnection) -> Result<Vec<UserId>, StoreError> {
    Ok(t::table
        .filter(t::confirmed_at.is_not_null())
        .select(t::user_id)
        .load(conn)?)
}
