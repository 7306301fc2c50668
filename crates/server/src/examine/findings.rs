//! Findings.

use super::page::{ReadingPage, page};
use crate::app::{App, AppState};
use crate::assess::{Opened, assess, last_day};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::facts::TestFinding;
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::Action;
use ritorno_core::reading::{answer_fault, barred};
use ritorno_store::episode::Loaded;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode, findings};
use ritorno_wording::Value;
use uuid::Uuid;

pub(super) fn check_finding(
    known: &Knowledge,
    loaded: &Loaded,
    finding: &TestFinding,
) -> Result<(), ApiError> {
    let facts = &loaded.facts;
    let mut faults = Faults::default();
    faults.event_date("on", finding.on, facts.story.day0, last_day(loaded));
    faults.text("remark", &finding.remark, 1000, false);
    let test = known.test(&finding.test);
    faults.known("test", &finding.test, test.is_some());
    let Some(test) = test else {
        return faults.check();
    };
    if let Some(reason) = answer_fault(known, &finding.test, finding.answer) {
        match (reason.rule.as_str(), finding.answer, test.min, test.max) {
            (
                "answer-outside",
                ritorno_core::facts::TestAnswer::Number { value },
                Some(min),
                Some(max),
            ) => faults.within("answer.value", value, min, max),
            _ => faults.push(
                "answer",
                "another-kind",
                &[("test", Value::Text(&finding.test))],
            ),
        }
    }
    if let Some(variant) = &finding.variant {
        faults.known("variant", variant, test.variants.contains(variant));
    }
    faults.check()?;
    // What protection bars is not examined: it is refused with its rules, not flagged.
    if finding.side == facts.story.side {
        let assessment = assess(known, facts)?;
        let reasons = barred(&assessment.ctx(), facts, test);
        if !reasons.is_empty() {
            return Err(ApiError::blocked(reasons, Vec::new()));
        }
    }
    Ok(())
}

/// Keeps an answered test.
pub(crate) fn keep_finding(
    state: &AppState,
    conn: &mut PgConnection,
    user: &User,
    id: EpisodeId,
    form: TestFinding,
) -> Result<(), ApiError> {
    let finding = TestFinding {
        rater: user.id.0,
        ..form
    };
    // It is judged by the arm it touches.
    let id = episode::of_arm(conn, id, finding.side)?;
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    check_finding(&known, &loaded, &finding)?;
    findings::add_finding(conn, id, &finding)?;
    Ok(())
}

#[utoipa::path(tag = "examine", request_body = TestFinding, responses((status = 200, body = ReadingPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/findings")]
pub(crate) async fn add_finding(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<TestFinding>,
) -> Result<web::Json<ReadingPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Measure,
        "add-finding",
        Of::Episode(id),
        move |state, conn, user| {
            keep_finding(state, conn, user, id, form)?;
            let loaded = refresh_lane(state, conn, id)?;
            let opened = Opened::of(state, conn, loaded)?;
            Ok(web::Json(page(state, &opened)?))
        },
    )
    .await
}
