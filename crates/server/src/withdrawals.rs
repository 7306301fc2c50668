//! Taking back an entry that was made by mistake: it stays on record, and so does why it was taken back.

use crate::app::{App, AppState};
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::permission::Action;
use ritorno_store::PgConnection;
use ritorno_store::user::User;
use ritorno_store::withdraw::{Entry, withdraw};
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
    /// A push against a device.
    StrengthTrial,
    /// An outcome sheet.
    OutcomeSheet,
}

impl From<WithdrawalOf> for Entry {
    fn from(kind: WithdrawalOf) -> Entry {
        match kind {
            WithdrawalOf::Measurement => Entry::Measurement,
            WithdrawalOf::Finding => Entry::Finding,
            WithdrawalOf::StrengthTrial => Entry::StrengthTrial,
            WithdrawalOf::OutcomeSheet => Entry::OutcomeSheet,
        }
    }
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
}

/// What was taken back.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Withdrawn {
    /// Its id.
    entry: Uuid,
}

/// Takes an entry back.
pub(crate) fn keep_withdrawal(
    _state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: Uuid,
    form: &Withdrawal,
) -> Result<(), ApiError> {
    let mut faults = Faults::default();
    faults.text("reason", &form.reason, 500, false);
    faults.check()?;
    Ok(withdraw(
        conn,
        id,
        form.kind.into(),
        form.entry,
        &form.reason,
    )?)
}

#[utoipa::path(tag = "record", request_body = Withdrawal, responses((status = 200, body = Withdrawn), (status = "default", body = Problem)))]
#[post("/episodes/{id}/withdrawals")]
pub(crate) async fn withdraw_entry(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Withdrawal>,
) -> Result<web::Json<Withdrawn>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::Measure,
        "withdraw",
        move |state, conn, user| {
            keep_withdrawal(state, conn, user, *id, &form)?;
            refresh_lane(state, conn, *id)?;
            Ok(web::Json(Withdrawn { entry: form.entry }))
        },
    )
    .await
}
