//! Ranges: dials, readings, and their withdrawal.

use crate::app::App;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use ritorno_core::calendar::Clock;
use ritorno_core::episode::{Reading, TakenBy};
use ritorno_core::exam::{Dial, dials, possible, protection};
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Action;
use ritorno_core::program::Ceiling;
use ritorno_core::visit::Assessment;
use ritorno_store::episode::Loaded;
use ritorno_store::{StoreError, episode, events};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// All dials of an episode.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct RangesPage {
    clock: Clock,
    side: Arm,
    dials: Vec<Dial>,
}

/// Why a reading is withdrawn.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Withdrawal {
    #[serde(default)]
    pub(crate) reason: String,
}

fn page(
    state: &crate::app::AppState,
    conn: &mut ritorno_store::PgConnection,
    loaded: &Loaded,
) -> Result<RangesPage, ApiError> {
    let known = state.knowledge_of(conn, loaded)?;
    let assessment =
        Assessment::new(&known, &loaded.facts).ok_or(StoreError::NotFound("pathway"))?;
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
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let loaded = episode::load(conn, *id, state.today.date())?;
        Ok(web::Json(page(state, conn, &loaded)?))
    })
    .await
}

#[utoipa::path(tag = "ranges", request_body = Reading, responses((status = 200, body = RangesPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/readings")]
pub(crate) async fn add_reading(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: web::Json<Reading>,
) -> Result<web::Json<RangesPage>, ApiError> {
    let mut reading = form.into_inner();
    app.write(
        &req,
        Action::Measure,
        "add-reading",
        move |state, conn, user| {
            // Whoever is signed in measured it; a page cannot sign for somebody else.
            reading.rater = (reading.by == TakenBy::Clinician).then_some(user.id);
            let loaded = episode::load(conn, *id, state.today.date())?;
            let facts = &loaded.facts;
            let mut faults = Faults::default();
            faults.event_date("on", reading.on, facts.story.day0, state.today.date());
            let known = state.knowledge_of(conn, &loaded)?;
            match known.quantity(&reading.quantity) {
                None => faults.known("quantity", &reading.quantity, false),
                Some(quantity) => {
                    if let Err(bounds) = possible(quantity, reading.value) {
                        faults.within("value", reading.value, bounds.min, bounds.max);
                    }
                    if let Some(arc) = reading.arc {
                        faults.within(
                            "arc.from",
                            arc.from,
                            quantity.min,
                            reading.value.min(quantity.max),
                        );
                        faults.within("arc.to", arc.to, arc.from, reading.value.max(arc.from));
                    }
                    // What protection bars is not measured: the reading is refused, not flagged.
                    let assessment =
                        Assessment::new(&known, facts).ok_or(StoreError::NotFound("pathway"))?;
                    let day = facts.day_of(reading.on);
                    let on = protection(&assessment.ctx(), &quantity.id, day, day);
                    if reading.side == facts.story.side && on.ceiling == Ceiling::NoneAllowed {
                        match assessment.pathway.corridor(&quantity.id) {
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
            events::add_reading(conn, *id, &reading)?;
            let loaded = refresh_lane(state, conn, *id)?;
            Ok(web::Json(page(state, conn, &loaded)?))
        },
    )
    .await
}

#[utoipa::path(tag = "ranges", request_body = Withdrawal, responses((status = 200, body = RangesPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/readings/{reading}/withdraw")]
pub(crate) async fn withdraw(
    app: App,
    req: HttpRequest,
    ids: web::Path<(Uuid, Uuid)>,
    form: web::Json<Withdrawal>,
) -> Result<web::Json<RangesPage>, ApiError> {
    let (id, reading) = ids.into_inner();
    app.write(
        &req,
        Action::Measure,
        "withdraw-reading",
        move |state, conn, _| {
            let mut faults = Faults::default();
            faults.text("reason", &form.reason, 500, false);
            faults.check()?;
            events::withdraw_reading(conn, id, reading, &form.reason)?;
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, &loaded)?))
        },
    )
    .await
}
