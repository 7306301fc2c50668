//! Who is signed in, and signing out.

pub(crate) mod own;
pub(crate) mod second;
pub(crate) mod sign_in;
pub(crate) mod throttle;

mod place;

use crate::app::{App, AppState};
use crate::problem::{ApiError, Problem};
use crate::security::{session_cookie, token_of};
use crate::settings::Settings;
use actix_web::cookie::{Cookie, SameSite, time::Duration as CookieDuration};
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, delete, get, web};
use chrono::NaiveDate;
pub(crate) use place::place_of;
use ritorno_core::permission::Role;
use ritorno_store::session::{Must, Session};
use ritorno_store::{Actor, UserId, session};
use serde::Serialize;

/// The longest that a session lasts, used or not.
const SESSION_HOURS: i64 = 12;

/// What has to be done before anything else is open.
#[derive(Serialize, utoipa::ToSchema)]
#[serde(rename_all = "kebab-case")]
pub(crate) enum MustDo {
    /// Choose a password of one's own.
    Password,
    /// Take up a second factor.
    SecondFactor,
}

/// Who is signed in, and which day it is in the clinic.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Me {
    #[schema(value_type = Uuid)]
    id: UserId,
    name: String,
    login: String,
    role: Role,
    today: NaiveDate,
    /// Whether simulated devices exist here.
    demo: bool,
    /// What has to be done before anything else is open.
    must: Option<MustDo>,
    /// Whether they have a second factor.
    second_factor: bool,
    /// Minutes after which the page asks again who is there.
    idle_minutes: u32,
}

fn me_of(state: &AppState, session: Session) -> Me {
    let must = session.must().map(|must| match must {
        Must::Password => MustDo::Password,
        Must::SecondFactor => MustDo::SecondFactor,
    });
    Me {
        must,
        id: session.user.id,
        name: session.user.name,
        login: session.user.login,
        role: session.user.role,
        today: state.today.date(),
        demo: state.demo,
        second_factor: session.second_factor,
        idle_minutes: session.rules.idle_minutes,
    }
}

/// The cookie of a session: no script reads it, no other page sends it, and over an encrypted way it never leaves that.
fn cookie_of(settings: &Settings, token: String) -> Cookie<'static> {
    Cookie::build(session_cookie(settings), token)
        .path("/")
        .http_only(true)
        .secure(settings.encrypted())
        .same_site(SameSite::Strict)
        .max_age(CookieDuration::hours(SESSION_HOURS))
        .finish()
}

#[utoipa::path(tag = "session", responses((status = 200, body = Me), (status = "default", body = Problem)))]
#[get("/session")]
pub(crate) async fn show_session(app: App, req: HttpRequest) -> Result<web::Json<Me>, ApiError> {
    let token = token_of(&req)?;
    app.block(move |state, conn| {
        let session = session::of(conn, &token)?
            .ok_or_else(|| ApiError::new(StatusCode::UNAUTHORIZED, "unauthenticated", &[]))?;
        Ok(web::Json(me_of(state, session)))
    })
    .await
}

#[utoipa::path(tag = "session", responses((status = 204), (status = "default", body = Problem)))]
#[delete("/session")]
pub(crate) async fn sign_out(app: App, req: HttpRequest) -> Result<HttpResponse, ApiError> {
    let token = token_of(&req)?;
    // Everybody may leave, whatever their role.
    app.block(move |_, conn| {
        let user = session::of(conn, &token)?.map(|session| session.user.id);
        Ok(ritorno_store::write(
            conn,
            Actor {
                user,
                action: "sign-out",
            },
            |conn| session::close(conn, &token),
        )?)
    })
    .await?;
    let mut gone = cookie_of(&app.settings, String::new());
    gone.make_removal();
    Ok(HttpResponse::NoContent().cookie(gone).finish())
}
