//! Measured ranges, how each was judged, and what the surgeon said about those above a ceiling.

use crate::StoreError;
use crate::convert::{unword, word};
use crate::event::{Entry, Role, Stored, act, enter, standing};
use crate::schema::{breach_answer, event, measurement, verdict};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{BreachAnswer, CeilingVerdict, Measurement, PainArc};
use uuid::Uuid;

/// Adds a measurement once. Sent again under another sign-in it is the same measurement, and stays the first rater's.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: Uuid,
    event: &Measurement,
) -> Result<Stored, StoreError> {
    use measurement as t;
    let body = Measurement {
        rater: None,
        ..event.clone()
    };
    let stored = enter(
        conn,
        Entry::new(episode, event.id, "measurement", event.on),
        &body,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(event.id),
                t::quantity.eq(&event.quantity),
                t::side.eq(word(event.side)),
                t::value.eq(event.value),
                t::stop.eq(word(event.stop)),
                t::taken_by.eq(word(event.by)),
                t::pain_from.eq(event.arc.map(|a| a.from)),
                t::pain_to.eq(event.arc.map(|a| a.to)),
                t::method.eq(event.method.map(word)),
                t::rater_id.eq(event.rater),
                t::remark.eq(&event.remark),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

type Row = (
    (
        Uuid,
        String,
        String,
        f64,
        String,
        String,
        Option<f64>,
        Option<f64>,
        Option<String>,
        Option<Uuid>,
        String,
    ),
    NaiveDate,
);

/// Measurements, oldest first, those taken back left out.
///
/// # Errors
/// Database failure.
pub fn all(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<Measurement>, StoreError> {
    use measurement as t;
    let rows: Vec<Row> = standing!(t, episode)
        .select((t::all_columns, event::on_date))
        .load(conn)?;
    rows.into_iter()
        .map(
            |((id, quantity, side, value, stop, by, from, to, method, rater, remark), on)| {
                Ok(Measurement {
                    id,
                    quantity,
                    side: unword("side", &side)?,
                    value,
                    stop: unword("stop reason", &stop)?,
                    by: unword("rater", &by)?,
                    on,
                    arc: from.zip(to).map(|(from, to)| PainArc { from, to }),
                    method: method.as_deref().map(|m| unword("method", m)).transpose()?,
                    rater,
                    remark,
                })
            },
        )
        .collect()
}

/// Keeps how a measurement was judged; a later round stands beside the earlier ones.
///
/// # Errors
/// Database failure.
pub fn add_verdict(conn: &mut PgConnection, judged: &CeilingVerdict) -> Result<(), StoreError> {
    use verdict as t;
    let rounds = t::table
        .filter(t::measurement_id.eq(judged.measurement))
        .count()
        .get_result::<i64>(conn)?;
    diesel::insert_into(t::table)
        .values((
            t::measurement_id.eq(judged.measurement),
            t::round.eq(i32::try_from(rounds + 1).unwrap_or(i32::MAX)),
            t::ceiling.eq(judged.ceiling),
            t::whose.eq(&judged.whose),
            t::limit_id.eq(judged.limit),
            t::over.eq(judged.over),
        ))
        .execute(conn)?;
    Ok(())
}

/// All verdicts of an episode, in the order in which they were given.
///
/// # Errors
/// Database failure.
pub fn verdicts(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<CeilingVerdict>, StoreError> {
    use verdict as t;
    type Row = (Uuid, Option<f64>, String, Option<Uuid>, bool);
    let rows: Vec<Row> = t::table
        .inner_join(event::table.on(event::id.eq(t::measurement_id)))
        .filter(event::episode_id.eq(episode))
        .order((event::seq, t::round))
        .select((
            t::measurement_id,
            t::ceiling,
            t::whose,
            t::limit_id,
            t::over,
        ))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(
            |(measurement, ceiling, whose, limit, over)| CeilingVerdict {
                measurement,
                ceiling,
                whose,
                limit,
                over,
            },
        )
        .collect())
}

/// Keeps the surgeon's answer to a measurement above its ceiling, once.
///
/// # Errors
/// `NotFound` when the episode has no such measurement, `IdConflict`.
pub fn add_breach_answer(
    conn: &mut PgConnection,
    episode: Uuid,
    answer: &BreachAnswer,
) -> Result<Stored, StoreError> {
    use breach_answer as t;
    let entry = Entry::new(episode, answer.id, "breach_answer", answer.on);
    let stored = enter(conn, entry, answer)?;
    if stored == Stored::New {
        act(conn, answer.id, answer.measurement, Role::Closes)?;
        diesel::insert_into(t::table)
            .values((
                t::id.eq(answer.id),
                t::measurement_id.eq(answer.measurement),
                t::role.eq(&answer.role),
                t::words.eq(&answer.words),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// The surgeon's answers, oldest first.
///
/// # Errors
/// Database failure.
pub fn breach_answers(
    conn: &mut PgConnection,
    episode: Uuid,
) -> Result<Vec<BreachAnswer>, StoreError> {
    use breach_answer as t;
    let rows: Vec<(Uuid, Uuid, String, String, NaiveDate)> = standing!(t, episode)
        .select((t::id, t::measurement_id, t::role, t::words, event::on_date))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(id, measurement, role, words, on)| BreachAnswer {
            id,
            measurement,
            on,
            role,
            words,
        })
        .collect())
}
