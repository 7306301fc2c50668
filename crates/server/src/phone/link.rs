//! The clinic's side of the link: make it, see what became of it, end it.

use crate::app::{App, AppState};
use crate::code::{code_of, origin_of};
use crate::command::Of;
use crate::problem::{ApiError, Problem};
use crate::security::{new_letters, token_hash};
use actix_web::{HttpRequest, delete, get, post, web};
use chrono::{DateTime, Duration, NaiveDate, Utc};
use ritorno_core::permission::Action;
use ritorno_store::home_link::{self, TRIES};
use ritorno_store::{EpisodeId, PgConnection};
use serde::Serialize;
use uuid::Uuid;

/// Days that a link works. Source: our choice; longer than any phase, so that nobody loses it in the middle of one.
const LINK_DAYS: i64 = 150;
/// Letters of a link, five random bits each: 130 bits.
const LETTERS: usize = 26;

/// What became of the link to a patient's own page.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct HomeLinkState {
    /// Since when there is one; nothing where there is none.
    made_at: Option<DateTime<Utc>>,
    /// The last day on which it works.
    expires_on: Option<NaiveDate>,
    /// Whether it has run out.
    over: bool,
    /// Whether too many birth dates did not fit: it opens nothing more.
    locked: bool,
    /// When a telephone was first let in.
    opened_at: Option<DateTime<Utc>>,
    /// When something was last told from home, with this link or an earlier one.
    told_at: Option<DateTime<Utc>>,
}

/// A link, shown once: only its digest is kept.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct HomeLinkMade {
    /// Where it leads, whole.
    address: String,
    /// The same as a picture for a telephone's camera, SVG.
    picture: String,
    state: HomeLinkState,
}

fn state_of(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<HomeLinkState, ApiError> {
    let link = home_link::standing(conn, id)?;
    let told_at = home_link::last_told(conn, id)?;
    let today = state.today.date();
    Ok(HomeLinkState {
        made_at: link.as_ref().map(|link| link.made_at),
        expires_on: link.as_ref().map(|link| link.expires_on),
        over: link.as_ref().is_some_and(|link| link.expires_on < today),
        locked: link.as_ref().is_some_and(|link| link.tries >= TRIES),
        opened_at: link.and_then(|link| link.opened_at),
        told_at,
    })
}

#[utoipa::path(tag = "phone", responses((status = 200, body = HomeLinkState), (status = "default", body = Problem)))]
#[get("/episodes/{id}/home-link")]
pub(crate) async fn show_home_link(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<HomeLinkState>, ApiError> {
    let id = EpisodeId(*id);
    app.read(&req, Action::TakeHome, move |state, conn, _| {
        // An episode that is not there has no link either.
        ritorno_store::event::patient_of(conn, id)?;
        state_of(state, conn, id).map(web::Json)
    })
    .await
}

#[utoipa::path(tag = "phone", responses((status = 200, body = HomeLinkMade), (status = "default", body = Problem)))]
#[post("/episodes/{id}/home-link")]
pub(crate) async fn make_home_link(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<HomeLinkMade>, ApiError> {
    let id = EpisodeId(*id);
    let origin = origin_of(&req);
    app.command(
        &req,
        Action::TakeHome,
        "make-home-link",
        Of::Episode(id),
        move |state, conn, user| {
            let token = new_letters(LETTERS);
            let until = state.today.date() + Duration::days(LINK_DAYS);
            home_link::make(conn, id, &token_hash(&token), user.id, until)?;
            let address = format!("{origin}/h#{token}");
            Ok(web::Json(HomeLinkMade {
                picture: code_of(&address)?,
                address,
                state: state_of(state, conn, id)?,
            }))
        },
    )
    .await
}

#[utoipa::path(tag = "phone", responses((status = 200, body = HomeLinkState), (status = "default", body = Problem)))]
#[delete("/episodes/{id}/home-link")]
pub(crate) async fn end_home_link(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<HomeLinkState>, ApiError> {
    let id = EpisodeId(*id);
    app.command(
        &req,
        Action::TakeHome,
        "end-home-link",
        Of::Episode(id),
        move |state, conn, _| {
            home_link::end(conn, id)?;
            state_of(state, conn, id).map(web::Json)
        },
    )
    .await
}
