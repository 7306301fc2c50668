//! Who looked at whose record and who wrote in it, when: for a lead, for an auditor, and for the patient who asks.

use crate::app::App;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use chrono::{DateTime, Utc};
use ritorno_core::permission::Action;
use ritorno_store::audit::{self, Trace};
use ritorno_store::{PatientId, UserId};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Lines of one answer.
const LINES: i64 = 100;

/// Whose trail, and from where on.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Trail {
    /// Of one patient's record only.
    patient: Option<Uuid>,
    /// Of one person only.
    who: Option<Uuid>,
    /// Only what came before this moment.
    before: Option<DateTime<Utc>>,
}

/// Somebody looked, or wrote.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct TraceRow {
    at: DateTime<Utc>,
    /// Nobody where it was the application itself.
    who: Option<String>,
    wrote: bool,
    /// The page that was looked at, or what was done.
    what: String,
    patient: Option<Uuid>,
    patient_name: Option<String>,
    /// The reason for which somebody else's record was opened.
    words: Option<String>,
}

/// A part of a trail, latest first.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct TrailPage {
    rows: Vec<TraceRow>,
    /// Whether there is more before the last of them.
    more: bool,
}

#[utoipa::path(tag = "staff", params(Trail), responses((status = 200, body = TrailPage), (status = "default", body = Problem)))]
#[get("/trail")]
pub(crate) async fn show_trail(
    app: App,
    req: HttpRequest,
    asked: web::Query<Trail>,
) -> Result<web::Json<TrailPage>, ApiError> {
    app.read(&req, Action::ReadAudit, move |_, conn, _| {
        let (patient, who) = (asked.patient.map(PatientId), asked.who.map(UserId));
        let mut traces = audit::traces(conn, patient, who, asked.before, LINES + 1)?;
        let more = traces.len() as i64 > LINES;
        // The next part begins before a moment: what happened at one moment is told together, and not cut in two.
        let cut = traces.last().filter(|_| more).map(|last| last.at);
        if let Some(whole) = cut.and_then(|cut| traces.iter().position(|t| t.at == cut))
            && whole > 0
        {
            traces.truncate(whole);
        }
        let row = |trace: Trace| TraceRow {
            at: trace.at,
            who: trace.who,
            wrote: trace.wrote,
            what: trace.what,
            patient: trace.patient,
            patient_name: trace.patient_name,
            words: trace.words,
        };
        Ok(web::Json(TrailPage {
            more,
            rows: traces.into_iter().map(row).collect(),
        }))
    })
    .await
}
