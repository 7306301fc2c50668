//! Signing in and out.

use crate::app::App;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::security::{COOKIE, new_token, token_hash, token_of, verify_password};
use crate::turns::Heavy;
use actix_web::cookie::{Cookie, SameSite, time::Duration as CookieDuration};
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, delete, get, post, web};
use chrono::{Duration, NaiveDate, Utc};
use ritorno_core::permission::Role;
use ritorno_store::{Actor, PgConnection, StoreError, UserId, session, user};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};

const HOURS: i64 = 12;
const FAILURES_ALLOWED: i64 = 5;
const WINDOW_MINUTES: i64 = 15;
/// A hash nobody's password fits: an unknown name takes as long as a wrong password.
const NOBODY: &str = "$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA";

/// Name and password.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct SignIn {
    login: String,
    password: String,
}

/// Who is signed in, and which day it is in the clinic.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Me {
    #[schema(value_type = Uuid)]
    id: UserId,
    name: String,
    role: Role,
    today: NaiveDate,
    /// Whether simulated devices exist here.
    demo: bool,
}

/// Too many failures of a name in a short time end the trying, right or wrong.
///
/// # Errors
/// `throttled`.
fn not_throttled(conn: &mut PgConnection, login: &str) -> Result<(), ApiError> {
    let since = Utc::now() - Duration::minutes(WINDOW_MINUTES);
    if user::failures_since(conn, login, since)? < FAILURES_ALLOWED {
        return Ok(());
    }
    let minutes = [("minutes", Value::Number(WINDOW_MINUTES as f64))];
    let refused = ApiError::new(StatusCode::TOO_MANY_REQUESTS, "throttled", &minutes);
    Err(refused.retry_after(60 * WINDOW_MINUTES as u32))
}

#[utoipa::path(tag = "session", request_body = SignIn, responses((status = 200, body = Me), (status = "default", body = Problem)))]
#[post("/session")]
pub(crate) async fn sign_in(app: App, form: Form<SignIn>) -> Result<HttpResponse, ApiError> {
    let form = form.into_inner();
    let login = form.login.clone();
    let found = app
        .block(move |_, conn| {
            not_throttled(conn, &login)?;
            Ok(user::by_login(conn, &login)?)
        })
        .await?;
    let hash = found
        .as_ref()
        .map_or_else(|| NOBODY.to_owned(), |(_, hash)| hash.clone());
    let password = form.password;
    let fits = app
        .turns
        .heavy(Heavy::Hashing, move || {
            Ok(verify_password(&password, &hash))
        })
        .await?;
    let (me, token) = app
        .block(move |state, conn| {
            // Asked again: many tries at once all came before the first was noted.
            not_throttled(conn, &form.login)?;
            let actor = Actor {
                user: found.as_ref().map(|(u, _)| u.id),
                action: "sign-in",
            };
            let token = new_token();
            let user = ritorno_store::write(conn, actor, |conn| {
                user::note_attempt(conn, &form.login, fits)?;
                let Some((user, _)) = found.filter(|_| fits) else {
                    return Ok(None);
                };
                session::open(
                    conn,
                    &token_hash(&token),
                    user.id,
                    Utc::now() + Duration::hours(HOURS),
                )?;
                Ok::<_, StoreError>(Some(user))
            })?;
            let user =
                user.ok_or_else(|| ApiError::new(StatusCode::UNAUTHORIZED, "wrong-login", &[]))?;
            Ok((
                Me {
                    id: user.id,
                    demo: state.demo,
                    name: user.name,
                    role: user.role,
                    today: state.today.date(),
                },
                token,
            ))
        })
        .await?;
    let cookie = Cookie::build(COOKIE, token)
        .path("/")
        .http_only(true)
        .same_site(SameSite::Strict)
        .max_age(CookieDuration::hours(HOURS))
        .finish();
    Ok(HttpResponse::Ok().cookie(cookie).json(me))
}

#[utoipa::path(tag = "session", responses((status = 200, body = Me), (status = "default", body = Problem)))]
#[get("/session")]
pub(crate) async fn show_session(app: App, req: HttpRequest) -> Result<web::Json<Me>, ApiError> {
    let token = token_of(&req)?;
    app.block(move |state, conn| {
        let user = session::user(conn, &token)?
            .ok_or_else(|| ApiError::new(StatusCode::UNAUTHORIZED, "unauthenticated", &[]))?;
        Ok(web::Json(Me {
            id: user.id,
            demo: state.demo,
            name: user.name,
            role: user.role,
            today: state.today.date(),
        }))
    })
    .await
}

#[utoipa::path(tag = "session", responses((status = 204), (status = "default", body = Problem)))]
#[delete("/session")]
pub(crate) async fn sign_out(app: App, req: HttpRequest) -> Result<HttpResponse, ApiError> {
    let token = token_of(&req)?;
    // Everybody may leave, whatever their role.
    app.block(move |_, conn| {
        let user = session::user(conn, &token)?.map(|user| user.id);
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
    let mut gone = Cookie::new(COOKIE, "");
    gone.set_path("/");
    gone.make_removal();
    Ok(HttpResponse::NoContent().cookie(gone).finish())
}
