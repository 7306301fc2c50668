//! Guessing becomes slow: a growing wait for a name at an address, for an address, and, less, for a name from anywhere.
//!
//! Nobody is locked out by somebody else: where a person has come in before, only their own failures there count.

use crate::app::App;
use crate::problem::ApiError;
use crate::security::verify_password;
use crate::turns::Heavy;
use actix_web::http::StatusCode;
use chrono::{DateTime, Duration, Utc};
use ritorno_store::attempt::{self, Failures};
use ritorno_store::{Actor, PgConnection, StoreError, write};
use ritorno_wording::Value;
use uuid::Uuid;

/// Failures that cost nothing, then a wait that doubles with each, up to a longest one.
struct Growing {
    free: i64,
    first_s: i64,
    longest_s: i64,
}

// Our choice; NIST SP 800-63B asks for no more than 100 failures in a row (from memory).
/// A name at one address: a person who mistypes.
const BOTH: Growing = Growing {
    free: 5,
    first_s: 5,
    longest_s: 900,
};
/// An address within an hour, whatever the name: somebody who goes through names.
const ADDRESS: Growing = Growing {
    free: 30,
    first_s: 5,
    longest_s: 900,
};
/// A name within an hour from anywhere: somebody with many addresses. The longest wait is short, because strangers cause it.
const NAME: Growing = Growing {
    free: 40,
    first_s: 5,
    longest_s: 60,
};

impl Growing {
    /// Seconds still to wait.
    fn wait_s(&self, failures: Failures, now: DateTime<Utc>) -> i64 {
        let Some(last) = failures.last.filter(|_| failures.count >= self.free) else {
            return 0;
        };
        let doublings = (failures.count - self.free).min(20) as u32;
        let wait = (self.first_s << doublings).min(self.longest_s);
        // Part of a second is a second more, and never the end of the wait.
        let left_ms = (last + Duration::seconds(wait) - now).num_milliseconds();
        (left_ms.max(0) + 999) / 1000
    }
}

/// Begins a try, noted as failed until it is known: of many at once all but the first few wait.
///
/// # Errors
/// `throttled` with the seconds to wait.
pub(crate) fn begin(conn: &mut PgConnection, login: &str, address: &str) -> Result<Uuid, ApiError> {
    let actor = Actor {
        user: None,
        action: "sign-in",
    };
    let begun = write(conn, actor, |conn| {
        attempt::in_a_row(conn, login, address)?;
        match wait_s(conn, login, address)? {
            0 => Ok(Ok(attempt::begin(conn, login, address)?)),
            wait => Ok(Err(wait)),
        }
    })?;
    begun.map_err(|wait| {
        let seconds = [("seconds", Value::Number(wait as f64))];
        ApiError::new(StatusCode::TOO_MANY_REQUESTS, "throttled", &seconds)
            .retry_after(u32::try_from(wait).unwrap_or(u32::MAX))
    })
}

/// Whether a password fits a hash. A try that was not looked at, because too many came at once, counts for nothing.
///
/// # Errors
/// 503 *busy*.
pub(crate) async fn fits(
    app: &App,
    tried: Uuid,
    password: String,
    hash: String,
) -> Result<bool, ApiError> {
    let looked = app
        .turns
        .heavy(Heavy::Hashing, move || {
            Ok(verify_password(&password, &hash))
        })
        .await;
    if looked.is_err() {
        app.block(move |_, conn| Ok(attempt::set_aside(conn, tried)?))
            .await?;
    }
    looked
}

fn wait_s(conn: &mut PgConnection, login: &str, address: &str) -> Result<i64, StoreError> {
    let now = Utc::now();
    let hour = now - Duration::hours(1);
    let both = attempt::of_both(conn, login, address, now - Duration::days(1))?;
    let own = BOTH.wait_s(both, now);
    if attempt::known_here(conn, login, address)? {
        return Ok(own);
    }
    let here = ADDRESS.wait_s(attempt::of_address(conn, address, hour)?, now);
    let anywhere = NAME.wait_s(attempt::of_name(conn, login, hour)?, now);
    Ok(own.max(here).max(anywhere))
}
