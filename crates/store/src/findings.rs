//! The examination: answered tests and what else a reading rests on. Append-only, with ids made where they were entered.

use crate::StoreError;
use crate::convert::{unword, word};
use crate::events::{Stored, settle};
use crate::schema::{exam_note, finding, withdrawal};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::episode::{ExamFact, ExamNote, TestAnswer, TestFinding};
use uuid::Uuid;

type FindingRow = (
    Uuid,
    Uuid,
    i64,
    String,
    String,
    String,
    Option<String>,
    Option<f64>,
    Option<String>,
    NaiveDate,
    Uuid,
);

fn to_finding(
    (id, _, _, test, side, kind, found, value, variant, on, rater): FindingRow,
) -> Result<TestFinding, StoreError> {
    let answer = match (kind.as_str(), found, value) {
        ("word", Some(found), _) => TestAnswer::Word {
            found: unword("finding", &found)?,
        },
        ("number", _, Some(value)) => TestAnswer::Number { value },
        ("could_not", ..) => TestAnswer::CouldNot,
        _ => return Err(StoreError::Unreadable("finding")),
    };
    Ok(TestFinding {
        id,
        test,
        side: unword("side", &side)?,
        answer,
        variant,
        on,
        rater,
    })
}

/// Adds a finding once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_finding(
    conn: &mut PgConnection,
    episode: Uuid,
    event: &TestFinding,
) -> Result<Stored, StoreError> {
    use finding as t;
    let (kind, found, value) = match event.answer {
        TestAnswer::Word { found } => ("word", Some(word(found)), None),
        TestAnswer::Number { value } => ("number", None, Some(value)),
        TestAnswer::CouldNot => ("could_not", None, None),
    };
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(event.id),
            t::episode_id.eq(episode),
            t::test.eq(&event.test),
            t::side.eq(word(event.side)),
            t::kind.eq(kind),
            t::word.eq(found),
            t::value.eq(value),
            t::variant.eq(&event.variant),
            t::found_on.eq(event.on),
            t::user_id.eq(event.rater),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || {
        let row = t::table
            .filter(t::id.eq(event.id))
            .filter(t::episode_id.eq(episode))
            .first::<FindingRow>(conn)
            .optional()?;
        Ok(row.map(to_finding).transpose()?.as_ref() == Some(event))
    })
}

/// Findings, oldest first, withdrawn ones left out.
///
/// # Errors
/// Database failure.
pub fn findings(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<TestFinding>, StoreError> {
    use finding as t;
    let rows: Vec<FindingRow> = t::table
        .left_join(withdrawal::table.on(withdrawal::entry_id.eq(t::id)))
        .filter(t::episode_id.eq(episode))
        .filter(withdrawal::entry_id.is_null())
        .order((t::found_on, t::seq))
        .select(t::all_columns)
        .load(conn)?;
    rows.into_iter().map(to_finding).collect()
}

type NoteRow = (
    Uuid,
    Uuid,
    i64,
    String,
    String,
    f64,
    String,
    Option<f64>,
    NaiveDate,
    Uuid,
);

fn to_note(
    (id, _, _, kind, subject, value, text, after, on, _): NoteRow,
) -> Result<ExamNote, StoreError> {
    let fact = match kind.as_str() {
        "irritability" => ExamFact::Irritability {
            question: unword("vote", &subject)?,
            value,
        },
        "known" => ExamFact::Known {
            about: subject,
            present: value > 0.5,
            by: unword("evidence", &text)?,
        },
        "pre_test" => ExamFact::PreTest {
            hypothesis: subject,
            probability: value,
            reason: text,
        },
        "instability" => ExamFact::Instability {
            item: unword("severity", &subject)?,
            present: value > 0.5,
        },
        "response" => ExamFact::Response {
            sign: subject,
            dose: text,
            before: value,
            after: after.ok_or(StoreError::Unreadable("response"))?,
        },
        "try_out" => ExamFact::TryOut {
            exercise: subject,
            went: unword("try-out", &text)?,
        },
        _ => return Err(StoreError::Unreadable("exam note")),
    };
    Ok(ExamNote { id, on, fact })
}

/// Adds a note once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_note(
    conn: &mut PgConnection,
    episode: Uuid,
    event: &ExamNote,
    user: Uuid,
) -> Result<Stored, StoreError> {
    use exam_note as t;
    let (kind, subject, value, text) = match &event.fact {
        ExamFact::Irritability { question, value } => {
            ("irritability", word(*question), *value, String::new())
        }
        ExamFact::Known { about, present, by } => {
            ("known", about.clone(), f64::from(*present), word(*by))
        }
        ExamFact::PreTest {
            hypothesis,
            probability,
            reason,
        } => ("pre_test", hypothesis.clone(), *probability, reason.clone()),
        ExamFact::Instability { item, present } => (
            "instability",
            word(*item),
            f64::from(*present),
            String::new(),
        ),
        ExamFact::Response {
            sign, dose, before, ..
        } => ("response", sign.clone(), *before, dose.clone()),
        ExamFact::TryOut { exercise, went } => ("try_out", exercise.clone(), 0.0, word(*went)),
    };
    let after = match &event.fact {
        ExamFact::Response { after, .. } => Some(*after),
        _ => None,
    };
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(event.id),
            t::episode_id.eq(episode),
            t::kind.eq(kind),
            t::subject.eq(subject),
            t::value.eq(value),
            t::word.eq(text),
            t::noted_on.eq(event.on),
            t::after_value.eq(after),
            t::user_id.eq(user),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    settle(added, || Ok(notes(conn, episode)?.contains(event)))
}

/// Notes, oldest first.
///
/// # Errors
/// Database failure.
pub fn notes(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<ExamNote>, StoreError> {
    use exam_note as t;
    let rows: Vec<NoteRow> = t::table
        .filter(t::episode_id.eq(episode))
        .order((t::noted_on, t::seq))
        .load(conn)?;
    rows.into_iter().map(to_note).collect()
}
