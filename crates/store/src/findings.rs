//! The examination: answered tests and what else a reading rests on. Append-only, with ids made where they were entered.

use crate::StoreError;
use crate::convert::{unword, word};
use crate::event::{Entry, Stored, enter, standing};
use crate::schema::{event, exam_note, finding};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{ExamFact, ExamNote, TestAnswer, TestFinding};
use uuid::Uuid;

type FindingRow = (
    (
        Uuid,
        String,
        String,
        String,
        Option<String>,
        Option<f64>,
        Option<String>,
        Uuid,
        String,
    ),
    NaiveDate,
);

fn to_finding(
    ((id, test, side, kind, found, value, variant, rater, remark), on): FindingRow,
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
        remark,
    })
}

/// Adds a finding once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_finding(
    conn: &mut PgConnection,
    episode: Uuid,
    found_now: &TestFinding,
) -> Result<Stored, StoreError> {
    use finding as t;
    let (kind, found, value) = match found_now.answer {
        TestAnswer::Word { found } => ("word", Some(word(found)), None),
        TestAnswer::Number { value } => ("number", None, Some(value)),
        TestAnswer::CouldNot => ("could_not", None, None),
    };
    let body = TestFinding {
        rater: Uuid::nil(),
        ..found_now.clone()
    };
    let entry = Entry::new(episode, found_now.id, "finding", found_now.on);
    let stored = enter(conn, entry, &body)?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(found_now.id),
                t::test.eq(&found_now.test),
                t::side.eq(word(found_now.side)),
                t::kind.eq(kind),
                t::word.eq(found),
                t::value.eq(value),
                t::variant.eq(&found_now.variant),
                t::rater_id.eq(found_now.rater),
                t::remark.eq(&found_now.remark),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Findings, oldest first, withdrawn ones left out.
///
/// # Errors
/// Database failure.
pub fn findings(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<TestFinding>, StoreError> {
    use finding as t;
    let rows: Vec<FindingRow> = standing!(t, episode)
        .select((t::all_columns, event::on_date))
        .load(conn)?;
    rows.into_iter().map(to_finding).collect()
}

type NoteRow = ((Uuid, String, String, f64, String, Option<f64>), NaiveDate);

fn to_note(((id, kind, subject, value, text, after), on): NoteRow) -> Result<ExamNote, StoreError> {
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
        "pathway_kept" => ExamFact::PathwayKept {
            pathway: subject,
            reason: text,
        },
        "injection" => ExamFact::Injection {
            what: unword("injected", &subject)?,
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
    note: &ExamNote,
) -> Result<Stored, StoreError> {
    use exam_note as t;
    let (kind, subject, value, text) = match &note.fact {
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
        ExamFact::PathwayKept { pathway, reason } => {
            ("pathway_kept", pathway.clone(), 0.0, reason.clone())
        }
        ExamFact::Injection { what } => ("injection", word(*what), 0.0, String::new()),
    };
    let after = match &note.fact {
        ExamFact::Response { after, .. } => Some(*after),
        _ => None,
    };
    let stored = enter(
        conn,
        Entry::new(episode, note.id, "exam_note", note.on),
        note,
    )?;
    if stored == Stored::New {
        diesel::insert_into(t::table)
            .values((
                t::id.eq(note.id),
                t::kind.eq(kind),
                t::subject.eq(subject),
                t::value.eq(value),
                t::word.eq(text),
                t::after_value.eq(after),
            ))
            .execute(conn)?;
    }
    Ok(stored)
}

/// Notes, oldest first.
///
/// # Errors
/// Database failure.
pub fn notes(conn: &mut PgConnection, episode: Uuid) -> Result<Vec<ExamNote>, StoreError> {
    use exam_note as t;
    let rows: Vec<NoteRow> = standing!(t, episode)
        .select((t::all_columns, event::on_date))
        .load(conn)?;
    rows.into_iter().map(to_note).collect()
}
