//! What a decision is: what is proposed, what it rests on, what was not taken.

use crate::knowledge::Dose;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What is proposed for a line, the gravest first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Move {
    /// Not today; somebody is to be asked.
    Stop,
    /// The rung below, or less.
    StepBack,
    /// A lighter day; it counts neither way.
    Ease,
    /// Stay, with less load.
    HoldSore,
    /// Stay, more often and never harder.
    HoldStiff,
    /// Stay: something is not known.
    HoldUnknown,
    /// Stay: it is too early.
    HoldTooEarly,
    /// More of the same rung.
    ProgressDose,
    /// The next rung.
    NextRung,
}

/// What it does to the line.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Change {
    /// Nothing.
    None,
    /// Another dose.
    Dose {
        /// The dose from today on.
        dose: Dose,
    },
    /// Another exercise of the ladder.
    Exercise {
        /// Exercise id.
        exercise: String,
        /// Its dose.
        dose: Dose,
    },
    /// The line ends.
    Remove,
}

impl Change {
    /// The dose it brings, where it brings one.
    pub fn dose(&self) -> Option<&Dose> {
        match self {
            Change::Dose { dose } | Change::Exercise { dose, .. } => Some(dose),
            Change::None | Change::Remove => None,
        }
    }
}

/// Something else that could be done, and why it was not proposed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Alternative {
    /// The move that was not proposed.
    pub kind: Move,
    /// Why not.
    pub reason: Reason,
    /// What it would do.
    pub change: Change,
    /// Whether a clinician may take it with a reason.
    pub overridable: bool,
}

/// The decision about one line.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LineDecision {
    /// The line.
    pub line: Uuid,
    /// Its exercise.
    pub exercise: String,
    /// What is proposed.
    pub kind: Move,
    /// The rule that decided.
    pub rule: Reason,
    /// What it rests on, with dates.
    pub inputs: Vec<Reason>,
    /// What was not taken.
    pub alternatives: Vec<Alternative>,
    /// What accepting does.
    pub change: Change,
    /// What is done today instead. It ends by itself and changes no line.
    #[serde(default)]
    pub today: Option<Dose>,
    /// The sentence for the patient.
    pub patient: Reason,
}

impl LineDecision {
    /// Whether it asks somebody to do something.
    pub fn asks(&self) -> bool {
        !matches!(self.kind, Move::HoldTooEarly | Move::HoldUnknown) || self.change != Change::None
    }
}
