//! Opening the patient's page: the link and the birth date together. Whatever does not fit is answered in one and the same way.

use crate::app::{App, AppState};
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::security::{new_token, phone_cookie, token_hash};
use crate::session::{place_of, throttle};
use actix_web::cookie::time::Duration;
use actix_web::cookie::{Cookie, SameSite};
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, post};
use chrono::NaiveDate;
use ritorno_store::home_link::{self, TRIES};
use ritorno_store::{Actor, PgConnection, StoreError, attempt, event, write};
use serde::Deserialize;

/// What tries of home links are counted under: nobody has such a name.
const LINKS: &str = "(home link)";
/// Days that a browser keeps the cookie at most: the link ends before.
const COOKIE_DAYS: i64 = 180;

/// A link with who holds it.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct HomeKey {
    /// What stands after `/h#`.
    link: String,
    /// The birth date.
    birth: NaiveDate,
}

#[utoipa::path(tag = "phone", request_body = HomeKey, responses((status = 204), (status = "default", body = Problem)))]
#[post("/home/open")]
pub(crate) async fn open_home(
    app: App,
    req: HttpRequest,
    form: Form<HomeKey>,
) -> Result<HttpResponse, ApiError> {
    let key = form.into_inner();
    let address = place_of(&req, &app.settings).address;
    let token = app
        .block(move |state, conn| {
            let tried = throttle::begin(conn, LINKS, &address)?;
            let actor = Actor {
                user: None,
                action: "open-home",
            };
            let token = write(conn, actor, |conn| {
                let token = open(state, conn, &key)?;
                if token.is_some() {
                    attempt::set_aside(conn, tried)?;
                }
                Ok(token)
            })?;
            // Wrong, run out, ended, locked and of somebody else all look the same.
            token.ok_or_else(|| ApiError::new(StatusCode::NOT_FOUND, "home-closed", &[]))
        })
        .await?;
    let cookie = Cookie::build(phone_cookie(&app.settings), token)
        .path("/")
        .http_only(true)
        .secure(app.settings.encrypted())
        .same_site(SameSite::Strict)
        .max_age(Duration::days(COOKIE_DAYS))
        .finish();
    Ok(HttpResponse::NoContent().cookie(cookie).finish())
}

/// A token for the telephone, where link and birth date fit; a birth date that does not is counted.
fn open(
    state: &AppState,
    conn: &mut PgConnection,
    key: &HomeKey,
) -> Result<Option<String>, StoreError> {
    let Some(held) = home_link::held(conn, &token_hash(&key.link))? else {
        return Ok(None);
    };
    if held.expires_on < state.today.date() || held.tries >= TRIES {
        return Ok(None);
    }
    event::lock(conn, held.patient)?;
    if held.birth != key.birth {
        home_link::failed(conn, held.id)?;
        return Ok(None);
    }
    let token = new_token();
    home_link::let_in(conn, held.id, &token_hash(&token))?;
    Ok(Some(token))
}
