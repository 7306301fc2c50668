//! Work that is nobody's request.

use crate::app::AppState;
use chrono::{Duration, NaiveTime, Utc};
use ritorno_store::{Actor, StoreError, attempt, daylist, job, session, write};

/// Every day's housekeeping.
const DAILY: [&str; 3] = [
    "forget-ended-sessions",
    "forget-old-sign-in-attempts",
    "put-lane-moves-together",
];
/// Attempts older than this are of no use to the throttle or to anybody who looks into it.
const ATTEMPTS_KEPT_DAYS: i64 = 90;

/// Plans today's jobs and runs what is open, each in a transaction of its own. Answers how many it ran.
///
/// # Errors
/// Database failure; what failed stays open and is tried again.
pub fn run_jobs(state: &AppState) -> Result<usize, StoreError> {
    let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
    let today = state.today.date();
    let until = today.and_time(NaiveTime::MIN).and_utc();
    let actor = Actor {
        user: None,
        action: "job",
    };
    write(&mut conn, actor, |conn| {
        DAILY
            .iter()
            .try_for_each(|kind| job::plan_day(conn, kind, today))
    })?;
    let mut ran = 0;
    loop {
        let more = write(&mut conn, actor, |conn| {
            let Some(claimed) = job::claim(conn, &DAILY, until)? else {
                return Ok(false);
            };
            match claimed.kind.as_str() {
                "forget-ended-sessions" => session::forget_ended(conn)?,
                "forget-old-sign-in-attempts" => {
                    attempt::forget(conn, Utc::now() - Duration::days(ATTEMPTS_KEPT_DAYS))?
                }
                "put-lane-moves-together" => daylist::put_moves_together(conn)?,
                other => return Err(StoreError::Other(format!("there is no job {other}"))),
            }
            job::done(conn, claimed.id)?;
            Ok(true)
        })?;
        if !more {
            return Ok(ran);
        }
        ran += 1;
    }
}
