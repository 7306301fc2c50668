//! What a patient agreed to be sent: kept by the clinic, taken back by the clinic or from home.

use crate::app::{App, AppState};
use crate::command::{Of, locked_by};
use crate::form::Form;
use crate::phone::let_in;
use crate::problem::{ApiError, Problem};
use crate::security::phone_of;
use crate::validate::Faults;
use actix_web::{HttpRequest, HttpResponse, get, post, put, web};
use chrono::{DateTime, Utc};
use ritorno_core::facts::{Channel, RemindedOf, ReminderState, Reminding};
use ritorno_core::permission::Action;
use ritorno_store::{Actor, EpisodeId, PgConnection, event, reminder, reminding};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Reminders that are shown, the newest first.
const SHOWN: i64 = 12;

/// What a patient agreed to be sent, and what was.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct RemindersPage {
    /// 0 until somebody has asked.
    rev: i32,
    reminding: Reminding,
    /// Since when that stands; nothing where nobody has asked.
    since: Option<DateTime<Utc>>,
    /// Whether the patient said so, from home or by an answer, and not the clinic.
    by_patient: bool,
    /// Whether there is a service that would deliver anything.
    service: bool,
    /// Where the simulated service shows what was sent; nothing where it is a real one.
    simulated_at: Option<String>,
    /// What was sent lately, the newest first.
    sent: Vec<ReminderSent>,
}

/// A reminder that was sent.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ReminderSent {
    id: Uuid,
    of: RemindedOf,
    at: DateTime<Utc>,
    channel: Channel,
    address: String,
    words: String,
    state: ReminderState,
}

/// What a patient agrees to.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct RemindersEdit {
    /// The version that was read.
    rev: i32,
    reminding: Reminding,
    /// That the patient was asked and said yes: without it nothing is kept that would send something.
    agreed: bool,
}

fn page(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<web::Json<RemindersPage>, ApiError> {
    let patient = event::patient_of(conn, id)?;
    let stands = reminding::newest(conn, patient)?;
    let sent = reminder::sent(conn, patient, SHOWN)?;
    Ok(web::Json(RemindersPage {
        rev: stands.as_ref().map_or(0, |s| s.rev),
        since: stands.as_ref().map(|s| s.at),
        by_patient: stands.as_ref().is_some_and(|s| s.by.is_none()),
        reminding: stands.map_or_else(|| Reminding::none(&state.knowledge), |s| s.reminding),
        service: state.messages.is_some(),
        simulated_at: state.simulated_messages.clone(),
        sent: sent
            .into_iter()
            .map(|one| ReminderSent {
                id: one.id,
                of: one.of,
                at: one.made_at,
                channel: one.channel,
                address: one.address,
                words: one.words,
                state: one.state,
            })
            .collect(),
    }))
}

#[utoipa::path(tag = "home", responses((status = 200, body = RemindersPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/reminders")]
pub(crate) async fn show_reminders(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<RemindersPage>, ApiError> {
    let id = EpisodeId(*id);
    app.read(&req, Action::TakeHome, move |state, conn, _| {
        page(state, conn, id)
    })
    .await
}

#[utoipa::path(tag = "home", request_body = RemindersEdit, responses((status = 200, body = RemindersPage), (status = "default", body = Problem)))]
#[put("/episodes/{id}/reminders")]
pub(crate) async fn keep_reminders(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<RemindersEdit>,
) -> Result<web::Json<RemindersPage>, ApiError> {
    let id = EpisodeId(*id);
    let RemindersEdit {
        rev,
        mut reminding,
        agreed,
    } = form.into_inner();
    app.command(
        &req,
        Action::TakeHome,
        "keep-reminders",
        Of::Episode(id),
        move |state, conn, user| {
            let mut faults = Faults::default();
            reminding.address = reminding.address.trim().to_owned();
            match reminding.channel {
                Some(channel) => {
                    let field = "reminding.address";
                    if reminding.address.is_empty() {
                        faults.push(field, "empty", &[]);
                    } else if !channel.may_be(&reminding.address) {
                        faults.push(field, "not-an-address", &[]);
                    }
                    if !agreed {
                        faults.push("agreed", "not-agreed", &[]);
                    }
                }
                None => reminding.address = String::new(),
            }
            faults.check()?;
            let patient = event::patient_of(conn, id)?;
            ritorno_store::reminding::keep(conn, patient, (rev, &reminding), Some(user.id))?;
            page(state, conn, id)
        },
    )
    .await
}

/// The patient wants no more reminders: said on the page, done at once.
#[utoipa::path(tag = "phone", responses((status = 204), (status = "default", body = Problem)))]
#[post("/home/no-reminders")]
pub(crate) async fn no_reminders(app: App, req: HttpRequest) -> Result<HttpResponse, ApiError> {
    let token = phone_of(&req)?;
    app.block(move |state, conn| {
        let own = let_in(state, conn, &token)?;
        let actor = Actor {
            user: None,
            action: "no-reminders",
        };
        locked_by(state, conn, actor, Of::Episode(own), |_, conn| {
            let patient = event::patient_of(conn, own)?;
            Ok(reminding::stop(conn, patient, None)?)
        })
    })
    .await?;
    Ok(HttpResponse::NoContent().finish())
}
