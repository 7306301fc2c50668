//! What a safety check says.

use crate::calendar::EpisodeDay;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// What the check says.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Status {
    /// Nothing speaks against it.
    Allowed,
    /// May be done with a reason.
    Caution,
    /// May not be done.
    Blocked,
}

/// One rule that spoke.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Finding {
    /// How strongly.
    pub status: Status,
    /// The rule and its arguments.
    pub reason: Reason,
    /// Whether a clinician may go on with a reason. Ceilings, healing time, allowances, forbidden positions and open flags never.
    pub overridable: bool,
    /// The first day on which it speaks.
    pub day: EpisodeDay,
}

/// The answer for one exercise.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Verdict {
    /// The strongest of the findings.
    pub status: Status,
    /// Every rule that spoke.
    pub findings: Vec<Finding>,
}

impl Verdict {
    pub(super) fn of(findings: Vec<Finding>) -> Self {
        let status = findings
            .iter()
            .map(|f| f.status)
            .max()
            .unwrap_or(Status::Allowed);
        Verdict { status, findings }
    }
}
