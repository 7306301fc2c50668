//! What was told from home and nobody of the clinic has read yet: a list to work off.

use crate::schema::{event as e, event_reason, flag_answer, home_unread as t, lane};
use crate::{EpisodeId, PatientId, StoreError, UserId};
use chrono::{DateTime, NaiveDate, Utc};
use diesel::prelude::*;
use uuid::Uuid;

/// Puts what was told on the list of what nobody has read yet.
///
/// # Errors
/// Database failure.
pub fn waits(conn: &mut PgConnection, episode: EpisodeId, id: Uuid) -> Result<(), StoreError> {
    diesel::insert_into(t::table)
        .values((t::id.eq(id), t::episode_id.eq(episode)))
        .on_conflict_do_nothing()
        .execute(conn)?;
    Ok(())
}

/// Takes from the list what somebody has seen: read, acted on, or taken back.
///
/// # Errors
/// Database failure.
pub fn seen(conn: &mut PgConnection, ids: &[Uuid]) -> Result<(), StoreError> {
    diesel::delete(t::table.filter(t::id.eq_any(ids))).execute(conn)?;
    Ok(())
}

/// Something told from home that nobody has read yet.
#[derive(Debug, Clone, PartialEq, Queryable)]
pub struct Unread {
    /// Its id.
    pub id: Uuid,
    /// The day it speaks about.
    pub on: NaiveDate,
    /// When it came.
    pub at: DateTime<Utc>,
    /// A message, in words.
    pub words: Option<String>,
    /// A red flag that was tapped.
    pub flag: Option<String>,
}

/// What was told about a shoulder and nobody has read yet, oldest first.
///
/// # Errors
/// Database failure.
pub fn unread(conn: &mut PgConnection, episode: EpisodeId) -> Result<Vec<Unread>, StoreError> {
    Ok(t::table
        .inner_join(e::table.on(e::id.eq(t::id)))
        .left_join(event_reason::table.on(event_reason::id.eq(t::id)))
        .left_join(flag_answer::table.on(flag_answer::id.eq(t::id)))
        .filter(t::episode_id.eq(episode))
        .order((t::at, e::seq))
        .select((
            t::id,
            e::on_date,
            t::at,
            event_reason::words.nullable(),
            flag_answer::flag.nullable(),
        ))
        .load(conn)?)
}

/// Whose words wait, and since when.
#[derive(Debug, Clone, PartialEq, Queryable)]
pub struct Waiting {
    /// The patient.
    pub patient: PatientId,
    /// The shoulder.
    pub episode: EpisodeId,
    /// Given name.
    pub given_name: String,
    /// Family name.
    pub family_name: String,
    /// Who treats it.
    pub treated_by: Option<UserId>,
    /// When the oldest came.
    pub since: Option<DateTime<Utc>>,
    /// How many wait.
    pub count: i64,
}

/// Every shoulder about which something waits to be read, the oldest first.
///
/// # Errors
/// Database failure.
pub fn waiting(conn: &mut PgConnection) -> Result<Vec<Waiting>, StoreError> {
    Ok(t::table
        .inner_join(lane::table.on(lane::episode_id.eq(t::episode_id)))
        .group_by((
            lane::patient_id,
            lane::episode_id,
            lane::given_name,
            lane::family_name,
            lane::treated_by,
        ))
        .order(diesel::dsl::min(t::at))
        .select((
            lane::patient_id,
            lane::episode_id,
            lane::given_name,
            lane::family_name,
            lane::treated_by,
            diesel::dsl::min(t::at),
            diesel::dsl::count_star(),
        ))
        .load(conn)?)
}
