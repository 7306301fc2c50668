//! Putting the application together: routes, limits, headers, pages.

use crate::app::AppState;
use crate::logging::Quiet;
use crate::problem::ApiError;
use crate::{
    bounds, calendar, covers, daylist, deciding, defaults, entries, examine, find, gate, home,
    library, limits, metrics, outcome, pathways, patients, phone, program, ranges, reasons,
    reliability, reminders, session, shell, staff, story, withdrawals,
};
use crate::{strength, timeline, visit};
use actix_files::Files;
use actix_web::body::MessageBody;
use actix_web::dev::{Server, ServiceRequest, ServiceResponse, fn_service};
use actix_web::http::StatusCode;
use actix_web::http::header::{ALLOW, CACHE_CONTROL, HeaderName, HeaderValue};
use actix_web::middleware::{Compress, DefaultHeaders, Next, from_fn};
use actix_web::{App, HttpMessage, HttpResponse, HttpServer, ResponseError, web};
use ritorno_core::knowledge::Knowledge;
use serde_json::Value;
use std::cmp::Ordering;
use std::collections::BTreeSet;
use std::net::TcpListener;
use std::sync::OnceLock;
use std::time::Duration;
use tracing_actix_web::{RequestId, TracingLogger};
use utoipa_actix_web::AppExt;
use utoipa_actix_web::scope::scope;
use utoipa_actix_web::service_config::ServiceConfig;

/// How long a request that was begun may go on when the server is told to stop, in seconds.
const GRACE_S: u64 = 8;
/// How long somebody may take to send the head of a request, in seconds; [`crate::form`] bounds the body.
const HEAD_WITHIN_S: u64 = 5;

fn api(config: &mut ServiceConfig) {
    config.service(
        scope("/api")
            .service(session::sign_in::sign_in)
            .service(session::show_session)
            .service(session::sign_out)
            .service(session::own::change_password)
            .service(session::own::show_own_sessions)
            .service(session::own::end_other_sessions)
            .service(session::own::end_own_session)
            .service(session::second::show_factor)
            .service(session::second::offer_factor)
            .service(session::second::confirm_factor)
            .service(session::second::end_factor)
            .service(staff::show_staff)
            .service(staff::invite)
            .service(staff::edit_person)
            .service(staff::end_person)
            .service(staff::let_in_again)
            .service(staff::end_factor_of)
            .service(staff::show_sessions_of)
            .service(staff::end_session_of)
            .service(staff::keep_access_rules)
            .service(staff::trail::show_trail)
            .service(staff::links::link_for)
            .service(staff::links::open_link)
            .service(staff::links::use_link)
            .service(daylist::list)
            .service(patients::add_patient)
            .service(patients::show_patient)
            .service(patients::add_episode)
            .service(patients::open_record)
            .service(story::show_story)
            .service(story::edit)
            .service(story::answer_flags)
            .service(story::step_on_flag)
            .service(story::screen_text)
            .service(patients::edit_patient)
            .service(patients::end_episode)
            .service(patients::reopen_episode)
            .service(limits::add_limit)
            .service(limits::end_limit)
            .service(limits::answer_breach)
            .service(timeline::show_timeline)
            .service(ranges::show_ranges)
            .service(ranges::add_measurement)
            .service(withdrawals::withdraw_entry)
            .service(entries::keep_entries)
            .service(examine::tests)
            .service(examine::show_reading)
            .service(examine::add_finding)
            .service(examine::add_exam_note)
            .service(reliability::show_bench)
            .service(reliability::judge_ratings)
            .service(reliability::keep_bench)
            .service(strength::show_strength)
            .service(strength::add_push)
            .service(strength::show_trace)
            .service(strength::stream)
            .service(strength::angle)
            .service(strength::force)
            .service(library::exercises)
            .service(bounds::show_bounds)
            .service(reasons::show_reasons)
            .service(library::exercise_figure)
            .service(library::exercise_load)
            .service(library::elastics)
            .service(library::add_elastic)
            .service(outcome::show_outcomes)
            .service(outcome::add_sheet)
            .service(outcome::show_comparison)
            .service(program::program_page)
            .service(program::build_program)
            .service(program::check_program)
            .service(program::save_program)
            .service(program::sign_program)
            .service(program::what_if_program)
            .service(program::plan_week)
            .service(program::add_home_hours)
            .service(program::program_versions)
            .service(pathways::list_pathways)
            .service(pathways::show_pathway)
            .service(pathways::copy_pathway)
            .service(pathways::check_pathway)
            .service(pathways::save_pathway)
            .service(pathways::retire_pathway)
            .service(deciding::decide_line)
            .service(deciding::resume_line)
            .service(home::handout)
            .service(home::handout_with_link)
            .service(calendar::calendar)
            .service(home::figure)
            .service(phone::show_home_link)
            .service(phone::make_home_link)
            .service(phone::end_home_link)
            .service(reminders::show_reminders)
            .service(reminders::keep_reminders)
            .service(reminders::no_reminders)
            .service(phone::open_home)
            .service(phone::clinic_card)
            .service(phone::home_page)
            .service(phone::preview_home_page)
            .service(phone::home_figure)
            .service(phone::home_calendar)
            .service(phone::give_calendar)
            .service(calendar::subscribed)
            .service(phone::tell_from_home)
            .service(visit::read_from_home)
            .service(find::find)
            .service(covers::show_people)
            .service(covers::add_cover)
            .service(covers::end_cover)
            .service(defaults::show_defaults)
            .service(defaults::keep_defaults)
            .service(visit::show_visit)
            .service(visit::add_log)
            .service(visit::add_score)
            .service(visit::add_week_use)
            .service(visit::add_contact)
            .service(visit::add_appointment)
            .service(visit::add_care)
            .service(visit::attest)
            .service(visit::pass_gate)
            .service(visit::sign_note)
            .route("/{tail:.*}", web::to(no_route)),
    );
}

/// The page itself is asked for again each time: it names the scripts that belong to it, and those never change. What is on record
/// stays nowhere between. Every answer carries the id under which it stands in the log.
async fn page_asks_again(
    req: ServiceRequest,
    next: Next<impl MessageBody>,
) -> Result<ServiceResponse<impl MessageBody>, actix_web::Error> {
    let script = req.path().starts_with("/assets/");
    let record = req.path().starts_with("/api/");
    let id = req.extensions().get::<RequestId>().map(ToString::to_string);
    let mut answer = next.call(req).await?;
    let headers = answer.headers_mut();
    if !headers.contains_key(CACHE_CONTROL) {
        let value = if script {
            "public, max-age=31536000, immutable"
        } else if record {
            "no-store"
        } else {
            "no-cache"
        };
        headers.insert(CACHE_CONTROL, HeaderValue::from_static(value));
    }
    if let Some(id) = id.and_then(|id| HeaderValue::from_str(&id).ok()) {
        headers.insert(HeaderName::from_static("x-request-id"), id);
    }
    Ok(answer)
}

/// Whether requests can be answered: the database is there, and as new as this application.
async fn ready(app: crate::app::App) -> Result<&'static str, ApiError> {
    let fits = app
        .block(|_, conn| Ok(ritorno_store::schema_fits(conn)?))
        .await?;
    match fits {
        Ordering::Equal => Ok("ready"),
        _ => Err(ApiError::new(
            StatusCode::SERVICE_UNAVAILABLE,
            "unavailable",
            &[],
        )),
    }
}

/// What the handlers say of themselves.
fn described() -> utoipa::openapi::OpenApi {
    let (_, mut document) = App::new()
        .into_utoipa_app()
        .configure(api)
        .split_for_parts();
    document.info.title = "Ritorno".to_owned();
    document.info.description =
        Some("Shoulder rehabilitation from the first question to the last gate.".to_owned());
    document.info.version = env!("CARGO_PKG_VERSION").to_owned();
    let mut licence = utoipa::openapi::License::new("MIT OR Apache-2.0");
    licence.identifier = Some("MIT OR Apache-2.0".to_owned());
    document.info.license = Some(licence);
    document
}

/// The OpenAPI document of the application, with the bounds of `known`.
pub fn api_document(known: &Knowledge) -> Value {
    let described = serde_json::to_value(described()).unwrap_or_default();
    crate::document::complete(described, known)
}

/// An address that exists but not for this method answers 405 and names the methods, not 404.
async fn no_route(req: actix_web::HttpRequest) -> HttpResponse {
    static ADDRESSES: OnceLock<Value> = OnceLock::new();
    let addresses =
        ADDRESSES.get_or_init(|| serde_json::to_value(described().paths.paths).unwrap_or_default());
    let fits = |template: &str| {
        let (wanted, given) = (template.split('/'), req.path().split('/'));
        wanted.clone().count() == given.clone().count()
            && wanted.zip(given).all(|(w, g)| w.starts_with('{') || w == g)
    };
    let known = addresses.as_object().into_iter().flatten();
    let methods: BTreeSet<String> = known
        .filter(|(template, _)| fits(template))
        .filter_map(|(_, methods)| methods.as_object())
        .flat_map(|methods| methods.keys().map(|m| m.to_uppercase()))
        .collect();
    if methods.is_empty() {
        return ApiError::new(StatusCode::NOT_FOUND, "no-route", &[]).error_response();
    }
    let mut answer = ApiError::new(StatusCode::METHOD_NOT_ALLOWED, "method", &[]).error_response();
    let methods: Vec<String> = methods.into_iter().collect();
    if let Ok(methods) = HeaderValue::from_str(&methods.join(", ")) {
        answer.headers_mut().insert(ALLOW, methods);
    }
    answer
}

/// The server on a listening socket.
///
/// # Errors
/// When the socket cannot be used.
pub fn server(state: AppState, listener: TcpListener, workers: usize) -> std::io::Result<Server> {
    let document = api_document(&state.knowledge).to_string();
    state.pulse.start(state.pool.clone());
    let state = web::Data::new(state);
    let server = HttpServer::new(move || {
        let document = document.clone();
        let web_dir = state.web_dir.clone();
        let pages =
            Files::new("/", &web_dir).default_handler(fn_service(move |asked: ServiceRequest| {
                shell::answer(asked, web_dir.join("index.html"))
            }));
        let headers = DefaultHeaders::new()
            .add(("X-Content-Type-Options", "nosniff"))
            .add(("Referrer-Policy", "same-origin"))
            .add(("X-Frame-Options", "SAMEORIGIN"))
            .add(("Cross-Origin-Opener-Policy", "same-origin"))
            // Nothing here sees, hears or finds anybody.
            .add((
                "Permissions-Policy",
                "camera=(), microphone=(), geolocation=(), payment=(), usb=(), display-capture=()",
            ))
            .add(("Content-Security-Policy", shell::policy(None)));
        // Said only where people come over an encrypted way: a browser that was told keeps to it for a year.
        let headers = match state.settings.encrypted() {
            true => headers.add(("Strict-Transport-Security", "max-age=31536000")),
            false => headers,
        };
        App::new()
            .app_data(state.clone())
            .app_data(
                web::PathConfig::default()
                    .error_handler(|error, _| ApiError::unreadable(&error.to_string()).into()),
            )
            .app_data(
                web::QueryConfig::default()
                    .error_handler(|error, _| ApiError::unreadable(&error.to_string()).into()),
            )
            .wrap(from_fn(gate::known_sender))
            .wrap(from_fn(gate::same_origin))
            .wrap(from_fn(gate::clean_address))
            .wrap(from_fn(gate::plain_body))
            .wrap(from_fn(page_asks_again))
            .wrap(headers)
            .wrap(from_fn(metrics::measure))
            .wrap(Compress::default())
            .wrap(TracingLogger::<Quiet>::new())
            .route("/", web::get().to(shell::document))
            .route("/index.html", web::get().to(shell::document))
            .route("/h", web::get().to(shell::phone))
            .route("/assets/{name}", web::get().to(shell::asset))
            .route("/livez", web::get().to(|| async { "ok" }))
            .route("/readyz", web::get().to(ready))
            .route("/healthz", web::get().to(|| async { "ok" }))
            .route(
                "/api/openapi.json",
                web::get().to(move || {
                    let document = document.clone();
                    async move {
                        HttpResponse::Ok()
                            .content_type("application/json")
                            .body(document)
                    }
                }),
            )
            .into_utoipa_app()
            .configure(api)
            .into_app()
            .service(pages)
    });
    Ok(server
        .workers(workers)
        // An answer in pieces would wait for the other side to say that it has the first: 40 ms each.
        .tcp_nodelay(true)
        .client_request_timeout(Duration::from_secs(HEAD_WITHIN_S))
        .shutdown_timeout(GRACE_S)
        .listen(listener)?
        .run())
}
