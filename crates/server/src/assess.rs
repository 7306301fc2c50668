//! Knowledge and facts put together for a request.

use crate::app::AppState;
use crate::problem::ApiError;
use crate::validate::Faults;
use chrono::NaiveDate;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::Facts;
use ritorno_core::knowledge::Knowledge;
use ritorno_store::episode::{self, Loaded};
use ritorno_store::{EpisodeId, PgConnection, StoreError};
use ritorno_wording::Value;
use std::sync::Arc;

/// The assessment of an episode.
///
/// # Errors
/// `NotFound` when the pathway of the story is not known.
pub fn assess<'a>(known: &'a Knowledge, facts: &'a Facts) -> Result<Assessment<'a>, StoreError> {
    Assessment::new(known, facts).ok_or(NO_PATHWAY)
}

/// An episode as it was read, with what was known when its program was built. What is worked out from it needs no database.
pub(crate) struct Opened {
    /// The facts.
    pub(crate) loaded: Loaded,
    /// The knowledge that holds for them.
    pub(crate) known: Arc<Knowledge>,
}

impl Opened {
    /// Reads an episode.
    ///
    /// # Errors
    /// `NotFound`, database failure.
    pub(crate) fn read(
        state: &AppState,
        conn: &mut PgConnection,
        id: EpisodeId,
    ) -> Result<Opened, StoreError> {
        let loaded = episode::load(conn, id, state.today.date())?;
        Opened::of(state, conn, loaded)
    }

    /// What was known for facts that are read already.
    ///
    /// # Errors
    /// Database failure.
    pub(crate) fn of(
        state: &AppState,
        conn: &mut PgConnection,
        loaded: Loaded,
    ) -> Result<Opened, StoreError> {
        let known = state.knowledge_of(conn, &loaded)?;
        Ok(Opened { loaded, known })
    }

    /// The assessment.
    ///
    /// # Errors
    /// `NotFound` when the pathway of the story is not known.
    pub(crate) fn assess(&self) -> Result<Assessment<'_>, StoreError> {
        assess(&self.known, &self.loaded.facts)
    }
}

/// There is no such pathway.
pub(crate) const NO_PATHWAY: StoreError = StoreError::NotFound("pathway");

/// An ended episode takes no plan, decision, limit or gate; entries dated up to its end are another matter.
///
/// # Errors
/// `episode-ended`.
pub(crate) fn still_open(loaded: &Loaded) -> Result<(), ApiError> {
    let mut faults = Faults::default();
    if let Some(on) = loaded.closed_on {
        let date = on.to_string();
        faults.push("episode", "episode-closed", &[("date", Value::Text(&date))]);
    }
    faults.check()
}

/// The last day an entry may speak about: today, or the day on which the episode ended.
pub(crate) fn last_day(loaded: &Loaded) -> NaiveDate {
    let today = loaded.facts.today;
    loaded.closed_on.map_or(today, |on| on.min(today))
}
