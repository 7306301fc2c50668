//! Releases of knowledge: what the application knew when a program was built.

use crate::StoreError;
use crate::schema::knowledge_release;
use diesel::prelude::*;

/// Stores a release once.
///
/// # Errors
/// Database failure.
pub fn keep(conn: &mut PgConnection, sha256: &str, canonical: &str) -> Result<(), StoreError> {
    let body: serde_json::Value =
        serde_json::from_str(canonical).map_err(|_| StoreError::Unreadable("knowledge release"))?;
    diesel::insert_into(knowledge_release::table)
        .values((
            knowledge_release::sha256.eq(sha256),
            knowledge_release::body.eq(body),
        ))
        .on_conflict_do_nothing()
        .execute(conn)?;
    Ok(())
}

/// The canonical text of a stored release.
///
/// # Errors
/// `NotFound`, database failure.
pub fn body(conn: &mut PgConnection, sha256: &str) -> Result<String, StoreError> {
    let value: serde_json::Value = knowledge_release::table
        .filter(knowledge_release::sha256.eq(sha256))
        .select(knowledge_release::body)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("knowledge release"))?;
    Ok(value.to_string())
}
