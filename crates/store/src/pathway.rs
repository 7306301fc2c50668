//! A clinic's own pathways: every version stays, the newest one counts.

use crate::schema::own_pathway;
use crate::{StoreError, UserId};
use chrono::NaiveDate;
use diesel::prelude::*;
use uuid::Uuid;

/// One version of an own pathway.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable, Insertable)]
#[diesel(table_name = own_pathway)]
pub struct OwnPathway {
    /// Id of the version.
    pub id: Uuid,
    /// Pathway id, `own-…`.
    pub name: String,
    /// 1, 2, 3 …
    pub version: i32,
    /// What it is called.
    pub title: String,
    /// The pathway it was copied from.
    pub base: String,
    /// `in_force` or `retired`.
    pub state: String,
    /// The file, as it would stand in the knowledge folder.
    pub body: String,
    /// The day it was saved.
    pub made_on: NaiveDate,
}

/// All versions, newest first.
///
/// # Errors
/// Database failure.
pub fn all(conn: &mut PgConnection) -> Result<Vec<OwnPathway>, StoreError> {
    Ok(own_pathway::table
        .order((own_pathway::name, own_pathway::version.desc()))
        .select(OwnPathway::as_select())
        .load(conn)?)
}

/// The newest version of each.
///
/// # Errors
/// Database failure.
pub fn newest(conn: &mut PgConnection) -> Result<Vec<OwnPathway>, StoreError> {
    let mut rows = all(conn)?;
    rows.dedup_by(|b, a| a.name == b.name);
    Ok(rows)
}

/// Adds the version after `before`.
///
/// # Errors
/// `Stale` when a newer version exists already.
pub fn add(conn: &mut PgConnection, row: &OwnPathway, by: UserId) -> Result<(), StoreError> {
    use own_pathway as t;
    let newest: Option<i32> = t::table
        .filter(t::name.eq(&row.name))
        .select(diesel::dsl::max(t::version))
        .first(conn)?;
    if newest.unwrap_or(0) + 1 != row.version {
        return Err(StoreError::Stale {
            current: newest.unwrap_or(0),
        });
    }
    diesel::insert_into(t::table)
        .values((row, t::user_id.eq(by)))
        .execute(conn)?;
    Ok(())
}

/// The number of the newest version of any own pathway; 0 when there is none.
///
/// # Errors
/// Database failure.
pub fn version(conn: &mut PgConnection) -> Result<i64, StoreError> {
    Ok(own_pathway::table
        .select(diesel::dsl::max(own_pathway::seq))
        .first::<Option<i64>>(conn)?
        .unwrap_or(0))
}
