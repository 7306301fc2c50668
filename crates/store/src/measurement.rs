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

#[derive(Insertable)]
#[diesel(table_name = measurement)]
struct NewMeasurement<'a> {
    id: Uuid,
    quantity: &'a str,
    side: String,
    value: f64,
    stop: String,
    taken_by: String,
    pain_from: Option<f64>,
    pain_to: Option<f64>,
    method: Option<String>,
    rater_id: Option<UserId>,
    remark: &'a str,
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
        let row = NewMeasurement {
            id: event.id,
            quantity: &event.quantity,
            side: word(event.side),
            value: event.value,
            stop: word(event.stop),
            taken_by: word(event.by),
            pain_from: event.arc.map(|a| a.from),
            pain_to: event.arc.map(|a| a.to),
            method: event.method.map(word),
            rater_id: event.rater.map(UserId),
            remark: &event.remark,
        };
        diesel::insert_into(measurement::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

/// A measurement with its verdicts.
#[derive(Deserialize)]
pub(crate) struct MeasurementRow {
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
    verdicts: Vec<VerdictRow>,
}

#[derive(Deserialize)]
struct VerdictRow {
    ceiling: Option<f64>,
    whose: String,
    limit_id: Option<Uuid>,
    over: bool,
}

impl Detail for MeasurementRow {
    const KIND: &'static str = "measurement";
    /// The measurement, and how it was judged in the order in which it was.
    type Fact = (Measurement, Vec<CeilingVerdict>);

    fn fact(self, on: NaiveDate) -> Result<Self::Fact, StoreError> {
        let verdicts = self.verdicts.into_iter().map(|v| CeilingVerdict {
            measurement: self.id,
            ceiling: v.ceiling,
            whose: v.whose,
            limit: v.limit_id,
            over: v.over,
        });
        let method = self.method.as_deref();
        let measured = Measurement {
            id: self.id,
            quantity: self.quantity,
            side: unword("side", &self.side)?,
            value: self.value,
            stop: unword("stop reason", &self.stop)?,
            by: unword("rater", &self.taken_by)?,
            on,
            arc: self
                .pain_from
                .zip(self.pain_to)
                .map(|(from, to)| PainArc { from, to }),
            method: method.map(|m| unword("method", m)).transpose()?,
            rater: self.rater_id.map(|id| id.0),
            remark: self.remark,
        };
        Ok((measured, verdicts.collect()))
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

#[derive(Insertable)]
#[diesel(table_name = breach_answer)]
struct NewBreachAnswer<'a> {
    id: Uuid,
    measurement_id: Uuid,
    role: &'a str,
    words: &'a str,
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
        let row = NewBreachAnswer {
            id: answer.id,
            measurement_id: answer.measurement,
            role: &answer.role,
            words: &answer.words,
        };
        diesel::insert_into(breach_answer::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

/// The surgeon's answer to a breach.
#[derive(Deserialize)]
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
