//! Append-only events of an episode: scores, attestations, weeks told as a whole, gates.
//!
//! Each has an id made where it was entered. The same id with the same contents is stored once; with
//! other contents it is refused.

use crate::convert::{unword, word};
use crate::detail::Detail;
use crate::event::{Entry, Stored, enter, standing};
use crate::schema::{attestation, gate_override, gate_pass, score, week_use};
use crate::{EpisodeId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{Attestation, GatePass, Score, WeekUse};
use serde::Deserialize;
use std::collections::BTreeMap;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = score)]
pub(crate) struct ScoreRow {
    id: Uuid,
    #[diesel(column_name = name)]
    score: String,
    value: f64,
}

impl Detail for ScoreRow {
    const KIND: &'static str = "score";
    type Fact = Score;

    fn fact(self, on: NaiveDate) -> Result<Score, StoreError> {
        Ok(Score {
            id: self.id,
            score: self.score,
            value: self.value,
            on,
        })
    }
}

/// Adds a score once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_score(
    conn: &mut PgConnection,
    episode: EpisodeId,
    given: &Score,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, given.id, "score", given.on);
    let stored = enter(conn, entry, given)?;
    if stored == Stored::New {
        let row = ScoreRow {
            id: given.id,
            score: given.score.clone(),
            value: given.value,
        };
        diesel::insert_into(score::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

#[derive(Deserialize, Insertable)]
#[diesel(table_name = attestation)]
pub(crate) struct AttestationRow {
    id: Uuid,
    code: String,
    holds: bool,
}

impl Detail for AttestationRow {
    const KIND: &'static str = "attestation";
    type Fact = Attestation;

    fn fact(self, on: NaiveDate) -> Result<Attestation, StoreError> {
        Ok(Attestation {
            id: self.id,
            code: self.code,
            holds: self.holds,
            on,
        })
    }
}

/// Adds an attestation once, signed by whoever writes.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_attestation(
    conn: &mut PgConnection,
    episode: EpisodeId,
    signed: &Attestation,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, signed.id, "attestation", signed.on);
    let stored = enter(conn, entry, signed)?;
    if stored == Stored::New {
        let row = AttestationRow {
            id: signed.id,
            code: signed.code.clone(),
            holds: signed.holds,
        };
        diesel::insert_into(attestation::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

#[derive(Deserialize, Insertable)]
#[diesel(table_name = week_use)]
pub(crate) struct WeekUseRow {
    id: Uuid,
    how: String,
}

impl Detail for WeekUseRow {
    const KIND: &'static str = "week_use";
    type Fact = WeekUse;

    fn fact(self, on: NaiveDate) -> Result<WeekUse, StoreError> {
        Ok(WeekUse {
            id: self.id,
            on,
            how: unword("week", &self.how)?,
        })
    }
}

/// Adds a week at home, told as a whole, once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_week_use(
    conn: &mut PgConnection,
    episode: EpisodeId,
    week: &WeekUse,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, week.id, "week_use", week.on);
    let stored = enter(conn, entry, week)?;
    if stored == Stored::New {
        let row = WeekUseRow {
            id: week.id,
            how: word(week.how),
        };
        diesel::insert_into(week_use::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

#[derive(Insertable)]
#[diesel(table_name = gate_override)]
struct NewOverride<'a> {
    pass_id: Uuid,
    criterion: &'a str,
    reason: &'a str,
}

/// A gate that was passed, with the reasons of what was overridden.
#[derive(Deserialize)]
pub(crate) struct GatePassRow {
    id: Uuid,
    gate: String,
    overridden: BTreeMap<String, String>,
}

impl Detail for GatePassRow {
    const KIND: &'static str = "gate_pass";
    type Fact = GatePass;

    fn fact(self, on: NaiveDate) -> Result<GatePass, StoreError> {
        Ok(GatePass {
            id: self.id,
            gate: self.gate,
            on,
            overridden: self.overridden,
        })
    }
}

/// Records that a gate was passed; a gate is passed once.
///
/// # Errors
/// `Refused` when it was passed before and that was not taken back, `IdConflict`.
pub fn add_gate_pass(
    conn: &mut PgConnection,
    episode: EpisodeId,
    pass: &GatePass,
) -> Result<Stored, StoreError> {
    use gate_pass as t;
    let entry = Entry::new(episode, pass.id, "gate_pass", pass.on);
    let stored = enter(conn, entry, pass)?;
    if stored == Stored::Before {
        return Ok(stored);
    }
    let passed = standing!(t, episode)
        .filter(t::gate.eq(&pass.gate))
        .select(t::id)
        .first::<Uuid>(conn)
        .optional()?;
    if passed.is_some() {
        return Err(StoreError::Refused("gate_pass_once".to_owned()));
    }
    diesel::insert_into(t::table)
        .values((t::id.eq(pass.id), t::gate.eq(&pass.gate)))
        .execute(conn)?;
    let rows: Vec<_> = pass
        .overridden
        .iter()
        .map(|(criterion, reason)| NewOverride {
            pass_id: pass.id,
            criterion,
            reason,
        })
        .collect();
    diesel::insert_into(gate_override::table)
        .values(rows)
        .execute(conn)?;
    Ok(stored)
}
