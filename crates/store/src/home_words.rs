//! Messages from home, and that somebody has read what was told there.

use crate::detail::Detail;
use crate::event::{self, Act, Entry, Role, Stored, Via, act, enter};
use crate::schema::{event as e, event_reason, home_unread as t};
use crate::{EpisodeId, StoreError, unread};
use chrono::{DateTime, NaiveDate, Utc};
use diesel::prelude::*;
use ritorno_core::facts::Written;
use serde::Deserialize;
use uuid::Uuid;

/// What stands beside the words of a message, where other events keep the code of a reason.
const MESSAGE: &str = "message";

/// A message as `standing_facts` answers it.
#[derive(Deserialize)]
pub(crate) struct MessageText {
    id: Uuid,
    words: String,
}

impl Detail for MessageText {
    const KIND: &'static str = "home_message";
    type Fact = Written;

    fn fact(self, on: NaiveDate) -> Result<Written, StoreError> {
        Ok(Written {
            id: self.id,
            on,
            text: self.words,
        })
    }
}

/// Adds a message from home once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_message(
    conn: &mut PgConnection,
    episode: EpisodeId,
    message: &Written,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, message.id, MessageText::KIND, message.on).by_way(Via::Home);
    let stored = enter(conn, entry, &message.text)?;
    if stored == Stored::New {
        event::reason(conn, message.id, MESSAGE, &message.text)?;
    }
    Ok(stored)
}

/// A message, and whether somebody of the clinic has read it.
#[derive(Debug, Clone, PartialEq, Queryable)]
pub struct Message {
    /// Its id.
    pub id: Uuid,
    /// The day it was written.
    pub on: NaiveDate,
    /// The text.
    pub words: String,
    /// Since when it waits to be read; nothing once it was.
    pub waits_since: Option<DateTime<Utc>>,
}

/// Messages of a shoulder from a day on, oldest first.
///
/// # Errors
/// Database failure.
pub fn messages(
    conn: &mut PgConnection,
    episode: EpisodeId,
    since: NaiveDate,
) -> Result<Vec<Message>, StoreError> {
    Ok(e::table
        .inner_join(event_reason::table.on(event_reason::id.eq(e::id)))
        .left_join(t::table.on(t::id.eq(e::id)))
        .filter(e::episode_id.eq(episode))
        .filter(e::kind.eq(MessageText::KIND))
        .filter(e::on_date.ge(since))
        .order(e::seq)
        .select((e::id, e::on_date, event_reason::words, t::at.nullable()))
        .load(conn)?)
}

/// Keeps that somebody has read what was told from home, each once in the list: an event of its own, that closes each.
///
/// # Errors
/// `NotFound` where the shoulder has no such entry, `IdConflict`, database failure.
pub fn read(
    conn: &mut PgConnection,
    episode: EpisodeId,
    (id, on): (Uuid, NaiveDate),
    told: &[Uuid],
) -> Result<Stored, StoreError> {
    let there: i64 = e::table
        .filter(e::episode_id.eq(episode))
        .filter(e::via.eq("home"))
        .filter(e::id.eq_any(told))
        .count()
        .get_result(conn)?;
    if usize::try_from(there) != Ok(told.len()) {
        return Err(StoreError::NotFound("entry"));
    }
    let stored = enter(conn, Entry::new(episode, id, "home_read", on), &told)?;
    if stored == Stored::New {
        for target in told {
            act(conn, Act::by(id, Role::Closes, *target))?;
        }
        unread::seen(conn, told)?;
    }
    Ok(stored)
}
