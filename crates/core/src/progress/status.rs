//! What a criterion may be.

use crate::knowledge::Comparison;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// Where a criterion stands, worst first: `all` takes the smallest, `any` the greatest.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CriterionStatus {
    /// There is a valid datum and it does not suffice.
    NotMet,
    /// There is a datum, and it is too old.
    OutOfDate,
    /// There is no datum.
    NotMeasured,
    /// There is a valid datum and it suffices.
    Met,
}

/// One criterion as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CriterionView {
    /// Id within the gate.
    pub id: String,
    /// Where it stands.
    pub status: CriterionStatus,
    /// What is asked, with its numbers.
    pub asks: Reason,
    /// The datum behind the status, where there is one.
    pub datum: Option<Reason>,
    /// Whether a clinician may override it with a reason.
    pub overridable: bool,
    /// Parts of a composite.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    pub parts: Vec<CriterionView>,
}

pub(super) fn op_word(op: Comparison) -> &'static str {
    match op {
        Comparison::AtLeast => "at-least",
        Comparison::AtMost => "at-most",
    }
}

pub(super) fn met_if(holds: bool) -> CriterionStatus {
    if holds {
        CriterionStatus::Met
    } else {
        CriterionStatus::NotMet
    }
}
