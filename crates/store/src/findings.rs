//! The examination: answered tests and what else a reading rests on. Append-only, with ids made where they were entered.

use crate::convert::{unword, word};
use crate::detail::Detail;
use crate::event::{Entry, Stored, enter};
use crate::schema::{exam_note, finding};
use crate::{EpisodeId, StoreError, UserId};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{ExamFact, ExamNote, TestAnswer, TestFinding};
use serde::Deserialize;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = finding)]
pub(crate) struct FindingRow {
    id: Uuid,
    test: String,
    side: String,
    kind: String,
    word: Option<String>,
    value: Option<f64>,
    variant: Option<String>,
    rater_id: UserId,
    remark: String,
}

impl Detail for FindingRow {
    const KIND: &'static str = "finding";
    type Fact = TestFinding;

    fn fact(self, on: NaiveDate) -> Result<TestFinding, StoreError> {
        let answer = match (self.kind.as_str(), self.word, self.value) {
            ("word", Some(found), _) => TestAnswer::Word {
                found: unword("finding", &found)?,
            },
            ("number", _, Some(value)) => TestAnswer::Number { value },
            ("could_not", ..) => TestAnswer::CouldNot,
            _ => return Err(StoreError::Unreadable("finding")),
        };
        Ok(TestFinding {
            id: self.id,
            test: self.test,
            side: unword("side", &self.side)?,
            answer,
            variant: self.variant,
            on,
            rater: self.rater_id.0,
            remark: self.remark,
        })
    }
}

/// Adds a finding once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_finding(
    conn: &mut PgConnection,
    episode: EpisodeId,
    found_now: &TestFinding,
) -> Result<Stored, StoreError> {
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
        let row = FindingRow {
            id: found_now.id,
            test: found_now.test.clone(),
            side: word(found_now.side),
            kind: kind.to_owned(),
            word: found,
            value,
            variant: found_now.variant.clone(),
            rater_id: UserId(found_now.rater),
            remark: found_now.remark.clone(),
        };
        diesel::insert_into(finding::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}

#[derive(Deserialize, Insertable)]
#[diesel(table_name = exam_note)]
pub(crate) struct NoteRow {
    id: Uuid,
    kind: String,
    subject: String,
    value: f64,
    word: String,
    after_value: Option<f64>,
}

impl Detail for NoteRow {
    const KIND: &'static str = "exam_note";
    type Fact = ExamNote;

    fn fact(self, on: NaiveDate) -> Result<ExamNote, StoreError> {
        let fact = match self.kind.as_str() {
            "irritability" => ExamFact::Irritability {
                question: unword("vote", &self.subject)?,
                value: self.value,
            },
            "known" => ExamFact::Known {
                about: self.subject,
                present: self.value > 0.5,
                by: unword("evidence", &self.word)?,
            },
            "pre_test" => ExamFact::PreTest {
                hypothesis: self.subject,
                probability: self.value,
                reason: self.word,
            },
            "instability" => ExamFact::Instability {
                item: unword("severity", &self.subject)?,
                present: self.value > 0.5,
            },
            "response" => ExamFact::Response {
                sign: self.subject,
                dose: self.word,
                before: self.value,
                after: self.after_value.ok_or(StoreError::Unreadable("response"))?,
            },
            "try_out" => ExamFact::TryOut {
                exercise: self.subject,
                went: unword("try-out", &self.word)?,
            },
            "landmark" => ExamFact::Landmark {
                quantity: self.subject,
                degrees: self.value,
                words: self.word,
            },
            "pathway_kept" => ExamFact::PathwayKept {
                pathway: self.subject,
                reason: self.word,
            },
            "injection" => ExamFact::Injection {
                what: unword("injected", &self.subject)?,
            },
            _ => return Err(StoreError::Unreadable("exam note")),
        };
        Ok(ExamNote {
            id: self.id,
            on,
            fact,
        })
    }
}

/// Adds a note once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_note(
    conn: &mut PgConnection,
    episode: EpisodeId,
    note: &ExamNote,
) -> Result<Stored, StoreError> {
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
        ExamFact::Landmark {
            quantity,
            degrees,
            words,
        } => ("landmark", quantity.clone(), *degrees, words.clone()),
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
        let row = NoteRow {
            id: note.id,
            kind: kind.to_owned(),
            subject,
            value,
            word: text,
            after_value: after,
        };
        diesel::insert_into(exam_note::table)
            .values(row)
            .execute(conn)?;
    }
    Ok(stored)
}
