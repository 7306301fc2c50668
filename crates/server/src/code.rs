//! An address as a picture that a telephone's camera reads.

use crate::problem::ApiError;
use actix_web::HttpRequest;
use actix_web::http::{StatusCode, header};

/// Where the application's own pages lie. The gate has seen to it that a write comes from one of them.
pub(crate) fn origin_of(req: &HttpRequest) -> String {
    let origin = req.headers().get(header::ORIGIN);
    let origin = origin.and_then(|value| value.to_str().ok());
    origin.unwrap_or_default().to_owned()
}

/// The picture of an address, SVG.
///
/// # Errors
/// When the address is too long for one.
pub(crate) fn code_of(address: &str) -> Result<String, ApiError> {
    let code = qrcode::QrCode::new(address.as_bytes()).map_err(|error| {
        tracing::error!(%error, "picture of a home link");
        ApiError::new(StatusCode::INTERNAL_SERVER_ERROR, "internal", &[])
    })?;
    Ok(code
        .render::<qrcode::render::svg::Color>()
        .min_dimensions(220, 220)
        .build())
}
