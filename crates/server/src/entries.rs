//! Entries that waited in a browser: up to a hundred at once, each stored by itself and answered by itself.
//!
//! An entry is what somebody made at the bedside, with an id of its own, so that one sent twice is stored once.

use crate::app::{App, AppState};
use crate::command::{Of, admit, locked};
use crate::deciding::{Deciding, keep_decision};
use crate::examine::{exam_note_action, keep_exam_note, keep_finding};
use crate::form::{self, Form};
use crate::lanes::refresh_lane;
use crate::outcome::keep_sheet;
use crate::problem::{ApiError, Problem};
use crate::ranges::keep_measurement;
use crate::strength::{PushForm, keep_push};
use crate::validate::Faults;
use crate::visit::{
    NewNote, Passing, TakingOn, keep_appointment, keep_attestation, keep_care, keep_contact,
    keep_gate_pass, keep_log, keep_note, keep_score,
};
use crate::withdrawals::{Withdrawal, keep_withdrawal, withdrawal_action};
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, post, web};
use ritorno_core::facts::{
    Appointment, Attestation, Contact, ExamNote, LogEntry, Measurement, Score, Sheet, TestFinding,
};
use ritorno_core::permission::{Action, may};
use ritorno_store::audit::Looking;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, StoreError, UserId};
use serde::{Deserialize, Serialize};

/// Entries a batch may hold.
const MOST_ENTRIES: usize = 100;

/// What kind of entry waits.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, utoipa::ToSchema)]
#[serde(rename_all = "snake_case")]
pub(crate) enum EntryKind {
    /// A measured range.
    Measurement,
    /// An answered test.
    Finding,
    /// What else a reading rests on.
    ExamNote,
    /// A push against a device or typed.
    Push,
    /// An outcome sheet.
    Sheet,
    /// A score of nought to ten.
    Score,
    /// What a clinician signs to be so.
    Attestation,
    /// An entry of the home log.
    Log,
    /// A signed note.
    Note,
    /// A decision about a line.
    Decision,
    /// A gate passed.
    GatePass,
    /// How the day's contact is held.
    Contact,
    /// An appointment.
    Appointment,
    /// Who treats the shoulder.
    Care,
    /// An entry taken back.
    Withdrawal,
}

/// One entry: its kind, whose episode, and the body its own address takes.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct WaitingEntry {
    kind: EntryKind,
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    /// The gate, for a gate pass.
    #[serde(default)]
    gate: Option<String>,
    #[schema(value_type = Object)]
    body: serde_json::Value,
}

/// Entries of one person.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Batch {
    /// Who made them: nobody else sends them.
    #[schema(value_type = Uuid)]
    by: UserId,
    entries: Vec<WaitingEntry>,
}

/// What became of one entry.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct EntryAnswer {
    /// 200 when it is stored; else the status it would have had at its own address.
    status: u16,
    /// Why it was not stored.
    problem: Option<Problem>,
}

#[utoipa::path(tag = "record", request_body = Batch, responses((status = 200, body = Vec<EntryAnswer>), (status = "default", body = Problem)))]
#[post("/entries")]
pub(crate) async fn keep_entries(
    app: App,
    req: HttpRequest,
    form: Form<Batch>,
) -> Result<web::Json<Vec<EntryAnswer>>, ApiError> {
    let batch = form.into_inner();
    let mut faults = Faults::default();
    faults.within(
        "entries",
        batch.entries.len() as f64,
        1.0,
        MOST_ENTRIES as f64,
    );
    faults.check()?;
    // Every role may knock; each entry asks for its own permission.
    app.each(&req, Action::ReadRecord, move |state, conn, session| {
        let user = &session.user;
        if user.id != batch.by {
            return Err(ApiError::new(StatusCode::FORBIDDEN, "made-by-another", &[]));
        }
        let mut away = false;
        let answers = batch.entries.into_iter().map(|entry| {
            // When the database goes away half-way the rest is not tried, and waits on.
            let done = if away {
                Err(StoreError::Unavailable.into())
            } else {
                admit(state, conn, session, Looking::Episode(entry.episode))
                    .and_then(|()| keep(state, conn, user, entry))
            };
            match done {
                Ok(()) => EntryAnswer {
                    status: 200,
                    problem: None,
                },
                Err(error) => {
                    away |= error.0.status >= 500;
                    EntryAnswer {
                        status: error.0.status,
                        problem: Some(*error.0),
                    }
                }
            }
        });
        Ok(web::Json(answers.collect()))
    })
    .await
}

/// Stores one entry in a transaction of its own.
fn keep(
    state: &AppState,
    conn: &mut PgConnection,
    user: &User,
    entry: WaitingEntry,
) -> Result<(), ApiError> {
    let WaitingEntry {
        kind,
        episode,
        gate,
        body,
    } = entry;
    // Reads the body, asks for the permission, stores, follows with the lane.
    macro_rules! store {
        ($body:ty, $action:expr, $name:literal, $keep:expr) => {{
            let value: $body = form::read(body)?;
            let action: Action = $action(&value);
            if !may(user.role, action) {
                return Err(ApiError::new(StatusCode::FORBIDDEN, "forbidden", &[]));
            }
            locked(
                state,
                conn,
                user,
                $name,
                Of::Episode(episode),
                |state, conn, user| {
                    $keep(state, conn, user, episode, value)?;
                    refresh_lane(state, conn, episode).map(|_| ())
                },
            )
        }};
    }
    match kind {
        EntryKind::Measurement => store!(
            Measurement,
            |_: &_| Action::Measure,
            "add-measurement",
            keep_measurement
        ),
        EntryKind::Finding => store!(
            TestFinding,
            |_: &_| Action::Measure,
            "add-finding",
            keep_finding
        ),
        EntryKind::ExamNote => store!(ExamNote, exam_note_action, "add-exam-note", keep_exam_note),
        EntryKind::Push => store!(
            PushForm,
            |_: &_| Action::Measure,
            "add-strength",
            |s: &_, c: &mut _, u: &_, e, v| keep_push(s, c, u, e, v).map(|_| ())
        ),
        EntryKind::Sheet => store!(Sheet, |_: &_| Action::Measure, "add-outcome", keep_sheet),
        EntryKind::Score => store!(Score, |_: &_| Action::Measure, "add-score", keep_score),
        EntryKind::Attestation => {
            store!(
                Attestation,
                |_: &_| Action::Sign,
                "attest",
                keep_attestation
            )
        }
        EntryKind::Log => store!(LogEntry, |_: &_| Action::EnterLog, "add-log", keep_log),
        EntryKind::Note => store!(NewNote, |_: &_| Action::Sign, "sign-note", keep_note),
        EntryKind::Decision => store!(Deciding, |_: &_| Action::Sign, "decide", keep_decision),
        EntryKind::GatePass => store!(
            Passing,
            |_: &_| Action::Sign,
            "pass-gate",
            |s: &_, c: &mut _, u: &_, e, v| keep_gate_pass(
                s,
                c,
                u,
                e,
                (gate.clone().unwrap_or_default(), v)
            )
        ),
        EntryKind::Contact => store!(
            Contact,
            |_: &_| Action::EnterLog,
            "hold-contact",
            keep_contact
        ),
        EntryKind::Appointment => store!(
            Appointment,
            |_: &_| Action::EnterLog,
            "add-appointment",
            keep_appointment
        ),
        EntryKind::Care => store!(TakingOn, |_: &_| Action::EditStory, "take-on", keep_care),
        EntryKind::Withdrawal => store!(
            Withdrawal,
            withdrawal_action,
            "withdraw",
            |s: &_, c: &mut _, u: &_, e, v: Withdrawal| keep_withdrawal(s, c, u, e, &v)
        ),
    }
}
