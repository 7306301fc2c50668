//! A patient with all shoulders and operations.

use crate::app::App;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use chrono::NaiveDate;
use ritorno_core::facts::Start;
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_store::episode::Patient;
use ritorno_store::{EpisodeId, PatientId, PgConnection, StoreError, episode};
use serde::Serialize;
use uuid::Uuid;

/// Where a patient's newest episode is.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PatientHead {
    #[schema(value_type = Uuid)]
    patient: PatientId,
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    name: String,
    given_name: String,
    family_name: String,
    birth: NaiveDate,
    /// All shoulders and operations, newest first.
    episodes: Vec<EpisodeHead>,
}

/// One episode of a patient.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct EpisodeHead {
    #[schema(value_type = Uuid)]
    id: EpisodeId,
    pathway: String,
    side: Arm,
    day0: NaiveDate,
    start: Start,
    /// When a later operation of the same shoulder took its place.
    closed_on: Option<NaiveDate>,
}

/// Who it is, with all episodes.
pub(crate) fn head(
    conn: &mut PgConnection,
    patient: &Patient,
    episode: EpisodeId,
) -> Result<PatientHead, StoreError> {
    let episodes = episode::all_of(conn, patient.id)?;
    Ok(PatientHead {
        patient: patient.id,
        episode,
        name: format!("{} {}", patient.given_name, patient.family_name),
        given_name: patient.given_name.clone(),
        family_name: patient.family_name.clone(),
        birth: patient.birth,
        episodes: episodes
            .into_iter()
            .map(|e| EpisodeHead {
                id: e.id,
                pathway: e.pathway,
                side: e.side,
                day0: e.day0,
                start: e.start,
                closed_on: e.closed_on,
            })
            .collect(),
    })
}

#[utoipa::path(tag = "story", responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[get("/patients/{id}")]
pub(crate) async fn show_patient(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let id = PatientId(*id);
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let episode = episode::newest_of(conn, id)?;
        let loaded = episode::load(conn, episode, state.today.date())?;
        Ok(web::Json(head(conn, &loaded.patient, episode)?))
    })
    .await
}
