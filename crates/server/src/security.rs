//! Passwords and tokens.

use crate::app::AppState;
use crate::passwords::plain;
use crate::problem::ApiError;
use crate::settings::Settings;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, web};
use argon2::password_hash::PasswordVerifier;
use argon2::{Argon2, PasswordHash, PasswordHasher};
use rand::RngCore;
use ritorno_core::permission::Role;
use ritorno_store::UserId;
use ritorno_store::user::User;

/// Name of the session cookie; over an encrypted way one that no neighbour of the address can set.
pub(crate) fn session_cookie(settings: &Settings) -> &'static str {
    if settings.encrypted() {
        "__Host-ritorno"
    } else {
        "ritorno_session"
    }
}

/// Name of the cookie of a patient's telephone.
pub(crate) fn phone_cookie(settings: &Settings) -> &'static str {
    if settings.encrypted() {
        "__Host-ritorno-home"
    } else {
        "ritorno_home"
    }
}

/// Hashes a password with argon2id and a fresh salt.
///
/// # Errors
/// When the hasher refuses the password.
pub fn hash_password(password: &str) -> Result<String, String> {
    Argon2::default()
        .hash_password(plain(password).as_bytes())
        .map(|hash| hash.to_string())
        .map_err(|error| error.to_string())
}

/// Whether a password fits a hash.
pub(crate) fn verify_password(password: &str, hash: &str) -> bool {
    PasswordHash::new(hash).is_ok_and(|hash| {
        Argon2::default()
            .verify_password(plain(password).as_bytes(), &hash)
            .is_ok()
    })
}

/// A user to add.
pub fn new_user(login: &str, name: &str, role: Role) -> User {
    User {
        id: UserId::new(),
        login: login.to_owned(),
        name: name.to_owned(),
        role,
        ended_at: None,
    }
}

/// Letters of what is made up for somebody to type, five bits each: none that look alike.
const LETTERS: &[u8; 32] = b"abcdefghijkmnpqrstuvwxyz23456789";

/// So many random letters, for somebody to type.
pub fn new_letters(count: usize) -> String {
    let mut bytes = vec![0u8; count];
    rand::rng().fill_bytes(&mut bytes);
    let letter = |b: &u8| char::from(LETTERS[usize::from(b % 32)]);
    bytes.iter().map(letter).collect()
}

/// A fresh token: 256 random bits in hex.
pub(crate) fn new_token() -> String {
    let mut bytes = [0u8; 32];
    rand::rng().fill_bytes(&mut bytes);
    bytes.iter().map(|b| format!("{b:02x}")).collect()
}

/// What of a token is kept: its SHA-256, by the same library the core uses.
pub(crate) fn token_hash(token: &str) -> Vec<u8> {
    use sha2::{Digest, Sha256};
    Sha256::digest(token.as_bytes()).to_vec()
}

/// The digest of the request's token.
pub(crate) fn token_of(req: &HttpRequest) -> Result<Vec<u8>, ApiError> {
    digest_in(req, session_cookie)
}

/// The digest of the token of a patient's telephone.
pub(crate) fn phone_of(req: &HttpRequest) -> Result<Vec<u8>, ApiError> {
    digest_in(req, phone_cookie)
}

fn digest_in(req: &HttpRequest, name: fn(&Settings) -> &'static str) -> Result<Vec<u8>, ApiError> {
    let state = req.app_data::<web::Data<AppState>>();
    state
        .and_then(|state| req.cookie(name(&state.settings)))
        .map(|cookie| token_hash(cookie.value()))
        .ok_or_else(|| ApiError::new(StatusCode::UNAUTHORIZED, "unauthenticated", &[]))
}
