//! Messages to patients behind one trait: a service that is asked over HTTP, and the simulated one that ships with the application.
//!
//! Every message has a key. A service that is told the same key again keeps one message: whoever does not know whether it arrived
//! may ask again.

mod over_http;
mod simulated;

pub use over_http::OverHttp;
pub use simulated::simulated;

use ritorno_core::facts::Channel;
use serde::{Deserialize, Serialize};
use thiserror::Error;
use uuid::Uuid;

/// A message to one person.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Message {
    /// The same for every try.
    pub key: Uuid,
    /// Which way.
    pub channel: Channel,
    /// The number or the mail address.
    pub to: String,
    /// The text.
    pub words: String,
}

/// What became of a message that a service has taken.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Became {
    /// It is on its way.
    Waiting,
    /// It was delivered.
    Delivered,
    /// It could not be delivered.
    Failed,
}

/// Somebody who answered that they want no more messages.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Stopped {
    /// What the service calls the answer.
    pub id: u64,
    /// Which way it came.
    pub channel: Channel,
    /// From whom.
    pub from: String,
}

/// Why a service did not do what it was asked.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Error)]
pub enum Trouble {
    /// It never will: asking again changes nothing.
    #[error("the service refused")]
    Refused,
    /// It may, later: it is away, slow or busy.
    #[error("the service did not answer")]
    Later,
}

/// A service that delivers messages.
pub trait Messages: Send + Sync {
    /// Hands a message over.
    ///
    /// # Errors
    /// `Refused` where it never will be taken; `Later` where nobody knows whether it was.
    fn send(&self, message: &Message) -> Result<Became, Trouble>;

    /// What became of a message.
    ///
    /// # Errors
    /// `Refused` where the service does not know it.
    fn became(&self, key: Uuid) -> Result<Became, Trouble>;

    /// Who answered that they want no more, until it was heard.
    ///
    /// # Errors
    /// `Later` where the service is away.
    fn stopped(&self) -> Result<Vec<Stopped>, Trouble>;

    /// Tells the service that an answer was heard.
    ///
    /// # Errors
    /// `Later` where the service is away.
    fn heard(&self, id: u64) -> Result<(), Trouble>;
}
