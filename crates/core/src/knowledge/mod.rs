//! What the application knows: reviewed rows with a source and a confidence, checked when loaded.
//!
//! Adding knowledge is adding a file under `knowledge/`, never code. The loader takes the files as
//! text (this crate opens nothing) and answers with everything it knows or with every fault it found,
//! each naming file, row and field.

mod advice;
mod allowance;
mod asks;
mod clinical_test;
mod criteria;
mod distance;
mod dose;
mod dose_bounds;
mod elastic;
mod exercise;
mod hits;
mod instrument;
mod kept;
mod modifier;
mod pathway;
mod pattern;
mod picture;
mod pooled;
mod raise;
mod range_demand;
mod rows;
mod school;
mod screen;
mod set;
mod span;
mod step;
mod strength_test;
mod watch;

pub use advice::{Advice, AdviceScore, MayRow, SlingTime};
pub use allowance::Allowance;
pub use asks::{AttestationRow, PositionRow, PrecautionRow};
pub use clinical_test::{
    Accuracy, ClinicalTest, Cluster, ClusterCell, Counts, DependenceGroup, Found, Hypothesis, Need,
    Prior, Setting, SideCompare, Study, TestKind,
};
pub use criteria::{Comparison, Criterion, CriterionKind, LogEvent};
pub use distance::{DistanceRow, Findable, HowHeld, SOUGHT, Sought};
pub use dose::{Dose, DoseField, DoseRange, Pace, SetStructure, Weekdays};
pub use elastic::ElasticRow;
pub use exercise::{
    Activity, Adapts, Demand, DemandClass, Exercise, Group, Helper, Level, Purpose, Worked,
};
pub(crate) use exercise::{AfterCut, CutPath};
pub use hits::Hit;
pub use instrument::{Formula, Instrument, ScorePart, Worth};
pub use modifier::{AddedForbidden, Cap, Modifier, TighterCorridor, TighterRow};
pub use pathway::{
    AngleName, AngleTest, Corridor, CorridorRow, DroppedFloor, Forbidden, Gate, HealingClock,
    Milestone, PainRow, Pathway, Phase, Precaution, Sling,
};
pub use pattern::Pattern;
pub use picture::{Cue, CuePlace, CueWay, Legs, OtherArm, Roll, WallSide};
pub use pooled::{Pooled, pool};
pub use raise::{RaisedBy, RaisingCall, SlipHow};
pub use range_demand::{DemandWhen, HAIR_DEG, PoseAngle, RangeDemand};
pub use rows::{
    AskRow, Bound, GateClass, HealthItem, Mode, Movement, NeedRow, Quantity, ReasonFor, ReasonRow,
    RedFlag, Reference, Threshold, Tier, Unit,
};
pub use school::{EarlyWork, NeededAnswer, Retest, School};
pub use screen::screen;
pub use set::Knowledge;
pub(crate) use set::REQUIRED_THRESHOLDS;
pub use span::RungSpan;
pub use step::Step;
pub use strength_test::StrengthTest;
pub use watch::{Told, Watch, WatchAct};
