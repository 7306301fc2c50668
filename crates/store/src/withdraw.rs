//! Taking back what was entered by mistake: the entry stays, and its withdrawal is a row of its own.

use crate::StoreError;
use crate::schema::{finding, measurement, outcome_sheet, strength_trial, withdrawal};
use diesel::prelude::*;
use uuid::Uuid;

/// What can be withdrawn.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Entry {
    /// A measured range.
    Measurement,
    /// An answered test.
    Finding,
    /// A push against a device.
    StrengthTrial,
    /// An outcome sheet.
    OutcomeSheet,
}

impl Entry {
    fn word(self) -> &'static str {
        match self {
            Entry::Measurement => "measurement",
            Entry::Finding => "finding",
            Entry::StrengthTrial => "strength_trial",
            Entry::OutcomeSheet => "outcome_sheet",
        }
    }
}

/// Withdraws an entry; doing it twice changes nothing.
///
/// # Errors
/// `NotFound` when the episode has no such entry.
pub fn withdraw(
    conn: &mut PgConnection,
    episode: Uuid,
    entry: Entry,
    id: Uuid,
    reason: &str,
) -> Result<(), StoreError> {
    macro_rules! owner {
        ($t:ident) => {
            $t::table
                .filter($t::id.eq(id))
                .select($t::episode_id)
                .first::<Uuid>(conn)
                .optional()?
        };
    }
    let owner = match entry {
        Entry::Measurement => owner!(measurement),
        Entry::Finding => owner!(finding),
        Entry::StrengthTrial => owner!(strength_trial),
        Entry::OutcomeSheet => owner!(outcome_sheet),
    };
    if owner != Some(episode) {
        return Err(StoreError::NotFound(entry.word()));
    }
    use withdrawal as t;
    diesel::insert_into(t::table)
        .values((
            t::entry_id.eq(id),
            t::episode_id.eq(episode),
            t::kind.eq(entry.word()),
            t::reason.eq(reason),
        ))
        .on_conflict_do_nothing()
        .execute(conn)?;
    Ok(())
}
