//! Opening the record of somebody else's patient, with a reason.

use crate::app::App;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, HttpResponse, post, web};
use chrono::{Duration, Utc};
use ritorno_core::permission::Action;
use ritorno_store::{EpisodeId, event, opening};
use serde::Deserialize;
use uuid::Uuid;

/// Hours that a record stays open (our choice: a day's work).
const HOURS: i64 = 12;
/// Letters of a reason.
const LONGEST: usize = 500;

/// Why a record is opened.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Opening {
    id: Uuid,
    /// The reason, in words; a lead reads it.
    words: String,
}

#[utoipa::path(tag = "story", params(("id" = Uuid, Path)), request_body = Opening, responses((status = 204), (status = "default", body = Problem)))]
#[post("/episodes/{id}/openings")]
pub(crate) async fn open_record(
    app: App,
    req: HttpRequest,
    id: web::Path<EpisodeId>,
    form: Form<Opening>,
) -> Result<HttpResponse, ApiError> {
    let (id, form) = (id.into_inner(), form.into_inner());
    // Not a write about the record: it is what lets one at it.
    app.write(
        &req,
        Action::EnterLog,
        "open-record",
        move |_, conn, user| {
            let mut faults = Faults::default();
            let words = form.words.trim();
            faults.text("words", words, LONGEST, true);
            if !words.is_empty() && words.chars().count() < 3 {
                faults.push("words", "empty", &[]);
            }
            faults.check()?;
            let whose = event::patient_of(conn, id)?;
            let until = Utc::now() + Duration::hours(HOURS);
            Ok(opening::open(conn, form.id, whose, user.id, until, words)?)
        },
    )
    .await?;
    Ok(HttpResponse::NoContent().finish())
}
