//! Outcome sheets: the answers as they were ticked.

use crate::StoreError;
use crate::event::{Entry, Stored, enter, standing};
use crate::schema::{event, outcome_sheet};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::Sheet;
use uuid::Uuid;

type Row = (Uuid, String, serde_json::Value, NaiveDate);

fn to_sheet((id, instrument, answers, on): Row) -> Result<Sheet, StoreError> {
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
pub fn add(conn: &mut PgConnection, episode: Uuid, sheet: &Sheet) -> Result<Stored, StoreError> {
    use outcome_sheet as t;
    let answers =
        serde_json::to_value(&sheet.answers).map_err(|_| StoreError::Unreadable("answers"))?;
    let stored = enter(
        conn,
        Entry::new(episode, sheet.id, "outcome_sheet", sheet.on),
        sheet,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(sheet.id),
                t::instrument.eq(&sheet.instrument),
                t::answers.eq(answers),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Sheets, oldest first, withdrawn ones left out.
///
/// # Errors
/// Database failure.
pub fn sheets(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<Sheet>, StoreError> {
    use outcome_sheet as t;
    let rows: Vec<Row> = standing!(t, episode)
        .select((t::id, t::instrument, t::answers, event::on_date))
        .load(conn)?;
    rows.into_iter().map(to_sheet).collect()
}
