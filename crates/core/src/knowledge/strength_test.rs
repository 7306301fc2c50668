//! Strength tests as they are written.

use super::exercise::Demand;
use crate::confidence::Confidence;
use crate::mechanics::{KeyPose, Supply};
use serde::{Deserialize, Serialize};

/// A standard position: a row of `strength.toml`.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct StrengthTest {
    /// Stable id.
    pub id: String,
    /// Body position, a wording key.
    pub position: String,
    /// Place in the order.
    pub order: u32,
    /// Key pose of the arm.
    pub path: Vec<KeyPose>,
    /// What works.
    pub demand: Vec<Demand>,
    /// What the muscles must supply against the pad.
    #[serde(default)]
    pub supplies: Option<Supply>,
    /// Usual distance from the axis to the pad in metres; none where force alone is reported.
    #[serde(default)]
    pub lever_m: Option<f64>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
