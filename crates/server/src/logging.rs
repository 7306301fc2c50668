//! One line of log a request: method, path pattern, status, time, the id that its answer carries. No queries, no bodies.

use actix_web::Error;
use actix_web::HttpMessage;
use actix_web::body::MessageBody;
use actix_web::dev::{ServiceRequest, ServiceResponse};
use std::time::Instant;
use tracing::Span;
use tracing_actix_web::{RequestId, RootSpanBuilder};

/// When a request came.
struct Began(Instant);

/// Names a request by its pattern: a search carries a patient's name, and an address a patient's id.
pub(crate) struct Quiet;

impl RootSpanBuilder for Quiet {
    fn on_request_start(request: &ServiceRequest) -> Span {
        let route = request
            .match_pattern()
            .unwrap_or_else(|| "pages".to_owned());
        request.extensions_mut().insert(Began(Instant::now()));
        let empty = tracing::field::Empty;
        let id = request
            .extensions()
            .get::<RequestId>()
            .map(ToString::to_string);
        tracing::info_span!("request", id, method = %request.method(), route, status = empty, elapsed_ms = empty)
    }

    fn on_request_end<B: MessageBody>(span: Span, outcome: &Result<ServiceResponse<B>, Error>) {
        let status = match outcome {
            Ok(response) => {
                if let Some(Began(at)) = response.request().extensions().get() {
                    span.record("elapsed_ms", at.elapsed().as_secs_f64() * 1000.0);
                }
                response.status().as_u16()
            }
            Err(error) => error.as_response_error().status_code().as_u16(),
        };
        span.record("status", status);
        span.in_scope(|| tracing::info!("answered"));
    }
}
