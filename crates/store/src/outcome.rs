//! Outcome sheets: the answers as they were ticked.

use crate::detail::Detail;
use crate::event::{Entry, Stored, enter};
use crate::schema::outcome_sheet;
use crate::{EpisodeId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::Sheet;
use serde::Deserialize;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = outcome_sheet)]
pub(crate) struct SheetRow {
    id: Uuid,
    instrument: String,
    answers: serde_json::Value,
}

impl Detail for SheetRow {
    const KIND: &'static str = "outcome_sheet";
    type Fact = Sheet;

    fn fact(self, on: NaiveDate) -> Result<Sheet, StoreError> {
        let answers =
            serde_json::from_value(self.answers).map_err(|_| StoreError::Unreadable("answers"))?;
        Ok(Sheet {
            id: self.id,
            instrument: self.instrument,
            answers,
            on,
        })
    }
}

/// Adds a sheet once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: EpisodeId,
    sheet: &Sheet,
) -> Result<Stored, StoreError> {
    let answers =
        serde_json::to_value(&sheet.answers).map_err(|_| StoreError::Unreadable("answers"))?;
    let entry = Entry::new(episode, sheet.id, "outcome_sheet", sheet.on);
    let stored = enter(conn, entry, sheet)?;
    if stored == Stored::New {
        let row = SheetRow {
            id: sheet.id,
            instrument: sheet.instrument.clone(),
            answers,
        };
        diesel::insert_into(outcome_sheet::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}
