//! From a pathway and the facts to a program: which exercises, from when to when, at what dose; and its chart.

mod advice;
mod ask;
mod build;
mod chart;
mod choose;
mod difference;
mod dose;
mod expected;
mod needs;
mod place;
mod propose;
mod volume;
mod what_if;
mod why;

pub use advice::{May, advice, may};
pub use ask::BuildAsk;
pub use build::{LaterItem, MovedUp, Proposal, build};
pub use chart::{
    DoseTotals, GateMark, LineView, MilestoneView, PhaseVolume, PlanChart, PrecautionSpan,
    SlingSpan, plan_chart, precaution_spans,
};
pub use choose::{Choice, Chosen, Offer, choose, value_of};
pub use difference::PlanDifference;
pub use dose::{bounding, equal_time, start_dose, within_irritability};
pub use expected::{catching_up, expected};
pub use volume::{Volume, volume};
pub use what_if::{Moved, Variant, WhatIf, what_if};
pub use why::{LineWhy, why};
