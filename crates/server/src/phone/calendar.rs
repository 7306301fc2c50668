//! The telephone's own calendar: a file of it, and an address that it asks again by itself.

use super::{from_home, let_in};
use crate::app::App;
use crate::calendar::{as_calendar, calendar_file, scheduled};
use crate::code::origin_of;
use crate::command::{Of, locked_by};
use crate::problem::{ApiError, Problem};
use crate::security::{new_letters, phone_of, token_hash};
use actix_web::{HttpRequest, HttpResponse, get, post, web};
use ritorno_store::{Actor, home_link};
use serde::Serialize;

/// Letters of an address, five random bits each: 130 bits.
const LETTERS: usize = 26;

/// Sessions, days with exercises and appointments.
#[utoipa::path(tag = "phone", responses((status = 200, body = String, content_type = "text/calendar"), (status = "default", body = Problem)))]
#[get("/home/program.ics")]
pub(crate) async fn home_calendar(app: App, req: HttpRequest) -> Result<HttpResponse, ApiError> {
    from_home(&app, &req, scheduled, calendar_file)
        .await
        .map(as_calendar)
}

/// An address for a calendar, shown once: only its digest is kept.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct CalendarAddress {
    /// Where it leads, whole.
    address: String,
}

#[utoipa::path(tag = "phone", responses((status = 200, body = CalendarAddress), (status = "default", body = Problem)))]
#[post("/home/calendar")]
pub(crate) async fn give_calendar(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<CalendarAddress>, ApiError> {
    let phone = phone_of(&req)?;
    let origin = origin_of(&req);
    let token = app
        .block(move |state, conn| {
            let own = let_in(state, conn, &phone)?;
            let actor = Actor {
                user: None,
                action: "give-calendar",
            };
            locked_by(state, conn, actor, Of::Episode(own), |_, conn| {
                let token = new_letters(LETTERS);
                home_link::give_calendar(conn, &phone, &token_hash(&token))?;
                Ok(token)
            })
        })
        .await?;
    Ok(web::Json(CalendarAddress {
        address: format!("{origin}/api/calendars/{token}.ics"),
    }))
}
