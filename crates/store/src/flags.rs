//! Red flags: what was answered, what was done about them, what rules raised.

use crate::StoreError;
use crate::convert::{unword, word};
use crate::event::{Entry, Role, Stored, act, enter, standing};
use crate::schema::{event, flag_answer, flag_raise, flag_step};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{FlagAnswer, FlagRaise, FlagStep, FlagStepKind};
use uuid::Uuid;

/// Adds an answer to a red-flag question once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_answer(
    conn: &mut PgConnection,
    episode: Uuid,
    answer: &FlagAnswer,
) -> Result<Stored, StoreError> {
    use flag_answer as t;
    let entry = Entry::new(episode, answer.id, "flag_answer", answer.on);
    let stored = enter(conn, entry, answer)?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(answer.id),
                t::flag.eq(&answer.flag),
                t::answer.eq(word(answer.answer)),
                t::about.eq(&answer.about),
                t::because.eq(answer.because.map(word)),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Answers to red-flag questions, in the order in which they were given.
///
/// # Errors
/// Database failure.
pub fn answers(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<FlagAnswer>, StoreError> {
    use flag_answer as t;
    type Row = (
        Uuid,
        String,
        String,
        Vec<String>,
        Option<String>,
        NaiveDate,
        i64,
    );
    let mut rows: Vec<Row> = standing!(t, episode)
        .select((
            t::id,
            t::flag,
            t::answer,
            t::about,
            t::because,
            event::on_date,
            event::seq,
        ))
        .load(conn)?;
    rows.sort_by_key(|row| row.6);
    rows.into_iter()
        .map(|(id, flag, answer, about, because, on, _)| {
            Ok(FlagAnswer {
                id,
                flag,
                answer: unword("answer", &answer)?,
                on,
                about,
                because: because
                    .as_deref()
                    .map(|b| unword("answer", b))
                    .transpose()?,
            })
        })
        .collect()
}

/// Adds a step on the way of a raised flag once, and says which events it is about.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_step(
    conn: &mut PgConnection,
    episode: Uuid,
    step: &FlagStep,
) -> Result<Stored, StoreError> {
    use flag_step as t;
    let stored = enter(
        conn,
        Entry::new(episode, step.id, "flag_step", step.on),
        step,
    )?;
    if stored == Stored::Before {
        return Ok(stored);
    }
    let empty = String::new();
    let (name, action, words, who, resumes, until) = match &step.kind {
        FlagStepKind::Acted {
            action,
            words,
            told,
        } => ("acted", action.clone(), words, told, &empty, None),
        FlagStepKind::Answered {
            result,
            by,
            resumes,
            stands_until,
        } => ("answered", None, result, by, resumes, *stands_until),
        FlagStepKind::Mistake { reason } => ("mistake", None, reason, &empty, &empty, None),
    };
    diesel::insert_into(t::table)
        .values((
            t::id.eq(step.id),
            t::flag.eq(&step.flag),
            t::causes.eq(&step.causes),
            t::step.eq(name),
            t::action.eq(action),
            t::words.eq(words),
            t::who.eq(who),
            t::resumes.eq(resumes),
            t::stands_until.eq(until),
        ))
        .execute(conn)?;
    let role = match step.kind {
        FlagStepKind::Acted { .. } => Role::ActsOn,
        // What raised a flag by mistake stays on record; it is no longer a flag.
        FlagStepKind::Answered { .. } | FlagStepKind::Mistake { .. } => Role::Closes,
    };
    // A cause names the events it rests on by their ids; a passage of a text names the entry that holds it.
    let mut targets: Vec<Uuid> = step
        .causes
        .iter()
        .flat_map(|cause| cause.split(['+', '#', ':']))
        .filter_map(|part| part.parse().ok())
        .collect();
    targets.sort_unstable();
    targets.dedup();
    for target in targets {
        act(conn, step.id, target, role)?;
    }
    Ok(stored)
}

/// Steps about flags, in the order in which they were taken.
///
/// # Errors
/// Database failure.
pub fn steps(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<FlagStep>, StoreError> {
    use flag_step as t;
    type Row = (
        Uuid,
        String,
        Vec<String>,
        String,
        Option<String>,
        String,
        String,
        String,
        Option<NaiveDate>,
        NaiveDate,
        i64,
    );
    let mut rows: Vec<Row> = standing!(t, episode)
        .select((
            t::id,
            t::flag,
            t::causes,
            t::step,
            t::action,
            t::words,
            t::who,
            t::resumes,
            t::stands_until,
            event::on_date,
            event::seq,
        ))
        .load(conn)?;
    rows.sort_by_key(|row| row.10);
    rows.into_iter()
        .map(
            |(id, flag, causes, step, action, words, who, resumes, stands_until, on, _)| {
                let kind = match step.as_str() {
                    "acted" => FlagStepKind::Acted {
                        action,
                        words,
                        told: who,
                    },
                    "answered" => FlagStepKind::Answered {
                        result: words,
                        by: who,
                        resumes,
                        stands_until,
                    },
                    "mistake" => FlagStepKind::Mistake { reason: words },
                    _ => return Err(StoreError::Unreadable("flag step")),
                };
                Ok(FlagStep {
                    id,
                    flag,
                    on,
                    causes,
                    kind,
                })
            },
        )
        .collect()
}

/// Keeps that a rule raised a flag.
///
/// # Errors
/// Database failure.
pub fn add_raise(
    conn: &mut PgConnection,
    episode: Uuid,
    raise: &FlagRaise,
) -> Result<(), StoreError> {
    use flag_raise as t;
    let id = Uuid::now_v7();
    let entry = Entry {
        by_rule: true,
        ..Entry::new(episode, id, "flag_raised", raise.on)
    };
    enter(conn, entry, raise)?;
    let reason =
        serde_json::to_value(&raise.reason).map_err(|_| StoreError::Unreadable("reason"))?;
    diesel::insert_into(t::table)
        .values((
            t::id.eq(id),
            t::flag.eq(&raise.flag),
            t::cause.eq(&raise.cause),
            t::reason.eq(reason),
        ))
        .execute(conn)?;
    Ok(())
}

/// What rules raised, oldest first.
///
/// # Errors
/// Database failure.
pub fn raises(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<FlagRaise>, StoreError> {
    use flag_raise as t;
    let rows: Vec<(String, String, serde_json::Value, NaiveDate)> = standing!(t, episode)
        .select((t::flag, t::cause, t::reason, event::on_date))
        .load(conn)?;
    rows.into_iter()
        .map(|(flag, cause, reason, on)| {
            Ok(FlagRaise {
                flag,
                cause,
                on,
                reason: serde_json::from_value(reason)
                    .map_err(|_| StoreError::Unreadable("reason"))?,
            })
        })
        .collect()
}

/// Takes back what rules raised on an entry that was taken back itself.
///
/// # Errors
/// Database failure.
pub fn take_back_raises(
    conn: &mut PgConnection,
    episode: Uuid,
    entry: Uuid,
    by: Uuid,
) -> Result<(), StoreError> {
    use flag_raise as t;
    let ids: Vec<Uuid> = standing!(t, episode)
        .filter(t::cause.like(format!("%{entry}%")))
        .select(t::id)
        .load(conn)?;
    ids.into_iter()
        .try_for_each(|raise| act(conn, by, raise, Role::TakesBack))
}
