//! The home log. It grows with every day at home, so it is read by itself, column by column.

use crate::convert::{column, count, unword, word};
use crate::event::{Entry, Role, Stored, Via, enter};
use crate::schema::{effect, log_entry};
use crate::{EpisodeId, PatientId, StoreError};
use chrono::NaiveDate;
use diesel::dsl::{exists, not};
use diesel::prelude::*;
use ritorno_core::facts::{LogEntry, LogFact};
use uuid::Uuid;

#[derive(Queryable, Selectable, Insertable)]
#[diesel(table_name = log_entry)]
struct LogRow {
    id: Uuid,
    exercise: Option<String>,
    kind: String,
    value: Option<f64>,
    sessions: Option<i32>,
    repetitions: Option<i32>,
    how: Option<String>,
    remark: String,
}

impl LogRow {
    fn of(entry: &LogEntry) -> LogRow {
        let empty = LogRow {
            id: entry.id,
            exercise: entry.exercise.clone(),
            kind: String::new(),
            value: None,
            sessions: None,
            repetitions: None,
            how: None,
            remark: entry.remark.clone(),
        };
        let kind = |kind: &str, value: Option<f64>| (kind.to_owned(), value);
        let (kind, value) = match entry.fact {
            LogFact::Done { .. } => kind("done", None),
            LogFact::LeftOut { .. } => kind("left_out", None),
            LogFact::PainBefore { value } => kind("pain_before", Some(value)),
            LogFact::PainDuring { value } => kind("pain_during", Some(value)),
            LogFact::PainNextMorning { value } => kind("pain_next_morning", Some(value)),
            LogFact::Slip => kind("slip", None),
            LogFact::SlipWorse { .. } => kind("slip_worse", None),
            LogFact::FlareDay => kind("flare_day", None),
            LogFact::Effort { value } => kind("effort", Some(value)),
        };
        let row = LogRow {
            kind,
            value,
            ..empty
        };
        match entry.fact {
            LogFact::Done {
                sessions,
                repetitions,
            } => LogRow {
                sessions: Some(column(sessions)),
                repetitions: Some(column(repetitions)),
                ..row
            },
            LogFact::SlipWorse { how } => LogRow {
                how: Some(word(how)),
                ..row
            },
            LogFact::LeftOut { because } => LogRow {
                how: because.map(word),
                ..row
            },
            _ => row,
        }
    }

    fn entry(self, on: NaiveDate) -> Result<LogEntry, StoreError> {
        let value = self.value.ok_or(StoreError::Unreadable("log entry"));
        let fact = match self.kind.as_str() {
            "done" => LogFact::Done {
                sessions: count(self.sessions.unwrap_or(0)),
                repetitions: count(self.repetitions.unwrap_or(0)),
            },
            "left_out" => LogFact::LeftOut {
                because: self
                    .how
                    .as_deref()
                    .map(|how| unword("reason", how))
                    .transpose()?,
            },
            "pain_before" => LogFact::PainBefore { value: value? },
            "pain_during" => LogFact::PainDuring { value: value? },
            "pain_next_morning" => LogFact::PainNextMorning { value: value? },
            "slip" => LogFact::Slip,
            "slip_worse" => LogFact::SlipWorse {
                how: unword("slip", self.how.as_deref().unwrap_or_default())?,
            },
            "flare_day" => LogFact::FlareDay,
            "effort" => LogFact::Effort { value: value? },
            _ => return Err(StoreError::Unreadable("log entry")),
        };
        Ok(LogEntry {
            id: self.id,
            on,
            exercise: self.exercise,
            fact,
            remark: self.remark,
        })
    }
}

/// Adds a log entry once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    episode: EpisodeId,
    entry: &LogEntry,
    via: Via,
) -> Result<Stored, StoreError> {
    let row = Entry::new(episode, entry.id, "log", entry.on).by_way(via);
    let stored = enter(conn, row, entry)?;
    if stored == Stored::New {
        diesel::insert_into(log_entry::table)
            .values(LogRow::of(entry))
            .execute(conn)?;
    }
    Ok(stored)
}

/// The home log, oldest first, entries taken back left out: one table, one shoulder.
///
/// # Errors
/// Database failure.
pub(crate) fn all(
    conn: &mut PgConnection,
    patient: PatientId,
    episode: EpisodeId,
) -> Result<Vec<LogEntry>, StoreError> {
    use log_entry as t;
    let taken_back = effect::table
        .filter(effect::patient_id.eq(patient))
        .filter(effect::target.eq(t::seq))
        .filter(effect::role.eq(Role::TakesBack.word()));
    let mut rows: Vec<(NaiveDate, i64, LogRow)> = t::table
        .filter(t::episode_id.eq(episode))
        .filter(not(exists(taken_back)))
        .select((t::on_date, t::seq, LogRow::as_select()))
        .load(conn)?;
    // Put in order here: there it would carry every row along.
    rows.sort_unstable_by_key(|(on, seq, _)| (*on, *seq));
    rows.into_iter().map(|(on, _, row)| row.entry(on)).collect()
}
