//! That somebody of the clinic has read what was told from home.

use super::page::{VisitPage, page};
use crate::app::App;
use crate::command::Of;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::permission::Action;
use ritorno_store::{EpisodeId, episode, home_words};
use serde::Deserialize;
use uuid::Uuid;

/// What was read.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct HomeRead {
    /// Made where it was entered.
    id: Uuid,
    /// What was told, by its ids.
    read: Vec<Uuid>,
}

#[utoipa::path(tag = "visit", request_body = HomeRead, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/home-read")]
pub(crate) async fn read_from_home(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<HomeRead>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let HomeRead { id: own, mut read } = form.into_inner();
    app.command(
        &req,
        Action::AnswerFlags,
        "read-from-home",
        Of::Episode(id),
        move |state, conn, _| {
            read.sort_unstable();
            read.dedup();
            let mut faults = Faults::default();
            if read.is_empty() {
                faults.push("read", "empty", &[]);
            }
            faults.check()?;
            let today = state.today.date();
            home_words::read(conn, id, (own, today), &read)?;
            let loaded = episode::load(conn, id, today)?;
            page(state, conn, loaded)
        },
    )
    .await
}
