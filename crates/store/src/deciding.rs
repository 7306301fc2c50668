//! Decisions about lines: what was proposed and what the clinician made of it. Kept for ever.

use crate::StoreError;
use crate::convert::word;
use crate::event::{self as events, Entry, Role, Stored, act, enter, standing};
use crate::program;
use crate::schema::{event, line_decision, line_step};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::deciding::LineDecision;
use ritorno_core::facts::{Line, LineStep};
use ritorno_core::snapshot::{DecisionV1, Kind};
use uuid::Uuid;

/// What the clinician made of a proposal.
#[derive(Debug, Clone, PartialEq, Queryable)]
pub struct Kept {
    /// The line it was about.
    pub line: Uuid,
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
    /// The day it was decided.
    pub on: NaiveDate,
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

/// Keeps a decision once.
///
/// # Errors
/// `IdConflict` when the id was used for another one.
pub fn add(
    conn: &mut PgConnection,
    id: Uuid,
    episode: Uuid,
    proposal: &LineDecision,
    why: Why,
    made: Option<Made>,
    on: NaiveDate,
) -> Result<Stored, StoreError> {
    use line_decision as t;
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
        diesel::insert_into(t::table)
            .values((
                t::id.eq(id),
                t::line_id.eq(proposal.line),
                t::exercise.eq(&proposal.exercise),
                t::proposed.eq(word(proposal.kind)),
                t::rule.eq(&proposal.rule.rule),
                t::answer.eq(answer),
                t::reason.eq(reason),
                t::kind_version.eq(Kind::Decision.version()),
                t::body.eq(body),
                t::lines_before.eq(before),
                t::made_rev.eq(made.map(|m| m.rev)),
            ))
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
    episode: Uuid,
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

/// The decisions of an episode since a date, newest first.
///
/// # Errors
/// Database failure.
pub fn since(
    conn: &mut PgConnection,
    episode: Uuid,
    from: NaiveDate,
) -> Result<Vec<Kept>, StoreError> {
    use line_decision as t;
    let mut rows: Vec<Kept> = standing!(t, episode)
        .filter(event::on_date.ge(from))
        .select((
            t::line_id,
            t::exercise,
            t::proposed,
            t::rule,
            t::answer,
            t::reason,
            event::on_date,
        ))
        .load(conn)?;
    rows.reverse();
    Ok(rows)
}

/// Keeps that an exercise was paused or let go on, once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_step(
    conn: &mut PgConnection,
    episode: Uuid,
    step: &LineStep,
) -> Result<Stored, StoreError> {
    use line_step as t;
    let before = steps(conn, episode)?;
    let stored = enter(
        conn,
        Entry::new(episode, step.id, "line_step", step.on),
        step,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(step.id),
                t::exercise.eq(&step.exercise),
                t::step.eq(if step.paused { "paused" } else { "resumed" }),
                t::reason.eq(&step.reason),
            ))
            .execute(conn)?;
        let paused = before.iter().rev().find(|s| s.exercise == step.exercise);
        if let Some(paused) = paused.filter(|s| s.paused && !step.paused) {
            act(conn, step.id, paused.id, Role::Resumes)?;
        }
    }
    Ok(stored)
}

/// Pauses and what let them go on, oldest first.
///
/// # Errors
/// Database failure.
pub fn steps(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<LineStep>, StoreError> {
    use line_step as t;
    let rows: Vec<(Uuid, String, String, String, NaiveDate)> = standing!(t, episode)
        .select((t::id, t::exercise, t::step, t::reason, event::on_date))
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(|(id, exercise, step, reason, on)| LineStep {
            id,
            exercise,
            on,
            paused: step == "paused",
            reason,
        })
        .collect())
}
