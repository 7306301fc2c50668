//! The surgeon's limits: written, released, confirmed as ended, taken back.

use crate::detail::{Detail, Standing};
use crate::event::{Act, Entry, Role, Stored, act, enter};
use crate::schema::surgeon_limit;
use crate::{EpisodeId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{Release, SurgeonLimit};
use serde::Deserialize;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = surgeon_limit)]
pub(crate) struct LimitRow {
    id: Uuid,
    quantity: String,
    ceiling: f64,
    floor: Option<f64>,
    until_day: Option<i32>,
    ask_again_day: Option<i32>,
    release_role: Option<String>,
}

impl Detail for LimitRow {
    const KIND: &'static str = "limit";
    type Fact = SurgeonLimit;

    fn fact(self, on: NaiveDate) -> Result<SurgeonLimit, StoreError> {
        Ok(SurgeonLimit {
            id: self.id,
            quantity: self.quantity,
            ceiling: self.ceiling,
            floor: self.floor,
            from: Some(on),
            until_day: self.until_day,
            ask_again_day: self.ask_again_day,
            release: self.release_role.map(|role| Release { role, on }),
            ended_on: None,
        })
    }
}

/// What ended a limit.
#[derive(Deserialize)]
pub(crate) struct LimitEndRow {
    ends: Uuid,
}

impl Detail for LimitEndRow {
    const KIND: &'static str = "limit_end";
    /// The limit, and the day on which it ended.
    type Fact = (Uuid, NaiveDate);

    fn fact(self, on: NaiveDate) -> Result<Self::Fact, StoreError> {
        Ok((self.ends, on))
    }
}

/// The limits of an episode in the order in which they became known, those taken back left out.
///
/// # Errors
/// `Unreadable`.
pub(crate) fn all(from: &Standing, episode: EpisodeId) -> Result<Vec<SurgeonLimit>, StoreError> {
    let ends = from.of::<LimitEndRow>(episode)?;
    let mut limits = from.as_known::<LimitRow>(episode)?;
    for limit in &mut limits {
        limit.ended_on = ends
            .iter()
            .find(|(of, _)| *of == limit.id)
            .map(|(_, on)| *on);
    }
    Ok(limits)
}

/// Adds a limit once; a repeat with the same contents changes nothing.
///
/// # Errors
/// `IdConflict` when the id was used with other contents.
pub fn add(
    conn: &mut PgConnection,
    episode: EpisodeId,
    limit: &SurgeonLimit,
    today: NaiveDate,
) -> Result<Stored, StoreError> {
    let on = limit.starts_on().unwrap_or(today);
    let stored = enter(conn, Entry::new(episode, limit.id, "limit", on), limit)?;
    if stored == Stored::New {
        let row = LimitRow {
            id: limit.id,
            quantity: limit.quantity.clone(),
            ceiling: limit.ceiling,
            floor: limit.floor,
            until_day: limit.until_day,
            ask_again_day: limit.ask_again_day,
            release_role: limit.release.as_ref().map(|r| r.role.clone()),
        };
        diesel::insert_into(surgeon_limit::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

/// Confirms on a day that a limit has ended.
///
/// # Errors
/// `NotFound` when the episode has no such limit.
pub fn end(
    conn: &mut PgConnection,
    episode: EpisodeId,
    limit: Uuid,
    on: NaiveDate,
) -> Result<(), StoreError> {
    let id = Uuid::now_v7();
    enter(conn, Entry::new(episode, id, "limit_end", on), &limit)?;
    act(conn, Act::by(id, Role::Ends, limit))
}
