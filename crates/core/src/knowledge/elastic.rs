//! Elastics as they are written.

use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};

/// A level of elastic as long as a clinic has not measured its own.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct ElasticRow {
    /// Stable id.
    pub id: String,
    /// 1 to 6.
    pub level: u32,
    /// Tension at 100 % elongation, N.
    pub at_100_n: f64,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
