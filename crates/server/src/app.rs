//! What every handler works with: the pool, the knowledge, the injected day, and the one way to the database.

use crate::counts::Counts;
use crate::looks::Looks;
use crate::pulse::Pulse;
use crate::senders::Senders;
use crate::settings::Settings;
use crate::sheets::{NoPaper, Paper, Sheets};
use crate::turns::Turns;
use actix_web::web;
use chrono::{NaiveDate, NaiveDateTime, Utc};
use ritorno_core::admission::{NamedText, load_release};
use ritorno_core::knowledge::Knowledge;
use ritorno_core::reading::ReadingModel;
use ritorno_messages::{Messages, OverHttp};
use ritorno_store::episode::Loaded;
use ritorno_store::{PatientId, PgConnection, Pool, StoreError};
use std::collections::HashMap;
use std::sync::{Arc, Mutex, OnceLock};

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
        self.local(at).date()
    }

    /// The clinic's time zone; universal time where the day is fixed.
    pub fn zone(self) -> chrono_tz::Tz {
        match self {
            Today::Clock(zone) => zone,
            Today::Fixed(_) => chrono_tz::UTC,
        }
    }

    /// Now; where the day is fixed, this time of that day.
    pub fn now(self) -> chrono::DateTime<Utc> {
        let now = Utc::now();
        match self {
            Today::Clock(_) => now,
            Today::Fixed(date) => date.and_time(now.time()).and_utc(),
        }
    }

    /// An instant by the clinic's own clock.
    pub fn local(self, at: chrono::DateTime<Utc>) -> NaiveDateTime {
        at.with_timezone(&self.zone()).naive_local()
    }
}

/// The number of the newest own version, and what is known with it.
type WithOwn = (i64, Arc<Knowledge>);

/// Where the model of a release stands once it was built.
type ModelPlace = Arc<OnceLock<Arc<ReadingModel>>>;

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
    pub(crate) writers: Arc<Mutex<HashMap<PatientId, usize>>>,
    /// What was looked at lately, by whom: a page that asks again and again leaves one row a minute.
    pub(crate) looks: Arc<Mutex<Looks>>,
    /// Senders that were asked about lately.
    pub(crate) senders: Arc<Senders>,
    /// Counts for whoever runs the server.
    pub(crate) metrics: Arc<Counts>,
    /// Whether the database answers.
    pub(crate) pulse: Arc<Pulse>,
    /// Where today comes from.
    pub today: Today,
    /// The lines before what is scarce.
    pub(crate) turns: Arc<Turns>,
    /// Who sets sheets.
    pub(crate) paper: Arc<dyn Paper>,
    /// Sheets set lately, by what they were set from.
    pub(crate) sheets: Arc<Mutex<Sheets>>,
    /// Who delivers messages to patients; nobody where none was named.
    pub(crate) messages: Option<Arc<dyn Messages>>,
    /// Where the simulated service of a demo shows what was sent.
    pub(crate) simulated_messages: Option<String>,
    /// Whether this is a demo: only then do simulated devices exist.
    pub demo: bool,
    /// How the server is reached.
    pub settings: Settings,
    /// Where the built pages lie.
    pub web_dir: std::path::PathBuf,
}

/// The state as handlers receive it.
pub(crate) type App = web::Data<AppState>;

impl AppState {
    /// The same state with somebody who sets sheets.
    #[must_use]
    pub fn with_paper(mut self, paper: Arc<dyn Paper>) -> Self {
        self.paper = paper;
        self
    }

    /// The same state with somebody who delivers messages to patients.
    #[must_use]
    pub fn with_messages(mut self, service: Arc<dyn Messages>) -> Self {
        self.messages = Some(service);
        self
    }

    /// The same state with the simulated service, which shows at an address what was sent.
    #[must_use]
    pub fn with_simulated_messages(mut self, address: &str) -> Self {
        self.simulated_messages = Some(address.to_owned());
        self.with_messages(Arc::new(OverHttp::new(address)))
    }

    /// The same state for a server that is reached in some way.
    #[must_use]
    pub fn reached(mut self, settings: Settings) -> Self {
        self.settings = settings;
        self
    }

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
            looks: Arc::default(),
            senders: Arc::default(),
            pulse: Arc::default(),
            metrics: Arc::default(),
            today,
            turns: Arc::default(),
            paper: Arc::new(NoPaper),
            sheets: Arc::default(),
            messages: None,
            simulated_messages: None,
            demo: false,
            settings: Settings::default(),
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
        let built_with = loaded.program.as_ref().map(|p| p.knowledge_sha256.as_str());
        self.knowledge_for(conn, built_with, &loaded.facts.story.pathway)
    }

    /// What was known when a program was built; where none was, what is known now of a pathway.
    ///
    /// # Errors
    /// As [`Self::knowledge_of`].
    pub(crate) fn knowledge_for(
        &self,
        conn: &mut PgConnection,
        built_with: Option<&str>,
        pathway: &str,
    ) -> Result<Arc<Knowledge>, StoreError> {
        let Some(sha256) = built_with.filter(|sha| **sha != self.knowledge.sha256) else {
            return if self.knowledge.pathways.contains_key(pathway) {
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
            map.insert(sha256.to_owned(), release.clone());
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
}
