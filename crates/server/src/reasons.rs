//! Reasons that are given with one key.

use crate::app::{App, AppState};
use crate::problem::{ApiError, Problem, wording};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, web};
use ritorno_core::knowledge::{ReasonFor, ReasonRow};
use ritorno_core::permission::Action;

#[utoipa::path(tag = "record", responses((status = 200, body = Vec<ReasonRow>), (status = "default", body = Problem)))]
#[get("/reasons")]
pub(crate) async fn show_reasons(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<Vec<ReasonRow>>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, _, _| {
        Ok(web::Json(state.knowledge.reasons.clone()))
    })
    .await
}

/// The words that are kept for a reason of the list with whatever was added; what is kept stays readable without the list.
pub(crate) fn in_words(
    state: &AppState,
    of: ReasonFor,
    code: Option<&str>,
    words: &str,
    faults: &mut Faults,
) -> String {
    let words = words.trim();
    let Some(code) = code else {
        return words.to_owned();
    };
    let listed = |r: &&ReasonRow| r.id == code && r.uses.contains(&of);
    faults.known(
        "reason_code",
        code,
        state.knowledge.reasons.iter().any(|r| listed(&r)),
    );
    let name = wording().say(&format!("reason-{code}"), &[]);
    if words.is_empty() {
        name
    } else {
        format!("{name}: {words}")
    }
}
