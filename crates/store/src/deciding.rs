//! Decisions about lines: what was proposed and what the clinician made of it. Kept for ever.

use crate::StoreError;
use crate::convert::word;
use crate::events::{Stored, settle};
use crate::schema::line_decision;
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::deciding::LineDecision;
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
    by: Uuid,
) -> Result<Stored, StoreError> {
    use line_decision as t;
    let body = serde_json::to_value(DecisionV1::from(proposal))
        .map_err(|_| StoreError::Unreadable("decision"))?;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(id),
            t::episode_id.eq(episode),
            t::line_id.eq(proposal.line),
            t::exercise.eq(&proposal.exercise),
            t::proposed.eq(word(proposal.kind)),
            t::rule.eq(&proposal.rule.rule),
            t::answer.eq(answer),
            t::reason.eq(reason),
            t::kind_version.eq(Kind::Decision.version()),
            t::body.eq(body),
            t::decided_on.eq(on),
            t::user_id.eq(by),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || {
        let same = t::table
            .filter(t::id.eq(id))
            .filter(t::episode_id.eq(episode))
            .filter(t::line_id.eq(proposal.line))
            .filter(t::answer.eq(answer));
        Ok(same.count().get_result::<i64>(conn)? == 1)
    })
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
    Ok(t::table
        .filter(t::episode_id.eq(episode))
        .filter(t::decided_on.ge(from))
        .order((t::decided_on.desc(), t::seq.desc()))
        .select((
            t::line_id,
            t::exercise,
            t::proposed,
            t::rule,
            t::answer,
            t::reason,
            t::decided_on,
        ))
        .load(conn)?)
}
