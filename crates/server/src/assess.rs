//! Knowledge and facts put together for a request.

use ritorno_core::episode::Facts;
use ritorno_core::knowledge::Knowledge;
use ritorno_core::visit::Assessment;
use ritorno_store::StoreError;

/// The assessment of an episode.
///
/// # Errors
/// `NotFound` when the pathway of the story is not known.
pub fn assess<'a>(known: &'a Knowledge, facts: &'a Facts) -> Result<Assessment<'a>, StoreError> {
    Assessment::new(known, facts).ok_or(NO_PATHWAY)
}

/// There is no such pathway.
pub(crate) const NO_PATHWAY: StoreError = StoreError::NotFound("pathway");
