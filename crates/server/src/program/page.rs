//! The page: the program as it stands, and what could be added.

use crate::app::{App, AppState};
use crate::assess::{Opened, assess};
use crate::home::name_of;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use chrono::NaiveDate;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::Facts;
use ritorno_core::knowledge::{Dose, Knowledge, Purpose};
use ritorno_core::permission::Action;
use ritorno_core::plan::{LineWhy, May, PlanChart, advice, may, plan_chart};
use ritorno_core::reading::pathway_challenge;
use ritorno_core::reason::Reason;
use ritorno_core::safety::{Verdict, check_exercise, running_lines};
use ritorno_core::snapshot::read_program;
use ritorno_core::visit::{HomeKit, home_kit, untried};
use ritorno_store::episode::Loaded;
use ritorno_store::{EpisodeId, PgConnection, StoreError, episode, program};
use serde::Serialize;
use uuid::Uuid;

/// An exercise that could be added, with what the check says for today.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Candidate {
    exercise: String,
    purpose: Purpose,
    ladder: String,
    rung: u32,
    opens_phase: Option<u32>,
    dose: Dose,
    today: Verdict,
}

/// The last signed version.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct SignedInfo {
    version: i32,
    on: NaiveDate,
    /// False when the program has been edited since, or was signed with other knowledge.
    current: bool,
}

/// The program with its plan chart.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ProgramPage {
    rev: i32,
    /// The chosen pathway.
    pathway: String,
    /// Why the chosen pathway is challenged; nothing is built or saved until somebody says why it is kept.
    challenge: Option<Reason>,
    /// The first letters of the knowledge release it was built with.
    knowledge: Option<String>,
    signed: Option<SignedInfo>,
    chart: PlanChart,
    /// Ids of the lines that run today: never one that waits for a gate or is blocked.
    running: Vec<Uuid>,
    /// Exercises that run today and were never tried out in the room.
    untried: Vec<String>,
    /// What they need at home.
    kit: Vec<HomeKit>,
    /// Letters of the patient's name that the sheet cannot draw.
    undrawn: String,
    /// What is told beside the exercises today, as wording keys.
    advice: Vec<String>,
    /// What of daily life is kept back at some time, and until when.
    may: Vec<May>,
    candidates: Vec<Candidate>,
    /// Why each ladder stands in the program.
    why: Vec<LineWhy>,
}

pub(super) fn assessed<'a>(
    known: &'a Knowledge,
    facts: &'a Facts,
) -> Result<Assessment<'a>, ApiError> {
    Ok(assess(known, facts)?)
}

/// What the page shows beside what follows from the facts.
pub(super) struct Gathered {
    opened: Opened,
    signed: Option<SignedInfo>,
    undrawn: String,
}

pub(super) fn gather(
    state: &AppState,
    conn: &mut PgConnection,
    loaded: Loaded,
) -> Result<Gathered, ApiError> {
    let signed = match &loaded.program {
        None => None,
        Some(head) => match (
            program::last_snapshot(conn, head.id)?,
            program::last_signed(conn, head.id)?,
        ) {
            (Some((version, body)), Some(last)) => {
                let kept =
                    read_program(version, body).map_err(|_| StoreError::Unreadable("snapshot"))?;
                Some(SignedInfo {
                    version: last.version,
                    on: last.signed_on,
                    current: kept.rev == head.rev,
                })
            }
            _ => None,
        },
    };
    let opened = Opened::of(state, conn, loaded)?;
    let undrawn = state.paper.undrawn(&name_of(&opened.loaded.patient));
    Ok(Gathered {
        opened,
        signed,
        undrawn,
    })
}

/// The page after a write.
pub(super) fn page(
    state: &AppState,
    conn: &mut PgConnection,
    loaded: Loaded,
) -> Result<web::Json<ProgramPage>, ApiError> {
    show(gather(state, conn, loaded)?)
}

pub(super) fn show(gathered: Gathered) -> Result<web::Json<ProgramPage>, ApiError> {
    let Gathered {
        opened,
        signed,
        undrawn,
    } = gathered;
    let (known, loaded) = (&opened.known, &opened.loaded);
    let assessment = opened.assess()?;
    let ctx = assessment.ctx();
    let candidates = known
        .exercises
        .values()
        .filter(|e| ctx.rules.opening_phase(&e.id).is_some())
        .map(|e| Candidate {
            exercise: e.id.clone(),
            purpose: e.purpose,
            ladder: e.ladder.clone(),
            rung: e.rung,
            opens_phase: ctx.rules.opening_phase(&e.id).map(|p| p.number),
            dose: e.dose,
            today: check_exercise(&ctx, e, &e.dose, ctx.today),
        })
        .collect();
    Ok(web::Json(ProgramPage {
        rev: loaded.program.as_ref().map_or(0, |p| p.rev),
        pathway: loaded.facts.story.pathway.clone(),
        challenge: pathway_challenge(&ctx, &loaded.facts),
        knowledge: loaded
            .program
            .as_ref()
            .map(|p| p.knowledge_sha256.chars().take(8).collect()),
        signed,
        chart: plan_chart(&ctx, &loaded.facts),
        running: running_lines(&ctx, &loaded.facts, ctx.today)
            .into_iter()
            .map(|l| l.id)
            .collect(),
        untried: untried(&ctx, &loaded.facts),
        kit: home_kit(&ctx, &loaded.facts),
        undrawn,
        advice: advice(&ctx, &loaded.facts),
        may: may(&ctx),
        candidates,
        why: assessment.why(),
    }))
}

#[utoipa::path(tag = "program", responses((status = 200, body = ProgramPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/program")]
pub(crate) async fn program_page(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<ProgramPage>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            gather(state, conn, loaded)
        },
        |_, gathered| show(gathered),
    )
    .await
}
