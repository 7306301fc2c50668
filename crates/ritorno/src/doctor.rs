//! What is wrong with an installation, in plain words: `ritorno doctor`.

use crate::Failure;
use crate::paper::Typeset;
use crate::settings::{SETTINGS, faults, reached, setting, today};
use chrono::{NaiveDateTime, Utc};
use ritorno_server::{Today, read_knowledge};
use ritorno_store::audit::{chain_faults, extent, row_faults};
use ritorno_store::keeping::{Health, health};
use ritorno_store::{Pool, StoreError, open_one, read, schema_fits, take_your_time};
use std::cmp::Ordering;
use std::path::{Path, PathBuf};
use std::process::Command;
use std::time::{Duration, SystemTime};

/// A backup or an end older than this is told (our choice: a day and some hours).
const FRESH: Duration = Duration::from_secs(26 * 3600);
/// Seconds that the clock of the database may be off.
const CLOCK_S: i64 = 5;
/// Percent of a disk that may be full.
const DISK_PERCENT: u32 = 90;

/// Days before its end at which a certificate should be made anew (our choice: two tries of a monthly errand).
const CERTIFICATE_DAYS: i64 = 21;

/// How something stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Finding {
    /// As it should be.
    Well,
    /// Somebody should look at it.
    Look,
    /// Wrong.
    Wrong,
}

/// What was found, line by line.
#[derive(Default)]
struct Told(Vec<(Finding, String)>);

impl Told {
    fn say(&mut self, finding: Finding, text: impl Into<String>) {
        self.0.push((finding, text.into()));
    }

    /// `well` where something holds, `wrong` where not.
    fn holds(&mut self, holds: bool, well: impl Into<String>, wrong: impl Into<String>) {
        if holds {
            self.say(Finding::Well, well);
        } else {
            self.say(Finding::Wrong, wrong);
        }
    }
}

/// Looks at everything that can be looked at from here.
///
/// # Errors
/// When anything is wrong; the text says all that was found.
pub fn doctor() -> Result<String, Failure> {
    let mut told = Told::default();
    way_in(&mut told);
    let day = today().ok();
    files(&mut told);
    if let Ok(url) = setting("DATABASE_URL", None) {
        database(&mut told, &open_one(&url), day);
    }
    kept(
        &mut told,
        "RITORNO_BACKUPS",
        "backup",
        "there is no backup that anybody knows of",
    );
    kept(
        &mut told,
        "RITORNO_ANCHORS",
        "file of ends of chains",
        "a chain that was cut and closed again is not told",
    );
    let wrong = told.0.iter().filter(|(f, _)| *f == Finding::Wrong).count();
    let look = told.0.iter().filter(|(f, _)| *f == Finding::Look).count();
    let lines = told.0.iter().map(|(finding, text)| {
        let word = match finding {
            Finding::Well => "well ",
            Finding::Look => "look ",
            Finding::Wrong => "WRONG",
        };
        format!("{word}  {text}")
    });
    let text = format!(
        "{}\n\n{wrong} wrong, {look} to look at.",
        lines.collect::<Vec<_>>().join("\n")
    );
    if wrong > 0 {
        Err(text.into())
    } else {
        Ok(text)
    }
}

fn way_in(told: &mut Told) {
    let found = faults();
    told.holds(
        found.is_empty(),
        format!(
            "settings: {} are known, those that are set can be read",
            SETTINGS.len()
        ),
        format!("settings: {}", found.join("; ")),
    );
    if std::env::var("RITORNO_TODAY").is_ok() {
        told.say(
            Finding::Look,
            "the day is fixed by RITORNO_TODAY: it never changes",
        );
    }
    if std::env::var("RITORNO_DEMO").is_ok_and(|demo| demo == "1") {
        told.say(
            Finding::Look,
            "this is a demo: simulated devices, a password that everybody knows",
        );
    }
    let Ok(reached) = reached() else { return };
    let listen = setting("RITORNO_LISTEN", Some("127.0.0.1:8480")).unwrap_or_default();
    let here = listen.starts_with("127.")
        || listen.starts_with("localhost")
        || listen.starts_with("[::1]");
    if reached.encrypted() {
        told.say(Finding::Well, "people come over an encrypted way");
        match std::env::var("RITORNO_CERTIFICATE") {
            Ok(file) => certificate(told, &file),
            Err(_) => told.say(
                Finding::Look,
                "RITORNO_CERTIFICATE is not set: when the proxy's certificate ends is not looked at",
            ),
        }
    } else {
        let public = reached.public_address.is_some() || !here;
        told.holds(!public, "nobody comes from outside this machine", "people come over a way that is not encrypted: set RITORNO_PUBLIC_ADDRESS to an https address and put a proxy before it");
    }
}

/// When a certificate ends, as openssl reads it.
fn certificate(told: &mut Told, file: &str) {
    let said = Command::new("openssl")
        .args(["x509", "-noout", "-enddate", "-in", file])
        .output();
    let Ok(said) = said else {
        return told.say(
            Finding::Look,
            "openssl cannot be run: the certificate is not looked at",
        );
    };
    let text = String::from_utf8_lossy(&said.stdout).into_owned();
    let end = text
        .trim()
        .strip_prefix("notAfter=")
        .and_then(|end| NaiveDateTime::parse_from_str(end, "%b %e %H:%M:%S %Y GMT").ok());
    let Some(end) = end else {
        return told.say(
            Finding::Wrong,
            format!("certificate: {file} cannot be read as one"),
        );
    };
    let days = (end.and_utc() - Utc::now()).num_days();
    let on = end.date();
    match days {
        _ if end.and_utc() <= Utc::now() => told.say(
            Finding::Wrong,
            format!("the certificate ended on {on}: browsers let nobody in"),
        ),
        0..CERTIFICATE_DAYS => told.say(
            Finding::Look,
            format!("the certificate ends on {on}, in {days} days: make it anew"),
        ),
        _ => told.say(Finding::Well, format!("the certificate ends on {on}")),
    }
}

fn files(told: &mut Told) {
    let knowledge = setting("RITORNO_KNOWLEDGE", Some("knowledge")).unwrap_or_default();
    match read_knowledge(&PathBuf::from(&knowledge)) {
        Ok(known) => told.say(
            Finding::Well,
            format!(
                "knowledge: {} pathways, release {}",
                known.pathways.len(),
                &known.sha256[..12]
            ),
        ),
        Err(error) => told.say(Finding::Wrong, format!("knowledge in {knowledge}: {error}")),
    }
    let web = setting("RITORNO_WEB", Some("web/dist")).unwrap_or_default();
    let page = Path::new(&web).join("index.html");
    told.holds(
        page.is_file(),
        format!("pages: {web}"),
        format!("pages: {} is missing; build them", page.display()),
    );
    match Typeset::new() {
        Ok(_) => told.say(Finding::Well, "sheets: wording and letters are there"),
        Err(error) => told.say(Finding::Wrong, format!("sheets: {error}")),
    }
    for tool in ["pg_dump", "pg_restore"] {
        let there = Command::new(tool).arg("--version").output();
        match there {
            Ok(out) if out.status.success() => told.say(
                Finding::Well,
                String::from_utf8_lossy(&out.stdout).trim().to_owned(),
            ),
            _ => told.say(
                Finding::Wrong,
                format!("{tool} cannot be run: no backup can be made"),
            ),
        }
    }
    for name in ["RITORNO_BACKUPS", "RITORNO_ANCHORS"] {
        if let Ok(folder) = std::env::var(name) {
            disk(told, &folder);
        }
    }
    disk(told, ".");
}

/// How full the disk of a folder is, as `df` tells it.
fn disk(told: &mut Told, folder: &str) {
    let said = Command::new("df").args(["-Pk", folder]).output();
    let percent = said.ok().and_then(|out| {
        let text = String::from_utf8_lossy(&out.stdout).into_owned();
        let last = text.lines().nth(1)?;
        last.split_whitespace()
            .nth(4)?
            .trim_end_matches('%')
            .parse::<u32>()
            .ok()
    });
    match percent {
        Some(full) => told.holds(
            full < DISK_PERCENT,
            format!("disk of {folder}: {full} % full"),
            format!("disk of {folder}: {full} % full; nothing can be kept on a full disk"),
        ),
        None => told.say(Finding::Look, format!("disk of {folder}: df does not tell")),
    }
}

/// The newest file of a folder, where one is set.
fn kept(told: &mut Told, name: &str, what: &str, without: &str) {
    let Ok(folder) = std::env::var(name) else {
        return told.say(Finding::Look, format!("{name} is not set: {without}"));
    };
    let newest = std::fs::read_dir(&folder).ok().and_then(|files| {
        files
            .flatten()
            .filter_map(|file| file.metadata().ok()?.modified().ok())
            .max()
    });
    let age = newest.and_then(|at| SystemTime::now().duration_since(at).ok());
    match age {
        Some(age) => told.holds(
            age < FRESH,
            format!("the newest {what} is {} hours old", age.as_secs() / 3600),
            format!(
                "the newest {what} in {folder} is {} hours old",
                age.as_secs() / 3600
            ),
        ),
        None => told.say(Finding::Wrong, format!("there is no {what} in {folder}")),
    }
}

fn database(told: &mut Told, pool: &Pool, day: Option<Today>) {
    let Ok(mut conn) = pool.get() else {
        return told.say(Finding::Wrong, "the database cannot be reached");
    };
    match schema_fits(&mut conn) {
        Ok(Ordering::Equal) => {
            told.say(Finding::Well, "the database is as new as this application")
        }
        Ok(Ordering::Less) => {
            return told.say(
                Finding::Wrong,
                "the database is older than this application: run ritorno migrate",
            );
        }
        Ok(Ordering::Greater) => {
            return told.say(
                Finding::Wrong,
                "the database is newer than this application: install the newer one",
            );
        }
        Err(error) => {
            return told.say(
                Finding::Wrong,
                format!("the database cannot be read: {error}"),
            );
        }
    }
    let Some(day) = day else { return };
    match health(&mut conn, day.date()) {
        Ok(found) => healthy(told, &found, day),
        Err(error) => told.say(
            Finding::Wrong,
            format!("the database cannot be read: {error}"),
        ),
    }
    let chains = take_your_time(&mut conn).and_then(|()| {
        read(&mut conn, |conn| {
            let mut faults = chain_faults(conn)?;
            faults.extend(row_faults(conn)?);
            Ok::<_, StoreError>((extent(conn)?, faults.len()))
        })
    });
    match chains {
        Ok((looked, found)) => told.holds(
            found == 0,
            format!(
                "the record is as it was written: {} rows in {} chains",
                looked.rows, looked.chains
            ),
            format!(
                "the record is not as it was written in {found} places: ritorno verify lists them"
            ),
        ),
        Err(error) => told.say(
            Finding::Wrong,
            format!("the chains cannot be followed: {error}"),
        ),
    }
}

fn healthy(told: &mut Told, found: &Health, day: Today) {
    told.say(
        Finding::Well,
        format!(
            "PostgreSQL {}, {} MB",
            found.version,
            found.bytes / 1_000_000
        ),
    );
    told.holds(!found.may_change_audit, "the application's role cannot change the audit", "the role in DATABASE_URL can change the audit: come in as the application's role, not as the owner");
    let off = (Utc::now() - found.now).num_seconds().abs();
    told.holds(
        off <= CLOCK_S,
        "the clocks of the database and of this machine agree",
        format!("the clocks of the database and of this machine are {off} s apart"),
    );
    told.holds(found.lanes_ahead == 0, format!("today is {}", day.date()), format!("{} lanes were worked out for a day after today, {}: a clock was ahead, or one is behind now", found.lanes_ahead, day.date()));
    if found.lanes_behind > 0 {
        told.say(
            Finding::Look,
            format!(
                "{} lanes wait for the change of day: is the server running?",
                found.lanes_behind
            ),
        );
    }
    if found.late_jobs > 0 {
        told.say(
            Finding::Look,
            format!(
                "{} jobs should have been done before today",
                found.late_jobs
            ),
        );
    }
    match (found.leads, found.leads_without_factor) {
        (0, _) => told.say(Finding::Look, "there is no lead: nobody can let others in"),
        (all, 0) => told.say(
            Finding::Well,
            format!("{all} leads, each with a second factor"),
        ),
        (all, without) => told.say(
            Finding::Look,
            format!("{without} of {all} leads have no second factor"),
        ),
    }
}
