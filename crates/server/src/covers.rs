//! The people of the clinic, and who looks after whose patients while somebody is away.

use crate::app::{App, AppState};
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, get, post, web};
use chrono::NaiveDate;
use ritorno_core::permission::{Action, Role, may};
use ritorno_store::cover::{self, Cover};
use ritorno_store::{PgConnection, UserId, user};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Days that a cover may last.
const LONGEST_DAYS: i64 = 366;

/// Somebody of the clinic.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Colleague {
    #[schema(value_type = Uuid)]
    id: UserId,
    name: String,
    role: Role,
    /// Whether shoulders can be theirs: who signs, and still comes in.
    treats: bool,
}

/// Somebody looks after another's patients, both days included.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct CoverView {
    id: Uuid,
    #[schema(value_type = Uuid)]
    away: UserId,
    #[schema(value_type = Uuid)]
    covers: UserId,
    from: NaiveDate,
    until: NaiveDate,
    words: String,
}

/// The people of the clinic, and the covers that run or come.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PeoplePage {
    people: Vec<Colleague>,
    covers: Vec<CoverView>,
}

/// A cover to keep.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewCover {
    /// Made where it was entered.
    id: Uuid,
    /// Who is away.
    #[schema(value_type = Uuid)]
    away: UserId,
    /// Who looks after them.
    #[schema(value_type = Uuid)]
    covers: UserId,
    /// The first day.
    from: NaiveDate,
    /// The last day.
    until: NaiveDate,
    /// What the colleague should know.
    #[serde(default)]
    words: String,
}

fn page(state: &AppState, conn: &mut PgConnection) -> Result<web::Json<PeoplePage>, ApiError> {
    let people = user::all(conn)?;
    let people = people.into_iter().map(|u| Colleague {
        id: u.id,
        name: u.name,
        role: u.role,
        treats: u.ended_at.is_none() && may(u.role, Action::Sign),
    });
    let covers = cover::from(conn, state.today.date())?.into_iter();
    let covers = covers.map(|c| CoverView {
        id: c.id,
        away: c.away_user,
        covers: c.cover_user,
        from: c.from_on,
        until: c.until_on,
        words: c.words,
    });
    Ok(web::Json(PeoplePage {
        people: people.collect(),
        covers: covers.collect(),
    }))
}

#[utoipa::path(tag = "day-list", responses((status = 200, body = PeoplePage), (status = "default", body = Problem)))]
#[get("/people")]
pub(crate) async fn show_people(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<PeoplePage>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        page(state, conn)
    })
    .await
}

#[utoipa::path(tag = "day-list", request_body = NewCover, responses((status = 200, body = PeoplePage), (status = "default", body = Problem)))]
#[post("/covers")]
pub(crate) async fn add_cover(
    app: App,
    req: HttpRequest,
    form: Form<NewCover>,
) -> Result<web::Json<PeoplePage>, ApiError> {
    let form = form.into_inner();
    app.write(&req, Action::Sign, "add-cover", move |state, conn, _| {
        let mut faults = Faults::default();
        let people = user::all(conn)?;
        for (field, who) in [("away", form.away), ("covers", form.covers)] {
            let signs = people
                .iter()
                .any(|u| u.id == who && u.ended_at.is_none() && may(u.role, Action::Sign));
            faults.known(field, &who.to_string(), signs);
        }
        if form.away == form.covers {
            faults.push("covers", "cover-self", &[]);
        }
        let days = (form.until - form.from).num_days();
        if form.until < state.today.date() || !(0..=LONGEST_DAYS).contains(&days) {
            faults.push("until", "cover-until", &[]);
        }
        faults.text("words", &form.words, 1000, false);
        faults.check()?;
        let given = Cover {
            id: form.id,
            away_user: form.away,
            cover_user: form.covers,
            from_on: form.from,
            until_on: form.until,
            words: form.words.trim().to_owned(),
            ended_on: None,
        };
        cover::add(conn, &given)?;
        page(state, conn)
    })
    .await
}

#[utoipa::path(tag = "day-list", responses((status = 200, body = PeoplePage), (status = "default", body = Problem)))]
#[post("/covers/{id}/end")]
pub(crate) async fn end_cover(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<PeoplePage>, ApiError> {
    app.write(&req, Action::Sign, "end-cover", move |state, conn, user| {
        let today = state.today.date();
        let running = cover::from(conn, today)?;
        let own = running.iter().find(|c| c.id == *id);
        let concerns =
            |c: &Cover| [c.away_user, c.cover_user].contains(&user.id) || user.role == Role::Lead;
        if own.is_some_and(|c| !concerns(c)) {
            return Err(ApiError::new(StatusCode::FORBIDDEN, "forbidden", &[]));
        }
        cover::end(conn, *id, today)?;
        page(state, conn)
    })
    .await
}
