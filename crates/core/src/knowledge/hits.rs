//! Passages that flags must ask about, and what the texts read lately were found to ask.
//!
//! A text never changes once it is signed, and every look at a patient reads all of them again.

use super::kept::Kept;
use serde::{Deserialize, Serialize};
use std::sync::Arc;

/// A passage that a flag must ask about.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Hit {
    /// Flag id.
    pub flag: String,
    /// The sentence, as it was written.
    pub quote: String,
    /// What tells this passage from others: a digest of its words.
    pub passage: String,
}

/// Texts of which the passages are kept at most: those of a full day list, some ten a patient.
const TEXTS: usize = 4096;

/// Texts and what they ask, as one set of knowledge reads them.
pub(crate) type Screened = Kept<String, Arc<[Hit]>, TEXTS>;
