//! A patient, one operated shoulder, and everything the rules read about it.

use crate::StoreError;
use crate::convert::{column, count, unword, word};
use crate::schema::{
    episode, episode_health, episode_kit, episode_modifier, episode_school, episode_task,
    event as event_table, lane, patient, story_text,
};
use crate::{
    deciding, event, events, findings, flags, limits, measurement, outcome, program, reliability,
    strength, visit,
};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::{
    Clearance, ExamFact, Facts, Method, OtherSide, Start, Story, Task, Written,
};
use ritorno_core::mechanics::Arm;
use uuid::Uuid;

/// A patient.
#[derive(Debug, Clone, PartialEq, Queryable, Insertable)]
#[diesel(table_name = patient)]
pub struct Patient {
    /// Id, made by the client.
    pub id: Uuid,
    /// Given name.
    pub given_name: String,
    /// Family name.
    pub family_name: String,
    /// Date of birth.
    pub birth: NaiveDate,
}

#[derive(Queryable, Insertable, AsChangeset)]
#[diesel(table_name = episode, treat_none_as_null = true)]
struct EpisodeRow {
    id: Uuid,
    patient_id: Uuid,
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
    rev: i32,
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
    closed_on: Option<NaiveDate>,
}

/// An episode as it was loaded: its ids, its revision, and the facts.
#[derive(Debug, Clone)]
pub struct Loaded {
    /// Episode id.
    pub episode: Uuid,
    /// The patient.
    pub patient: Patient,
    /// Revision of the story.
    pub rev: i32,
    /// When a later operation of the same shoulder took its place.
    pub closed_on: Option<NaiveDate>,
    /// The program, where there is one.
    pub program: Option<program::Head>,
    /// The facts.
    pub facts: Facts,
}

fn to_row(id: Uuid, patient_id: Uuid, story: &Story, rev: i32) -> EpisodeRow {
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
        closed_on: None,
    }
}

/// Adds a patient with a first episode.
///
/// # Errors
/// `Refused` with the constraint's name, `IdConflict` when an id is taken.
pub fn insert(
    conn: &mut PgConnection,
    person: &Patient,
    id: Uuid,
    story: &Story,
    today: NaiveDate,
) -> Result<(), StoreError> {
    let added = diesel::insert_into(patient::table)
        .values(person)
        .on_conflict(patient::id)
        .do_nothing()
        .execute(conn)?;
    if added == 0 {
        return Err(StoreError::IdConflict);
    }
    event::begin(conn, person.id)?;
    diesel::insert_into(episode::table)
        .values(to_row(id, person.id, story, 1))
        .execute(conn)?;
    write_lists(conn, id, story)?;
    keep_words(conn, id, 1, story, today)
}

/// Keeps the words of a story as an event of their own: nothing that was typed is lost when they change.
fn keep_words(
    conn: &mut PgConnection,
    episode: Uuid,
    rev: i32,
    story: &Story,
    on: NaiveDate,
) -> Result<(), StoreError> {
    use story_text as t;
    let last = t::table
        .inner_join(event_table::table.on(event_table::id.eq(t::id)))
        .filter(event_table::episode_id.eq(episode))
        .order(t::rev.desc())
        .select((t::mechanism, t::work, t::note))
        .first::<(String, String, String)>(conn)
        .optional()?;
    let words = (
        story.mechanism.clone(),
        story.work.clone(),
        story.note.clone(),
    );
    if last.as_ref() == Some(&words) {
        return Ok(());
    }
    let id = Uuid::now_v7();
    event::enter(conn, event::Entry::new(episode, id, "story", on), &words)?;
    diesel::insert_into(t::table)
        .values((
            t::id.eq(id),
            t::rev.eq(rev),
            t::mechanism.eq(words.0),
            t::work.eq(words.1),
            t::note.eq(words.2),
        ))
        .execute(conn)?;
    Ok(())
}

fn write_lists(conn: &mut PgConnection, id: Uuid, story: &Story) -> Result<(), StoreError> {
    diesel::delete(episode_health::table.filter(episode_health::episode_id.eq(id)))
        .execute(conn)?;
    diesel::delete(episode_kit::table.filter(episode_kit::episode_id.eq(id))).execute(conn)?;
    diesel::delete(episode_task::table.filter(episode_task::episode_id.eq(id))).execute(conn)?;
    let health: Vec<_> = story
        .health
        .iter()
        .map(|i| {
            (
                episode_health::episode_id.eq(id),
                episode_health::item.eq(i),
            )
        })
        .collect();
    diesel::insert_into(episode_health::table)
        .values(health)
        .on_conflict_do_nothing()
        .execute(conn)?;
    let kit: Vec<_> = story
        .kit
        .iter()
        .map(|i| (episode_kit::episode_id.eq(id), episode_kit::item.eq(i)))
        .collect();
    diesel::insert_into(episode_kit::table)
        .values(kit)
        .on_conflict_do_nothing()
        .execute(conn)?;
    let tasks: Vec<_> = story
        .tasks
        .iter()
        .zip(0i32..)
        .map(|(task, place)| {
            use episode_task as t;
            (
                t::episode_id.eq(id),
                t::place.eq(place),
                t::label.eq(&task.label),
                t::score.eq(i32::from(task.score)),
                t::asks.eq(&task.asks),
            )
        })
        .collect();
    diesel::insert_into(episode_task::table)
        .values(tasks)
        .execute(conn)?;
    use {episode_modifier as m, episode_school as s};
    diesel::delete(m::table.filter(m::episode_id.eq(id))).execute(conn)?;
    diesel::delete(s::table.filter(s::episode_id.eq(id))).execute(conn)?;
    let modifiers: Vec<_> = story
        .modifiers
        .iter()
        .map(|i| (m::episode_id.eq(id), m::item.eq(i)))
        .collect();
    diesel::insert_into(m::table)
        .values(modifiers)
        .on_conflict_do_nothing()
        .execute(conn)?;
    let schools: Vec<_> = story
        .schools
        .iter()
        .map(|(q, i)| (s::episode_id.eq(id), s::question.eq(q), s::school.eq(i)))
        .collect();
    diesel::insert_into(s::table)
        .values(schools)
        .execute(conn)?;
    Ok(())
}

/// Replaces a story if nobody has changed it since `rev`; answers with the new revision.
///
/// # Errors
/// `Stale` with the newer revision, `NotFound`.
pub fn update_story(
    conn: &mut PgConnection,
    id: Uuid,
    rev: i32,
    story: &Story,
    today: NaiveDate,
) -> Result<i32, StoreError> {
    let (owner, current, closed_on): (Uuid, i32, Option<NaiveDate>) = episode::table
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
            ..to_row(id, owner, story, rev + 1)
        })
        .execute(conn)?;
    write_lists(conn, id, story)?;
    keep_words(conn, id, rev + 1, story, today)?;
    Ok(rev + 1)
}

/// Loads an episode with everything the rules read: a fixed number of queries, whatever it holds.
///
/// # Errors
/// `NotFound`, database failure.
pub fn load(conn: &mut PgConnection, id: Uuid, today: NaiveDate) -> Result<Loaded, StoreError> {
    let (row, person): (EpisodeRow, Patient) = episode::table
        .inner_join(patient::table.on(patient::id.eq(episode::patient_id)))
        .filter(episode::id.eq(id))
        .select((episode::all_columns, patient::all_columns))
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("episode"))?;
    let health = episode_health::table
        .filter(episode_health::episode_id.eq(id))
        .order(episode_health::item)
        .select(episode_health::item)
        .load(conn)?;
    let kit = episode_kit::table
        .filter(episode_kit::episode_id.eq(id))
        .order(episode_kit::item)
        .select(episode_kit::item)
        .load(conn)?;
    let tasks: Vec<(String, i32, Option<String>)> = episode_task::table
        .filter(episode_task::episode_id.eq(id))
        .order(episode_task::place)
        .select((episode_task::label, episode_task::score, episode_task::asks))
        .load(conn)?;
    let modifiers = episode_modifier::table
        .filter(episode_modifier::episode_id.eq(id))
        .order(episode_modifier::item)
        .select(episode_modifier::item)
        .load(conn)?;
    let schools: Vec<(String, String)> = episode_school::table
        .filter(episode_school::episode_id.eq(id))
        .select((episode_school::question, episode_school::school))
        .load(conn)?;
    let head = program::head(conn, id)?;
    let mut story = Story {
        pathway: row.pathway,
        side: unword("side", &row.side)?,
        day0: row.day0,
        start: unword("start", &row.start)?,
        setting: unword("setting", &row.setting)?,
        complaint: row
            .complaint
            .as_deref()
            .map(|c| unword("complaint", c))
            .transpose()?,
        other_side: unword("other side", &row.other_side)?,
        mass_kg: row.mass_kg,
        height_cm: row.height_cm,
        dominant: unword("dominant side", &row.dominant)?,
        mechanism: row.mechanism,
        work: row.work,
        clearance: row
            .clearance_role
            .zip(row.clearance_on)
            .map(|(role, on)| Clearance { role, on }),
        sling_worn: row.sling_worn,
        health,
        tasks: tasks
            .into_iter()
            .map(|(label, score, asks)| Task {
                label,
                score: count(score).min(10) as u8,
                asks,
            })
            .collect(),
        kit,
        note: row.note,
        modifiers,
        schools: schools.into_iter().collect(),
        minutes_per_day: row.minutes_per_day.map(count),
        job_load_kg: row.job_load_kg,
        job_overhead_h: row.job_overhead_h,
        slips_per_week: row.slips_per_week.map(count),
    };
    // The other shoulder of the same person has its own clock; while it heals it cannot simply help.
    let sibling: Option<(Uuid, String, NaiveDate)> = episode::table
        .filter(episode::patient_id.eq(person.id))
        .filter(episode::side.eq(word(story.side.other())))
        .filter(episode::closed_on.is_null())
        .select((episode::id, episode::start, episode::day0))
        .first(conn)
        .optional()?;
    let other_operated_on = sibling
        .as_ref()
        .filter(|(_, start, _)| start == "surgery")
        .map(|(_, _, day0)| *day0);
    if let Some((_, start, _)) = &sibling {
        // What is known is not asked.
        story.other_side = if start == "surgery" {
            OtherSide::Operated
        } else {
            OtherSide::Affected
        };
    }
    let other_arm = story.side.other();
    let mut other_day_minutes = 0.0;
    let mut measured = measurement::all(conn, id)?;
    let mut pushed = strength::trials(conn, id)?;
    let mut findings = findings::findings(conn, id)?;
    if let Some(sibling_row) = sibling {
        let sibling = sibling_row.0;
        // What touches the other arm lies with that arm's own episode.
        let theirs = measurement::all(conn, sibling)?;
        measured.extend(theirs.into_iter().filter(|m| m.side == other_arm));
        measured.sort_by_key(|m| m.on);
        let theirs = strength::trials(conn, sibling)?;
        pushed.extend(theirs.into_iter().filter(|t| t.side == other_arm));
        pushed.sort_by_key(|t| t.on);
        if let Some(program) = program::head(conn, sibling)? {
            let day0 = sibling_row.2;
            let day = i32::try_from((today - day0).num_days()).unwrap_or(i32::MAX);
            other_day_minutes = program::lines(conn, program.id)?
                .iter()
                .filter(|l| (l.from_day..l.to_day).contains(&day))
                .map(|l| l.dose.day_minutes())
                .sum();
        }
        let theirs = findings::findings(conn, sibling)?;
        findings.extend(theirs.into_iter().filter(|f| f.side == other_arm));
        findings.sort_by_key(|f| f.on);
    }
    let (simulated, measurements): (Vec<_>, Vec<_>) = measured
        .into_iter()
        .partition(|m| m.method == Some(Method::Simulated));
    let (story_mechanisms, story_notes) = story_words(conn, id)?;
    let mut texts = visit::texts(conn, id)?;
    let exam_notes = findings::notes(conn, id)?;
    let log = events::log(conn, id)?;
    // Remarks are texts like any other.
    let remarks = measurements
        .iter()
        .map(|m| (m.id, m.on, &m.remark))
        .chain(findings.iter().map(|f| (f.id, f.on, &f.remark)))
        .chain(log.iter().map(|e| (e.id, e.on, &e.remark)))
        .chain(pushed.iter().map(|t| (t.id, t.on, &t.remark)))
        .chain(exam_notes.iter().filter_map(|n| match &n.fact {
            ExamFact::PreTest { reason, .. } | ExamFact::PathwayKept { reason, .. } => {
                Some((n.id, n.on, reason))
            }
            _ => None,
        }))
        .filter(|(_, _, text)| !text.trim().is_empty());
    texts.extend(remarks.map(|(id, on, text)| Written {
        id,
        on,
        text: text.clone(),
    }));
    let (simulated_strength, strength) = pushed.into_iter().partition(|t| t.simulated());
    let facts = Facts {
        today,
        other_operated_on,
        birth: person.birth,
        story,
        limits: limits::all(conn, id)?,
        flag_answers: flags::answers(conn, id)?,
        flag_steps: flags::steps(conn, id)?,
        flag_raises: flags::raises(conn, id)?,
        texts,
        story_mechanisms,
        story_notes,
        measurements,
        simulated,
        simulated_strength,
        findings,
        strength,
        sheets: outcome::sheets(conn, id)?,
        clinic_errors: reliability::newest(conn)?,
        elastics: crate::elastic::all(conn)?,
        exam_notes,
        scores: events::scores(conn, id)?,
        attestations: events::attestations(conn, id)?,
        log,
        week_uses: events::week_uses(conn, id)?,
        gate_passes: events::gate_passes(conn, id)?,
        lines: match &head {
            Some(head) => program::lines(conn, head.id)?,
            None => Vec::new(),
        },
        line_steps: deciding::steps(conn, id)?,
        other_day_minutes,
        order: event::order(conn, id)?,
        verdicts: measurement::verdicts(conn, id)?,
        breach_answers: measurement::breach_answers(conn, id)?,
    };
    Ok(Loaded {
        episode: id,
        patient: person,
        rev: row.rev,
        closed_on: row.closed_on,
        program: head,
        facts,
    })
}

/// How a story told what happened, and its note, in every version.
fn story_words(
    conn: &mut PgConnection,
    id: Uuid,
) -> Result<(Vec<Written>, Vec<Written>), StoreError> {
    use story_text as t;
    let rows: Vec<(Uuid, NaiveDate, String, String)> = t::table
        .inner_join(event_table::table.on(event_table::id.eq(t::id)))
        .filter(event_table::episode_id.eq(id))
        .order(t::rev)
        .select((t::id, event_table::on_date, t::mechanism, t::note))
        .load(conn)?;
    let text = |pick: fn(&(Uuid, NaiveDate, String, String)) -> &String| {
        let written = |row: &(Uuid, NaiveDate, String, String)| {
            let (id, on, ..) = row;
            Written {
                id: *id,
                on: *on,
                text: pick(row).clone(),
            }
        };
        rows.iter().map(written).collect()
    };
    Ok((text(|r| &r.2), text(|r| &r.3)))
}

/// An episode without its contents.
#[derive(Debug, Clone, PartialEq)]
pub struct EpisodeHead {
    /// Id.
    pub id: Uuid,
    /// Pathway id.
    pub pathway: String,
    /// The affected side.
    pub side: Arm,
    /// Day 0.
    pub day0: NaiveDate,
    /// What day 0 is the day of.
    pub start: Start,
    /// When a later operation of the same shoulder took its place.
    pub closed_on: Option<NaiveDate>,
}

/// All episodes of a patient, newest first.
///
/// # Errors
/// Database failure.
pub fn all_of(conn: &mut PgConnection, patient_id: Uuid) -> Result<Vec<EpisodeHead>, StoreError> {
    use episode as t;
    let rows: Vec<(Uuid, String, String, NaiveDate, String, Option<NaiveDate>)> = t::table
        .filter(t::patient_id.eq(patient_id))
        .order((t::day0.desc(), t::id.desc()))
        .select((t::id, t::pathway, t::side, t::day0, t::start, t::closed_on))
        .load(conn)?;
    rows.into_iter()
        .map(|(id, pathway, side, day0, start, closed_on)| {
            Ok(EpisodeHead {
                id,
                pathway,
                side: unword("side", &side)?,
                day0,
                start: unword("start", &start)?,
                closed_on,
            })
        })
        .collect()
}

/// Adds an episode to a patient who is known; what ran for the same shoulder is closed by it.
///
/// # Errors
/// `IdConflict`, database failure.
pub fn add(
    conn: &mut PgConnection,
    patient_id: Uuid,
    id: Uuid,
    story: &Story,
    today: NaiveDate,
) -> Result<(), StoreError> {
    let same_side: Vec<Uuid> = episode::table
        .filter(episode::patient_id.eq(patient_id))
        .filter(episode::side.eq(word(story.side)))
        .filter(episode::closed_on.is_null())
        .select(episode::id)
        .load(conn)?;
    for ended in &same_side {
        close(conn, *ended, today, "new_operation", "")?;
    }
    let row = to_row(id, patient_id, story, 1);
    if diesel::insert_into(episode::table)
        .values(row)
        .on_conflict(episode::id)
        .do_nothing()
        .execute(conn)?
        == 0
    {
        return Err(StoreError::IdConflict);
    }
    write_lists(conn, id, story)?;
    keep_words(conn, id, 1, story, today)
}

/// Ends an episode on a day: it leaves the day's list and takes only entries dated up to then.
///
/// # Errors
/// `Refused` when it has ended already.
pub fn close(
    conn: &mut PgConnection,
    id: Uuid,
    on: NaiveDate,
    code: &str,
    words: &str,
) -> Result<(), StoreError> {
    let changed = diesel::update(
        episode::table
            .filter(episode::id.eq(id))
            .filter(episode::closed_on.is_null()),
    )
    .set(episode::closed_on.eq(on))
    .execute(conn)?;
    if changed == 0 {
        return Err(StoreError::Refused("episode_ended".to_owned()));
    }
    diesel::delete(lane::table.filter(lane::episode_id.eq(id))).execute(conn)?;
    let entry = Uuid::now_v7();
    let kind = event::Entry::new(id, entry, "episode_end", on);
    event::enter(conn, kind, &(code, words))?;
    event::reason(conn, entry, code, words)
}

/// Opens an ended episode again.
///
/// # Errors
/// `Refused` when it is open, or another episode of the same shoulder is.
pub fn reopen(
    conn: &mut PgConnection,
    id: Uuid,
    on: NaiveDate,
    words: &str,
) -> Result<(), StoreError> {
    let changed = diesel::update(
        episode::table
            .filter(episode::id.eq(id))
            .filter(episode::closed_on.is_not_null()),
    )
    .set(episode::closed_on.eq(None::<NaiveDate>))
    .execute(conn)?;
    if changed == 0 {
        return Err(StoreError::Refused("episode_open".to_owned()));
    }
    let entry = Uuid::now_v7();
    let kind = event::Entry::new(id, entry, "episode_reopened", on);
    event::enter(conn, kind, &words)?;
    event::reason(conn, entry, "", words)
}

/// The open episodes of a patient.
///
/// # Errors
/// Database failure.
pub fn open_of(conn: &mut PgConnection, patient_id: Uuid) -> Result<Vec<Uuid>, StoreError> {
    Ok(episode::table
        .filter(episode::patient_id.eq(patient_id))
        .filter(episode::closed_on.is_null())
        .order(episode::id)
        .select(episode::id)
        .load(conn)?)
}

/// The newest episode of a patient.
///
/// # Errors
/// `NotFound` when the patient has none.
pub fn newest_of(conn: &mut PgConnection, patient_id: Uuid) -> Result<Uuid, StoreError> {
    episode::table
        .filter(episode::patient_id.eq(patient_id))
        .order((episode::day0.desc(), episode::id.desc()))
        .select(episode::id)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("patient"))
}

/// How many patients there are.
///
/// # Errors
/// Database failure.
pub fn patients(conn: &mut PgConnection) -> Result<u32, StoreError> {
    let n: i64 = patient::table.count().get_result(conn)?;
    Ok(count(i32::try_from(n).unwrap_or(column(u32::MAX))))
}

/// Whether somebody else has this name and birth date.
///
/// # Errors
/// Database failure.
pub fn same_person(conn: &mut PgConnection, who: &Patient) -> Result<bool, StoreError> {
    use patient as t;
    let others: Vec<(String, String)> = t::table
        .filter(t::birth.eq(who.birth))
        .filter(t::id.ne(who.id))
        .select((t::given_name, t::family_name))
        .load(conn)?;
    let same = |a: &str, b: &str| a.trim().to_lowercase() == b.trim().to_lowercase();
    Ok(others
        .iter()
        .any(|(given, family)| same(given, &who.given_name) && same(family, &who.family_name)))
}

/// Corrects a name or a birth date; the timeline says that it was done and what stood there.
///
/// # Errors
/// `NotFound`.
pub fn rename(conn: &mut PgConnection, who: &Patient, today: NaiveDate) -> Result<(), StoreError> {
    use patient as t;
    let before: Patient = t::table
        .filter(t::id.eq(who.id))
        .select(t::all_columns)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("patient"))?;
    if before == *who {
        return Ok(());
    }
    diesel::update(t::table.filter(t::id.eq(who.id)))
        .set((
            t::given_name.eq(&who.given_name),
            t::family_name.eq(&who.family_name),
            t::birth.eq(who.birth),
        ))
        .execute(conn)?;
    let episode = newest_of(conn, who.id)?;
    let id = Uuid::now_v7();
    let entry = event::Entry::new(episode, id, "person_corrected", today);
    let was = format!(
        "{} {}, {}",
        before.given_name, before.family_name, before.birth
    );
    event::enter(conn, entry, &was)?;
    event::reason(conn, id, "", &was)
}

/// The episode that an arm is judged by: its own open one, where there is one; else the one that is asked through.
///
/// # Errors
/// `NotFound`.
pub fn of_arm(conn: &mut PgConnection, through: Uuid, arm: Arm) -> Result<Uuid, StoreError> {
    let (patient, side): (Uuid, String) = episode::table
        .filter(episode::id.eq(through))
        .select((episode::patient_id, episode::side))
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("episode"))?;
    if side == word(arm) {
        return Ok(through);
    }
    let own = episode::table
        .filter(episode::patient_id.eq(patient))
        .filter(episode::side.eq(word(arm)))
        .filter(episode::closed_on.is_null())
        .select(episode::id)
        .first(conn)
        .optional()?;
    Ok(own.unwrap_or(through))
}

/// A patient.
///
/// # Errors
/// `NotFound`.
pub fn person(conn: &mut PgConnection, id: Uuid) -> Result<Patient, StoreError> {
    patient::table
        .filter(patient::id.eq(id))
        .select(patient::all_columns)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("patient"))
}
