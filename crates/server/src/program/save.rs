//! Saving and signing.

use super::lines::{check_lines, never_more, with_pull, within_budget};
use super::page::{ProgramPage, assessed, page};
use super::propose::ProgramEdit;
use crate::app::App;
use crate::assess::still_open;
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, post, put, web};
use ritorno_core::facts::Line;
use ritorno_core::permission::Action;
use ritorno_core::plan::plan_chart;
use ritorno_core::reading::pathway_challenge;
use ritorno_core::snapshot::ProgramV1;
use ritorno_store::{EpisodeId, episode, knowledge, program};
use serde::Deserialize;
use uuid::Uuid;

/// The revision that is signed.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Signing {
    rev: i32,
}

#[utoipa::path(tag = "program", request_body = ProgramEdit, responses((status = 200, body = ProgramPage), (status = "default", body = Problem)))]
#[put("/episodes/{id}/program")]
pub(crate) async fn save_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<ProgramEdit>,
) -> Result<web::Json<ProgramPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::EditProgram,
        "save-program",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            still_open(&loaded)?;
            let known = state.current(conn)?;
            let assessment = assessed(&known, &loaded.facts)?;
            let lines = with_pull(&known, &loaded.facts, form.lines);
            // What runs may be changed to less while the pathway is in doubt; nothing is built on it.
            let fresh = |l: &Line| loaded.facts.lines.iter().all(|o| o.exercise != l.exercise);
            if lines.iter().any(fresh)
                && let Some(challenge) = pathway_challenge(&assessment.ctx(), &loaded.facts)
            {
                return Err(ApiError::blocked(vec![challenge], Vec::new()));
            }
            check_lines(&assessment, &lines)?;
            never_more(&assessment, &lines)?;
            within_budget(&assessment, &loaded.facts, &lines)?;
            knowledge::keep(conn, &known.sha256, &known.canonical)?;
            program::save(conn, id, form.rev, &known.sha256, &lines)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}

#[utoipa::path(tag = "program", request_body = Signing, responses((status = 200, body = ProgramPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/sign")]
pub(crate) async fn sign_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Signing>,
) -> Result<web::Json<ProgramPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "sign-program",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            still_open(&loaded)?;
            let known = state.knowledge_of(conn, &loaded)?;
            let assessment = assessed(&known, &loaded.facts)?;
            check_lines(&assessment, &loaded.facts.lines)?;
            // What is signed is resolved: ceilings, gates and verdicts as they stand, not only the lines.
            let signed = ProgramV1::of(
                form.rev,
                loaded.rev,
                &loaded.facts.story.pathway,
                &loaded.facts.limits,
                &plan_chart(&assessment.ctx(), &loaded.facts),
            );
            program::sign(conn, id, &signed, state.today.date())?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}
