//! What an attestation asks the shoulder to do, and what a precaution of daily life keeps it from.

use super::exercise::Demand;
use crate::confidence::Confidence;
use crate::mechanics::KeyPose;
use serde::{Deserialize, Serialize};

/// Something that a person signs for at a gate, and what it takes to find out.
///
/// A row without a position, a muscle or an exercise asks nothing of the shoulder: a wound that is closed, a film.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct AttestationRow {
    /// What is attested, a wording key.
    pub id: String,
    /// Clinical tests whose position it takes.
    #[serde(default)]
    pub tests: Vec<String>,
    /// The position it is seen in, as key poses.
    #[serde(default)]
    pub path: Vec<KeyPose>,
    /// What works meanwhile.
    #[serde(default)]
    pub demand: Vec<Demand>,
    /// Exercises on any of which it can be seen.
    #[serde(default)]
    pub exercises: Vec<String>,
    /// It protects: a wound, a nerve, a bone, a go-ahead. Nobody overrides it in the clinic.
    #[serde(default)]
    pub protective: bool,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A precaution of daily life, and which positions of the program it goes with.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct PrecautionRow {
    /// The precaution, a wording key.
    pub id: String,
    /// Whether it says how something is done every day, and not what is not done yet.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub habit: bool,
    /// Told only to somebody with one of these of general health; to everybody when empty.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub health: Vec<String>,
    /// Forbidden positions that it tells in words.
    #[serde(default)]
    pub positions: Vec<String>,
    /// Features of exercises that it tells in words.
    #[serde(default)]
    pub tags: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A forbidden position that a surgeon's release of a movement lifts.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct PositionRow {
    /// The position, as pathways name it.
    pub id: String,
    /// Quantities whose release lifts it.
    pub released_by: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
