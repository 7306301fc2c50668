//! Lanes follow every write in its own transaction, and the change of day.

use crate::app::AppState;
use crate::problem::ApiError;
use ritorno_core::lanes::lane;
use ritorno_core::visit::Assessment;
use ritorno_store::episode::Loaded;
use ritorno_store::{Actor, PgConnection, StoreError, daylist, episode};
use uuid::Uuid;

/// Works out and saves the lane of an episode; answers with what was loaded for it.
///
/// # Errors
/// Database failure.
pub fn refresh_lane(
    state: &AppState,
    conn: &mut PgConnection,
    id: Uuid,
) -> Result<Loaded, ApiError> {
    let today = state.today.date();
    let loaded = episode::load(conn, id, today)?;
    let known = state.knowledge_of(conn, &loaded)?;
    if loaded.closed_on.is_some() {
        return Ok(loaded);
    }
    if let Some(assessment) = Assessment::new(&known, &loaded.facts) {
        let value = lane(&assessment.ctx(), &loaded.facts);
        daylist::save(conn, id, loaded.patient.id, &value, today)?;
    }
    Ok(loaded)
}

/// Brings every lane to today, a hundred at a time, unless another server is doing so. Answers how many it moved.
///
/// # Errors
/// Database failure.
pub fn change_day(state: &AppState) -> Result<usize, StoreError> {
    const PAGE: i64 = 100;
    let mut conn = state.pool.get().map_err(|_| StoreError::Unavailable)?;
    let mut moved = 0;
    loop {
        let page = ritorno_store::write(
            &mut conn,
            Actor {
                user: None,
                action: "change-of-day",
            },
            |conn| {
                if !daylist::lock_day_change(conn)? {
                    return Ok(0);
                }
                let stale = daylist::out_of_date(conn, state.today.date(), PAGE)?;
                for id in &stale {
                    refresh_lane(state, conn, *id)
                        .map_err(|error| StoreError::Other(error.to_string()))?;
                }
                Ok(stale.len())
            },
        )?;
        moved += page;
        if page < PAGE as usize {
            return Ok(moved);
        }
    }
}
