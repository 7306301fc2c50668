//! Visit: the follow-up on one page; logs, scores, attestations, gates, the signed note.

mod contact;
mod entries;
mod gates;
mod note;
mod page;
mod read_home;

pub(crate) use contact::{
    TakingOn, add_appointment, add_care, add_contact, keep_appointment, keep_care, keep_contact,
    take_on,
};
pub(crate) use entries::{
    Ground, add_log, add_score, add_week_use, attest, keep_attestation, keep_log, keep_log_from,
    keep_score,
};
pub(crate) use gates::{Passing, keep_gate_pass, pass_gate};
pub(crate) use note::{NewNote, keep_note, sign_note};
pub(crate) use page::{VisitPage, page, show_visit};
pub(crate) use read_home::read_from_home;
