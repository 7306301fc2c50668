//! The people who sign in.

use crate::convert::{unword, word};
use crate::schema::{app_user, sign_in_attempt};
use crate::{StoreError, UserId};
use chrono::{DateTime, Utc};
use diesel::prelude::*;
use ritorno_core::permission::Role;
use uuid::Uuid;

/// A user, without the password.
#[derive(Debug, Clone)]
pub struct User {
    /// Id.
    pub id: UserId,
    /// What they sign in with.
    pub login: String,
    /// What they are called.
    pub name: String,
    /// What they may do.
    pub role: Role,
}

#[derive(Queryable, Selectable, Insertable)]
#[diesel(table_name = app_user)]
pub(crate) struct UserRow {
    id: UserId,
    login: String,
    name: String,
    role: String,
    password_hash: String,
}

impl UserRow {
    /// The user and the password hash.
    pub(crate) fn user(self) -> Result<(User, String), StoreError> {
        let user = User {
            id: self.id,
            login: self.login,
            name: self.name,
            role: unword("role", &self.role)?,
        };
        Ok((user, self.password_hash))
    }
}

/// A user and the password hash, by login.
///
/// # Errors
/// Database failure.
pub fn by_login(
    conn: &mut PgConnection,
    login: &str,
) -> Result<Option<(User, String)>, StoreError> {
    app_user::table
        .filter(app_user::login.eq(login))
        .select(UserRow::as_select())
        .first(conn)
        .optional()?
        .map(UserRow::user)
        .transpose()
}

/// Everybody who signs in, by name.
///
/// # Errors
/// Database failure.
pub fn all(conn: &mut PgConnection) -> Result<Vec<User>, StoreError> {
    let rows: Vec<UserRow> = app_user::table
        .order(app_user::name)
        .select(UserRow::as_select())
        .load(conn)?;
    rows.into_iter()
        .map(|row| row.user().map(|(user, _)| user))
        .collect()
}

/// Adds a user.
///
/// # Errors
/// `Refused` when the login is taken.
pub fn insert(conn: &mut PgConnection, user: &User, password_hash: &str) -> Result<(), StoreError> {
    let row = UserRow {
        id: user.id,
        login: user.login.clone(),
        name: user.name.clone(),
        role: word(user.role),
        password_hash: password_hash.to_owned(),
    };
    diesel::insert_into(app_user::table)
        .values(row)
        .execute(conn)?;
    Ok(())
}

/// Failed attempts for a login since a moment.
///
/// # Errors
/// Database failure.
pub fn failures_since(
    conn: &mut PgConnection,
    login: &str,
    since: DateTime<Utc>,
) -> Result<i64, StoreError> {
    use sign_in_attempt as t;
    Ok(t::table
        .filter(t::login.eq(login))
        .filter(t::at.gt(since))
        .filter(t::succeeded.eq(false))
        .count()
        .get_result(conn)?)
}

/// Notes an attempt.
///
/// # Errors
/// Database failure.
pub fn note_attempt(
    conn: &mut PgConnection,
    login: &str,
    succeeded: bool,
) -> Result<(), StoreError> {
    diesel::insert_into(sign_in_attempt::table)
        .values((
            sign_in_attempt::id.eq(Uuid::now_v7()),
            sign_in_attempt::login.eq(login),
            sign_in_attempt::succeeded.eq(succeeded),
            sign_in_attempt::at.eq(Utc::now()),
        ))
        .execute(conn)?;
    Ok(())
}

/// Drops attempts older than a moment.
///
/// # Errors
/// Database failure.
pub fn forget_attempts(conn: &mut PgConnection, before: DateTime<Utc>) -> Result<(), StoreError> {
    diesel::delete(sign_in_attempt::table.filter(sign_in_attempt::at.lt(before))).execute(conn)?;
    Ok(())
}
