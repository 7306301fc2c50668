//! How far a movement may go.

use serde::{Deserialize, Serialize};

/// How far a movement may go.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Ceiling {
    /// Not at all.
    NoneAllowed,
    /// Up to and including this measurement.
    UpTo {
        /// In the quantity's unit.
        value: f64,
    },
    /// Comfort is the guide.
    Free,
}

impl Ceiling {
    /// The tighter of two.
    pub fn tighter(self, other: Ceiling) -> Ceiling {
        match (self, other) {
            (Ceiling::NoneAllowed, _) | (_, Ceiling::NoneAllowed) => Ceiling::NoneAllowed,
            (Ceiling::Free, c) | (c, Ceiling::Free) => c,
            (Ceiling::UpTo { value: a }, Ceiling::UpTo { value: b }) => {
                Ceiling::UpTo { value: a.min(b) }
            }
        }
    }

    /// Whether a measurement lies above it. Measurement error is never an excuse.
    pub fn exceeded_by(self, measurement: f64) -> bool {
        match self {
            Ceiling::NoneAllowed => true,
            Ceiling::UpTo { value } => measurement > value,
            Ceiling::Free => false,
        }
    }

    /// The number, where there is one.
    pub fn value(self) -> Option<f64> {
        match self {
            Ceiling::UpTo { value } => Some(value),
            _ => None,
        }
    }
}
