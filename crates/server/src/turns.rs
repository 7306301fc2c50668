//! The lines before what is scarce: connections, setting paper, hashing. Short ones: whoever would wait too long is told so.

use crate::problem::ApiError;
use actix_web::http::StatusCode;
use actix_web::web;
use std::sync::Arc;
use std::time::Duration;
use tokio::sync::{OwnedSemaphorePermit, Semaphore};

/// Requests that may wait for a connection.
const IN_LINE: usize = 64;
/// How long a request waits for its turn: shorter than people wait before they press again.
const LONGEST_WAIT: Duration = Duration::from_secs(2);
/// Setting a sheet or hashing a password takes a core for as long as it lasts.
const HEAVY_AT_ONCE: usize = 2;
/// Devices that may be listened to at once: more than a clinic has.
const STREAMS: usize = 32;

/// What takes a core for as long as it lasts.
#[derive(Debug, Clone, Copy)]
pub(crate) enum Heavy {
    /// Setting a sheet for the printer.
    Paper,
    /// Hashing a password.
    Hashing,
}

/// Waits for a turn, but not for long.
async fn turn(at: &Arc<Semaphore>) -> Result<OwnedSemaphorePermit, ApiError> {
    tokio::time::timeout(LONGEST_WAIT, at.clone().acquire_owned())
        .await
        .map_err(|_| busy())?
        .map_err(|_| busy())
}

/// Too many want the same at once.
pub(crate) fn busy() -> ApiError {
    ApiError::new(StatusCode::SERVICE_UNAVAILABLE, "busy", &[]).retry_after(1)
}

/// Runs what takes a while off the request threads.
pub(crate) async fn off_thread<T: Send + 'static>(
    work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
) -> Result<T, ApiError> {
    web::block(work).await.map_err(|_| {
        // It fell over, and would again: nobody is asked to come again for that.
        tracing::error!("work off the request threads fell over");
        ApiError::new(StatusCode::INTERNAL_SERVER_ERROR, "internal", &[])
    })?
}

/// The lines.
pub(crate) struct Turns {
    /// Places in the line before the database; whoever finds none is told at once that it is busy.
    line: Arc<Semaphore>,
    /// One permit a connection that requests may hold.
    connections: Arc<Semaphore>,
    /// How many sheets are set at once.
    paper: Arc<Semaphore>,
    /// How many passwords are hashed at once: a sheet never keeps anybody from signing in.
    hashing: Arc<Semaphore>,
    /// How many devices are listened to at once.
    streams: Arc<Semaphore>,
}

impl Default for Turns {
    fn default() -> Self {
        let places = |n: usize| Arc::new(Semaphore::new(n));
        let connections = ritorno_store::REQUESTS as usize;
        Turns {
            line: places(connections + IN_LINE),
            connections: places(connections),
            paper: places(HEAVY_AT_ONCE),
            hashing: places(HEAVY_AT_ONCE),
            streams: places(STREAMS),
        }
    }
}

impl Turns {
    /// A place in the line, to be kept until the answer is ready, and the permit of a connection, to be given back with it.
    ///
    /// # Errors
    /// 503 *busy* when the line is full or no connection comes free in time.
    pub(crate) async fn connection(
        &self,
    ) -> Result<(OwnedSemaphorePermit, OwnedSemaphorePermit), ApiError> {
        let place = self.line.clone().try_acquire_owned().map_err(|_| busy())?;
        Ok((place, turn(&self.connections).await?))
    }

    /// How many requests hold a connection or wait for one.
    pub(crate) fn standing(&self) -> usize {
        let all = ritorno_store::REQUESTS as usize + IN_LINE;
        all.saturating_sub(self.line.available_permits())
    }

    /// A place to listen to a device, to be kept as long as it is listened to.
    ///
    /// # Errors
    /// 503 *busy* when all are taken.
    pub(crate) fn stream(&self) -> Result<OwnedSemaphorePermit, ApiError> {
        self.streams.clone().try_acquire_owned().map_err(|_| busy())
    }

    /// Does what takes a core for as long as it lasts (setting paper, hashing a password): off the request threads, without a
    /// connection, few at once.
    ///
    /// # Errors
    /// 503 *busy* when no place comes free in time, else whatever `work` answers.
    pub(crate) async fn heavy<T: Send + 'static>(
        &self,
        what: Heavy,
        work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let bound = match what {
            Heavy::Paper => &self.paper,
            Heavy::Hashing => &self.hashing,
        };
        let place = turn(bound).await?;
        off_thread(move || {
            let _place = place;
            work()
        })
        .await
    }
}
