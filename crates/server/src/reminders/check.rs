//! Whether a reminder is still right at the moment it is to be sent.

use super::words;
use crate::app::AppState;
use crate::assess::Opened;
use crate::home::as_signed;
use crate::problem::ApiError;
use chrono::{DateTime, Datelike, Duration, NaiveDate, NaiveDateTime, Utc};
use ritorno_core::facts::{Channel, LogFact, RemindedOf, Reminding};
use ritorno_core::visit::goes_home;
use ritorno_formats::instant;
use ritorno_store::reminder::About;
use ritorno_store::{PatientId, PgConnection, defaults, reminding};
use uuid::Uuid;

/// What to do with a reminder now.
pub(super) enum Next {
    /// Send this text.
    Send {
        channel: Channel,
        address: String,
        words: String,
    },
    /// Not yet.
    Wait(DateTime<Utc>),
    /// It is not wanted, or no longer right.
    Drop,
}

/// So late a reminder of a day's exercises is of no use (our choice).
const EXERCISES_LATE: Duration = Duration::hours(2);

/// When somebody is to be reminded, and until when it is of use.
pub(super) fn times(
    state: &AppState,
    agreed: &Reminding,
    (of, day): (RemindedOf, NaiveDate),
    at: chrono::NaiveTime,
) -> (NaiveDateTime, NaiveDateTime) {
    match of {
        RemindedOf::Appointment => {
            let begins = day.and_time(at);
            (agreed.before_appointment(&state.knowledge, begins), begins)
        }
        RemindedOf::Exercises => {
            let due = agreed.after_quiet(day.and_time(at));
            (due, due + EXERCISES_LATE)
        }
    }
}

/// What to do with a reminder at a moment: by what the patient agrees to now, and by what is on record now.
///
/// # Errors
/// Database failure.
pub(super) fn check(
    state: &AppState,
    conn: &mut PgConnection,
    (patient, about): (PatientId, &About),
    now: DateTime<Utc>,
) -> Result<Next, ApiError> {
    let Some(agreed) = reminding::newest(conn, patient)?.map(|agreed| agreed.reminding) else {
        return Ok(Next::Drop);
    };
    let Some(channel) = agreed.channel else {
        return Ok(Next::Drop);
    };
    let opened = Opened::read(state, conn, about.episode)?;
    if opened.loaded.closed_on.is_some() {
        return Ok(Next::Drop);
    }
    let at = match about.of {
        RemindedOf::Appointment if agreed.appointments => stands(&opened, about.appointment),
        RemindedOf::Appointment => None,
        RemindedOf::Exercises if asks_for_exercises(conn, &opened, about.day)? => {
            agreed.exercises_at
        }
        RemindedOf::Exercises => None,
    };
    let Some(at) = at else {
        return Ok(Next::Drop);
    };
    let local = state.today.local(now);
    let (due, late) = times(state, &agreed, (about.of, about.day), at);
    if local >= late || due.date() > about.day {
        return Ok(Next::Drop);
    }
    let quiet = agreed.after_quiet(local);
    if local < due || local < quiet {
        let then = instant(state.today.zone(), due.max(quiet));
        return Ok(then.map_or(Next::Drop, Next::Wait));
    }
    let (_, clinic) = defaults::newest(conn)?;
    let told = (&clinic, opened.loaded.facts.story.reads);
    let words = match about.of {
        RemindedOf::Appointment => words::of_appointment(told, about.day, at),
        RemindedOf::Exercises => words::of_exercises(told),
    };
    Ok(Next::Send {
        channel,
        address: agreed.address,
        words,
    })
}

/// When an appointment begins, while it stands: one that was cancelled is not among the facts.
fn stands(opened: &Opened, appointment: Option<Uuid>) -> Option<chrono::NaiveTime> {
    let facts = &opened.loaded.facts;
    let found = facts
        .appointments
        .iter()
        .find(|a| Some(a.id) == appointment);
    found.map(|a| a.time)
}

/// Whether a day asks for exercises that nobody has told of yet. Nobody is reminded of a program that is held, or not signed as it
/// stands.
fn asks_for_exercises(
    conn: &mut PgConnection,
    opened: &Opened,
    day: NaiveDate,
) -> Result<bool, ApiError> {
    let facts = &opened.loaded.facts;
    if facts.today != day {
        return Ok(false);
    }
    let Some(head) = opened.loaded.program.as_ref() else {
        return Ok(false);
    };
    match as_signed(conn, head) {
        Ok(_) => {}
        Err(error) if matches!(error.0.status, 404 | 409) => return Ok(false),
        Err(error) => return Err(error),
    }
    let assessment = opened.assess()?;
    let ctx = assessment.ctx();
    let done = |e: &ritorno_core::facts::LogEntry| {
        e.on == day && matches!(e.fact, LogFact::Done { sessions: 1.., .. })
    };
    Ok(ctx.open_flags.is_empty()
        && !facts.log.iter().any(done)
        && goes_home(&ctx, facts)
            .iter()
            .any(|line| line.dose.on_weekday(day.weekday())))
}
