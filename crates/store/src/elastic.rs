//! A clinic's own levels of elastic.

use crate::StoreError;
use crate::convert::{column, count};
use crate::event::{Stored, settle};
use crate::schema::elastic_level as t;
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::Calibration;
use uuid::Uuid;

type Row = (
    Uuid,
    i64,
    i32,
    String,
    serde_json::Value,
    bool,
    NaiveDate,
    Uuid,
);

fn to_calibration(
    (_, _, level, label, points, simulated, on, _): Row,
) -> Result<Calibration, StoreError> {
    let points = serde_json::from_value(points).map_err(|_| StoreError::Unreadable("points"))?;
    Ok(Calibration {
        level: count(level),
        label,
        points,
        on,
        simulated,
    })
}

/// Adds a measured level once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    id: Uuid,
    level: &Calibration,
    user: Uuid,
) -> Result<Stored, StoreError> {
    let points =
        serde_json::to_value(&level.points).map_err(|_| StoreError::Unreadable("points"))?;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(id),
            t::level.eq(column(level.level)),
            t::label.eq(&level.label),
            t::points.eq(points),
            t::simulated.eq(level.simulated),
            t::measured_on.eq(level.on),
            t::user_id.eq(user),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || {
        let row = t::table
            .filter(t::id.eq(id))
            .first::<Row>(conn)
            .optional()?;
        Ok(row.map(to_calibration).transpose()?.as_ref() == Some(level))
    })
}

/// All measurements, oldest first.
///
/// # Errors
/// Database failure.
pub fn all(conn: &mut PgConnection) -> Result<Vec<Calibration>, StoreError> {
    let rows: Vec<Row> = t::table.order((t::measured_on, t::seq)).load(conn)?;
    rows.into_iter().map(to_calibration).collect()
}
