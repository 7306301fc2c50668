//! Who looks after whose patients while somebody is away.

use crate::schema::cover;
use crate::{StoreError, UserId};
use chrono::NaiveDate;
use diesel::prelude::*;
use uuid::Uuid;

/// One person looking after another's patients, both days included.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable, Insertable)]
#[diesel(table_name = cover)]
pub struct Cover {
    /// Id, made where it was entered.
    pub id: Uuid,
    /// Who is away.
    pub away_user: UserId,
    /// Who looks after them.
    pub cover_user: UserId,
    /// The first day.
    pub from_on: NaiveDate,
    /// The last day.
    pub until_on: NaiveDate,
    /// What the colleague should know.
    pub words: String,
    /// When it was ended before its time.
    pub ended_on: Option<NaiveDate>,
}

/// Adds a cover; the same one twice is stored once.
///
/// # Errors
/// `IdConflict` when the id says something else already, database failure.
pub fn add(conn: &mut PgConnection, given: &Cover) -> Result<(), StoreError> {
    let added = diesel::insert_into(cover::table)
        .values(given)
        .on_conflict(cover::id)
        .do_nothing()
        .execute(conn)?;
    if added == 0 {
        let there: Cover = cover::table
            .find(given.id)
            .select(Cover::as_select())
            .first(conn)?;
        if (Cover {
            ended_on: None,
            ..there
        }) != *given
        {
            return Err(StoreError::IdConflict);
        }
    }
    Ok(())
}

/// Ends a cover on a day, before its time.
///
/// # Errors
/// `NotFound` when there is none, or it is over.
pub fn end(conn: &mut PgConnection, id: Uuid, on: NaiveDate) -> Result<(), StoreError> {
    let running = cover::table
        .filter(cover::id.eq(id))
        .filter(cover::until_on.ge(on))
        .filter(cover::ended_on.is_null());
    let changed = diesel::update(running)
        .set(cover::ended_on.eq(on))
        .execute(conn)?;
    if changed == 0 {
        return Err(StoreError::NotFound("cover"));
    }
    Ok(())
}

/// Covers that run on a day or begin later, the first to begin first.
///
/// # Errors
/// Database failure.
pub fn from(conn: &mut PgConnection, today: NaiveDate) -> Result<Vec<Cover>, StoreError> {
    Ok(cover::table
        .filter(cover::until_on.ge(today))
        .filter(cover::ended_on.is_null())
        .order((cover::from_on, cover::id))
        .select(Cover::as_select())
        .load(conn)?)
}

/// Whose patients somebody looks after on a day: their own, and those of whom they cover.
///
/// # Errors
/// Database failure.
pub fn looked_after_by(
    conn: &mut PgConnection,
    user: UserId,
    today: NaiveDate,
) -> Result<Vec<UserId>, StoreError> {
    let mut all: Vec<UserId> = cover::table
        .filter(cover::cover_user.eq(user))
        .filter(cover::from_on.le(today))
        .filter(cover::until_on.ge(today))
        .filter(cover::ended_on.is_null())
        .select(cover::away_user)
        .load(conn)?;
    all.push(user);
    Ok(all)
}
