//! The web server as a library: parse, authorise, load, compute, save, answer. Handlers hold no rules.

mod app;
mod choices;
mod deciding;
mod decisions;
mod examine;
mod home;
mod jobs;
mod lanes;
mod library;
mod limits;
mod logging;
mod outcome;
mod pathways;
mod patients;
mod problem;
mod program;
mod ranges;
mod reliability;
mod security;
mod session;
mod startup;
mod story;
mod strength;
mod validate;
mod visit;

pub use app::{AppState, Today};
pub use jobs::run_jobs;
pub use lanes::{change_day, refresh_lane};
pub use ritorno_shelf::read as read_knowledge;
pub use security::{hash_password, new_user};
pub use startup::{api_document, server};
