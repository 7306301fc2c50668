//! What was proposed for a line and what it rested on, version 1.

use super::parts_v1::{DoseV1, ReasonV1};
use crate::deciding::{Change, LineDecision};
use crate::reason::wire;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What a proposal would do to a line.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum ChangeV1 {
    /// Nothing.
    None,
    /// Another dose.
    Dose {
        /// The dose.
        dose: DoseV1,
    },
    /// Another exercise.
    Exercise {
        /// Exercise id.
        exercise: String,
        /// Its dose.
        dose: DoseV1,
    },
    /// The line ends.
    Remove,
}

impl From<&Change> for ChangeV1 {
    fn from(change: &Change) -> Self {
        match change {
            Change::None => ChangeV1::None,
            Change::Dose { dose } => ChangeV1::Dose {
                dose: DoseV1::from(dose),
            },
            Change::Exercise { exercise, dose } => ChangeV1::Exercise {
                exercise: exercise.clone(),
                dose: DoseV1::from(dose),
            },
            Change::Remove => ChangeV1::Remove,
        }
    }
}

/// Something that was not proposed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct AlternativeV1 {
    /// The move that was not proposed.
    pub kind: String,
    /// Why not.
    pub reason: ReasonV1,
    /// What it would have done.
    pub change: ChangeV1,
    /// Whether a clinician could have taken it with a reason.
    pub overridable: bool,
}

/// A proposal about one line.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct DecisionV1 {
    /// The line.
    pub line: Uuid,
    /// Its exercise.
    pub exercise: String,
    /// What was proposed.
    pub kind: String,
    /// The rule that decided.
    pub rule: ReasonV1,
    /// What it rested on.
    pub inputs: Vec<ReasonV1>,
    /// What was not proposed.
    pub alternatives: Vec<AlternativeV1>,
    /// What accepting did.
    pub change: ChangeV1,
    /// The sentence for the patient.
    pub patient: ReasonV1,
}

impl From<&LineDecision> for DecisionV1 {
    fn from(d: &LineDecision) -> Self {
        DecisionV1 {
            line: d.line,
            exercise: d.exercise.clone(),
            kind: wire(d.kind),
            rule: ReasonV1::from(&d.rule),
            inputs: d.inputs.iter().map(ReasonV1::from).collect(),
            alternatives: d
                .alternatives
                .iter()
                .map(|a| AlternativeV1 {
                    kind: wire(a.kind),
                    reason: ReasonV1::from(&a.reason),
                    change: ChangeV1::from(&a.change),
                    overridable: a.overridable,
                })
                .collect(),
            change: ChangeV1::from(&d.change),
            patient: ReasonV1::from(&d.patient),
        }
    }
}
