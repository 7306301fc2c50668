//! What a rung asks for before the next one, besides full doses without trouble.

use super::criteria::Criterion;
use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};

/// One step of a ladder that asks for more than the common rule.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Step {
    /// Stable id.
    pub id: String,
    /// The exercise that is done now.
    pub from: String,
    /// The exercises it leads to.
    pub to: Vec<String>,
    /// All must hold.
    pub criteria: Vec<Criterion>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
