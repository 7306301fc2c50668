//! What can go wrong between the application and its database.

use diesel::result::{DatabaseErrorKind, Error as DieselError};
use thiserror::Error;

/// A store failure, sorted by what the caller can do about it.
#[derive(Debug, Error)]
pub enum StoreError {
    /// The database cannot be reached now; nothing was written; the same call may succeed later.
    #[error("the database cannot be reached")]
    Unavailable,
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
    /// Anything else.
    #[error("database error: {0}")]
    Other(String),
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
                // A server that is going down says so in words before the connection is seen to be closed.
                let gone = [
                    "terminating connection",
                    "server closed",
                    "shutting down",
                    "starting up",
                    "could not connect",
                ];
                if gone.iter().any(|word| message.contains(word)) {
                    return StoreError::Unavailable;
                }
                match kind {
                    DatabaseErrorKind::UniqueViolation
                    | DatabaseErrorKind::CheckViolation
                    | DatabaseErrorKind::ForeignKeyViolation
                    | DatabaseErrorKind::NotNullViolation => {
                        StoreError::Refused(info.constraint_name().map_or(message, str::to_owned))
                    }
                    _ => StoreError::Other(message),
                }
            }
            other => StoreError::Other(other.to_string()),
        }
    }
}
