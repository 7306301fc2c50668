//! What a lead sets about access: every version stays, the newest one counts.

use crate::versions::Document;
use crate::{StoreError, UserId};
use diesel::prelude::*;
use ritorno_core::permission::AccessRules;

const DOCUMENT: Document = Document {
    table: "access_rules",
    name: "access rules",
};

/// The rules with their version; 0 and what ships where nobody has set any.
///
/// # Errors
/// `Unreadable` where a version was written by something newer.
pub fn newest(conn: &mut PgConnection) -> Result<(i32, AccessRules), StoreError> {
    DOCUMENT.newest(conn)
}

/// The rules as they were kept.
pub(crate) fn read(body: serde_json::Value) -> Result<AccessRules, StoreError> {
    DOCUMENT.read(body)
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
    DOCUMENT.keep(conn, before, set, by)
}
