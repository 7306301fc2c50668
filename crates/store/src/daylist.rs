//! The day's work: one row an episode, kept up to date by every write and at the change of day.

use crate::convert::{parts, word};
use crate::load::Loaded;
use crate::schema::{episode, lane, lane_move, record};
use crate::{EpisodeId, PatientId, StoreError, UserId};
use chrono::NaiveDate;
use diesel::expression::SqlLiteral;
use diesel::pg::Pg;
use diesel::prelude::*;
use diesel::sql_types::{Bool, Integer, Text, Uuid as SqlUuid};
use ritorno_core::lanes::{Lane, LaneName};
use serde::{Deserialize, Serialize};

/// One row of the list.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = lane)]
pub struct Row {
    /// Patient id.
    pub patient_id: PatientId,
    /// Episode id.
    pub episode_id: EpisodeId,
    /// Given name.
    pub given_name: String,
    /// Family name.
    pub family_name: String,
    /// Work, in the patient's words.
    pub work: String,
    /// The affected side.
    pub side: String,
    /// The date of day 0.
    pub day0: NaiveDate,
    /// The lane with its reason, as it was worked out.
    pub body: serde_json::Value,
    /// Place among the lanes.
    pub rank: i32,
    /// Who treats this shoulder.
    pub treated_by: Option<UserId>,
}

impl Row {
    /// Where the list goes on after this row.
    pub fn place(&self) -> Place {
        Place {
            rank: self.rank,
            family_name: self.family_name.clone(),
            given_name: self.given_name.clone(),
            episode: self.episode_id,
        }
    }
}

/// A place in the order of the list: a page begins after one. Rows that come and go before it move nothing.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Place {
    /// Place among the lanes.
    pub rank: i32,
    /// Family name.
    pub family_name: String,
    /// Given name.
    pub given_name: String,
    /// Episode id.
    pub episode: EpisodeId,
}

/// What to list.
#[derive(Debug, Clone, Default)]
pub struct Filter {
    /// Part of a name or of the work.
    pub search: String,
    /// One lane only.
    pub lane: Option<LaneName>,
    /// One pathway only.
    pub pathway: Option<String>,
    /// One phase only.
    pub phase: Option<String>,
    /// Only what these people treat; everybody's when empty.
    pub treated_by: Vec<UserId>,
    /// With it also what nobody treats.
    pub or_nobody: bool,
    /// Only what comes after this place.
    pub after: Option<Place>,
    /// Rows at most.
    pub limit: i64,
}

#[derive(Insertable, AsChangeset)]
#[diesel(table_name = lane)]
// A shoulder that was given back is nobody's.
#[diesel(treat_none_as_null = true)]
struct LaneRow<'a> {
    episode_id: EpisodeId,
    patient_id: PatientId,
    name: String,
    rank: i32,
    body: serde_json::Value,
    as_of_day: NaiveDate,
    family_name: &'a str,
    given_name: &'a str,
    work: &'a str,
    side: String,
    day0: NaiveDate,
    next_change_day: NaiveDate,
    made_with: &'a str,
    pathway: &'a str,
    phase: &'a str,
    treated_by: Option<UserId>,
}

/// Saves the lane of an episode in a phase: worked out with `made_with`, and the same until `next_change` unless something becomes
/// known.
///
/// # Errors
/// Database failure.
pub fn save(
    conn: &mut PgConnection,
    of: &Loaded,
    (value, phase): (&Lane, &str),
    next_change: NaiveDate,
    made_with: &str,
) -> Result<(), StoreError> {
    let body = serde_json::to_value(value).map_err(|_| StoreError::Unreadable("lane"))?;
    let row = LaneRow {
        episode_id: of.episode,
        patient_id: of.patient.id,
        name: word(value.lane),
        rank: value.lane as i32,
        body,
        as_of_day: of.facts.today,
        family_name: &of.patient.family_name,
        given_name: &of.patient.given_name,
        work: &of.facts.story.work,
        side: word(of.facts.story.side),
        day0: of.facts.story.day0,
        next_change_day: next_change,
        made_with,
        pathway: &of.facts.story.pathway,
        phase,
        treated_by: of.treated_by,
    };
    diesel::insert_into(lane::table)
        .values((&row, lane::inputs_rev.eq(1)))
        .on_conflict(lane::episode_id)
        .do_update()
        .set((&row, lane::inputs_rev.eq(lane::inputs_rev + 1)))
        .execute(conn)?;
    Ok(())
}

/// The day that the lane of an episode was last worked out for, where it has one.
///
/// # Errors
/// Database failure.
pub fn day_of(conn: &mut PgConnection, id: EpisodeId) -> Result<Option<NaiveDate>, StoreError> {
    let day = lane::table.find(id).select(lane::as_of_day);
    Ok(day.first(conn).optional()?)
}

/// What the whole clinic measures with has changed: every lane is worked out again with the next day.
///
/// # Errors
/// Database failure.
pub fn all_change(conn: &mut PgConnection, today: NaiveDate) -> Result<(), StoreError> {
    let tomorrow = today.succ_opt().unwrap_or(today);
    diesel::update(lane::table.filter(lane::next_change_day.gt(tomorrow)))
        .set(lane::next_change_day.eq(tomorrow))
        .execute(conn)?;
    Ok(())
}

/// After a place in the order of the list, as the index of that order reads it.
fn after(place: &Place) -> Box<dyn BoxableExpression<lane::table, Pg, SqlType = Bool>> {
    let order: SqlLiteral<Bool> =
        diesel::dsl::sql("(lane.rank, lane.family_name, lane.given_name, lane.episode_id) > (");
    let bound = order
        .bind::<Integer, _>(place.rank)
        .sql(", ")
        .bind::<Text, _>(place.family_name.clone())
        .sql(", ")
        .bind::<Text, _>(place.given_name.clone())
        .sql(", ")
        .bind::<SqlUuid, _>(place.episode)
        .sql(")");
    Box::new(bound)
}

/// The list: one query of one table, however many rows and however far down. Asks for one row more than wanted, so that the
/// caller sees whether there are more.
///
/// # Errors
/// Database failure.
pub fn list(conn: &mut PgConnection, filter: &Filter) -> Result<Vec<Row>, StoreError> {
    let mut query = lane::table
        .select(Row::as_select())
        .order((
            lane::rank,
            lane::family_name,
            lane::given_name,
            lane::episode_id,
        ))
        .limit(filter.limit + 1)
        .into_boxed();
    if let Some(name) = filter.lane {
        query = query.filter(lane::rank.eq(name as i32));
    }
    if let Some(place) = &filter.after {
        query = query.filter(after(place));
    }
    if let Some(pathway) = &filter.pathway {
        query = query.filter(lane::pathway.eq(pathway));
    }
    if let Some(phase) = &filter.phase {
        query = query.filter(lane::phase.eq(phase));
    }
    if !filter.treated_by.is_empty() {
        let theirs = lane::treated_by.eq_any(&filter.treated_by);
        query = if filter.or_nobody {
            query.filter(theirs.or(lane::treated_by.is_null()))
        } else {
            query.filter(theirs)
        };
    }
    for part in parts(&filter.search) {
        query = query.filter(lane::search.ilike(part));
    }
    Ok(query.load(conn)?)
}

/// Pathways and phases that anybody on the list is in, in order.
///
/// # Errors
/// Database failure.
pub fn places(conn: &mut PgConnection) -> Result<Vec<(String, String)>, StoreError> {
    Ok(lane::table
        .select((lane::pathway, lane::phase))
        .distinct()
        .order((lane::pathway, lane::phase))
        .load(conn)?)
}

/// How many patients are in each lane: the moves between lanes, added up.
///
/// # Errors
/// Database failure.
pub fn counts(conn: &mut PgConnection) -> Result<Vec<(String, i64)>, StoreError> {
    let moved = diesel::dsl::sum(lane_move::by_count);
    let sums: Vec<(String, Option<i64>)> = lane_move::table
        .group_by(lane_move::name)
        .select((lane_move::name, moved))
        .load(conn)?;
    let counts = sums.into_iter().map(|(lane, n)| (lane, n.unwrap_or(0)));
    Ok(counts.filter(|(_, n)| *n != 0).collect())
}

/// The same for what these people treat, and what nobody does.
///
/// # Errors
/// Database failure.
pub fn counts_of(
    conn: &mut PgConnection,
    people: &[UserId],
) -> Result<Vec<(String, i64)>, StoreError> {
    Ok(lane::table
        .filter(
            lane::treated_by
                .eq_any(people)
                .or(lane::treated_by.is_null()),
        )
        .group_by(lane::name)
        .select((lane::name, diesel::dsl::count_star()))
        .load(conn)?)
}

/// Puts the moves noted so far together into one note a lane. What somebody else is just noting stays as it is.
///
/// # Errors
/// Database failure.
pub fn put_moves_together(conn: &mut PgConnection) -> Result<(), StoreError> {
    diesel::sql_query(
        "with noted as (delete from lane_move returning lane, by_count)
         insert into lane_move (lane, by_count)
         select lane, sum(by_count) from noted group by lane having sum(by_count) <> 0",
    )
    .execute(conn)?;
    Ok(())
}

/// How many lanes may say something else today and were not worked out again yet.
///
/// # Errors
/// Database failure.
pub fn behind(conn: &mut PgConnection, today: NaiveDate) -> Result<i64, StoreError> {
    Ok(lane::table
        .filter(lane::next_change_day.le(today))
        .count()
        .get_result(conn)?)
}

/// Patients with an open episode whose lane may say something else today, was worked out with other knowledge, or never: in the
/// order of their ids, after one; at most `limit`.
///
/// # Errors
/// Database failure.
pub fn out_of_date(
    conn: &mut PgConnection,
    today: NaiveDate,
    made_with: &str,
    after: Option<PatientId>,
    limit: i64,
) -> Result<Vec<PatientId>, StoreError> {
    let mut query = episode::table
        .left_join(lane::table.on(lane::episode_id.eq(episode::id)))
        .filter(episode::closed_on.is_null())
        .filter(
            lane::episode_id
                .is_null()
                .or(lane::next_change_day.nullable().le(today))
                .or(lane::made_with.nullable().ne(made_with)),
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
pub fn lock_if_free(conn: &mut PgConnection, patient: PatientId) -> Result<bool, StoreError> {
    Ok(record::table
        .filter(record::patient_id.eq(patient))
        .select(record::patient_id)
        .for_no_key_update()
        .skip_locked()
        .first::<PatientId>(conn)
        .optional()?
        .is_some())
}
