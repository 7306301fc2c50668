//! A second factor: six digits that a telephone works out every half minute (RFC 6238), and codes for the day it is lost.

use super::own::own_password;
use crate::app::App;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::security::{new_letters, token_hash};
use crate::validate::Faults;
use actix_web::{HttpRequest, HttpResponse, get, post, web};
use rand::RngCore;
use ritorno_store::second_factor::{self, SecondFactor};
use ritorno_store::{PgConnection, StoreError, UserId};
use serde::{Deserialize, Serialize};
use std::time::SystemTime;
use totp_rs::{Algorithm, Builder, Totp};

/// Bytes of the shared secret. Source: RFC 4226, section 4, asks for 16 and recommends 20.
const SECRET_BYTES: usize = 20;
/// Codes for the day the telephone is lost (our choice).
const CODES: usize = 10;
/// Letters of a code: eighty bits, so that a plain digest keeps it.
const CODE_LETTERS: usize = 16;

/// One's own password, asked again before something that opens doors is changed.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct OwnPassword {
    password: String,
}

/// A secret to take up, in letters and as a picture.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct OfferedFactor {
    /// To be typed where the picture cannot be seen.
    secret: String,
    /// The same as an address, for an application on the same machine.
    address: String,
    /// The same as a picture, SVG.
    picture: String,
}

/// Six digits that show that the telephone has the secret.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct FactorCode {
    code: String,
}

/// Codes for the day the telephone is lost: each works once, and they are shown this once.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct RecoveryCodes {
    codes: Vec<String>,
}

/// How one's second factor stands.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct FactorState {
    on: bool,
    /// Codes that are left.
    codes_left: i64,
}

fn totp(secret: &[u8], login: &str) -> Result<Totp, StoreError> {
    Builder::new()
        .with_algorithm(Algorithm::SHA1)
        .with_digits(6)
        .with_skew(1)
        .with_step_duration(30)
        .with_secret(secret)
        .with_account_name(login)
        .with_issuer(Some("Ritorno"))
        .build()
        .map_err(|error| StoreError::Other(error.to_string()))
}

fn now_s() -> u64 {
    SystemTime::now()
        .duration_since(SystemTime::UNIX_EPOCH)
        .map_or(0, |since| since.as_secs())
}

/// The step of the telephone's digits, where they fit.
fn step_of(secret: &[u8], code: &str) -> Result<Option<i64>, StoreError> {
    let digits: String = code.chars().filter(char::is_ascii_digit).collect();
    let step = totp(secret, "somebody")?.check(&digits, now_s());
    Ok(step.and_then(|step| i64::try_from(step).ok()))
}

/// A code as it is compared: as it was shown, however it was typed.
fn bare(code: &str) -> String {
    let letters = code.chars().filter(char::is_ascii_alphanumeric);
    letters.map(|c| c.to_ascii_lowercase()).collect()
}

/// Whether a code fits, and has not been used: it is used now.
///
/// # Errors
/// Database failure.
pub(super) fn fits(
    conn: &mut PgConnection,
    who: UserId,
    factor: &SecondFactor,
    code: &str,
) -> Result<bool, StoreError> {
    match step_of(&factor.secret, code)? {
        Some(step) => second_factor::use_step(conn, who, step),
        None => second_factor::use_code(conn, who, &token_hash(&bare(code))),
    }
}

/// In fours, as people read it off.
fn in_fours(code: &str) -> String {
    let letters: Vec<char> = code.chars().collect();
    let fours = letters.chunks(4).map(|four| four.iter().collect());
    fours.collect::<Vec<String>>().join("-")
}

#[utoipa::path(tag = "session", responses((status = 200, body = FactorState), (status = "default", body = Problem)))]
#[get("/me/second-factor")]
pub(crate) async fn show_factor(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<FactorState>, ApiError> {
    app.own(&req, "show-second-factor", |_, conn, session| {
        Ok(web::Json(FactorState {
            on: session.second_factor,
            codes_left: second_factor::codes_left(conn, session.user.id)?,
        }))
    })
    .await
}

#[utoipa::path(tag = "session", request_body = OwnPassword, responses((status = 200, body = OfferedFactor), (status = "default", body = Problem)))]
#[post("/me/second-factor")]
pub(crate) async fn offer_factor(
    app: App,
    req: HttpRequest,
    form: Form<OwnPassword>,
) -> Result<web::Json<OfferedFactor>, ApiError> {
    own_password(&app, &req, "password", form.into_inner().password).await?;
    app.own(&req, "offer-second-factor", |_, conn, session| {
        let mut secret = [0u8; SECRET_BYTES];
        rand::rng().fill_bytes(&mut secret);
        second_factor::offer(conn, session.user.id, &secret)?;
        let totp = totp(&secret, &session.user.login)?;
        let failed = |what: String| ApiError::from(StoreError::Other(what));
        let address = totp.to_url().map_err(|e| failed(e.to_string()))?;
        let picture = qrcode::QrCode::new(address.as_bytes()).map_err(|e| failed(e.to_string()))?;
        Ok(web::Json(OfferedFactor {
            secret: totp.secret().to_base32(),
            picture: picture
                .render::<qrcode::render::svg::Color>()
                .min_dimensions(220, 220)
                .build(),
            address,
        }))
    })
    .await
}

#[utoipa::path(tag = "session", request_body = FactorCode, responses((status = 200, body = RecoveryCodes), (status = "default", body = Problem)))]
#[post("/me/second-factor/confirm")]
pub(crate) async fn confirm_factor(
    app: App,
    req: HttpRequest,
    form: Form<FactorCode>,
) -> Result<web::Json<RecoveryCodes>, ApiError> {
    app.own(&req, "confirm-second-factor", move |_, conn, session| {
        let who = session.user.id;
        let offered = second_factor::of(conn, who)?.filter(|f| f.confirmed_at.is_none());
        let offered = offered.ok_or(StoreError::NotFound("second factor"))?;
        let Some(step) = step_of(&offered.secret, &form.code)? else {
            let mut faults = Faults::default();
            faults.push("code", "wrong-code", &[]);
            faults.check()?;
            return Err(StoreError::NotFound("second factor").into());
        };
        let codes: Vec<String> = (0..CODES).map(|_| new_letters(CODE_LETTERS)).collect();
        let hashes: Vec<Vec<u8>> = codes.iter().map(|code| token_hash(code)).collect();
        second_factor::confirm(conn, who, step, &hashes)?;
        let codes = codes.iter().map(|code| in_fours(code)).collect();
        Ok(web::Json(RecoveryCodes { codes }))
    })
    .await
}

#[utoipa::path(tag = "session", request_body = OwnPassword, responses((status = 204), (status = "default", body = Problem)))]
#[post("/me/second-factor/end")]
pub(crate) async fn end_factor(
    app: App,
    req: HttpRequest,
    form: Form<OwnPassword>,
) -> Result<HttpResponse, ApiError> {
    own_password(&app, &req, "password", form.into_inner().password).await?;
    app.own(&req, "end-second-factor", |_, conn, session| {
        Ok(second_factor::end(conn, session.user.id)?)
    })
    .await?;
    Ok(HttpResponse::NoContent().finish())
}
