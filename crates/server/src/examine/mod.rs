//! Examine and Read: tests, findings, what else a reading rests on, and the reading itself.

mod findings;
mod notes;
mod page;

pub(crate) use findings::{add_finding, keep_finding};
pub(crate) use notes::{add_exam_note, exam_note_action, keep_exam_note};
pub(crate) use page::{show_reading, tests};
