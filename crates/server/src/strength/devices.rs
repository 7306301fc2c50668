//! Simulated devices of the demo.

use crate::app::App;
use crate::form::{Form, MOST_SAMPLES};
use crate::problem::{ApiError, Problem};
use crate::security::token_of;
use crate::validate::Faults;
use actix_web::http::StatusCode;
use actix_web::http::header::{CONTENT_ENCODING, CacheControl, CacheDirective};
use actix_web::{HttpRequest, HttpResponse, get, post, web};
use ritorno_core::force::{ForceSample, TraceMeasurement, read_trace};
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::Action;
use ritorno_core::ranges::{AngleMeasurement, AngleSample, read_angle};
use ritorno_instruments::{Dynamometer, Inclinometer, Instrument, Push, Quantity, Replay};
use ritorno_wording::Value;
use serde::Deserialize;
use std::time::Duration;
use tokio::sync::mpsc;

/// Which stand-in to listen to.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Listen {
    /// `dynamometer`, `inclinometer` or `recorded`.
    device: String,
    /// The same seed gives the same push.
    seed: Option<u64>,
    /// Level of the plateau, in the device's unit.
    plateau: Option<f64>,
    /// Second at which the device is lost, to try it out.
    lost_at_s: Option<f64>,
}

/// The recording that ships with the application.
pub(super) const RECORDED: &str = include_str!("../../../instruments/data/recorded-push.csv");
/// Batches that may wait for a slow reader; then the device waits, and nothing grows.
pub(super) const WAITING_BATCHES: usize = 8;

pub(super) fn open_device(
    known: &Knowledge,
    listen: &Listen,
) -> Result<Box<dyn Instrument>, ApiError> {
    let mut faults = Faults::default();
    let plateau = listen.plateau.unwrap_or(120.0);
    faults.bound(known, "plateau", "plateau", plateau);
    faults.check()?;
    let push = Push {
        plateau,
        lost_at_s: listen.lost_at_s,
        ..Push::default()
    };
    let seed = listen.seed.unwrap_or(1);
    match listen.device.as_str() {
        "dynamometer" => Ok(Box::new(Dynamometer::new(push, seed))),
        "inclinometer" => Ok(Box::new(Inclinometer::new(push, seed))),
        "recorded" => {
            let replay = Replay::from_csv(RECORDED, Quantity::ForceN);
            Ok(Box::new(replay.map_err(|e| {
                ApiError::new(
                    StatusCode::INTERNAL_SERVER_ERROR,
                    "unreadable",
                    &[("detail", Value::Text(&e.to_string()))],
                )
            })?))
        }
        other => {
            faults = Faults::default();
            faults.known("device", other, false);
            faults.check()?;
            Err(ApiError::new(StatusCode::NOT_FOUND, "no-route", &[]))
        }
    }
}

/// Streams a device as server-sent events: `batch` ten times a second, then `end` or `lost`.
#[utoipa::path(tag = "strength", params(Listen), responses((status = 200, content_type = "text/event-stream", body = String), (status = "default", body = Problem)))]
#[get("/instruments/stream")]
pub(crate) async fn stream(
    app: App,
    req: HttpRequest,
    query: web::Query<Listen>,
) -> Result<HttpResponse, ApiError> {
    token_of(&req)?;
    // Signed in, like every other page; the stream itself needs no database.
    app.read(&req, Action::Measure, |_, _, _| Ok(())).await?;
    if !app.demo {
        return Err(ApiError::new(StatusCode::NOT_FOUND, "not-in-demo", &[]));
    }
    let mut device = open_device(&app.knowledge, &query)?;
    let place = app.turns.stream()?;
    let (tell, told) =
        mpsc::channel::<Result<web::Bytes, std::convert::Infallible>>(WAITING_BATCHES);
    tokio::spawn(async move {
        let _place = place;
        let mut tick = tokio::time::interval(Duration::from_millis(100));
        loop {
            tick.tick().await;
            let (event, more) = match device.next_batch() {
                Ok(Some(batch)) => {
                    let pairs: Vec<[f64; 2]> = batch
                        .iter()
                        .map(|s| {
                            [
                                (s.t_s * 1000.0).round() / 1000.0,
                                (s.value * 100.0).round() / 100.0,
                            ]
                        })
                        .collect();
                    (
                        format!(
                            "event: batch\ndata: {}\n\n",
                            serde_json::to_string(&pairs).unwrap_or_default()
                        ),
                        true,
                    )
                }
                Ok(None) => ("event: end\ndata: {}\n\n".to_owned(), false),
                Err(_) => ("event: lost\ndata: {}\n\n".to_owned(), false),
            };
            // The reader has gone: so does the device.
            if tell.send(Ok(web::Bytes::from(event))).await.is_err() || !more {
                return;
            }
        }
    });
    Ok(HttpResponse::Ok()
        .content_type("text/event-stream")
        .insert_header(CacheControl(vec![CacheDirective::NoStore]))
        // Compressing would hold batches back until a block is full.
        .insert_header((CONTENT_ENCODING, "identity"))
        .streaming(tokio_stream::wrappers::ReceiverStream::new(told)))
}

/// Reads the angle at which an inclinometer was held. Nothing is stored: the measurement is kept when the clinician says why it stopped.
#[utoipa::path(tag = "strength", request_body = Vec<AngleSample>, responses((status = 200, body = AngleMeasurement), (status = "default", body = Problem)))]
#[post("/instruments/angle")]
pub(crate) async fn angle(
    app: App,
    req: HttpRequest,
    form: Form<Vec<AngleSample>>,
) -> Result<web::Json<AngleMeasurement>, ApiError> {
    app.read(&req, Action::Measure, move |state, _, _| {
        let mut faults = Faults::default();
        faults.within("samples", form.len() as f64, 1.0, MOST_SAMPLES as f64);
        faults.check()?;
        Ok(web::Json(read_angle(&state.knowledge, &form)))
    })
    .await
}

/// Reads a pull that a force gauge has measured. Nothing is stored: the bench keeps the point when it is whole.
#[utoipa::path(tag = "strength", request_body = Vec<ForceSample>, responses((status = 200, body = TraceMeasurement), (status = "default", body = Problem)))]
#[post("/instruments/force")]
pub(crate) async fn force(
    app: App,
    req: HttpRequest,
    form: Form<Vec<ForceSample>>,
) -> Result<web::Json<TraceMeasurement>, ApiError> {
    app.read(&req, Action::Measure, move |state, _, _| {
        let mut faults = Faults::default();
        faults.within("samples", form.len() as f64, 1.0, MOST_SAMPLES as f64);
        faults.check()?;
        Ok(web::Json(read_trace(&state.knowledge, &form)))
    })
    .await
}
