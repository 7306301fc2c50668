//! The calendar of a program: as a file, and at an address that a calendar asks again by itself.

use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::home::as_signed;
use crate::problem::{ApiError, Problem, wording_in};
use crate::security::token_hash;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, get, web};
use chrono::{DateTime, NaiveTime, TimeZone, Utc};
use ritorno_core::facts::{Appointment, Language};
use ritorno_core::permission::Action;
use ritorno_formats::{CalendarInput, appointment_calendar, program_calendar};
use ritorno_store::user::User;
use ritorno_store::{
    EpisodeId, PgConnection, StoreError, contact, episode, event, home_hours, home_link,
};
use uuid::Uuid;

/// What a calendar is made from.
pub(crate) struct Scheduled {
    opened: Opened,
    program: Uuid,
    number: i64,
    held_sessions: i32,
    cancelled: Vec<Appointment>,
}

/// Reads what goes into the calendar of a shoulder.
///
/// # Errors
/// 404 without a signed program, 409 when it was changed since.
pub(crate) fn scheduled(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<Scheduled, ApiError> {
    let opened = Opened::read(state, conn, id)?;
    let head = opened.loaded.program.as_ref();
    let head = head.ok_or(StoreError::NotFound("program"))?;
    let signed = as_signed(conn, head)?;
    let named = home_hours::named(conn, id)?;
    let changed = signed.version > 1 || named.versions > 0;
    Ok(Scheduled {
        program: head.id.0,
        number: event::count(conn, opened.loaded.patient.id)?,
        // Before anything was changed no other file was given out. One entry more than there were hours: what had none.
        held_sessions: if changed {
            named.most_hours.saturating_add(1)
        } else {
            0
        },
        cancelled: contact::cancelled(conn, id, state.today.date())?,
        opened,
    })
}

/// The moment that files of a day bear: the same file all day.
fn stamp(state: &AppState) -> DateTime<Utc> {
    Utc.from_utc_datetime(&state.today.date().and_time(NaiveTime::MIN))
}

/// The calendar file.
///
/// # Errors
/// When the pathway is not known.
pub(crate) fn calendar_file(state: &AppState, of: Scheduled) -> Result<String, ApiError> {
    let assessment = of.opened.assess()?;
    let ctx = assessment.ctx();
    let input = CalendarInput {
        ctx: &ctx,
        facts: &of.opened.loaded.facts,
        program_id: of.program,
        stamp: stamp(state),
        number: u32::try_from(of.number).unwrap_or(u32::MAX),
        // What a flag holds was in an earlier file, whatever else happened.
        held_sessions: match ctx.open_flags.is_empty() {
            true => of.held_sessions.unsigned_abs(),
            false => of.held_sessions.unsigned_abs().max(1),
        },
        zone: state.today.zone(),
        cancelled: &of.cancelled,
    };
    let words = wording_in(input.facts.story.reads);
    Ok(program_calendar(words, &input))
}

/// A calendar file as an answer that is kept beside the page.
pub(crate) fn as_calendar(text: String) -> HttpResponse {
    let kept = "attachment; filename=\"program.ics\"";
    HttpResponse::Ok()
        .content_type("text/calendar; charset=utf-8")
        .insert_header(("Content-Disposition", kept))
        .body(text)
}

#[utoipa::path(tag = "home", responses((status = 200, body = String, content_type = "text/calendar"), (status = "default", body = Problem)))]
#[get("/episodes/{id}/program.ics")]
pub(crate) async fn calendar(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<HttpResponse, ApiError> {
    let id = EpisodeId(*id);
    let read =
        move |state: &AppState, conn: &mut PgConnection, _: &User| scheduled(state, conn, id);
    let text = app
        .view(&req, Action::TakeHome, read, calendar_file)
        .await?;
    Ok(as_calendar(text))
}

/// What is told at an address of a calendar.
enum Subscribed {
    /// The program as it was signed, and appointments.
    All(Box<Scheduled>),
    /// Appointments: the program is changed and not signed again yet, or none was signed.
    Appointments(Language, Vec<Appointment>, Vec<Appointment>),
}

/// What a calendar that asks by itself gets: the address is the key, and whatever does not fit looks the same.
#[utoipa::path(tag = "phone", responses((status = 200, body = String, content_type = "text/calendar"), (status = "default", body = Problem)))]
#[get("/calendars/{token}")]
pub(crate) async fn subscribed(
    app: App,
    token: web::Path<String>,
) -> Result<HttpResponse, ApiError> {
    // Some calendars know a calendar by the end of its address alone.
    let digest = token_hash(token.trim_end_matches(".ics"));
    let read = move |state: &AppState, conn: &mut PgConnection| {
        ritorno_store::read(conn, |conn| {
            let today = state.today.date();
            let own = home_link::calendar(conn, &digest, today)?;
            let own =
                own.ok_or_else(|| ApiError::new(StatusCode::NOT_FOUND, "home-closed", &[]))?;
            match scheduled(state, conn, own) {
                Ok(scheduled) => Ok(Subscribed::All(Box::new(scheduled))),
                Err(error) if matches!(error.0.status, 404 | 409) => {
                    let facts = episode::load(conn, own, today)?.facts;
                    let (reads, mut coming) = (facts.story.reads, facts.appointments);
                    coming.retain(|a| a.day >= today);
                    let cancelled = contact::cancelled(conn, own, today)?;
                    Ok(Subscribed::Appointments(reads, coming, cancelled))
                }
                Err(error) => Err(error),
            }
        })
    };
    let show = |state: &AppState, told: Subscribed| match told {
        Subscribed::All(scheduled) => calendar_file(state, *scheduled),
        Subscribed::Appointments(reads, coming, cancelled) => Ok(appointment_calendar(
            wording_in(reads),
            (&coming, &cancelled),
            (state.today.zone(), stamp(state)),
        )),
    };
    app.with_connection(read, show).await.map(as_calendar)
}
