//! PostgreSQL through Diesel: one module an aggregate, forms apart from rows, no rules.
//!
//! Every write runs in one transaction that names its actor, so that the audit trigger can.

pub mod access;
pub mod attempt;
pub mod audit;
pub mod contact;
mod convert;
pub mod cover;
pub mod daylist;
pub mod deciding;
pub mod defaults;
mod detail;
pub mod elastic;
pub mod episode;
mod error;
pub mod event;
pub mod events;
pub mod findings;
pub mod flags;
pub mod home_hours;
pub mod home_link;
pub mod home_words;
mod ids;
pub mod invitation;
pub mod job;
pub mod keeping;
pub mod knowledge;
pub mod limits;
mod lists;
mod load;
pub mod log;
pub mod measurement;
pub mod opening;
pub mod outcome;
pub mod pathway;
mod patient;
mod pool;
pub mod program;
pub mod reliability;
pub mod reminder;
pub mod reminding;
mod schema;
pub mod second_factor;
pub mod session;
mod story;
pub mod strength;
pub mod unread;
pub mod user;
mod versions;
pub mod visit;

pub use diesel::PgConnection;
pub use error::{Contention, StoreError};
pub use ids::{EpisodeId, PatientId, ProgramId, UserId};
pub use pool::{
    Actor, Pool, REQUESTS, answers, migrate, open_one, open_pool, pending, read, schema_fits,
    take_your_time, write,
};
