//! Patients and their episodes: several shoulders and operations, each with its own clock.

use crate::app::App;
use crate::choices::check_story;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use chrono::{Months, NaiveDate};
use ritorno_core::episode::{Start, Story};
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_store::episode::Patient;
use ritorno_store::{PgConnection, StoreError, episode};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A new patient with a first operated shoulder.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewPatient {
    patient: Uuid,
    episode: Uuid,
    given_name: String,
    family_name: String,
    birth: NaiveDate,
    story: Story,
}

/// Where a patient's newest episode is.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PatientHead {
    patient: Uuid,
    episode: Uuid,
    name: String,
    birth: NaiveDate,
    /// All shoulders and operations, newest first.
    episodes: Vec<EpisodeHead>,
}

/// One episode of a patient.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct EpisodeHead {
    id: Uuid,
    pathway: String,
    side: Arm,
    day0: NaiveDate,
    start: Start,
    /// When a later operation of the same shoulder took its place.
    closed_on: Option<NaiveDate>,
}

/// Another episode of a patient who is known.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewEpisode {
    episode: Uuid,
    story: Story,
}

#[utoipa::path(tag = "story", request_body = NewPatient, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[post("/patients")]
pub(crate) async fn add_patient(
    app: App,
    req: HttpRequest,
    form: Form<NewPatient>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::EditStory,
        "add-patient",
        move |state, conn, _| {
            let mut faults = Faults::default();
            faults.text("given_name", &form.given_name, 80, true);
            faults.text("family_name", &form.family_name, 80, true);
            faults.date("birth", form.birth, state.today.date());
            if form
                .birth
                .checked_add_months(Months::new(12 * 115))
                .is_some_and(|end| end < state.today.date())
            {
                faults.push("birth", "too-old", &[("years", Value::Number(115.0))]);
            }
            check_story(
                state,
                &*state.current(conn)?,
                &form.story,
                form.birth,
                &mut faults,
            );
            faults.check()?;
            let patient = Patient {
                id: form.patient,
                given_name: form.given_name.trim().to_owned(),
                family_name: form.family_name.trim().to_owned(),
                birth: form.birth,
            };
            episode::insert(conn, &patient, form.episode, &form.story)?;
            refresh_lane(state, conn, form.episode)?;
            Ok(web::Json(head(conn, &patient, form.episode)?))
        },
    )
    .await
}

/// Who it is, with all episodes.
pub(crate) fn head(
    conn: &mut PgConnection,
    patient: &Patient,
    episode: Uuid,
) -> Result<PatientHead, StoreError> {
    let episodes = episode::all_of(conn, patient.id)?;
    Ok(PatientHead {
        patient: patient.id,
        episode,
        name: format!("{} {}", patient.given_name, patient.family_name),
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

#[utoipa::path(tag = "story", request_body = NewEpisode, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[post("/patients/{id}/episodes")]
pub(crate) async fn add_episode(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<NewEpisode>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::EditStory,
        "add-episode",
        move |state, conn, _| {
            let newest = episode::newest_of(conn, *id)?;
            let patient = episode::load(conn, newest, state.today.date())?.patient;
            let mut faults = Faults::default();
            check_story(
                state,
                &*state.current(conn)?,
                &form.story,
                patient.birth,
                &mut faults,
            );
            // A later operation takes the place of what ran for the same shoulder; an earlier date would turn the order round.
            let before = episode::all_of(conn, *id)?
                .into_iter()
                .filter(|e| e.side == form.story.side && e.closed_on.is_none());
            if let Some(later) = before
                .map(|e| e.day0)
                .max()
                .filter(|day0| *day0 > form.story.day0)
            {
                faults.push(
                    "story.day0",
                    "before-episode",
                    &[("date", Value::Text(&later.to_string()))],
                );
            }
            faults.check()?;
            episode::add(
                conn,
                patient.id,
                form.episode,
                &form.story,
                state.today.date(),
            )?;
            refresh_lane(state, conn, form.episode)?;
            Ok(web::Json(head(conn, &patient, form.episode)?))
        },
    )
    .await
}

#[utoipa::path(tag = "story", responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[get("/patients/{id}")]
pub(crate) async fn show_patient(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<PatientHead>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let episode = episode::newest_of(conn, *id)?;
        let loaded = episode::load(conn, episode, state.today.date())?;
        Ok(web::Json(head(conn, &loaded.patient, episode)?))
    })
    .await
}
