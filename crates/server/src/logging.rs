//! One line of log a request: method, path pattern, status, time. No ids, no queries, no bodies.

use actix_web::Error;
use actix_web::body::MessageBody;
use actix_web::dev::{ServiceRequest, ServiceResponse};
use tracing::Span;
use tracing_actix_web::RootSpanBuilder;

/// Names a request by its pattern: a search carries a patient's name, and an address a patient's id.
pub(crate) struct Quiet;

impl RootSpanBuilder for Quiet {
    fn on_request_start(request: &ServiceRequest) -> Span {
        let route = request
            .match_pattern()
            .unwrap_or_else(|| "pages".to_owned());
        tracing::info_span!("request", method = %request.method(), route, status = tracing::field::Empty)
    }

    fn on_request_end<B: MessageBody>(span: Span, outcome: &Result<ServiceResponse<B>, Error>) {
        let status = match outcome {
            Ok(response) => response.status().as_u16(),
            Err(error) => error.as_response_error().status_code().as_u16(),
        };
        span.record("status", status);
        span.in_scope(|| tracing::info!("answered"));
    }
}
