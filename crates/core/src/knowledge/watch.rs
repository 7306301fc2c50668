//! What a pathway watches for besides the common rules: its hold, back and stop blocks as rows.

use super::criteria::Criterion;
use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};

/// What is done when a watch speaks, the gravest first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum WatchAct {
    /// A red flag: everything pauses until somebody has looked.
    Stop,
    /// One rung back.
    Back,
    /// Nothing gets harder.
    Hold,
    /// Somebody is told; the program goes on.
    Tell,
    /// The plan as a whole is looked at again.
    Review,
}

/// Who is told.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Told {
    /// Who operated.
    Surgeon,
    /// Whoever treats bones and joints without having operated.
    Orthopaedics,
    /// The family doctor, or whoever sent the patient.
    Doctor,
    /// Nobody else: the clinician looks again.
    Clinician,
}

/// One row: from when to when, what must hold, what is done, who is told.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Watch {
    /// Stable id, a wording key.
    pub id: String,
    /// Pathways it belongs to; in a pathway's own file that pathway, in `watches.toml` all when empty.
    #[serde(default)]
    pub pathways: Vec<String>,
    /// From this completed week on.
    #[serde(default)]
    pub from_week: i32,
    /// Before this completed week; without one to the end.
    #[serde(default)]
    pub until_week: Option<i32>,
    /// It speaks when all of these hold.
    pub when: Vec<Criterion>,
    /// What is done.
    pub act: WatchAct,
    /// Who is told.
    pub tell: Told,
    /// Within so many days.
    #[serde(default)]
    pub within_days: Option<u32>,
    /// Ladders that hold or step back; all when empty.
    #[serde(default)]
    pub ladders: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
