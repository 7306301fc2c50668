//! Records that are shut to whoever neither treats nor looks after somebody, and that were opened with a reason.

use crate::audit::Looking;
use crate::{PatientId, StoreError, UserId, cover};
use chrono::{DateTime, NaiveDate, Utc};
use diesel::prelude::*;
use diesel::sql_types::{Array, Bool, Nullable, Text, Timestamptz, Uuid as SqlUuid};
use uuid::Uuid;

/// Whether a record is somebody else's: one who treats a shoulder of it was named, and it is neither this person nor anybody whose
/// patients they look after on the day; and it was not opened. What nobody treats is open, so that somebody can take it on.
///
/// # Errors
/// Database failure.
pub fn is_shut(
    conn: &mut PgConnection,
    of: Looking,
    to: UserId,
    today: NaiveDate,
) -> Result<bool, StoreError> {
    #[derive(QueryableByName)]
    struct Shut {
        #[diesel(sql_type = Bool)]
        shut: bool,
    }
    let (patient, episode) = match of {
        Looking::Patient(id) => (Some(id.0), None),
        Looking::Episode(id) => (None, Some(id.0)),
    };
    let theirs: Vec<Uuid> = cover::looked_after_by(conn, to, today)?
        .into_iter()
        .map(|user| user.0)
        .collect();
    let found: Shut = diesel::sql_query(
        "with whose as (
            select $1 as patient_id where $1 is not null union all select patient_id from episode where id = $2
        ), treats as (
            select distinct on (e.episode_id) c.user_id
            from event e join care c on c.id = e.id join whose w on w.patient_id = e.patient_id
            where not exists (
                select from effect k where k.patient_id = e.patient_id and k.target = e.seq and k.role = 'takes_back'
            )
            order by e.episode_id, e.seq desc
        )
        select exists (select from treats where user_id is not null)
            and not exists (select from treats where user_id = any($3))
            and not exists (
                select from record_opening o join whose w using (patient_id) where o.user_id = $4 and o.until > now()
            ) as shut",
    )
    .bind::<Nullable<SqlUuid>, _>(patient)
    .bind::<Nullable<SqlUuid>, _>(episode)
    .bind::<Array<SqlUuid>, _>(theirs)
    .bind::<SqlUuid, _>(to.0)
    .get_result(conn)?;
    Ok(found.shut)
}

/// Opens a record to somebody until a moment, with their reason. The same once more is stored once.
///
/// # Errors
/// `NotFound`, `IdConflict` when the id says something else.
pub fn open(
    conn: &mut PgConnection,
    id: Uuid,
    whose: PatientId,
    to: UserId,
    until: DateTime<Utc>,
    words: &str,
) -> Result<(), StoreError> {
    let added = diesel::sql_query(
        "insert into record_opening (id, patient_id, user_id, until, words) values ($1, $2, $3, $4, $5) on conflict (id) do nothing",
    )
    .bind::<SqlUuid, _>(id)
    .bind::<SqlUuid, _>(whose.0)
    .bind::<SqlUuid, _>(to.0)
    .bind::<Timestamptz, _>(until)
    .bind::<Text, _>(words)
    .execute(conn)?;
    if added == 1 {
        return Ok(());
    }
    let same = diesel::sql_query(
        "select from record_opening where id = $1 and patient_id = $2 and user_id = $3 and words = $4",
    )
    .bind::<SqlUuid, _>(id)
    .bind::<SqlUuid, _>(whose.0)
    .bind::<SqlUuid, _>(to.0)
    .bind::<Text, _>(words)
    .execute(conn)?;
    if same == 1 {
        Ok(())
    } else {
        Err(StoreError::IdConflict)
    }
}
