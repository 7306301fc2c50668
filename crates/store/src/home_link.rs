//! The link to a patient's own page: bound to one shoulder, known by a digest, run out, ended or replaced.

use crate::schema::{episode, event, home_calendar, home_link as t, home_phone, patient};
use crate::{EpisodeId, PatientId, StoreError, UserId};
use chrono::{DateTime, NaiveDate, Utc};
use diesel::prelude::*;
use uuid::Uuid;

/// Birth dates in a row that may be wrong before a link is locked until the clinic makes a new one. Source: our choice.
pub const TRIES: i32 = 5;

/// The link that stands for a shoulder, as the clinic sees it.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable)]
#[diesel(table_name = t)]
pub struct Link {
    /// Since when.
    pub made_at: DateTime<Utc>,
    /// The last day on which it works.
    pub expires_on: NaiveDate,
    /// Birth dates in a row that did not fit.
    pub tries: i32,
    /// When a telephone was first let in.
    pub opened_at: Option<DateTime<Utc>>,
}

/// A link that somebody holds out.
#[derive(Debug, Clone, PartialEq)]
pub struct Held {
    /// Its id.
    pub id: Uuid,
    /// Whose record.
    pub patient: PatientId,
    /// Birth date.
    pub birth: NaiveDate,
    /// The last day on which it works.
    pub expires_on: NaiveDate,
    /// Birth dates in a row that did not fit.
    pub tries: i32,
}

/// Makes a link for a shoulder; an earlier one, and what was let in with it, is out from now on.
///
/// # Errors
/// Database failure.
pub fn make(
    conn: &mut PgConnection,
    episode: EpisodeId,
    token_hash: &[u8],
    by: UserId,
    expires_on: NaiveDate,
) -> Result<(), StoreError> {
    end(conn, episode)?;
    diesel::insert_into(t::table)
        .values((
            t::id.eq(Uuid::now_v7()),
            t::episode_id.eq(episode),
            t::token_hash.eq(token_hash),
            t::made_by.eq(by),
            t::expires_on.eq(expires_on),
        ))
        .execute(conn)?;
    Ok(())
}

/// Ends the link of a shoulder, where one stands.
///
/// # Errors
/// Database failure.
pub fn end(conn: &mut PgConnection, episode: EpisodeId) -> Result<(), StoreError> {
    let standing = t::table
        .filter(t::episode_id.eq(episode))
        .filter(t::ended_at.is_null());
    diesel::update(standing)
        .set(t::ended_at.eq(Utc::now()))
        .execute(conn)?;
    Ok(())
}

/// The link that stands for a shoulder.
///
/// # Errors
/// Database failure.
pub fn standing(conn: &mut PgConnection, episode: EpisodeId) -> Result<Option<Link>, StoreError> {
    Ok(t::table
        .filter(t::episode_id.eq(episode))
        .filter(t::ended_at.is_null())
        .select(Link::as_select())
        .first(conn)
        .optional()?)
}

/// Whether a digest is that of the link that stands for a shoulder.
///
/// # Errors
/// Database failure.
pub fn stands(
    conn: &mut PgConnection,
    episode: EpisodeId,
    token_hash: &[u8],
) -> Result<bool, StoreError> {
    let link = t::table
        .filter(t::episode_id.eq(episode))
        .filter(t::token_hash.eq(token_hash))
        .filter(t::ended_at.is_null());
    Ok(diesel::select(diesel::dsl::exists(link)).get_result(conn)?)
}

/// When something was last told from home.
///
/// # Errors
/// Database failure.
pub fn last_told(
    conn: &mut PgConnection,
    episode: EpisodeId,
) -> Result<Option<DateTime<Utc>>, StoreError> {
    Ok(event::table
        .filter(event::episode_id.eq(episode))
        .filter(event::via.eq("home"))
        .select(diesel::dsl::max(event::at))
        .first(conn)?)
}

/// The link with a digest, while nobody ended it; it is held until the transaction ends, so that tries are counted one by one.
///
/// # Errors
/// Database failure.
pub fn held(conn: &mut PgConnection, token_hash: &[u8]) -> Result<Option<Held>, StoreError> {
    let found: Option<(Uuid, NaiveDate, i32, EpisodeId)> = t::table
        .filter(t::token_hash.eq(token_hash))
        .filter(t::ended_at.is_null())
        .select((t::id, t::expires_on, t::tries, t::episode_id))
        .for_update()
        .first(conn)
        .optional()?;
    let Some((id, expires_on, tries, of)) = found else {
        return Ok(None);
    };
    let (patient, birth) = episode::table
        .inner_join(patient::table.on(patient::id.eq(episode::patient_id)))
        .filter(episode::id.eq(of))
        .select((patient::id, patient::birth))
        .first(conn)?;
    Ok(Some(Held {
        id,
        patient,
        birth,
        expires_on,
        tries,
    }))
}

/// Notes a birth date that did not fit.
///
/// # Errors
/// Database failure.
pub fn failed(conn: &mut PgConnection, id: Uuid) -> Result<(), StoreError> {
    diesel::update(t::table.find(id))
        .set(t::tries.eq(t::tries + 1))
        .execute(conn)?;
    Ok(())
}

/// Lets a telephone in: only the digest of its token is kept.
///
/// # Errors
/// Database failure.
pub fn let_in(conn: &mut PgConnection, id: Uuid, token_hash: &[u8]) -> Result<(), StoreError> {
    diesel::update(t::table.find(id))
        .set((
            t::tries.eq(0),
            t::opened_at.eq(diesel::dsl::sql::<
                diesel::sql_types::Nullable<diesel::sql_types::Timestamptz>,
            >("coalesce(opened_at, now())")),
        ))
        .execute(conn)?;
    diesel::insert_into(home_phone::table)
        .values((
            home_phone::id.eq(Uuid::now_v7()),
            home_phone::token_hash.eq(token_hash),
            home_phone::link_id.eq(id),
        ))
        .execute(conn)?;
    Ok(())
}

/// Which shoulder a telephone is let in for on a day; none once its link has run out, was ended or replaced, or the treatment ended.
///
/// # Errors
/// Database failure.
pub fn phone(
    conn: &mut PgConnection,
    token_hash: &[u8],
    today: NaiveDate,
) -> Result<Option<EpisodeId>, StoreError> {
    let found: Option<(EpisodeId, NaiveDate)> = home_phone::table
        .inner_join(t::table)
        .filter(home_phone::token_hash.eq(token_hash))
        .filter(t::ended_at.is_null())
        .select((t::episode_id, t::expires_on))
        .first(conn)
        .optional()?;
    still(conn, found, today)
}

/// Gives a telephone's owner an address for their calendar: only the digest of its token is kept. It goes with the link.
///
/// # Errors
/// `NotFound` when the telephone is not let in, database failure.
pub fn give_calendar(
    conn: &mut PgConnection,
    phone: &[u8],
    token_hash: &[u8],
) -> Result<(), StoreError> {
    let link: Uuid = home_phone::table
        .filter(home_phone::token_hash.eq(phone))
        .select(home_phone::link_id)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("telephone"))?;
    diesel::insert_into(home_calendar::table)
        .values((
            home_calendar::id.eq(Uuid::now_v7()),
            home_calendar::token_hash.eq(token_hash),
            home_calendar::link_id.eq(link),
        ))
        .execute(conn)?;
    Ok(())
}

/// Which shoulder an address of a calendar is for; none once its link has run out, was ended or replaced, or the treatment ended.
///
/// # Errors
/// Database failure.
pub fn calendar(
    conn: &mut PgConnection,
    token_hash: &[u8],
    today: NaiveDate,
) -> Result<Option<EpisodeId>, StoreError> {
    let found: Option<(EpisodeId, NaiveDate)> = home_calendar::table
        .inner_join(t::table)
        .filter(home_calendar::token_hash.eq(token_hash))
        .filter(t::ended_at.is_null())
        .select((t::episode_id, t::expires_on))
        .first(conn)
        .optional()?;
    still(conn, found, today)
}

/// The shoulder of a link that has not run out, while it is treated.
fn still(
    conn: &mut PgConnection,
    found: Option<(EpisodeId, NaiveDate)>,
    today: NaiveDate,
) -> Result<Option<EpisodeId>, StoreError> {
    match found.filter(|(_, until)| *until >= today) {
        Some((of, _)) => treated(conn, of),
        None => Ok(None),
    }
}

/// The shoulder, while it is treated.
fn treated(conn: &mut PgConnection, of: EpisodeId) -> Result<Option<EpisodeId>, StoreError> {
    Ok(episode::table
        .filter(episode::id.eq(of))
        .filter(episode::closed_on.is_null())
        .select(episode::id)
        .first(conn)
        .optional()?)
}
