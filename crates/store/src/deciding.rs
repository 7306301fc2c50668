//! Decisions about lines: what was proposed and what the clinician made of it. Kept for ever.

use crate::convert::word;
use crate::detail::Detail;
use crate::event::{self as events, Act, Entry, Role, Stored, act, enter, standing};
use crate::program;
use crate::schema::{event, line_decision, line_step};
use crate::{EpisodeId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::deciding::LineDecision;
use ritorno_core::facts::{Line, LineStep};
use ritorno_core::snapshot::{DecisionV1, Kind};
use serde::Deserialize;
use uuid::Uuid;

/// What the clinician made of a proposal.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable)]
#[diesel(table_name = line_decision)]
pub struct Kept {
    /// The line it was about.
    pub line_id: Uuid,
    /// Its exercise.
    pub exercise: String,
    /// What was proposed.
    pub proposed: String,
    /// The rule that proposed it.
    pub rule: String,
    /// `accepted`, `changed` or `overridden`.
    pub answer: String,
    /// Why, where it was not accepted.
    pub reason: String,
}

/// The answer to a proposal, and why.
#[derive(Debug, Clone, Copy)]
pub struct Why<'a> {
    /// `accepted`, `changed` or `overridden`.
    pub answer: &'a str,
    /// A reason of the list, where one was chosen.
    pub code: &'a str,
    /// In words.
    pub reason: &'a str,
}

/// What a decision did to the program.
#[derive(Debug, Clone, Copy)]
pub struct Made<'a> {
    /// The lines as they stood before.
    pub lines_before: &'a [Line],
    /// The revision it made.
    pub rev: i32,
}

#[derive(Insertable)]
#[diesel(table_name = line_decision)]
struct NewDecision<'a> {
    id: Uuid,
    line_id: Uuid,
    exercise: &'a str,
    proposed: String,
    rule: &'a str,
    answer: &'a str,
    reason: &'a str,
    kind_version: i32,
    body: serde_json::Value,
    lines_before: Option<serde_json::Value>,
    made_rev: Option<i32>,
}

/// Keeps a decision once.
///
/// # Errors
/// `IdConflict` when the id was used for another one.
pub fn add(
    conn: &mut PgConnection,
    id: Uuid,
    episode: EpisodeId,
    proposal: &LineDecision,
    why: Why,
    made: Option<Made>,
    on: NaiveDate,
) -> Result<Stored, StoreError> {
    let body = serde_json::to_value(DecisionV1::from(proposal))
        .map_err(|_| StoreError::Unreadable("decision"))?;
    let Why {
        answer,
        code,
        reason,
    } = why;
    let asked = (proposal.line, word(proposal.kind), answer, reason);
    let before = made
        .as_ref()
        .map(|m| serde_json::to_value(m.lines_before))
        .transpose()
        .map_err(|_| StoreError::Unreadable("lines"))?;
    let stored = enter(conn, Entry::new(episode, id, "decision", on), &asked)?;
    if stored == Stored::New {
        let row = NewDecision {
            id,
            line_id: proposal.line,
            exercise: &proposal.exercise,
            proposed: word(proposal.kind),
            rule: &proposal.rule.rule,
            answer,
            reason,
            kind_version: Kind::Decision.version(),
            body,
            lines_before: before,
            made_rev: made.map(|m| m.rev),
        };
        diesel::insert_into(line_decision::table)
            .values(row)
            .execute(conn)?;
        if !code.is_empty() {
            events::reason(conn, id, code, reason)?;
        }
    }
    Ok(stored)
}

/// Undoes what a decision did to the lines, so that it can be taken back: the lines as they stood, and what it paused goes on.
///
/// # Errors
/// `Stale` when the program was changed after it: what others built on is not pulled away from under them.
pub fn undo(
    conn: &mut PgConnection,
    episode: EpisodeId,
    id: Uuid,
    on: NaiveDate,
    why: (&str, &str),
) -> Result<(), StoreError> {
    use line_decision as t;
    let kept: Option<(Option<serde_json::Value>, Option<i32>)> = standing!(t, episode)
        .filter(t::id.eq(id))
        .select((t::lines_before, t::made_rev))
        .first(conn)
        .optional()?;
    let Some((before, made_rev)) = kept else {
        return Ok(());
    };
    if let (Some(before), Some(rev)) = (before, made_rev) {
        let head = program::head(conn, episode)?.ok_or(StoreError::NotFound("program"))?;
        let lines: Vec<Line> =
            serde_json::from_value(before).map_err(|_| StoreError::Unreadable("lines"))?;
        program::save(conn, episode, rev, &head.knowledge_sha256, &lines)?;
    }
    for step in events::acting_on(conn, id, "line_step")? {
        events::take_back(conn, episode, step, "line_step", on, why)?;
    }
    Ok(())
}

/// Whether a decision with this id was kept before.
///
/// # Errors
/// Database failure.
pub fn known(conn: &mut PgConnection, id: Uuid) -> Result<bool, StoreError> {
    Ok(line_decision::table
        .filter(line_decision::id.eq(id))
        .count()
        .get_result::<i64>(conn)?
        > 0)
}

/// The decisions of an episode since a date, newest first, each with the day it was decided.
///
/// # Errors
/// Database failure.
pub fn since(
    conn: &mut PgConnection,
    episode: EpisodeId,
    from: NaiveDate,
) -> Result<Vec<(NaiveDate, Kept)>, StoreError> {
    let mut rows: Vec<(NaiveDate, Kept)> = standing!(line_decision, episode)
        .filter(event::on_date.ge(from))
        .select((event::on_date, Kept::as_select()))
        .load(conn)?;
    rows.reverse();
    Ok(rows)
}

#[derive(Deserialize, Queryable, Selectable, Insertable)]
#[diesel(table_name = line_step)]
pub(crate) struct StepRow {
    id: Uuid,
    exercise: String,
    step: String,
    reason: String,
}

impl Detail for StepRow {
    const KIND: &'static str = "line_step";
    type Fact = LineStep;

    fn fact(self, on: NaiveDate) -> Result<LineStep, StoreError> {
        Ok(LineStep {
            id: self.id,
            exercise: self.exercise,
            on,
            paused: self.step == PAUSED,
            reason: self.reason,
        })
    }
}

const PAUSED: &str = "paused";

/// Keeps that an exercise was paused or let go on, once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_step(
    conn: &mut PgConnection,
    episode: EpisodeId,
    step: &LineStep,
) -> Result<Stored, StoreError> {
    let last: Option<StepRow> = standing!(line_step, episode)
        .filter(line_step::exercise.eq(&step.exercise))
        .order((event::on_date.desc(), event::seq.desc()))
        .select(StepRow::as_select())
        .first(conn)
        .optional()?;
    let entry = Entry::new(episode, step.id, "line_step", step.on);
    let stored = enter(conn, entry, step)?;
    if stored == Stored::New {
        let row = StepRow {
            id: step.id,
            exercise: step.exercise.clone(),
            step: if step.paused { PAUSED } else { "resumed" }.to_owned(),
            reason: step.reason.clone(),
        };
        diesel::insert_into(line_step::table)
            .values(row)
            .execute(conn)?;
        if let Some(paused) = last.filter(|s| s.step == PAUSED && !step.paused) {
            act(conn, Act::by(step.id, Role::Resumes, paused.id))?;
        }
    }
    Ok(stored)
}
