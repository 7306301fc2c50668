//! The kinds of snapshots, their versions, and how an old one is read.

use super::decision_v1::DecisionV1;
use super::program_v1::ProgramV1;
use super::visit_v1::VisitV1;
use serde::de::DeserializeOwned;
use thiserror::Error;

/// What was signed.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Kind {
    /// A program.
    Program,
    /// A visit, with the note.
    Visit,
    /// A decision about one line.
    Decision,
}

impl Kind {
    /// The version that is written today.
    pub const fn version(self) -> i32 {
        match self {
            Kind::Program | Kind::Visit | Kind::Decision => 1,
        }
    }
}

/// A snapshot that cannot be read.
#[derive(Debug, Error)]
pub enum SnapshotError {
    /// Written by a newer application.
    #[error("version {0} of this snapshot is newer than this application reads")]
    TooNew(i32),
    /// Its body does not have the shape of its version.
    #[error("this snapshot of version {version} cannot be read: {problem}")]
    Broken {
        /// The version it says it has.
        version: i32,
        /// What is wrong.
        problem: String,
    },
}

fn read<T: DeserializeOwned>(version: i32, body: serde_json::Value) -> Result<T, SnapshotError> {
    match version {
        1 => serde_json::from_value(body).map_err(|error| SnapshotError::Broken {
            version,
            problem: error.to_string(),
        }),
        _ => Err(SnapshotError::TooNew(version)),
    }
}

/// Reads a signed program of any version, brought up to today's shape.
///
/// # Errors
/// When it is newer than this application, or broken.
pub fn read_program(version: i32, body: serde_json::Value) -> Result<ProgramV1, SnapshotError> {
    read(version, body)
}

/// Reads what a signed visit showed, brought up to today's shape.
///
/// # Errors
/// When it is newer than this application, or broken.
pub fn read_visit(version: i32, body: serde_json::Value) -> Result<VisitV1, SnapshotError> {
    read(version, body)
}

/// Reads what a decision about a line rested on, brought up to today's shape.
///
/// # Errors
/// When it is newer than this application, or broken.
pub fn read_decision(version: i32, body: serde_json::Value) -> Result<DecisionV1, SnapshotError> {
    read(version, body)
}
