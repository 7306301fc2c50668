//! Ranges: dials and measurements.

use crate::app::{App, AppState};
use crate::assess::{Opened, assess, last_day};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use ritorno_core::calendar::Clock;
use ritorno_core::facts::{Measurement, Method, TakenBy};
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_core::ranges::{Dial, dials, possible, protection};
use ritorno_core::rules::Ceiling;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode, measurement};
use ritorno_wording::Value;
use serde::Serialize;
use uuid::Uuid;

/// All dials of an episode.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct RangesPage {
    clock: Clock,
    side: Arm,
    dials: Vec<Dial>,
}

fn page(opened: &Opened) -> Result<RangesPage, ApiError> {
    let loaded = &opened.loaded;
    let assessment = opened.assess()?;
    Ok(RangesPage {
        clock: Clock::at(loaded.facts.day()),
        side: loaded.facts.story.side,
        dials: dials(&assessment.ctx(), &loaded.facts),
    })
}

#[utoipa::path(tag = "ranges", responses((status = 200, body = RangesPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/ranges")]
pub(crate) async fn show_ranges(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<RangesPage>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| Ok(Opened::read(state, conn, id)?),
        |_, opened| page(&opened).map(web::Json),
    )
    .await
}

/// Keeps a measurement: judged by protection before it is stored.
pub(crate) fn keep_measurement(
    state: &AppState,
    conn: &mut PgConnection,
    user: &User,
    id: EpisodeId,
    mut given: Measurement,
) -> Result<(), ApiError> {
    // Whoever is signed in measured it; a page cannot sign for somebody else.
    given.rater = (given.by == TakenBy::Clinician).then_some(user.id.0);
    // It is judged by the arm it touches: that arm's own episode, day and protection.
    let id = episode::of_arm(conn, id, given.side)?;
    let loaded = episode::load(conn, id, state.today.date())?;
    let facts = &loaded.facts;
    let mut faults = Faults::default();
    if given.method == Some(Method::Simulated) && !state.demo {
        faults.push("method", "not-in-demo", &[]);
    }
    faults.event_date("on", given.on, facts.story.day0, last_day(&loaded));
    faults.text("remark", &given.remark, 1000, false);
    let known = state.knowledge_of(conn, &loaded)?;
    match known.quantity(&given.quantity) {
        None => faults.known("quantity", &given.quantity, false),
        Some(quantity) => {
            if let Err(bounds) = possible(quantity, given.value) {
                faults.within("value", given.value, bounds.min, bounds.max);
            }
            if let Some(arc) = given.arc {
                faults.within(
                    "arc.from",
                    arc.from,
                    quantity.min,
                    given.value.min(quantity.max),
                );
                faults.within("arc.to", arc.to, arc.from, given.value.max(arc.from));
            }
            // What protection bars is not measured: the given is refused, not flagged.
            let assessment = assess(&known, facts)?;
            let day = facts.day_of(given.on);
            let on = protection(&assessment.ctx(), &quantity.id, day, day);
            if given.side == facts.story.side && on.ceiling == Ceiling::NoneAllowed {
                match assessment.rules.corridor(&quantity.id) {
                    Some(corridor) => faults.push(
                        "value",
                        "barred",
                        &[("opens_day", Value::Number(f64::from(corridor.opens_day)))],
                    ),
                    None => faults.push("value", "barred-without-corridor", &[]),
                }
            }
        }
    }
    faults.check()?;
    measurement::add(conn, id, &given)?;
    Ok(())
}

#[utoipa::path(tag = "ranges", request_body = Measurement, responses((status = 200, body = RangesPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/measurements")]
pub(crate) async fn add_measurement(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Measurement>,
) -> Result<web::Json<RangesPage>, ApiError> {
    let id = EpisodeId(*id);
    let measurement = form.into_inner();
    app.command(
        &req,
        Action::Measure,
        "add-measurement",
        Of::Episode(id),
        move |state, conn, user| {
            keep_measurement(state, conn, user, id, measurement)?;
            let loaded = refresh_lane(state, conn, id)?;
            let opened = Opened::of(state, conn, loaded)?;
            Ok(web::Json(page(&opened)?))
        },
    )
    .await
}
