//! Pushes against a device: the numbers in columns, the samples beside them.

use crate::StoreError;
use crate::convert::{unword, word};
use crate::event::{Entry, Stored, enter, standing};
use crate::schema::{event, strength_trace, strength_trial};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::StrengthTrial;
use uuid::Uuid;

type Row = (
    (
        Uuid,
        String,
        String,
        f64,
        Option<f64>,
        Option<f64>,
        Option<String>,
        bool,
        String,
    ),
    NaiveDate,
);

fn to_trial(
    ((id, test, side, peak_n, lever_m, pain, device, sound, remark), on): Row,
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
        remark,
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
) -> Result<Stored, StoreError> {
    use strength_trial as t;
    let entry = Entry::new(episode, trial.id, "strength_trial", trial.on);
    let stored = enter(conn, entry, trial)?;
    if stored == Stored::Before {
        return Ok(stored);
    }
    diesel::insert_into(t::table)
        .values((
            t::id.eq(trial.id),
            t::test.eq(&trial.test),
            t::side.eq(word(trial.side)),
            t::peak_n.eq(trial.peak_n),
            t::lever_m.eq(trial.lever_m),
            t::pain.eq(trial.pain),
            t::device.eq(&trial.device),
            t::sound.eq(trial.sound),
            t::remark.eq(&trial.remark),
        ))
        .execute(conn)?;
    if let Some((samples, measurement)) = trace {
        use strength_trace as s;
        diesel::insert_into(s::table)
            .values((
                s::trial_id.eq(trial.id),
                s::samples.eq(samples),
                s::measurement.eq(measurement),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Trials, oldest first, withdrawn ones left out; without their traces.
///
/// # Errors
/// Database failure.
pub fn trials(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<StrengthTrial>, StoreError> {
    use strength_trial as t;
    let rows: Vec<Row> = standing!(t, episode)
        .select((t::all_columns, event::on_date))
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
        .inner_join(event::table.on(event::id.eq(strength_trace::trial_id)))
        .filter(event::episode_id.eq(episode))
        .filter(strength_trace::trial_id.eq(id))
        .select((strength_trace::samples, strength_trace::measurement))
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("trace"))
}
