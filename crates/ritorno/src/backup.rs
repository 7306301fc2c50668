//! Backups: sealed, and checked by restoring them; and taking one up into an empty database.
//!
//! What is sealed is one line that says what every table held, then what PostgreSQL's own `pg_dump` made of the same moment.

use crate::Failure;
use crate::sealed::{SealKey, open, seal};
use chrono::{DateTime, Utc};
use ritorno_store::keeping::{
    TableDigest, connect, digests, drop_database, has_role, make_database, shared_snapshot,
};
use serde::{Deserialize, Serialize};
use std::fs::File;
use std::io::{BufReader, BufWriter, Read, Write};
use std::path::Path;
use std::process::{Child, ChildStdin, Command, Stdio};
use url::Url;
use uuid::Uuid;

/// The role that the application comes in with; what it may do is part of a backup.
const APP_ROLE: &str = "ritorno_app";

/// What a backup says about itself.
#[derive(Serialize, Deserialize)]
struct Contents {
    /// When.
    made_at: DateTime<Utc>,
    /// The application that made it.
    made_by: String,
    /// What every table held.
    tables: Vec<TableDigest>,
}

impl Contents {
    fn rows(&self) -> i64 {
        self.tables.iter().map(|t| t.rows).sum()
    }
}

/// The same server, another database.
fn beside(url: &str, database: &str) -> Result<String, Failure> {
    let mut url =
        Url::parse(url).map_err(|_| "OWNER_DATABASE_URL is not an address like postgres://…")?;
    url.set_path(database);
    Ok(url.into())
}

/// A program of PostgreSQL's, told where the database is without anybody else seeing the password.
fn program(name: &str, url: &str) -> Result<Command, Failure> {
    let url =
        Url::parse(url).map_err(|_| "OWNER_DATABASE_URL is not an address like postgres://…")?;
    let mut command = Command::new(name);
    command
        .env("PGHOST", url.host_str().unwrap_or("127.0.0.1"))
        .env("PGPORT", url.port().unwrap_or(5432).to_string())
        .env("PGUSER", url.username())
        .env("PGPASSWORD", url.password().unwrap_or_default())
        .env("PGDATABASE", url.path().trim_start_matches('/'))
        .stderr(Stdio::piped());
    Ok(command)
}

fn start(mut command: Command, name: &str) -> Result<Child, Failure> {
    command
        .spawn()
        .map_err(|error| format!("{name} cannot be run ({error}); it comes with PostgreSQL").into())
}

/// Waits for a program and tells what it had to say.
fn ended(child: Child, name: &str) -> Result<(), Failure> {
    let out = child.wait_with_output()?;
    if out.status.success() {
        return Ok(());
    }
    let said = String::from_utf8_lossy(&out.stderr);
    Err(format!(
        "{name} failed: {}",
        said.trim().lines().next_back().unwrap_or_default()
    )
    .into())
}

/// Makes a backup, and restores it into a database of its own to see that it holds what this one does.
///
/// # Errors
/// When the file is there already, a program fails, or what was restored is not what was there; no file is left then.
pub fn backup(owner_url: &str, key: &SealKey, file: &Path) -> Result<String, Failure> {
    if file.exists() {
        return Err(format!("{} is there already; nothing was written", file.display()).into());
    }
    let half = file.with_extension("half");
    let done = write_backup(owner_url, key, &half).and_then(|()| check(owner_url, key, &half));
    match done {
        Ok(contents) => {
            std::fs::rename(&half, file)?;
            Ok(format!(
                "{} rows in {} tables are kept in {}, restored for a trial and found the same.",
                contents.rows(),
                contents.tables.len(),
                file.display()
            ))
        }
        Err(error) => {
            let _ = std::fs::remove_file(&half);
            Err(error)
        }
    }
}

fn write_backup(owner_url: &str, key: &SealKey, file: &Path) -> Result<(), Failure> {
    let mut conn = connect(owner_url)?;
    let snapshot = shared_snapshot(&mut conn)?;
    let contents = Contents {
        made_at: Utc::now(),
        made_by: format!("ritorno {}", env!("CARGO_PKG_VERSION")),
        tables: digests(&mut conn)?,
    };
    let mut command = program("pg_dump", owner_url)?;
    command
        .args(["--format=custom", "--no-owner"])
        .arg(format!("--snapshot={snapshot}"))
        .stdout(Stdio::piped());
    let mut dump = start(command, "pg_dump")?;
    let line = format!("{}\n", serde_json::to_string(&contents)?);
    let stdout = dump.stdout.take().ok_or("pg_dump says nothing")?;
    let mut out = BufWriter::new(private(file)?);
    seal(key, &mut line.as_bytes().chain(stdout), &mut out)?;
    ended(dump, "pg_dump")?;
    let out = out.into_inner().map_err(|error| error.to_string())?;
    out.sync_all()?;
    Ok(())
}

/// A new file that only its owner reads.
///
/// # Errors
/// When it is there already, or cannot be made.
pub fn private(file: &Path) -> Result<File, Failure> {
    use std::os::unix::fs::OpenOptionsExt;
    std::fs::OpenOptions::new()
        .write(true)
        .create_new(true)
        .mode(0o600)
        .open(file)
        .map_err(|error| format!("{}: {error}", file.display()).into())
}

/// Restores a backup into a database that is made for it and dropped again.
///
/// # Errors
/// As [`restore`], and when the owner may make no database.
fn check(owner_url: &str, key: &SealKey, file: &Path) -> Result<Contents, Failure> {
    let mut conn = connect(owner_url)?;
    let name = make_database(&mut conn, Uuid::new_v4())?;
    let found = beside(owner_url, &name).and_then(|scratch| into_empty(&scratch, key, file));
    drop_database(&mut conn, &name)?;
    found
}

/// Takes a backup up into the database of the owner's address, which must be empty.
///
/// # Errors
/// When the database holds anything, the file was changed, is not whole or was sealed with another key, or a table does not hold what
/// it held. Nothing is kept then, but for the last.
pub fn restore(owner_url: &str, key: &SealKey, file: &Path) -> Result<String, Failure> {
    let contents = into_empty(owner_url, key, file)?;
    Ok(format!(
        "{} rows in {} tables of {} are back, each table as it was.",
        contents.rows(),
        contents.tables.len(),
        contents.made_at.format("%Y-%m-%d %H:%M UTC"),
    ))
}

/// Restores a backup for a trial and drops what was restored.
///
/// # Errors
/// As [`restore`].
pub fn try_out(owner_url: &str, key: &SealKey, file: &Path) -> Result<String, Failure> {
    let contents = check(owner_url, key, file)?;
    Ok(format!(
        "The backup of {} by {} is whole: {} rows in {} tables.",
        contents.made_at.format("%Y-%m-%d %H:%M UTC"),
        contents.made_by,
        contents.rows(),
        contents.tables.len(),
    ))
}

fn into_empty(owner_url: &str, key: &SealKey, file: &Path) -> Result<Contents, Failure> {
    let mut conn = connect(owner_url)?;
    let there: i64 = digests(&mut conn)?.iter().map(|t| t.rows.max(1)).sum();
    if there > 0 {
        return Err("the database is not empty; a backup is restored into a new one, and nothing was changed".into());
    }
    if !has_role(&mut conn, APP_ROLE)? {
        return Err(format!(
            "the role {APP_ROLE} is not here; make it first: create role {APP_ROLE} login"
        )
        .into());
    }
    let from = File::open(file).map_err(|error| format!("{}: {error}", file.display()))?;
    let mut command = program("pg_restore", owner_url)?;
    let database = Url::parse(owner_url)?
        .path()
        .trim_start_matches('/')
        .to_owned();
    // All of it or nothing: a file that ends too soon leaves an empty database.
    command
        .args([
            "--no-owner",
            "--exit-on-error",
            "--single-transaction",
            "--dbname",
        ])
        .arg(database)
        .stdin(Stdio::piped())
        .stdout(Stdio::null());
    let mut child = start(command, "pg_restore")?;
    let stdin = child.stdin.take().ok_or("pg_restore takes nothing")?;
    let mut parts = Parts {
        line: Vec::new(),
        rest: None,
        next: Some(stdin),
    };
    let opened = open(key, &mut BufReader::new(from), &mut parts);
    let Parts { line, rest, .. } = parts;
    if let Err(error) = opened {
        // Ended before it could end by itself: what it had begun is taken back.
        let _ = child.kill();
        drop(rest);
        child.wait()?;
        return Err(format!("{}: {error}", file.display()).into());
    }
    drop(rest);
    ended(child, "pg_restore")?;
    let contents: Contents = serde_json::from_slice(&line)
        .map_err(|_| format!("{} is no backup of this application", file.display()))?;
    shared_snapshot(&mut conn)?;
    let now = digests(&mut conn)?;
    let other = |t: &&TableDigest| !now.contains(t);
    let changed: Vec<&str> = contents
        .tables
        .iter()
        .filter(other)
        .map(|t| t.name.as_str())
        .collect();
    if changed.is_empty() && now.len() == contents.tables.len() {
        return Ok(contents);
    }
    Err(format!(
        "what was restored is not what was kept: {}",
        changed.join(", ")
    )
    .into())
}

/// The first line is kept, what follows goes on.
struct Parts {
    line: Vec<u8>,
    rest: Option<ChildStdin>,
    next: Option<ChildStdin>,
}

impl Write for Parts {
    fn write(&mut self, bytes: &[u8]) -> std::io::Result<usize> {
        if let Some(rest) = &mut self.rest {
            return rest.write(bytes);
        }
        let end = bytes.iter().position(|b| *b == b'\n');
        let taken = end.map_or(bytes.len(), |n| n + 1);
        self.line.extend_from_slice(&bytes[..taken]);
        if end.is_some() {
            self.rest = self.next.take();
        }
        Ok(taken)
    }

    fn flush(&mut self) -> std::io::Result<()> {
        self.rest.as_mut().map_or(Ok(()), Write::flush)
    }
}
