//! The body of a request: JSON whose texts can be kept and whose shape is told by field.

use crate::problem::{ApiError, FieldFault, wording};
use crate::validate::Faults;
use actix_web::dev::Payload;
use actix_web::http::StatusCode;
use actix_web::{Error, FromRequest, HttpRequest, web};
use ritorno_wording::Value as Word;
use serde::de::DeserializeOwned;
use serde_json::Value;
use std::future::Future;
use std::ops::Deref;
use std::pin::Pin;

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
        let body = web::Json::<Value>::from_request(req, payload);
        Box::pin(async move { Ok(Form(read(body.await?.into_inner())?)) })
    }
}

/// Reads a body of any kind; also the parts of one that holds several.
pub(crate) fn read<T: DeserializeOwned>(body: Value) -> Result<T, ApiError> {
    let mut faults = Faults::default();
    clean(&body, "", &mut faults);
    faults.check()?;
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

fn clean(value: &Value, field: &str, faults: &mut Faults) {
    match value {
        Value::String(text) if text.chars().any(control) => {
            faults.push(field, "control", &[]);
        }
        Value::Array(list) => {
            for (i, entry) in list.iter().enumerate() {
                clean(entry, &format!("{field}[{i}]"), faults);
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
                clean(value, &path, faults);
            }
        }
        _ => {}
    }
}

/// Characters no text may hold: the database keeps no NUL, and nobody types the others.
pub(crate) fn control(c: char) -> bool {
    c.is_control() && !matches!(c, '\n' | '\r' | '\t')
}
