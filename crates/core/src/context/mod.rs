//! What every rule reads.

mod check;

pub use check::CheckContext;
