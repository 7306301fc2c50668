//! The application over real HTTP against a real database.
mod bad_input;
mod doors;
mod harness;
mod paper;
mod record;
mod story;
