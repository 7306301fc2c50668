//! Pushes against a device: the numbers in columns, the samples beside them.

use crate::StoreError;
use crate::convert::{unword, word};
use crate::events::{Stored, settle};
use crate::schema::{strength_trace, strength_trial, withdrawal};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::strength::StrengthTrial;
use uuid::Uuid;

type Row = (
    Uuid,
    Uuid,
    i64,
    String,
    String,
    f64,
    Option<f64>,
    Option<f64>,
    Option<String>,
    bool,
    NaiveDate,
    Uuid,
);

fn to_trial(
    (id, _, _, test, side, peak_n, lever_m, pain, device, sound, on, _): Row,
) -> Result<StrengthTrial, StoreError> {
    Ok(StrengthTrial {
        id,
        test,
        side: unword("side", &side)?,
        peak_n,
        lever_m,
        pain,
        device,
        sound,
        on,
    })
}

/// Adds a trial once, with its trace where a device measured it.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: Uuid,
    trial: &StrengthTrial,
    trace: Option<(serde_json::Value, serde_json::Value)>,
    user: Uuid,
) -> Result<Stored, StoreError> {
    use strength_trial as t;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(trial.id),
            t::episode_id.eq(episode),
            t::test.eq(&trial.test),
            t::side.eq(word(trial.side)),
            t::peak_n.eq(trial.peak_n),
            t::lever_m.eq(trial.lever_m),
            t::pain.eq(trial.pain),
            t::device.eq(&trial.device),
            t::sound.eq(trial.sound),
            t::pushed_on.eq(trial.on),
            t::user_id.eq(user),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    if added == 1
        && let Some((samples, measurement)) = trace
    {
        use strength_trace as s;
        diesel::insert_into(s::table)
            .values((
                s::trial_id.eq(trial.id),
                s::samples.eq(samples),
                s::measurement.eq(measurement),
            ))
            .execute(conn)?;
    }
    settle(added, || {
        let row = t::table
            .filter(t::id.eq(trial.id))
            .filter(t::episode_id.eq(episode))
            .first::<Row>(conn)
            .optional()?;
        Ok(row.map(to_trial).transpose()?.as_ref() == Some(trial))
    })
}

/// Trials, oldest first, withdrawn ones left out; without their traces.
///
/// # Errors
/// Database failure.
pub fn trials(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<StrengthTrial>, StoreError> {
    use strength_trial as t;
    let rows: Vec<Row> = t::table
        .left_join(withdrawal::table.on(withdrawal::entry_id.eq(t::id)))
        .filter(t::episode_id.eq(episode))
        .filter(withdrawal::entry_id.is_null())
        .order((t::pushed_on, t::seq))
        .select(t::all_columns)
        .load(conn)?;
    rows.into_iter().map(to_trial).collect()
}

/// The samples of a trial of this episode and what was read from them.
///
/// # Errors
/// `NotFound` when there is no trace.
pub fn trace(
    conn: &mut PgConnection,
    episode: Uuid,
    id: Uuid,
) -> Result<(serde_json::Value, serde_json::Value), StoreError> {
    strength_trace::table
        .inner_join(strength_trial::table.on(strength_trial::id.eq(strength_trace::trial_id)))
        .filter(strength_trial::episode_id.eq(episode))
        .filter(strength_trace::trial_id.eq(id))
        .select((strength_trace::samples, strength_trace::measurement))
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("trace"))
}
