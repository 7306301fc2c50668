//! Story: what happened, is it safe to go on?

use crate::app::{App, AppState, Of};
use crate::assess::assess;
use crate::choices::{PathwayChoice, Question, check_story, goals, pathway_choices, questions};
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::patients::{PatientHead, head};
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, put, web};
use ritorno_core::calendar::Clock;
use ritorno_core::facts::{
    Answer, Because, ExamFact, ExamNote, FlagAnswer, FlagStep, FlagStepKind, Story, SurgeonLimit,
};
use ritorno_core::flags::{CauseKind, CauseState, FlagView, may_rest_on};
use ritorno_core::flags::{Hit, screen};
use ritorno_core::permission::Action;
use ritorno_core::ranges::{Dial, dials};
use ritorno_store::episode::Loaded;
use ritorno_store::{EpisodeId, PgConnection, episode, flags};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

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
    /// Injections with their dates, oldest first.
    injections: Vec<ExamNote>,
    /// What imaging or an operation has shown or excluded, oldest first.
    imaging: Vec<ExamNote>,
    /// Ids of kit to choose from.
    kit: Vec<String>,
    /// Kinds of movement a task may ask for.
    goals: Vec<String>,
    /// Pathways to choose from.
    pathways: Vec<PathwayChoice>,
    /// Modifiers that go with the pathway.
    modifiers: Vec<String>,
    /// Where practitioners disagree about it.
    questions: Vec<Question>,
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
    /// An arm that does not turn out is a flag here without an injury too.
    locked_arm: bool,
    /// New doses start low.
    starts_low: bool,
    /// Quick work needs a reason.
    quick_caution: bool,
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
    /// Made where it was given.
    #[serde(default = "Uuid::now_v7")]
    id: Uuid,
    flag: String,
    answer: Answer,
    /// Passages of texts that were looked at, by cause key.
    #[serde(default)]
    about: Vec<String>,
    /// What a no rests on, where a text said otherwise.
    #[serde(default)]
    because: Option<Because>,
}

/// A text that is being typed.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Typed {
    text: String,
}

pub(crate) fn page(
    state: &AppState,
    conn: &mut PgConnection,
    loaded: Loaded,
) -> Result<StoryPage, ApiError> {
    let release = state.knowledge_of(conn, &loaded)?;
    let known = &release;
    let facts = &loaded.facts;
    let assessment = assess(known, facts)?;
    let all = dials(&assessment.ctx(), facts);
    let pathway = known.pathways.get(&facts.story.pathway);
    let mut kit: Vec<String> = known
        .exercises
        .values()
        .flat_map(|e| e.kit.clone())
        .collect();
    kit.sort();
    kit.dedup();
    let signed = match &loaded.program {
        Some(program) => ritorno_store::program::last_signed(conn, program.id)?.is_some(),
        None => false,
    };
    let asked = assessment
        .flags
        .iter()
        .all(|f| f.state != ritorno_core::flags::FlagState::NotAsked);
    let open = assessment.flags.iter().any(FlagView::open);
    let examined_today = facts.findings.iter().any(|f| f.on == facts.today)
        || facts.measurements.iter().any(|r| r.on == facts.today);
    let anything = !facts.findings.is_empty() || !facts.measurements.is_empty();
    let stations = Stations {
        examine: match (anything, examined_today) {
            (false, _) => "empty",
            (true, false) => "due",
            (true, true) => "under-way",
        },
        read: if anything { "done" } else { "empty" },
        story: if open {
            "due"
        } else if asked && (assessment.ctx().cleared) {
            "done"
        } else {
            "under-way"
        },
        ranges: if facts.measurements.is_empty() {
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
    let noted = |is: fn(&ExamFact) -> bool| -> Vec<ExamNote> {
        let all = facts.exam_notes.iter().filter(|n| is(&n.fact));
        all.cloned().collect()
    };
    Ok(StoryPage {
        head: head(conn, &loaded.patient, loaded.episode)?,
        clock: Clock::at(facts.day()),
        rev: loaded.rev,
        story: facts.story.clone(),
        flags: assessment.flags.clone(),
        limits: facts.limits.clone(),
        dials: all,
        health: known
            .health
            .iter()
            .map(|h| HealthChoice {
                id: h.id.clone(),
                strength_delay_weeks: h.strength_delay_weeks,
                max_age_days: h.max_age_days,
                locked_arm: h.locked_arm,
                starts_low: h.starts_low,
                quick_caution: h.quick_caution,
            })
            .collect(),
        injections: noted(|fact| matches!(fact, ExamFact::Injection { .. })),
        imaging: noted(|fact| matches!(fact, ExamFact::Known { .. })),
        kit,
        goals: goals(known).map(str::to_owned).collect(),
        pathways: pathway_choices(state, conn)?,
        modifiers: pathway
            .map(|p| {
                known
                    .modifiers
                    .iter()
                    .filter(|m| m.pathways.iter().any(|x| x == p.column()))
                    .map(|m| m.id.clone())
                    .collect()
            })
            .unwrap_or_default(),
        questions: pathway
            .map(|p| questions(known, p, &assessment.rules))
            .unwrap_or_default(),
        stations,
    })
}

#[utoipa::path(tag = "story", responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/story")]
pub(crate) async fn show_story(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let loaded = episode::load(conn, id, state.today.date())?;
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
    form: Form<StoryEdit>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::EditStory,
        "edit-story",
        Of::Episode(id),
        move |state, conn, _| {
            let birth = episode::load(conn, id, state.today.date())?.patient.birth;
            let mut faults = Faults::default();
            check_story(
                state,
                &*state.current(conn)?,
                &form.story,
                birth,
                &mut faults,
            );
            faults.check()?;
            let today = state.today.date();
            episode::update_story(conn, id, form.rev, &form.story, today)?;
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}

#[utoipa::path(tag = "story", request_body = FlagAnswers, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/flags")]
pub(crate) async fn answer_flags(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<FlagAnswers>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::AnswerFlags,
        "answer-flags",
        Of::Episode(id),
        move |state, conn, _| {
            let on = state.today.date();
            let loaded = episode::load(conn, id, on)?;
            let known = state.knowledge_of(conn, &loaded)?;
            let views = assess(&known, &loaded.facts)?.flags;
            let mut faults = Faults::default();
            for (i, reply) in form.answers.iter().enumerate() {
                let asked = state
                    .knowledge
                    .red_flag(&reply.flag)
                    .is_some_and(|f| f.asked);
                faults.known("answers.flag", &reply.flag, asked);
                // Sent twice: its passages were answered the first time.
                if loaded.facts.flag_answers.iter().any(|a| a.id == reply.id) {
                    continue;
                }
                let causes = views
                    .iter()
                    .find(|v| v.flag == reply.flag)
                    .map_or(&[][..], |v| &v.causes);
                for key in &reply.about {
                    let text = |c: &&ritorno_core::flags::CauseView| {
                        c.key == *key && c.kind == CauseKind::Text
                    };
                    let cause = causes.iter().find(text);
                    faults.known(&format!("answers[{i}].about"), key, cause.is_some());
                    let fits = |because| cause.is_none_or(|c| may_rest_on(c, because));
                    if !reply.because.is_none_or(fits) {
                        faults.push(&format!("answers[{i}].because"), "not-offered", &[]);
                    }
                }
            }
            faults.check()?;
            for reply in form.answers {
                let answer = FlagAnswer {
                    id: reply.id,
                    flag: reply.flag,
                    answer: reply.answer,
                    on,
                    about: reply.about,
                    because: reply.because,
                };
                flags::add_answer(conn, id, &answer)?;
            }
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}

/// Letters that an action in words needs at least: "x" is not an action. Source: our choice.
const ACTION_LETTERS: usize = 8;

/// Says something: a word or two, not a letter.
fn telling(faults: &mut Faults, field: &str, text: &str) {
    faults.text(field, text, 1000, true);
    let letters = text.chars().filter(|c| c.is_alphabetic()).count();
    if !text.trim().is_empty() && letters < ACTION_LETTERS {
        faults.push(
            field,
            "says-too-little",
            &[("min", Value::Number(ACTION_LETTERS as f64))],
        );
    }
}

fn check_step(view: &FlagView, step: &FlagStep) -> Faults {
    let mut faults = Faults::default();
    if step.causes.is_empty() {
        faults.push("causes", "empty", &[]);
    }
    let acted = |key: &String| {
        let named =
            |s: &&FlagStep| matches!(s.kind, FlagStepKind::Acted { .. }) && s.causes.contains(key);
        view.steps.iter().any(|s| named(&s))
    };
    for key in &step.causes {
        let open = |c: &&ritorno_core::flags::CauseView| {
            c.key == *key && c.kind != CauseKind::Text && c.state != CauseState::Answered
        };
        let cause = view.causes.iter().find(open);
        faults.known("causes", key, cause.is_some());
        let answers = matches!(step.kind, FlagStepKind::Answered { .. });
        if cause.is_some() && answers && !acted(key) {
            faults.push("step", "acted-first", &[]);
        }
    }
    match &step.kind {
        FlagStepKind::Acted {
            action,
            words,
            told,
        } => {
            match action {
                Some(code) => {
                    faults.known("action", code, view.actions.contains(code));
                    faults.text("words", words, 1000, false);
                }
                None => telling(&mut faults, "words", words),
            }
            faults.text("told", told, 120, true);
        }
        FlagStepKind::Answered {
            result,
            by,
            resumes,
            stands_until,
        } => {
            telling(&mut faults, "result", result);
            faults.text("by", by, 120, true);
            faults.text("resumes", resumes, 300, true);
            if stands_until.is_some_and(|until| !view.may_stand || until < step.on) {
                faults.push("stands_until", "not-offered", &[]);
            }
        }
        FlagStepKind::Mistake { reason } => telling(&mut faults, "reason", reason),
    }
    faults
}

#[utoipa::path(tag = "story", request_body = FlagStep, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/flag-steps")]
pub(crate) async fn step_on_flag(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<FlagStep>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::AnswerFlags,
        "step-on-flag",
        Of::Episode(id),
        move |state, conn, _| {
            let step = FlagStep {
                on: state.today.date(),
                ..form
            };
            let loaded = episode::load(conn, id, step.on)?;
            if !loaded.facts.flag_steps.contains(&step) {
                let known = state.knowledge_of(conn, &loaded)?;
                let views = assess(&known, &loaded.facts)?.flags;
                let view = views.iter().find(|v| v.flag == step.flag);
                match view {
                    Some(view) => check_step(view, &step).check()?,
                    None => {
                        let mut faults = Faults::default();
                        faults.known("flag", &step.flag, false);
                        faults.check()?;
                    }
                }
                flags::add_step(conn, id, &step)?;
            }
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}

#[utoipa::path(tag = "story", request_body = Typed, responses((status = 200, body = Vec<Hit>), (status = "default", body = Problem)))]
#[post("/screen")]
pub(crate) async fn screen_text(
    app: App,
    req: HttpRequest,
    form: Form<Typed>,
) -> Result<web::Json<Vec<Hit>>, ApiError> {
    let form = form.into_inner();
    app.read(&req, Action::ReadRecord, move |state, _, _| {
        let mut faults = Faults::default();
        faults.text("text", &form.text, 20_000, false);
        faults.check()?;
        Ok(web::Json(screen(&state.knowledge, &form.text)))
    })
    .await
}
