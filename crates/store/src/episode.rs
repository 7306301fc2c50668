//! One shoulder from its beginning to its end: begun, ended, opened again.

use crate::convert::{unword, word};
use crate::schema::{episode, lane, patient, program};
use crate::story::{EpisodeRow, keep_words};
use crate::{EpisodeId, PatientId, StoreError, event, lists};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{Start, Story};
use ritorno_core::mechanics::Arm;
use uuid::Uuid;

pub use crate::load::{Loaded, load};
pub use crate::patient::{
    FoundEpisode, Patient, find, newest_of, patients, person, rename, same_person,
};
pub use crate::story::update as update_story;

/// Adds a patient with a first episode.
///
/// # Errors
/// `Refused` with the constraint's name, `IdConflict` when an id is taken.
pub fn insert(
    conn: &mut PgConnection,
    person: &Patient,
    id: EpisodeId,
    story: &Story,
    today: NaiveDate,
) -> Result<(), StoreError> {
    let added = diesel::insert_into(patient::table)
        .values(person)
        .on_conflict(patient::id)
        .do_nothing()
        .execute(conn)?;
    if added == 0 {
        return Err(StoreError::IdConflict);
    }
    event::begin(conn, person.id)?;
    diesel::insert_into(episode::table)
        .values(EpisodeRow::of(id, person.id, story, 1))
        .execute(conn)?;
    lists::write(conn, id, story)?;
    keep_words(conn, id, 1, story, today)
}

/// What an entry is checked against before it is kept: one query, however long the record.
#[derive(Debug, Clone, PartialEq)]
pub struct Footing {
    /// Pathway id.
    pub pathway: String,
    /// Day 0.
    pub day0: NaiveDate,
    /// When it ended.
    pub closed_on: Option<NaiveDate>,
    /// What its program was built with, where there is one.
    pub knowledge_sha256: Option<String>,
}

/// What an entry of an episode is checked against.
///
/// # Errors
/// `NotFound`, database failure.
pub fn footing(conn: &mut PgConnection, id: EpisodeId) -> Result<Footing, StoreError> {
    let found: Option<(FootingRow, Option<String>)> = episode::table
        .left_join(program::table.on(program::episode_id.eq(episode::id)))
        .filter(episode::id.eq(id))
        .select((
            FootingRow::as_select(),
            program::knowledge_sha256.nullable(),
        ))
        .first(conn)
        .optional()?;
    let (row, knowledge_sha256) = found.ok_or(StoreError::NotFound("episode"))?;
    Ok(Footing {
        pathway: row.pathway,
        day0: row.day0,
        closed_on: row.closed_on,
        knowledge_sha256,
    })
}

#[derive(Queryable, Selectable)]
#[diesel(table_name = episode)]
struct FootingRow {
    pathway: String,
    day0: NaiveDate,
    closed_on: Option<NaiveDate>,
}

/// An episode without its contents.
#[derive(Debug, Clone, PartialEq)]
pub struct EpisodeHead {
    /// Id.
    pub id: EpisodeId,
    /// Pathway id.
    pub pathway: String,
    /// The affected side.
    pub side: Arm,
    /// Day 0.
    pub day0: NaiveDate,
    /// What day 0 is the day of.
    pub start: Start,
    /// When a later operation of the same shoulder took its place.
    pub closed_on: Option<NaiveDate>,
}

/// All episodes of a patient, newest first.
///
/// # Errors
/// Database failure.
pub fn all_of(
    conn: &mut PgConnection,
    patient_id: PatientId,
) -> Result<Vec<EpisodeHead>, StoreError> {
    use episode as t;
    let rows: Vec<HeadRow> = t::table
        .filter(t::patient_id.eq(patient_id))
        .order((t::day0.desc(), t::id.desc()))
        .select(HeadRow::as_select())
        .load(conn)?;
    rows.into_iter()
        .map(|row| {
            Ok(EpisodeHead {
                id: row.id,
                pathway: row.pathway,
                side: unword("side", &row.side)?,
                day0: row.day0,
                start: unword("start", &row.start)?,
                closed_on: row.closed_on,
            })
        })
        .collect()
}

#[derive(Queryable, Selectable)]
#[diesel(table_name = episode)]
struct HeadRow {
    id: EpisodeId,
    pathway: String,
    side: String,
    day0: NaiveDate,
    start: String,
    closed_on: Option<NaiveDate>,
}

/// Adds an episode to a patient who is known; what ran for the same shoulder is closed by it.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    patient_id: PatientId,
    id: EpisodeId,
    story: &Story,
    today: NaiveDate,
) -> Result<(), StoreError> {
    let same_side: Vec<EpisodeId> = episode::table
        .filter(episode::patient_id.eq(patient_id))
        .filter(episode::side.eq(word(story.side)))
        .filter(episode::closed_on.is_null())
        .select(episode::id)
        .load(conn)?;
    for ended in &same_side {
        close(conn, *ended, today, "new_operation", "")?;
    }
    let row = EpisodeRow::of(id, patient_id, story, 1);
    if diesel::insert_into(episode::table)
        .values(row)
        .on_conflict(episode::id)
        .do_nothing()
        .execute(conn)?
        == 0
    {
        return Err(StoreError::IdConflict);
    }
    lists::write(conn, id, story)?;
    keep_words(conn, id, 1, story, today)
}

/// Ends an episode on a day: it leaves the day's list and takes only entries dated up to then.
///
/// # Errors
/// `Refused` when it has ended already.
pub fn close(
    conn: &mut PgConnection,
    id: EpisodeId,
    on: NaiveDate,
    code: &str,
    words: &str,
) -> Result<(), StoreError> {
    let changed = diesel::update(
        episode::table
            .filter(episode::id.eq(id))
            .filter(episode::closed_on.is_null()),
    )
    .set(episode::closed_on.eq(on))
    .execute(conn)?;
    if changed == 0 {
        return Err(StoreError::Refused("episode_ended".to_owned()));
    }
    diesel::delete(lane::table.filter(lane::episode_id.eq(id))).execute(conn)?;
    let entry = Uuid::now_v7();
    let kind = event::Entry::new(id, entry, "episode_end", on);
    event::enter(conn, kind, &(code, words))?;
    event::reason(conn, entry, code, words)
}

/// Opens an ended episode again.
///
/// # Errors
/// `Refused` when it is open, or another episode of the same shoulder is.
pub fn reopen(
    conn: &mut PgConnection,
    id: EpisodeId,
    on: NaiveDate,
    words: &str,
) -> Result<(), StoreError> {
    let changed = diesel::update(
        episode::table
            .filter(episode::id.eq(id))
            .filter(episode::closed_on.is_not_null()),
    )
    .set(episode::closed_on.eq(None::<NaiveDate>))
    .execute(conn)?;
    if changed == 0 {
        return Err(StoreError::Refused("episode_open".to_owned()));
    }
    let entry = Uuid::now_v7();
    let kind = event::Entry::new(id, entry, "episode_reopened", on);
    event::enter(conn, kind, &words)?;
    event::reason(conn, entry, "", words)
}

/// The open episodes of a patient.
///
/// # Errors
/// Database failure.
pub fn open_of(
    conn: &mut PgConnection,
    patient_id: PatientId,
) -> Result<Vec<EpisodeId>, StoreError> {
    Ok(episode::table
        .filter(episode::patient_id.eq(patient_id))
        .filter(episode::closed_on.is_null())
        .order(episode::id)
        .select(episode::id)
        .load(conn)?)
}

/// The episode that an arm is judged by: its own open one, where there is one; else the one that is asked through.
///
/// # Errors
/// `NotFound`.
pub fn of_arm(
    conn: &mut PgConnection,
    through: EpisodeId,
    arm: Arm,
) -> Result<EpisodeId, StoreError> {
    let (patient, side): (PatientId, String) = episode::table
        .filter(episode::id.eq(through))
        .select((episode::patient_id, episode::side))
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("episode"))?;
    if side == word(arm) {
        return Ok(through);
    }
    let own = episode::table
        .filter(episode::patient_id.eq(patient))
        .filter(episode::side.eq(word(arm)))
        .filter(episode::closed_on.is_null())
        .select(episode::id)
        .first(conn)
        .optional()?;
    Ok(own.unwrap_or(through))
}
