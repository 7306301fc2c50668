//! The language that a patient reads.

use serde::{Deserialize, Serialize};

/// A language that sheets, calendars, reminders and the patient's page are written in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Language {
    /// British English, which the clinic's own pages are in.
    #[default]
    English,
    /// Italian.
    Italian,
}

impl Language {
    /// All of them.
    pub const ALL: [Language; 2] = [Language::English, Language::Italian];

    /// Its code, as documents name it (ISO 639-1).
    pub fn code(self) -> &'static str {
        match self {
            Language::English => "en",
            Language::Italian => "it",
        }
    }

    /// The country whose habits it is written by (ISO 3166-1).
    pub fn region(self) -> &'static str {
        match self {
            Language::English => "GB",
            Language::Italian => "IT",
        }
    }
}
