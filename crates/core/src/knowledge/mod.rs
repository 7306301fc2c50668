//! What the application knows: reviewed rows with a source and a confidence, checked when loaded.
//!
//! Adding knowledge is adding a file under `knowledge/`, never code. The loader takes the files as
//! text (this crate opens nothing) and answers with everything it knows or with every fault it found,
//! each naming file, row and field.

mod asks;
mod bounds;
mod check;
mod check_asks;
mod check_gates;
mod check_pathway;
mod check_tests;
mod clinical_test;
mod criteria;
mod error;
mod exercise;
mod load;
mod modifier;
mod pathway;
mod picture;
mod rows;
mod school;
mod span;
mod step;
mod watch;

pub use asks::{AttestationRow, PositionRow, PrecautionRow};
pub use clinical_test::{
    Accuracy, ClinicalTest, Cluster, ClusterCell, Counts, DependenceGroup, Found, Hypothesis, Need,
    Prior, Setting, TestKind,
};
pub use criteria::{Comparison, Criterion, CriterionKind, LogEvent};
pub use error::KnowledgeError;
pub use exercise::{
    Activity, Adapts, Demand, DemandClass, Dose, DoseField, DoseRange, Exercise, Group, Helper,
    Level, Purpose, Weekdays,
};
pub use load::{Knowledge, NamedText, load, load_release};
pub use modifier::{AddedForbidden, Cap, Modifier, TighterCorridor, TighterRow};
pub use pathway::{
    Allowance, AngleName, AngleTest, Corridor, CorridorRow, DroppedFloor, Forbidden, Gate,
    HealingClock, Milestone, PainRow, Pathway, Phase, Precaution, Sling,
};
pub use picture::{Cue, CuePlace, CueWay, OtherArm, WallSide};
pub use rows::{
    AskRow, Bound, Confidence, GateClass, HealthItem, Mode, NeedRow, Quantity, ReasonFor,
    ReasonRow, RedFlag, Reference, Threshold, Tier, Unit,
};
pub use school::{School, SetStructure};
pub use span::RungSpan;
pub use step::Step;
pub use watch::{Told, Watch, WatchAct};
