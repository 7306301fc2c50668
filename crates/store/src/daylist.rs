//! The day's work: one row an episode, kept up to date by every write and at the change of day.

use crate::StoreError;
use crate::convert::word;
use crate::schema::{episode, lane, patient, record};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::lanes::{Lane, LaneName};
use uuid::Uuid;

/// One row of the list.
#[derive(Debug, Clone, Queryable)]
pub struct Row {
    /// Patient id.
    pub patient_id: Uuid,
    /// Episode id.
    pub episode_id: Uuid,
    /// Given name.
    pub given_name: String,
    /// Family name.
    pub family_name: String,
    /// Work, in the patient's words.
    pub work: String,
    /// The operated side.
    pub side: String,
    /// The lane with its reason, as it was worked out.
    pub body: serde_json::Value,
    /// Place among the lanes.
    pub rank: i32,
}

/// What to list.
#[derive(Debug, Clone, Default)]
pub struct Filter {
    /// Part of a name or of the work.
    pub search: String,
    /// One lane only.
    pub lane: Option<LaneName>,
    /// Rows left out at the start.
    pub offset: i64,
    /// Rows at most.
    pub limit: i64,
}

/// Saves the lane of an episode.
///
/// # Errors
/// Database failure.
pub fn save(
    conn: &mut PgConnection,
    episode_id: Uuid,
    patient_id: Uuid,
    value: &Lane,
    today: NaiveDate,
) -> Result<(), StoreError> {
    use diesel::upsert::excluded;
    let body = serde_json::to_value(value).map_err(|_| StoreError::Unreadable("lane"))?;
    diesel::insert_into(lane::table)
        .values((
            lane::episode_id.eq(episode_id),
            lane::patient_id.eq(patient_id),
            lane::name.eq(word(value.lane)),
            lane::rank.eq(value.lane as i32),
            lane::body.eq(body),
            lane::as_of_day.eq(today),
            lane::inputs_rev.eq(1),
        ))
        .on_conflict(lane::episode_id)
        .do_update()
        .set((
            lane::name.eq(excluded(lane::name)),
            lane::rank.eq(excluded(lane::rank)),
            lane::body.eq(excluded(lane::body)),
            lane::as_of_day.eq(excluded(lane::as_of_day)),
            lane::inputs_rev.eq(lane::inputs_rev + 1),
        ))
        .execute(conn)?;
    Ok(())
}

/// The list: one query, however many rows. Asks for one row more than wanted, so that the caller sees whether there are more.
///
/// # Errors
/// Database failure.
pub fn list(conn: &mut PgConnection, filter: &Filter) -> Result<Vec<Row>, StoreError> {
    let mut query = lane::table
        .inner_join(patient::table.on(patient::id.eq(lane::patient_id)))
        .inner_join(episode::table.on(episode::id.eq(lane::episode_id)))
        .select((
            patient::id,
            episode::id,
            patient::given_name,
            patient::family_name,
            episode::work,
            episode::side,
            lane::body,
            lane::rank,
        ))
        .order((
            lane::rank,
            patient::family_name,
            patient::given_name,
            patient::id,
        ))
        .offset(filter.offset)
        .limit(filter.limit + 1)
        .into_boxed();
    if let Some(name) = filter.lane {
        query = query.filter(lane::name.eq(word(name)));
    }
    for part in filter.search.split_whitespace() {
        // % and _ are letters to a person who types them.
        let plain = part
            .replace('\\', "\\\\")
            .replace('%', "\\%")
            .replace('_', "\\_");
        let like = format!("%{plain}%");
        query = query.filter(
            patient::given_name
                .ilike(like.clone())
                .or(patient::family_name.ilike(like.clone()))
                .or(episode::work.ilike(like)),
        );
    }
    Ok(query.load(conn)?)
}

/// How many patients are in each lane.
///
/// # Errors
/// Database failure.
pub fn counts(conn: &mut PgConnection) -> Result<Vec<(String, i64)>, StoreError> {
    Ok(lane::table
        .group_by(lane::name)
        .select((lane::name, diesel::dsl::count_star()))
        .load(conn)?)
}

/// Patients with an open episode whose lane was worked out on another day, or never: in the order of their ids, after one; at most
/// `limit`.
///
/// # Errors
/// Database failure.
pub fn out_of_date(
    conn: &mut PgConnection,
    today: NaiveDate,
    after: Option<Uuid>,
    limit: i64,
) -> Result<Vec<Uuid>, StoreError> {
    let mut query = episode::table
        .left_join(lane::table.on(lane::episode_id.eq(episode::id)))
        .filter(episode::closed_on.is_null())
        .filter(
            lane::episode_id
                .is_null()
                .or(lane::as_of_day.nullable().ne(today)),
        )
        .order(episode::patient_id)
        .select(episode::patient_id)
        .distinct()
        .limit(limit)
        .into_boxed();
    if let Some(after) = after {
        query = query.filter(episode::patient_id.gt(after));
    }
    Ok(query.load(conn)?)
}

/// Locks a patient's record for this transaction, unless somebody else holds it.
///
/// # Errors
/// Database failure.
pub fn lock_if_free(conn: &mut PgConnection, patient: Uuid) -> Result<bool, StoreError> {
    Ok(record::table
        .filter(record::patient_id.eq(patient))
        .select(record::patient_id)
        .for_no_key_update()
        .skip_locked()
        .first::<Uuid>(conn)
        .optional()?
        .is_some())
}
