//! A measured range.

use crate::mechanics::Arm;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Why a movement stopped.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum StopReason {
    /// Pain.
    Pain,
    /// A stiff end.
    Stiff,
    /// Weakness.
    Weak,
    /// A feeling of slipping.
    Slipping,
    /// The permitted limit: the shoulder could have gone further.
    AtLimit,
}

/// Who took a measurement.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TakenBy {
    /// A clinician.
    Clinician,
    /// The patient, at home.
    Patient,
}

/// What a range was measured with.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Method {
    /// A goniometer.
    Goniometer,
    /// An inclinometer held against the arm.
    Inclinometer,
    /// Estimated by eye.
    ByEye,
    /// A stand-in of the demo invented it: shown as such, never evidence.
    Simulated,
}

/// One measured range. Append-only: a correction supersedes.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Measurement {
    /// Id, made by the client.
    pub id: Uuid,
    /// Quantity id.
    pub quantity: String,
    /// Measured side.
    pub side: Arm,
    /// In the quantity's unit.
    pub value: f64,
    /// Why it stopped.
    pub stop: StopReason,
    /// Who measured.
    pub by: TakenBy,
    /// The day it was taken; its own limits judge it.
    pub on: NaiveDate,
    /// Where pain began and ended on the way, where it did.
    #[serde(default)]
    pub arc: Option<PainArc>,
    /// With what it was measured, where that was said.
    #[serde(default)]
    pub method: Option<Method>,
    /// Which member of the clinic measured; set by the server from who is signed in, absent for the patient's own.
    #[serde(default)]
    pub rater: Option<Uuid>,
    /// Anything else about it, in words.
    #[serde(default)]
    pub remark: String,
}

impl Measurement {
    /// Whether two measurements share the person and the instrument, so that the smaller error of measurement holds.
    ///
    /// What was not recorded counts as the same. Source: our choice, because older measurements carry neither.
    pub fn alike(&self, other: &Measurement) -> bool {
        fn same<T: PartialEq>(a: Option<T>, b: Option<T>) -> bool {
            a.zip(b).is_none_or(|(a, b)| a == b)
        }
        self.by == other.by && same(self.rater, other.rater) && same(self.method, other.method)
    }
}

/// A painful arc.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PainArc {
    /// Where it began, in the quantity's unit.
    pub from: f64,
    /// Where it ended.
    pub to: f64,
}
