//! A story: the row of an episode, its lists, and its words in every version.

use crate::convert::{column, count, unword, word};
use crate::detail::Detail;
use crate::event::{Entry, enter};
use crate::lists::{self, Lists};
use crate::schema::{episode, event, story_text};
use crate::{EpisodeId, PatientId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{Clearance, Story, Written};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

#[derive(Queryable, Selectable, Insertable, AsChangeset)]
#[diesel(table_name = episode, treat_none_as_null = true)]
pub(crate) struct EpisodeRow {
    pub(crate) id: EpisodeId,
    patient_id: PatientId,
    pathway: String,
    side: String,
    day0: NaiveDate,
    dominant: String,
    mechanism: String,
    work: String,
    clearance_role: Option<String>,
    clearance_on: Option<NaiveDate>,
    sling_worn: Option<bool>,
    note: String,
    pub(crate) rev: i32,
    start: String,
    setting: String,
    complaint: Option<String>,
    other_side: String,
    mass_kg: Option<f64>,
    height_cm: Option<f64>,
    minutes_per_day: Option<i32>,
    job_load_kg: Option<f64>,
    job_overhead_h: Option<f64>,
    slips_per_week: Option<i32>,
    flag_words: String,
    complaint_words: String,
    health_words: String,
    reads: String,
    pub(crate) closed_on: Option<NaiveDate>,
}

impl EpisodeRow {
    /// The row of a story.
    pub(crate) fn of(id: EpisodeId, patient_id: PatientId, story: &Story, rev: i32) -> Self {
        EpisodeRow {
            id,
            patient_id,
            pathway: story.pathway.clone(),
            side: word(story.side),
            day0: story.day0,
            dominant: word(story.dominant),
            mechanism: story.mechanism.clone(),
            work: story.work.clone(),
            clearance_role: story.clearance.as_ref().map(|c| c.role.clone()),
            clearance_on: story.clearance.as_ref().map(|c| c.on),
            sling_worn: story.sling_worn,
            note: story.note.clone(),
            rev,
            start: word(story.start),
            setting: word(story.setting),
            complaint: story.complaint.map(word),
            other_side: word(story.other_side),
            mass_kg: story.mass_kg,
            height_cm: story.height_cm,
            minutes_per_day: story.minutes_per_day.map(column),
            job_load_kg: story.job_load_kg,
            job_overhead_h: story.job_overhead_h,
            slips_per_week: story.slips_per_week.map(column),
            flag_words: story.flag_words.clone(),
            complaint_words: story.complaint_words.clone(),
            health_words: story.health_words.clone(),
            reads: word(story.reads),
            closed_on: None,
        }
    }

    /// The story of a row and its lists.
    ///
    /// # Errors
    /// `Unreadable` when a word of the row is not one of the core's.
    pub(crate) fn story(self, lists: Lists) -> Result<Story, StoreError> {
        let complaint = self.complaint.as_deref();
        Ok(Story {
            pathway: self.pathway,
            side: unword("side", &self.side)?,
            day0: self.day0,
            start: unword("start", &self.start)?,
            setting: unword("setting", &self.setting)?,
            complaint: complaint.map(|c| unword("complaint", c)).transpose()?,
            other_side: unword("other side", &self.other_side)?,
            mass_kg: self.mass_kg,
            height_cm: self.height_cm,
            dominant: unword("dominant side", &self.dominant)?,
            mechanism: self.mechanism,
            work: self.work,
            clearance: self
                .clearance_role
                .zip(self.clearance_on)
                .map(|(role, on)| Clearance { role, on }),
            sling_worn: self.sling_worn,
            health: lists.health,
            tasks: lists.tasks,
            kit: lists.kit,
            note: self.note,
            modifiers: lists.modifiers,
            schools: lists.schools,
            minutes_per_day: self.minutes_per_day.map(count),
            job_load_kg: self.job_load_kg,
            job_overhead_h: self.job_overhead_h,
            slips_per_week: self.slips_per_week.map(count),
            flag_words: self.flag_words,
            complaint_words: self.complaint_words,
            health_words: self.health_words,
            reads: unword("language", &self.reads)?,
        })
    }
}

#[derive(PartialEq, Serialize, Queryable, Selectable, Insertable)]
#[diesel(table_name = story_text)]
struct Words {
    mechanism: String,
    work: String,
    note: String,
    flag_words: String,
    complaint_words: String,
    health_words: String,
}

/// Keeps the words of a story as an event of their own: nothing that was typed is lost when they change.
pub(crate) fn keep_words(
    conn: &mut PgConnection,
    episode: EpisodeId,
    rev: i32,
    story: &Story,
    on: NaiveDate,
) -> Result<(), StoreError> {
    use story_text as t;
    let last: Option<Words> = t::table
        .inner_join(event::table.on(event::id.eq(t::id)))
        .filter(event::episode_id.eq(episode))
        .filter(event::kind.ne("log"))
        .order(t::rev.desc())
        .select(Words::as_select())
        .first(conn)
        .optional()?;
    let words = Words {
        mechanism: story.mechanism.clone(),
        work: story.work.clone(),
        note: story.note.clone(),
        flag_words: story.flag_words.clone(),
        complaint_words: story.complaint_words.clone(),
        health_words: story.health_words.clone(),
    };
    if last.as_ref() == Some(&words) {
        return Ok(());
    }
    let id = Uuid::now_v7();
    let entry = Entry::new(episode, id, "story", on);
    enter(conn, entry, &words)?;
    diesel::insert_into(t::table)
        .values((t::id.eq(id), t::rev.eq(rev), words))
        .execute(conn)?;
    Ok(())
}

/// The words of a story in one of its versions.
#[derive(Deserialize)]
pub(crate) struct TextRow {
    id: Uuid,
    mechanism: String,
    work: String,
    note: String,
    flag_words: String,
    complaint_words: String,
    health_words: String,
}

impl Detail for TextRow {
    const KIND: &'static str = "story";
    /// What happened, and everything else that was written.
    type Fact = (Written, [Written; 5]);

    fn fact(self, on: NaiveDate) -> Result<Self::Fact, StoreError> {
        let written = |text| Written {
            id: self.id,
            on,
            text,
        };
        let others = [
            self.note,
            self.work,
            self.flag_words,
            self.complaint_words,
            self.health_words,
        ];
        Ok((written(self.mechanism), others.map(written)))
    }
}

/// Replaces a story if nobody has changed it since `rev`; answers with the new revision.
///
/// # Errors
/// `Stale` with the newer revision, `NotFound`.
pub fn update(
    conn: &mut PgConnection,
    id: EpisodeId,
    rev: i32,
    story: &Story,
    today: NaiveDate,
) -> Result<i32, StoreError> {
    let (owner, current, closed_on): (PatientId, i32, Option<NaiveDate>) = episode::table
        .filter(episode::id.eq(id))
        .select((episode::patient_id, episode::rev, episode::closed_on))
        .for_update()
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("episode"))?;
    if current != rev {
        return Err(StoreError::Stale { current });
    }
    diesel::update(episode::table.filter(episode::id.eq(id)))
        .set(EpisodeRow {
            // An edit opens nothing that was ended.
            closed_on,
            ..EpisodeRow::of(id, owner, story, rev + 1)
        })
        .execute(conn)?;
    lists::write(conn, id, story)?;
    keep_words(conn, id, rev + 1, story, today)?;
    Ok(rev + 1)
}
