//! What was told from home and nobody has read: who is shown it, and when it goes to the lead.

use crate::app::AppState;
use chrono::{DateTime, NaiveDate, Utc};
use ritorno_core::facts::{OpenHours, unread_too_long};
use ritorno_core::permission::Role;
use ritorno_store::user::User;
use ritorno_store::{
    EpisodeId, PatientId, PgConnection, StoreError, UserId, cover, defaults, unread,
};
use serde::Serialize;
use uuid::Uuid;

/// Something told from home that waits to be read.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct FromHome {
    id: Uuid,
    /// The day it speaks about.
    on: NaiveDate,
    /// When it came.
    at: DateTime<Utc>,
    /// Whether it came on a later day than the one it speaks about.
    later_day: bool,
    /// A message, in words.
    words: Option<String>,
    /// A red flag that was tapped; without one and without words the shoulder slipped.
    flag: Option<String>,
    /// Whether the clinic was open so long meanwhile that the lead is told.
    late: bool,
}

/// A shoulder about which something waits to be read.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Unread {
    #[schema(value_type = Uuid)]
    patient: PatientId,
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    name: String,
    /// How many entries.
    count: i64,
    /// When the oldest came.
    since: DateTime<Utc>,
    /// Whether the clinic was open so long meanwhile that the lead is told.
    late: bool,
    /// Whether it waits for somebody else, and is shown because they have not read it.
    of_another: bool,
}

/// Whether the clinic was open long enough since a moment for what came then to have been read.
fn late(state: &AppState, opening: &[OpenHours], at: DateTime<Utc>) -> bool {
    let clock = |at| state.today.local(at);
    unread_too_long(&state.knowledge, opening, clock(at), clock(Utc::now()))
}

/// What waits to be read about a shoulder, oldest first.
///
/// # Errors
/// Database failure.
pub(crate) fn of_episode(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
) -> Result<Vec<FromHome>, StoreError> {
    let waits = unread::unread(conn, id)?;
    if waits.is_empty() {
        return Ok(Vec::new());
    }
    let (_, set) = defaults::newest(conn)?;
    Ok(waits
        .into_iter()
        .map(|told| FromHome {
            id: told.id,
            on: told.on,
            at: told.at,
            later_day: state.today.day_of(told.at) > told.on,
            words: told.words,
            flag: told.flag,
            late: late(state, &set.opening, told.at),
        })
        .collect())
}

/// Whose words wait for a reader: those of whom they treat or look after and of whom nobody treats; a lead is told too of what
/// nobody read while the clinic was open. Auditors answer nothing and are asked nothing.
///
/// # Errors
/// Database failure.
pub(crate) fn for_reader(
    state: &AppState,
    conn: &mut PgConnection,
    reader: &User,
) -> Result<Vec<Unread>, StoreError> {
    let waits = unread::waiting(conn)?;
    if waits.is_empty() || reader.role == Role::Auditor {
        return Ok(Vec::new());
    }
    let (_, set) = defaults::newest(conn)?;
    let theirs = cover::looked_after_by(conn, reader.id, state.today.date())?;
    let own = |who: Option<UserId>| who.is_none_or(|who| theirs.contains(&who));
    Ok(waits
        .into_iter()
        .filter_map(|of| {
            let since = of.since?;
            let late = late(state, &set.opening, since);
            let of_another = !own(of.treated_by);
            (!of_another || (late && reader.role == Role::Lead)).then(|| Unread {
                patient: of.patient,
                episode: of.episode,
                name: format!("{} {}", of.given_name, of.family_name),
                count: of.count,
                since,
                late,
                of_another,
            })
        })
        .collect())
}
