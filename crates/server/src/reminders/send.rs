//! Sending reminders: planned from what was agreed, checked at the last moment, handed over until somebody takes them.
//!
//! A job is put off before anything is handed over, so that a server that falls over leaves it to be tried again; the service tells
//! a repeat by the key. Nothing is held in the database while the service is asked.

use super::check::{Next, check, times};
use crate::app::AppState;
use crate::command::{Of, locked_by};
use chrono::{DateTime, Duration, Utc};
use ritorno_core::facts::{RemindedOf, ReminderState};
use ritorno_formats::instant;
use ritorno_messages::{Became, Message, Messages, Trouble};
use ritorno_store::job::{self, Job};
use ritorno_store::reminder::{self, About, JOB, Reminder};
use ritorno_store::{Actor, PatientId, PgConnection, StoreError, event, reminding, write};

/// Minutes until the next try, one after the other; after the last it is given up (our choice).
const WAITS: [i64; 8] = [1, 2, 5, 15, 30, 60, 180, 360];
/// Until the service is asked again what became of a message.
const ASK_AGAIN: Duration = Duration::minutes(1);
/// Reminders handed over in one turn, so that answers are listened to in between.
const A_TURN: usize = 200;

const ACTOR: Actor = Actor {
    user: None,
    action: "remind",
};

/// Listens to who wants no more, plans what is due soon, and hands over what is due at a moment. Answers how many jobs it took up.
///
/// # Errors
/// Database failure; what was not done stays and is tried again.
pub fn remind(state: &AppState, now: DateTime<Utc>) -> Result<usize, StoreError> {
    let Some(service) = state.messages.clone() else {
        return Ok(0);
    };
    let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
    listen(&*service, &mut conn)?;
    plan(state, &mut conn, now)?;
    let mut taken = 0;
    while taken < A_TURN {
        let Some(job) = claim(&mut conn, now)? else {
            break;
        };
        taken += 1;
        match take_up(state, &*service, &mut conn, &job, now) {
            Ok(Handed::Over) => {}
            // A service that is away is not asked for each of the others in this turn.
            Ok(Handed::Nobody) => break,
            Err(StoreError::Unavailable) => return Err(StoreError::Unavailable),
            Err(error) => {
                tracing::error!(job = %job.id, %error, "a reminder waits for its next try")
            }
        }
    }
    Ok(taken)
}

/// Whoever answered that they want no more is asked nothing more, whatever shoulder it is about.
fn listen(service: &dyn Messages, conn: &mut PgConnection) -> Result<(), StoreError> {
    let Ok(answers) = service.stopped() else {
        return Ok(());
    };
    for answer in answers {
        for patient in reminding::at_address(conn, answer.channel, &answer.from)? {
            write(conn, ACTOR, |conn| {
                event::lock(conn, patient)?;
                reminding::stop(conn, patient, None)
            })?;
        }
        // Heard twice does no harm: it comes again where this is lost.
        let _ = service.heard(answer.id);
    }
    Ok(())
}

/// Plans what comes up until the reminder of an appointment is due.
fn plan(state: &AppState, conn: &mut PgConnection, now: DateTime<Utc>) -> Result<(), StoreError> {
    let local = state.today.local(now);
    let ahead = (state.knowledge.threshold("remind-hours-before") / 24.0).ceil() as i64 + 1;
    let today = local.date();
    for due in reminder::due(conn, today, today + Duration::days(ahead))? {
        let Some(agreed) = reminding::newest(conn, due.patient_id)? else {
            continue;
        };
        let of = match due.appointment {
            Some(_) => RemindedOf::Appointment,
            None => RemindedOf::Exercises,
        };
        let (at, late) = times(state, &agreed.reminding, (of, due.day), due.at);
        // What was agreed to after its time is not sent behind it.
        if local >= late {
            continue;
        }
        if let Some(due_at) = instant(state.today.zone(), at) {
            write(conn, ACTOR, |conn| reminder::plan(conn, &due, due_at))?;
        }
    }
    Ok(())
}

/// Takes the next job that is due, and puts it off for as long as its next try would wait.
fn claim(conn: &mut PgConnection, now: DateTime<Utc>) -> Result<Option<Job>, StoreError> {
    write(conn, ACTOR, |conn| {
        let claimed = job::claim(conn, &[JOB], now)?;
        if let Some(job) = &claimed {
            let wait = usize::try_from(job.attempts)
                .ok()
                .and_then(|n| WAITS.get(n));
            let minutes = wait.or(WAITS.last()).copied().unwrap_or(1);
            job::put_off(conn, job.id, now + Duration::minutes(minutes))?;
        }
        Ok(claimed)
    })
}

/// Whether anybody took something.
enum Handed {
    Over,
    Nobody,
}

fn take_up(
    state: &AppState,
    service: &dyn Messages,
    conn: &mut PgConnection,
    job: &Job,
    now: DateTime<Utc>,
) -> Result<Handed, StoreError> {
    let about: About = serde_json::from_value(job.payload.clone())
        .map_err(|_| StoreError::Unreadable("reminder"))?;
    let patient = event::patient_of(conn, about.episode)?;
    let begun = reminder::find(conn, job.id)?;
    let last = usize::try_from(job.attempts).is_ok_and(|n| n + 1 >= WAITS.len());
    if begun
        .as_ref()
        .is_some_and(|r| r.state == ReminderState::Taken)
    {
        let became = service.became(job.id);
        return ask_again(conn, patient, job, (became, last), now);
    }
    let checked = check(state, conn, (patient, &about), now);
    match (
        checked.map_err(|error| StoreError::Other(error.to_string()))?,
        begun,
    ) {
        (Next::Wait(then), _) => {
            write(conn, ACTOR, |conn| job::put_off(conn, job.id, then))?;
            Ok(Handed::Over)
        }
        (Next::Drop, None) => {
            write(conn, ACTOR, |conn| job::done(conn, job.id))?;
            Ok(Handed::Over)
        }
        (Next::Drop, Some(_)) => settle(conn, patient, job, ReminderState::GivenUp),
        (
            Next::Send {
                channel, address, ..
            },
            Some(reminder),
        ) => {
            // Somebody else may read at an address that the patient no longer gives.
            if (channel, &address) != (reminder.channel, &reminder.address) {
                return settle(conn, patient, job, ReminderState::GivenUp);
            }
            hand_over(service, conn, patient, (job, last), &reminder, now)
        }
        (
            Next::Send {
                channel,
                address,
                words,
            },
            None,
        ) => {
            let reminder = Reminder {
                id: job.id,
                of: about.of,
                made_at: now,
                channel,
                address,
                words,
                state: ReminderState::Sending,
            };
            // Kept before it is handed over: what may have been sent is on record, whatever happens next.
            locked_by(state, conn, ACTOR, Of::Patient(patient), |_, conn| {
                Ok(reminder::begin(conn, (patient, about.episode), &reminder)?)
            })
            .map_err(|error| StoreError::Other(error.to_string()))?;
            hand_over(service, conn, patient, (job, last), &reminder, now)
        }
    }
}

fn hand_over(
    service: &dyn Messages,
    conn: &mut PgConnection,
    patient: PatientId,
    (job, last): (&Job, bool),
    reminder: &Reminder,
    now: DateTime<Utc>,
) -> Result<Handed, StoreError> {
    let message = Message {
        key: reminder.id,
        channel: reminder.channel,
        to: reminder.address.clone(),
        words: reminder.words.clone(),
    };
    match service.send(&message) {
        Ok(Became::Delivered) => settle(conn, patient, job, ReminderState::Delivered),
        Ok(Became::Failed) => settle(conn, patient, job, ReminderState::Failed),
        Ok(Became::Waiting) => {
            keep(
                conn,
                patient,
                job,
                ReminderState::Taken,
                Some(now + ASK_AGAIN),
            )?;
            Ok(Handed::Over)
        }
        Err(Trouble::Refused) => settle(conn, patient, job, ReminderState::Refused),
        Err(Trouble::Later) if last => settle(conn, patient, job, ReminderState::GivenUp),
        Err(Trouble::Later) => Ok(Handed::Nobody),
    }
}

/// What became of a message that is on its way. Where nobody can say, it stays *taken*.
fn ask_again(
    conn: &mut PgConnection,
    patient: PatientId,
    job: &Job,
    (became, last): (Result<Became, Trouble>, bool),
    now: DateTime<Utc>,
) -> Result<Handed, StoreError> {
    match became {
        Ok(Became::Delivered) => settle(conn, patient, job, ReminderState::Delivered),
        Ok(Became::Failed) => settle(conn, patient, job, ReminderState::Failed),
        Ok(Became::Waiting) if !last => {
            write(conn, ACTOR, |conn| {
                job::put_off(conn, job.id, now + ASK_AGAIN)
            })?;
            Ok(Handed::Over)
        }
        Err(Trouble::Later) if !last => Ok(Handed::Nobody),
        _ => settle(conn, patient, job, ReminderState::Taken),
    }
}

/// Keeps what became of a reminder; the job is done.
fn settle(
    conn: &mut PgConnection,
    patient: PatientId,
    job: &Job,
    state: ReminderState,
) -> Result<Handed, StoreError> {
    keep(conn, patient, job, state, None)?;
    Ok(Handed::Over)
}

/// Keeps what became of a reminder, and when the job is taken up again; never, where that is not said.
fn keep(
    conn: &mut PgConnection,
    patient: PatientId,
    job: &Job,
    state: ReminderState,
    again: Option<DateTime<Utc>>,
) -> Result<(), StoreError> {
    write(conn, ACTOR, |conn| {
        event::lock(conn, patient)?;
        reminder::became(conn, job.id, state)?;
        match again {
            Some(then) => job::put_off(conn, job.id, then),
            None => job::done(conn, job.id),
        }
    })
}
