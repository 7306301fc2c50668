//! The surgeon's limits: written, released, ended.

use crate::app::App;
use crate::assess::{assess, still_open};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::story::{StoryPage, page};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::facts::{BreachAnswer, SurgeonLimit};
use ritorno_core::permission::Action;
use ritorno_core::ranges::judge;
use ritorno_core::rules::{Ceiling, ceiling_on};
use ritorno_store::{EpisodeId, StoreError, episode, limits, measurement};
use ritorno_wording::Value;
use uuid::Uuid;

#[utoipa::path(tag = "story", request_body = SurgeonLimit, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/limits")]
pub(crate) async fn add_limit(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<SurgeonLimit>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    let mut limit = SurgeonLimit {
        ended_on: None,
        ..form.into_inner()
    };
    app.command(
        &req,
        Action::RecordLimit,
        "add-limit",
        Of::Episode(id),
        move |state, conn, _| {
            let today = state.today.date();
            let loaded = episode::load(conn, id, today)?;
            still_open(&loaded)?;
            let day = loaded.facts.day();
            let known = state.knowledge_of(conn, &loaded)?;
            // Every limit has a beginning; a release holds from its own date.
            limit.from = Some(limit.starts_on().unwrap_or(today));
            let rules = assess(&known, &loaded.facts)?.rules;
            let mut faults = Faults::default();
            match known.quantity(&limit.quantity) {
                None => faults.known("quantity", &limit.quantity, false),
                Some(quantity) => {
                    faults.within("ceiling", limit.ceiling, quantity.min, quantity.max);
                    if let Some(floor) = limit.floor {
                        faults.within("floor", floor, quantity.min, quantity.max);
                        if floor > limit.ceiling {
                            faults.push(
                                "floor",
                                "floor-above-ceiling",
                                &[
                                    ("floor", Value::Number(floor)),
                                    ("ceiling", Value::Number(limit.ceiling)),
                                ],
                            );
                        }
                    }
                }
            }
            // Two limits that cannot both hold are not kept side by side: the clinician asks the surgeon which.
            let in_force = loaded.facts.limits.iter().filter(|l| {
                l.quantity == limit.quantity && l.ended_on.is_none() && l.id != limit.id
            });
            for other in in_force.filter(|_| limit.release.is_none()) {
                if let Some(floor) = limit.floor.filter(|floor| *floor > other.ceiling) {
                    faults.push(
                        "floor",
                        "floor-above-ceiling",
                        &[
                            ("floor", Value::Number(floor)),
                            ("ceiling", Value::Number(other.ceiling)),
                        ],
                    );
                } else if let Some(floor) = other.floor.filter(|floor| *floor > limit.ceiling) {
                    faults.push(
                        "ceiling",
                        "floor-above-ceiling",
                        &[
                            ("floor", Value::Number(floor)),
                            ("ceiling", Value::Number(limit.ceiling)),
                        ],
                    );
                }
            }
            if let Some(until) = limit.until_day {
                faults.bound(&known, "until_day", "until_day", f64::from(until));
            }
            if let Some(ask) = limit.ask_again_day {
                faults.bound(&known, "ask_again_day", "until_day", f64::from(ask));
            }
            if let (Some(from), None) = (limit.from, &limit.release) {
                faults.event_date("from", from, loaded.facts.story.day0, today);
            }
            match &limit.release {
                Some(release) => {
                    faults.text("release.role", &release.role, 80, true);
                    faults.event_date(
                        "release.on",
                        release.on,
                        loaded.facts.story.day0,
                        state.today.date(),
                    );
                }
                None => {
                    // Tighter at once; looser only as a release.
                    let without = ceiling_on(&rules, &[], &limit.quantity, day, day).ceiling;
                    let looser = match without {
                        Ceiling::NoneAllowed => false,
                        Ceiling::UpTo { value } => limit.ceiling > value,
                        Ceiling::Free => false,
                    };
                    if looser {
                        let ceiling = without.value().unwrap_or_default();
                        faults.push(
                            "ceiling",
                            "looser",
                            &[
                                ("given", Value::Number(limit.ceiling)),
                                ("ceiling", Value::Number(ceiling)),
                            ],
                        );
                    }
                }
            }
            faults.check()?;
            limits::add(conn, id, &limit, today)?;
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}

#[utoipa::path(tag = "story", responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/limits/{limit}/end")]
pub(crate) async fn end_limit(
    app: App,
    req: HttpRequest,
    ids: web::Path<(Uuid, Uuid)>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let (id, limit) = ids.into_inner();
    let id = EpisodeId(id);
    app.command(
        &req,
        Action::RecordLimit,
        "end-limit",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            let day = loaded.facts.day();
            let known = loaded
                .facts
                .limits
                .iter()
                .find(|l| l.id == limit)
                .ok_or(StoreError::NotFound("limit"))?;
            // Before its date a limit ends only by a release.
            if let Some(until) = known.until_day.filter(|until| day < *until) {
                let mut faults = Faults::default();
                faults.push(
                    "limit",
                    "not-due",
                    &[("opens_day", Value::Number(f64::from(until)))],
                );
                faults.check()?;
            } else if known.until_day.is_none() {
                let mut faults = Faults::default();
                faults.push("limit", "release-incomplete", &[]);
                faults.check()?;
            }
            limits::end(conn, id, limit, state.today.date())?;
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}

#[utoipa::path(tag = "story", request_body = BreachAnswer, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/breach-answers")]
pub(crate) async fn answer_breach(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<BreachAnswer>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::RecordLimit,
        "answer-breach",
        Of::Episode(id),
        move |state, conn, _| {
            let answer = BreachAnswer {
                on: state.today.date(),
                ..form
            };
            let loaded = episode::load(conn, id, answer.on)?;
            let known = state.knowledge_of(conn, &loaded)?;
            let assessment = assess(&known, &loaded.facts)?;
            let judged = loaded
                .facts
                .measurements
                .iter()
                .find(|m| m.id == answer.measurement);
            let over = judged.is_some_and(|m| judge(&assessment.ctx(), &loaded.facts, m).over);
            let mut faults = Faults::default();
            faults.known("measurement", &answer.measurement.to_string(), over);
            faults.text("role", &answer.role, 80, true);
            faults.text("words", &answer.words, 1000, true);
            faults.check()?;
            measurement::add_breach_answer(conn, id, &answer)?;
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}
