//! What the patient's page shows: the signed sheet in words, what was told lately, and whether anything holds it.

use super::stop::PhoneStop;
use super::telling::PhoneEntry;
use super::{from_home, whose};
use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::home::{Drawn, as_signed, figure_of, name_of};
use crate::problem::{ApiError, Problem, wording_in};
use crate::sheets::SheetInput;
use actix_web::{HttpRequest, HttpResponse, get, web};
use chrono::{Days, NaiveDate, NaiveTime};
use ritorno_core::facts::{ClinicDefaults, Language, LogFact, OpenHours};
use ritorno_core::permission::Action;
use ritorno_store::home_words::Message;
use ritorno_store::user::User;
use ritorno_store::{
    EpisodeId, PgConnection, StoreError, defaults, home_words, program, reminding,
};
use serde::Serialize;
use serde_json::{Value, json};
use uuid::Uuid;

/// Days of the log that the page is told of: today and what a correction may still be about (our choice).
const TOLD_DAYS: u64 = 7;
/// Days that a message stays to be seen: two weeks, as far apart as most appointments are (our choice).
const MESSAGE_DAYS: u64 = 14;

/// The patient's own page.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PhonePage {
    /// What entries told here name, so that they stay this patient's.
    whose: String,
    /// The clinic's day.
    today: NaiveDate,
    /// The given name.
    name: String,
    /// The language that the page is in.
    reads: Language,
    /// What holds the program back.
    holds: Holds,
    /// What stands on the signed sheet, in words; without exercises while something holds it. Nothing where none was signed.
    #[schema(value_type = Option<Object>)]
    sheet: Option<Value>,
    /// What was told about the last days, oldest first.
    logged: Vec<PhoneEntry>,
    /// Whether anything was done yesterday: then it is asked how this morning is.
    exercised_yesterday: bool,
    /// The next appointment.
    next: Option<NextAppointment>,
    /// What to tap when something is wrong, the most urgent first.
    stops: Vec<PhoneStop>,
    /// What was written to the clinic lately, oldest first.
    messages: Vec<PhoneMessage>,
    /// Letters that a message may have.
    message_letters: u32,
    /// Whether reminders are sent.
    reminders: bool,
}

/// When the patient comes next.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct NextAppointment {
    day: NaiveDate,
    #[schema(value_type = String, example = "09:30:00")]
    time: NaiveTime,
}

/// A message that was written here.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PhoneMessage {
    id: Uuid,
    on: NaiveDate,
    words: String,
    /// Whether somebody of the clinic has read it.
    read: bool,
}

/// Why no exercises are shown.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, utoipa::ToSchema)]
#[serde(rename_all = "snake_case")]
pub(crate) enum Holds {
    /// Nothing: they are.
    No,
    /// Something was told that the clinic must look at first.
    Flag,
    /// The program was changed and is not signed again yet.
    Changing,
    /// None was signed.
    Unsigned,
}

/// What the page is worked out from.
struct Gathered {
    opened: Opened,
    signed: Result<program::Signed, Holds>,
    clinic: ClinicDefaults,
    messages: Vec<Message>,
    reminders: bool,
    whose: String,
}

fn gather(state: &AppState, conn: &mut PgConnection, own: EpisodeId) -> Result<Gathered, ApiError> {
    let opened = Opened::read(state, conn, own)?;
    let signed = match opened.loaded.program.as_ref() {
        None => Err(Holds::Unsigned),
        Some(head) => match as_signed(conn, head) {
            Ok(signed) => Ok(signed),
            Err(error) if error.0.status == 409 => Err(Holds::Changing),
            Err(error) if error.0.status == 404 => Err(Holds::Unsigned),
            Err(error) => return Err(error),
        },
    };
    let (_, clinic) = defaults::newest(conn)?;
    let since = state.today.date() - Days::new(MESSAGE_DAYS);
    let messages = home_words::messages(conn, own, since)?;
    let agreed = reminding::newest(conn, opened.loaded.patient.id)?;
    Ok(Gathered {
        opened,
        signed,
        clinic,
        messages,
        reminders: agreed.is_some_and(|agreed| agreed.reminding.channel.is_some()),
        whose: whose(own),
    })
}

fn show(state: &AppState, gathered: Gathered) -> Result<PhonePage, ApiError> {
    let Gathered {
        opened,
        signed,
        clinic,
        messages,
        reminders,
        whose,
    } = gathered;
    let assessment = opened.assess()?;
    let ctx = assessment.ctx();
    let facts = &opened.loaded.facts;
    let flagged = !ctx.open_flags.is_empty();
    let sheet = signed.as_ref().ok().map(|signed| {
        let mut told = state.paper.told(SheetInput {
            ctx: &ctx,
            facts,
            name: &name_of(&opened.loaded.patient),
            version: signed.version,
            signed_on: signed.signed_on,
            clinic: &clinic,
        });
        if flagged && let Some(exercises) = told.get_mut("exercises") {
            *exercises = json!([]);
        }
        told
    });
    let today = state.today.date();
    let since = today - Days::new(TOLD_DAYS);
    let yesterday = today - Days::new(1);
    let done = |e: &&_| matches!(e, ritorno_core::facts::LogEntry { on, fact: LogFact::Done { sessions: 1.., .. }, .. } if *on == yesterday);
    let next = facts.appointments.iter().filter(|a| a.day >= today);
    let next = next.min_by_key(|a| (a.day, a.time));
    let mut stops: Vec<PhoneStop> = state
        .knowledge
        .red_flags
        .iter()
        .filter(|flag| flag.at_home)
        .map(PhoneStop::of)
        .collect();
    stops.sort_by_key(|stop| stop.tier);
    Ok(PhonePage {
        whose,
        today,
        name: opened.loaded.patient.given_name.clone(),
        reads: facts.story.reads,
        holds: match signed {
            _ if flagged => Holds::Flag,
            Ok(_) => Holds::No,
            Err(holds) => holds,
        },
        sheet,
        logged: facts
            .log
            .iter()
            .filter(|entry| entry.on >= since)
            .filter_map(PhoneEntry::of)
            .collect(),
        exercised_yesterday: facts.log.iter().any(|e| done(&e)),
        next: next.map(|a| NextAppointment {
            day: a.day,
            time: a.time,
        }),
        stops,
        messages: messages
            .into_iter()
            .map(|message| PhoneMessage {
                id: message.id,
                on: message.on,
                words: message.words,
                read: message.waits_since.is_none(),
            })
            .collect(),
        message_letters: (state.knowledge.bounds.get("message_characters"))
            .map_or(0, |bound| bound.max as u32),
        reminders,
    })
}

#[utoipa::path(tag = "phone", responses((status = 200, body = PhonePage), (status = "default", body = Problem)))]
#[get("/home/page")]
pub(crate) async fn home_page(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<PhonePage>, ApiError> {
    from_home(&app, &req, gather, show).await.map(web::Json)
}

/// The same as the clinic sees it beforehand.
#[utoipa::path(tag = "phone", responses((status = 200, body = PhonePage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/home-page")]
pub(crate) async fn preview_home_page(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<PhonePage>, ApiError> {
    let id = EpisodeId(*id);
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| gather(state, conn, id);
    app.view(&req, Action::TakeHome, read, show)
        .await
        .map(web::Json)
}

#[utoipa::path(tag = "phone", params(Drawn), responses((status = 200, body = String, content_type = "image/svg+xml"), (status = "default", body = Problem)))]
#[get("/home/figures/{exercise}")]
pub(crate) async fn home_figure(
    app: App,
    req: HttpRequest,
    name: web::Path<String>,
    drawn: web::Query<Drawn>,
) -> Result<HttpResponse, ApiError> {
    let name = name.into_inner();
    let draw = drawn.draw();
    let svg = from_home(
        &app,
        &req,
        |state, conn, own| Ok(Opened::read(state, conn, own)?),
        move |_, opened| {
            // Only what is on their own program: another name is not there.
            let lines = &opened.loaded.facts.lines;
            if !lines.iter().any(|line| line.exercise == name) {
                return Err(StoreError::NotFound("exercise").into());
            }
            let words = wording_in(opened.loaded.facts.story.reads);
            figure_of(&opened, &name, draw, words)
        },
    )
    .await?;
    Ok(HttpResponse::Ok()
        .content_type("image/svg+xml")
        .insert_header(("Cache-Control", "private, max-age=3600"))
        .body(svg))
}

/// Whom to call: open to everybody who has the page, whatever became of their link.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ClinicCard {
    name: String,
    telephone: String,
    hours: String,
    /// When somebody reads what is told from home; nothing where the clinic has not said.
    opening: Vec<OpenHours>,
}

#[utoipa::path(tag = "phone", responses((status = 200, body = ClinicCard), (status = "default", body = Problem)))]
#[get("/home/clinic")]
pub(crate) async fn clinic_card(app: App) -> Result<web::Json<ClinicCard>, ApiError> {
    let (_, set) = app.block(|_, conn| Ok(defaults::newest(conn)?)).await?;
    Ok(web::Json(ClinicCard {
        name: set.clinic_name,
        telephone: set.telephone,
        hours: set.hours,
        opening: set.opening,
    }))
}
