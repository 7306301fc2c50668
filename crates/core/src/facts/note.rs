//! What somebody wrote.

use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A text that somebody wrote about the patient and signed or saved.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct Written {
    /// The entry that holds it.
    pub id: Uuid,
    /// The day it was written for.
    pub on: NaiveDate,
    /// The text.
    pub text: String,
}
