//! Signed visit notes.

use crate::detail::Detail;
use crate::event::{Entry, Stored, enter};
use crate::schema::{event, visit_note};
use crate::{EpisodeId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::Written;
use ritorno_core::snapshot::{Kind, VisitV1};
use serde::Deserialize;
use uuid::Uuid;

/// A signed note.
#[derive(Debug, Clone, PartialEq)]
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

#[derive(Insertable)]
#[diesel(table_name = visit_note)]
struct NewNote<'a> {
    id: Uuid,
    body: &'a str,
    kind_version: i32,
    summary: &'a serde_json::Value,
}

/// Adds a signed note once, signed by whoever writes.
///
/// # Errors
/// `IdConflict` when the id was used before.
pub fn add(
    conn: &mut PgConnection,
    id: Uuid,
    episode: EpisodeId,
    note: &Note,
) -> Result<Stored, StoreError> {
    let stored = enter(
        conn,
        Entry::new(episode, id, "note", note.visited_on),
        &note.body,
    )?;
    if stored == Stored::New {
        let row = NewNote {
            id,
            body: &note.body,
            kind_version: note.kind_version,
            summary: &note.summary,
        };
        diesel::insert_into(visit_note::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

/// The newest note of an episode: the day of the visit and the words.
///
/// # Errors
/// Database failure.
pub fn newest(conn: &mut PgConnection, episode: EpisodeId) -> Result<Option<Written>, StoreError> {
    use visit_note as t;
    let found: Option<(Uuid, NaiveDate, String)> = t::table
        .inner_join(event::table.on(event::id.eq(t::id)))
        .filter(event::episode_id.eq(episode))
        .filter(event::kind.ne("log"))
        .order((event::on_date.desc(), event::seq.desc()))
        .select((t::id, event::on_date, t::body))
        .first(conn)
        .optional()?;
    Ok(found.map(|(id, on, text)| Written { id, on, text }))
}

/// The words of a signed note.
#[derive(Deserialize)]
pub(crate) struct NoteText {
    id: Uuid,
    body: String,
}

impl Detail for NoteText {
    const KIND: &'static str = "note";
    type Fact = Written;

    fn fact(self, on: NaiveDate) -> Result<Written, StoreError> {
        Ok(Written {
            id: self.id,
            on,
            text: self.body,
        })
    }
}
