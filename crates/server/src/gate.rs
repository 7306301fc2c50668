//! What is asked of a request before anybody looks at its body: its address, where it comes from, how it is packed, who sends it.

use crate::app::AppState;
use crate::problem::ApiError;
use crate::security::{phone_of, token_of};
use actix_web::body::{EitherBody, MessageBody};
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::{Method, StatusCode, header};
use actix_web::middleware::Next;
use actix_web::{Error, web};
use ritorno_store::{home_link, session};
use ritorno_wording::Value;

/// What a gate answers: its own refusal, or what came from behind it.
type Answer<B> = Result<ServiceResponse<EitherBody<B>>, Error>;

/// A refusal is an answer like every other: it carries the same headers.
fn refuse<B>(req: ServiceRequest, error: ApiError) -> Answer<B> {
    Ok(req.error_response(error).map_into_right_body())
}

/// Lets a request in.
async fn pass<B: MessageBody>(req: ServiceRequest, next: Next<B>) -> Answer<B> {
    Ok(next.call(req).await?.map_into_left_body())
}

/// Addresses hold no control characters, plain or escaped: the database would refuse them further on.
pub(crate) async fn clean_address<B: MessageBody>(req: ServiceRequest, next: Next<B>) -> Answer<B> {
    let address = req
        .uri()
        .path_and_query()
        .map_or("", actix_web::http::uri::PathAndQuery::as_str)
        .as_bytes();
    let escaped = |w: &[u8]| w[0] == b'%' && matches!(w[1], b'0' | b'1') || w == b"%7F";
    if address.windows(3).any(|w| escaped(w) || w == b"%7f") {
        let detail = [(
            "detail",
            Value::Text("the address holds a control character"),
        )];
        return refuse(
            req,
            ApiError::new(StatusCode::BAD_REQUEST, "unreadable", &detail),
        );
    }
    pass(req, next).await
}

/// Bodies come as they are: a packed one would have to be unpacked before anybody knows how large it is, and no page sends one.
pub(crate) async fn plain_body<B: MessageBody>(req: ServiceRequest, next: Next<B>) -> Answer<B> {
    let packed = req.headers().get(header::CONTENT_ENCODING);
    if packed.is_some_and(|kind| kind != "identity") {
        return refuse(
            req,
            ApiError::new(StatusCode::UNSUPPORTED_MEDIA_TYPE, "packed", &[]),
        );
    }
    pass(req, next).await
}

/// Whether a request only asks.
fn reads(req: &ServiceRequest) -> bool {
    matches!(*req.method(), Method::GET | Method::HEAD | Method::OPTIONS)
}

/// Writes must name the application's own origin.
pub(crate) async fn same_origin<B: MessageBody>(req: ServiceRequest, next: Next<B>) -> Answer<B> {
    let own = || {
        let origin = req.headers().get(header::ORIGIN)?.to_str().ok()?;
        let host = req.headers().get(header::HOST)?.to_str().ok()?;
        let (_, from) = origin.split_once("://")?;
        Some(from == host)
    };
    if reads(&req) || own() == Some(true) {
        pass(req, next).await
    } else {
        refuse(req, ApiError::new(StatusCode::FORBIDDEN, "origin", &[]))
    }
}

/// Whether an address is open to who is not signed in: to sign in, to use a link, to see whom to call,
/// to ask for a calendar whose address is its own key.
pub(crate) fn open_to_strangers(path: &str) -> bool {
    matches!(path, "/api/session" | "/api/home/open" | "/api/home/clinic")
        || path.starts_with("/api/links/")
        || path.starts_with("/api/calendars/")
}

/// No body is read before it is known that somebody who is signed in sends it.
pub(crate) async fn known_sender<B: MessageBody>(req: ServiceRequest, next: Next<B>) -> Answer<B> {
    if reads(&req) || !req.path().starts_with("/api/") || open_to_strangers(req.path()) {
        return pass(req, next).await;
    }
    match known(&req).await {
        Ok(()) => pass(req, next).await,
        Err(error) => refuse(req, error),
    }
}

async fn known(req: &ServiceRequest) -> Result<(), ApiError> {
    let from_home = req.path().starts_with("/api/home/");
    let token = match from_home {
        true => phone_of(req.request())?,
        false => token_of(req.request())?,
    };
    let Some(state) = req.app_data::<web::Data<AppState>>() else {
        return Ok(());
    };
    if state.senders.knows(&token) {
        return Ok(());
    }
    let asked = token.clone();
    let there = state
        .block(move |state, conn| match from_home {
            true => Ok(home_link::phone(conn, &asked, state.today.date())?.is_some()),
            false => Ok(session::of(conn, &asked)?.is_some()),
        })
        .await?;
    if !there {
        return Err(ApiError::new(
            StatusCode::UNAUTHORIZED,
            "unauthenticated",
            &[],
        ));
    }
    state.senders.remember(token);
    Ok(())
}
