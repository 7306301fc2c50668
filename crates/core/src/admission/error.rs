//! What is wrong in a knowledge file, and where.

use thiserror::Error;

/// One fault in the knowledge files.
#[derive(Debug, Clone, PartialEq, Eq, Error)]
#[error("knowledge/{file}: row `{row}`, field `{field}`: {problem}")]
pub struct KnowledgeError {
    /// Path below `knowledge/`.
    pub file: String,
    /// The row's id, or its place in the file when it has none.
    pub row: String,
    /// The field, or `-` for the row as a whole.
    pub field: String,
    /// What is wrong with it.
    pub problem: String,
}

impl KnowledgeError {
    /// A fault at a place.
    pub fn at(file: &str, row: &str, field: &str, problem: impl Into<String>) -> Self {
        KnowledgeError {
            file: file.to_owned(),
            row: row.to_owned(),
            field: field.to_owned(),
            problem: problem.into(),
        }
    }
}
