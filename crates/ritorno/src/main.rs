//! The small binary: serving, and what whoever runs a clinic does from the console.

mod backup;
mod demo;
mod doctor;
mod erase;
mod paper;
mod people;
mod proof;
mod sealed;
mod settings;

use ritorno_messages::{OverHttp, simulated};
use ritorno_server::{
    AppState, api_document, change_day, first_link, metrics_server, read_knowledge, remind,
    run_jobs, server,
};
use ritorno_store::{
    Actor, Pool, StoreError, knowledge, migrate, open_one, open_pool, pending, schema_fits, write,
};
use settings::{listening, reached, setting, today};
use std::cmp::Ordering;
use std::io::Write;
use std::net::TcpListener;
use std::path::{Path, PathBuf};
use std::process::ExitCode;
use std::sync::Arc;
use std::time::Duration;
use tracing_subscriber::EnvFilter;

type Failure = Box<dyn std::error::Error>;

fn state(open: fn(&str) -> Pool) -> Result<AppState, Failure> {
    let known = read_knowledge(&PathBuf::from(setting(
        "RITORNO_KNOWLEDGE",
        Some("knowledge"),
    )?))?;
    let pool = open(&setting("DATABASE_URL", None)?);
    let web = PathBuf::from(setting("RITORNO_WEB", Some("web/dist"))?);
    let paper = paper::Typeset::new()?;
    let state = AppState::new(pool, known, today()?, web)
        .with_paper(Arc::new(paper))
        .reached(reached()?);
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

/// Where nobody may come in yet, the console shows the link that makes the first lead.
fn welcome(state: &AppState, address: &str) {
    let public = state.settings.public_address.as_deref().unwrap_or(address);
    let said = match first_link(state) {
        Ok(None) => return,
        Ok(Some(token)) => format!(
            "Nobody may come in yet. Within a day, and once, this makes the first lead:\n{public}/join#{token}"
        ),
        Err(error) => format!("Who may come in cannot be told now: {error}"),
    };
    // A console that nobody reads any more is no reason not to serve.
    let _ = writeln!(std::io::stdout(), "{said}");
}

/// The state with whoever delivers reminders: the gateway that was named, or the simulated service of a demo, which is begun here.
fn with_messages(state: AppState) -> Result<AppState, Failure> {
    if let Ok(address) = std::env::var("RITORNO_MESSAGES") {
        return Ok(state.with_messages(Arc::new(OverHttp::new(&address))));
    }
    if !state.demo {
        return Ok(state);
    }
    let listener = TcpListener::bind("127.0.0.1:0")?;
    let address = format!("http://{}", listener.local_addr()?);
    actix_web::rt::spawn(simulated(listener)?);
    // A console that nobody reads any more is no reason not to serve.
    let said = format!("Simulated messages to patients, and what was sent: {address}");
    let _ = writeln!(std::io::stdout(), "{said}");
    Ok(state.with_simulated_messages(&address))
}

/// Sends reminders beside everything else, as long as the server runs.
fn remind_on(state: AppState) {
    std::thread::spawn(move || {
        loop {
            if let Err(error) = remind(&state, state.today.now()) {
                tracing::warn!(%error, "reminders wait");
            }
            std::thread::sleep(Duration::from_secs(5));
        }
    });
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
    // A database that is away now may come; one that a newer application has changed is not ours to write in.
    if let Ok(mut conn) = state.pool.get()
        && schema_fits(&mut conn)? == Ordering::Greater
    {
        return Err("the database is newer than this application; nothing was changed".into());
    }
    let listener = TcpListener::bind(setting("RITORNO_LISTEN", Some("127.0.0.1:8480"))?)?;
    let address = format!("http://{}", listener.local_addr()?);
    println!("{address}");
    welcome(&state, &address);
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
                        if let Ok(folder) = std::env::var("RITORNO_ANCHORS")
                            && let Err(error) = proof::anchor_daily(&days, Path::new(&folder))
                        {
                            tracing::error!(%error, "the ends of the chains were not kept");
                        }
                        done = Some(today);
                    }
                    Err(error) => tracing::warn!(%error, "change of day waits"),
                }
            }
            std::thread::sleep(Duration::from_secs(20));
        }
    });
    if let Some(inner) = listening("RITORNO_METRICS")? {
        actix_web::rt::spawn(metrics_server(state.clone(), TcpListener::bind(inner)?)?);
    }
    let state = with_messages(state)?;
    remind_on(state.clone());
    server(state, listener, 4)?.await?;
    // Written after everything that was begun has its answer.
    tracing::info!("stopped");
    Ok(())
}

/// What can be asked of the binary.
const COMMANDS: &str = "say one of: serve, migrate, demo, user, verify, anchor, backup-key, backup, check-backup, restore, export, \
retention, erase, doctor, config check, openapi";

/// Says something on the console; one that nobody reads any more is no reason to fall over.
fn say(text: impl std::fmt::Display) {
    let _ = writeln!(std::io::stdout(), "{text}");
}

/// A word of the command line.
fn word(at: usize, say: &str) -> Result<String, Failure> {
    std::env::args().nth(at).ok_or_else(|| say.into())
}

fn run() -> Result<(), Failure> {
    match std::env::args().nth(1).as_deref() {
        Some("serve") => serve(),
        Some("migrate") => {
            let owner = setting("OWNER_DATABASE_URL", None)?;
            let lacks = pending(&owner)?;
            for name in &lacks {
                say(format_args!("to run: {name}"));
            }
            if std::env::args().nth(2).as_deref() == Some("--tell") {
                say(format_args!(
                    "{} migrations would be run; nothing was changed",
                    lacks.len()
                ));
            } else {
                say(format_args!("{} migrations run", migrate(&owner)?));
            }
            Ok(())
        }
        Some("demo") => {
            let state = state(open_one)?;
            say(demo::load(&state)?);
            Ok(())
        }
        Some("user") => {
            let args: Vec<String> = std::env::args().skip(2).collect();
            say(people::user(&state(open_one)?, &args)?);
            Ok(())
        }
        Some("verify") => {
            let files: Vec<String> = std::env::args().skip(2).collect();
            say(proof::verify(&state(open_one)?, &files)?);
            Ok(())
        }
        Some("anchor") => {
            let file = std::env::args().nth(2).ok_or("say: anchor FILE")?;
            say(proof::anchor(&state(open_one)?, Path::new(&file))?);
            Ok(())
        }
        Some("backup-key") => {
            let file = word(2, "say: backup-key FILE")?;
            sealed::SealKey::make(Path::new(&file))?;
            say(format_args!(
                "{file} holds a new key. Keep a copy of it elsewhere: without it no backup can be read."
            ));
            Ok(())
        }
        Some(what @ ("backup" | "restore" | "check-backup")) => {
            let file = word(2, &format!("say: {what} FILE"))?;
            let key = sealed::SealKey::read(Path::new(&setting("RITORNO_BACKUP_KEY", None)?))?;
            let owner = setting("OWNER_DATABASE_URL", None)?;
            let does = match what {
                "backup" => backup::backup,
                "restore" => backup::restore,
                _ => backup::try_out,
            };
            say(does(&owner, &key, Path::new(&file))?);
            Ok(())
        }
        Some("export") => {
            const SAY: &str = "say: export PATIENT FOLDER, or export all FOLDER";
            let (whose, folder) = (word(2, SAY)?, word(3, SAY)?);
            let whose = match whose.as_str() {
                "all" => None,
                id => Some(id.parse().map_err(|_| SAY)?),
            };
            let mut conn = open_one(&setting("DATABASE_URL", None)?).get()?;
            say(erase::export(&mut conn, whose, Path::new(&folder))?);
            Ok(())
        }
        Some("erase") => {
            const SAY: &str = "say: erase PATIENT CERTIFICATE [--early] BY WHOSE WORD AND WHY";
            let (whose, file) = (word(2, SAY)?, word(3, SAY)?);
            let (early, words): (Vec<String>, Vec<String>) =
                std::env::args().skip(4).partition(|word| word == "--early");
            let asked = erase::Erasing {
                whose: whose.parse().map_err(|_| SAY)?,
                certificate: Path::new(&file),
                words: &words.join(" "),
                early: !early.is_empty(),
                years: settings::keep_years()?,
                today: today()?.date(),
            };
            say(format_args!(
                "{}",
                erase::erase_record(&setting("OWNER_DATABASE_URL", None)?, &asked)?
            ));
            Ok(())
        }
        Some("retention") => {
            let mut conn = open_one(&setting("DATABASE_URL", None)?).get()?;
            say(format_args!(
                "{}",
                erase::retention(&mut conn, settings::keep_years()?, today()?.date())?
            ));
            Ok(())
        }
        Some("doctor") => {
            say(doctor::doctor()?);
            Ok(())
        }
        Some("config") => {
            say(settings::check()?);
            Ok(())
        }
        Some("openapi") => {
            let folder = setting("RITORNO_KNOWLEDGE", Some("knowledge"))?;
            let known = read_knowledge(Path::new(&folder))?;
            say(serde_json::to_string_pretty(&api_document(&known))?);
            Ok(())
        }
        _ => Err(COMMANDS.into()),
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
