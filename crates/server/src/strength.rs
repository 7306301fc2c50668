//! Strength: standard positions, pushes typed or measured by a device that streams while it measures.

use crate::app::{App, AppState, Of};
use crate::assess::{Opened, assess, last_day};
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::security::token_of;
use crate::validate::Faults;
use actix_web::http::StatusCode;
use actix_web::http::header::{CONTENT_ENCODING, CacheControl, CacheDirective};
use actix_web::{HttpRequest, HttpResponse, get, post, web};
use chrono::NaiveDate;
use ritorno_core::calendar::Clock;
use ritorno_core::facts::{STAND_INS, StrengthTrial};
use ritorno_core::force::{
    ForceSample, StrengthPage, TraceMeasurement, read_trace, strength_barred, strength_page,
};
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_core::ranges::{AngleMeasurement, AngleSample, read_angle};
use ritorno_instruments::{Dynamometer, Inclinometer, Instrument, Push, Quantity, Replay};
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, StoreError, episode, strength};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use std::time::Duration;
use tokio::sync::mpsc;
use uuid::Uuid;

/// Strength of an episode.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct StrengthRoom {
    clock: Clock,
    side: Arm,
    mass_kg: Option<f64>,
    page: StrengthPage,
}

/// How hard it was.
#[derive(Deserialize, utoipa::ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case")]
pub(crate) enum Force {
    /// Read off and typed.
    Typed {
        /// Newtons.
        peak_n: f64,
    },
    /// Measured by a device: the samples as they came.
    Trace {
        /// The device's name.
        device: String,
        /// At most two minutes at 100 Hz.
        samples: Vec<ForceSample>,
    },
}

/// One push.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct PushForm {
    id: Uuid,
    test: String,
    side: Arm,
    lever_m: Option<f64>,
    pain: Option<f64>,
    on: NaiveDate,
    force: Force,
    /// Anything else about it, in words.
    #[serde(default)]
    remark: String,
}

/// What came of it: the room as it is now, and what the trace said.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PushKept {
    room: StrengthRoom,
    measurement: Option<TraceMeasurement>,
}

/// A kept trace.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct KeptTrace {
    #[schema(value_type = Vec<ForceSample>)]
    samples: serde_json::Value,
    #[schema(value_type = TraceMeasurement)]
    measurement: serde_json::Value,
}

fn room(opened: &Opened) -> Result<StrengthRoom, ApiError> {
    let facts = &opened.loaded.facts;
    let assessment = opened.assess()?;
    Ok(StrengthRoom {
        clock: Clock::at(facts.day()),
        side: facts.story.side,
        mass_kg: facts.story.mass_kg,
        page: strength_page(&assessment.ctx(), facts),
    })
}

#[utoipa::path(tag = "strength", responses((status = 200, body = StrengthRoom), (status = "default", body = Problem)))]
#[get("/episodes/{id}/strength")]
pub(crate) async fn show_strength(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<StrengthRoom>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| Ok(Opened::read(state, conn, id)?),
        |_, opened| room(&opened).map(web::Json),
    )
    .await
}

/// Keeps a push, typed or measured; answers with what its trace said.
pub(crate) fn keep_push(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    form: PushForm,
) -> Result<Option<TraceMeasurement>, ApiError> {
    // It is judged by the arm it touches.
    let id = episode::of_arm(conn, id, form.side)?;
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    let facts = &loaded.facts;
    let mut faults = Faults::default();
    faults.event_date("on", form.on, facts.story.day0, last_day(&loaded));
    let test = known.strength.iter().find(|t| t.id == form.test);
    faults.known("test", &form.test, test.is_some());
    if let Some(lever) = form.lever_m {
        faults.bound(&known, "lever_m", "lever_m", lever);
    }
    if let Some(pain) = form.pain {
        faults.bound(&known, "pain", "pain", pain);
    }
    faults.text("remark", &form.remark, 1000, false);
    let (peak_n, measurement) = match &form.force {
        Force::Typed { peak_n } => {
            faults.bound(&known, "force.peak_n", "force_n", *peak_n);
            (*peak_n, None)
        }
        Force::Trace { samples, device } => {
            faults.known("force.device", device, STAND_INS.contains(&device.as_str()));
            if !state.demo {
                faults.push("force.device", "not-in-demo", &[]);
            }
            faults.within("force.samples", samples.len() as f64, 1.0, 12_000.0);
            let measurement = read_trace(samples);
            (measurement.peak_n.max(0.0), Some(measurement))
        }
    };
    faults.check()?;
    if let Some(test) = test.filter(|_| form.side == facts.story.side) {
        let assessment = assess(&known, facts)?;
        let reasons = strength_barred(&assessment.ctx(), facts, test);
        if !reasons.is_empty() {
            return Err(ApiError::blocked(reasons, Vec::new()));
        }
    }
    let trial = StrengthTrial {
        id: form.id,
        test: form.test.clone(),
        side: form.side,
        peak_n,
        lever_m: form.lever_m,
        pain: form.pain,
        device: match &form.force {
            Force::Trace { device, .. } => Some(device.clone()),
            Force::Typed { .. } => None,
        },
        sound: measurement.as_ref().is_none_or(|r| r.faults.is_empty()),
        on: form.on,
        remark: form.remark.trim().to_owned(),
    };
    let broken = |_| StoreError::Unreadable("trace");
    let trace = match (&form.force, &measurement) {
        (Force::Trace { samples, .. }, Some(measurement)) => Some((
            serde_json::to_value(samples).map_err(broken)?,
            serde_json::to_value(measurement).map_err(broken)?,
        )),
        _ => None,
    };
    strength::add(conn, id, &trial, trace)?;
    Ok(measurement)
}

#[utoipa::path(tag = "strength", request_body = PushForm, responses((status = 200, body = PushKept), (status = "default", body = Problem)))]
#[post("/episodes/{id}/strength")]
pub(crate) async fn add_push(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<PushForm>,
) -> Result<web::Json<PushKept>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Measure,
        "add-strength",
        Of::Episode(id),
        move |state, conn, user| {
            let measurement = keep_push(state, conn, user, id, form)?;
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(PushKept {
                room: room(&Opened::of(state, conn, loaded)?)?,
                measurement,
            }))
        },
    )
    .await
}

#[utoipa::path(tag = "strength", responses((status = 200, body = KeptTrace), (status = "default", body = Problem)))]
#[get("/episodes/{id}/strength/{trial}/trace")]
pub(crate) async fn show_trace(
    app: App,
    req: HttpRequest,
    ids: web::Path<(Uuid, Uuid)>,
) -> Result<web::Json<KeptTrace>, ApiError> {
    let (id, trial) = ids.into_inner();
    let id = EpisodeId(id);
    app.read(&req, Action::ReadRecord, move |_, conn, _| {
        let (samples, measurement) = strength::trace(conn, id, trial)?;
        Ok(web::Json(KeptTrace {
            samples,
            measurement,
        }))
    })
    .await
}

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
const RECORDED: &str = include_str!("../../instruments/data/recorded-push.csv");
/// Batches that may wait for a slow reader; then the device waits, and nothing grows.
const WAITING_BATCHES: usize = 8;

fn open_device(listen: &Listen) -> Result<Box<dyn Instrument>, ApiError> {
    let mut faults = Faults::default();
    let plateau = listen.plateau.unwrap_or(120.0);
    faults.within("plateau", plateau, 0.0, 1000.0);
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
    let mut device = open_device(&query)?;
    let (tell, told) =
        mpsc::channel::<Result<web::Bytes, std::convert::Infallible>>(WAITING_BATCHES);
    tokio::spawn(async move {
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
    app.read(&req, Action::Measure, move |_, _, _| {
        let mut faults = Faults::default();
        faults.within("samples", form.len() as f64, 1.0, 12_000.0);
        faults.check()?;
        Ok(web::Json(read_angle(&form)))
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
    app.read(&req, Action::Measure, move |_, _, _| {
        let mut faults = Faults::default();
        faults.within("samples", form.len() as f64, 1.0, 12_000.0);
        faults.check()?;
        Ok(web::Json(read_trace(&form)))
    })
    .await
}
