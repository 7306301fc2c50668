//! The small binary: `serve`, `migrate`, `demo`, `user`, `openapi`.

mod demo;
mod paper;
mod people;

use chrono::NaiveDate;
use ritorno_server::{AppState, Today, api_document, change_day, read_knowledge, run_jobs, server};
use ritorno_store::{Actor, Pool, StoreError, knowledge, migrate, open_one, open_pool, write};
use std::net::TcpListener;
use std::path::PathBuf;
use std::process::ExitCode;
use std::sync::Arc;
use std::time::Duration;
use tracing_subscriber::EnvFilter;

type Failure = Box<dyn std::error::Error>;

fn setting(name: &str, default: Option<&str>) -> Result<String, Failure> {
    std::env::var(name)
        .ok()
        .or_else(|| default.map(str::to_owned))
        .ok_or_else(|| format!("{name} is not set; ./start sets it").into())
}

fn today() -> Result<Today, Failure> {
    if let Ok(text) = std::env::var("RITORNO_TODAY") {
        let date: NaiveDate = text
            .parse()
            .map_err(|_| format!("RITORNO_TODAY is {text:?}, not a date like 2027-03-01"))?;
        return Ok(Today::Fixed(date));
    }
    let zone = setting("RITORNO_TIME_ZONE", Some("Europe/Rome"))?;
    Ok(Today::Clock(zone.parse().map_err(|_| {
        format!("RITORNO_TIME_ZONE is {zone:?}, not a time zone like Europe/Rome")
    })?))
}

fn state(open: fn(&str) -> Pool) -> Result<AppState, Failure> {
    let known = read_knowledge(&PathBuf::from(setting(
        "RITORNO_KNOWLEDGE",
        Some("knowledge"),
    )?))?;
    let pool = open(&setting("DATABASE_URL", None)?);
    let web = PathBuf::from(setting("RITORNO_WEB", Some("web/dist"))?);
    let paper = paper::Typeset::new()?;
    let state = AppState::new(pool, known, today()?, web).with_paper(Arc::new(paper));
    // A clinic never sees a simulated device: only ./start, which loads invented patients, says that this is a demo.
    Ok(match setting("RITORNO_DEMO", Some("0"))?.as_str() {
        "1" => state.for_demo(),
        _ => state,
    })
}

/// Stores what the application knows as a release, once.
fn keep_release(state: &AppState) -> Result<(), StoreError> {
    let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
    let actor = Actor {
        user: None,
        action: "keep-release",
    };
    write(&mut conn, actor, |conn| {
        knowledge::keep(conn, &state.knowledge.sha256, &state.knowledge.canonical)
    })
}

#[actix_web::main]
async fn serve() -> Result<(), Failure> {
    // Logs are lines of JSON without patient data: method, path pattern, status, time.
    tracing_subscriber::fmt()
        .json()
        .with_env_filter(
            EnvFilter::try_from_default_env().unwrap_or_else(|_| EnvFilter::new("info")),
        )
        .with_writer(std::io::stderr)
        .init();
    let state = state(open_pool)?;
    let listener = TcpListener::bind(setting("RITORNO_LISTEN", Some("127.0.0.1:8480"))?)?;
    println!("http://{}", listener.local_addr()?);
    for dropped in &state.knowledge.dropped_floors {
        tracing::info!(
            pathway = dropped.pathway,
            quantity = dropped.quantity,
            day = dropped.day,
            "floor dropped: too soon after its movement opened"
        );
    }
    let days = state.clone();
    // Lanes follow the change of day. A database that is away is tried again at the next turn.
    std::thread::spawn(move || {
        let mut done = None;
        loop {
            let today = days.today.date();
            if done != Some(today) {
                match keep_release(&days)
                    .and_then(|()| run_jobs(&days))
                    .and_then(|_| change_day(&days))
                {
                    Ok(moved) => {
                        tracing::info!(moved, "change of day");
                        done = Some(today);
                    }
                    Err(error) => tracing::warn!(%error, "change of day waits"),
                }
            }
            std::thread::sleep(Duration::from_secs(20));
        }
    });
    server(state, listener, 4)?.await?;
    Ok(())
}

fn run() -> Result<(), Failure> {
    match std::env::args().nth(1).as_deref() {
        Some("serve") => serve(),
        Some("migrate") => {
            let done = migrate(&setting("OWNER_DATABASE_URL", None)?)?;
            println!("{done} migrations run");
            Ok(())
        }
        Some("demo") => {
            let state = state(open_one)?;
            println!("{}", demo::load(&state)?);
            Ok(())
        }
        Some("user") => {
            let args: Vec<String> = std::env::args().skip(2).collect();
            println!("{}", people::user(&state(open_one)?, &args)?);
            Ok(())
        }
        Some("openapi") => {
            println!("{}", serde_json::to_string_pretty(&api_document())?);
            Ok(())
        }
        _ => Err("say one of: serve, migrate, demo, user, openapi".into()),
    }
}

fn main() -> ExitCode {
    match run() {
        Ok(()) => ExitCode::SUCCESS,
        Err(error) => {
            eprintln!("ritorno: {error}");
            ExitCode::FAILURE
        }
    }
}
