//! The people who sign in.

use crate::convert::{unword, word};
use crate::schema::app_user;
use crate::{StoreError, UserId};
use chrono::{DateTime, Utc};
use diesel::prelude::*;
use ritorno_core::permission::Role;

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
    /// Since when they no longer come in.
    pub ended_at: Option<DateTime<Utc>>,
}

#[derive(Queryable, Selectable, Insertable)]
#[diesel(table_name = app_user)]
pub(crate) struct UserRow {
    id: UserId,
    login: String,
    name: String,
    role: String,
    password_hash: String,
    ended_at: Option<DateTime<Utc>>,
}

impl UserRow {
    /// Whether the access of this person has ended.
    pub(crate) fn has_ended(&self) -> bool {
        self.ended_at.is_some()
    }

    /// The user and the password hash.
    pub(crate) fn user(self) -> Result<(User, String), StoreError> {
        let user = User {
            id: self.id,
            login: self.login,
            name: self.name,
            role: unword("role", &self.role)?,
            ended_at: self.ended_at,
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

/// Everybody who signs in or once did, by name.
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
        ended_at: user.ended_at,
    };
    diesel::insert_into(app_user::table)
        .values(row)
        .execute(conn)?;
    Ok(())
}

/// Somebody, by id.
///
/// # Errors
/// `NotFound` when there is nobody of that id.
pub fn get(conn: &mut PgConnection, id: UserId) -> Result<User, StoreError> {
    let row: UserRow = app_user::table
        .find(id)
        .select(UserRow::as_select())
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("person"))?;
    Ok(row.user()?.0)
}

/// Holds everybody until the transaction ends: whoever changes who may come in comes one after the other, so that two leads never
/// end each other.
///
/// # Errors
/// Database failure.
pub fn hold_all(conn: &mut PgConnection) -> Result<Vec<User>, StoreError> {
    let rows: Vec<UserRow> = app_user::table
        .order(app_user::id)
        .select(UserRow::as_select())
        .for_update()
        .load(conn)?;
    rows.into_iter()
        .map(|row| row.user().map(|(user, _)| user))
        .collect()
}

/// A person as a lead sees them.
#[derive(Debug, Clone)]
pub struct Account {
    /// Who.
    pub user: User,
    /// Whether they have chosen or been given a password.
    pub has_password: bool,
    /// Whether that password was made for them.
    pub must_change: bool,
    /// When they were last here.
    pub seen_at: Option<DateTime<Utc>>,
}

/// Everybody as a lead sees them, by name.
///
/// # Errors
/// Database failure.
pub fn accounts(conn: &mut PgConnection) -> Result<Vec<Account>, StoreError> {
    use diesel::dsl::sql;
    use diesel::sql_types::{Nullable, Timestamptz};
    let rows: Vec<(UserRow, bool, Option<DateTime<Utc>>)> = app_user::table
        .order(app_user::name)
        .select((
            UserRow::as_select(),
            app_user::must_change,
            sql::<Nullable<Timestamptz>>(
                "(select max(at) from (
                    select seen_at as at from session where session.user_id = app_user.id
                    union all select at from sign_in_attempt where succeeded and sign_in_attempt.login = app_user.login
                ) seen)",
            ),
        ))
        .load(conn)?;
    rows.into_iter()
        .map(|(row, must_change, seen_at)| {
            let (user, hash) = row.user()?;
            Ok(Account {
                user,
                has_password: !hash.is_empty(),
                must_change,
                seen_at,
            })
        })
        .collect()
}

/// Sets somebody's password; `made_for_them` when somebody else knows it.
///
/// # Errors
/// Database failure.
pub fn set_password(
    conn: &mut PgConnection,
    id: UserId,
    password_hash: &str,
    made_for_them: bool,
) -> Result<(), StoreError> {
    diesel::update(app_user::table.find(id))
        .set((
            app_user::password_hash.eq(password_hash),
            app_user::must_change.eq(made_for_them),
        ))
        .execute(conn)?;
    Ok(())
}

/// Somebody's password hash.
///
/// # Errors
/// `NotFound` when there is nobody of that id.
pub fn password_hash(conn: &mut PgConnection, id: UserId) -> Result<String, StoreError> {
    app_user::table
        .find(id)
        .select(app_user::password_hash)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("person"))
}

/// Changes what somebody is called and may do.
///
/// # Errors
/// Database failure.
pub fn set(conn: &mut PgConnection, id: UserId, name: &str, role: Role) -> Result<(), StoreError> {
    diesel::update(app_user::table.find(id))
        .set((app_user::name.eq(name), app_user::role.eq(word(role))))
        .execute(conn)?;
    Ok(())
}

/// Ends somebody's access, or lets them in again.
///
/// # Errors
/// Database failure.
pub fn set_ended(
    conn: &mut PgConnection,
    id: UserId,
    at: Option<DateTime<Utc>>,
) -> Result<(), StoreError> {
    diesel::update(app_user::table.find(id))
        .set(app_user::ended_at.eq(at))
        .execute(conn)?;
    Ok(())
}
