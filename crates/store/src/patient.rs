//! A person: name and birth date.

use crate::convert::{column, count, parts};
use crate::schema::{episode, patient};
use crate::{EpisodeId, PatientId, StoreError, event};
use chrono::NaiveDate;
use diesel::prelude::*;
use uuid::Uuid;

/// A patient.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable, Insertable, AsChangeset)]
#[diesel(table_name = patient)]
pub struct Patient {
    /// Id, made by the client.
    pub id: PatientId,
    /// Given name.
    pub given_name: String,
    /// Family name.
    pub family_name: String,
    /// Date of birth.
    pub birth: NaiveDate,
}

/// The newest episode of a patient.
///
/// # Errors
/// `NotFound` when the patient has none.
pub fn newest_of(conn: &mut PgConnection, patient_id: PatientId) -> Result<EpisodeId, StoreError> {
    episode::table
        .filter(episode::patient_id.eq(patient_id))
        .order((episode::day0.desc(), episode::id.desc()))
        .select(episode::id)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("patient"))
}

/// Somebody who was looked for, with one episode.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable)]
#[diesel(table_name = episode)]
pub struct FoundEpisode {
    /// Episode id.
    #[diesel(column_name = id)]
    pub episode: EpisodeId,
    /// Pathway id.
    pub pathway: String,
    /// The affected side.
    pub side: String,
    /// Day 0.
    pub day0: NaiveDate,
    /// The work, in the patient's words.
    pub work: String,
    /// When it ended.
    pub closed_on: Option<NaiveDate>,
}

/// People whose name has all the words, with their episodes: by name, the newest episode first; at most `limit` episodes. Who was
/// discharged is found like everybody else.
///
/// # Errors
/// Database failure.
pub fn find(
    conn: &mut PgConnection,
    search: &str,
    limit: i64,
) -> Result<Vec<(Patient, FoundEpisode)>, StoreError> {
    let mut query = episode::table
        .inner_join(patient::table.on(patient::id.eq(episode::patient_id)))
        .order((
            patient::family_name,
            patient::given_name,
            episode::closed_on.is_not_null(),
            episode::day0.desc(),
        ))
        .select((Patient::as_select(), FoundEpisode::as_select()))
        .limit(limit)
        .into_boxed();
    for part in parts(search) {
        // As its index reads it.
        let named = patient::family_name.concat(" ").concat(patient::given_name);
        query = query.filter(named.ilike(part));
    }
    Ok(query.load(conn)?)
}

/// How many patients there are.
///
/// # Errors
/// Database failure.
pub fn patients(conn: &mut PgConnection) -> Result<u32, StoreError> {
    let n: i64 = patient::table.count().get_result(conn)?;
    Ok(count(i32::try_from(n).unwrap_or(column(u32::MAX))))
}

/// Whether somebody else has this name and birth date.
///
/// # Errors
/// Database failure.
pub fn same_person(conn: &mut PgConnection, who: &Patient) -> Result<bool, StoreError> {
    use patient as t;
    let others: Vec<(String, String)> = t::table
        .filter(t::birth.eq(who.birth))
        .filter(t::id.ne(who.id))
        .select((t::given_name, t::family_name))
        .load(conn)?;
    let same = |a: &str, b: &str| a.trim().to_lowercase() == b.trim().to_lowercase();
    Ok(others
        .iter()
        .any(|(given, family)| same(given, &who.given_name) && same(family, &who.family_name)))
}

/// Corrects a name or a birth date; the timeline says that it was done and what stood there.
///
/// # Errors
/// `NotFound`.
pub fn rename(conn: &mut PgConnection, who: &Patient, today: NaiveDate) -> Result<(), StoreError> {
    use patient as t;
    let before: Patient = t::table
        .filter(t::id.eq(who.id))
        .select(Patient::as_select())
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("patient"))?;
    if before == *who {
        return Ok(());
    }
    diesel::update(t::table.filter(t::id.eq(who.id)))
        .set(who)
        .execute(conn)?;
    let episode = newest_of(conn, who.id)?;
    let id = Uuid::now_v7();
    let entry = event::Entry::new(episode, id, "person_corrected", today);
    let was = format!(
        "{} {}, {}",
        before.given_name, before.family_name, before.birth
    );
    event::enter(conn, entry, &was)?;
    event::reason(conn, id, "", &was)
}

/// A patient.
///
/// # Errors
/// `NotFound`.
pub fn person(conn: &mut PgConnection, id: PatientId) -> Result<Patient, StoreError> {
    patient::table
        .filter(patient::id.eq(id))
        .select(Patient::as_select())
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("patient"))
}
