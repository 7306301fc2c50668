//! The one way to the database: who is signed in, what is locked, what is held while it lasts.

use crate::app::{AppState, Today};
use crate::looks::Look;
use crate::problem::ApiError;
use crate::security::token_of;
use crate::turns::{busy, off_thread};
use actix_web::HttpRequest;
use actix_web::http::StatusCode;
use ritorno_core::permission::{Action, may};
use ritorno_store::audit::Looking;
use ritorno_store::session::{Must, Session};
use ritorno_store::user::User;
use ritorno_store::{
    Actor, EpisodeId, PatientId, PgConnection, StoreError, UserId, event, opening,
};
use ritorno_wording::Value;
use std::time::Duration;

impl AppState {
    /// Runs `work` on a connection and then `show` without one, off the request threads.
    ///
    /// # Errors
    /// 503 *busy* when the line is full or no connection comes free in time, 503 *unavailable* when the database is away, else
    /// whatever `work` and `show` answer.
    pub(crate) async fn with_connection<L: Send + 'static, T: Send + 'static>(
        &self,
        work: impl FnOnce(&AppState, &mut PgConnection) -> Result<L, ApiError> + Send + 'static,
        show: impl FnOnce(&AppState, L) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let state = self.clone();
        let answer = async {
            let (place, permit) = self.turns.connection().await?;
            off_thread(move || {
                let _place = place;
                let read = {
                    let _permit = permit;
                    let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
                    work(&state, &mut conn)?
                };
                show(&state, read)
            })
            .await
        };
        self.pulse.or_away(answer).await
    }

    /// Runs `work` on a connection, off the request threads.
    ///
    /// # Errors
    /// As [`Self::with_connection`].
    pub(crate) async fn block<T: Send + 'static>(
        &self,
        work: impl FnOnce(&AppState, &mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.with_connection(work, |_, done| Ok(done)).await
    }

    /// Reads for the signed-in user: the session and the read share one connection.
    pub(crate) async fn read<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.view(req, action, work, |_, done| Ok(done)).await
    }

    /// Reads for the signed-in user what `show` then works out after the connection was given back.
    pub(crate) async fn view<L: Send + 'static, T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<L, ApiError> + Send + 'static,
        show: impl FnOnce(&AppState, L) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        let look = Look::of(req);
        let work = move |state: &AppState, conn: &mut PgConnection| {
            // Before the snapshot: it is noted who looks, and a snapshot writes nothing.
            let session = signed_in(conn, &token, action)?;
            let user = &session.user;
            if let Some(look) = look {
                if let Some(of) = look.of {
                    admit(state, conn, &session, of)?;
                }
                look.note(&state.looks, conn, user.id)?;
            }
            ritorno_store::read(conn, |conn| work(state, conn, user))
        };
        self.with_connection(work, show).await
    }

    /// Lets the signed-in user in without a transaction: each part of the work has its own.
    pub(crate) async fn each<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        work: impl FnOnce(&AppState, &mut PgConnection, &Session) -> Result<T, ApiError>
        + Send
        + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        self.block(move |state, conn| {
            let session = signed_in(conn, &token, action)?;
            work(state, conn, &session)
        })
        .await
    }

    /// Lets somebody see to their own account, whatever their role and whatever they must still do.
    pub(crate) async fn own<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        name: &'static str,
        work: impl FnOnce(&AppState, &mut PgConnection, &Session) -> Result<T, ApiError>
        + Send
        + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        self.block(move |state, conn| {
            let session = session_of(conn, &token)?;
            in_transaction(state, conn, &session.user, name, |state, conn, _| {
                work(state, conn, &session)
            })
        })
        .await
    }

    /// Writes about one patient: the record is locked first, then everything is read, checked, stored, followed by the lanes, and
    /// audited in one transaction. Two writers of one patient come one after the other.
    pub(crate) async fn command<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        name: &'static str,
        of: Of,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        let by = made_by(req)?;
        self.block(move |state, conn| {
            let session = signer(conn, &token, action, by)?;
            admit(state, conn, &session, of.looking())?;
            locked(state, conn, &session.user, name, of, work)
        })
        .await
    }

    /// Writes for the signed-in user what belongs to no patient, in one transaction with its audit rows.
    pub(crate) async fn write<T: Send + 'static>(
        &self,
        req: &HttpRequest,
        action: Action,
        name: &'static str,
        work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let token = token_of(req)?;
        let by = made_by(req)?;
        self.block(move |state, conn| {
            let user = signer(conn, &token, action, by)?.user;
            in_transaction(state, conn, &user, name, work)
        })
        .await
    }
}

/// Whose record a write is about.
#[derive(Debug, Clone, Copy)]
pub(crate) enum Of {
    /// The patient of an episode.
    Episode(EpisodeId),
    /// A patient.
    Patient(PatientId),
}

impl Of {
    /// The same as something that is looked at.
    pub(crate) fn looking(self) -> Looking {
        match self {
            Of::Episode(id) => Looking::Episode(id),
            Of::Patient(id) => Looking::Patient(id),
        }
    }
}

/// Lets somebody at a record, where the clinic keeps everybody to their own patients.
///
/// # Errors
/// 403 *record-shut* where it is somebody else's: it can be opened with a reason.
pub(crate) fn admit(
    state: &AppState,
    conn: &mut PgConnection,
    session: &Session,
    of: Looking,
) -> Result<(), ApiError> {
    let user = &session.user;
    if session.rules.keeps_to_own(user.role)
        && opening::is_shut(conn, of, user.id, state.today.date())?
    {
        return Err(ApiError::new(StatusCode::FORBIDDEN, "record-shut", &[]));
    }
    Ok(())
}

/// Writers of one patient at a time, the one who writes included; more are asked to come again.
const WRITERS_AT_MOST: usize = 3;
/// Tries to get the lock, the first included.
const TRIES: u32 = 3;

/// Counts a writer of a patient as long as it lives.
struct Waiting<'a> {
    state: &'a AppState,
    patient: PatientId,
}

impl<'a> Waiting<'a> {
    fn enter(state: &'a AppState, patient: PatientId) -> Result<Self, ApiError> {
        let mut writers = state
            .writers
            .lock()
            .unwrap_or_else(std::sync::PoisonError::into_inner);
        let count = writers.entry(patient).or_insert(0);
        if *count >= WRITERS_AT_MOST {
            return Err(busy());
        }
        *count += 1;
        Ok(Waiting { state, patient })
    }
}

impl Drop for Waiting<'_> {
    fn drop(&mut self) {
        let mut writers = self
            .state
            .writers
            .lock()
            .unwrap_or_else(std::sync::PoisonError::into_inner);
        if let Some(count) = writers.get_mut(&self.patient) {
            *count -= 1;
            if *count == 0 {
                writers.remove(&self.patient);
            }
        }
    }
}

/// Runs `work` in one transaction that holds the patient's record. A lock that is not free in time is tried again, twice, after a
/// short random wait; nothing of the work has begun by then.
///
/// # Errors
/// 503 when it is still not free, else whatever `work` answers; nothing is kept then.
pub(crate) fn locked<T>(
    state: &AppState,
    conn: &mut PgConnection,
    user: &User,
    name: &'static str,
    of: Of,
    work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    locked_by(state, conn, acting(user, name), of, |state, conn| {
        work(state, conn, user)
    })
}

/// The same for whoever acts: somebody of the clinic, or the patient from home, who is no user.
///
/// # Errors
/// As [`locked`].
pub(crate) fn locked_by<T>(
    state: &AppState,
    conn: &mut PgConnection,
    actor: Actor,
    of: Of,
    work: impl FnOnce(&AppState, &mut PgConnection) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    let patient = match of {
        Of::Episode(id) => event::patient_of(conn, id)?,
        Of::Patient(id) => id,
    };
    let _waiting = Waiting::enter(state, patient)?;
    let mut work = Some(work);
    for attempt in 1.. {
        let done = transaction(state, conn, actor, |state, conn| {
            event::lock(conn, patient)?;
            match work.take() {
                Some(work) => work(state, conn),
                None => Err(StoreError::Unavailable.into()),
            }
        });
        let begun = work.is_none();
        match done {
            Err(error) if !begun && error.0.status == 503 && attempt < TRIES => {
                let wait = rand::random::<u64>() % 80 + 20;
                std::thread::sleep(Duration::from_millis(wait * u64::from(attempt)));
            }
            other => return other,
        }
    }
    Err(StoreError::Unavailable.into())
}

/// Runs `work` in one transaction with the actor's name; a refused rule rolls it back.
///
/// # Errors
/// Whatever `work` answers; nothing is kept then.
pub(crate) fn in_transaction<T>(
    state: &AppState,
    conn: &mut PgConnection,
    user: &User,
    name: &'static str,
    work: impl FnOnce(&AppState, &mut PgConnection, &User) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    transaction(state, conn, acting(user, name), |state, conn| {
        work(state, conn, user)
    })
}

fn acting(user: &User, action: &'static str) -> Actor {
    Actor {
        user: Some(user.id),
        action,
    }
}

fn transaction<T>(
    state: &AppState,
    conn: &mut PgConnection,
    actor: Actor,
    work: impl FnOnce(&AppState, &mut PgConnection) -> Result<T, ApiError>,
) -> Result<T, ApiError> {
    let mut refused = None;
    let done = ritorno_store::write(conn, actor, |conn| {
        if let Today::Fixed(day) = state.today {
            event::entered_on(conn, day)?;
        }
        work(state, conn).map_err(|error| {
            refused = Some(error);
            StoreError::Other("refused by a rule".to_owned())
        })
    });
    done.map_err(|error| refused.unwrap_or_else(|| error.into()))
}

/// Who is signed in, when that is who made the entry.
fn signer(
    conn: &mut PgConnection,
    token: &[u8],
    action: Action,
    by: Option<UserId>,
) -> Result<Session, ApiError> {
    let session = signed_in(conn, token, action)?;
    if by.is_some_and(|by| by != session.user.id) {
        return Err(ApiError::new(StatusCode::FORBIDDEN, "made-by-another", &[]));
    }
    Ok(session)
}

/// Who made the entry, where the page says so: an entry is never signed with another person's session.
fn made_by(req: &HttpRequest) -> Result<Option<UserId>, ApiError> {
    let Some(value) = req.headers().get(MADE_BY) else {
        return Ok(None);
    };
    let by = value.to_str().ok().and_then(|text| text.parse().ok());
    by.map(Some).ok_or_else(|| {
        ApiError::new(
            StatusCode::BAD_REQUEST,
            "unreadable",
            &[("detail", Value::Text(MADE_BY))],
        )
    })
}

/// The header in which a page names the person who made an entry.
const MADE_BY: &str = "x-ritorno-made-by";

fn session_of(conn: &mut PgConnection, token: &[u8]) -> Result<Session, ApiError> {
    ritorno_store::session::of(conn, token)?
        .ok_or_else(|| ApiError::new(StatusCode::UNAUTHORIZED, "unauthenticated", &[]))
}

fn signed_in(conn: &mut PgConnection, token: &[u8], action: Action) -> Result<Session, ApiError> {
    let session = session_of(conn, token)?;
    let refused = match session.must() {
        Some(Must::Password) => "must-change",
        Some(Must::SecondFactor) => "must-second-factor",
        None if !may(session.user.role, action) => "forbidden",
        None => return Ok(session),
    };
    Err(ApiError::new(StatusCode::FORBIDDEN, refused, &[]))
}
