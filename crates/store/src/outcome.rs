//! Outcome sheets: the answers as they were ticked.

use crate::StoreError;
use crate::events::{Stored, settle};
use crate::schema::{outcome_sheet, withdrawal};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::outcome::Sheet;
use uuid::Uuid;

type Row = (Uuid, Uuid, i64, String, serde_json::Value, NaiveDate, Uuid);

fn to_sheet((id, _, _, instrument, answers, on, _): Row) -> Result<Sheet, StoreError> {
    let answers = serde_json::from_value(answers).map_err(|_| StoreError::Unreadable("answers"))?;
    Ok(Sheet {
        id,
        instrument,
        answers,
        on,
    })
}

/// Adds a sheet once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: Uuid,
    sheet: &Sheet,
    user: Uuid,
) -> Result<Stored, StoreError> {
    use outcome_sheet as t;
    let answers =
        serde_json::to_value(&sheet.answers).map_err(|_| StoreError::Unreadable("answers"))?;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(sheet.id),
            t::episode_id.eq(episode),
            t::instrument.eq(&sheet.instrument),
            t::answers.eq(answers),
            t::filled_on.eq(sheet.on),
            t::user_id.eq(user),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || {
        let row = t::table
            .filter(t::id.eq(sheet.id))
            .filter(t::episode_id.eq(episode))
            .first::<Row>(conn)
            .optional()?;
        Ok(row.map(to_sheet).transpose()?.as_ref() == Some(sheet))
    })
}

/// Sheets, oldest first, withdrawn ones left out.
///
/// # Errors
/// Database failure.
pub fn sheets(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<Sheet>, StoreError> {
    use outcome_sheet as t;
    let rows: Vec<Row> = t::table
        .left_join(withdrawal::table.on(withdrawal::entry_id.eq(t::id)))
        .filter(t::episode_id.eq(episode))
        .filter(withdrawal::entry_id.is_null())
        .order((t::filled_on, t::seq))
        .select(t::all_columns)
        .load(conn)?;
    rows.into_iter().map(to_sheet).collect()
}
