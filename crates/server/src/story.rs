//! Story: what happened, is it safe to go on? Also adds patients and the surgeon's limits.

use crate::app::{App, AppState};
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, put, web};
use chrono::{Months, NaiveDate};
use ritorno_core::calendar::Clock;
use ritorno_core::episode::{Answer, FlagAction, FlagAnswer, Start, Story, SurgeonLimit};
use ritorno_core::exam::{Dial, dials};
use ritorno_core::flags::FlagView;
use ritorno_core::permission::Action;
use ritorno_core::program::{Ceiling, ceiling_on};
use ritorno_core::visit::Assessment;
use ritorno_store::episode::{Loaded, Patient};
use ritorno_store::{PgConnection, StoreError, episode, events};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A new patient with a first operated shoulder.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewPatient {
    patient: Uuid,
    episode: Uuid,
    given_name: String,
    family_name: String,
    birth: NaiveDate,
    story: Story,
}

/// Where a patient's newest episode is.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PatientHead {
    patient: Uuid,
    episode: Uuid,
    name: String,
    birth: NaiveDate,
}

/// Where each station stands: empty, under way, done, due again.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Stations {
    story: &'static str,
    ranges: &'static str,
    examine: &'static str,
    read: &'static str,
    program: &'static str,
    home: &'static str,
}

/// The story with what belongs to it.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct StoryPage {
    head: PatientHead,
    clock: Clock,
    rev: i32,
    story: Story,
    flags: Vec<FlagView>,
    limits: Vec<SurgeonLimit>,
    /// Quantities a limit can be written for, with today's ceilings.
    dials: Vec<Dial>,
    /// General health to choose from, with what each changes.
    health: Vec<HealthChoice>,
    /// Ids of kit to choose from.
    kit: Vec<String>,
    /// Ids of pathways to choose from.
    pathways: Vec<String>,
    stations: Stations,
}

/// General health that changes the plan, and how.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct HealthChoice {
    id: String,
    /// Weeks by which strength work comes later.
    strength_delay_weeks: i32,
    /// Days after which a range is due again, when sooner than usual.
    max_age_days: Option<i32>,
}

/// An edit of a story.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct StoryEdit {
    rev: i32,
    story: Story,
}

/// Answers to red-flag questions, asked today.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct FlagAnswers {
    answers: Vec<FlagReply>,
}

/// One answer.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct FlagReply {
    flag: String,
    answer: Answer,
    /// Set when a contradicting note was looked at and the answer stands.
    #[serde(default)]
    confirmed: bool,
}

/// What was done about a raised flag, today.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct FlagDone {
    flag: String,
    action: String,
    closed: bool,
}

fn check_story(state: &AppState, story: &Story, birth: NaiveDate, faults: &mut Faults) {
    let today = state.today.date();
    let known = &state.knowledge;
    faults.not_after("story.day0", story.day0, today);
    if story.day0 < birth {
        faults.push("story.day0", "before-birth", &[("birth", Value::Text(&birth.to_string()))]);
    } else if story.day0.checked_add_months(Months::new(24)).is_some_and(|late| late < today) {
        faults.push("story.day0", "too-old", &[("years", Value::Number(2.0))]);
    }
    faults.known("story.pathway", &story.pathway, known.pathways.contains_key(&story.pathway));
    // A pathway with a surgical clock belongs to an operation, and to nothing else.
    let without_operation = known.pathways.get(&story.pathway).is_some_and(|p| p.phases.is_empty());
    if without_operation == (story.start == Start::Surgery) {
        faults.push("story.pathway", "pathway-and-start", &[]);
    }
    faults.text("story.mechanism", &story.mechanism, 500, false);
    faults.text("story.work", &story.work, 200, false);
    faults.text("story.note", &story.note, 4000, false);
    if let Some(clearance) = &story.clearance {
        faults.text("story.clearance.role", &clearance.role, 80, true);
        faults.event_date("story.clearance.on", clearance.on, story.day0, today);
    }
    if let Some(mass) = story.mass_kg {
        faults.within("story.mass_kg", mass, 2.0, 350.0);
    }
    if let Some(height) = story.height_cm {
        faults.within("story.height_cm", height, 40.0, 250.0);
    }
    for item in &story.health {
        faults.known("story.health", item, known.health.iter().any(|h| &h.id == item));
    }
    for item in &story.kit {
        faults.known("story.kit", item, known.exercises.values().any(|e| e.kit.contains(item)));
    }
    for (i, task) in story.tasks.iter().enumerate() {
        faults.text(&format!("story.tasks[{i}].label"), &task.label, 120, true);
        faults.within(&format!("story.tasks[{i}].score"), f64::from(task.score), 0.0, 10.0);
    }
}

#[utoipa::path(tag = "story", request_body = NewPatient, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[post("/patients")]
pub(crate) async fn add_patient(app: App, req: HttpRequest, form: web::Json<NewPatient>) -> Result<web::Json<PatientHead>, ApiError> {
    let form = form.into_inner();
    app.write(&req, Action::EditStory, "add-patient", move |state, conn, _| {
        let mut faults = Faults::default();
        faults.text("given_name", &form.given_name, 80, true);
        faults.text("family_name", &form.family_name, 80, true);
        faults.not_after("birth", form.birth, state.today.date());
        if form.birth.checked_add_months(Months::new(12 * 115)).is_some_and(|end| end < state.today.date()) {
            faults.push("birth", "too-old", &[("years", Value::Number(115.0))]);
        }
        check_story(state, &form.story, form.birth, &mut faults);
        faults.check()?;
        let patient = Patient {
            id: form.patient,
            given_name: form.given_name.trim().to_owned(),
            family_name: form.family_name.trim().to_owned(),
            birth: form.birth,
        };
        episode::insert(conn, &patient, form.episode, &form.story)?;
        refresh_lane(state, conn, form.episode)?;
        Ok(web::Json(head(&patient, form.episode)))
    })
    .await
}

fn head(patient: &Patient, episode: Uuid) -> PatientHead {
    PatientHead { patient: patient.id, episode, name: format!("{} {}", patient.given_name, patient.family_name), birth: patient.birth }
}

#[utoipa::path(tag = "story", responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[get("/patients/{id}")]
pub(crate) async fn show_patient(app: App, req: HttpRequest, id: web::Path<Uuid>) -> Result<web::Json<PatientHead>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let episode = episode::newest_of(conn, *id)?;
        let loaded = episode::load(conn, episode, state.today.date())?;
        Ok(web::Json(head(&loaded.patient, episode)))
    })
    .await
}

fn page(state: &AppState, conn: &mut PgConnection, loaded: Loaded) -> Result<StoryPage, ApiError> {
    let release = state.knowledge_of(conn, &loaded)?;
    let known = &release;
    let facts = &loaded.facts;
    let assessment = Assessment::new(known, facts).ok_or(StoreError::NotFound("pathway"))?;
    let all = dials(&assessment.ctx(), facts);
    let mut kit: Vec<String> = known.exercises.values().flat_map(|e| e.kit.clone()).collect();
    kit.sort();
    kit.dedup();
    let signed = match &loaded.program {
        Some(program) => ritorno_store::program::last_signed(conn, program.id)?.is_some(),
        None => false,
    };
    let asked = assessment.flags.iter().all(|f| f.state != ritorno_core::flags::FlagState::NotAsked);
    let open = assessment.flags.iter().any(FlagView::open);
    let examined_today = facts.findings.iter().any(|f| f.on == facts.today) || facts.readings.iter().any(|r| r.on == facts.today);
    let anything = !facts.findings.is_empty() || !facts.readings.is_empty();
    let stations = Stations {
        examine: match (anything, examined_today) {
            (false, _) => "empty",
            (true, false) => "due",
            (true, true) => "under-way",
        },
        read: if anything { "done" } else { "empty" },
        story: if open {
            "due"
        } else if asked && (facts.story.clearance.is_some() || !facts.operated()) {
            "done"
        } else {
            "under-way"
        },
        ranges: if facts.readings.is_empty() {
            "empty"
        } else if all.iter().any(|d| d.due) {
            "due"
        } else {
            "done"
        },
        program: if signed {
            "done"
        } else if loaded.program.is_some() {
            "under-way"
        } else {
            "empty"
        },
        home: if signed { "done" } else { "empty" },
    };
    Ok(StoryPage {
        head: head(&loaded.patient, loaded.episode),
        clock: Clock::at(facts.day()),
        rev: loaded.rev,
        story: facts.story.clone(),
        flags: assessment.flags.clone(),
        limits: facts.limits.clone(),
        dials: all,
        health: known
            .health
            .iter()
            .map(|h| HealthChoice { id: h.id.clone(), strength_delay_weeks: h.strength_delay_weeks, max_age_days: h.max_age_days })
            .collect(),
        kit,
        pathways: known.pathways.keys().cloned().collect(),
        stations,
    })
}

#[utoipa::path(tag = "story", responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/story")]
pub(crate) async fn show_story(app: App, req: HttpRequest, id: web::Path<Uuid>) -> Result<web::Json<StoryPage>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let loaded = episode::load(conn, *id, state.today.date())?;
        Ok(web::Json(page(state, conn, loaded)?))
    })
    .await
}

#[utoipa::path(tag = "story", request_body = StoryEdit, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[put("/episodes/{id}/story")]
pub(crate) async fn edit(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: web::Json<StoryEdit>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let form = form.into_inner();
    app.write(&req, Action::EditStory, "edit-story", move |state, conn, _| {
        let birth = episode::load(conn, *id, state.today.date())?.patient.birth;
        let mut faults = Faults::default();
        check_story(state, &form.story, birth, &mut faults);
        faults.check()?;
        episode::update_story(conn, *id, form.rev, &form.story)?;
        let loaded = refresh_lane(state, conn, *id)?;
        Ok(web::Json(page(state, conn, loaded)?))
    })
    .await
}

#[utoipa::path(tag = "story", request_body = FlagAnswers, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/flags")]
pub(crate) async fn answer_flags(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: web::Json<FlagAnswers>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let form = form.into_inner();
    app.write(&req, Action::AnswerFlags, "answer-flags", move |state, conn, _| {
        let mut faults = Faults::default();
        for reply in &form.answers {
            faults.known("answers.flag", &reply.flag, state.knowledge.red_flag(&reply.flag).is_some_and(|f| f.asked));
        }
        faults.check()?;
        let on = state.today.date();
        let answers: Vec<FlagAnswer> =
            form.answers.into_iter().map(|r| FlagAnswer { flag: r.flag, answer: r.answer, on, confirmed: r.confirmed }).collect();
        events::add_flag_answers(conn, *id, &answers)?;
        let loaded = refresh_lane(state, conn, *id)?;
        Ok(web::Json(page(state, conn, loaded)?))
    })
    .await
}

#[utoipa::path(tag = "story", request_body = FlagDone, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/flag-actions")]
pub(crate) async fn act_on_flag(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: web::Json<FlagDone>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let form = form.into_inner();
    app.write(&req, Action::AnswerFlags, "act-on-flag", move |state, conn, _| {
        let mut faults = Faults::default();
        faults.text("action", &form.action, 1000, true);
        faults.known("flag", &form.flag, state.knowledge.red_flag(&form.flag).is_some());
        faults.check()?;
        let action = FlagAction { flag: form.flag, on: state.today.date(), action: form.action, closed: form.closed };
        events::add_flag_action(conn, *id, &action)?;
        let loaded = refresh_lane(state, conn, *id)?;
        Ok(web::Json(page(state, conn, loaded)?))
    })
    .await
}

#[utoipa::path(tag = "story", request_body = SurgeonLimit, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/limits")]
pub(crate) async fn add_limit(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: web::Json<SurgeonLimit>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let limit = SurgeonLimit { ended_on: None, ..form.into_inner() };
    app.write(&req, Action::RecordLimit, "add-limit", move |state, conn, _| {
        let loaded = episode::load(conn, *id, state.today.date())?;
        let day = loaded.facts.day();
        let known = state.knowledge_of(conn, &loaded)?;
        let pathway = known.pathways.get(&loaded.facts.story.pathway).ok_or(StoreError::NotFound("pathway"))?;
        let mut faults = Faults::default();
        match known.quantity(&limit.quantity) {
            None => faults.known("quantity", &limit.quantity, false),
            Some(quantity) => {
                faults.within("ceiling", limit.ceiling, quantity.min, quantity.max);
                if let Some(floor) = limit.floor {
                    faults.within("floor", floor, quantity.min, quantity.max);
                    if floor > limit.ceiling {
                        faults.push(
                            "floor",
                            "floor-above-ceiling",
                            &[("floor", Value::Number(floor)), ("ceiling", Value::Number(limit.ceiling))],
                        );
                    }
                }
            }
        }
        if let Some(until) = limit.until_day {
            faults.within("until_day", f64::from(until), 1.0, 730.0);
        }
        match &limit.release {
            Some(release) => {
                faults.text("release.role", &release.role, 80, true);
                faults.event_date("release.on", release.on, loaded.facts.story.day0, state.today.date());
            }
            None => {
                // Tighter at once; looser only as a release.
                let without = ceiling_on(pathway, &[], &limit.quantity, day, day).ceiling;
                let looser = match without {
                    Ceiling::NoneAllowed => false,
                    Ceiling::UpTo { value } => limit.ceiling > value,
                    Ceiling::Free => false,
                };
                if looser {
                    let ceiling = without.value().unwrap_or_default();
                    faults.push("ceiling", "looser", &[("given", Value::Number(limit.ceiling)), ("ceiling", Value::Number(ceiling))]);
                }
            }
        }
        faults.check()?;
        episode::add_limit(conn, *id, &limit)?;
        let loaded = refresh_lane(state, conn, *id)?;
        Ok(web::Json(page(state, conn, loaded)?))
    })
    .await
}

#[utoipa::path(tag = "story", responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/limits/{limit}/end")]
pub(crate) async fn end_limit(app: App, req: HttpRequest, ids: web::Path<(Uuid, Uuid)>) -> Result<web::Json<StoryPage>, ApiError> {
    let (id, limit) = ids.into_inner();
    app.write(&req, Action::RecordLimit, "end-limit", move |state, conn, _| {
        let loaded = episode::load(conn, id, state.today.date())?;
        let day = loaded.facts.day();
        let known = loaded.facts.limits.iter().find(|l| l.id == limit).ok_or(StoreError::NotFound("limit"))?;
        // Before its date a limit ends only by a release.
        if let Some(until) = known.until_day.filter(|until| day < *until) {
            let mut faults = Faults::default();
            faults.push("limit", "not-due", &[("opens_day", Value::Number(f64::from(until)))]);
            faults.check()?;
        } else if known.until_day.is_none() {
            let mut faults = Faults::default();
            faults.push("limit", "release-incomplete", &[]);
            faults.check()?;
        }
        episode::end_limit(conn, id, limit, state.today.date())?;
        let loaded = refresh_lane(state, conn, id)?;
        Ok(web::Json(page(state, conn, loaded)?))
    })
    .await
}
