//! What a clinic sets for itself, as one document of which every version stays and the newest one counts.

use crate::{StoreError, UserId};
use diesel::prelude::*;
use diesel::sql_types::{Integer, Jsonb, Uuid as SqlUuid};
use serde::Serialize;
use serde::de::DeserializeOwned;

/// A document: its table, with the columns `rev`, `body` and `user_id`, and what it is called.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Document {
    pub(crate) table: &'static str,
    pub(crate) name: &'static str,
}

#[derive(QueryableByName)]
struct Version {
    #[diesel(sql_type = Integer)]
    rev: i32,
    #[diesel(sql_type = Jsonb)]
    body: serde_json::Value,
}

impl Document {
    /// The newest version with its number; 0 and what ships where there is none.
    ///
    /// # Errors
    /// `Unreadable` where a version was written by something newer.
    pub(crate) fn newest<T: DeserializeOwned + Default>(
        self,
        conn: &mut PgConnection,
    ) -> Result<(i32, T), StoreError> {
        // The name of the table stands in the code: nobody types it.
        let sql = format!(
            "select rev, body from {} order by rev desc limit 1",
            self.table
        );
        let row: Option<Version> = diesel::sql_query(sql).get_result(conn).optional()?;
        match row {
            None => Ok((0, T::default())),
            Some(version) => Ok((version.rev, self.read(version.body)?)),
        }
    }

    /// A version as it was kept.
    ///
    /// # Errors
    /// `Unreadable` where it was written by something newer.
    pub(crate) fn read<T: DeserializeOwned>(
        self,
        body: serde_json::Value,
    ) -> Result<T, StoreError> {
        serde_json::from_value(body).map_err(|_| StoreError::Unreadable(self.name))
    }

    /// Adds the version after `before`. The same once more is stored once.
    ///
    /// # Errors
    /// `Stale` when somebody else has set something since.
    pub(crate) fn keep<T: Serialize + DeserializeOwned + Default + PartialEq>(
        self,
        conn: &mut PgConnection,
        before: i32,
        set: &T,
        by: UserId,
    ) -> Result<(), StoreError> {
        let (current, held) = self.newest::<T>(conn)?;
        // The last number there is has none after it, and nobody has come that far.
        let next = before.checked_add(1).ok_or(StoreError::Stale { current })?;
        if current == next && held == *set {
            return Ok(());
        }
        if current != before {
            return Err(StoreError::Stale { current });
        }
        let body = serde_json::to_value(set).map_err(|_| StoreError::Unreadable(self.name))?;
        let sql = format!(
            "insert into {} (rev, body, user_id) values ($1, $2, $3) on conflict (rev) do nothing",
            self.table
        );
        let added = diesel::sql_query(sql)
            .bind::<Integer, _>(next)
            .bind::<Jsonb, _>(body)
            .bind::<SqlUuid, _>(by.0)
            .execute(conn)?;
        match added {
            0 => Err(StoreError::Stale { current: next }),
            _ => Ok(()),
        }
    }
}
