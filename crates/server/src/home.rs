//! Home: what the patient takes away, and the figures.

use crate::app::App;
use crate::assess::assess;
use crate::problem::{ApiError, Problem, wording};
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, get, web};
use chrono::{NaiveTime, TimeZone, Utc};
use ritorno_core::permission::Action;
use ritorno_core::safety::resolved_path;
use ritorno_core::snapshot::read_program;
use ritorno_figure::{FigureSpec, figure_svg};
use ritorno_formats::{CalendarInput, program_calendar};
use ritorno_handout::{HandoutInput, render};
use ritorno_store::{PgConnection, StoreError, episode, program};
use uuid::Uuid;

/// What goes home is what was signed: refused when lines or limits have changed since.
fn as_signed(conn: &mut PgConnection, head: &program::Head) -> Result<program::Signed, ApiError> {
    let signed =
        program::last_signed(conn, head.id)?.ok_or(StoreError::NotFound("signed program"))?;
    let (version, body) =
        program::last_snapshot(conn, head.id)?.ok_or(StoreError::NotFound("signed program"))?;
    let kept = read_program(version, body).map_err(|_| StoreError::Unreadable("snapshot"))?;
    if kept.rev != head.rev || program::limits_moved_since(conn, head)? {
        return Err(ApiError::new(StatusCode::CONFLICT, "sheet-stale", &[]));
    }
    Ok(signed)
}

#[utoipa::path(tag = "home", responses((status = 200, body = Vec<u8>, content_type = "application/pdf"), (status = "default", body = Problem)))]
#[get("/episodes/{id}/handout.pdf")]
pub(crate) async fn handout(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let pdf = app
        .read(&req, Action::TakeHome, move |state, conn, _| {
            let loaded = episode::load(conn, *id, state.today.date())?;
            let head = loaded
                .program
                .as_ref()
                .ok_or(StoreError::NotFound("program"))?;
            let signed = as_signed(conn, head)?;
            let known = state.knowledge_of(conn, &loaded)?;
            let assessment = assess(&known, &loaded.facts)?;
            let ctx = assessment.ctx();
            // An open flag pauses the program, and with it what goes home.
            if !ctx.open_flags.is_empty() {
                let reasons = ctx.open_flags.iter().map(|f| {
                    ritorno_core::reason::Reason::new("flag-open").with("flag", f.as_str())
                });
                return Err(ApiError::blocked(reasons.collect(), Vec::new()));
            }
            let name = format!(
                "{} {}",
                loaded.patient.given_name, loaded.patient.family_name
            );
            let input = HandoutInput {
                ctx: &ctx,
                facts: &loaded.facts,
                name: &name,
                version: signed.version,
                signed_on: signed.signed_on,
            };
            render(wording(), &input).map_err(|error| {
                tracing::error!(%error, "handout");
                ApiError::new(StatusCode::INTERNAL_SERVER_ERROR, "internal", &[])
            })
        })
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("application/pdf")
        .insert_header(("Content-Disposition", "inline; filename=\"program.pdf\""))
        .body(pdf))
}

#[utoipa::path(tag = "home", responses((status = 200, body = String, content_type = "text/calendar"), (status = "default", body = Problem)))]
#[get("/episodes/{id}/program.ics")]
pub(crate) async fn calendar(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let text = app
        .read(&req, Action::TakeHome, move |state, conn, _| {
            let today = state.today.date();
            let loaded = episode::load(conn, *id, today)?;
            let head = loaded
                .program
                .as_ref()
                .ok_or(StoreError::NotFound("program"))?;
            as_signed(conn, head)?;
            let known = state.knowledge_of(conn, &loaded)?;
            let assessment = assess(&known, &loaded.facts)?;
            let stamp = Utc.from_utc_datetime(&today.and_time(NaiveTime::MIN));
            let input = CalendarInput {
                ctx: &assessment.ctx(),
                facts: &loaded.facts,
                program_id: head.id,
                stamp,
            };
            Ok(program_calendar(wording(), &input))
        })
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("text/calendar; charset=utf-8")
        .insert_header((
            "Content-Disposition",
            "attachment; filename=\"program.ics\"",
        ))
        .body(text))
}

#[utoipa::path(tag = "home", responses((status = 200, body = String, content_type = "image/svg+xml"), (status = "default", body = Problem)))]
#[get("/episodes/{id}/figures/{exercise}")]
pub(crate) async fn figure(
    app: App,
    req: HttpRequest,
    ids: web::Path<(Uuid, String)>,
) -> Result<HttpResponse, ApiError> {
    let (id, name) = ids.into_inner();
    let svg = app
        .read(&req, Action::ReadRecord, move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            let known = state.knowledge_of(conn, &loaded)?;
            let assessment = assess(&known, &loaded.facts)?;
            let exercise = known
                .exercises
                .get(&name)
                .ok_or(StoreError::NotFound("exercise"))?;
            let path = resolved_path(&assessment.ctx(), exercise, loaded.facts.day());
            let limited = path.keys.last() != exercise.path().keys.last();
            let title = wording().say(&format!("ex-{}", exercise.id), &[]);
            Ok(figure_svg(&FigureSpec {
                exercise,
                path,
                arm: loaded.facts.story.side,
                limited,
                title: &title,
            }))
        })
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("image/svg+xml")
        .insert_header(("Cache-Control", "private, max-age=300"))
        .body(svg))
}
