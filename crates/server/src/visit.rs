//! Visit: the follow-up on one page; logs, scores, attestations, gates, the signed note.

use crate::app::{App, AppState, Of};
use crate::assess::{Opened, assess, last_day, still_open};
use crate::form::Form;
use crate::lanes::{Acknowledged, acknowledge, refresh_lane};
use crate::problem::{ApiError, Problem, wording};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use chrono::NaiveDate;
use ritorno_core::facts::{
    Attestation, GatePass, Line, LogEntry, LogFact, Score, WeekUse, Written,
};
use ritorno_core::permission::Action;
use ritorno_core::progress::{CriterionStatus, CriterionView, next_gate};
use ritorno_core::safety::scheduled_lines;
use ritorno_core::snapshot::VisitV1;
use ritorno_core::visit::{VisitView, visit_view};
use ritorno_store::episode::Loaded;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, deciding, episode, events, log, visit as notes};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use uuid::Uuid;

/// The last signed note.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct NoteView {
    on: NaiveDate,
    body: String,
}

/// The visit page.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct VisitPage {
    name: String,
    work: String,
    side: ritorno_core::mechanics::Arm,
    day0: NaiveDate,
    today: NaiveDate,
    view: VisitView,
    last_note: Option<NoteView>,
    /// Lines that run today.
    lines: Vec<Line>,
    /// What was decided about exercises over the last fortnight, newest first.
    decided: Vec<DecidedView>,
}

/// What was made of a proposal.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct DecidedView {
    line: Uuid,
    exercise: String,
    proposed: String,
    answer: String,
    reason: String,
    on: NaiveDate,
}

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

/// A note to sign.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewNote {
    id: Uuid,
    body: String,
}

/// What the page shows beside what follows from the facts.
pub(crate) struct Gathered {
    opened: Opened,
    last_note: Option<Written>,
    decided: Vec<(NaiveDate, deciding::Kept)>,
}

/// Days of decisions that the page looks back on.
const DECIDED_DAYS: u64 = 14;

impl Gathered {
    fn read(state: &AppState, conn: &mut PgConnection, loaded: Loaded) -> Result<Self, ApiError> {
        let since = loaded.facts.today - chrono::Days::new(DECIDED_DAYS);
        Ok(Gathered {
            last_note: notes::newest(conn, loaded.episode)?,
            decided: deciding::since(conn, loaded.episode, since)?,
            opened: Opened::of(state, conn, loaded)?,
        })
    }
}

/// The page after a write.
pub(crate) fn page(
    state: &AppState,
    conn: &mut PgConnection,
    loaded: Loaded,
) -> Result<web::Json<VisitPage>, ApiError> {
    show(Gathered::read(state, conn, loaded)?)
}

fn show(gathered: Gathered) -> Result<web::Json<VisitPage>, ApiError> {
    let loaded = &gathered.opened.loaded;
    let facts = &loaded.facts;
    let assessment = gathered.opened.assess()?;
    let ctx = assessment.ctx();
    Ok(web::Json(VisitPage {
        name: format!(
            "{} {}",
            loaded.patient.given_name, loaded.patient.family_name
        ),
        work: facts.story.work.clone(),
        side: facts.story.side,
        day0: facts.story.day0,
        today: facts.today,
        view: visit_view(&assessment),
        last_note: gathered.last_note.map(|n| NoteView {
            on: n.on,
            body: n.text,
        }),
        lines: scheduled_lines(&ctx, facts, facts.day())
            .into_iter()
            .cloned()
            .collect(),
        decided: gathered
            .decided
            .into_iter()
            .map(|(on, d)| DecidedView {
                line: d.line_id,
                exercise: d.exercise,
                proposed: d.proposed,
                answer: d.answer,
                reason: d.reason,
                on,
            })
            .collect(),
    }))
}

#[utoipa::path(tag = "visit", responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/visit")]
pub(crate) async fn show_visit(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            Gathered::read(state, conn, loaded)
        },
        |_, gathered| show(gathered),
    )
    .await
}

/// Keeps an entry of the home log.
pub(crate) fn keep_log(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    entry: LogEntry,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    // What is logged belongs to the program's own knowledge release.
    let known = state.knowledge_of(conn, &loaded)?;
    let mut faults = Faults::default();
    faults.event_date("on", entry.on, loaded.facts.story.day0, last_day(&loaded));
    faults.text("remark", &entry.remark, 1000, false);
    if let Some(exercise) = &entry.exercise {
        faults.known("exercise", exercise, known.exercises.contains_key(exercise));
    }
    match entry.fact {
        LogFact::Done {
            sessions,
            repetitions,
        } => {
            faults.within("sessions", f64::from(sessions), 0.0, 24.0);
            faults.within("repetitions", f64::from(repetitions), 0.0, 200.0);
            if entry.exercise.is_none() {
                faults.push("exercise", "empty", &[]);
            }
        }
        LogFact::PainBefore { value }
        | LogFact::PainDuring { value }
        | LogFact::PainNextMorning { value } => {
            faults.within("value", value, 0.0, 10.0);
        }
        LogFact::Effort { value } => faults.within("value", value, 0.0, 10.0),
        LogFact::LeftOut | LogFact::Slip | LogFact::SlipWorse { .. } | LogFact::FlareDay => {}
    }
    faults.check()?;
    log::add(conn, id, &entry)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = LogEntry, responses((status = 200, body = Acknowledged), (status = "default", body = Problem)))]
#[post("/episodes/{id}/log")]
pub(crate) async fn add_log(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<LogEntry>,
) -> Result<web::Json<Acknowledged>, ApiError> {
    let id = EpisodeId(*id);
    let entry = form.into_inner();
    app.command(
        &req,
        Action::EnterLog,
        "add-log",
        Of::Episode(id),
        move |state, conn, user| {
            keep_log(state, conn, user, id, entry)?;
            acknowledge(state, conn, id).map(web::Json)
        },
    )
    .await
}

#[utoipa::path(tag = "visit", request_body = WeekUse, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/week-uses")]
pub(crate) async fn add_week_use(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<WeekUse>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let week = form.into_inner();
    app.command(
        &req,
        Action::EnterLog,
        "add-week-use",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            let mut faults = Faults::default();
            let day0 = loaded.facts.story.day0;
            faults.event_date("on", week.on, day0, last_day(&loaded));
            faults.check()?;
            events::add_week_use(conn, id, &week)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}

/// Keeps a score of nought to ten.
pub(crate) fn keep_score(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    score: Score,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    let mut faults = Faults::default();
    let known = state.knowledge_of(conn, &loaded)?;
    faults.event_date("on", score.on, loaded.facts.story.day0, last_day(&loaded));
    faults.within("value", score.value, 0.0, 10.0);
    faults.known("score", &score.score, known.asks_score(&score.score));
    faults.check()?;
    events::add_score(conn, id, &score)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = Score, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/scores")]
pub(crate) async fn add_score(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Score>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let score = form.into_inner();
    app.command(
        &req,
        Action::Measure,
        "add-score",
        Of::Episode(id),
        move |state, conn, user| {
            keep_score(state, conn, user, id, score)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}

/// Keeps what a clinician signs to be so.
pub(crate) fn keep_attestation(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    attestation: Attestation,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    let mut faults = Faults::default();
    faults.event_date(
        "on",
        attestation.on,
        loaded.facts.story.day0,
        last_day(&loaded),
    );
    let known = state.knowledge_of(conn, &loaded)?;
    let row = known.attestations.iter().any(|a| a.id == attestation.code);
    faults.known("code", &attestation.code, row);
    faults.check()?;
    events::add_attestation(conn, id, &attestation)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = Attestation, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/attestations")]
pub(crate) async fn attest(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Attestation>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let attestation = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "attest",
        Of::Episode(id),
        move |state, conn, user| {
            keep_attestation(state, conn, user, id, attestation)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
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
fn enter_late(state: &AppState, conn: &mut PgConnection, id: EpisodeId) -> Result<(), ApiError> {
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

/// Keeps a signed note with what the page showed.
pub(crate) fn keep_note(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    form: NewNote,
) -> Result<(), ApiError> {
    let mut faults = Faults::default();
    let bound = state.knowledge.bounds.get("note_characters");
    faults.text(
        "body",
        &form.body,
        bound.map_or(0, |b| b.max as usize),
        true,
    );
    faults.check()?;
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    let assessment = assess(&known, &loaded.facts)?;
    let shown = VisitV1::from(&visit_view(&assessment));
    let note = notes::Note::new(state.today.date(), form.body, &shown)?;
    notes::add(conn, form.id, id, &note)?;
    Ok(())
}

#[utoipa::path(tag = "visit", request_body = NewNote, responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/notes")]
pub(crate) async fn sign_note(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<NewNote>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "sign-note",
        Of::Episode(id),
        move |state, conn, user| {
            keep_note(state, conn, user, id, form)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}
