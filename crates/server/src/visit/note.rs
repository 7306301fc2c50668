//! The signed note.

use super::page::{VisitPage, page};
use crate::app::{App, AppState};
use crate::assess::assess;
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::permission::Action;
use ritorno_core::snapshot::VisitV1;
use ritorno_core::visit::visit_view;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode, visit as notes};
use serde::Deserialize;
use uuid::Uuid;

/// A note to sign.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewNote {
    id: Uuid,
    body: String,
}

/// Keeps a signed note with what the page showed.
pub(crate) fn keep_note(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    form: NewNote,
) -> Result<(), ApiError> {
    let mut faults = Faults::default();
    let bound = state.knowledge.bounds.get("note_characters");
    faults.text(
        "body",
        &form.body,
        bound.map_or(0, |b| b.max as usize),
        true,
    );
    faults.check()?;
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    let assessment = assess(&known, &loaded.facts)?;
    let shown = VisitV1::from(&visit_view(&assessment));
    let note = notes::Note::new(state.today.date(), form.body, &shown)?;
    notes::add(conn, form.id, id, &note)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = NewNote, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/notes")]
pub(crate) async fn sign_note(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<NewNote>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "sign-note",
        Of::Episode(id),
        move |state, conn, user| {
            keep_note(state, conn, user, id, form)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}
