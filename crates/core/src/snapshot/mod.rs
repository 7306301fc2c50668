//! What is kept of something signed, in types of its own, so that it stays readable when the pages change.
//!
//! No type of a page or of a rule stands inside a snapshot: each is copied field by field into the types of its
//! version. A version that was written once is never edited; a new one gets a file of its own and an upcaster,
//! and a golden file of every version is read by the tests for ever.

mod compare;
mod decision_v1;
mod kind;
mod parts_v1;
mod program_v1;
mod visit_v1;

pub use compare::{
    Became, Stretch, Stretches, VersionChange, compare, signed_stretches, stretches,
};
pub use decision_v1::{AlternativeV1, ChangeV1, DecisionV1};
pub use kind::{Kind, SnapshotError, read_decision, read_program, read_visit};
pub use parts_v1::{DoseV1, LimitV1, ReasonV1};
pub use program_v1::{
    CeilingV1, CorridorV1, CriterionV1, FindingV1, GateV1, LineV1, MeasuredV1, MilestoneV1,
    PhaseV1, PrecautionV1, ProgramV1, SlingV1,
};
pub use visit_v1::{FlagV1, LimitTodayV1, VisitV1};
