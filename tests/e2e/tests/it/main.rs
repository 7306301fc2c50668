//! The interface as a person meets it.
mod outage;
mod screens;
mod whole_story;
