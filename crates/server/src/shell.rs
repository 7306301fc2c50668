//! The page itself: one document for every address inside the application, with a nonce of its own at each answer.

use crate::app::AppState;
use crate::problem::ApiError;
use crate::security::new_token;
use actix_files::NamedFile;
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::StatusCode;
use actix_web::http::header::{
    ACCEPT_ENCODING, CONTENT_SECURITY_POLICY, ContentEncoding, ContentType,
};
use actix_web::{HttpRequest, HttpResponse, ResponseError, web};
use std::path::PathBuf;

/// What scripts, styles and pictures may come from. Styles that the controls make while the page runs carry the nonce; an
/// attacker's would not.
pub(crate) fn policy(nonce: Option<&str>) -> String {
    let own = nonce.map_or_else(String::new, |n| format!(" 'nonce-{n}'"));
    format!(
        "default-src 'self'; script-src 'self'; style-src 'self'{own}; img-src 'self' data:; object-src 'none'; frame-ancestors 'self'; base-uri 'none'; form-action 'self'"
    )
}

/// The document, its nonce on the script that hands it to the controls.
async fn page(index: PathBuf) -> Result<HttpResponse, actix_web::Error> {
    let text = web::block(move || std::fs::read_to_string(index)).await??;
    let nonce = new_token();
    let with_nonce = format!("<script nonce=\"{nonce}\" ");
    Ok(HttpResponse::Ok()
        .insert_header((CONTENT_SECURITY_POLICY, policy(Some(&nonce))))
        .content_type(ContentType::html())
        .body(text.replace("<script ", &with_nonce)))
}

/// The page at its own address.
pub(crate) async fn document(state: web::Data<AppState>) -> Result<HttpResponse, actix_web::Error> {
    page(state.web_dir.join("index.html")).await
}

/// The patient's own page, which is another one.
pub(crate) async fn phone(state: web::Data<AppState>) -> Result<HttpResponse, actix_web::Error> {
    page(state.web_dir.join("phone.html")).await
}

/// A script or a style sheet as it was packed when the pages were built, for whoever can unpack it.
pub(crate) async fn asset(
    req: HttpRequest,
    name: web::Path<String>,
    state: web::Data<AppState>,
) -> Result<HttpResponse, actix_web::Error> {
    let plain = |c: char| c.is_ascii_alphanumeric() || "-_.".contains(c);
    if !name.chars().all(plain) || name.contains("..") {
        return Ok(ApiError::new(StatusCode::NOT_FOUND, "no-route", &[]).error_response());
    }
    let file = state.web_dir.join("assets").join(name.as_str());
    let packed = file.with_file_name(format!("{name}.br"));
    let taken = req
        .headers()
        .get(ACCEPT_ENCODING)
        .and_then(|v| v.to_str().ok());
    let unpacks = taken.is_some_and(|taken| taken.split(',').any(|kind| kind.trim() == "br"));
    if unpacks && let Ok(found) = NamedFile::open_async(packed).await {
        let kind = actix_files::file_extension_to_mime(
            file.extension().and_then(|e| e.to_str()).unwrap_or(""),
        );
        let found = found
            .set_content_type(kind)
            .set_content_encoding(ContentEncoding::Brotli);
        return Ok(found.into_response(&req));
    }
    match NamedFile::open_async(file).await {
        Ok(found) => Ok(found.into_response(&req)),
        Err(_) => Ok(ApiError::new(StatusCode::NOT_FOUND, "no-route", &[]).error_response()),
    }
}

/// Addresses inside the application are the page's own; anything under /api or with a dot is not.
pub(crate) async fn answer(
    asked: ServiceRequest,
    index: PathBuf,
) -> Result<ServiceResponse, actix_web::Error> {
    let (req, _) = asked.into_parts();
    let missing = req.path().starts_with("/api") || req.path().contains('.');
    let answer = if missing {
        ApiError::new(StatusCode::NOT_FOUND, "no-route", &[]).error_response()
    } else {
        page(index).await?
    };
    Ok(ServiceResponse::new(req, answer))
}
