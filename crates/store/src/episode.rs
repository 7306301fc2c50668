//! A patient, one operated shoulder, and everything the rules read about it.

use crate::StoreError;
use crate::convert::{column, count, unword, word};
use crate::schema::{
    episode, episode_health, episode_kit, episode_modifier, episode_school, episode_task, lane,
    patient, surgeon_limit,
};
use crate::{events, findings, outcome, program, reliability, strength};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::episode::{Clearance, Facts, Method, Release, Start, Story, SurgeonLimit, Task};
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
) -> Result<(), StoreError> {
    let added = diesel::insert_into(patient::table)
        .values(person)
        .on_conflict(patient::id)
        .do_nothing()
        .execute(conn)?;
    if added == 0 {
        return Err(StoreError::IdConflict);
    }
    diesel::insert_into(episode::table)
        .values(to_row(id, person.id, story, 1))
        .execute(conn)?;
    write_lists(conn, id, story)
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
) -> Result<i32, StoreError> {
    let (owner, current): (Uuid, i32) = episode::table
        .filter(episode::id.eq(id))
        .select((episode::patient_id, episode::rev))
        .for_update()
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("episode"))?;
    if current != rev {
        return Err(StoreError::Stale { current });
    }
    diesel::update(episode::table.filter(episode::id.eq(id)))
        .set(to_row(id, owner, story, rev + 1))
        .execute(conn)?;
    write_lists(conn, id, story)?;
    Ok(rev + 1)
}

type LimitRow = (
    Uuid,
    Uuid,
    i64,
    String,
    f64,
    Option<f64>,
    Option<i32>,
    Option<String>,
    Option<NaiveDate>,
    Option<NaiveDate>,
);

/// The limits of an episode, in the order in which they were written.
///
/// # Errors
/// Database failure.
pub fn limits(conn: &mut PgConnection, id: Uuid) -> Result<Vec<SurgeonLimit>, StoreError> {
    let rows: Vec<LimitRow> = surgeon_limit::table
        .filter(surgeon_limit::episode_id.eq(id))
        .order(surgeon_limit::seq)
        .load(conn)?;
    Ok(rows
        .into_iter()
        .map(
            |(id, _, _, quantity, ceiling, floor, until_day, role, on, ended_on)| SurgeonLimit {
                id,
                quantity,
                ceiling,
                floor,
                until_day,
                release: role.zip(on).map(|(role, on)| Release { role, on }),
                ended_on,
            },
        )
        .collect())
}

/// Adds a limit once; a repeat with the same contents changes nothing.
///
/// # Errors
/// `IdConflict` when the id was used with other contents.
pub fn add_limit(
    conn: &mut PgConnection,
    episode_id: Uuid,
    limit: &SurgeonLimit,
) -> Result<(), StoreError> {
    use surgeon_limit as t;
    let added = diesel::insert_into(t::table)
        .values((
            t::id.eq(limit.id),
            t::episode_id.eq(episode_id),
            t::quantity.eq(&limit.quantity),
            t::ceiling.eq(limit.ceiling),
            t::floor.eq(limit.floor),
            t::until_day.eq(limit.until_day),
            t::release_role.eq(limit.release.as_ref().map(|r| &r.role)),
            t::release_on.eq(limit.release.as_ref().map(|r| r.on)),
        ))
        .on_conflict(t::id)
        .do_nothing()
        .execute(conn)?;
    if added == 0
        && !limits(conn, episode_id)?.iter().any(|known| {
            SurgeonLimit {
                ended_on: None,
                ..known.clone()
            } == *limit
        })
    {
        return Err(StoreError::IdConflict);
    }
    Ok(())
}

/// Confirms that a limit has ended.
///
/// # Errors
/// `NotFound` when the episode has no such limit.
pub fn end_limit(
    conn: &mut PgConnection,
    episode_id: Uuid,
    limit: Uuid,
    on: NaiveDate,
) -> Result<(), StoreError> {
    let changed = diesel::update(
        surgeon_limit::table
            .filter(surgeon_limit::id.eq(limit))
            .filter(surgeon_limit::episode_id.eq(episode_id)),
    )
    .set(surgeon_limit::ended_on.eq(on))
    .execute(conn)?;
    if changed == 1 {
        Ok(())
    } else {
        Err(StoreError::NotFound("limit"))
    }
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
    let story = Story {
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
    let other_operated_on = episode::table
        .filter(episode::patient_id.eq(person.id))
        .filter(episode::side.eq(word(story.side.other())))
        .filter(episode::start.eq("surgery"))
        .filter(episode::closed_on.is_null())
        .select(diesel::dsl::max(episode::day0))
        .first::<Option<NaiveDate>>(conn)?;
    let (simulated, measurements) = events::measurements(conn, id)?
        .into_iter()
        .partition(|m| m.method == Some(Method::Simulated));
    let (simulated_strength, strength) = strength::trials(conn, id)?
        .into_iter()
        .partition(|t| t.simulated());
    let facts = Facts {
        today,
        other_operated_on,
        birth: person.birth,
        story,
        limits: limits(conn, id)?,
        flag_answers: events::flag_answers(conn, id)?,
        flag_actions: events::flag_actions(conn, id)?,
        measurements,
        simulated,
        simulated_strength,
        findings: findings::findings(conn, id)?,
        strength,
        sheets: outcome::sheets(conn, id)?,
        clinic_errors: reliability::newest(conn)?,
        exam_notes: findings::notes(conn, id)?,
        scores: events::scores(conn, id)?,
        attestations: events::attestations(conn, id)?,
        log: events::log(conn, id)?,
        gate_passes: events::gate_passes(conn, id)?,
        lines: match &head {
            Some(head) => program::lines(conn, head.id)?,
            None => Vec::new(),
        },
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
    diesel::update(episode::table.filter(episode::id.eq_any(&same_side)))
        .set(episode::closed_on.eq(today))
        .execute(conn)?;
    diesel::delete(lane::table.filter(lane::episode_id.eq_any(&same_side))).execute(conn)?;
    write_lists(conn, id, story)
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
