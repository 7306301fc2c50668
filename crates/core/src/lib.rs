//! The job itself: pure functions over plain data.
//!
//! No clock, no database, no HTTP, no files: dates come in as arguments and knowledge comes in as
//! text. Angles are degrees at every boundary. Everything that decides answers with a
//! [`reason::Reason`] (a rule id and typed arguments); the wording lives in `locales/`.
//!
//! Each module is a room. A room uses only the rooms above it in this list, and no two files use each
//! other; `tests/it/house.rs` holds the list against the code.

pub mod calendar;
pub mod confidence;
pub mod permission;
pub mod reason;

pub mod mechanics;

pub mod knowledge;

pub mod facts;

pub mod rules;

pub mod context;

pub mod safety;

pub mod ranges;

pub mod force;

pub mod progress;

pub mod flags;

pub mod assessment;

pub mod reading;

pub mod plan;

pub mod deciding;

pub mod lanes;
pub mod visit;

pub mod week;

pub mod snapshot;

pub mod admission;
