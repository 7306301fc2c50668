//! What a lead sets about access: every version stays, the newest one counts.

use crate::schema::access_rules as t;
use crate::{StoreError, UserId};
use diesel::prelude::*;
use ritorno_core::permission::AccessRules;

/// The rules with their version; 0 and what ships where nobody has set any.
///
/// # Errors
/// `Unreadable` where a version was written by something newer.
pub fn newest(conn: &mut PgConnection) -> Result<(i32, AccessRules), StoreError> {
    let row: Option<(i32, serde_json::Value)> = t::table
        .order(t::rev.desc())
        .select((t::rev, t::body))
        .first(conn)
        .optional()?;
    let Some((rev, body)) = row else {
        return Ok((0, AccessRules::default()));
    };
    Ok((rev, read(body)?))
}

/// The rules as they were kept.
pub(crate) fn read(body: serde_json::Value) -> Result<AccessRules, StoreError> {
    serde_json::from_value(body).map_err(|_| StoreError::Unreadable("access rules"))
}

/// Adds the version after `before`. The same once more is stored once.
///
/// # Errors
/// `Stale` when somebody else has set something since.
pub fn keep(
    conn: &mut PgConnection,
    before: i32,
    set: &AccessRules,
    by: UserId,
) -> Result<(), StoreError> {
    let (current, held) = newest(conn)?;
    if current == before + 1 && held == *set {
        return Ok(());
    }
    if current != before {
        return Err(StoreError::Stale { current });
    }
    let body = serde_json::to_value(set).map_err(|_| StoreError::Unreadable("access rules"))?;
    let added = diesel::insert_into(t::table)
        .values((t::rev.eq(before + 1), t::body.eq(body), t::user_id.eq(by)))
        .on_conflict(t::rev)
        .do_nothing()
        .execute(conn)?;
    if added == 0 {
        return Err(StoreError::Stale {
            current: before + 1,
        });
    }
    Ok(())
}
