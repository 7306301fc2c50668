//! What stands about an episode, read in one statement: each event that was not taken back, with its details by name.

use crate::schema::standing_fact;
use crate::{EpisodeId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use diesel::sql_types::{Array, Uuid as SqlUuid};
use serde::de::DeserializeOwned;
use std::collections::BTreeMap;
use uuid::Uuid;

/// The details of one kind of event, as their table holds them, by the names of its columns.
pub(crate) trait Detail: DeserializeOwned {
    /// The kind of event.
    const KIND: &'static str;
    /// What the core reads.
    type Fact;

    /// What the core reads, true on a day.
    ///
    /// # Errors
    /// `Unreadable` when a word of the row is not one of the core's.
    fn fact(self, on: NaiveDate) -> Result<Self::Fact, StoreError>;
}

#[derive(QueryableByName)]
#[diesel(table_name = standing_fact)]
struct Row {
    episode_id: EpisodeId,
    id: Uuid,
    seq: i64,
    kind: String,
    on_date: NaiveDate,
    detail: Option<String>,
}

/// Events that stand, oldest first.
pub(crate) struct Standing(Vec<Row>);

impl Standing {
    /// Reads what stands about some episodes.
    ///
    /// # Errors
    /// Database failure.
    pub(crate) fn read(
        conn: &mut PgConnection,
        episodes: &[EpisodeId],
    ) -> Result<Standing, StoreError> {
        let sql = "select episode_id, id, seq, kind, on_date, detail from standing_facts($1)";
        let mut rows: Vec<Row> = diesel::sql_query(sql)
            .bind::<Array<SqlUuid>, _>(episodes)
            .load(conn)?;
        rows.sort_by_key(|row| (row.on_date, row.seq));
        Ok(Standing(rows))
    }

    /// The facts of one kind of an episode, in the order of their days.
    ///
    /// # Errors
    /// `Unreadable`.
    pub(crate) fn of<D: Detail>(&self, episode: EpisodeId) -> Result<Vec<D::Fact>, StoreError> {
        self.details::<D>(episode)
            .map(|row| row.and_then(|(row, detail)| detail.fact(row.on_date)))
            .collect()
    }

    /// The facts of one kind of an episode, in the order in which they became known.
    ///
    /// # Errors
    /// `Unreadable`.
    pub(crate) fn as_known<D: Detail>(
        &self,
        episode: EpisodeId,
    ) -> Result<Vec<D::Fact>, StoreError> {
        let mut rows = self
            .details::<D>(episode)
            .collect::<Result<Vec<_>, StoreError>>()?;
        rows.sort_by_key(|(row, _)| row.seq);
        rows.into_iter()
            .map(|(row, detail)| detail.fact(row.on_date))
            .collect()
    }

    /// The details of one kind, with the day and the number of each.
    fn details<D: Detail>(
        &self,
        episode: EpisodeId,
    ) -> impl Iterator<Item = Result<(&Row, D), StoreError>> {
        self.0
            .iter()
            .filter(move |row| row.kind == D::KIND && row.episode_id == episode)
            .map(|row| {
                // An event without its details is no smaller record: it cannot be read.
                let text = row.detail.as_deref();
                let text = text.ok_or(StoreError::Unreadable(D::KIND))?;
                serde_json::from_str(text)
                    .map(|detail| (row, detail))
                    .map_err(|_| StoreError::Unreadable(D::KIND))
            })
    }

    /// The order in which the events of an episode became known, by id.
    pub(crate) fn order(&self, episode: EpisodeId) -> BTreeMap<Uuid, i64> {
        self.0
            .iter()
            .filter(|row| row.episode_id == episode)
            .map(|row| (row.id, row.seq))
            .collect()
    }
}
