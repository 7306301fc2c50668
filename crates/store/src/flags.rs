//! Red flags: what was answered, what was done about them, what rules raised.

use crate::convert::{unword, word};
use crate::detail::Detail;
use crate::event::{Act, Entry, Role, Stored, Via, act, enter, standing};
use crate::schema::{flag_answer, flag_raise, flag_step};
use crate::{EpisodeId, StoreError, unread};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{FlagAnswer, FlagRaise, FlagStep, FlagStepKind};
use serde::Deserialize;
use uuid::Uuid;

#[derive(Deserialize, Insertable)]
#[diesel(table_name = flag_answer)]
pub(crate) struct AnswerRow {
    id: Uuid,
    flag: String,
    answer: String,
    about: Vec<String>,
    because: Option<String>,
}

impl Detail for AnswerRow {
    const KIND: &'static str = "flag_answer";
    type Fact = FlagAnswer;

    fn fact(self, on: NaiveDate) -> Result<FlagAnswer, StoreError> {
        let because = self.because.as_deref();
        Ok(FlagAnswer {
            id: self.id,
            flag: self.flag,
            answer: unword("answer", &self.answer)?,
            on,
            about: self.about,
            because: because.map(|b| unword("answer", b)).transpose()?,
        })
    }
}

/// Adds an answer to a red-flag question once.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_answer(
    conn: &mut PgConnection,
    episode: EpisodeId,
    answer: &FlagAnswer,
    via: Via,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, answer.id, "flag_answer", answer.on).by_way(via);
    let stored = enter(conn, entry, answer)?;
    if stored == Stored::New {
        let row = AnswerRow {
            id: answer.id,
            flag: answer.flag.clone(),
            answer: word(answer.answer),
            about: answer.about.clone(),
            because: answer.because.map(word),
        };
        diesel::insert_into(flag_answer::table)
            .values(row)
            .execute(conn)?;
        unread::seen(conn, &entries_of(&answer.about))?;
    }
    Ok(stored)
}

#[derive(Deserialize, Insertable)]
#[diesel(table_name = flag_step)]
pub(crate) struct StepRow {
    id: Uuid,
    flag: String,
    causes: Vec<String>,
    step: String,
    action: Option<String>,
    words: String,
    who: String,
    resumes: String,
    stands_until: Option<NaiveDate>,
}

impl StepRow {
    fn of(step: &FlagStep) -> StepRow {
        let row = |step_word: &str, words: &str| StepRow {
            id: step.id,
            flag: step.flag.clone(),
            causes: step.causes.clone(),
            step: step_word.to_owned(),
            action: None,
            words: words.to_owned(),
            who: String::new(),
            resumes: String::new(),
            stands_until: None,
        };
        match &step.kind {
            FlagStepKind::Acted {
                action,
                words,
                told,
            } => StepRow {
                action: action.clone(),
                who: told.clone(),
                ..row("acted", words)
            },
            FlagStepKind::Answered {
                result,
                by,
                resumes,
                stands_until,
            } => StepRow {
                who: by.clone(),
                resumes: resumes.clone(),
                stands_until: *stands_until,
                ..row("answered", result)
            },
            FlagStepKind::Mistake { reason } => row("mistake", reason),
        }
    }
}

impl Detail for StepRow {
    const KIND: &'static str = "flag_step";
    type Fact = FlagStep;

    fn fact(self, on: NaiveDate) -> Result<FlagStep, StoreError> {
        let kind = match self.step.as_str() {
            "acted" => FlagStepKind::Acted {
                action: self.action,
                words: self.words,
                told: self.who,
            },
            "answered" => FlagStepKind::Answered {
                result: self.words,
                by: self.who,
                resumes: self.resumes,
                stands_until: self.stands_until,
            },
            "mistake" => FlagStepKind::Mistake { reason: self.words },
            _ => return Err(StoreError::Unreadable("flag step")),
        };
        Ok(FlagStep {
            id: self.id,
            flag: self.flag,
            on,
            causes: self.causes,
            kind,
        })
    }
}

/// The entries that causes rest on. A cause names them by their ids; a passage of a text names the entry that holds it.
fn entries_of(causes: &[String]) -> Vec<Uuid> {
    let mut entries: Vec<Uuid> = causes
        .iter()
        .flat_map(|cause| cause.split(['+', '#', ':']))
        .filter_map(|part| part.parse().ok())
        .collect();
    entries.sort_unstable();
    entries.dedup();
    entries
}

/// Adds a step on the way of a raised flag once, and says which events it is about.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add_step(
    conn: &mut PgConnection,
    episode: EpisodeId,
    step: &FlagStep,
) -> Result<Stored, StoreError> {
    let entry = Entry::new(episode, step.id, "flag_step", step.on);
    let stored = enter(conn, entry, step)?;
    if stored == Stored::Before {
        return Ok(stored);
    }
    diesel::insert_into(flag_step::table)
        .values(StepRow::of(step))
        .execute(conn)?;
    let role = match step.kind {
        FlagStepKind::Acted { .. } => Role::ActsOn,
        // What raised a flag by mistake stays on record; it is no longer a flag.
        FlagStepKind::Answered { .. } | FlagStepKind::Mistake { .. } => Role::Closes,
    };
    let targets = entries_of(&step.causes);
    for target in &targets {
        act(conn, Act::by(step.id, role, *target))?;
    }
    unread::seen(conn, &targets)?;
    Ok(stored)
}

#[derive(Deserialize, Insertable)]
#[diesel(table_name = flag_raise)]
pub(crate) struct RaiseRow {
    id: Uuid,
    flag: String,
    cause: String,
    reason: serde_json::Value,
}

impl Detail for RaiseRow {
    const KIND: &'static str = "flag_raised";
    type Fact = FlagRaise;

    fn fact(self, on: NaiveDate) -> Result<FlagRaise, StoreError> {
        let reason =
            serde_json::from_value(self.reason).map_err(|_| StoreError::Unreadable("reason"))?;
        Ok(FlagRaise {
            flag: self.flag,
            cause: self.cause,
            on,
            reason,
        })
    }
}

/// Keeps that a rule raised a flag.
///
/// # Errors
/// Database failure.
pub fn add_raise(
    conn: &mut PgConnection,
    episode: EpisodeId,
    raise: &FlagRaise,
) -> Result<(), StoreError> {
    let id = Uuid::now_v7();
    let entry = Entry::new(episode, id, RaiseRow::KIND, raise.on).by_way(Via::Rule);
    enter(conn, entry, raise)?;
    let reason =
        serde_json::to_value(&raise.reason).map_err(|_| StoreError::Unreadable("reason"))?;
    let row = RaiseRow {
        id,
        flag: raise.flag.clone(),
        cause: raise.cause.clone(),
        reason,
    };
    diesel::insert_into(flag_raise::table)
        .values(row)
        .execute(conn)?;
    Ok(())
}

/// Takes back what rules raised on an entry that was taken back itself.
///
/// # Errors
/// Database failure.
pub fn take_back_raises(
    conn: &mut PgConnection,
    episode: EpisodeId,
    entry: Uuid,
    by: Uuid,
) -> Result<(), StoreError> {
    use flag_raise as t;
    let ids: Vec<Uuid> = standing!(t, episode)
        .filter(t::cause.like(format!("%{entry}%")))
        .select(t::id)
        .load(conn)?;
    ids.into_iter()
        .try_for_each(|raise| act(conn, Act::by(by, Role::TakesBack, raise)))
}
