//! Measurement the examination: what it is likely to be, how sure that is, and what would change it.
//!
//! Nothing here asserts a diagnosis. Red flags come first, conditions with a criterion before subacromial pain, and an
//! operated shoulder gets a state instead of probabilities.

mod compare;
mod conditions;
mod evidence;
mod impairments;
mod irritability;
mod model;
mod next;
mod normal;
mod operated;
mod outcome;
mod posterior;
mod retest;
mod scores;
mod spread;
mod together;
mod view;

pub use compare::{Compared, Subject, VisitComparison, compare};
pub use conditions::{
    ConditionStatus, ConditionView, conditions, pathway_challenge, stiff_pattern,
};
pub use evidence::{Weighed, answer_fault, positive, unmet, weigh};
pub use impairments::{Impairment, impairments, rotation_deficit};
pub use irritability::{Irritability, IrritabilityView, VoteView, irritability};
pub use model::{DRAWS, Group, GroupModel, Member, ReadingModel};
pub use next::{Place, PlanItem, barred, entropy, gain_bits, plan, telling};
pub use operated::{SignState, SignView, operated_state};
pub use outcome::{
    BadAnswer, InstrumentView, PartScore, Scored, SheetView, faults, instruments, outcome_page,
    score,
};
pub use posterior::{
    ClusterUse, HypothesisView, PreTest, Step, StepTest, Word, after_ratio, pre_test,
    read_hypothesis,
};
pub use retest::{RetestView, retest};
pub use scores::{
    ResponseView, WorkedOut, instability_severity, laxity_bound, responses, touch_power,
    touches_by_height, worked_out,
};
pub use view::{ReadView, read};
