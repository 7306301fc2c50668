//! Open formats out: the program as a calendar file.

mod calendar;

pub use calendar::{CalendarInput, appointment_calendar, instant, program_calendar};
