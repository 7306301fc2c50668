//! Lines of the program, what was done with them, gates passed.

use crate::calendar::EpisodeDay;
use crate::knowledge::Dose;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use uuid::Uuid;

/// A gate that was passed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GatePass {
    /// Id, made by the client.
    pub id: Uuid,
    /// Gate id.
    pub gate: String,
    /// The day it was decided.
    pub on: NaiveDate,
    /// Criteria that were overridden, by id, each with its own reason.
    pub overridden: BTreeMap<String, String>,
}

/// One exercise of a program from one day to another.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Line {
    /// Id.
    pub id: Uuid,
    /// Exercise id.
    pub exercise: String,
    /// First day.
    pub from_day: EpisodeDay,
    /// The day after the last.
    pub to_day: EpisodeDay,
    /// How much.
    pub dose: Dose,
    /// Why a caution was accepted, where there was one.
    pub override_reason: Option<String>,
    /// Made or changed by a clinician: a re-run of the builder leaves it as it is.
    #[serde(default)]
    pub by_hand: bool,
}

/// An exercise that was paused, or let go on again. The newest step of an exercise counts.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LineStep {
    /// Id.
    pub id: Uuid,
    /// Exercise id.
    pub exercise: String,
    /// The day it was decided.
    pub on: NaiveDate,
    /// Paused, or going on again.
    pub paused: bool,
    /// The rule that stopped it, or why it may go on.
    pub reason: String,
}
