//! What can go wrong between the application and its database.

use diesel::result::{DatabaseErrorKind, Error as DieselError};
use thiserror::Error;

/// A store failure, sorted by what the caller can do about it.
#[derive(Debug, Error)]
pub enum StoreError {
    /// The database cannot be reached now; nothing was written; the same call may succeed later.
    #[error("the database cannot be reached")]
    Unavailable,
    /// Somebody else holds what this needed, for too long; nothing was written; the same call may succeed in a moment.
    #[error("busy: {0}")]
    Busy(Contention),
    /// The disk under the database is full; nothing was written; the same call succeeds when there is room.
    #[error("the disk under the database is full")]
    NoRoom,
    /// There is no such row.
    #[error("there is no such {0}")]
    NotFound(&'static str),
    /// The row has been changed since it was read; the newer revision is given.
    #[error("changed in the meantime, now at revision {current}")]
    Stale {
        /// The revision in the database.
        current: i32,
    },
    /// The same id was used before with another body.
    #[error("this id was used before with other contents")]
    IdConflict,
    /// A rule of the database was broken.
    #[error("refused by the database: {0}")]
    Refused(String),
    /// A stored value cannot be read back.
    #[error("a stored {0} cannot be read")]
    Unreadable(&'static str),
    /// The database or its driver said something else; its own error is kept as the source.
    #[error("database error")]
    Database(#[source] DieselError),
    /// Anything else.
    #[error("{0}")]
    Other(String),
}

/// What stood in the way of a write.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Error)]
pub enum Contention {
    /// Two transactions could not be put in an order.
    #[error("serialization failure")]
    Serialization,
    /// Two transactions waited for each other.
    #[error("deadlock")]
    Deadlock,
    /// A lock was not free in time.
    #[error("lock timeout")]
    Lock,
    /// A statement took too long.
    #[error("statement timeout")]
    Statement,
}

/// Sorts what the server says. The driver hides some codes, so the server's words are read; its messages are fixed to `C`.
fn sorted(message: &str) -> Option<StoreError> {
    use Contention as C;
    const CONTENTION: [(&str, Contention); 4] = [
        ("could not serialize access", C::Serialization),
        ("deadlock detected", C::Deadlock),
        ("due to lock timeout", C::Lock),
        ("due to statement timeout", C::Statement),
    ];
    // A server that is going down says so in words before the connection is seen to be closed.
    const GONE: [&str; 6] = [
        "terminating connection",
        "server closed",
        "shutting down",
        "starting up",
        "could not connect",
        "connection to server",
    ];
    if let Some((_, what)) = CONTENTION.iter().find(|(words, _)| message.contains(words)) {
        return Some(StoreError::Busy(*what));
    }
    const FULL: [&str; 3] = [
        "No space left on device",
        "Disk quota exceeded",
        "could not extend file",
    ];
    if FULL.iter().any(|words| message.contains(words)) {
        return Some(StoreError::NoRoom);
    }
    GONE.iter()
        .any(|words| message.contains(words))
        .then_some(StoreError::Unavailable)
}

impl From<DieselError> for StoreError {
    fn from(error: DieselError) -> Self {
        match error {
            DieselError::NotFound => StoreError::NotFound("row"),
            DieselError::BrokenTransactionManager => StoreError::Unavailable,
            DieselError::DatabaseError(
                DatabaseErrorKind::ClosedConnection | DatabaseErrorKind::UnableToSendCommand,
                _,
            ) => StoreError::Unavailable,
            DieselError::DatabaseError(kind, info) => {
                let message = info.message().to_owned();
                if let Some(known) = sorted(&message) {
                    return known;
                }
                match kind {
                    DatabaseErrorKind::UniqueViolation
                    | DatabaseErrorKind::CheckViolation
                    | DatabaseErrorKind::ForeignKeyViolation
                    | DatabaseErrorKind::NotNullViolation => {
                        StoreError::Refused(info.constraint_name().map_or(message, str::to_owned))
                    }
                    _ => StoreError::Database(DieselError::DatabaseError(kind, info)),
                }
            }
            other => StoreError::Database(other),
        }
    }
}
