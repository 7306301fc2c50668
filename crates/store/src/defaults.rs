//! What the clinic sets for itself: every version stays, the newest one counts.

use crate::versions::Document;
use crate::{StoreError, UserId};
use diesel::prelude::*;
use ritorno_core::facts::ClinicDefaults;

const DOCUMENT: Document = Document {
    table: "clinic_defaults",
    name: "defaults",
};

/// The clinic's defaults with their version; 0 and what ships where nobody has set any.
///
/// # Errors
/// `Unreadable` where a version was written by something newer.
pub fn newest(conn: &mut PgConnection) -> Result<(i32, ClinicDefaults), StoreError> {
    DOCUMENT.newest(conn)
}

/// Adds the version after `before`. The same once more is stored once.
///
/// # Errors
/// `Stale` when somebody else has set something since.
pub fn keep(
    conn: &mut PgConnection,
    before: i32,
    set: &ClinicDefaults,
    by: UserId,
) -> Result<(), StoreError> {
    DOCUMENT.keep(conn, before, set, by)
}
