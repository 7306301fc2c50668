//! What is kept of a signed program, and how every version of it stays readable.

use super::score::ScoreView;
use crate::episode::SurgeonLimit;
use serde::{Deserialize, Serialize};
use thiserror::Error;

/// The version that is written today.
pub const SNAPSHOT_VERSION: i32 = 1;

/// A signed program, resolved: ceilings, gates and verdicts as they stood, not only the lines.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct Snapshot {
    /// Revision of the program.
    pub rev: i32,
    /// Revision of the story.
    pub story_rev: i32,
    /// The surgeon's limits in force.
    pub limits: Vec<SurgeonLimit>,
    /// The whole score.
    pub score: ScoreView,
}

/// A snapshot that cannot be read.
#[derive(Debug, Error)]
pub enum SnapshotError {
    /// Written by a newer application.
    #[error("snapshot version {0} is newer than this application reads")]
    TooNew(i32),
    /// Its body does not have the shape of its version.
    #[error("snapshot of version {version} cannot be read: {problem}")]
    Broken {
        /// The version it says it has.
        version: i32,
        /// What is wrong.
        problem: String,
    },
}

/// Reads a snapshot of any version, brought up to today's shape. A golden file for each version guards this for ever.
///
/// # Errors
/// When it is newer than this application, or broken.
pub fn read_snapshot(version: i32, body: serde_json::Value) -> Result<Snapshot, SnapshotError> {
    match version {
        1 => serde_json::from_value(body).map_err(|error| SnapshotError::Broken {
            version,
            problem: error.to_string(),
        }),
        _ => Err(SnapshotError::TooNew(version)),
    }
}
