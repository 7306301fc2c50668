//! How a shoulder's trouble began, what the complaint is, and whether the other side may serve as a measure.

use serde::{Deserialize, Serialize};

/// How it began: what day 0 is the day of.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Start {
    /// An operation. There are no diagnostic probabilities for an operated shoulder.
    #[default]
    Surgery,
    /// An injury.
    Injury,
    /// It came by itself; day 0 is the first visit.
    Gradual,
}

/// The main complaint: it chooses the core of the examination.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Complaint {
    /// Pain on raising.
    Raising,
    /// The arm is weak.
    Weakness,
    /// It slips or is about to.
    Slipping,
    /// It is stiff.
    Stiffness,
    /// Pain on top.
    Top,
    /// Neck and arm.
    Neck,
}

impl Complaint {
    /// The word in the test rows.
    pub fn word(self) -> &'static str {
        match self {
            Complaint::Raising => "raising",
            Complaint::Weakness => "weakness",
            Complaint::Slipping => "slipping",
            Complaint::Stiffness => "stiffness",
            Complaint::Top => "top",
            Complaint::Neck => "neck",
        }
    }
}

/// Whether the other side may serve as a measure.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum OtherSide {
    /// Nobody has looked: it is no measure for anything.
    #[default]
    NotKnown,
    /// Looked at, and nothing is known against it.
    Sound,
    /// It hurts or is stiff too.
    Affected,
    /// It was operated on.
    Operated,
    /// Both shoulders are looser than most.
    Hypermobile,
}
