//! Passing gates.

use super::page::{VisitPage, page};
use crate::app::{App, AppState};
use crate::assess::{assess, still_open};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem, wording};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::facts::GatePass;
use ritorno_core::permission::Action;
use ritorno_core::progress::{CriterionStatus, CriterionView, next_gate, out_of_reach};
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode, events};
use ritorno_wording::Value;
use serde::Deserialize;
use std::collections::BTreeMap;
use uuid::Uuid;

/// Passing a gate.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Passing {
    /// Made where it was entered.
    #[serde(default = "Uuid::now_v7")]
    id: Uuid,
    /// Criteria that are overridden, by id, each with its own reason.
    #[serde(default)]
    overridden: BTreeMap<String, String>,
}

/// Passes a gate whose criteria are met, or overridden with a reason.
pub(crate) fn keep_gate_pass(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    (gate, form): (String, Passing),
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    let assessment = assess(&known, &loaded.facts)?;
    let ctx = assessment.ctx();
    let mut faults = Faults::default();
    for (criterion, reason) in &form.overridden {
        faults.text(&format!("overridden.{criterion}"), reason, 1000, true);
    }
    if loaded.facts.gate_passes.iter().any(|p| p.id == form.id) {
        // Sent twice: it was passed.
        return Ok(());
    }
    still_open(&loaded)?;
    if !ctx.open_flags.is_empty() || ctx.flags_not_asked > 0 {
        faults.push("gate", "flag-open", &[]);
    }
    match next_gate(&ctx, &loaded.facts).filter(|view| view.gate == gate) {
        None => faults.push("gate", "not-current", &[]),
        Some(view) => {
            let far = out_of_reach(&ctx, &loaded.facts);
            if !view.time_reached {
                faults.push(
                    "gate",
                    "not-due",
                    &[("opens_day", Value::Number(f64::from(view.opens_day)))],
                );
            }
            for criterion in view
                .criteria
                .iter()
                .filter(|c| c.status != CriterionStatus::Met)
            {
                let field = format!("criteria.{}", criterion.id);
                if !form.overridden.contains_key(&criterion.id) {
                    faults.push(&field, "not-met", &[]);
                } else if !criterion.overridable {
                    faults.push(&field, "not-overridable", &[]);
                } else if criterion.status != CriterionStatus::NotMet && far.contains(&criterion.id)
                {
                    // Nobody knows it, and nobody can find it out without the shoulder in the room.
                    faults.push(&field, "out-of-reach", &[]);
                }
            }
            for id in form
                .overridden
                .keys()
                .filter(|id| !view.criteria.iter().any(|c| &c.id == *id))
            {
                faults.known("overridden", id, false);
            }
        }
    }
    faults.check()?;
    let pass = GatePass {
        id: form.id,
        gate,
        on: state.today.date(),
        overridden: form.overridden,
    };
    events::add_gate_pass(conn, id, &pass)?;
    if loaded.facts.gate_passes.is_empty() {
        enter_late(state, conn, id)?;
    }
    Ok(())
}

/// Somebody who comes late starts at the lowest gate whose criteria are not met: what lies before it is not passed door by door.
pub(super) fn enter_late(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<(), ApiError> {
    loop {
        let loaded = episode::load(conn, id, state.today.date())?;
        let known = state.knowledge_of(conn, &loaded)?;
        let assessment = assess(&known, &loaded.facts)?;
        let Some(next) = next_gate(&assessment.ctx(), &loaded.facts).filter(|g| g.time_reached)
        else {
            return Ok(());
        };
        let (met, other): (Vec<_>, Vec<_>) = next
            .criteria
            .iter()
            .partition(|c| c.status == CriterionStatus::Met);
        // Of a program that was never planned here nothing can have been done.
        let unplanned = |c: &&CriterionView| {
            c.asks.rule == "asks-sessions-done" && loaded.facts.lines.is_empty()
        };
        if met.is_empty() || !other.iter().all(unplanned) {
            return Ok(());
        }
        let why = wording().say("late-nothing-planned", &[]);
        let pass = GatePass {
            id: Uuid::now_v7(),
            gate: next.gate.clone(),
            on: state.today.date(),
            overridden: other.iter().map(|c| (c.id.clone(), why.clone())).collect(),
        };
        events::add_gate_pass(conn, id, &pass)?;
    }
}

#[utoipa::path(tag = "visit", request_body = Passing, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/gates/{gate}/pass")]
pub(crate) async fn pass_gate(
    app: App,
    req: HttpRequest,
    ids: web::Path<(Uuid, String)>,
    form: Form<Passing>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let (id, gate) = ids.into_inner();
    let id = EpisodeId(id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "pass-gate",
        Of::Episode(id),
        move |state, conn, user| {
            keep_gate_pass(state, conn, user, id, (gate, form))?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}
