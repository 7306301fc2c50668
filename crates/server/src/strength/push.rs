//! Pushes, typed or measured, and their traces.

use super::page::{StrengthRoom, room};
use crate::app::{App, AppState};
use crate::assess::{Opened, assess, last_day};
use crate::command::Of;
use crate::form::{Form, MOST_SAMPLES};
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use chrono::NaiveDate;
use ritorno_core::facts::{STAND_INS, StrengthTrial};
use ritorno_core::force::{ForceSample, TraceMeasurement, read_trace, strength_barred};
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, StoreError, episode, strength};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

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
            faults.within(
                "force.samples",
                samples.len() as f64,
                1.0,
                MOST_SAMPLES as f64,
            );
            let measurement = read_trace(&known, samples);
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
