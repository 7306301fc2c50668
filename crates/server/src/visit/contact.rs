//! How the day's contact is held, the next appointment, who treats the shoulder.

use super::entries::Ground;
use super::page::{VisitPage, page};
use crate::app::{App, AppState};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use chrono::NaiveDate;
use ritorno_core::facts::{Appointment, Contact};
use ritorno_core::permission::{Action, may};
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, UserId, contact, user};
use ritorno_wording::Value;
use serde::Deserialize;
use uuid::Uuid;

/// A write to one episode that answers with its visit.
struct Work {
    id: EpisodeId,
    action: Action,
    name: &'static str,
}

impl Work {
    fn new(id: EpisodeId, action: Action, name: &'static str) -> Work {
        Work { id, action, name }
    }

    async fn then_page(
        self,
        app: App,
        req: &HttpRequest,
        keep: impl FnOnce(&AppState, &mut PgConnection, &User, EpisodeId) -> Result<(), ApiError>
        + Send
        + 'static,
    ) -> Result<web::Json<VisitPage>, ApiError> {
        let Work { id, action, name } = self;
        app.command(
            req,
            action,
            name,
            Of::Episode(id),
            move |state, conn, user| {
                keep(state, conn, user, id)?;
                let loaded = refresh_lane(state, conn, id)?;
                page(state, conn, loaded)
            },
        )
        .await
    }
}

/// Days ahead that an appointment may lie.
const FURTHEST_DAYS: i64 = 400;

/// Keeps how a day's contact is held.
pub(crate) fn keep_contact(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    given: Contact,
) -> Result<(), ApiError> {
    let ground = Ground::of(state, conn, id)?;
    let mut faults = Faults::default();
    faults.event_date("on", given.on, ground.first_day, ground.last_day);
    faults.check()?;
    contact::add_contact(conn, id, &given)?;
    Ok(())
}

/// Keeps an appointment.
pub(crate) fn keep_appointment(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    given: Appointment,
) -> Result<(), ApiError> {
    let ground = Ground::of(state, conn, id)?;
    let mut faults = Faults::default();
    faults.event_date("on", given.on, ground.first_day, ground.last_day);
    faults.bound(
        &state.knowledge,
        "minutes",
        "appointment_minutes",
        f64::from(given.minutes),
    );
    if given.day < given.on || (given.day - given.on).num_days() > FURTHEST_DAYS {
        faults.push(
            "day",
            "appointment-day",
            &[("days", Value::Number(FURTHEST_DAYS as f64))],
        );
    }
    faults.check()?;
    contact::add_appointment(conn, id, &given)?;
    Ok(())
}

/// Who treats a shoulder from today on.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct TakingOn {
    /// Made where it was entered.
    id: Uuid,
    /// The day.
    on: NaiveDate,
    /// Who; nobody where it is given back.
    #[schema(value_type = Option<Uuid>)]
    who: Option<UserId>,
}

/// Whoever begins with a shoulder treats it, until a colleague takes it on.
pub(crate) fn take_on(
    conn: &mut PgConnection,
    user: &User,
    id: EpisodeId,
    on: NaiveDate,
) -> Result<(), ApiError> {
    if may(user.role, Action::Sign) {
        let care = contact::Care {
            id: Uuid::now_v7(),
            on,
            who: Some(user.id),
        };
        contact::add_care(conn, id, &care)?;
    }
    Ok(())
}

/// Keeps who treats a shoulder: somebody who may sign for it.
pub(crate) fn keep_care(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    given: TakingOn,
) -> Result<(), ApiError> {
    let ground = Ground::of(state, conn, id)?;
    let mut faults = Faults::default();
    faults.event_date("on", given.on, ground.first_day, ground.last_day);
    if let Some(who) = given.who {
        let people = user::all(conn)?;
        let signs = people
            .iter()
            .any(|u| u.id == who && u.ended_at.is_none() && may(u.role, Action::Sign));
        faults.known("who", &who.to_string(), signs);
    }
    faults.check()?;
    let care = contact::Care {
        id: given.id,
        on: given.on,
        who: given.who,
    };
    contact::add_care(conn, id, &care)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = Contact, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/contacts")]
pub(crate) async fn add_contact(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Contact>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let given = form.into_inner();
    let work = Work::new(EpisodeId(*id), Action::EnterLog, "hold-contact");
    work.then_page(app, &req, move |state, conn, user, id| {
        keep_contact(state, conn, user, id, given)
    })
    .await
}

#[utoipa::path(tag = "visit", request_body = Appointment, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/appointments")]
pub(crate) async fn add_appointment(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Appointment>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let given = form.into_inner();
    let work = Work::new(EpisodeId(*id), Action::EnterLog, "add-appointment");
    work.then_page(app, &req, move |state, conn, user, id| {
        keep_appointment(state, conn, user, id, given)
    })
    .await
}

#[utoipa::path(tag = "visit", request_body = TakingOn, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/care")]
pub(crate) async fn add_care(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<TakingOn>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let given = form.into_inner();
    let work = Work::new(EpisodeId(*id), Action::EditStory, "take-on");
    work.then_page(app, &req, move |state, conn, user, id| {
        keep_care(state, conn, user, id, given)
    })
    .await
}
