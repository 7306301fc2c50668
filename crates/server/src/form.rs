//! The body of a request: JSON whose texts can be kept and whose shape is told by field.

use crate::gate::open_to_strangers;
use crate::problem::{ApiError, FieldFault, wording};
use crate::validate::Faults;
use actix_web::dev::{JsonBody, Payload};
use actix_web::error::JsonPayloadError;
use actix_web::http::StatusCode;
use actix_web::{Error, FromRequest, HttpRequest};
use ritorno_wording::Value as Word;
use serde::de::DeserializeOwned;
use serde_json::Value;
use std::future::Future;
use std::ops::Deref;
use std::pin::Pin;
use std::time::Duration;

/// Largest body a request may carry, in bytes.
const MOST_BYTES: usize = 1024 * 1024;
/// The same for who is not signed in: a name, a password, a link.
const MOST_FROM_STRANGERS: usize = 16 * 1024;
/// A body is there within this time, or is not waited for.
const WITHIN: Duration = Duration::from_secs(5);
/// Rows a list may hold; those that are long by nature have bounds of their own.
pub(crate) const MOST_ROWS: usize = 1000;
/// Samples of a device: a minute at two hundred a second. A list of them is the whole body, or is called so.
pub(crate) const MOST_SAMPLES: usize = 12_000;
/// How deep lists and fields may lie in one another.
const DEEPEST: usize = 16;

/// A body that was read. Control characters are refused before anything looks at it, each naming its field.
#[derive(Debug)]
pub(crate) struct Form<T>(T);

impl<T> Form<T> {
    pub(crate) fn into_inner(self) -> T {
        self.0
    }
}

impl<T> Deref for Form<T> {
    type Target = T;

    fn deref(&self) -> &T {
        &self.0
    }
}

impl<T: DeserializeOwned + 'static> FromRequest for Form<T> {
    type Error = Error;
    type Future = Pin<Box<dyn Future<Output = Result<Self, Error>>>>;

    fn from_request(req: &HttpRequest, payload: &mut Payload) -> Self::Future {
        let most = if open_to_strangers(req.path()) {
            MOST_FROM_STRANGERS
        } else {
            MOST_BYTES
        };
        let body = JsonBody::<Value>::new(req, payload, None, true).limit(most);
        Box::pin(async move {
            let value = tokio::time::timeout(WITHIN, body)
                .await
                .map_err(|_| ApiError::new(StatusCode::REQUEST_TIMEOUT, "slow", &[]))?
                .map_err(|error| unread(&error, most))?;
            Ok(Form(read(value)?))
        })
    }
}

/// Why a body was not read.
fn unread(error: &JsonPayloadError, most: usize) -> ApiError {
    use JsonPayloadError as E;
    match error {
        E::Overflow { .. } | E::OverflowKnownLength { .. } => ApiError::new(
            StatusCode::PAYLOAD_TOO_LARGE,
            "too-large",
            &[("limit", Word::Text(&format!("{} kB", most / 1024)))],
        ),
        _ => ApiError::unreadable(&error.to_string()),
    }
}

/// Reads a body of any kind; also the parts of one that holds several.
pub(crate) fn read<T: DeserializeOwned>(mut body: Value) -> Result<T, ApiError> {
    let mut faults = Faults::default();
    clean(&body, "", 0, &mut faults);
    faults.check()?;
    whole(&mut body);
    serde_path_to_error::deserialize(body).map_err(|error| {
        let detail = error.inner().to_string();
        let field = field_of(&error.path().to_string(), &detail);
        let mut out = ApiError::new(
            StatusCode::BAD_REQUEST,
            "unreadable",
            &[("detail", Word::Text(&format!("{field}: {detail}")))],
        );
        out.0.fields.push(FieldFault {
            field,
            code: "shape".to_owned(),
            message: wording().say("fault-shape", &[("detail", Word::Text(&detail))]),
        });
        out
    })
}

/// serde names a missing or unknown field in its message, not in the path.
fn field_of(path: &str, detail: &str) -> String {
    let named = detail
        .split('`')
        .nth(1)
        .filter(|_| detail.contains("field"));
    match (path, named) {
        ("." | "", Some(name)) => name.to_owned(),
        (path, Some(name)) => format!("{path}.{name}"),
        (path, None) => path.to_owned(),
    }
}

fn clean(value: &Value, field: &str, depth: usize, faults: &mut Faults) {
    if depth > DEEPEST {
        return faults.push(field, "too-deep", &[("max", Word::Number(DEEPEST as f64))]);
    }
    match value {
        Value::String(text) if text.chars().any(control) => {
            faults.push(field, "control", &[]);
        }
        Value::Array(list) => {
            let samples = field.is_empty() || field.ends_with("samples");
            let most = if samples { MOST_SAMPLES } else { MOST_ROWS };
            if list.len() > most {
                let max = [
                    ("given", Word::Number(list.len() as f64)),
                    ("max", Word::Number(most as f64)),
                ];
                return faults.push(field, "too-many", &max);
            }
            for (i, entry) in list.iter().enumerate() {
                clean(entry, &format!("{field}[{i}]"), depth + 1, faults);
            }
        }
        Value::Object(fields) => {
            for (name, value) in fields {
                let name: String = name.chars().filter(|c| !control(*c)).take(60).collect();
                let path = if field.is_empty() {
                    name
                } else {
                    format!("{field}.{name}")
                };
                clean(value, &path, depth + 1, faults);
            }
        }
        _ => {}
    }
}

/// 57.0 is the whole number 57: JSON knows no difference, fields that count do.
fn whole(value: &mut Value) {
    /// Up to here every whole number has a float of its own.
    const EXACT: f64 = 9_007_199_254_740_992.0;
    match value {
        Value::Number(number) if number.is_f64() => {
            let whole = number
                .as_f64()
                .filter(|n| n.fract() == 0.0 && n.abs() <= EXACT);
            if let Some(whole) = whole {
                *value = Value::from(whole as i64);
            }
        }
        Value::Array(list) => list.iter_mut().for_each(whole),
        Value::Object(fields) => fields.values_mut().for_each(whole),
        _ => {}
    }
}

/// Characters no text may hold: the database keeps no NUL, and nobody types the others.
pub(crate) fn control(c: char) -> bool {
    c.is_control() && !matches!(c, '\n' | '\r' | '\t')
}
