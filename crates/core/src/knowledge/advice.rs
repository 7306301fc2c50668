//! What is worth knowing beside the exercises, and what somebody may do by which day.

use super::pathway::HealingClock;
use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};

/// Whether a sling is worn.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum SlingTime {
    /// By day and by night.
    Worn,
    /// By night and in crowds only: it is being left off.
    Weaning,
    /// Not, or not any more.
    Off,
}

/// Something worth knowing, for whom and when. Rows stand in the order of their weight; the sheet tells a few at a time.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Advice {
    /// Stable id, a wording key.
    pub id: String,
    /// What heals; whatever it is when empty.
    #[serde(default)]
    pub clocks: Vec<HealingClock>,
    /// Only for a shoulder that slipped.
    #[serde(default)]
    pub slipped: bool,
    /// Pathways it belongs to; all when empty.
    #[serde(default)]
    pub pathways: Vec<String>,
    /// Only while a sling is worn, left off, or not worn.
    #[serde(default)]
    pub sling: Vec<SlingTime>,
    /// From this completed week on.
    #[serde(default)]
    pub from_week: i32,
    /// Before this completed week; without one to the end.
    #[serde(default)]
    pub until_week: Option<i32>,
    /// Only with one of these of general health.
    #[serde(default)]
    pub health: Vec<String>,
    /// Never with one of these of general health.
    #[serde(default)]
    pub unless_health: Vec<String>,
    /// Only where the last answers on a questionnaire come to so much.
    #[serde(default)]
    pub score: Option<AdviceScore>,
    /// Only where the exercises of the day ask for one of these at home.
    #[serde(default)]
    pub kit: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A questionnaire and what its answers come to at least.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct AdviceScore {
    /// Which questionnaire.
    pub instrument: String,
    /// From this number on.
    pub at_least: f64,
}

/// Something of daily life that somebody asks whether they may do.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct MayRow {
    /// Stable id, a wording key.
    pub id: String,
    /// Precautions that keep it back while they hold.
    #[serde(default)]
    pub until: Vec<String>,
    /// Classes of exercises that open before it.
    #[serde(default)]
    pub classes: Vec<String>,
    /// With what heals, this completed week: a wound has to close first.
    #[serde(default)]
    pub wound_weeks: Option<i32>,
    /// Whether a sling that is worn by day keeps it back too.
    #[serde(default)]
    pub sling: bool,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
