//! A clinic's own measurement of an elastic.

use crate::mechanics::PullPoint;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// A level that a clinic has measured. Append-only: the newest of a level counts.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Calibration {
    /// 1 to 6.
    pub level: u32,
    /// What the clinic calls it.
    pub label: String,
    /// Measured points, ascending.
    pub points: Vec<PullPoint>,
    /// The day it was measured.
    pub on: NaiveDate,
    /// A simulated gauge of the demo invented points of it: kept and shown, never used.
    #[serde(default)]
    pub simulated: bool,
}
