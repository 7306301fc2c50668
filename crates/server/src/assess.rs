//! Knowledge and facts put together for a request.

use crate::problem::ApiError;
use crate::validate::Faults;
use chrono::NaiveDate;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::Facts;
use ritorno_core::knowledge::Knowledge;
use ritorno_store::StoreError;
use ritorno_store::episode::Loaded;
use ritorno_wording::Value;

/// The assessment of an episode.
///
/// # Errors
/// `NotFound` when the pathway of the story is not known.
pub fn assess<'a>(known: &'a Knowledge, facts: &'a Facts) -> Result<Assessment<'a>, StoreError> {
    Assessment::new(known, facts).ok_or(NO_PATHWAY)
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
