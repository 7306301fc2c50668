//! What every rule reads.

mod check;
mod log;

pub use check::CheckContext;
pub use log::{LogIndex, Told};
