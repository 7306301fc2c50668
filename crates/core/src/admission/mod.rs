//! What knowledge must prove before it is let in.
//!
//! The files come in as text (this crate opens nothing). Either everything is known afterwards, or every fault is told with file,
//! row and field: names exist, numbers make sense, every gate can be passed by some record, nothing asks for what is barred.

mod advice;
mod asks;
mod bounds;
mod clinical_tests;
mod early;
mod error;
mod files;
mod flags;
mod gates;
mod load;
mod names;
mod pathways;
mod schools;
mod tables;

pub use error::KnowledgeError;
pub use load::{NamedText, load, load_release};
