//! Episodes: added, ended, opened again.

use super::page::{PatientHead, head};
use crate::app::App;
use crate::choices::{check_beginning, check_story};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use crate::visit::take_on;
use actix_web::{HttpRequest, post, web};
use chrono::NaiveDate;
use ritorno_core::facts::{OtherSide, Story};
use ritorno_core::permission::Action;
use ritorno_store::episode::Patient;
use ritorno_store::{EpisodeId, PatientId, PgConnection, StoreError, defaults, episode};
use ritorno_wording::Value;
use serde::Deserialize;
use uuid::Uuid;

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

/// Another episode of a patient who is known.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewEpisode {
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    story: Story,
    /// Schools that were not chosen are the clinic's.
    #[serde(default)]
    with_defaults: bool,
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

/// Whether an episode was begun before with the same words: a request whose answer was lost is sent once more.
///
/// # Errors
/// `IdConflict` when the id says something else.
pub(super) fn begun(
    conn: &mut PgConnection,
    patient: &Patient,
    id: EpisodeId,
    story: &Story,
    today: NaiveDate,
) -> Result<bool, StoreError> {
    let there = match episode::load(conn, id, today) {
        Err(StoreError::NotFound(_)) => return Ok(false),
        other => other?,
    };
    let mut kept = in_order(&there.facts.story);
    // Where both shoulders are treated that is read from the record, whatever was said.
    if kept.other_side == OtherSide::Operated {
        kept.other_side = story.other_side;
    }
    if there.patient == *patient && kept == in_order(story) {
        Ok(true)
    } else {
        Err(StoreError::IdConflict)
    }
}

/// A story with what has no order in one.
fn in_order(story: &Story) -> Story {
    let mut story = story.clone();
    for list in [&mut story.health, &mut story.kit, &mut story.modifiers] {
        list.sort();
    }
    story
}

pub(super) fn wire(reason: EndReason) -> &'static str {
    match reason {
        EndReason::Discharged => "discharged",
        EndReason::MovedAway => "moved_away",
        EndReason::Declined => "declined",
        EndReason::Died => "died",
        EndReason::Other => "other",
    }
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
    let mut form = form.into_inner();
    app.command(
        &req,
        Action::EditStory,
        "add-episode",
        Of::Patient(id),
        move |state, conn, user| {
            if form.with_defaults {
                let (_, set) = defaults::newest(conn)?;
                set.follow(&*state.current(conn)?, &mut form.story);
            }
            let newest = episode::newest_of(conn, id)?;
            let patient = episode::load(conn, newest, state.today.date())?.patient;
            if begun(
                conn,
                &patient,
                form.episode,
                &form.story,
                state.today.date(),
            )? {
                return Ok(web::Json(head(conn, &patient, form.episode)?));
            }
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
            take_on(conn, user, form.episode, state.today.date())?;
            refresh_lane(state, conn, form.episode)?;
            Ok(web::Json(head(conn, &patient, form.episode)?))
        },
    )
    .await
}
