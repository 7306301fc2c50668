//! What a number typed into a field may be: the page asks once and refuses at the field, by the server's own rows.

use crate::app::App;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use ritorno_core::knowledge::Bound;
use ritorno_core::permission::Action;

#[utoipa::path(tag = "library", responses((status = 200, body = Vec<Bound>), (status = "default", body = Problem)))]
#[get("/bounds")]
pub(crate) async fn show_bounds(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<Vec<Bound>>, ApiError> {
    app.read(&req, Action::ReadRecord, |state, _, _| {
        Ok(web::Json(
            state.knowledge.bounds.values().cloned().collect(),
        ))
    })
    .await
}
