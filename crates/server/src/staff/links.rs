//! Links that work once: with one somebody chooses a password. The first of all makes the first lead.

use super::check_person;
use crate::app::{App, AppState};
use crate::form::Form;
use crate::passwords;
use crate::problem::{ApiError, Problem};
use crate::security::{hash_password, new_token, token_hash};
use crate::session::{place_of, throttle};
use crate::turns::Heavy;
use crate::validate::Faults;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, post, web};
use chrono::{DateTime, Duration, Utc};
use ritorno_core::permission::{Action, Role};
use ritorno_store::user::User;
use ritorno_store::{
    Actor, PgConnection, StoreError, UserId, attempt, invitation, session, user, write,
};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Days that an invitation works (our choice).
const INVITED_DAYS: i64 = 7;
/// Hours that the first link of a clinic works: it stands on a console (our choice).
const FIRST_HOURS: i64 = 24;
/// What tries of links are counted under: nobody has such a name.
const LINKS: &str = "(link)";

/// A link, shown once: only its digest is kept.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Link {
    /// What comes after `/join#`.
    token: String,
    until: DateTime<Utc>,
}

/// A link that somebody opened.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct OpenedLink {
    token: String,
}

/// For whom a link is.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct LinkFor {
    /// Nothing where it makes the first lead, who chooses both.
    login: Option<String>,
    name: Option<String>,
    role: Role,
    until: DateTime<Utc>,
}

/// The password that somebody chooses with a link.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct UsedLink {
    token: String,
    password: String,
    /// The first lead's own choice; for everybody else it is settled.
    #[serde(default)]
    login: String,
    #[serde(default)]
    name: String,
}

/// What to sign in with from now on.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct LinkDone {
    login: String,
}

/// A new link for somebody; an earlier one of theirs no longer works.
///
/// # Errors
/// Database failure.
pub(super) fn new_link(conn: &mut PgConnection, id: UserId, by: UserId) -> Result<Link, ApiError> {
    let token = new_token();
    let until = Utc::now() + Duration::days(INVITED_DAYS);
    invitation::add(conn, &token_hash(&token), Some(id), Some(by), until)?;
    Ok(Link { token, until })
}

/// Where nobody may come in yet: the token of a link that makes the first lead. An earlier one no longer works.
///
/// # Errors
/// Database failure.
pub fn first_link(state: &AppState) -> Result<Option<String>, StoreError> {
    let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
    let actor = Actor {
        user: None,
        action: "first-link",
    };
    write(&mut conn, actor, |conn| {
        if !user::all(conn)?.is_empty() {
            return Ok(None);
        }
        let token = new_token();
        let until = Utc::now() + Duration::hours(FIRST_HOURS);
        invitation::add(conn, &token_hash(&token), None, None, until)?;
        Ok(Some(token))
    })
}

#[utoipa::path(tag = "staff", params(("id" = Uuid, Path)), responses((status = 200, body = Link), (status = "default", body = Problem)))]
#[post("/staff/{id}/link")]
pub(crate) async fn link_for(
    app: App,
    req: HttpRequest,
    id: web::Path<UserId>,
) -> Result<web::Json<Link>, ApiError> {
    app.write(&req, Action::KeepPeople, "link", move |_, conn, by| {
        if user::get(conn, *id)?.ended_at.is_some() {
            return Err(ApiError::new(StatusCode::CONFLICT, "access-ended", &[]));
        }
        new_link(conn, *id, by.id).map(web::Json)
    })
    .await
}

/// A link that does not work says the same whatever the reason: wrong, used, run out, replaced.
fn no_such_link() -> ApiError {
    ApiError::new(StatusCode::NOT_FOUND, "no-such-link", &[])
}

/// Whom an open link is for. Guessing links is as slow as guessing passwords.
struct Opened {
    link: Uuid,
    who: Option<User>,
    until: DateTime<Utc>,
}

fn opened(conn: &mut PgConnection, token: &str) -> Result<Opened, ApiError> {
    let link = invitation::open(conn, &token_hash(token))?.ok_or_else(no_such_link)?;
    let who = link.user_id.map(|id| user::get(conn, id)).transpose()?;
    // The first link ends where somebody came in another way, a person's with their access.
    let ended = match &who {
        Some(user) => user.ended_at.is_some(),
        None => !user::all(conn)?.is_empty(),
    };
    if ended {
        return Err(no_such_link());
    }
    Ok(Opened {
        link: link.id,
        who,
        until: link.expires_at,
    })
}

/// Finds out whom a link is for, in a transaction of its own.
async fn look(app: &App, req: &HttpRequest, token: String) -> Result<Opened, ApiError> {
    let address = place_of(req, &app.settings).address;
    app.block(move |_, conn| {
        let tried = throttle::begin(conn, LINKS, &address)?;
        let mut found = Err(no_such_link());
        let actor = Actor {
            user: None,
            action: "open-link",
        };
        write(conn, actor, |conn| {
            found = opened(conn, &token);
            match found {
                Ok(_) => attempt::set_aside(conn, tried),
                Err(_) => Ok(()),
            }
        })?;
        found
    })
    .await
}

#[utoipa::path(tag = "staff", request_body = OpenedLink, responses((status = 200, body = LinkFor), (status = "default", body = Problem)))]
#[post("/links/open")]
pub(crate) async fn open_link(
    app: App,
    req: HttpRequest,
    form: Form<OpenedLink>,
) -> Result<web::Json<LinkFor>, ApiError> {
    let opened = look(&app, &req, form.into_inner().token).await?;
    let (login, name, role) = match opened.who {
        Some(user) => (Some(user.login), Some(user.name), user.role),
        None => (None, None, Role::Lead),
    };
    Ok(web::Json(LinkFor {
        login,
        name,
        role,
        until: opened.until,
    }))
}

#[utoipa::path(tag = "staff", request_body = UsedLink, responses((status = 200, body = LinkDone), (status = "default", body = Problem)))]
#[post("/links/use")]
pub(crate) async fn use_link(
    app: App,
    req: HttpRequest,
    form: Form<UsedLink>,
) -> Result<web::Json<LinkDone>, ApiError> {
    let form = form.into_inner();
    let found = look(&app, &req, form.token.clone()).await?;
    let person = found.who.unwrap_or_else(|| User {
        id: UserId::new(),
        login: form.login.trim().to_owned(),
        name: form.name.trim().to_owned(),
        role: Role::Lead,
        ended_at: None,
    });
    let (password, who) = (form.password, person.clone());
    let hash = app
        .turns
        .heavy(Heavy::Hashing, move || {
            let mut faults = Faults::default();
            check_person(&mut faults, &who.login, &who.name, who.role);
            passwords::check(&mut faults, "password", &password, [&who.login, &who.name]);
            faults.check()?;
            hash_password(&password).map_err(|error| StoreError::Other(error).into())
        })
        .await?;
    let token = form.token;
    app.block(move |_, conn| {
        let actor = Actor {
            user: None,
            action: "use-link",
        };
        let mut refused = None;
        let done = write(conn, actor, |conn| {
            // Asked again, and held: of two that use it at once one comes too late.
            let again = match opened(conn, &token) {
                Ok(again) => again,
                Err(error) => {
                    refused = Some(error);
                    return Ok(());
                }
            };
            match again.who {
                Some(user) => user::set_password(conn, user.id, &hash, false)?,
                None => user::insert(conn, &person, &hash)?,
            }
            invitation::used(conn, again.link)?;
            session::end_all(conn, person.id, None)?;
            Ok(())
        });
        done?;
        match refused {
            Some(error) => Err(error),
            None => Ok(web::Json(LinkDone {
                login: person.login,
            })),
        }
    })
    .await
}
