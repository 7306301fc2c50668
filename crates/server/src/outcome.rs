//! Outcome scores: filled sheets and what they come to; two visits side by side.

use crate::app::{App, AppState};
use crate::assess::{Opened, assess, last_day};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use chrono::NaiveDate;
use ritorno_core::calendar::Clock;
use ritorno_core::facts::Sheet;
use ritorno_core::permission::Action;
use ritorno_core::reading::{InstrumentView, faults as wrong_answer, outcome_page, score};
use ritorno_core::reading::{VisitComparison, barred, compare};
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode, outcome};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Instruments and sheets of an episode.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct OutcomePage {
    clock: Clock,
    instruments: Vec<InstrumentView>,
}

fn page(opened: &Opened) -> Result<OutcomePage, ApiError> {
    let loaded = &opened.loaded;
    let assessment = opened.assess()?;
    Ok(OutcomePage {
        clock: Clock::at(loaded.facts.day()),
        instruments: outcome_page(&assessment.ctx(), &loaded.facts),
    })
}

#[utoipa::path(tag = "outcome", responses((status = 200, body = OutcomePage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/outcomes")]
pub(crate) async fn show_outcomes(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<OutcomePage>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| Ok(Opened::read(state, conn, id)?),
        |_, opened| page(&opened).map(web::Json),
    )
    .await
}

/// Keeps a filled outcome sheet.
pub(crate) fn keep_sheet(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    sheet: Sheet,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    let mut faults = Faults::default();
    faults.event_date("on", sheet.on, loaded.facts.story.day0, last_day(&loaded));
    let row = known.scores.iter().find(|r| r.id == sheet.instrument);
    faults.known("instrument", &sheet.instrument, row.is_some());
    if let Some(row) = row {
        let items = row.items() as f64;
        faults.within("answers.length", sheet.answers.len() as f64, items, items);
        if let Some(bad) = wrong_answer(row, &sheet.answers) {
            let field = format!("answers.{}", bad.place);
            if bad.is_fraction() {
                let given = [("given", Value::Number(bad.given))];
                faults.push(&field, "answer-not-whole", &given);
            } else {
                faults.within(&field, bad.given, bad.min, bad.max);
            }
        }
    }
    faults.check()?;
    if let Some(row) = row {
        // No number without the rule that allows it; the page keeps the answers until the sheet can be scored.
        if score(row, &sheet.answers).is_err() {
            let given = sheet.answers.iter().flatten().count() as f64;
            let mut faults = Faults::default();
            faults.push(
                "answers",
                "score-too-few",
                &[
                    ("given", Value::Number(given)),
                    ("items", Value::Number(row.items() as f64)),
                ],
            );
            faults.check()?;
        }
        if let Some(test) = row.test.as_ref().and_then(|t| known.test(t)) {
            let assessment = assess(&known, &loaded.facts)?;
            let reasons = barred(&assessment.ctx(), &loaded.facts, test);
            if !reasons.is_empty() {
                return Err(ApiError::blocked(reasons, Vec::new()));
            }
        }
    }
    outcome::add(conn, id, &sheet)?;
    Ok(())
}

#[utoipa::path(tag = "outcome", request_body = Sheet, responses((status = 200, body = OutcomePage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/outcomes")]
pub(crate) async fn add_sheet(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Sheet>,
) -> Result<web::Json<OutcomePage>, ApiError> {
    let id = EpisodeId(*id);
    let sheet = form.into_inner();
    app.command(
        &req,
        Action::Measure,
        "add-outcome",
        Of::Episode(id),
        move |state, conn, user| {
            keep_sheet(state, conn, user, id, sheet)?;
            let loaded = refresh_lane(state, conn, id)?;
            let opened = Opened::of(state, conn, loaded)?;
            Ok(web::Json(page(&opened)?))
        },
    )
    .await
}

/// Which two days.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Days {
    /// The earlier; the last but one without it.
    before: Option<NaiveDate>,
    /// The later; the last without it.
    now: Option<NaiveDate>,
}

#[utoipa::path(tag = "outcome", params(Days), responses((status = 200, body = VisitComparison), (status = "default", body = Problem)))]
#[get("/episodes/{id}/comparison")]
pub(crate) async fn show_comparison(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    days: web::Query<Days>,
) -> Result<web::Json<VisitComparison>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| Ok(Opened::read(state, conn, id)?),
        move |_, opened| {
            Ok(web::Json(compare(
                &opened.assess()?.ctx(),
                &opened.loaded.facts,
                days.before,
                days.now,
            )))
        },
    )
    .await
}
