//! What was done at home, and what it did.

use crate::knowledge::SlipHow;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What a log entry says.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LogFact {
    /// Sessions of one exercise done on that day, with the repetitions of a set. A later entry for the same
    /// day and exercise corrects this one.
    Done {
        /// How many sessions.
        sessions: u32,
        /// Repetitions of each set, as done.
        repetitions: u32,
    },
    /// The exercise was left out on that day, said by the patient.
    LeftOut {
        /// Why, where it was said.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        because: Option<LeftBecause>,
    },
    /// Pain before exercising, 0 to 10.
    PainBefore {
        /// 0 to 10.
        value: f64,
    },
    /// Worst pain during, 0 to 10.
    PainDuring {
        /// 0 to 10.
        value: f64,
    },
    /// Pain the next morning, 0 to 10.
    PainNextMorning {
        /// 0 to 10.
        value: f64,
    },
    /// A feeling that the joint slipped or nearly slipped.
    Slip,
    /// A slip that is worse than usual.
    SlipWorse {
        /// In what way.
        how: SlipHow,
    },
    /// A bad day: the exercise was eased, and the day counts neither way.
    FlareDay,
    /// How hard it felt, 0 to 10.
    Effort {
        /// 0 to 10.
        value: f64,
    },
}

/// Why an exercise was left out.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LeftBecause {
    /// It hurt.
    Hurt,
    /// Too tired, or unwell.
    Tired,
    /// There was no time.
    NoTime,
    /// Something that it needs was not there.
    NoKit,
    /// Not sure how it is done.
    Unsure,
}

impl LogFact {
    /// Whether the joint slipped or nearly did, worse than usual or not.
    pub fn is_slip(&self) -> bool {
        matches!(self, LogFact::Slip | LogFact::SlipWorse { .. })
    }
}

/// One event of the home log. Append-only, with an id made where it was entered.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LogEntry {
    /// Id, made by the client.
    pub id: Uuid,
    /// The day it speaks about.
    pub on: NaiveDate,
    /// Exercise id, where it speaks about one.
    pub exercise: Option<String>,
    /// What it says.
    #[serde(flatten)]
    pub fact: LogFact,
    /// Anything else, in words.
    #[serde(default)]
    pub remark: String,
}

/// How much of a week at home was done, as it was told.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum UseHow {
    /// As planned.
    All,
    /// About half.
    Half,
    /// Hardly.
    Hardly,
}

/// A week at home, told as a whole. It counts for adherence only: never as days without symptoms, whole sessions or events.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WeekUse {
    /// Id, made by the client.
    pub id: Uuid,
    /// The last of its seven days.
    pub on: NaiveDate,
    /// How much.
    pub how: UseHow,
}
