//! One's own account: the password, and where one is signed in.

use super::{place_of, throttle};
use crate::app::App;
use crate::form::Form;
use crate::passwords;
use crate::problem::{ApiError, Problem};
use crate::security::hash_password;
use crate::turns::Heavy;
use crate::validate::Faults;
use actix_web::{HttpRequest, HttpResponse, get, post, put, web};
use chrono::{DateTime, Utc};
use ritorno_store::session::{Session, Signed};
use ritorno_store::{Actor, PgConnection, StoreError, attempt, invitation, session, user, write};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A new password, and the one it replaces.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewPassword {
    old: String,
    new: String,
}

/// A place where somebody is signed in.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct SessionRow {
    id: Uuid,
    /// Whether it is the one that asks.
    this: bool,
    since: DateTime<Utc>,
    /// When it was last used, to the minute.
    seen: DateTime<Utc>,
    until: DateTime<Utc>,
    /// What signed in, in its own words.
    agent: String,
    /// From where.
    address: String,
}

/// Where somebody is signed in.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct SessionList {
    sessions: Vec<SessionRow>,
}

impl SessionList {
    pub(crate) fn of(signed: Vec<Signed>, this: Option<Uuid>) -> Self {
        let row = |s: Signed| SessionRow {
            this: Some(s.id) == this,
            id: s.id,
            since: s.made_at,
            seen: s.seen_at,
            until: s.expires_at,
            agent: s.agent,
            address: s.address,
        };
        SessionList {
            sessions: signed.into_iter().map(row).collect(),
        }
    }
}

/// Asks for the password of whoever is signed in, as slowly as at the door.
///
/// # Errors
/// `invalid`, naming the field, when it does not fit; `throttled`.
pub(super) async fn own_password(
    app: &App,
    req: &HttpRequest,
    field: &str,
    password: String,
) -> Result<(), ApiError> {
    let address = place_of(req, &app.settings).address;
    let (who, hash) = app
        .own(req, "ask-password", |_, conn, session| {
            let hash = user::password_hash(conn, session.user.id)?;
            Ok((session.user.clone(), hash))
        })
        .await?;
    let attempt = app
        .block(move |_, conn| throttle::begin(conn, &who.login, &address))
        .await?;
    let hash = passwords::hash_to_try(Some(&hash));
    let short = !passwords::too_long_to_try(&password);
    if !(short && throttle::fits(app, attempt, password, hash).await?) {
        let mut faults = Faults::default();
        faults.push(field, "password-wrong", &[]);
        faults.check()?;
    }
    let actor = Actor {
        user: Some(who.id),
        action: "ask-password",
    };
    app.block(move |_, conn| {
        Ok(write(conn, actor, |conn| {
            attempt::succeeded(conn, attempt)
        })?)
    })
    .await
}

#[utoipa::path(tag = "session", request_body = NewPassword, responses((status = 204), (status = "default", body = Problem)))]
#[put("/me/password")]
pub(crate) async fn change_password(
    app: App,
    req: HttpRequest,
    form: Form<NewPassword>,
) -> Result<HttpResponse, ApiError> {
    let form = form.into_inner();
    let same = form.old == form.new;
    own_password(&app, &req, "old", form.old).await?;
    let who = app
        .own(&req, "change-password", |_, _, session| {
            Ok(session.user.clone())
        })
        .await?;
    let hash = app
        .turns
        .heavy(Heavy::Hashing, move || {
            let mut faults = Faults::default();
            if same {
                faults.push("new", "password-same", &[]);
            }
            passwords::check(&mut faults, "new", &form.new, [&who.login, &who.name]);
            faults.check()?;
            hash_password(&form.new).map_err(|error| StoreError::Other(error).into())
        })
        .await?;
    app.own(&req, "change-password", move |_, conn, session| {
        Ok(take_password(conn, session, &hash)?)
    })
    .await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Whoever knew the old password is out: every other session ends, and links to a new password no longer work.
fn take_password(conn: &mut PgConnection, session: &Session, hash: &str) -> Result<(), StoreError> {
    user::set_password(conn, session.user.id, hash, false)?;
    invitation::end_of(conn, Some(session.user.id))?;
    session::end_all(conn, session.user.id, Some(session.id))?;
    Ok(())
}

#[utoipa::path(tag = "session", responses((status = 200, body = SessionList), (status = "default", body = Problem)))]
#[get("/me/sessions")]
pub(crate) async fn show_own_sessions(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<SessionList>, ApiError> {
    app.own(&req, "show-sessions", |_, conn, session| {
        own_list(conn, session)
    })
    .await
}

#[utoipa::path(tag = "session", responses((status = 200, body = SessionList), (status = "default", body = Problem)))]
#[post("/me/sessions/end")]
pub(crate) async fn end_other_sessions(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<SessionList>, ApiError> {
    app.own(&req, "end-sessions", |_, conn, session| {
        session::end_all(conn, session.user.id, Some(session.id))?;
        own_list(conn, session)
    })
    .await
}

#[utoipa::path(tag = "session", responses((status = 200, body = SessionList), (status = "default", body = Problem)))]
#[post("/me/sessions/{id}/end")]
pub(crate) async fn end_own_session(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<SessionList>, ApiError> {
    app.own(&req, "end-session", move |_, conn, session| {
        session::end(conn, session.user.id, *id)?;
        own_list(conn, session)
    })
    .await
}

fn own_list(
    conn: &mut PgConnection,
    session: &Session,
) -> Result<web::Json<SessionList>, ApiError> {
    let signed = session::all_of(conn, session.user.id)?;
    Ok(web::Json(SessionList::of(signed, Some(session.id))))
}
