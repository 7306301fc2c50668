//! What is made of a proposal for an exercise: accepted, changed, overridden; kept with everything it rested on.

use crate::app::{App, AppState};
use crate::assess::{assess, still_open};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::program::{check_lines, with_pull, within_budget};
use crate::reasons::in_words;
use crate::validate::Faults;
use crate::visit::{VisitPage, page};
use actix_web::{HttpRequest, post, web};
use ritorno_core::deciding::{Change, Move, apply, asks_more, decide};
use ritorno_core::facts::{Line, LineStep};
use ritorno_core::knowledge::ReasonFor;
use ritorno_core::permission::Action;
use ritorno_store::deciding::{Made, Why};
use ritorno_store::event::{self, Act, Role, Stored};
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, StoreError, deciding, episode, program};
use serde::Deserialize;
use uuid::Uuid;

/// What the clinician makes of a proposal.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, utoipa::ToSchema)]
#[serde(rename_all = "snake_case")]
pub(crate) enum DecisionAnswer {
    /// As proposed.
    Accepted,
    /// One of the alternatives, or another change.
    Changed,
    /// Nothing is done about it.
    Overridden,
}

/// An answer to a proposal.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Deciding {
    /// Made where it was entered.
    id: Uuid,
    line: Uuid,
    /// What was on the page; when it is no longer proposed the answer is refused.
    kind: Move,
    answer: DecisionAnswer,
    /// Why, where it is not accepted: in words, besides or instead of one of the list.
    #[serde(default)]
    reason: String,
    /// One of the list of reasons.
    #[serde(default)]
    reason_code: Option<String>,
    /// What is done instead, when changed.
    #[serde(default)]
    change: Option<Change>,
}

/// Keeps what a clinician makes of a proposal, and does it.
pub(crate) fn keep_decision(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    form: Deciding,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    if deciding::known(conn, form.id)? {
        // Sent twice: what was decided stands.
        return Ok(());
    }
    still_open(&loaded)?;
    let known = state.knowledge_of(conn, &loaded)?;
    let assessment = assess(&known, &loaded.facts)?;
    let ctx = assessment.ctx();
    let mut faults = Faults::default();
    let code = form.reason_code.as_deref();
    let why = in_words(state, ReasonFor::Decision, code, &form.reason, &mut faults);
    faults.text(
        "reason",
        &why,
        1000,
        form.answer != DecisionAnswer::Accepted,
    );
    let proposal = decide(&ctx, &loaded.facts)
        .into_iter()
        .find(|d| d.line == form.line && d.kind == form.kind);
    let Some(proposal) = proposal else {
        faults.push("line", "not-proposed", &[]);
        faults.check()?;
        return Err(StoreError::NotFound("proposal").into());
    };
    let change = match (form.answer, form.change) {
        (DecisionAnswer::Accepted, _) => proposal.change.clone(),
        (DecisionAnswer::Changed, Some(change)) => change,
        (DecisionAnswer::Changed, None) => {
            faults.push("change", "empty", &[]);
            Change::None
        }
        (DecisionAnswer::Overridden, _) => Change::None,
    };
    // Going on is never the answer to a stop.
    if form.answer == DecisionAnswer::Changed
        && proposal.kind == Move::Stop
        && !matches!(change, Change::None | Change::Remove)
        && change != proposal.change
    {
        faults.push("change", "stop-stands", &[]);
    }
    // More is never the answer to a step back or to too much either.
    let own = loaded.facts.lines.iter().find(|l| l.id == form.line);
    if form.answer == DecisionAnswer::Changed
        && proposal.kind != Move::Stop
        && proposal.forbids_more()
        && own.is_some_and(|line| asks_more(&known, line, &change))
    {
        faults.push("change", "never-more", &[]);
    }
    if let Some(dose) = change.dose() {
        faults.dose(&known, "change.dose", dose);
    }
    faults.check()?;
    let mut made_rev = None;
    if change != Change::None {
        let new = Uuid::now_v7();
        let lines = &loaded.facts.lines;
        let changed = apply(&known, lines, form.line, &change, ctx.today, new);
        let mut lines = with_pull(&known, &loaded.facts, changed);
        if form.answer != DecisionAnswer::Accepted {
            // The reason is about this line, and stands on no other.
            let about = |l: &&mut Line| {
                l.from_day == ctx.today && (l.id == new || l.id == form.line) && l.by_hand
            };
            for line in lines.iter_mut().filter(about) {
                line.override_reason = Some(why.clone());
            }
        }
        let touched: Vec<_> = lines
            .iter()
            .filter(|l| l.from_day >= ctx.today && !loaded.facts.lines.contains(l))
            .cloned()
            .collect();
        check_lines(&assessment, &touched)?;
        within_budget(&assessment, &loaded.facts, &lines)?;
        let head = loaded
            .program
            .as_ref()
            .ok_or(StoreError::NotFound("program"))?;
        let saved = program::save(conn, id, head.rev, &head.knowledge_sha256, &lines)?;
        made_rev = Some(saved.rev);
    }
    let answer = match form.answer {
        DecisionAnswer::Accepted => "accepted",
        DecisionAnswer::Changed => "changed",
        DecisionAnswer::Overridden => "overridden",
    };
    let made = made_rev.map(|rev| Made {
        lines_before: &loaded.facts.lines,
        rev,
    });
    let why = Why {
        answer,
        code: code.unwrap_or_default(),
        reason: &why,
    };
    let on = state.today.date();
    deciding::add(conn, form.id, id, &proposal, why, made, on)?;
    // A stop that is accepted holds until a clinician lets the exercise go on.
    let stopped = proposal.kind == Move::Stop && change == Change::None;
    if stopped && form.answer == DecisionAnswer::Accepted && ctx.open_flags.is_empty() {
        let pause = LineStep {
            id: Uuid::now_v7(),
            exercise: proposal.exercise.clone(),
            on,
            paused: true,
            reason: proposal.rule.rule.clone(),
        };
        deciding::add_step(conn, id, &pause)?;
        event::act(conn, Act::by(pause.id, Role::ActsOn, form.id))?;
    }
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = Deciding, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/decisions")]
pub(crate) async fn decide_line(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Deciding>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "decide",
        Of::Episode(id),
        move |state, conn, user| {
            keep_decision(state, conn, user, id, form)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}

/// Letting a paused exercise go on.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Resuming {
    /// Made where it was entered.
    id: Uuid,
    exercise: String,
    /// Why it may go on: in words, besides or instead of one of the list.
    #[serde(default)]
    reason: String,
    /// One of the list of reasons.
    #[serde(default)]
    reason_code: Option<String>,
}

#[utoipa::path(tag = "visit", request_body = Resuming, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/resumes")]
pub(crate) async fn resume_line(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Resuming>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "resume",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            still_open(&loaded)?;
            let mut faults = Faults::default();
            let code = form.reason_code.as_deref();
            let why = in_words(state, ReasonFor::Resume, code, &form.reason, &mut faults);
            faults.text("reason", &why, 1000, true);
            let known = loaded.facts.line_steps.iter().any(|s| s.id == form.id);
            let paused = known || loaded.facts.paused(&form.exercise).is_some();
            faults.known("exercise", &form.exercise, paused);
            faults.check()?;
            let step = LineStep {
                id: form.id,
                exercise: form.exercise,
                on: state.today.date(),
                paused: false,
                reason: why,
            };
            let stored = deciding::add_step(conn, id, &step)?;
            if let (Stored::New, Some(code)) = (stored, code) {
                event::reason(conn, step.id, code, &step.reason)?;
            }
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}
