//! A service that is asked over HTTP: a gateway on the same machine, or the simulated one.

use crate::{Became, Message, Messages, Stopped, Trouble};
use serde::Deserialize;
use serde::de::DeserializeOwned;
use std::time::Duration;
use ureq::http::Response;
use ureq::{Agent, Body, Error};
use uuid::Uuid;

/// A service that says nothing for so long is away (our choice).
const PATIENCE: Duration = Duration::from_secs(5);

/// A service at an address.
#[derive(Debug, Clone)]
pub struct OverHttp {
    address: String,
    agent: Agent,
}

/// What a service answers about a message.
#[derive(Deserialize)]
struct Standing {
    became: Became,
}

impl OverHttp {
    /// The service at an address such as `http://127.0.0.1:8490`.
    pub fn new(address: &str) -> OverHttp {
        OverHttp {
            address: address.trim_end_matches('/').to_owned(),
            agent: agent(PATIENCE),
        }
    }

    /// The same with another patience.
    #[must_use]
    pub fn patient(self, patience: Duration) -> OverHttp {
        OverHttp {
            agent: agent(patience),
            ..self
        }
    }

    fn url(&self, path: &str) -> String {
        format!("{}{path}", self.address)
    }
}

fn agent(patience: Duration) -> Agent {
    Agent::config_builder()
        .timeout_global(Some(patience))
        .http_status_as_error(false)
        .build()
        .new_agent()
}

/// An answer that was a success; an order that will never be followed is told apart from one that may be.
fn done(answer: Result<Response<Body>, Error>) -> Result<Response<Body>, Trouble> {
    let answer = answer.map_err(|_| Trouble::Later)?;
    match answer.status().as_u16() {
        200..=299 => Ok(answer),
        // Too slow, too many, too early: the same may be taken later.
        408 | 425 | 429 => Err(Trouble::Later),
        400..=499 => Err(Trouble::Refused),
        _ => Err(Trouble::Later),
    }
}

fn read<T: DeserializeOwned>(answer: Result<Response<Body>, Error>) -> Result<T, Trouble> {
    let mut answer = done(answer)?;
    answer.body_mut().read_json().map_err(|_| Trouble::Later)
}

impl Messages for OverHttp {
    fn send(&self, message: &Message) -> Result<Became, Trouble> {
        let asked = self.agent.post(self.url("/messages"));
        let standing: Standing = read(asked.send_json(message))?;
        Ok(standing.became)
    }

    fn became(&self, key: Uuid) -> Result<Became, Trouble> {
        let asked = self.agent.get(self.url(&format!("/messages/{key}")));
        let standing: Standing = read(asked.call())?;
        Ok(standing.became)
    }

    fn stopped(&self) -> Result<Vec<Stopped>, Trouble> {
        read(self.agent.get(self.url("/stopped")).call())
    }

    fn heard(&self, id: u64) -> Result<(), Trouble> {
        let asked = self.agent.post(self.url(&format!("/stopped/{id}/heard")));
        done(asked.send_empty()).map(|_| ())
    }
}
