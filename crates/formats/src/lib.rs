//! Open formats out: the program as a calendar file.

mod calendar;

pub use calendar::{CalendarInput, instant, program_calendar};
