//! Append-only events of an episode: answers, measurements, scores, attestations, the log, gates.
//!
//! Each has an id made where it was entered. The same id with the same contents is stored once; with
//! other contents it is refused.

use crate::StoreError;
use crate::convert::{column, count, unword, word};
use crate::schema::{
    attestation, flag_action, flag_answer, gate_pass, log_entry, measurement, score, withdrawal,
};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::episode::{
    Attestation, FlagAction, FlagAnswer, GatePass, LogEntry, LogFact, Measurement, PainArc, Score,
};
use uuid::Uuid;

/// Whether an event was new.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Stored {
    /// It was stored now.
    New,
    /// It had been stored before, with the same contents.
    Before,
}

pub(crate) fn settle(
    added: usize,
    same: impl FnOnce() -> Result<bool, StoreError>,
) -> Result<Stored, StoreError> {
    match added {
        1 => Ok(Stored::New),
        _ if same()? => Ok(Stored::Before),
        _ => Err(StoreError::IdConflict),
    }
}

/// Adds a measurement once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_measurement(
    conn: &mut PgConnection,
    episode: Uuid,
    event: &Measurement,
) -> Result<Stored, StoreError> {
    use measurement as t;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(event.id),
            t::episode_id.eq(episode),
            t::quantity.eq(&event.quantity),
            t::side.eq(word(event.side)),
            t::value.eq(event.value),
            t::stop.eq(word(event.stop)),
            t::taken_by.eq(word(event.by)),
            t::taken_on.eq(event.on),
            t::pain_from.eq(event.arc.map(|a| a.from)),
            t::pain_to.eq(event.arc.map(|a| a.to)),
            t::method.eq(event.method.map(word)),
            t::rater_id.eq(event.rater),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || {
        let row = t::table
            .filter(t::id.eq(event.id))
            .filter(t::episode_id.eq(episode))
            .first::<MeasurementRow>(conn)
            .optional()?;
        // Sent again under another sign-in it is the same measurement, and stays the first rater's.
        Ok(row.map(to_measurement).transpose()?.is_some_and(|kept| {
            kept == Measurement {
                rater: kept.rater,
                ..event.clone()
            }
        }))
    })
}

type MeasurementRow = (
    Uuid,
    Uuid,
    i64,
    String,
    String,
    f64,
    String,
    String,
    NaiveDate,
    Option<f64>,
    Option<f64>,
    Option<String>,
    Option<Uuid>,
);

fn to_measurement(
    (id, _, _, quantity, side, value, stop, by, on, from, to, method, rater): MeasurementRow,
) -> Result<Measurement, StoreError> {
    let arc = from.zip(to).map(|(from, to)| PainArc { from, to });
    Ok(Measurement {
        id,
        quantity,
        side: unword("side", &side)?,
        value,
        stop: unword("stop reason", &stop)?,
        by: unword("rater", &by)?,
        on,
        arc,
        method: method.as_deref().map(|m| unword("method", m)).transpose()?,
        rater,
    })
}

/// Measurements, oldest first, withdrawn ones left out.
///
/// # Errors
/// Database failure.
pub fn measurements(
    conn: &mut PgConnection,
    episode: Uuid,
) -> Result<Vec<Measurement>, StoreError> {
    use measurement as t;
    let rows: Vec<MeasurementRow> = t::table
        .left_join(withdrawal::table.on(withdrawal::entry_id.eq(t::id)))
        .filter(t::episode_id.eq(episode))
        .filter(withdrawal::entry_id.is_null())
        .order((t::taken_on, t::seq))
        .select(t::all_columns)
        .load(conn)?;
    rows.into_iter().map(to_measurement).collect()
}

/// Adds a score once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_score(
    conn: &mut PgConnection,
    episode: Uuid,
    event: &Score,
) -> Result<Stored, StoreError> {
    use score as t;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(event.id),
            t::episode_id.eq(episode),
            t::name.eq(&event.score),
            t::value.eq(event.value),
            t::given_on.eq(event.on),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || Ok(scores(conn, episode)?.contains(event)))
}

/// Scores, oldest first.
///
/// # Errors
/// Database failure.
pub fn scores(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<Score>, StoreError> {
    use score as t;
    let rows: Vec<(Uuid, String, f64, NaiveDate)> = t::table
        .filter(t::episode_id.eq(episode))
        .order((t::given_on, t::seq))
        .select((t::id, t::name, t::value, t::given_on))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(id, score, value, on)| Score {
            id,
            score,
            value,
            on,
        })
        .collect())
}

/// Adds an attestation once, signed by a user.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_attestation(
    conn: &mut PgConnection,
    episode: Uuid,
    event: &Attestation,
    user: Uuid,
) -> Result<Stored, StoreError> {
    use attestation as t;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(event.id),
            t::episode_id.eq(episode),
            t::code.eq(&event.code),
            t::holds.eq(event.holds),
            t::attested_on.eq(event.on),
            t::user_id.eq(user),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || Ok(attestations(conn, episode)?.contains(event)))
}

/// Attestations, oldest first.
///
/// # Errors
/// Database failure.
pub fn attestations(
    conn: &mut PgConnection,
    episode: Uuid,
) -> Result<Vec<Attestation>, StoreError> {
    use attestation as t;
    let rows: Vec<(Uuid, String, bool, NaiveDate)> = t::table
        .filter(t::episode_id.eq(episode))
        .order((t::attested_on, t::seq))
        .select((t::id, t::code, t::holds, t::attested_on))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(id, code, holds, on)| Attestation {
            id,
            code,
            holds,
            on,
        })
        .collect())
}

/// Adds a log entry once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_log(
    conn: &mut PgConnection,
    episode: Uuid,
    event: &LogEntry,
) -> Result<Stored, StoreError> {
    use log_entry as t;
    let (kind, value, sessions, repetitions) = match event.fact {
        LogFact::Done {
            sessions,
            repetitions,
        } => (
            "done",
            None,
            Some(column(sessions)),
            Some(column(repetitions)),
        ),
        LogFact::LeftOut => ("left_out", None, None, None),
        LogFact::PainBefore { value } => ("pain_before", Some(value), None, None),
        LogFact::PainDuring { value } => ("pain_during", Some(value), None, None),
        LogFact::PainNextMorning { value } => ("pain_next_morning", Some(value), None, None),
        LogFact::Slip => ("slip", None, None, None),
        LogFact::SlipWorse { .. } => ("slip_worse", None, None, None),
        LogFact::FlareDay => ("flare_day", None, None, None),
        LogFact::Effort { value } => ("effort", Some(value), None, None),
    };
    let how = match event.fact {
        LogFact::SlipWorse { how } => Some(word(how)),
        _ => None,
    };
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(event.id),
            t::episode_id.eq(episode),
            t::logged_on.eq(event.on),
            t::exercise.eq(&event.exercise),
            t::kind.eq(kind),
            t::value.eq(value),
            t::sessions.eq(sessions),
            t::repetitions.eq(repetitions),
            t::how.eq(how),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || Ok(log(conn, episode)?.contains(event)))
}

type LogRow = (
    Uuid,
    Uuid,
    i64,
    NaiveDate,
    Option<String>,
    String,
    Option<f64>,
    Option<i32>,
    Option<i32>,
    Option<String>,
);

fn to_log(
    (id, _, _, on, exercise, kind, value, sessions, repetitions, how): LogRow,
) -> Result<LogEntry, StoreError> {
    let pain = value.ok_or(StoreError::Unreadable("log entry"));
    let fact = match kind.as_str() {
        "done" => LogFact::Done {
            sessions: count(sessions.unwrap_or(0)),
            repetitions: count(repetitions.unwrap_or(0)),
        },
        "left_out" => LogFact::LeftOut,
        "pain_before" => LogFact::PainBefore { value: pain? },
        "pain_during" => LogFact::PainDuring { value: pain? },
        "pain_next_morning" => LogFact::PainNextMorning { value: pain? },
        "slip" => LogFact::Slip,
        "slip_worse" => LogFact::SlipWorse {
            how: unword("slip", how.as_deref().unwrap_or_default())?,
        },
        "flare_day" => LogFact::FlareDay,
        "effort" => LogFact::Effort { value: pain? },
        _ => return Err(StoreError::Unreadable("log entry")),
    };
    Ok(LogEntry {
        id,
        on,
        exercise,
        fact,
    })
}

/// The home log, oldest first.
///
/// # Errors
/// Database failure.
pub fn log(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<LogEntry>, StoreError> {
    use log_entry as t;
    let rows: Vec<LogRow> = t::table
        .filter(t::episode_id.eq(episode))
        .order((t::logged_on, t::seq))
        .load(conn)?;
    rows.into_iter().map(to_log).collect()
}

/// Adds answers to red-flag questions.
///
/// # Errors
/// Database failure.
pub fn add_flag_answers(
    conn: &mut PgConnection,
    episode: Uuid,
    answers: &[FlagAnswer],
) -> Result<(), StoreError> {
    use flag_answer as t;
    let rows: Vec<_> = answers
        .iter()
        .map(|a| {
            (
                t::id.eq(Uuid::now_v7()),
                t::episode_id.eq(episode),
                t::flag.eq(&a.flag),
                t::answer.eq(word(a.answer)),
                t::confirmed.eq(a.confirmed),
                t::asked_on.eq(a.on),
            )
        })
        .collect();
    diesel::insert_into(t::table).values(rows).execute(conn)?;
    Ok(())
}

/// Answers to red-flag questions, oldest first.
///
/// # Errors
/// Database failure.
pub fn flag_answers(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<FlagAnswer>, StoreError> {
    use flag_answer as t;
    let rows: Vec<(String, String, NaiveDate, bool)> = t::table
        .filter(t::episode_id.eq(episode))
        .order(t::seq)
        .select((t::flag, t::answer, t::asked_on, t::confirmed))
        .load(conn)?;
    rows.into_iter()
        .map(|(flag, answer, on, confirmed)| {
            Ok(FlagAnswer {
                flag,
                answer: unword("answer", &answer)?,
                on,
                confirmed,
            })
        })
        .collect()
}

/// Adds what was done about a flag.
///
/// # Errors
/// Database failure.
pub fn add_flag_action(
    conn: &mut PgConnection,
    episode: Uuid,
    action: &FlagAction,
) -> Result<(), StoreError> {
    use flag_action as t;
    diesel::insert_into(t::table)
        .values((
            t::id.eq(Uuid::now_v7()),
            t::episode_id.eq(episode),
            t::flag.eq(&action.flag),
            t::acted_on.eq(action.on),
            t::action.eq(&action.action),
            t::closed.eq(action.closed),
        ))
        .execute(conn)?;
    Ok(())
}

/// What was done about flags, oldest first.
///
/// # Errors
/// Database failure.
pub fn flag_actions(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<FlagAction>, StoreError> {
    use flag_action as t;
    let rows: Vec<(String, NaiveDate, String, bool)> = t::table
        .filter(t::episode_id.eq(episode))
        .order(t::seq)
        .select((t::flag, t::acted_on, t::action, t::closed))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(flag, on, action, closed)| FlagAction {
            flag,
            on,
            action,
            closed,
        })
        .collect())
}

/// Records that a gate was passed; a gate is passed once.
///
/// # Errors
/// `Refused` when it was passed before.
pub fn add_gate_pass(
    conn: &mut PgConnection,
    episode: Uuid,
    pass: &GatePass,
    user: Uuid,
) -> Result<(), StoreError> {
    use gate_pass as t;
    diesel::insert_into(t::table)
        .values((
            t::id.eq(Uuid::now_v7()),
            t::episode_id.eq(episode),
            t::gate.eq(&pass.gate),
            t::passed_on.eq(pass.on),
            t::overridden.eq(&pass.overridden),
            t::reason.eq(&pass.reason),
            t::user_id.eq(user),
        ))
        .execute(conn)?;
    Ok(())
}

/// Gates passed, oldest first.
///
/// # Errors
/// Database failure.
pub fn gate_passes(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<GatePass>, StoreError> {
    use gate_pass as t;
    let rows: Vec<(String, NaiveDate, Vec<String>, String)> = t::table
        .filter(t::episode_id.eq(episode))
        .order((t::passed_on, t::id))
        .select((t::gate, t::passed_on, t::overridden, t::reason))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(gate, on, overridden, reason)| GatePass {
            gate,
            on,
            overridden,
            reason,
        })
        .collect())
}
