//! Proposals, what-if, and the check while editing: nothing is kept.

use super::lines::lines_in_bounds;
use super::page::assessed;
use crate::app::{App, AppState};
use crate::assess::{NO_PATHWAY, Opened, still_open};
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::Line;
use ritorno_core::permission::Action;
use ritorno_core::plan::{
    LaterItem, LineWhy, MovedUp, PlanChart, PlanDifference, Proposal, Variant, WhatIf, plan_chart,
    what_if,
};
use ritorno_core::reading::pathway_challenge;
use ritorno_core::safety::check_exercise;
use ritorno_core::week::spread;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A proposal, not saved.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ProposalPage {
    chart: PlanChart,
    later: Vec<LaterItem>,
    first: Vec<MovedUp>,
    /// Why each ladder stands there.
    why: Vec<LineWhy>,
    /// What it changes against the present program.
    difference: Vec<PlanDifference>,
    /// How far the choice may lie below the best, as a share.
    gap: f64,
}

/// Lines to check or to save.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct ProgramEdit {
    pub(super) rev: i32,
    pub(super) lines: Vec<Line>,
}

/// What kind of proposal is wanted.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct BuildWish {
    /// A short one: few exercises in few minutes, for somebody who does little.
    #[serde(default)]
    short: bool,
}

#[utoipa::path(tag = "program", params(BuildWish), responses((status = 200, body = ProposalPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/build")]
pub(crate) async fn build_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    wish: web::Query<BuildWish>,
) -> Result<web::Json<ProposalPage>, ApiError> {
    let id = EpisodeId(*id);
    let show = move |_: &AppState, opened: Opened| {
        let Opened { mut loaded, known } = opened;
        let Proposal {
            lines,
            later,
            first,
            why,
            difference,
            gap,
        } = {
            let assessment = assessed(&known, &loaded.facts)?;
            may_build(&assessment)?;
            if wish.short {
                assessment.propose_short(loaded.episode.0)
            } else {
                assessment.propose(loaded.episode.0)
            }
        };
        loaded.facts.lines = lines;
        // Who named their days gets the exercises on them.
        if loaded.facts.home_hours.is_some() {
            let placed = spread(&assessed(&known, &loaded.facts)?.ctx(), &loaded.facts);
            loaded.facts.lines = placed;
        }
        let assessment = assessed(&known, &loaded.facts)?;
        Ok(web::Json(ProposalPage {
            chart: plan_chart(&assessment.ctx(), &loaded.facts),
            later,
            first,
            why,
            difference,
            gap,
        }))
    };
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let loaded = episode::load(conn, id, state.today.date())?;
        still_open(&loaded)?;
        let known = state.current(conn)?;
        Ok(Opened { loaded, known })
    };
    app.view(&req, Action::EditProgram, read, show).await
}

/// Red flags, the surgeon's go-ahead and five minutes a day outrank every proposal.
pub(super) fn may_build(assessment: &Assessment) -> Result<(), ApiError> {
    let ctx = assessment.ctx();
    if let Some(challenge) = pathway_challenge(&ctx, assessment.facts) {
        return Err(ApiError::blocked(vec![challenge], Vec::new()));
    }
    if ctx.open_flags.is_empty() && ctx.flags_not_asked == 0 && ctx.cleared {
        return Ok(());
    }
    // The check says the same of every exercise; one of them is enough to name the rules.
    let rules = ctx
        .known
        .exercises
        .get("assisted-elevation-lying-other-hand")
        .map(|e| check_exercise(&ctx, e, &e.dose, ctx.today).findings)
        .unwrap_or_default();
    let kept = rules.into_iter().filter(|f| {
        matches!(
            f.reason.rule.as_str(),
            "flag-open" | "flags-not-asked" | "no-clearance"
        )
    });
    Err(ApiError::blocked(
        kept.map(|f| f.reason).collect(),
        Vec::new(),
    ))
}

#[utoipa::path(tag = "program", request_body = Variant, responses((status = 200, body = WhatIf), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/what-if")]
pub(crate) async fn what_if_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Variant>,
) -> Result<web::Json<WhatIf>, ApiError> {
    let id = EpisodeId(*id);
    let variant = form.into_inner();
    let show = move |_: &AppState, opened: Opened| {
        let Opened { loaded, known } = opened;
        may_build(&assessed(&known, &loaded.facts)?)?;
        let mut faults = Faults::default();
        if let Some(days) = variant.missed_days {
            faults.bound(&known, "missed_days", "missed_days", f64::from(days));
        }
        if let Some(minutes) = variant.minutes_per_day {
            faults.bound(
                &known,
                "minutes_per_day",
                "minutes_per_day",
                f64::from(minutes),
            );
        }
        for limit in &variant.limits {
            match known.quantity(&limit.quantity) {
                Some(q) => {
                    faults.within("limits.ceiling", limit.ceiling, q.min, q.max);
                    if let Some(until) = limit.until_day {
                        let until = f64::from(until);
                        faults.bound(&known, "limits.until_day", "until_day", until);
                    }
                }
                None => faults.known("limits.quantity", &limit.quantity, false),
            }
        }
        let mut story = loaded.facts.story.clone();
        story.schools.clone_from(&variant.schools);
        story.modifiers.clone_from(&variant.modifiers);
        if let Some(pathway) = known.pathways.get(&story.pathway) {
            crate::choices::check_choices(&known, pathway, &story, &mut faults);
        }
        faults.check()?;
        let both = what_if(&known, &loaded.facts, &variant, id.0).ok_or(NO_PATHWAY)?;
        Ok(web::Json(both))
    };
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let loaded = episode::load(conn, id, state.today.date())?;
        let known = state.current(conn)?;
        Ok(Opened { loaded, known })
    };
    app.view(&req, Action::EditProgram, read, show).await
}

#[utoipa::path(tag = "program", request_body = ProgramEdit, responses((status = 200, body = PlanChart), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/check")]
pub(crate) async fn check_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<ProgramEdit>,
) -> Result<web::Json<PlanChart>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    let show = move |_: &AppState, opened: Opened| {
        let Opened { mut loaded, known } = opened;
        lines_in_bounds(&known, &form.lines)?;
        loaded.facts.lines = form.lines;
        let assessment = assessed(&known, &loaded.facts)?;
        Ok(web::Json(plan_chart(&assessment.ctx(), &loaded.facts)))
    };
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let loaded = episode::load(conn, id, state.today.date())?;
        let known = state.current(conn)?;
        Ok(Opened { loaded, known })
    };
    app.view(&req, Action::ReadRecord, read, show).await
}
