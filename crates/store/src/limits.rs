//! The surgeon's limits: written, released, confirmed as ended, taken back.

use crate::StoreError;
use crate::event::{Entry, Role, Stored, act, enter, standing};
use crate::schema::{event, surgeon_limit};
use chrono::NaiveDate;
use diesel::prelude::*;
use diesel::sql_types::{Date, Uuid as SqlUuid};
use ritorno_core::facts::{Release, SurgeonLimit};
use uuid::Uuid;

type Row = (
    (
        Uuid,
        String,
        f64,
        Option<f64>,
        Option<i32>,
        Option<i32>,
        Option<String>,
    ),
    NaiveDate,
    i64,
);

#[derive(QueryableByName)]
struct Ended {
    #[diesel(sql_type = SqlUuid)]
    of: Uuid,
    #[diesel(sql_type = Date)]
    on_date: NaiveDate,
}

/// The limits of an episode in the order in which they became known, those taken back left out.
///
/// # Errors
/// Database failure.
pub fn all(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<SurgeonLimit>, StoreError> {
    use surgeon_limit as t;
    let mut rows: Vec<Row> = standing!(t, episode)
        .select((t::all_columns, event::on_date, event::seq))
        .load(conn)?;
    rows.sort_by_key(|row| row.2);
    // What ended a limit: the event's own date, unless that was taken back.
    let ends: Vec<Ended> = diesel::sql_query(
        "select ended.id as of, ending.on_date as on_date
         from effect e
         join event ending on ending.patient_id = e.patient_id and ending.seq = e.seq
         join event ended on ended.patient_id = e.patient_id and ended.seq = e.target
         where ended.episode_id = $1 and e.role = 'ends' and not exists (
             select from effect t where t.patient_id = e.patient_id and t.target = e.seq and t.role = 'takes_back')",
    )
    .bind::<SqlUuid, _>(episode)
    .load(conn)?;
    Ok(rows
        .into_iter()
        .map(
            |((id, quantity, ceiling, floor, until_day, ask_again_day, role), on, _)| {
                SurgeonLimit {
                    id,
                    quantity,
                    ceiling,
                    floor,
                    from: Some(on),
                    until_day,
                    ask_again_day,
                    release: role.map(|role| Release { role, on }),
                    ended_on: ends.iter().find(|e| e.of == id).map(|e| e.on_date),
                }
            },
        )
        .collect())
}

/// Adds a limit once; a repeat with the same contents changes nothing.
///
/// # Errors
/// `IdConflict` when the id was used with other contents.
pub fn add(
    conn: &mut PgConnection,
    episode: Uuid,
    limit: &SurgeonLimit,
    today: NaiveDate,
) -> Result<Stored, StoreError> {
    use surgeon_limit as t;
    let on = limit.starts_on().unwrap_or(today);
    let stored = enter(conn, Entry::new(episode, limit.id, "limit", on), limit)?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(limit.id),
                t::quantity.eq(&limit.quantity),
                t::ceiling.eq(limit.ceiling),
                t::floor.eq(limit.floor),
                t::until_day.eq(limit.until_day),
                t::ask_again_day.eq(limit.ask_again_day),
                t::release_role.eq(limit.release.as_ref().map(|r| &r.role)),
            ))
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
    episode: Uuid,
    limit: Uuid,
    on: NaiveDate,
) -> Result<(), StoreError> {
    let id = Uuid::now_v7();
    enter(conn, Entry::new(episode, id, "limit_end", on), &limit)?;
    act(conn, id, limit, Role::Ends)
}
