//! Append-only events of an episode: scores, attestations, the log, gates.
//!
//! Each has an id made where it was entered. The same id with the same contents is stored once; with
//! other contents it is refused.

use crate::StoreError;
use crate::convert::{column, count, unword, word};
use crate::event::{Entry, Stored, enter, standing};
use crate::schema::{attestation, event, gate_override, gate_pass, log_entry, score, week_use};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{Attestation, GatePass, LogEntry, LogFact, Score, WeekUse};
use std::collections::BTreeMap;
use uuid::Uuid;

/// Adds a score once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_score(
    conn: &mut PgConnection,
    episode: Uuid,
    given: &Score,
) -> Result<Stored, StoreError> {
    use score as t;
    let stored = enter(
        conn,
        Entry::new(episode, given.id, "score", given.on),
        given,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(given.id),
                t::name.eq(&given.score),
                t::value.eq(given.value),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Scores, oldest first, those taken back left out.
///
/// # Errors
/// Database failure.
pub fn scores(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<Score>, StoreError> {
    use score as t;
    let rows: Vec<(Uuid, String, f64, NaiveDate)> = standing!(t, episode)
        .select((t::id, t::name, t::value, event::on_date))
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

/// Adds an attestation once, signed by whoever writes.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_attestation(
    conn: &mut PgConnection,
    episode: Uuid,
    signed: &Attestation,
) -> Result<Stored, StoreError> {
    use attestation as t;
    let stored = enter(
        conn,
        Entry::new(episode, signed.id, "attestation", signed.on),
        signed,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(signed.id),
                t::code.eq(&signed.code),
                t::holds.eq(signed.holds),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Attestations, oldest first, those taken back left out.
///
/// # Errors
/// Database failure.
pub fn attestations(
    conn: &mut PgConnection,
    episode: Uuid,
) -> Result<Vec<Attestation>, StoreError> {
    use attestation as t;
    let rows: Vec<(Uuid, String, bool, NaiveDate)> = standing!(t, episode)
        .select((t::id, t::code, t::holds, event::on_date))
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
    entry: &LogEntry,
) -> Result<Stored, StoreError> {
    use log_entry as t;
    let (kind, value, sessions, repetitions) = match entry.fact {
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
    let how = match entry.fact {
        LogFact::SlipWorse { how } => Some(word(how)),
        _ => None,
    };
    let stored = enter(conn, Entry::new(episode, entry.id, "log", entry.on), entry)?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(entry.id),
                t::exercise.eq(&entry.exercise),
                t::kind.eq(kind),
                t::value.eq(value),
                t::sessions.eq(sessions),
                t::repetitions.eq(repetitions),
                t::how.eq(how),
                t::remark.eq(&entry.remark),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

type LogRow = (
    (
        Uuid,
        Option<String>,
        String,
        Option<f64>,
        Option<i32>,
        Option<i32>,
        Option<String>,
        String,
    ),
    NaiveDate,
);

fn to_log(
    ((id, exercise, kind, value, sessions, repetitions, how, remark), on): LogRow,
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
        remark,
    })
}

/// The home log, oldest first.
///
/// # Errors
/// Database failure.
pub fn log(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<LogEntry>, StoreError> {
    use log_entry as t;
    let rows: Vec<LogRow> = standing!(t, episode)
        .select((t::all_columns, event::on_date))
        .load(conn)?;
    rows.into_iter().map(to_log).collect()
}

/// Adds a week at home, told as a whole, once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_week_use(
    conn: &mut PgConnection,
    episode: Uuid,
    week: &WeekUse,
) -> Result<Stored, StoreError> {
    use week_use as t;
    let stored = enter(
        conn,
        Entry::new(episode, week.id, "week_use", week.on),
        week,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((t::id.eq(week.id), t::how.eq(word(week.how))))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Weeks told as a whole, oldest first.
///
/// # Errors
/// Database failure.
pub fn week_uses(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<WeekUse>, StoreError> {
    use week_use as t;
    let rows: Vec<(Uuid, String, NaiveDate)> = standing!(t, episode)
        .select((t::id, t::how, event::on_date))
        .load(conn)?;
    rows.into_iter()
        .map(|(id, how, on)| {
            Ok(WeekUse {
                id,
                on,
                how: unword("week", &how)?,
            })
        })
        .collect()
}

/// Records that a gate was passed; a gate is passed once.
///
/// # Errors
/// `Refused` when it was passed before and that was not taken back, `IdConflict`.
pub fn add_gate_pass(
    conn: &mut PgConnection,
    episode: Uuid,
    pass: &GatePass,
) -> Result<Stored, StoreError> {
    use gate_pass as t;
    let stored = enter(
        conn,
        Entry::new(episode, pass.id, "gate_pass", pass.on),
        pass,
    )?;
    if stored == Stored::Before {
        return Ok(stored);
    }
    let passed = standing!(t, episode)
        .filter(t::gate.eq(&pass.gate))
        .select(t::id)
        .first::<Uuid>(conn)
        .optional()?;
    if passed.is_some() {
        return Err(StoreError::Refused("gate_pass_once".to_owned()));
    }
    diesel::insert_into(t::table)
        .values((t::id.eq(pass.id), t::gate.eq(&pass.gate)))
        .execute(conn)?;
    use gate_override as o;
    let rows: Vec<_> = pass
        .overridden
        .iter()
        .map(|(criterion, reason)| {
            (
                o::pass_id.eq(pass.id),
                o::criterion.eq(criterion),
                o::reason.eq(reason),
            )
        })
        .collect();
    diesel::insert_into(o::table).values(rows).execute(conn)?;
    Ok(stored)
}

/// Gates passed, oldest first, those taken back left out.
///
/// # Errors
/// Database failure.
pub fn gate_passes(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<GatePass>, StoreError> {
    use {gate_override as o, gate_pass as t};
    let rows: Vec<(Uuid, String, NaiveDate)> = standing!(t, episode)
        .select((t::id, t::gate, event::on_date))
        .load(conn)?;
    let mut reasons: BTreeMap<Uuid, BTreeMap<String, String>> = BTreeMap::new();
    let kept: Vec<(Uuid, String, String)> = o::table
        .inner_join(event::table.on(event::id.eq(o::pass_id)))
        .filter(event::episode_id.eq(episode))
        .select((o::pass_id, o::criterion, o::reason))
        .load(conn)?;
    for (pass, criterion, reason) in kept {
        reasons.entry(pass).or_default().insert(criterion, reason);
    }
    Ok(rows
        .into_iter()
        .map(|(id, gate, on)| GatePass {
            id,
            gate,
            on,
            overridden: reasons.remove(&id).unwrap_or_default(),
        })
        .collect())
}
