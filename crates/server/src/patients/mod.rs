//! Patients and their episodes.

mod episodes;
mod open;
mod page;
mod person;

pub(crate) use episodes::{add_episode, end_episode, reopen_episode};
pub(crate) use open::open_record;
pub(crate) use page::{PatientHead, head, show_patient};
pub(crate) use person::{add_patient, edit_patient};
