//! The days and hours on which a patient exercises at home.

use crate::knowledge::Weekdays;
use chrono::{NaiveDate, NaiveTime};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What a patient says of their week; the newest counts. Times are by the clinic's own clock.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HomeHours {
    /// Id, made by the client.
    pub id: Uuid,
    /// The day it was said.
    pub on: NaiveDate,
    /// The days that suit them, Monday first.
    pub days: Weekdays,
    /// The hours that suit them, on each of these days.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<String>))]
    pub times: Vec<NaiveTime>,
}
