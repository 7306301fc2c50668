//! Coming in: a name, a password, and for whoever has one a second factor.

use super::throttle;
use super::{Me, SESSION_HOURS, cookie_of, me_of, place_of, second};
use crate::app::App;
use crate::form::Form;
use crate::passwords::{hash_to_try, too_long_to_try};
use crate::problem::{ApiError, Problem};
use crate::security::{new_token, token_hash};
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, post};
use chrono::{Duration, Utc};
use ritorno_store::session::Place;
use ritorno_store::user::User;
use ritorno_store::{
    Actor, PgConnection, StoreError, attempt, second_factor, session, user, write,
};
use serde::Deserialize;
use uuid::Uuid;

/// Name and password, and a code where one is asked for.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct SignIn {
    login: String,
    password: String,
    /// Six digits of the telephone, or one of the codes for the day it is lost.
    #[serde(default)]
    code: Option<String>,
}

/// How a try ended.
enum Ended {
    In,
    Wrong,
    AsksCode,
    WrongCode,
}

#[utoipa::path(tag = "session", request_body = SignIn, responses((status = 200, body = Me), (status = "default", body = Problem)))]
#[post("/session")]
pub(crate) async fn sign_in(
    app: App,
    req: HttpRequest,
    form: Form<SignIn>,
) -> Result<HttpResponse, ApiError> {
    let form = form.into_inner();
    let place = place_of(&req, &app.settings);
    let (login, address) = (form.login.trim().to_owned(), place.address.clone());
    // Nobody has such a name or password, and the database need not keep it.
    if too_long_to_try(&login) || too_long_to_try(&form.password) {
        return Err(wrong());
    }
    let (attempt, found) = app
        .block(move |_, conn| {
            let attempt = throttle::begin(conn, &login, &address)?;
            Ok((attempt, user::by_login(conn, &login)?))
        })
        .await?;
    let hash = hash_to_try(found.as_ref().map(|(_, hash)| hash.as_str()));
    let fits = throttle::fits(&app, attempt, form.password, hash).await?;
    let who = found
        .map(|(user, _)| user)
        .filter(|user| fits && user.ended_at.is_none());
    let (me, token) = app
        .block(move |state, conn| {
            let token = new_token();
            let actor = Actor {
                user: who.as_ref().map(|user| user.id),
                action: "sign-in",
            };
            let ended = write(conn, actor, |conn| {
                let Some(who) = who else {
                    return Ok(Ended::Wrong);
                };
                let_in(conn, attempt, &who, form.code.as_deref(), &token, &place)
            })?;
            match ended {
                Ended::Wrong => Err(wrong()),
                Ended::AsksCode => Err(unauthorised("asks-code")),
                Ended::WrongCode => Err(unauthorised("wrong-code")),
                Ended::In => {
                    let session = session::of(conn, &token_hash(&token))?.ok_or_else(wrong)?;
                    Ok((me_of(state, session), token))
                }
            }
        })
        .await?;
    Ok(HttpResponse::Ok()
        .cookie(cookie_of(&app.settings, token))
        .json(me))
}

fn wrong() -> ApiError {
    unauthorised("wrong-login")
}

fn unauthorised(code: &str) -> ApiError {
    ApiError::new(StatusCode::UNAUTHORIZED, code, &[])
}

/// The password was right: what else is asked, and then the session.
fn let_in(
    conn: &mut PgConnection,
    attempt: Uuid,
    who: &User,
    code: Option<&str>,
    token: &str,
    place: &Place,
) -> Result<Ended, StoreError> {
    let factor = second_factor::of(conn, who.id)?.filter(|f| f.confirmed_at.is_some());
    if let Some(factor) = factor {
        let Some(code) = code.filter(|code| !code.trim().is_empty()) else {
            attempt::set_aside(conn, attempt)?;
            return Ok(Ended::AsksCode);
        };
        if !second::fits(conn, who.id, &factor, code)? {
            return Ok(Ended::WrongCode);
        }
    }
    attempt::succeeded(conn, attempt)?;
    let until = Utc::now() + Duration::hours(SESSION_HOURS);
    session::open(conn, &token_hash(token), who.id, place, until)?;
    Ok(Ended::In)
}
