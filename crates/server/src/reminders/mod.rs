//! Reminders: what a patient agreed to be sent, and sending it.

mod agree;
mod check;
mod send;
mod words;

pub(crate) use agree::{keep_reminders, no_reminders, show_reminders};
pub use send::remind;
