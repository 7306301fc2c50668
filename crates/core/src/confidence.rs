//! How sure a row of knowledge is.

use serde::{Deserialize, Serialize};

/// How sure we are of a row.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Confidence {
    /// Clearly remembered from a publication; still to be checked against it.
    A,
    /// Believed close to a publication.
    B,
    /// A configurable default, never shown as published.
    C,
    /// Common practice, no published source.
    P,
}
