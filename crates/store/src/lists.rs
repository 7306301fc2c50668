//! The lists of a story: health, kit, tasks, what is special, schools. Read in one statement, replaced as a whole.

use crate::convert::count;
use crate::schema::{
    episode_health, episode_kit, episode_modifier, episode_school, episode_task, story_list,
};
use crate::{EpisodeId, StoreError};
use diesel::prelude::*;
use ritorno_core::facts::{Story, Task};
use std::collections::BTreeMap;

/// The lists of one story.
#[derive(Default)]
pub(crate) struct Lists {
    pub(crate) health: Vec<String>,
    pub(crate) kit: Vec<String>,
    pub(crate) modifiers: Vec<String>,
    pub(crate) tasks: Vec<Task>,
    pub(crate) schools: BTreeMap<String, String>,
}

#[derive(Queryable, Selectable)]
#[diesel(table_name = story_list)]
struct Row {
    list: String,
    item: String,
    about: Option<String>,
    score: Option<i32>,
}

/// Reads the lists of an episode: one query.
///
/// # Errors
/// Database failure.
pub(crate) fn read(conn: &mut PgConnection, id: EpisodeId) -> Result<Lists, StoreError> {
    let rows = story_list::table
        .filter(story_list::episode_id.eq(id))
        .order((story_list::list, story_list::place, story_list::item))
        .select(Row::as_select())
        .load(conn)?;
    let mut lists = Lists::default();
    for row in rows {
        match row.list.as_str() {
            "health" => lists.health.push(row.item),
            "kit" => lists.kit.push(row.item),
            "modifier" => lists.modifiers.push(row.item),
            "task" => lists.tasks.push(Task {
                label: row.item,
                score: count(row.score.unwrap_or(0)).min(10) as u8,
                asks: row.about,
            }),
            _ => {
                let school = row.about.unwrap_or_default();
                lists.schools.insert(row.item, school);
            }
        }
    }
    Ok(lists)
}

#[derive(Insertable)]
#[diesel(table_name = episode_health)]
struct NewHealth<'a> {
    episode_id: EpisodeId,
    item: &'a str,
}

#[derive(Insertable)]
#[diesel(table_name = episode_kit)]
struct NewKit<'a> {
    episode_id: EpisodeId,
    item: &'a str,
}

#[derive(Insertable)]
#[diesel(table_name = episode_modifier)]
struct NewModifier<'a> {
    episode_id: EpisodeId,
    item: &'a str,
}

#[derive(Insertable)]
#[diesel(table_name = episode_task)]
struct NewTask<'a> {
    episode_id: EpisodeId,
    place: i32,
    label: &'a str,
    score: i32,
    asks: Option<&'a str>,
}

#[derive(Insertable)]
#[diesel(table_name = episode_school)]
struct NewSchool<'a> {
    episode_id: EpisodeId,
    question: &'a str,
    school: &'a str,
}

/// Replaces one list; an item named twice counts once.
macro_rules! replace {
    ($conn:expr, $table:ident, $id:expr, $rows:expr) => {{
        diesel::delete($table::table.filter($table::episode_id.eq($id))).execute($conn)?;
        let rows: Vec<_> = $rows.collect();
        diesel::insert_into($table::table)
            .values(rows)
            .on_conflict_do_nothing()
            .execute($conn)?;
    }};
}

/// Replaces the lists of an episode.
///
/// # Errors
/// Database failure.
pub(crate) fn write(
    conn: &mut PgConnection,
    episode_id: EpisodeId,
    story: &Story,
) -> Result<(), StoreError> {
    let health = story
        .health
        .iter()
        .map(|item| NewHealth { episode_id, item });
    replace!(conn, episode_health, episode_id, health);
    let kit = story.kit.iter().map(|item| NewKit { episode_id, item });
    replace!(conn, episode_kit, episode_id, kit);
    let modifiers = story
        .modifiers
        .iter()
        .map(|item| NewModifier { episode_id, item });
    replace!(conn, episode_modifier, episode_id, modifiers);
    let tasks = story.tasks.iter().zip(0i32..).map(|(task, place)| NewTask {
        episode_id,
        place,
        label: &task.label,
        score: i32::from(task.score),
        asks: task.asks.as_deref(),
    });
    replace!(conn, episode_task, episode_id, tasks);
    let schools = story.schools.iter().map(|(question, school)| NewSchool {
        episode_id,
        question,
        school,
    });
    replace!(conn, episode_school, episode_id, schools);
    Ok(())
}
