//! The page.

use crate::app::App;
use crate::assess::Opened;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use ritorno_core::calendar::Clock;
use ritorno_core::force::{StrengthPage, strength_page};
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_store::EpisodeId;
use serde::Serialize;
use uuid::Uuid;

/// Strength of an episode.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct StrengthRoom {
    clock: Clock,
    side: Arm,
    mass_kg: Option<f64>,
    page: StrengthPage,
}

pub(super) fn room(opened: &Opened) -> Result<StrengthRoom, ApiError> {
    let facts = &opened.loaded.facts;
    let assessment = opened.assess()?;
    Ok(StrengthRoom {
        clock: Clock::at(facts.day()),
        side: facts.story.side,
        mass_kg: facts.story.mass_kg,
        page: strength_page(&assessment.ctx(), facts),
    })
}

#[utoipa::path(tag = "strength", responses((status = 200, body = StrengthRoom), (status = "default", body = Problem)))]
#[get("/episodes/{id}/strength")]
pub(crate) async fn show_strength(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<StrengthRoom>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| Ok(Opened::read(state, conn, id)?),
        |_, opened| room(&opened).map(web::Json),
    )
    .await
}
