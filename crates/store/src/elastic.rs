//! A clinic's own levels of elastic.

use crate::convert::{column, count};
use crate::event::{Stored, settle};
use crate::schema::elastic_level as t;
use crate::{StoreError, UserId};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::Calibration;
use uuid::Uuid;

#[derive(Queryable, Selectable, Insertable)]
#[diesel(table_name = t)]
struct LevelRow {
    level: i32,
    label: String,
    points: serde_json::Value,
    simulated: bool,
    measured_on: NaiveDate,
}

impl LevelRow {
    fn calibration(self) -> Result<Calibration, StoreError> {
        let points =
            serde_json::from_value(self.points).map_err(|_| StoreError::Unreadable("points"))?;
        Ok(Calibration {
            level: count(self.level),
            label: self.label,
            points,
            on: self.measured_on,
            simulated: self.simulated,
        })
    }
}

/// Adds a measured level once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    id: Uuid,
    level: &Calibration,
    user: UserId,
) -> Result<Stored, StoreError> {
    let points =
        serde_json::to_value(&level.points).map_err(|_| StoreError::Unreadable("points"))?;
    let row = LevelRow {
        level: column(level.level),
        label: level.label.clone(),
        points,
        simulated: level.simulated,
        measured_on: level.on,
    };
    let added = diesel::insert_into(t::table)
        .values((t::id.eq(id), row, t::user_id.eq(user)))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || {
        let row = t::table
            .filter(t::id.eq(id))
            .select(LevelRow::as_select())
            .first(conn)
            .optional()?;
        Ok(row.map(LevelRow::calibration).transpose()?.as_ref() == Some(level))
    })
}

/// All measurements, oldest first.
///
/// # Errors
/// Database failure.
pub fn all(conn: &mut PgConnection) -> Result<Vec<Calibration>, StoreError> {
    let rows: Vec<LevelRow> = t::table
        .order((t::measured_on, t::seq))
        .select(LevelRow::as_select())
        .load(conn)?;
    rows.into_iter().map(LevelRow::calibration).collect()
}
