//! Passages that flags must ask about, and what the texts read lately were found to ask.
//!
//! A text never changes once it is signed, and every look at a patient reads all of them again.

use quick_cache::sync::Cache;
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

/// Texts kept at most: those of a full day list, some ten a patient. The ones that nobody asked for longest make room.
const TEXTS: usize = 4096;

/// Texts and what they ask, as one set of knowledge reads them. A copy of the knowledge begins empty: its lexicon may differ.
pub(crate) struct Screened(Cache<String, Arc<[Hit]>>);

impl Screened {
    /// What a text asks, worked out the first time.
    pub(crate) fn of(&self, text: &str, screen: impl FnOnce() -> Vec<Hit>) -> Arc<[Hit]> {
        if let Some(found) = self.0.get(text) {
            return found;
        }
        let found: Arc<[Hit]> = screen().into();
        self.0.insert(text.to_owned(), found.clone());
        found
    }
}

impl Default for Screened {
    fn default() -> Self {
        Screened(Cache::new(TEXTS))
    }
}

impl Clone for Screened {
    fn clone(&self) -> Self {
        Screened::default()
    }
}

impl std::fmt::Debug for Screened {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str("Screened")
    }
}
