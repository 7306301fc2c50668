//! What the surgeon wrote, and the verdict that a measurement got under it.

use crate::calendar::EpisodeDay;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Who let go of a limit, and when: a looser value is valid only with this.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Release {
    /// Role of the person, e.g. `surgeon`.
    pub role: String,
    /// Date of the release.
    pub on: NaiveDate,
}

/// A limit that the surgeon wrote.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SurgeonLimit {
    /// Id, made by the client.
    pub id: Uuid,
    /// Quantity id.
    pub quantity: String,
    /// Greatest permitted measurement.
    pub ceiling: f64,
    /// Measurement expected at least, where the surgeon wrote one.
    pub floor: Option<f64>,
    /// The day from which it holds; a release holds from its own date.
    #[serde(default)]
    pub from: Option<NaiveDate>,
    /// Holds through the day before this one; without it, until released.
    pub until_day: Option<EpisodeDay>,
    /// The day on which the surgeon is asked again; nothing ends by itself then.
    #[serde(default)]
    pub ask_again_day: Option<EpisodeDay>,
    /// Makes a looser value valid.
    pub release: Option<Release>,
    /// When its end was confirmed.
    pub ended_on: Option<NaiveDate>,
}

impl SurgeonLimit {
    /// The day from which it holds; without one it always did.
    pub fn starts_on(&self) -> Option<NaiveDate> {
        self.release.as_ref().map(|r| r.on).or(self.from)
    }
}

/// How a measurement was judged when it was stored. It is kept, because working it out anew would change with pathway and knowledge.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CeilingVerdict {
    /// The measurement.
    pub measurement: Uuid,
    /// The ceiling of its own date, in the quantity's unit; none where comfort was the guide or nothing was allowed.
    pub ceiling: Option<f64>,
    /// The rule that spoke, by id.
    pub whose: String,
    /// The surgeon's limit that it rests on.
    pub limit: Option<Uuid>,
    /// Whether it lay above.
    pub over: bool,
}

/// What the surgeon said about a measurement above the ceiling.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BreachAnswer {
    /// Id, made by the client.
    pub id: Uuid,
    /// The measurement above the ceiling.
    pub measurement: Uuid,
    /// The day the surgeon answered.
    pub on: NaiveDate,
    /// Who answered, by role.
    pub role: String,
    /// What was said.
    pub words: String,
}
