//! How contacts are held, appointments, and who treats a shoulder.

use crate::convert::{column, count, unword, word};
use crate::detail::Detail;
use crate::event::{Entry, Stored, enter};
use crate::schema::{appointment, care, contact};
use crate::{EpisodeId, StoreError, UserId};
use chrono::{NaiveDate, NaiveTime};
use diesel::prelude::*;
use ritorno_core::facts::{Appointment, Contact};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = contact)]
pub(crate) struct ContactRow {
    id: Uuid,
    how: String,
}

impl Detail for ContactRow {
    const KIND: &'static str = "contact";
    type Fact = Contact;

    fn fact(self, on: NaiveDate) -> Result<Contact, StoreError> {
        Ok(Contact {
            id: self.id,
            on,
            how: unword("contact", &self.how)?,
        })
    }
}

/// Adds how a day's contact is held, once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_contact(
    conn: &mut PgConnection,
    episode: EpisodeId,
    given: &Contact,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, given.id, "contact", given.on);
    let stored = enter(conn, entry, given)?;
    if stored == Stored::New {
        let row = ContactRow {
            id: given.id,
            how: word(given.how),
        };
        diesel::insert_into(contact::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

#[derive(Deserialize, Insertable, Queryable, Selectable)]
#[diesel(table_name = appointment)]
pub(crate) struct AppointmentRow {
    id: Uuid,
    day: NaiveDate,
    at_time: NaiveTime,
    minutes: i32,
    how: String,
}

impl Detail for AppointmentRow {
    const KIND: &'static str = "appointment";
    type Fact = Appointment;

    fn fact(self, on: NaiveDate) -> Result<Appointment, StoreError> {
        Ok(Appointment {
            id: self.id,
            on,
            day: self.day,
            time: self.at_time,
            minutes: count(self.minutes),
            how: unword("contact", &self.how)?,
        })
    }
}

/// Adds an appointment once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_appointment(
    conn: &mut PgConnection,
    episode: EpisodeId,
    given: &Appointment,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, given.id, "appointment", given.on);
    let stored = enter(conn, entry, given)?;
    if stored == Stored::New {
        let row = AppointmentRow {
            id: given.id,
            day: given.day,
            at_time: given.time,
            minutes: column(given.minutes),
            how: word(given.how),
        };
        diesel::insert_into(appointment::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

/// Appointments from a day on that were cancelled, in the order in which they were made.
///
/// # Errors
/// `Unreadable`, database failure.
pub fn cancelled(
    conn: &mut PgConnection,
    episode: EpisodeId,
    since: NaiveDate,
) -> Result<Vec<Appointment>, StoreError> {
    use crate::schema::{effect, event};
    let gone = effect::table
        .filter(effect::patient_id.eq(event::patient_id))
        .filter(effect::target.eq(event::seq))
        .filter(effect::role.eq("takes_back"));
    let rows: Vec<(NaiveDate, AppointmentRow)> = appointment::table
        .inner_join(event::table.on(event::id.eq(appointment::id)))
        .filter(event::episode_id.eq(episode))
        .filter(event::kind.eq(AppointmentRow::KIND))
        .filter(appointment::day.ge(since))
        .filter(diesel::dsl::exists(gone))
        .order(event::seq)
        .select((event::on_date, AppointmentRow::as_select()))
        .load(conn)?;
    rows.into_iter().map(|(on, row)| row.fact(on)).collect()
}

/// Who treats a shoulder from a day on.
#[derive(Debug, Clone, Serialize)]
pub struct Care {
    /// Id, made where it was entered.
    pub id: Uuid,
    /// The day.
    pub on: NaiveDate,
    /// Who; nobody where it was given back.
    pub who: Option<UserId>,
}

#[derive(Deserialize, Insertable)]
#[diesel(table_name = care)]
pub(crate) struct CareRow {
    id: Uuid,
    user_id: Option<UserId>,
}

impl Detail for CareRow {
    const KIND: &'static str = "care";
    type Fact = Option<UserId>;

    fn fact(self, _: NaiveDate) -> Result<Option<UserId>, StoreError> {
        Ok(self.user_id)
    }
}

/// Adds who treats a shoulder, once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_care(
    conn: &mut PgConnection,
    episode: EpisodeId,
    given: &Care,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, given.id, "care", given.on);
    let stored = enter(conn, entry, given)?;
    if stored == Stored::New {
        let row = CareRow {
            id: given.id,
            user_id: given.who,
        };
        diesel::insert_into(care::table).values(row).execute(conn)?;
    }
    Ok(stored)
}
