//! The rules of one shoulder in days: its pathway with schools, modifiers and general health, and the surgeon's limits.

mod ceiling;
mod lay;
mod needs;
mod schedule;
mod spoken;
mod style;
mod timetable;
mod today;
mod types;

pub use ceiling::Ceiling;
pub use schedule::{PhaseSpan, reached_phase, schedule};
pub use spoken::{ArmWord, Spoken, effort_word};
pub use style::{Cue, Style};
pub use today::{Band, CeilingToday, band_view, ceiling_on, floor_on, released_from};
pub use types::{
    AllowanceRule, Choices, ClassRule, CorridorRule, ForbiddenRule, GateRule, Lock, MilestoneRule,
    PainRule, PhaseRule, PrecautionRule, Rules, SlingRule, WatchRule,
};
