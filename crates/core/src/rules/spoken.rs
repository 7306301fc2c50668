//! How a shoulder is spoken of to its owner: which arm, and whether it lies in a sling.

use super::types::Rules;
use crate::calendar::EpisodeDay;
use crate::knowledge::{HealingClock, Knowledge};
use serde::{Deserialize, Serialize};

/// What the arm is called.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ArmWord {
    /// It was operated on.
    Operated,
    /// It slipped, once or often.
    Slipped,
    /// It hurts, is stiff or is weak.
    Sore,
}

impl ArmWord {
    /// The word's key in the catalogue of sentences.
    pub fn key(self) -> &'static str {
        match self {
            ArmWord::Operated => "operated",
            ArmWord::Slipped => "slipped",
            ArmWord::Sore => "sore",
        }
    }
}

/// What the texts for a patient depend on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Spoken {
    /// What the arm is called.
    pub arm: ArmWord,
    /// Whether it lies in a sling by day.
    pub sling: bool,
}

impl Rules {
    /// How this shoulder is spoken of on a day.
    pub fn spoken(&self, day: EpisodeDay) -> Spoken {
        let arm = match self.clock {
            HealingClock::Operation => ArmWord::Operated,
            HealingClock::Dislocation => ArmWord::Slipped,
            _ if self.loose => ArmWord::Slipped,
            _ => ArmWord::Sore,
        };
        let worn = |s: &super::types::SlingRule| day < s.day_and_night_until;
        Spoken {
            arm,
            sling: self.sling.as_ref().is_some_and(worn),
        }
    }
}

/// How hard an effort is, as the sheet says it: the key of a sentence. `effort_pct` is of the greatest effort.
///
/// Source: common practice, no published source; the bounds are thresholds.
pub fn effort_word(known: &Knowledge, effort_pct: u32) -> &'static str {
    let up_to = |id: &str| f64::from(effort_pct) <= known.threshold(id);
    if up_to("effort-least-pct") {
        "least"
    } else if up_to("effort-light-pct") {
        "light"
    } else if up_to("effort-half-pct") {
        "half"
    } else if up_to("effort-firm-pct") {
        "firm"
    } else {
        "full"
    }
}
