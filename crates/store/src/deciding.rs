//! Decisions about lines: what was proposed and what the clinician made of it. Kept for ever.

use crate::StoreError;
use crate::convert::word;
use crate::event::{Entry, Role, Stored, act, enter, standing};
use crate::schema::{event, line_decision, line_step};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::deciding::LineDecision;
use ritorno_core::episode::LineStep;
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
    /// When.
    pub on: NaiveDate,
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
    (answer, reason): (&str, &str),
    on: NaiveDate,
) -> Result<Stored, StoreError> {
    use line_decision as t;
    let body = serde_json::to_value(DecisionV1::from(proposal))
        .map_err(|_| StoreError::Unreadable("decision"))?;
    let asked = (proposal.line, word(proposal.kind), answer, reason);
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
            ))
            .execute(conn)?;
    }
    Ok(stored)
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
