//! How a day's contact is held, and the next appointment.

use crate::knowledge::HowHeld;
use chrono::{NaiveDate, NaiveTime};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// How the contact of a day is held; the newest of a day counts.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Contact {
    /// Id, made by the client.
    pub id: Uuid,
    /// The day.
    pub on: NaiveDate,
    /// In the room, by telephone or by video.
    pub how: HowHeld,
}

/// An appointment, by the clinic's own clock.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Appointment {
    /// Id, made by the client.
    pub id: Uuid,
    /// The day it was made.
    pub on: NaiveDate,
    /// The day it is for.
    pub day: NaiveDate,
    /// When it begins.
    #[cfg_attr(feature = "schema", schema(value_type = String, example = "09:30:00"))]
    pub time: NaiveTime,
    /// How long it lasts, in minutes.
    pub minutes: u32,
    /// In the room, by telephone or by video.
    pub how: HowHeld,
}
