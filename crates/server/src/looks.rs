//! Reading leaves a row: who looked at which page of whose record.

use actix_web::HttpRequest;
use ritorno_store::audit::{Looking, note_read};
use ritorno_store::{PgConnection, StoreError, UserId};
use std::collections::HashMap;
use std::sync::{Mutex, PoisonError};
use std::time::{Duration, Instant};

/// A page that asks again within this time leaves no second row (our choice).
const ONE_ROW_EVERY: Duration = Duration::from_secs(60);
/// So many are remembered before those that are over are forgotten.
const REMEMBERED: usize = 4096;

/// What a request looks at.
#[derive(Debug, Clone, PartialEq, Eq, Hash)]
pub(crate) struct Look {
    /// Whose record; nobody's where it is a list of people.
    pub(crate) of: Option<Looking>,
    /// The page.
    what: String,
}

/// What was looked at lately.
pub(crate) type Looks = HashMap<(UserId, Look), Instant>;

impl Look {
    /// What a request looks at, where it is a record or a list of people.
    pub(crate) fn of(req: &HttpRequest) -> Option<Look> {
        let pattern = req.match_pattern()?;
        let id = || req.match_info().get("id");
        let (of, rest) = if let Some(rest) = pattern.strip_prefix("/api/episodes/{id}") {
            (Some(Looking::Episode(id()?.parse().ok()?)), rest)
        } else if let Some(rest) = pattern.strip_prefix("/api/patients/{id}") {
            (Some(Looking::Patient(id()?.parse().ok()?)), rest)
        } else if ["/api/day-list", "/api/find"].contains(&pattern.as_str()) {
            (None, pattern.strip_prefix("/api")?)
        } else {
            return None;
        };
        let words = rest
            .split('/')
            .filter(|part| !part.is_empty() && !part.starts_with('{'));
        let what = words.collect::<Vec<_>>().join("-").replace('.', "-");
        Some(Look {
            of,
            what: if what.is_empty() {
                "patient".to_owned()
            } else {
                what
            },
        })
    }

    /// Notes that somebody looks, unless they did a moment ago.
    ///
    /// # Errors
    /// Database failure: what cannot be noted is not shown.
    pub(crate) fn note(
        self,
        lately: &Mutex<Looks>,
        conn: &mut PgConnection,
        who: UserId,
    ) -> Result<(), StoreError> {
        let held = || lately.lock().unwrap_or_else(PoisonError::into_inner);
        let fresh = |at: &Instant| at.elapsed() < ONE_ROW_EVERY;
        let key = (who, self);
        if held().get(&key).is_some_and(fresh) {
            return Ok(());
        }
        note_read(conn, who, key.1.of, &key.1.what)?;
        let mut lately = held();
        if lately.len() >= REMEMBERED {
            lately.retain(|_, at| fresh(at));
        }
        lately.insert(key, Instant::now());
        Ok(())
    }
}
