//! What may be wrong, as the patient's page shows it.

use ritorno_core::knowledge::{RedFlag, Tier};
use serde::Serialize;

/// Something that may be wrong, and how fast help is needed.
#[derive(Debug, Serialize, utoipa::ToSchema)]
pub(crate) struct PhoneStop {
    flag: String,
    pub(super) tier: Tier,
}

impl PhoneStop {
    pub(super) fn of(flag: &RedFlag) -> PhoneStop {
        PhoneStop {
            flag: flag.id.clone(),
            tier: flag.tier,
        }
    }
}
