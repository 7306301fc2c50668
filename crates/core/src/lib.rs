//! The job itself: pure functions over plain data.
//!
//! No clock, no database, no HTTP, no files: dates come in as arguments and knowledge comes in as
//! text. Angles are degrees at every boundary. Everything that decides answers with a
//! [`reason::Reason`] (a rule id and typed arguments); the wording lives in `locales/`.

pub mod angle;
pub mod calendar;
pub mod deciding;
pub mod episode;
pub mod flags;
pub mod knowledge;
pub mod lanes;
pub mod lexicon;
pub mod loading;
pub mod mechanics;
pub mod outcome;
pub mod permission;
pub mod program;
pub mod progress;
pub mod pull;
pub mod ranges;
pub mod reading;
pub mod reason;
pub mod reliability;
pub mod snapshot;
pub mod strength;
pub mod trend;
pub mod visit;
pub mod watching;
