//! The tests, and the reading of what was found.

use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use ritorno_core::calendar::Clock;
use ritorno_core::confidence::Confidence;
use ritorno_core::facts::{ExamNote, Story, TestFinding};
use ritorno_core::knowledge::{ClinicalTest, Found, TestKind};
use ritorno_core::permission::Action;
use ritorno_core::reading::{ReadView, read};
use ritorno_store::EpisodeId;
use serde::Serialize;
use uuid::Uuid;

/// One test as the page enters it.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct TestCard {
    id: String,
    region: String,
    kind: TestKind,
    position: String,
    minutes: f64,
    provocation: u8,
    /// Words that may answer, in the order of their keys; empty where a number answers.
    answers: Vec<Found>,
    /// Unit of a number.
    unit: Option<String>,
    min: Option<f64>,
    max: Option<f64>,
    variants: Vec<String>,
    /// Part of the core for this complaint.
    core_for: Vec<String>,
    source: String,
    confidence: Confidence,
}

impl From<&ClinicalTest> for TestCard {
    fn from(t: &ClinicalTest) -> Self {
        TestCard {
            id: t.id.clone(),
            region: t.region.clone(),
            kind: t.kind,
            position: t.position.clone(),
            minutes: t.minutes,
            provocation: t.provocation,
            answers: t.kind.answers().to_vec(),
            unit: t.unit.clone(),
            min: t.min,
            max: t.max,
            variants: t.variants.clone(),
            core_for: t.core_for.clone(),
            source: t.source.clone(),
            confidence: t.confidence,
        }
    }
}

/// What the reading rests on, and the reading.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ReadingPage {
    clock: Clock,
    story: Story,
    rev: i32,
    /// All findings of both sides, oldest first: earlier visits are drawn as ghosts.
    history: Vec<TestFinding>,
    /// Votes, imaging and own pre-test probabilities, oldest first.
    notes: Vec<ExamNote>,
    view: ReadView,
}

pub(super) fn page(state: &AppState, opened: &Opened) -> Result<ReadingPage, ApiError> {
    let loaded = &opened.loaded;
    let assessment = opened.assess()?;
    let model = state.model_of(&opened.known);
    Ok(ReadingPage {
        clock: Clock::at(loaded.facts.day()),
        story: loaded.facts.story.clone(),
        rev: loaded.rev,
        history: loaded.facts.findings.clone(),
        notes: loaded.facts.exam_notes.clone(),
        view: read(&assessment, &model),
    })
}

#[utoipa::path(tag = "examine", responses((status = 200, body = Vec<TestCard>), (status = "default", body = Problem)))]
#[get("/tests")]
pub(crate) async fn tests(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<Vec<TestCard>>, ApiError> {
    app.read(&req, Action::ReadRecord, |state, _, _| {
        Ok(web::Json(
            state.knowledge.tests.iter().map(TestCard::from).collect(),
        ))
    })
    .await
}

#[utoipa::path(tag = "examine", responses((status = 200, body = ReadingPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/reading")]
pub(crate) async fn show_reading(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<ReadingPage>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| Ok(Opened::read(state, conn, id)?),
        |state, opened| page(state, &opened).map(web::Json),
    )
    .await
}
