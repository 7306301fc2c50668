//! What patients agreed to be sent: every version stays, the newest counts.

use crate::convert::{unword, word};
use crate::schema::reminding as t;
use crate::{PatientId, StoreError, UserId};
use chrono::{DateTime, NaiveTime, Utc};
use diesel::prelude::*;
use ritorno_core::facts::{Channel, Reminding};
use uuid::Uuid;

#[derive(Queryable, Selectable, Insertable)]
#[diesel(table_name = t)]
struct Row {
    channel: Option<String>,
    address: String,
    appointments: bool,
    exercises_at: Option<NaiveTime>,
    quiet_from: NaiveTime,
    quiet_until: NaiveTime,
}

impl Row {
    fn of(reminding: &Reminding) -> Row {
        Row {
            channel: reminding.channel.map(word),
            address: reminding.address.clone(),
            appointments: reminding.appointments,
            exercises_at: reminding.exercises_at,
            quiet_from: reminding.quiet_from,
            quiet_until: reminding.quiet_until,
        }
    }

    fn reminding(self) -> Result<Reminding, StoreError> {
        let channel = self.channel.map(|channel| unword("channel", &channel));
        Ok(Reminding {
            channel: channel.transpose()?,
            address: self.address,
            appointments: self.appointments,
            exercises_at: self.exercises_at,
            quiet_from: self.quiet_from,
            quiet_until: self.quiet_until,
        })
    }
}

/// What a patient agreed to, and since when.
#[derive(Debug, Clone, PartialEq)]
pub struct Agreed {
    /// What.
    pub reminding: Reminding,
    /// Which version.
    pub rev: i32,
    /// When it was kept.
    pub at: DateTime<Utc>,
    /// Who kept it; nobody where the patient said so, from home or by an answer.
    pub by: Option<UserId>,
}

/// What a patient agreed to last; nothing where nobody has asked.
///
/// # Errors
/// `Unreadable`, database failure.
pub fn newest(conn: &mut PgConnection, of: PatientId) -> Result<Option<Agreed>, StoreError> {
    let found: Option<(i32, DateTime<Utc>, Option<UserId>, Row)> = t::table
        .filter(t::patient_id.eq(of))
        .order(t::rev.desc())
        .select((t::rev, t::at, t::by_user, Row::as_select()))
        .first(conn)
        .optional()?;
    found
        .map(|(rev, at, by, row)| {
            Ok(Agreed {
                reminding: row.reminding()?,
                rev,
                at,
                by,
            })
        })
        .transpose()
}

/// Keeps what a patient agreed to after the version `before`, 0 where there is none; the same once more adds nothing.
///
/// # Errors
/// `Stale` when something else was kept since, database failure.
pub fn keep(
    conn: &mut PgConnection,
    of: PatientId,
    (before, reminding): (i32, &Reminding),
    by: Option<UserId>,
) -> Result<(), StoreError> {
    let stands = newest(conn, of)?;
    if stands
        .as_ref()
        .is_some_and(|stands| stands.reminding == *reminding)
    {
        return Ok(());
    }
    let current = stands.map_or(0, |stands| stands.rev);
    if current != before {
        return Err(StoreError::Stale { current });
    }
    diesel::insert_into(t::table)
        .values((
            t::id.eq(Uuid::now_v7()),
            t::patient_id.eq(of),
            t::rev.eq(current + 1),
            t::by_user.eq(by),
            Row::of(reminding),
        ))
        .execute(conn)?;
    Ok(())
}

/// Takes back what a patient agreed to; what was chosen beside it stays to be chosen again.
///
/// # Errors
/// Database failure.
pub fn stop(conn: &mut PgConnection, of: PatientId, by: Option<UserId>) -> Result<(), StoreError> {
    let Some(stands) = newest(conn, of)? else {
        return Ok(());
    };
    let none = Reminding {
        channel: None,
        address: String::new(),
        ..stands.reminding
    };
    keep(conn, of, (stands.rev, &none), by)
}

/// Everybody who is reached at an address now.
///
/// # Errors
/// Database failure.
pub fn at_address(
    conn: &mut PgConnection,
    channel: Channel,
    address: &str,
) -> Result<Vec<PatientId>, StoreError> {
    let people: Vec<PatientId> = t::table
        .filter(t::address.eq(address))
        .filter(t::channel.eq(word(channel)))
        .select(t::patient_id)
        .distinct()
        .load(conn)?;
    let mut out = Vec::new();
    for of in people {
        let stands = newest(conn, of)?;
        if stands
            .is_some_and(|s| s.reminding.channel == Some(channel) && s.reminding.address == address)
        {
            out.push(of);
        }
    }
    Ok(out)
}
