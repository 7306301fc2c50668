//! Examine and Read: tests, findings, what else a reading rests on, and the reading itself.

use crate::app::{App, AppState, Of};
use crate::assess::{Opened, assess, last_day};
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use ritorno_core::calendar::Clock;
use ritorno_core::confidence::Confidence;
use ritorno_core::facts::{ExamFact, ExamNote, Story, TestFinding};
use ritorno_core::knowledge::{ClinicalTest, Found, Knowledge, TestKind};
use ritorno_core::permission::Action;
use ritorno_core::reading::{ReadView, answer_fault, barred, read};
use ritorno_store::episode::Loaded;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode, findings};
use ritorno_wording::Value;
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

fn page(state: &AppState, opened: &Opened) -> Result<ReadingPage, ApiError> {
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

fn check_finding(
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

/// A vote is a measurement; what is known and how likely it was beforehand is the clinician's.
pub(crate) fn exam_note_action(note: &ExamNote) -> Action {
    use ExamFact::{Injection, Known, PathwayKept, PreTest};
    if matches!(
        note.fact,
        Known { .. } | PreTest { .. } | PathwayKept { .. } | Injection { .. }
    ) {
        Action::EditStory
    } else {
        Action::Measure
    }
}

/// Keeps what else a reading rests on.
pub(crate) fn keep_exam_note(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    note: ExamNote,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    let mut faults = Faults::default();
    match &note.fact {
        // What was injected before the shoulder was seen here still tells something; a year is long enough.
        ExamFact::Injection { .. } => {
            let first = loaded.facts.story.day0 - chrono::Days::new(365);
            faults.event_date("on", note.on, first, last_day(&loaded));
        }
        _ => faults.event_date("on", note.on, loaded.facts.story.day0, last_day(&loaded)),
    }
    match &note.fact {
        ExamFact::Irritability { question, value } => {
            let max = if *question == ritorno_core::facts::Vote::WorstPain {
                10.0
            } else {
                2.0
            };
            faults.within("value", *value, 0.0, max);
        }
        ExamFact::Known { about, .. } => {
            let conditions = ["frozen-shoulder", "glenohumeral-osteoarthritis"];
            faults.known(
                "about",
                about,
                known.hypothesis(about).is_some() || conditions.contains(&about.as_str()),
            );
        }
        ExamFact::Instability { .. } | ExamFact::Injection { .. } => {}
        ExamFact::PathwayKept { pathway, reason } => {
            faults.known("pathway", pathway, known.pathways.contains_key(pathway));
            faults.text("reason", reason, 300, true);
        }
        ExamFact::Response {
            sign,
            dose,
            before,
            after,
        } => {
            faults.text("sign", sign, 120, true);
            faults.text("dose", dose, 120, true);
            faults.within("before", *before, 0.0, 10.0);
            faults.within("after", *after, 0.0, 10.0);
        }
        ExamFact::TryOut { exercise, .. } => {
            faults.known("exercise", exercise, known.exercises.contains_key(exercise))
        }
        ExamFact::PreTest {
            hypothesis,
            probability,
            reason,
        } => {
            faults.known(
                "hypothesis",
                hypothesis,
                known.hypothesis(hypothesis).is_some(),
            );
            faults.within("probability", *probability, 0.01, 0.99);
            faults.text("reason", reason, 300, true);
        }
    }
    faults.check()?;
    findings::add_note(conn, id, &note)?;
    Ok(())
}

#[utoipa::path(tag = "examine", request_body = ExamNote, responses((status = 200, body = ReadingPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/exam-notes")]
pub(crate) async fn add_exam_note(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<ExamNote>,
) -> Result<web::Json<ReadingPage>, ApiError> {
    let id = EpisodeId(*id);
    let note = form.into_inner();
    let action = exam_note_action(&note);
    app.command(
        &req,
        action,
        "add-exam-note",
        Of::Episode(id),
        move |state, conn, user| {
            keep_exam_note(state, conn, user, id, note)?;
            let loaded = refresh_lane(state, conn, id)?;
            let opened = Opened::of(state, conn, loaded)?;
            Ok(web::Json(page(state, &opened)?))
        },
    )
    .await
}
