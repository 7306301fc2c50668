//! Phases, ceilings, the safety check and the builder.

mod build;
mod ceiling;
mod chart;
mod choose;
mod dose;
mod rules;
mod running;
mod safety;
mod schedule;
mod timetable;
mod what_if;

pub use build::{BuildAsk, LaterItem, LineWhy, MovedUp, PlanDifference, Proposal, build};
pub use ceiling::{Band, Ceiling, CeilingToday, band_view, ceiling_on, floor_on};
pub use chart::{
    CorridorView, DoseTotals, GateMark, LineView, MilestoneView, PhaseVolume, PlanChart,
    PrecautionSpan, SlingSpan, corridor_views, plan_chart,
};
pub use choose::{Choice, Chosen, Offer, choose, value_of};
pub use dose::{
    Volume, bounding, effort_most, equal_time, start_dose, volume, within_irritability,
};
pub use rules::{
    AllowanceRule, Choices, ClassRule, CorridorRule, ForbiddenRule, GateRule, Lock, MilestoneRule,
    PainRule, PhaseRule, PrecautionRule, Rules, SlingRule, Style, WatchRule,
};
pub use running::{running_lines, scheduled_lines};
pub use safety::{
    CheckContext, Finding, Status, Verdict, barred_until, bars_position, check_exercise,
    check_line, resolved_path,
};
pub use schedule::{PhaseSpan, catching_up, expected, reached_phase, schedule};
pub use what_if::{Moved, Variant, WhatIf, what_if};
