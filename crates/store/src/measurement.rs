//! Measured ranges, how each was judged, and what the surgeon said about those above a ceiling.

use crate::convert::{unword, word};
use crate::detail::Detail;
use crate::event::{Act, Entry, Role, Stored, act, enter};
use crate::schema::{breach_answer, measurement, verdict};
use crate::{EpisodeId, StoreError, UserId};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{BreachAnswer, CeilingVerdict, Measurement, PainArc};
use serde::Deserialize;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = measurement)]
struct MeasurementRow {
    id: Uuid,
    quantity: String,
    side: String,
    value: f64,
    stop: String,
    taken_by: String,
    pain_from: Option<f64>,
    pain_to: Option<f64>,
    method: Option<String>,
    rater_id: Option<UserId>,
    remark: String,
}

/// Adds a measurement once. Sent again under another sign-in it is the same measurement, and stays the first rater's.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: EpisodeId,
    event: &Measurement,
) -> Result<Stored, StoreError> {
    let body = Measurement {
        rater: None,
        ..event.clone()
    };
    let entry = Entry::new(episode, event.id, "measurement", event.on);
    let stored = enter(conn, entry, &body)?;
    if stored == Stored::New {
        let row = MeasurementRow {
            id: event.id,
            quantity: event.quantity.clone(),
            side: word(event.side),
            value: event.value,
            stop: word(event.stop),
            taken_by: word(event.by),
            pain_from: event.arc.map(|a| a.from),
            pain_to: event.arc.map(|a| a.to),
            method: event.method.map(word),
            rater_id: event.rater.map(UserId),
            remark: event.remark.clone(),
        };
        diesel::insert_into(measurement::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

/// A measurement with its verdicts.
#[derive(Deserialize)]
pub(crate) struct Judged {
    #[serde(flatten)]
    row: MeasurementRow,
    verdicts: Vec<VerdictRow>,
}

#[derive(Deserialize)]
struct VerdictRow {
    ceiling: Option<f64>,
    whose: String,
    limit_id: Option<Uuid>,
    over: bool,
}

impl Detail for Judged {
    const KIND: &'static str = "measurement";
    /// The measurement, and how it was judged in the order in which it was.
    type Fact = (Measurement, Vec<CeilingVerdict>);

    fn fact(self, on: NaiveDate) -> Result<Self::Fact, StoreError> {
        let Judged { row, verdicts } = self;
        let verdicts = verdicts.into_iter().map(|v| CeilingVerdict {
            measurement: row.id,
            ceiling: v.ceiling,
            whose: v.whose,
            limit: v.limit_id,
            over: v.over,
        });
        let verdicts = verdicts.collect();
        let method = row.method.as_deref();
        let measured = Measurement {
            id: row.id,
            quantity: row.quantity,
            side: unword("side", &row.side)?,
            value: row.value,
            stop: unword("stop reason", &row.stop)?,
            by: unword("rater", &row.taken_by)?,
            on,
            arc: row
                .pain_from
                .zip(row.pain_to)
                .map(|(from, to)| PainArc { from, to }),
            method: method.map(|m| unword("method", m)).transpose()?,
            rater: row.rater_id.map(|id| id.0),
            remark: row.remark,
        };
        Ok((measured, verdicts))
    }
}

#[derive(Insertable)]
#[diesel(table_name = verdict)]
struct NewVerdict<'a> {
    measurement_id: Uuid,
    round: i32,
    ceiling: Option<f64>,
    whose: &'a str,
    limit_id: Option<Uuid>,
    over: bool,
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
    let row = NewVerdict {
        measurement_id: judged.measurement,
        round: i32::try_from(rounds + 1).unwrap_or(i32::MAX),
        ceiling: judged.ceiling,
        whose: &judged.whose,
        limit_id: judged.limit,
        over: judged.over,
    };
    diesel::insert_into(t::table).values(row).execute(conn)?;
    Ok(())
}

/// The surgeon's answer to a breach.
#[derive(Deserialize, Insertable)]
#[diesel(table_name = breach_answer)]
pub(crate) struct BreachAnswerRow {
    id: Uuid,
    measurement_id: Uuid,
    role: String,
    words: String,
}

impl Detail for BreachAnswerRow {
    const KIND: &'static str = "breach_answer";
    type Fact = BreachAnswer;

    fn fact(self, on: NaiveDate) -> Result<BreachAnswer, StoreError> {
        Ok(BreachAnswer {
            id: self.id,
            measurement: self.measurement_id,
            on,
            role: self.role,
            words: self.words,
        })
    }
}

/// Keeps the surgeon's answer to a measurement above its ceiling, once.
///
/// # Errors
/// `NotFound` when the episode has no such measurement, `IdConflict`.
pub fn add_breach_answer(
    conn: &mut PgConnection,
    episode: EpisodeId,
    answer: &BreachAnswer,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, answer.id, "breach_answer", answer.on);
    let stored = enter(conn, entry, answer)?;
    if stored == Stored::New {
        act(conn, Act::by(answer.id, Role::Closes, answer.measurement))?;
        let row = BreachAnswerRow {
            id: answer.id,
            measurement_id: answer.measurement,
            role: answer.role.clone(),
            words: answer.words.clone(),
        };
        diesel::insert_into(breach_answer::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}
