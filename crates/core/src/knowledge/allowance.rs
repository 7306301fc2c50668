//! How hard each muscle group may work.

use super::exercise::{Group, Level};
use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// The highest contraction levels from a completed week on.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Allowance {
    /// Stable id.
    pub id: String,
    /// Completed weeks.
    #[serde(default)]
    pub from_week: i32,
    /// Where there is no clock: from this phase on.
    #[serde(default)]
    pub from_phase: Option<u32>,
    /// Supraspinatus, infraspinatus, teres minor.
    pub cuff: Vec<Level>,
    /// Subscapularis.
    pub subscapularis: Vec<Level>,
    /// Deltoid.
    pub deltoid: Vec<Level>,
    /// Biceps.
    pub biceps: Vec<Level>,
    /// Triceps.
    pub triceps: Vec<Level>,
    /// Pectoralis major, latissimus, teres major.
    pub pec_lat: Vec<Level>,
    /// Trapezius, serratus, rhomboids.
    pub scapular: Vec<Level>,
    /// Hand, wrist, forearm.
    pub distal: Vec<Level>,
    /// Highest effort in percent of the greatest, by muscle group; every group that holds against something has one.
    #[serde(default)]
    pub effort_max_pct: BTreeMap<Group, u32>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl Allowance {
    /// What is permitted for `group`.
    pub fn levels(&self, group: Group) -> &[Level] {
        match group {
            Group::Cuff => &self.cuff,
            Group::Subscapularis => &self.subscapularis,
            Group::Deltoid => &self.deltoid,
            Group::Biceps => &self.biceps,
            Group::Triceps => &self.triceps,
            Group::PecLat => &self.pec_lat,
            Group::Scapular => &self.scapular,
            Group::Distal => &self.distal,
        }
    }
}
