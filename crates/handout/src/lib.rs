//! The sheet a patient takes home: PDF, A4 or Letter, tagged, with the application's own font.
//!
//! No degrees and no newtons on patient pages: limits become landmarks of the body.

mod contents;
mod dose;
mod landmarks;
mod opening;
mod sheet;
mod week;

pub use contents::{HandoutInput, contents};
pub use landmarks::{LimitRow, limit_rows, session_limit};
pub use sheet::{HandoutError, SheetForm, render, undrawn};
