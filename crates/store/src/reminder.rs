//! Reminders: who is to be sent one, what was sent, and what became of it.

use crate::convert::{unword, word};
use crate::job::{self, Planned};
use crate::schema::reminder as t;
use crate::{EpisodeId, PatientId, StoreError};
use chrono::{DateTime, NaiveDate, NaiveTime, Utc};
use diesel::prelude::*;
use diesel::sql_types::{Date, Nullable, Text, Time, Uuid as SqlUuid};
use ritorno_core::facts::{Channel, RemindedOf, ReminderState};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What a job of a reminder is about.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct About {
    /// What.
    pub of: RemindedOf,
    /// Which shoulder.
    pub episode: EpisodeId,
    /// The day of the appointment, or of the exercises.
    pub day: NaiveDate,
    /// The appointment.
    pub appointment: Option<Uuid>,
}

/// The kind of job that sends a reminder.
pub const JOB: &str = "remind";

/// An appointment that somebody who agreed to it may be reminded of.
#[derive(Debug, Clone, PartialEq, QueryableByName)]
pub struct Due {
    /// Whose.
    #[diesel(sql_type = SqlUuid)]
    pub patient_id: PatientId,
    /// Which shoulder.
    #[diesel(sql_type = SqlUuid)]
    pub episode_id: EpisodeId,
    /// The appointment; nothing where it is about a day's exercises.
    #[diesel(sql_type = Nullable<SqlUuid>)]
    pub appointment: Option<Uuid>,
    /// The day.
    #[diesel(sql_type = Date)]
    pub day: NaiveDate,
    /// When the appointment begins, or when they want to be reminded.
    #[diesel(sql_type = Time)]
    pub at: NaiveTime,
}

/// Everybody under treatment who agreed to be reminded: of the appointments of some days, and of the exercises of the first of them.
/// What was planned already is left out.
///
/// # Errors
/// Database failure.
pub fn due(
    conn: &mut PgConnection,
    from: NaiveDate,
    to: NaiveDate,
) -> Result<Vec<Due>, StoreError> {
    let sql = "with agreed as (
            select distinct on (patient_id) patient_id, channel, appointments, exercises_at from reminding order by patient_id, rev desc
        )
        select e.patient_id, e.episode_id, a.id as appointment, a.day, a.at_time as at
        from appointment a
        join event e on e.id = a.id
        join episode o on o.id = e.episode_id and o.closed_on is null
        join agreed g on g.patient_id = e.patient_id and g.channel is not null and g.appointments
        where a.day between $1 and $2
            and not exists (select from effect f where f.patient_id = e.patient_id and f.target = e.seq and f.role = 'takes_back')
            and not exists (select from job j where j.key = $3 || ' appointment ' || a.id)
        union all
        select g.patient_id, o.id, null, $1, g.exercises_at
        from agreed g
        join episode o on o.patient_id = g.patient_id and o.closed_on is null
        join program p on p.episode_id = o.id
        where g.channel is not null and g.exercises_at is not null
            and not exists (select from job j where j.key = $3 || ' exercises ' || o.id || ' ' || $1)";
    Ok(diesel::sql_query(sql)
        .bind::<Date, _>(from)
        .bind::<Date, _>(to)
        .bind::<Text, _>(JOB)
        .load(conn)?)
}

/// Plans to remind somebody.
///
/// # Errors
/// Database failure.
pub fn plan(conn: &mut PgConnection, due: &Due, due_at: DateTime<Utc>) -> Result<(), StoreError> {
    let (of, key) = match due.appointment {
        Some(id) => (RemindedOf::Appointment, format!("{JOB} appointment {id}")),
        None => (
            RemindedOf::Exercises,
            format!("{JOB} exercises {} {}", due.episode_id, due.day),
        ),
    };
    let about = About {
        of,
        episode: due.episode_id,
        day: due.day,
        appointment: due.appointment,
    };
    let payload = serde_json::to_value(about).map_err(|_| StoreError::Unreadable("reminder"))?;
    let planned = Planned {
        kind: JOB,
        key: &key,
        due_at,
        patient: Some(due.patient_id),
        payload,
    };
    job::plan(conn, &planned)
}

/// A reminder as it was sent.
#[derive(Debug, Clone, PartialEq)]
pub struct Reminder {
    /// The key that the service is told.
    pub id: Uuid,
    /// What about.
    pub of: RemindedOf,
    /// When it was first handed over.
    pub made_at: DateTime<Utc>,
    /// Which way.
    pub channel: Channel,
    /// To where.
    pub address: String,
    /// The text.
    pub words: String,
    /// What became of it.
    pub state: ReminderState,
}

type Row = (Uuid, String, DateTime<Utc>, String, String, String, String);

fn read(row: Row) -> Result<Reminder, StoreError> {
    let (id, kind, made_at, channel, address, words, state) = row;
    Ok(Reminder {
        id,
        of: unword("reminder", &kind)?,
        made_at,
        channel: unword("channel", &channel)?,
        address,
        words,
        state: unword("reminder", &state)?,
    })
}

const COLUMNS: (
    t::id,
    t::kind,
    t::made_at,
    t::channel,
    t::address,
    t::words,
    t::state,
) = (
    t::id,
    t::kind,
    t::made_at,
    t::channel,
    t::address,
    t::words,
    t::state,
);

/// A reminder by its key.
///
/// # Errors
/// `Unreadable`, database failure.
pub fn find(conn: &mut PgConnection, id: Uuid) -> Result<Option<Reminder>, StoreError> {
    let row: Option<Row> = t::table.find(id).select(COLUMNS).first(conn).optional()?;
    row.map(read).transpose()
}

/// What was sent to a patient, the newest first.
///
/// # Errors
/// `Unreadable`, database failure.
pub fn sent(
    conn: &mut PgConnection,
    to: PatientId,
    most: i64,
) -> Result<Vec<Reminder>, StoreError> {
    let rows: Vec<Row> = t::table
        .filter(t::patient_id.eq(to))
        .order((t::made_at.desc(), t::id.desc()))
        .limit(most)
        .select(COLUMNS)
        .load(conn)?;
    rows.into_iter().map(read).collect()
}

/// Keeps a reminder before it is handed over.
///
/// # Errors
/// Database failure.
pub fn begin(
    conn: &mut PgConnection,
    (patient, episode): (PatientId, EpisodeId),
    reminder: &Reminder,
) -> Result<(), StoreError> {
    diesel::insert_into(t::table)
        .values((
            t::id.eq(reminder.id),
            t::patient_id.eq(patient),
            t::episode_id.eq(episode),
            t::kind.eq(word(reminder.of)),
            t::made_at.eq(reminder.made_at),
            t::channel.eq(word(reminder.channel)),
            t::address.eq(&reminder.address),
            t::words.eq(&reminder.words),
            t::state.eq(word(reminder.state)),
        ))
        .execute(conn)?;
    Ok(())
}

/// Keeps what became of a reminder.
///
/// # Errors
/// Database failure.
pub fn became(conn: &mut PgConnection, id: Uuid, state: ReminderState) -> Result<(), StoreError> {
    diesel::update(t::table.find(id))
        .set((t::state.eq(word(state)), t::state_at.eq(Utc::now())))
        .execute(conn)?;
    Ok(())
}
