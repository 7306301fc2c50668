//! The week at home: what the patient says of their days and hours, and how the lines on the desk lie in them.

use super::lines::lines_in_bounds;
use super::page::assessed;
use super::propose::ProgramEdit;
use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use crate::visit::Ground;
use actix_web::{HttpRequest, post, web};
use ritorno_core::facts::{Facts, HomeHours, Line};
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::Action;
use ritorno_core::week::{WeekPlan, week_plan};
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, home_hours};
use serde::Serialize;
use uuid::Uuid;

/// The next seven days at home.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct WeekPage {
    /// What the patient said of their days and hours; nothing until somebody asked.
    hours: Option<HomeHours>,
    /// How often they said so.
    rev: i32,
    week: WeekPlan,
    /// The most hours of a day that can be named.
    most_times: u32,
}

fn week_of(
    known: &Knowledge,
    mut facts: Facts,
    (lines, rev): (Vec<Line>, i32),
) -> Result<WeekPage, ApiError> {
    facts.lines = lines;
    let assessment = assessed(known, &facts)?;
    Ok(WeekPage {
        week: week_plan(&assessment.ctx(), &facts),
        most_times: known
            .bounds
            .get("home_times")
            .map_or(0, |bound| bound.max as u32),
        rev,
        hours: facts.home_hours,
    })
}

#[utoipa::path(tag = "program", request_body = ProgramEdit, responses((status = 200, body = WeekPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/week")]
pub(crate) async fn plan_week(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<ProgramEdit>,
) -> Result<web::Json<WeekPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let named = home_hours::named(conn, id)?;
        Ok((Opened::read(state, conn, id)?, named.versions))
    };
    let show = move |_: &AppState, (opened, rev): (Opened, i32)| {
        let Opened { loaded, known } = opened;
        lines_in_bounds(&known, &form.lines)?;
        week_of(&known, loaded.facts, (form.lines, rev)).map(web::Json)
    };
    app.view(&req, Action::ReadRecord, read, show).await
}

#[utoipa::path(tag = "program", request_body = HomeHours, responses((status = 200, body = WeekPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/home-hours")]
pub(crate) async fn add_home_hours(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<HomeHours>,
) -> Result<web::Json<WeekPage>, ApiError> {
    let id = EpisodeId(*id);
    let mut given = form.into_inner();
    app.command(
        &req,
        Action::EnterLog,
        "keep-home-hours",
        Of::Episode(id),
        move |state, conn, _| {
            let ground = Ground::of(state, conn, id)?;
            let mut faults = Faults::default();
            faults.event_date("on", given.on, ground.first_day, ground.last_day);
            faults.bound(
                &state.knowledge,
                "times",
                "home_times",
                given.times.len() as f64,
            );
            if given.days.count() == 0 {
                faults.push("days", "no-day", &[]);
            }
            faults.check()?;
            // In the order of the day, each hour once.
            given.times.sort_unstable();
            given.times.dedup();
            home_hours::add(conn, id, &given)?;
            let loaded = refresh_lane(state, conn, id)?;
            let known = state.knowledge_of(conn, &loaded)?;
            let lines = loaded.facts.lines.clone();
            let rev = home_hours::named(conn, id)?.versions;
            week_of(&known, loaded.facts, (lines, rev)).map(web::Json)
        },
    )
    .await
}
