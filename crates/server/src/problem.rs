//! What went wrong, as problem details (RFC 9457), with field paths.

use actix_web::http::StatusCode;
use actix_web::http::header::{CONTENT_TYPE, RETRY_AFTER};
use actix_web::{HttpResponse, ResponseError};
use ritorno_core::facts::Language;
use ritorno_core::reason::Reason;
use ritorno_store::StoreError;
use ritorno_wording::{Value, Wording, Wordings};
use serde::Serialize;
use std::sync::OnceLock;

/// One field that cannot be right.
#[derive(Debug, Clone, Serialize, utoipa::ToSchema)]
pub struct FieldFault {
    /// Path of the field in the request, e.g. `story.day0`.
    pub field: String,
    /// Stable code.
    pub code: String,
    /// The sentence, with the limit.
    pub message: String,
}

/// Problem details.
#[derive(Debug, Clone, Serialize, utoipa::ToSchema)]
pub struct Problem {
    /// `urn:ritorno:problem:<code>`.
    #[serde(rename = "type")]
    pub kind: String,
    /// One sentence: what happened, what was kept, what to do.
    pub title: String,
    /// HTTP status.
    pub status: u16,
    /// Fields that cannot be right.
    pub fields: Vec<FieldFault>,
    /// Rules that speak against it.
    pub reasons: Vec<Reason>,
    /// The newer revision, when the request was stale.
    pub current_rev: Option<i32>,
    /// Seconds after which to try again.
    pub retry_after_s: Option<u32>,
}

/// Anything a handler can fail with.
#[derive(Debug)]
pub struct ApiError(pub Box<Problem>);

/// The wording of a language; the catalogues are part of the program and tested to parse.
pub(crate) fn wording_in(language: Language) -> &'static Wording {
    static WORDINGS: OnceLock<Wordings> = OnceLock::new();
    let shipped = WORDINGS.get_or_init(|| match Wordings::shipped() {
        Ok(wordings) => wordings,
        Err(error) => unreachable!("the embedded catalogues parse, a test sees to it: {error}"),
    });
    shipped.of(language)
}

/// The wording of problems, and of the clinic's own pages.
pub(crate) fn wording() -> &'static Wording {
    wording_in(Language::English)
}

impl ApiError {
    /// A problem by its code.
    pub fn new(status: StatusCode, code: &str, args: &[(&str, Value)]) -> Self {
        ApiError(Box::new(Problem {
            kind: format!("urn:ritorno:problem:{code}"),
            title: wording().say(&format!("problem-{code}"), args),
            status: status.as_u16(),
            fields: Vec::new(),
            reasons: Vec::new(),
            current_rev: None,
            retry_after_s: None,
        }))
    }

    /// A problem with the rules behind it.
    pub fn blocked(reasons: Vec<Reason>, fields: Vec<FieldFault>) -> Self {
        let mut out = ApiError::new(StatusCode::UNPROCESSABLE_ENTITY, "blocked", &[]);
        out.0.reasons = reasons;
        out.0.fields = fields;
        out
    }

    /// Fields that cannot be right.
    pub fn invalid(fields: Vec<FieldFault>) -> Self {
        let mut out = ApiError::new(StatusCode::UNPROCESSABLE_ENTITY, "invalid", &[]);
        out.0.fields = fields;
        out
    }

    /// A request that cannot be read.
    pub(crate) fn unreadable(detail: &str) -> Self {
        let detail = [("detail", Value::Text(detail))];
        ApiError::new(StatusCode::BAD_REQUEST, "unreadable", &detail)
    }

    /// Asks for another try.
    #[must_use]
    pub fn retry_after(mut self, seconds: u32) -> Self {
        self.0.retry_after_s = Some(seconds);
        self
    }
}

/// What the database says, without the values that it quotes: those are somebody's.
fn unquoted(text: &str) -> String {
    let parts = text.split('"').enumerate();
    let kept = parts.map(|(n, part)| if n % 2 == 0 { part } else { "…" });
    kept.collect::<Vec<_>>().join("\"")
}

impl From<StoreError> for ApiError {
    fn from(error: StoreError) -> Self {
        match error {
            StoreError::Unavailable => {
                ApiError::new(StatusCode::SERVICE_UNAVAILABLE, "unavailable", &[]).retry_after(2)
            }
            StoreError::NoRoom => {
                tracing::error!("the disk under the database is full");
                ApiError::new(StatusCode::SERVICE_UNAVAILABLE, "no-room", &[]).retry_after(30)
            }
            StoreError::Busy(what) => {
                tracing::warn!(%what, "asked to come again");
                ApiError::new(StatusCode::SERVICE_UNAVAILABLE, "busy", &[]).retry_after(1)
            }
            StoreError::NotFound(what) => ApiError::new(
                StatusCode::NOT_FOUND,
                "not-found",
                &[("what", Value::Text(what))],
            ),
            StoreError::Stale { current } => {
                let mut out = ApiError::new(
                    StatusCode::CONFLICT,
                    "stale",
                    &[("current", Value::Number(f64::from(current)))],
                );
                out.0.current_rev = Some(current);
                out
            }
            StoreError::IdConflict => ApiError::new(StatusCode::CONFLICT, "id-conflict", &[]),
            StoreError::Refused(detail) => ApiError::new(
                StatusCode::UNPROCESSABLE_ENTITY,
                "refused",
                &[("detail", Value::Text(&detail))],
            ),
            StoreError::Unreadable(_) | StoreError::Other(_) | StoreError::Database(_) => {
                let source =
                    std::error::Error::source(&error).map(|source| unquoted(&source.to_string()));
                tracing::error!(%error, source, "store failure");
                ApiError::new(StatusCode::INTERNAL_SERVER_ERROR, "internal", &[])
            }
        }
    }
}

impl std::fmt::Display for ApiError {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "{}", self.0.kind)
    }
}

impl ResponseError for ApiError {
    fn status_code(&self) -> StatusCode {
        StatusCode::from_u16(self.0.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR)
    }

    fn error_response(&self) -> HttpResponse {
        let mut answer = HttpResponse::build(self.status_code());
        answer.insert_header((CONTENT_TYPE, "application/problem+json"));
        if let Some(seconds) = self.0.retry_after_s {
            answer.insert_header((RETRY_AFTER, seconds.to_string()));
        }
        answer.body(serde_json::to_string(&*self.0).unwrap_or_default())
    }
}
