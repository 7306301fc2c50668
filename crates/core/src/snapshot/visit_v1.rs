//! What a visit showed when its note was signed, version 1.

use super::decision_v1::DecisionV1;
use super::parts_v1::ReasonV1;
use super::program_v1::PrecautionV1;
use crate::reason::wire;
use crate::visit::VisitView;
use serde::{Deserialize, Serialize};

/// A red flag as it stood.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct FlagV1 {
    /// Flag id.
    pub flag: String,
    /// How fast it asks to be acted on.
    pub tier: String,
    /// Its state.
    pub state: String,
    /// Why it stood there.
    pub reason: Option<ReasonV1>,
}

/// A ceiling of the day.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct LimitTodayV1 {
    /// Quantity id.
    pub quantity: String,
    /// Greatest permitted; none where the movement was not made at all.
    pub ceiling: Option<f64>,
    /// Whose rule it was.
    pub whose: ReasonV1,
}

/// What the page of a visit showed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct VisitV1 {
    /// Episode day.
    pub day: i32,
    /// Phase reached.
    pub phase: Option<String>,
    /// Flags that were not simply answered with no.
    pub flags: Vec<FlagV1>,
    /// Ceilings of the day.
    pub limits: Vec<LimitTodayV1>,
    /// Precautions of the day.
    pub precautions: Vec<PrecautionV1>,
    /// What the facts called for.
    pub calls: Vec<ReasonV1>,
    /// Watches that spoke.
    pub watches: Vec<String>,
    /// What was proposed for each exercise.
    pub decisions: Vec<DecisionV1>,
    /// Share of the planned sessions done lately, in percent.
    pub adherence_pct: Option<f64>,
}

impl From<&VisitView> for VisitV1 {
    fn from(view: &VisitView) -> Self {
        use crate::flags::FlagState;
        use crate::rules::Ceiling;
        VisitV1 {
            day: view.clock.day,
            phase: view.phase.clone(),
            flags: view
                .flags
                .iter()
                .filter(|f| f.state != FlagState::No)
                .map(|f| FlagV1 {
                    flag: f.flag.clone(),
                    tier: wire(f.tier),
                    state: wire(f.state),
                    reason: f.reason.as_ref().map(ReasonV1::from),
                })
                .collect(),
            limits: view
                .dials
                .iter()
                .filter(|d| d.ceiling.ceiling != Ceiling::Free)
                .map(|d| LimitTodayV1 {
                    quantity: d.quantity.clone(),
                    ceiling: d.ceiling.ceiling.value(),
                    whose: ReasonV1::from(&d.ceiling.reason),
                })
                .collect(),
            precautions: view
                .precautions
                .iter()
                .map(|p| PrecautionV1 {
                    id: p.id.clone(),
                    from_day: p.from_day,
                    to_day: p.to_day,
                })
                .collect(),
            calls: view.calls.iter().map(ReasonV1::from).collect(),
            watches: view
                .watches
                .iter()
                .filter(|w| w.speaks)
                .map(|w| w.watch.clone())
                .collect(),
            decisions: view.decisions.iter().map(DecisionV1::from).collect(),
            adherence_pct: view.adherence_pct,
        }
    }
}
