//! Scores, questionnaire sheets and what was attested.

use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A number the patient gives, 0 to 10.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Score {
    /// Id, made by the client.
    pub id: Uuid,
    /// Score id, e.g. `rest-pain`.
    pub score: String,
    /// 0 to 10.
    pub value: f64,
    /// The day it is true of.
    pub on: NaiveDate,
}

/// Something a person signs for.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Attestation {
    /// Id, made by the client.
    pub id: Uuid,
    /// What is attested.
    pub code: String,
    /// Whether it was found so.
    pub holds: bool,
    /// The day it is true of.
    pub on: NaiveDate,
}

/// One filled sheet. Append-only.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Sheet {
    /// Id, made by the client.
    pub id: Uuid,
    /// Instrument id.
    pub instrument: String,
    /// One entry an item; `null` where it was left out or does not apply.
    pub answers: Vec<Option<f64>>,
    /// The day it is true of.
    pub on: NaiveDate,
}
