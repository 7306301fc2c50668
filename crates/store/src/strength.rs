//! Pushes against a device: the numbers in columns, the samples beside them.

use crate::convert::{unword, word};
use crate::detail::Detail;
use crate::event::{Entry, Stored, enter};
use crate::schema::{event, strength_trace, strength_trial};
use crate::{EpisodeId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::StrengthTrial;
use serde::Deserialize;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = strength_trial)]
pub(crate) struct TrialRow {
    id: Uuid,
    test: String,
    side: String,
    peak_n: f64,
    lever_m: Option<f64>,
    pain: Option<f64>,
    device: Option<String>,
    sound: bool,
    remark: String,
}

impl Detail for TrialRow {
    const KIND: &'static str = "strength_trial";
    type Fact = StrengthTrial;

    fn fact(self, on: NaiveDate) -> Result<StrengthTrial, StoreError> {
        Ok(StrengthTrial {
            id: self.id,
            test: self.test,
            side: unword("side", &self.side)?,
            peak_n: self.peak_n,
            lever_m: self.lever_m,
            pain: self.pain,
            device: self.device,
            sound: self.sound,
            on,
            remark: self.remark,
        })
    }
}

#[derive(Insertable)]
#[diesel(table_name = strength_trace)]
struct NewTrace {
    trial_id: Uuid,
    samples: serde_json::Value,
    measurement: serde_json::Value,
}

/// Adds a trial once, with its trace where a device measured it.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: EpisodeId,
    trial: &StrengthTrial,
    trace: Option<(serde_json::Value, serde_json::Value)>,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, trial.id, "strength_trial", trial.on);
    let stored = enter(conn, entry, trial)?;
    if stored == Stored::Before {
        return Ok(stored);
    }
    let row = TrialRow {
        id: trial.id,
        test: trial.test.clone(),
        side: word(trial.side),
        peak_n: trial.peak_n,
        lever_m: trial.lever_m,
        pain: trial.pain,
        device: trial.device.clone(),
        sound: trial.sound,
        remark: trial.remark.clone(),
    };
    diesel::insert_into(strength_trial::table)
        .values(row)
        .execute(conn)?;
    if let Some((samples, measurement)) = trace {
        let row = NewTrace {
            trial_id: trial.id,
            samples,
            measurement,
        };
        diesel::insert_into(strength_trace::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

/// The samples of a trial of this episode and what was read from them.
///
/// # Errors
/// `NotFound` when there is no trace.
pub fn trace(
    conn: &mut PgConnection,
    episode: EpisodeId,
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
