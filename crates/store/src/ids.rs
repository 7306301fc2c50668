//! Ids that cannot stand in for each other: an episode is never taken for its patient.
//!
//! ```compile_fail
//! # use ritorno_store::{EpisodeId, PatientId, event};
//! fn lock(conn: &mut ritorno_store::PgConnection, episode: EpisodeId) {
//!     // The record is the patient's.
//!     event::lock(conn, episode).unwrap();
//! }
//! ```

use diesel_derive_newtype::DieselNewType;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

macro_rules! ids {
    ($($(#[$doc:meta])* $name:ident)*) => {$(
        $(#[$doc])*
        #[derive(
            Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize, DieselNewType,
        )]
        #[serde(transparent)]
        pub struct $name(pub Uuid);

        impl $name {
            /// A new one; later ones sort after earlier ones.
            pub fn new() -> Self {
                $name(Uuid::now_v7())
            }
        }

        impl Default for $name {
            fn default() -> Self {
                Self::new()
            }
        }

        impl std::fmt::Display for $name {
            fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
                self.0.fmt(f)
            }
        }

        impl std::str::FromStr for $name {
            type Err = uuid::Error;

            fn from_str(text: &str) -> Result<Self, uuid::Error> {
                text.parse().map($name)
            }
        }
    )*};
}

ids! {
    /// A patient, and the record that is theirs.
    PatientId
    /// One shoulder from its operation, injury or beginning to its end.
    EpisodeId
    /// Somebody who signs in.
    UserId
    /// The program of an episode.
    ProgramId
}
