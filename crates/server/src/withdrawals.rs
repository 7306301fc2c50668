//! Taking back an entry that was made by mistake: it stays on record, and so does why it was taken back.

use crate::app::{App, AppState};
use crate::assess::assess;
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::reasons::in_words;
use crate::validate::Faults;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, post, web};
use ritorno_core::knowledge::ReasonFor;
use ritorno_core::permission::Action;
use ritorno_core::ranges::{judge, judge_anew};
use ritorno_store::episode::Loaded;
use ritorno_store::user::User;
use ritorno_store::{
    EpisodeId, PgConnection, StoreError, deciding, episode, event, flags, measurement,
};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What can be taken back.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, utoipa::ToSchema)]
#[serde(rename_all = "snake_case")]
pub(crate) enum WithdrawalOf {
    /// A measured range.
    Measurement,
    /// An answered test.
    Finding,
    /// What else a reading rests on.
    ExamNote,
    /// A push against a device.
    StrengthTrial,
    /// An outcome sheet.
    OutcomeSheet,
    /// A score of nought to ten.
    Score,
    /// What was attested.
    Attestation,
    /// An entry of the home log.
    Log,
    /// A week told as a whole.
    WeekUse,
    /// An appointment.
    Appointment,
    /// A limit of the surgeon that was written wrongly.
    Limit,
    /// The confirmation that a limit has ended.
    LimitEnd,
    /// What the surgeon said about a measurement above a ceiling.
    BreachAnswer,
    /// A gate that was passed.
    GatePass,
    /// What was made of a proposal for an exercise, as long as nothing was built on it.
    Decision,
}

impl WithdrawalOf {
    fn kind(self) -> &'static str {
        match self {
            WithdrawalOf::Measurement => "measurement",
            WithdrawalOf::Finding => "finding",
            WithdrawalOf::ExamNote => "exam_note",
            WithdrawalOf::StrengthTrial => "strength_trial",
            WithdrawalOf::OutcomeSheet => "outcome_sheet",
            WithdrawalOf::Score => "score",
            WithdrawalOf::Attestation => "attestation",
            WithdrawalOf::Log => "log",
            WithdrawalOf::WeekUse => "week_use",
            WithdrawalOf::Appointment => "appointment",
            WithdrawalOf::Limit => "limit",
            WithdrawalOf::LimitEnd => "limit_end",
            WithdrawalOf::BreachAnswer => "breach_answer",
            WithdrawalOf::GatePass => "gate_pass",
            WithdrawalOf::Decision => "decision",
        }
    }

    /// What signed things are taken back with: a reason.
    fn needs_reason(self) -> bool {
        matches!(
            self,
            WithdrawalOf::Limit
                | WithdrawalOf::LimitEnd
                | WithdrawalOf::BreachAnswer
                | WithdrawalOf::GatePass
                | WithdrawalOf::Decision
                | WithdrawalOf::Attestation
        )
    }

    /// Who may: what was signed is taken back by who may sign.
    fn action(self) -> Action {
        match self {
            WithdrawalOf::Limit | WithdrawalOf::LimitEnd | WithdrawalOf::BreachAnswer => {
                Action::RecordLimit
            }
            WithdrawalOf::GatePass | WithdrawalOf::Attestation | WithdrawalOf::Decision => {
                Action::Sign
            }
            WithdrawalOf::Log | WithdrawalOf::WeekUse | WithdrawalOf::Appointment => {
                Action::EnterLog
            }
            _ => Action::Measure,
        }
    }
}

/// Who may take this back.
pub(crate) fn withdrawal_action(form: &Withdrawal) -> Action {
    form.kind.action()
}

/// Which entry, and why.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Withdrawal {
    /// Its id.
    entry: Uuid,
    /// What it is.
    kind: WithdrawalOf,
    /// Why, where there is more to say than *by mistake*.
    #[serde(default)]
    reason: String,
    /// One of the list of reasons.
    #[serde(default)]
    reason_code: Option<String>,
}

/// What was taken back.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Withdrawn {
    /// Its id.
    entry: Uuid,
}

/// Takes an entry back.
pub(crate) fn keep_withdrawal(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    form: &Withdrawal,
) -> Result<(), ApiError> {
    let mut faults = Faults::default();
    let code = form.reason_code.as_deref();
    let why = in_words(state, ReasonFor::TakeBack, code, &form.reason, &mut faults);
    faults.text("reason", &why, 500, form.kind.needs_reason());
    faults.check()?;
    let today = state.today.date();
    // What touches the other arm lies with that arm's own episode.
    let owner = event::episode_of(conn, form.entry)?.filter(|owner| *owner != id);
    let owner = match owner {
        Some(other) if event::patient_of(conn, other)? == event::patient_of(conn, id)? => other,
        _ => id,
    };
    let before = episode::load(conn, owner, today)?;
    let why = (code.unwrap_or_default(), why.as_str());
    if form.kind == WithdrawalOf::Decision {
        deciding::undo(conn, owner, form.entry, today, why).map_err(|error| match error {
            StoreError::Stale { .. } => {
                ApiError::new(StatusCode::CONFLICT, "decision-built-on", &[])
            }
            other => other.into(),
        })?;
    }
    let taken = event::take_back(conn, owner, form.entry, form.kind.kind(), today, why)?;
    if let Some(by) = taken {
        flags::take_back_raises(conn, owner, form.entry, by)?;
    }
    if form.kind == WithdrawalOf::Limit {
        judge_again(state, conn, &before, form.entry)?;
    }
    Ok(())
}

/// What a limit had judged is judged again; both verdicts stay.
fn judge_again(
    state: &AppState,
    conn: &mut PgConnection,
    before: &Loaded,
    limit: Uuid,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, before.episode, before.facts.today)?;
    let known = state.knowledge_of(conn, &loaded)?;
    let assessment = assess(&known, &loaded.facts)?;
    let ctx = assessment.ctx();
    for judged in &loaded.facts.measurements {
        let last = judge(&ctx, &loaded.facts, judged);
        if last.limit == Some(limit) {
            let again = judge_anew(&ctx, &loaded.facts, judged);
            measurement::add_verdict(conn, &again)?;
        }
    }
    Ok(())
}

#[utoipa::path(tag = "record", request_body = Withdrawal, responses((status = 200, body = Withdrawn), (status = "default", body = Problem)))]
#[post("/episodes/{id}/withdrawals")]
pub(crate) async fn withdraw_entry(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Withdrawal>,
) -> Result<web::Json<Withdrawn>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    let action = form.kind.action();
    app.command(
        &req,
        action,
        "withdraw",
        Of::Episode(id),
        move |state, conn, user| {
            keep_withdrawal(state, conn, user, id, &form)?;
            refresh_lane(state, conn, id)?;
            Ok(web::Json(Withdrawn { entry: form.entry }))
        },
    )
    .await
}
