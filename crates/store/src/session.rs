//! Sessions: only the digest of a token is kept.

use crate::schema::{access_rules, app_user, second_factor, session};
use crate::user::{User, UserRow};
use crate::{StoreError, UserId, access};
use chrono::{DateTime, Duration, Utc};
use diesel::prelude::*;
use ritorno_core::permission::{AccessRules, Role};
use uuid::Uuid;

/// How often it is written down that a session is used.
const NOTED_EVERY_S: i64 = 60;

/// Somebody who is signed in somewhere.
#[derive(Debug, Clone)]
pub struct Session {
    /// Its id, which is not its token.
    pub id: Uuid,
    /// Who.
    pub user: User,
    /// Whether their password was made for them.
    pub must_change: bool,
    /// Whether they have a second factor.
    pub second_factor: bool,
    /// What a lead has set about access.
    pub rules: AccessRules,
}

impl Session {
    /// What has to be done before anything else is open.
    pub fn must(&self) -> Option<Must> {
        if self.must_change {
            Some(Must::Password)
        } else if self.user.role == Role::Lead
            && self.rules.leads_need_second_factor
            && !self.second_factor
        {
            Some(Must::SecondFactor)
        } else {
            None
        }
    }
}

/// What has to be done before anything else is open.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Must {
    /// Choose a password.
    Password,
    /// Take up a second factor.
    SecondFactor,
}

/// A session as it is told to whom it belongs.
#[derive(Debug, Clone, Queryable, Selectable)]
#[diesel(table_name = session)]
pub struct Signed {
    /// Id.
    pub id: Uuid,
    /// Whose.
    pub user_id: UserId,
    /// Since when.
    pub made_at: DateTime<Utc>,
    /// When it was last used, to the minute.
    pub seen_at: DateTime<Utc>,
    /// Until when at most.
    pub expires_at: DateTime<Utc>,
    /// What signed in, in its own words.
    pub agent: String,
    /// From where.
    pub address: String,
}

/// Where somebody signs in from.
#[derive(Debug, Clone, Default)]
pub struct Place {
    /// The network address, or a part of it that belongs to one household.
    pub address: String,
    /// What signs in, in its own words.
    pub agent: String,
}

/// Opens a session.
///
/// # Errors
/// Database failure.
pub fn open(
    conn: &mut PgConnection,
    token_hash: &[u8],
    user: UserId,
    place: &Place,
    expires_at: DateTime<Utc>,
) -> Result<Uuid, StoreError> {
    let id = Uuid::now_v7();
    diesel::insert_into(session::table)
        .values((
            session::token_hash.eq(token_hash),
            session::id.eq(id),
            session::user_id.eq(user),
            session::expires_at.eq(expires_at),
            session::agent.eq(&place.agent),
            session::address.eq(&place.address),
        ))
        .execute(conn)?;
    Ok(id)
}

/// Whose session a token is, unless it has run out, lain idle or belongs to somebody whose access has ended. Notes that it is used.
///
/// # Errors
/// Database failure.
pub fn of(conn: &mut PgConnection, token_hash: &[u8]) -> Result<Option<Session>, StoreError> {
    type Row = (
        UserRow,
        Uuid,
        DateTime<Utc>,
        DateTime<Utc>,
        bool,
        Option<DateTime<Utc>>,
        Option<serde_json::Value>,
    );
    // In the library's words and without a range, so that it is planned once: every request asks it.
    let newest = access_rules::table
        .order(access_rules::rev.desc())
        .select(access_rules::body)
        .limit(1);
    let row: Option<Row> = session::table
        .inner_join(app_user::table)
        .left_join(second_factor::table.on(second_factor::user_id.eq(session::user_id)))
        .filter(session::token_hash.eq(token_hash))
        .select((
            UserRow::as_select(),
            session::id,
            session::seen_at,
            session::expires_at,
            app_user::must_change,
            second_factor::confirmed_at.nullable(),
            newest.single_value(),
        ))
        .first(conn)
        .optional()?;
    let Some((user, id, seen_at, expires_at, must_change, confirmed, rules)) = row else {
        return Ok(None);
    };
    if expires_at <= Utc::now() || user.has_ended() {
        return Ok(None);
    }
    let rules = rules.map(access::read).transpose()?.unwrap_or_default();
    let idle = Utc::now() - seen_at;
    if idle > Duration::minutes(i64::from(rules.idle_minutes)) {
        return Ok(None);
    }
    if idle > Duration::seconds(NOTED_EVERY_S) {
        diesel::update(session::table.filter(session::id.eq(id)))
            .set(session::seen_at.eq(Utc::now()))
            .execute(conn)?;
    }
    Ok(Some(Session {
        id,
        user: user.user()?.0,
        must_change,
        second_factor: confirmed.is_some(),
        rules,
    }))
}

/// Where somebody is signed in, latest first.
///
/// # Errors
/// Database failure.
pub fn all_of(conn: &mut PgConnection, user: UserId) -> Result<Vec<Signed>, StoreError> {
    Ok(session::table
        .filter(session::user_id.eq(user))
        .filter(session::expires_at.gt(Utc::now()))
        .order(session::seen_at.desc())
        .select(Signed::as_select())
        .load(conn)?)
}

/// Ends the session of a token.
///
/// # Errors
/// Database failure.
pub fn close(conn: &mut PgConnection, token_hash: &[u8]) -> Result<(), StoreError> {
    diesel::delete(session::table.filter(session::token_hash.eq(token_hash))).execute(conn)?;
    Ok(())
}

/// Ends one session of somebody.
///
/// # Errors
/// `NotFound` when it is not theirs, or has ended.
pub fn end(conn: &mut PgConnection, user: UserId, id: Uuid) -> Result<(), StoreError> {
    let theirs = session::table
        .filter(session::user_id.eq(user))
        .filter(session::id.eq(id));
    match diesel::delete(theirs).execute(conn)? {
        0 => Err(StoreError::NotFound("session")),
        _ => Ok(()),
    }
}

/// Ends all sessions of somebody, or all but one.
///
/// # Errors
/// Database failure.
pub fn end_all(
    conn: &mut PgConnection,
    user: UserId,
    but: Option<Uuid>,
) -> Result<usize, StoreError> {
    let theirs = session::table
        .filter(session::user_id.eq(user))
        .filter(session::id.ne(but.unwrap_or_default()));
    Ok(diesel::delete(theirs).execute(conn)?)
}

/// Drops the sessions that have run out.
///
/// # Errors
/// Database failure.
pub fn forget_ended(conn: &mut PgConnection) -> Result<(), StoreError> {
    diesel::delete(session::table.filter(session::expires_at.lt(Utc::now()))).execute(conn)?;
    Ok(())
}
