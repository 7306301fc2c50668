//! Whether the database answers. One that is stopped and not closed says nothing at all, and the driver would wait for ever: so one
//! connection asks it once a second, and whoever waits looks at how long that question is open.

use crate::problem::ApiError;
use ritorno_store::{Pool, StoreError, answers};
use std::future::Future;
use std::pin::pin;
use std::sync::{Arc, Mutex, PoisonError};
use std::time::{Duration, Instant};

/// How often it is asked.
const EVERY: Duration = Duration::from_secs(1);
/// After this time without an answer it is taken for away.
const SILENT_AFTER: Duration = Duration::from_secs(3);
/// How often whoever waits looks.
const LOOK_EVERY: Duration = Duration::from_millis(250);

/// Since when a question is open.
#[derive(Debug, Default)]
pub(crate) struct Pulse(Mutex<Option<Instant>>);

impl Pulse {
    fn asked(&self, at: Option<Instant>) {
        *self.0.lock().unwrap_or_else(PoisonError::into_inner) = at;
    }

    /// Asks from now on, in a thread of its own, until nobody holds this any more.
    pub(crate) fn start(self: &Arc<Self>, pool: Pool) {
        let held = Arc::downgrade(self);
        std::thread::spawn(move || {
            let mut conn = None;
            while let Some(pulse) = held.upgrade() {
                if conn.is_none() {
                    conn = pool.get().ok();
                }
                pulse.asked(Some(Instant::now()));
                // A connection that broke tells whoever uses the others by itself.
                if conn.as_mut().is_some_and(|conn| answers(conn).is_err()) {
                    conn = None;
                }
                pulse.asked(None);
                drop(pulse);
                std::thread::sleep(EVERY);
            }
        });
    }

    /// Whether it was asked a while ago and has not answered.
    pub(crate) fn silent(&self) -> bool {
        let asked = *self.0.lock().unwrap_or_else(PoisonError::into_inner);
        asked.is_some_and(|at| at.elapsed() > SILENT_AFTER)
    }

    /// Waits for what needs the database, as long as that answers. What has begun goes on and may still be stored: sent again, it is
    /// stored once.
    ///
    /// # Errors
    /// 503 *unavailable* when the database says nothing, else whatever `work` answers.
    pub(crate) async fn or_away<T>(
        &self,
        work: impl Future<Output = Result<T, ApiError>>,
    ) -> Result<T, ApiError> {
        let mut work = pin!(work);
        loop {
            if self.silent() {
                return Err(StoreError::Unavailable.into());
            }
            if let Ok(done) = tokio::time::timeout(LOOK_EVERY, work.as_mut()).await {
                return done;
            }
        }
    }
}
