//! Visit: the follow-up on one page; logs, scores, attestations, gates, the signed note.

mod entries;
mod gates;
mod note;
mod page;

pub(crate) use entries::{
    add_log, add_score, add_week_use, attest, keep_attestation, keep_log, keep_score,
};
pub(crate) use gates::{Passing, keep_gate_pass, pass_gate};
pub(crate) use note::{NewNote, keep_note, sign_note};
pub(crate) use page::{VisitPage, page, show_visit};
