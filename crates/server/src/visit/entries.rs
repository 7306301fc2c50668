//! What is entered at a visit: the log, weeks, scores, attestations.

use super::page::{VisitPage, page};
use crate::app::{App, AppState};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::{Acknowledged, acknowledge, refresh_lane};
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use chrono::NaiveDate;
use ritorno_core::facts::{Attestation, LogEntry, LogFact, Score, WeekUse};
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::Action;
use ritorno_store::event::Via;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, StoreError, episode, events, log};
use std::sync::Arc;
use uuid::Uuid;

/// What an entry is checked against: the record itself is read once, after it was stored.
pub(crate) struct Ground {
    known: Arc<Knowledge>,
    pub(crate) first_day: NaiveDate,
    pub(crate) last_day: NaiveDate,
}

impl Ground {
    pub(crate) fn of(
        state: &AppState,
        conn: &mut PgConnection,
        id: EpisodeId,
    ) -> Result<Ground, StoreError> {
        let at = episode::footing(conn, id)?;
        let today = state.today.date();
        Ok(Ground {
            known: state.knowledge_for(conn, at.knowledge_sha256.as_deref(), &at.pathway)?,
            first_day: at.day0,
            last_day: at.closed_on.map_or(today, |on| on.min(today)),
        })
    }
}

/// Keeps an entry of the home log that somebody of the clinic makes.
pub(crate) fn keep_log(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    entry: LogEntry,
) -> Result<(), ApiError> {
    keep_log_from(state, conn, Via::Clinic, id, entry)
}

/// Keeps an entry of the home log, whichever way it came.
pub(crate) fn keep_log_from(
    state: &AppState,
    conn: &mut PgConnection,
    via: Via,
    id: EpisodeId,
    entry: LogEntry,
) -> Result<(), ApiError> {
    // What is logged belongs to the program's own knowledge release.
    let ground = Ground::of(state, conn, id)?;
    let known = &ground.known;
    let mut faults = Faults::default();
    faults.event_date("on", entry.on, ground.first_day, ground.last_day);
    faults.text("remark", &entry.remark, 1000, false);
    if let Some(exercise) = &entry.exercise {
        faults.known("exercise", exercise, known.exercises.contains_key(exercise));
    }
    match entry.fact {
        LogFact::Done {
            sessions,
            repetitions,
        } => {
            faults.bound(known, "sessions", "sessions", f64::from(sessions));
            faults.bound(
                known,
                "repetitions",
                "done_repetitions",
                f64::from(repetitions),
            );
            if entry.exercise.is_none() {
                faults.push("exercise", "empty", &[]);
            }
        }
        LogFact::PainBefore { value }
        | LogFact::PainDuring { value }
        | LogFact::PainNextMorning { value } => {
            faults.bound(known, "value", "score_0_10", value);
        }
        LogFact::Effort { value } => faults.bound(known, "value", "score_0_10", value),
        LogFact::LeftOut { .. } | LogFact::Slip | LogFact::SlipWorse { .. } | LogFact::FlareDay => {
        }
    }
    faults.check()?;
    log::add(conn, id, &entry, via)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = LogEntry, responses((status = 200, body = Acknowledged), (status = "default", body = Problem)))]
#[post("/episodes/{id}/log")]
pub(crate) async fn add_log(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<LogEntry>,
) -> Result<web::Json<Acknowledged>, ApiError> {
    let id = EpisodeId(*id);
    let entry = form.into_inner();
    app.command(
        &req,
        Action::EnterLog,
        "add-log",
        Of::Episode(id),
        move |state, conn, user| {
            keep_log(state, conn, user, id, entry)?;
            acknowledge(state, conn, id).map(web::Json)
        },
    )
    .await
}

#[utoipa::path(tag = "visit", request_body = WeekUse, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/week-uses")]
pub(crate) async fn add_week_use(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<WeekUse>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let week = form.into_inner();
    app.command(
        &req,
        Action::EnterLog,
        "add-week-use",
        Of::Episode(id),
        move |state, conn, _| {
            let ground = Ground::of(state, conn, id)?;
            let mut faults = Faults::default();
            faults.event_date("on", week.on, ground.first_day, ground.last_day);
            faults.check()?;
            events::add_week_use(conn, id, &week)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}

/// Keeps a score of nought to ten.
pub(crate) fn keep_score(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    score: Score,
) -> Result<(), ApiError> {
    let ground = Ground::of(state, conn, id)?;
    let known = &ground.known;
    let mut faults = Faults::default();
    faults.event_date("on", score.on, ground.first_day, ground.last_day);
    faults.bound(known, "value", "score_0_10", score.value);
    faults.known("score", &score.score, known.asks_score(&score.score));
    faults.check()?;
    events::add_score(conn, id, &score)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = Score, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/scores")]
pub(crate) async fn add_score(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Score>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let score = form.into_inner();
    app.command(
        &req,
        Action::Measure,
        "add-score",
        Of::Episode(id),
        move |state, conn, user| {
            keep_score(state, conn, user, id, score)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}

/// Keeps what a clinician signs to be so.
pub(crate) fn keep_attestation(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    attestation: Attestation,
) -> Result<(), ApiError> {
    let ground = Ground::of(state, conn, id)?;
    let known = &ground.known;
    let mut faults = Faults::default();
    faults.event_date("on", attestation.on, ground.first_day, ground.last_day);
    let row = known.attestations.iter().any(|a| a.id == attestation.code);
    faults.known("code", &attestation.code, row);
    faults.check()?;
    events::add_attestation(conn, id, &attestation)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = Attestation, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/attestations")]
pub(crate) async fn attest(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Attestation>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let attestation = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "attest",
        Of::Episode(id),
        move |state, conn, user| {
            keep_attestation(state, conn, user, id, attestation)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}
