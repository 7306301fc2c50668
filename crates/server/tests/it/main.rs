//! The application over real HTTP against a real database.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends
mod bad_input;
mod contact;
mod crowd;
mod daylist;
mod days;
mod defaults;
mod document;
mod doors;
mod entries;
mod events;
mod every_pathway;
mod examine;
mod gates;
mod harness;
mod hostile;
mod kept;
mod library;
mod logs;
mod paper;
mod phone;
mod proof;
mod record;
mod shut;
mod staff;
mod story;
mod whole;
