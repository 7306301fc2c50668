//! Connections, migrations, and the one way to write.

use crate::{StoreError, UserId};
use diesel::migration::MigrationSource;
use diesel::pg::{Pg, PgConnection};
use diesel::prelude::*;
use diesel::r2d2::{ConnectionManager, CustomizeConnection, Error as R2d2Error};
use diesel::sql_types::Text;
use diesel_migrations::{EmbeddedMigrations, MigrationHarness, embed_migrations};
use std::cmp::Ordering;
use std::time::Duration;

/// A pool of connections.
pub type Pool = diesel::r2d2::Pool<ConnectionManager<PgConnection>>;

const MIGRATIONS: EmbeddedMigrations = embed_migrations!("migrations");

#[derive(Debug)]
struct Timeouts;

impl CustomizeConnection<PgConnection, R2d2Error> for Timeouts {
    fn on_acquire(&self, conn: &mut PgConnection) -> Result<(), R2d2Error> {
        use diesel::connection::SimpleConnection;
        conn.batch_execute(
            "set statement_timeout = '5s'; set lock_timeout = '2s'; set idle_in_transaction_session_timeout = '10s'",
        )
        .map_err(R2d2Error::QueryError)
    }
}

/// Connections that requests may hold at once.
pub const REQUESTS: u32 = 8;
/// Connections kept for what is nobody's request: the change of day, the jobs and the question whether
/// the database answers never take one from a person.
const BACKGROUND: u32 = 3;

/// Opens a pool of eleven connections: eight for requests, three for the background. It opens even while the database is away: each use then fails by itself.
pub fn open_pool(url: &str) -> Pool {
    pool_of(REQUESTS + BACKGROUND, url)
}

/// The same with one connection, for a command that does its work and ends. A pool opens the next connection while the
/// last is used: a process that ends meanwhile was seen to fall over, half the time, after its work was done.
pub fn open_one(url: &str) -> Pool {
    pool_of(1, url)
}

fn pool_of(most: u32, url: &str) -> Pool {
    diesel::r2d2::Pool::builder()
        .max_size(most)
        .min_idle(Some(1))
        .connection_timeout(Duration::from_secs(2))
        .connection_customizer(Box::new(Timeouts))
        .build_unchecked(ConnectionManager::new(impatient(url)))
}

/// How long a connection is tried for, and when the other side is taken for gone (libpq: seconds, and milliseconds for the last).
const IMPATIENT: [(&str, &str); 5] = [
    ("connect_timeout", "3"),
    ("keepalives_idle", "10"),
    ("keepalives_interval", "3"),
    ("keepalives_count", "3"),
    ("tcp_user_timeout", "10000"),
];

/// The address of a database with bounds for a network that swallows everything; what it says itself stays.
fn impatient(url: &str) -> String {
    let address = url.contains("://");
    let missing = IMPATIENT.iter().filter(|(name, _)| !url.contains(name));
    missing.fold(url.to_owned(), |url, (name, value)| match address {
        false => format!("{url} {name}={value}"),
        true if url.contains('?') => format!("{url}&{name}={value}"),
        true => format!("{url}?{name}={value}"),
    })
}

/// Asks the database for nothing, to hear whether it answers.
///
/// # Errors
/// Database failure.
pub fn answers(conn: &mut PgConnection) -> Result<(), StoreError> {
    diesel::sql_query("select 1").execute(conn)?;
    Ok(())
}

/// Lets the statements of a command take as long as they need: nobody waits for it at a screen.
///
/// # Errors
/// Database failure.
pub fn take_your_time(conn: &mut PgConnection) -> Result<(), StoreError> {
    diesel::sql_query("set statement_timeout = 0").execute(conn)?;
    Ok(())
}

/// The migrations that a database still lacks, in order.
///
/// # Errors
/// When the database cannot be reached.
pub fn pending(owner_url: &str) -> Result<Vec<String>, StoreError> {
    let mut conn = PgConnection::establish(owner_url).map_err(|_| StoreError::Unavailable)?;
    let pending = conn
        .pending_migrations(MIGRATIONS)
        .map_err(|error| StoreError::Other(error.to_string()))?;
    Ok(pending.iter().map(|m| m.name().to_string()).collect())
}

/// Runs the migrations as the owner of the database.
///
/// # Errors
/// When the database cannot be reached or a migration fails.
pub fn migrate(owner_url: &str) -> Result<usize, StoreError> {
    let mut conn = PgConnection::establish(owner_url).map_err(|_| StoreError::Unavailable)?;
    let done = conn
        .run_pending_migrations(MIGRATIONS)
        .map_err(|error| StoreError::Other(error.to_string()))?;
    Ok(done.len())
}

/// Whether the database is older than this application, as new, or newer: by the newest migration that either of them knows.
///
/// # Errors
/// Database failure.
pub fn schema_fits(conn: &mut PgConnection) -> Result<Ordering, StoreError> {
    #[derive(QueryableByName)]
    struct Newest {
        #[diesel(sql_type = diesel::sql_types::Nullable<Text>)]
        version: Option<String>,
    }
    let known = MigrationSource::<Pg>::migrations(&MIGRATIONS)
        .map_err(|error| StoreError::Other(error.to_string()))?;
    let known = known
        .iter()
        .map(|migration| migration.name().version().to_string())
        .max();
    // Asked in words: the library would first make the table where it is missing, which is the owner's to do.
    let run: Newest =
        diesel::sql_query("select max(version)::text as version from __diesel_schema_migrations")
            .get_result(conn)?;
    Ok(run.version.cmp(&known))
}

/// Who writes, for the audit.
#[derive(Debug, Clone, Copy)]
pub struct Actor {
    /// The user, or none for the application itself.
    pub user: Option<UserId>,
    /// What is being done, in a word or two.
    pub action: &'static str,
}

/// Runs `work` in one snapshot that writes nothing.
///
/// # Errors
/// Whatever `work` answers.
pub fn read<T, E: From<StoreError>>(
    conn: &mut PgConnection,
    work: impl FnOnce(&mut PgConnection) -> Result<T, E>,
) -> Result<T, E> {
    let mut answer = None;
    let done = conn
        .build_transaction()
        .repeatable_read()
        .read_only()
        .run(|conn| {
            answer = Some(work(conn));
            Ok::<_, diesel::result::Error>(())
        });
    match (answer, done) {
        (Some(Err(error)), _) => Err(error),
        (_, Err(error)) => Err(StoreError::from(error).into()),
        (Some(answer), Ok(())) => answer,
        (None, Ok(())) => Err(StoreError::Unavailable.into()),
    }
}

/// Runs `work` in one transaction whose audit rows carry the actor.
///
/// # Errors
/// Whatever `work` answers; nothing is kept then.
pub fn write<T>(
    conn: &mut PgConnection,
    actor: Actor,
    work: impl FnOnce(&mut PgConnection) -> Result<T, StoreError>,
) -> Result<T, StoreError> {
    conn.transaction(|conn| {
        diesel::sql_query(
            "select set_config('ritorno.actor', $1, true), set_config('ritorno.action', $2, true)",
        )
        .bind::<Text, _>(actor.user.map(|id| id.to_string()).unwrap_or_default())
        .bind::<Text, _>(actor.action)
        .execute(conn)?;
        work(conn)
    })
}
