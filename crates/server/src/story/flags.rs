//! Red flags: answers, steps, and screening of what is typed.

use super::page::{StoryPage, page};
use crate::app::App;
use crate::assess::assess;
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::facts::{Answer, Because, FlagAnswer, FlagStep, FlagStepKind};
use ritorno_core::flags::{CauseKind, CauseState, FlagView, may_rest_on};
use ritorno_core::knowledge::{Hit, screen};
use ritorno_core::permission::Action;
use ritorno_store::event::Via;
use ritorno_store::{EpisodeId, episode, flags};
use ritorno_wording::Value;
use serde::Deserialize;
use uuid::Uuid;

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
                flags::add_answer(conn, id, &answer, Via::Clinic)?;
            }
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}

/// Letters that an action in words needs at least: "x" is not an action. Source: our choice.
pub(super) const ACTION_LETTERS: usize = 8;

/// Says something: a word or two, not a letter.
pub(super) fn telling(faults: &mut Faults, field: &str, text: &str) {
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

pub(super) fn check_step(view: &FlagView, step: &FlagStep) -> Faults {
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
