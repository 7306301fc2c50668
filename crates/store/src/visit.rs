//! Signed visit notes.

use crate::StoreError;
use crate::schema::visit_note;
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::snapshot::{Kind, VisitV1};
use uuid::Uuid;

/// A signed note.
#[derive(Debug, Clone, PartialEq, Queryable)]
pub struct Note {
    /// When.
    pub visited_on: NaiveDate,
    /// What the clinician wrote.
    pub body: String,
    /// Version of the summary.
    pub kind_version: i32,
    /// What the page showed when it was signed, a snapshot.
    pub summary: serde_json::Value,
}

impl Note {
    /// A note of today with what the page showed.
    ///
    /// # Errors
    /// `Unreadable` when the summary cannot be written down.
    pub fn new(on: NaiveDate, body: String, shown: &VisitV1) -> Result<Note, StoreError> {
        Ok(Note {
            visited_on: on,
            body,
            kind_version: Kind::Visit.version(),
            summary: serde_json::to_value(shown).map_err(|_| StoreError::Unreadable("visit"))?,
        })
    }
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
            t::kind_version.eq(note.kind_version),
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
        .select((t::visited_on, t::body, t::kind_version, t::summary))
        .first(conn)
        .optional()?)
}
