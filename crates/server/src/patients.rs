//! Patients and their episodes: several shoulders and operations, each with its own clock.

use crate::app::{App, Of};
use crate::choices::{check_beginning, check_story};
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, get, post, put, web};
use chrono::{Months, NaiveDate};
use ritorno_core::facts::{Start, Story};
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_store::episode::Patient;
use ritorno_store::{EpisodeId, PatientId, PgConnection, StoreError, episode};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A new patient with a first operated shoulder.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewPatient {
    #[schema(value_type = Uuid)]
    patient: PatientId,
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    given_name: String,
    family_name: String,
    birth: NaiveDate,
    story: Story,
    /// Somebody of this name and birth date is known, and this is another person.
    #[serde(default)]
    another: bool,
}

/// A name or a birth date that was typed wrongly.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct PatientEdit {
    given_name: String,
    family_name: String,
    birth: NaiveDate,
    /// Somebody of this name and birth date is known, and this is another person.
    #[serde(default)]
    another: bool,
}

/// How an episode ends.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, utoipa::ToSchema)]
#[serde(rename_all = "snake_case")]
pub(crate) enum EndReason {
    /// The goals are reached.
    Discharged,
    /// Treated elsewhere from now on.
    MovedAway,
    /// The patient does not want to go on.
    Declined,
    /// The patient has died.
    Died,
    /// Something else, in words.
    Other,
}

/// Ending an episode.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Ending {
    reason: EndReason,
    on: NaiveDate,
    /// The last reading and what was agreed.
    words: String,
}

/// Opening an ended episode again.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Reopening {
    /// Why it ends, in words.
    words: String,
}

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

/// Another episode of a patient who is known.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewEpisode {
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
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
            let today = state.today.date();
            check_person(
                &mut faults,
                (&form.given_name, &form.family_name),
                form.birth,
                today,
            );
            check_beginning(state, &form.story, form.birth, &mut faults);
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
            if !form.another {
                nobody_else(conn, &patient)?;
            }
            episode::insert(conn, &patient, form.episode, &form.story, today)?;
            refresh_lane(state, conn, form.episode)?;
            Ok(web::Json(head(conn, &patient, form.episode)?))
        },
    )
    .await
}

/// A name, and a birth date that somebody alive may have.
fn check_person(
    faults: &mut Faults,
    (given, family): (&str, &str),
    birth: NaiveDate,
    today: NaiveDate,
) {
    faults.text("given_name", given, 80, true);
    faults.text("family_name", family, 80, true);
    faults.date("birth", birth, today);
    if birth
        .checked_add_months(Months::new(12 * 115))
        .is_some_and(|end| end < today)
    {
        faults.push("birth", "too-old", &[("years", Value::Number(115.0))]);
    }
}

/// Asks when somebody else of this name and birth date is known.
fn nobody_else(conn: &mut PgConnection, patient: &Patient) -> Result<(), ApiError> {
    if episode::same_person(conn, patient)? {
        return Err(ApiError::new(StatusCode::CONFLICT, "same-person", &[]));
    }
    Ok(())
}

#[utoipa::path(tag = "story", request_body = PatientEdit, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[put("/patients/{id}")]
pub(crate) async fn edit_patient(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<PatientEdit>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let id = PatientId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::EditStory,
        "edit-patient",
        Of::Patient(id),
        move |state, conn, _| {
            let today = state.today.date();
            let mut faults = Faults::default();
            check_person(
                &mut faults,
                (&form.given_name, &form.family_name),
                form.birth,
                today,
            );
            faults.check()?;
            let patient = Patient {
                id: id,
                given_name: form.given_name.trim().to_owned(),
                family_name: form.family_name.trim().to_owned(),
                birth: form.birth,
            };
            if !form.another {
                nobody_else(conn, &patient)?;
            }
            episode::rename(conn, &patient, today)?;
            let newest = episode::newest_of(conn, id)?;
            refresh_lane(state, conn, newest)?;
            Ok(web::Json(head(conn, &patient, newest)?))
        },
    )
    .await
}

#[utoipa::path(tag = "story", request_body = Ending, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[post("/episodes/{id}/end")]
pub(crate) async fn end_episode(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Ending>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "end-episode",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            let mut faults = Faults::default();
            faults.event_date("on", form.on, loaded.facts.story.day0, state.today.date());
            faults.text("words", &form.words, 2000, true);
            if loaded.closed_on.is_some() {
                faults.push("episode", "episode-ended", &[]);
            }
            faults.check()?;
            episode::close(conn, id, form.on, wire(form.reason), &form.words)?;
            refresh_lane(state, conn, id)?;
            Ok(web::Json(head(conn, &loaded.patient, id)?))
        },
    )
    .await
}

#[utoipa::path(tag = "story", request_body = Reopening, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[post("/episodes/{id}/reopen")]
pub(crate) async fn reopen_episode(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Reopening>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "reopen-episode",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            let mut faults = Faults::default();
            faults.text("words", &form.words, 1000, true);
            let side = loaded.facts.story.side;
            let all = episode::all_of(conn, loaded.patient.id)?;
            if all.iter().any(|e| e.side == side && e.closed_on.is_none()) {
                faults.push("episode", "side-open", &[]);
            }
            faults.check()?;
            episode::reopen(conn, id, state.today.date(), &form.words)?;
            refresh_lane(state, conn, id)?;
            Ok(web::Json(head(conn, &loaded.patient, id)?))
        },
    )
    .await
}

fn wire(reason: EndReason) -> &'static str {
    match reason {
        EndReason::Discharged => "discharged",
        EndReason::MovedAway => "moved_away",
        EndReason::Declined => "declined",
        EndReason::Died => "died",
        EndReason::Other => "other",
    }
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

#[utoipa::path(tag = "story", request_body = NewEpisode, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[post("/patients/{id}/episodes")]
pub(crate) async fn add_episode(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<NewEpisode>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let id = PatientId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::EditStory,
        "add-episode",
        Of::Patient(id),
        move |state, conn, _| {
            let newest = episode::newest_of(conn, id)?;
            let patient = episode::load(conn, newest, state.today.date())?.patient;
            let mut faults = Faults::default();
            check_beginning(state, &form.story, patient.birth, &mut faults);
            check_story(
                state,
                &*state.current(conn)?,
                &form.story,
                patient.birth,
                &mut faults,
            );
            // A later operation takes the place of what ran for the same shoulder; an earlier date would turn the order round.
            let before = episode::all_of(conn, id)?
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
    let id = PatientId(*id);
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let episode = episode::newest_of(conn, id)?;
        let loaded = episode::load(conn, episode, state.today.date())?;
        Ok(web::Json(head(conn, &loaded.patient, episode)?))
    })
    .await
}
