//! Signed visit notes.

use crate::StoreError;
use crate::schema::visit_note;
use chrono::NaiveDate;
use diesel::prelude::*;
use uuid::Uuid;

/// A signed note.
#[derive(Debug, Clone, PartialEq, Queryable)]
pub struct Note {
    /// When.
    pub visited_on: NaiveDate,
    /// What the clinician wrote.
    pub body: String,
    /// What the page showed when it was signed.
    pub summary: serde_json::Value,
}

/// Adds a signed note once.
///
/// # Errors
/// `IdConflict` when the id was used before.
pub fn add(
    conn: &mut PgConnection,
    id: Uuid,
    episode: Uuid,
    note: &Note,
    by: Uuid,
) -> Result<(), StoreError> {
    use visit_note as t;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(id),
            t::episode_id.eq(episode),
            t::visited_on.eq(note.visited_on),
            t::body.eq(&note.body),
            t::summary.eq(&note.summary),
            t::signed_by.eq(by),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    let mut same = || -> Result<bool, StoreError> {
        let kept: Option<(Uuid, NaiveDate, String)> = t::table
            .filter(t::id.eq(id))
            .select((t::episode_id, t::visited_on, t::body))
            .first(conn)
            .optional()?;
        Ok(kept == Some((episode, note.visited_on, note.body.clone())))
    };
    if added == 1 || same()? {
        Ok(())
    } else {
        Err(StoreError::IdConflict)
    }
}

/// The newest note of an episode.
///
/// # Errors
/// Database failure.
pub fn newest(conn: &mut PgConnection, episode: Uuid) -> Result<Option<Note>, StoreError> {
    use visit_note as t;
    Ok(t::table
        .filter(t::episode_id.eq(episode))
        .order((t::visited_on.desc(), t::id.desc()))
        .select((t::visited_on, t::body, t::summary))
        .first(conn)
        .optional()?)
}
