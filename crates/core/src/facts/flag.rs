//! Answers to red flags and what was done about them.

use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// An answer to a red-flag question.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Answer {
    /// Yes.
    Yes,
    /// No.
    No,
}

/// What an answer of no rests on, when a text said otherwise.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Because {
    /// The text tells of the injury that is being treated.
    TreatedInjury,
    /// The feeling is coming back after a nerve block.
    WearingOff,
}

/// One answered question. A no closes nothing: what was raised leaves by what was done about it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagAnswer {
    /// Id, made by the client.
    pub id: Uuid,
    /// Flag id.
    pub flag: String,
    /// The answer.
    pub answer: Answer,
    /// When it was asked.
    pub on: NaiveDate,
    /// Passages of texts that were looked at when it was answered, by their cause keys.
    #[serde(default)]
    pub about: Vec<String>,
    /// What a no rests on, where a text said otherwise.
    #[serde(default)]
    pub because: Option<Because>,
}

/// What happened to a raised flag.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "step", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FlagStepKind {
    /// Something was done; everything stays paused, because "sent to hospital" is not yet safe.
    Acted {
        /// What, from the flag's own list.
        #[serde(default)]
        action: Option<String>,
        /// What, in words.
        #[serde(default)]
        words: String,
        /// Who was told.
        told: String,
    },
    /// There is an answer; what it names may go on.
    Answered {
        /// What came of it.
        result: String,
        /// Who says so.
        by: String,
        /// What may resume.
        resumes: String,
        /// A known loss may stand until then: it does not open again at every test, unless it grows.
        #[serde(default)]
        stands_until: Option<NaiveDate>,
    },
    /// It was entered by mistake.
    Mistake {
        /// Why it was a mistake, in words.
        reason: String,
    },
}

/// A step on the way of a raised flag: open, acted on, answered. It names the causes it is about; what it does not name stays open.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagStep {
    /// Id, made by the client.
    pub id: Uuid,
    /// Flag id.
    pub flag: String,
    /// The day of the answer.
    pub on: NaiveDate,
    /// What it is about, by cause keys.
    pub causes: Vec<String>,
    /// What happened.
    #[serde(flatten)]
    pub kind: FlagStepKind,
}

/// A flag that a rule raised when something was stored. It stays raised whatever the rule says later.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct FlagRaise {
    /// Flag id.
    pub flag: String,
    /// Cause key.
    pub cause: String,
    /// The day of what raised it.
    pub on: NaiveDate,
    /// What the rule said.
    pub reason: crate::reason::Reason,
}
