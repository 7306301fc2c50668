//! What is on record about one shoulder: plain facts, no rules.

mod beginning;
mod contact;
mod defaults;
mod elastic;
mod examination;
mod flag;
mod home_hours;
mod language;
mod limit;
mod line;
mod log;
mod measurement;
mod note;
mod opening;
mod push;
mod record;
mod reminding;
mod score;
mod story;

pub use crate::knowledge::SlipHow;
pub use beginning::{Complaint, OtherSide, Start};
pub use contact::{Appointment, Contact};
pub use defaults::{ClinicDefaults, EVERY_PATHWAY, schools_under};
pub use elastic::Calibration;
pub use examination::{
    ClinicError, Evidence, ExamFact, ExamNote, Injected, Severity, TestAnswer, TestFinding,
    TryOutWord, Vote,
};
pub use flag::{Answer, Because, FlagAnswer, FlagRaise, FlagStep, FlagStepKind};
pub use home_hours::HomeHours;
pub use language::Language;
pub use limit::{BreachAnswer, CeilingVerdict, Release, SurgeonLimit};
pub use line::{GatePass, Line, LineStep};
pub use log::{LeftBecause, LogEntry, LogFact, UseHow, WeekUse};
pub use measurement::{Measurement, Method, PainArc, StopReason, TakenBy};
pub use note::Written;
pub use opening::{OpenHours, open_minutes, unread_too_long};
pub use push::{STAND_INS, StrengthTrial};
pub use record::Facts;
pub use reminding::{Channel, RemindedOf, ReminderState, Reminding};
pub use score::{Attestation, Score, Sheet};
pub use story::{Clearance, Story, Task};
