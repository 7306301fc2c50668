//! Signed visit notes.

use crate::StoreError;
use crate::event::{Entry, Stored, enter, standing};
use crate::schema::{event, visit_note};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::Written;
use ritorno_core::snapshot::{Kind, VisitV1};
use uuid::Uuid;

/// A signed note.
#[derive(Debug, Clone, PartialEq, Queryable)]
pub struct Note {
    /// The day of the visit.
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

/// Adds a signed note once, signed by whoever writes.
///
/// # Errors
/// `IdConflict` when the id was used before.
pub fn add(
    conn: &mut PgConnection,
    id: Uuid,
    episode: Uuid,
    note: &Note,
) -> Result<Stored, StoreError> {
    use visit_note as t;
    let stored = enter(
        conn,
        Entry::new(episode, id, "note", note.visited_on),
        &note.body,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(id),
                t::body.eq(&note.body),
                t::kind_version.eq(note.kind_version),
                t::summary.eq(&note.summary),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// The newest note of an episode.
///
/// # Errors
/// Database failure.
pub fn newest(conn: &mut PgConnection, episode: Uuid) -> Result<Option<Note>, StoreError> {
    use visit_note as t;
    Ok(t::table
        .inner_join(event::table.on(event::id.eq(t::id)))
        .filter(event::episode_id.eq(episode))
        .order((event::on_date.desc(), event::seq.desc()))
        .select((event::on_date, t::body, t::kind_version, t::summary))
        .first(conn)
        .optional()?)
}

/// The words of all signed notes of an episode, oldest first.
///
/// # Errors
/// Database failure.
pub fn texts(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<Written>, StoreError> {
    use visit_note as t;
    let rows: Vec<(Uuid, NaiveDate, String)> = standing!(t, episode)
        .select((t::id, event::on_date, t::body))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(id, on, text)| Written { id, on, text })
        .collect())
}
