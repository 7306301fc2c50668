//! What every handler works with: the pool, the knowledge, the injected day, and the one way to the database.

use crate::home::Sheets;
use crate::problem::ApiError;
use crate::security::token_of;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, web};
use chrono::{NaiveDate, Utc};
use ritorno_core::admission::{NamedText, load_release};
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::{Action, may};
use ritorno_core::reading::ReadingModel;
use ritorno_store::episode::Loaded;
use ritorno_store::user::User;
use ritorno_store::{Actor, EpisodeId, PatientId, PgConnection, Pool, StoreError, UserId, event};
use ritorno_wording::Value;
use std::collections::HashMap;
use std::sync::{Arc, Mutex, OnceLock};
use std::time::Duration;
use tokio::sync::{OwnedSemaphorePermit, Semaphore};

/// Where today's date comes from.
#[derive(Debug, Clone, Copy)]
pub enum Today {
    /// The clock, read in the clinic's time zone.
    Clock(chrono_tz::Tz),
    /// A fixed day, for tests and pictures.
    Fixed(NaiveDate),
}

impl Today {
    /// The civil date in the clinic.
    pub fn date(self) -> NaiveDate {
        match self {
            Today::Clock(zone) => Utc::now().with_timezone(&zone).date_naive(),
            Today::Fixed(date) => date,
        }
    }

    /// The civil date of an instant in the clinic.
    pub fn day_of(self, at: chrono::DateTime<Utc>) -> NaiveDate {
        match self {
            Today::Clock(zone) => at.with_timezone(&zone).date_naive(),
            Today::Fixed(_) => at.date_naive(),
        }
    }
}

/// The number of the newest own version, and what is known with it.
type WithOwn = (i64, Arc<Knowledge>);

/// Where the model of a release stands once it was built.
type ModelPlace = Arc<OnceLock<Arc<ReadingModel>>>;

/// Requests that may wait for a connection.
const IN_LINE: usize = 64;
/// How long a request waits for its turn: shorter than people wait before they press again.
const LONGEST_WAIT: Duration = Duration::from_secs(2);
/// Setting a sheet or hashing a password takes a core for as long as it lasts.
const HEAVY_AT_ONCE: usize = 2;

/// What takes a core for as long as it lasts.
#[derive(Debug, Clone, Copy)]
pub(crate) enum Heavy {
    /// Setting a sheet for the printer.
    Paper,
    /// Hashing a password.
    Hashing,
}

/// Waits for a turn, but not for long.
async fn turn(at: &Arc<Semaphore>) -> Result<OwnedSemaphorePermit, ApiError> {
    tokio::time::timeout(LONGEST_WAIT, at.clone().acquire_owned())
        .await
        .map_err(|_| busy())?
        .map_err(|_| busy())
}

/// Too many want the same at once.
fn busy() -> ApiError {
    ApiError::new(StatusCode::SERVICE_UNAVAILABLE, "busy", &[]).retry_after(1)
}

/// Runs what takes a while off the request threads.
pub(crate) async fn off_thread<T: Send + 'static>(
    work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
) -> Result<T, ApiError> {
    web::block(work).await.map_err(|_| busy())?
}

/// Shared by all handlers.
#[derive(Clone)]
pub struct AppState {
    /// Connections.
    pub pool: Pool,
    /// Everything the application knows.
    pub knowledge: Arc<Knowledge>,
    /// What is known with the clinic's own pathways, and the newest of their versions.
    own: Arc<Mutex<Option<WithOwn>>>,
    /// Older releases that programs in use were built with.
    releases: Arc<Mutex<HashMap<String, Arc<Knowledge>>>>,
    /// Measurement models by release: tables and draws that are built once.
    models: Arc<Mutex<HashMap<String, ModelPlace>>>,
    /// How many writers each patient has.
    writers: Arc<Mutex<HashMap<PatientId, usize>>>,
    /// Where today comes from.
    pub today: Today,
    /// Places in the line before the database; whoever finds none is told at once that it is busy.
    line: Arc<Semaphore>,
    /// One permit a connection that requests may hold.
    connections: Arc<Semaphore>,
    /// How many sheets are set at once.
    paper: Arc<Semaphore>,
    /// How many passwords are hashed at once: a sheet never keeps anybody from signing in.
    hashing: Arc<Semaphore>,
    /// Sheets set lately, by what they were set from.
    pub(crate) sheets: Arc<Mutex<Sheets>>,
    /// Whether this is a demo: only then do simulated devices exist.
    pub demo: bool,
    /// Where the built pages lie.
    pub web_dir: std::path::PathBuf,
}

/// The state as handlers receive it.
pub(crate) type App = web::Data<AppState>;

impl AppState {
    /// The same state for a demo, where simulated devices exist.
    #[must_use]
    pub fn for_demo(mut self) -> Self {
        self.demo = true;
        self
    }

    /// A state whose requests share the pool's connections, with a short line before them.
    pub fn new(
        pool: Pool,
        knowledge: Knowledge,
        today: Today,
        web_dir: std::path::PathBuf,
    ) -> Self {
        AppState {
            pool,
            knowledge: Arc::new(knowledge),
            own: Arc::default(),
            releases: Arc::default(),
            models: Arc::default(),
            writers: Arc::default(),
            today,
            line: Arc::new(Semaphore::new(ritorno_store::REQUESTS as usize + IN_LINE)),
            connections: Arc::new(Semaphore::new(ritorno_store::REQUESTS as usize)),
            paper: Arc::new(Semaphore::new(HEAVY_AT_ONCE)),
            hashing: Arc::new(Semaphore::new(HEAVY_AT_ONCE)),
            sheets: Arc::default(),
            demo: false,
            web_dir,
        }
    }

    /// What is known now: what ships, and the clinic's own pathways.
    ///
    /// Own pathways were checked when they were saved; should a release of the application no longer accept one, it is left
    /// out and logged, so that everybody else can go on.
    ///
    /// # Errors
    /// Database failure.
    pub fn current(&self, conn: &mut PgConnection) -> Result<Arc<Knowledge>, StoreError> {
        let newest = ritorno_store::pathway::version(conn)?;
        if newest == 0 {
            return Ok(self.knowledge.clone());
        }
        if let Some((_, known)) = self
            .own
            .lock()
            .ok()
            .and_then(|own| own.clone())
            .filter(|(seq, _)| *seq == newest)
        {
            return Ok(known);
        }
        let mut known = self.knowledge.clone();
        for row in ritorno_store::pathway::newest(conn)? {
            match known.with_files(&[NamedText {
                name: format!("pathways/{}.toml", row.name),
                text: row.body,
            }]) {
                Ok(more) => known = Arc::new(more),
                Err(faults) => tracing::error!(
                    pathway = row.name,
                    faults = faults.len(),
                    "an own pathway is no longer accepted"
                ),
            }
        }
        if let Ok(mut own) = self.own.lock() {
            *own = Some((newest, known.clone()));
        }
        Ok(known)
    }

    /// What was known when an episode's program was built; without a program, what is known now.
    ///
    /// # Errors
    /// When the program's release is missing or no longer understood: then the software holds rather than guesses.
    pub fn knowledge_of(
        &self,
        conn: &mut PgConnection,
        loaded: &Loaded,
    ) -> Result<Arc<Knowledge>, StoreError> {
        let Some(sha256) = loaded
            .program
            .as_ref()
            .map(|p| &p.knowledge_sha256)
            .filter(|sha| **sha != self.knowledge.sha256)
        else {
            let shipped = self
                .knowledge
                .pathways
                .contains_key(&loaded.facts.story.pathway);
            return if shipped {
                Ok(self.knowledge.clone())
            } else {
                self.current(conn)
            };
        };
        let known = |map: &HashMap<String, Arc<Knowledge>>| map.get(sha256).cloned();
        if let Some(found) = self.releases.lock().ok().and_then(|map| known(&map)) {
            return Ok(found);
        }
        let text = ritorno_store::knowledge::body(conn, sha256)?;
        let release = load_release(&text, &self.knowledge)
            .map(Arc::new)
            .map_err(|faults| {
                tracing::error!(
                    sha256,
                    faults = faults.len(),
                    "a stored knowledge release is not understood"
                );
                StoreError::Unreadable("knowledge release")
            })?;
        if let Ok(mut map) = self.releases.lock() {
            map.insert(sha256.clone(), release.clone());
        }
        Ok(release)
    }

    /// The reading model of a release, built at its first use.
    pub fn model_of(&self, known: &Knowledge) -> Arc<ReadingModel> {
        // The list is held only to find the place. Whoever comes while a model is being built waits for that one alone.
        let place = self
            .models
            .lock()
            .unwrap_or_else(std::sync::PoisonError::into_inner)
            .entry(known.sha256.clone())
            .or_default()
            .clone();
        place
            .get_or_init(|| Arc::new(ReadingModel::new(known)))
            .clone()
    }

    /// Runs `work` on a connection and then `show` without one, off the request threads.
    ///
    /// # Errors
    /// 503 *busy* when the line is full or no connection comes free in time, 503 *unavailable* when the database is away, else
    /// whatever `work` and `show` answer.
    async fn with_connection<L: Send + 'static, T: Send + 'static>(
        &self,
        work: impl FnOnce(&AppState, &mut PgConnection) -> Result<L, ApiError> + Send + 'static,
        show: impl FnOnce(&AppState, L) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let place = self.line.clone().try_acquire_owned().map_err(|_| busy())?;
        let permit = turn(&self.connections).await?;
        let state = self.clone();
        off_thread(move || {
            let _place = place;
            let read = {
                let _permit = permit;
                let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
                work(&state, &mut conn)?
            };
            show(&state, read)
        })
        .await
    }

    /// Runs `work` on a connection, off the request threads.
    ///
    /// # Errors
    /// As [`Self::with_connection`].
    pub(crate) async fn block<T: Send + 'static>(
        &self,
        work: impl FnOnce(&AppState, &mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.with_connection(work, |_, done| Ok(done)).await
    }

    /// Does what takes a core for as long as it lasts (setting paper, hashing a password): off the request threads, without a
    /// connection, few at once.
    ///
    /// # Errors
    /// 503 *busy* when no place comes free in time, else whatever `work` answers.
    pub(crate) async fn heavy<T: Send + 'static>(
        &self,
        what: Heavy,
        work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let bound = match what {
            Heavy::Paper => &self.paper,
            Heavy::Hashing => &self.hashing,
        };
        let place = turn(bound).await?;
        off_thread(move || {
            let _place = place;
            work()
        })
        .await
    }

    /// Reads for the signed-in user: the session and the read share one connection.
    pub(crate) async fn read<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.view(req, action, work, |_, done| Ok(done)).await
    }

    /// Reads for the signed-in user what `show` then works out after the connection was given back.
    pub(crate) async fn view<L: Send + 'static, T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<L, ApiError> + Send + 'static,
        show: impl FnOnce(&AppState, L) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        let work = move |state: &AppState, conn: &mut PgConnection| {
            ritorno_store::read(conn, |conn| {
                let user = signed_in(conn, &token, action)?;
                work(state, conn, &user)
            })
        };
        self.with_connection(work, show).await
    }

    /// Lets the signed-in user in without a transaction: each part of the work has its own.
    pub(crate) async fn each<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        self.block(move |state, conn| {
            let user = signed_in(conn, &token, action)?;
            work(state, conn, &user)
        })
        .await
    }

    /// Writes about one patient: the record is locked first, then everything is read, checked, stored, followed by the lanes, and
    /// audited in one transaction. Two writers of one patient come one after the other.
    pub(crate) async fn command<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        name: &'static str,
        of: Of,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        let by = made_by(req)?;
        self.block(move |state, conn| {
            let user = signer(conn, &token, action, by)?;
            locked(state, conn, &user, name, of, work)
        })
        .await
    }

    /// Writes for the signed-in user what belongs to no patient, in one transaction with its audit rows.
    pub(crate) async fn write<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        name: &'static str,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        let by = made_by(req)?;
        self.block(move |state, conn| {
            let user = signer(conn, &token, action, by)?;
            in_transaction(state, conn, &user, name, work)
        })
        .await
    }
}

/// Whose record a write is about.
#[derive(Debug, Clone, Copy)]
pub(crate) enum Of {
    /// The patient of an episode.
    Episode(EpisodeId),
    /// A patient.
    Patient(PatientId),
}

/// Writers of one patient at a time, the one who writes included; more are asked to come again.
const WRITERS_AT_MOST: usize = 3;
/// Tries to get the lock, the first included.
const TRIES: u32 = 3;

/// Counts a writer of a patient as long as it lives.
struct Waiting<'a> {
    state: &'a AppState,
    patient: PatientId,
}

impl<'a> Waiting<'a> {
    fn enter(state: &'a AppState, patient: PatientId) -> Result<Self, ApiError> {
        let mut writers = state
            .writers
            .lock()
            .unwrap_or_else(std::sync::PoisonError::into_inner);
        let count = writers.entry(patient).or_insert(0);
        if *count >= WRITERS_AT_MOST {
            return Err(ApiError::new(StatusCode::SERVICE_UNAVAILABLE, "busy", &[]).retry_after(1));
        }
        *count += 1;
        Ok(Waiting { state, patient })
    }
}

impl Drop for Waiting<'_> {
    fn drop(&mut self) {
        let mut writers = self
            .state
            .writers
            .lock()
            .unwrap_or_else(std::sync::PoisonError::into_inner);
        if let Some(count) = writers.get_mut(&self.patient) {
            *count -= 1;
            if *count == 0 {
                writers.remove(&self.patient);
            }
        }
    }
}

/// Runs `work` in one transaction that holds the patient's record. A lock that is not free in time is tried again, twice, after a
/// short random wait; nothing of the work has begun by then.
///
/// # Errors
/// 503 when it is still not free, else whatever `work` answers; nothing is kept then.
pub(crate) fn locked<T>(
    state: &AppState,
    conn: &mut PgConnection,
    user: &User,
    name: &'static str,
    of: Of,
    work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    let patient = match of {
        Of::Episode(id) => event::patient_of(conn, id)?,
        Of::Patient(id) => id,
    };
    let _waiting = Waiting::enter(state, patient)?;
    let mut work = Some(work);
    for attempt in 1.. {
        let done = in_transaction(state, conn, user, name, |state, conn, user| {
            event::lock(conn, patient)?;
            match work.take() {
                Some(work) => work(state, conn, user),
                None => Err(StoreError::Unavailable.into()),
            }
        });
        let begun = work.is_none();
        match done {
            Err(error) if !begun && error.0.status == 503 && attempt < TRIES => {
                let wait = rand::random::<u64>() % 80 + 20;
                std::thread::sleep(Duration::from_millis(wait * u64::from(attempt)));
            }
            other => return other,
        }
    }
    Err(StoreError::Unavailable.into())
}

/// Runs `work` in one transaction with the actor's name; a refused rule rolls it back.
///
/// # Errors
/// Whatever `work` answers; nothing is kept then.
pub(crate) fn in_transaction<T>(
    state: &AppState,
    conn: &mut PgConnection,
    user: &User,
    name: &'static str,
    work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    let actor = Actor {
        user: Some(user.id),
        action: name,
    };
    let mut refused = None;
    let done = ritorno_store::write(conn, actor, |conn| {
        if let Today::Fixed(day) = state.today {
            event::entered_on(conn, day)?;
        }
        work(state, conn, user).map_err(|error| {
            refused = Some(error);
            StoreError::Other("refused by a rule".to_owned())
        })
    });
    done.map_err(|error| refused.unwrap_or_else(|| error.into()))
}

/// Who is signed in, when that is who made the entry.
fn signer(
    conn: &mut PgConnection,
    token: &[u8],
    action: Action,
    by: Option<UserId>,
) -> Result<User, ApiError> {
    let user = signed_in(conn, token, action)?;
    if by.is_some_and(|by| by != user.id) {
        return Err(ApiError::new(StatusCode::FORBIDDEN, "made-by-another", &[]));
    }
    Ok(user)
}

/// Who made the entry, where the page says so: an entry is never signed with another person's session.
fn made_by(req: &HttpRequest) -> Result<Option<UserId>, ApiError> {
    let Some(value) = req.headers().get(MADE_BY) else {
        return Ok(None);
    };
    let by = value.to_str().ok().and_then(|text| text.parse().ok());
    by.map(Some).ok_or_else(|| {
        ApiError::new(
            StatusCode::BAD_REQUEST,
            "unreadable",
            &[("detail", Value::Text(MADE_BY))],
        )
    })
}

/// The header in which a page names the person who made an entry.
const MADE_BY: &str = "x-ritorno-made-by";

fn signed_in(conn: &mut PgConnection, token: &[u8], action: Action) -> Result<User, ApiError> {
    let user = ritorno_store::session::user(conn, token)?
        .ok_or_else(|| ApiError::new(StatusCode::UNAUTHORIZED, "unauthenticated", &[]))?;
    if may(user.role, action) {
        Ok(user)
    } else {
        Err(ApiError::new(StatusCode::FORBIDDEN, "forbidden", &[]))
    }
}
