//! The days and hours of a patient at home: every version stays, the newest counts.

use crate::detail::Detail;
use crate::event::{Entry, Stored, enter};
use crate::schema::home_hours as t;
use crate::{EpisodeId, StoreError};
use chrono::{NaiveDate, NaiveTime};
use diesel::prelude::*;
use ritorno_core::facts::HomeHours;
use ritorno_core::knowledge::Weekdays;
use serde::Deserialize;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = t)]
pub(crate) struct HoursRow {
    id: Uuid,
    days: Vec<bool>,
    times: Vec<NaiveTime>,
}

impl Detail for HoursRow {
    const KIND: &'static str = "home_hours";
    type Fact = HomeHours;

    fn fact(self, on: NaiveDate) -> Result<HomeHours, StoreError> {
        let days = self.days.try_into();
        Ok(HomeHours {
            id: self.id,
            on,
            days: Weekdays(days.map_err(|_| StoreError::Unreadable("home hours"))?),
            times: self.times,
        })
    }
}

/// Adds what a patient says of their days and hours, once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: EpisodeId,
    given: &HomeHours,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, given.id, HoursRow::KIND, given.on);
    let stored = enter(conn, entry, given)?;
    if stored == Stored::New {
        let row = HoursRow {
            id: given.id,
            days: given.days.0.to_vec(),
            times: given.times.clone(),
        };
        diesel::insert_into(t::table).values(row).execute(conn)?;
    }
    Ok(stored)
}

/// How often the days and hours of a shoulder were named, and how many hours at most.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Named {
    /// How often.
    pub versions: i32,
    /// The most hours of a day that were ever named.
    pub most_hours: i32,
}

/// How often days and hours were named, with all versions that stand no more.
///
/// # Errors
/// Database failure.
pub fn named(conn: &mut PgConnection, episode: EpisodeId) -> Result<Named, StoreError> {
    use crate::schema::event;
    let versions: Vec<Vec<NaiveTime>> = t::table
        .inner_join(event::table.on(event::id.eq(t::id)))
        .filter(event::episode_id.eq(episode))
        .select(t::times)
        .load(conn)?;
    let whole = |many: usize| i32::try_from(many).unwrap_or(i32::MAX);
    Ok(Named {
        versions: whole(versions.len()),
        most_hours: whole(versions.iter().map(Vec::len).max().unwrap_or(0)),
    })
}
