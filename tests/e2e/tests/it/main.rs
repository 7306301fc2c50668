//! The interface as a person meets it.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends
mod colleagues;
mod counted;
mod demo;
mod drafts;
mod examination;
mod fields;
mod keeping;
mod keys;
mod kills;
mod library;
mod outage;
mod outbox;
mod people;
mod phone;
mod program;
mod reached;
mod reasons;
mod reminders;
mod scores;
mod screens;
mod shell;
mod sizes;
mod timeline;
mod trouble;
mod week;
mod whole_story;
