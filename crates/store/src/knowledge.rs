//! Releases of knowledge: what the application knew when a program was built.

use crate::StoreError;
use crate::schema::knowledge_release;
use diesel::prelude::*;

/// Stores a release once.
///
/// # Errors
/// Database failure.
pub fn keep(conn: &mut PgConnection, sha256: &str, canonical: &str) -> Result<(), StoreError> {
    let body: serde_json::Value = serde_json::from_str(canonical).map_err(|_| StoreError::Unreadable("knowledge release"))?;
    diesel::insert_into(knowledge_release::table)
        .values((knowledge_release::sha256.eq(sha256), knowledge_release::body.eq(body)))
        .on_conflict_do_nothing()
        .execute(conn)?;
    Ok(())
}
