//! A program: its head, its lines, and the snapshots that were signed.

use crate::convert::{column, count, unword, word};
use crate::event::{Entry, enter};
use crate::schema::{app_user, event, program, program_line, program_snapshot};
use crate::{EpisodeId, ProgramId, StoreError};
use chrono::NaiveDate;
use diesel::prelude::*;
use ritorno_core::facts::Line;
use ritorno_core::knowledge::{Dose, Weekdays};
use ritorno_core::snapshot::{Kind, ProgramV1};
use uuid::Uuid;

/// The head of a program.
#[derive(Debug, Clone, PartialEq, Queryable, Selectable, Insertable)]
#[diesel(table_name = program)]
pub struct Head {
    /// Id.
    pub id: ProgramId,
    /// Episode id.
    pub episode_id: EpisodeId,
    /// The knowledge it was built with.
    pub knowledge_sha256: String,
    /// Revision, raised by every edit.
    pub rev: i32,
}

#[derive(Queryable, Selectable, Insertable)]
#[diesel(table_name = program_line)]
struct LineRow {
    id: Uuid,
    program_id: ProgramId,
    exercise: String,
    from_day: i32,
    to_day: i32,
    sets: i32,
    repetitions: i32,
    hold_s: i32,
    rest_s: i32,
    times_per_day: i32,
    days_per_week: i32,
    load_kg: Option<f64>,
    elastic_level: Option<i32>,
    effort_pct: Option<i32>,
    tempo_s: Option<Vec<i32>>,
    structure: Option<String>,
    duration_s: Option<i32>,
    force_n: Option<f64>,
    distance_m: Option<f64>,
    weekdays: Option<Vec<bool>>,
    override_reason: Option<String>,
    by_hand: bool,
}

impl LineRow {
    fn of(program_id: ProgramId, line: &Line) -> Self {
        let d = &line.dose;
        LineRow {
            id: line.id,
            program_id,
            exercise: line.exercise.clone(),
            from_day: line.from_day,
            to_day: line.to_day,
            sets: column(d.sets),
            repetitions: column(d.repetitions),
            hold_s: column(d.hold_s),
            rest_s: column(d.rest_s),
            times_per_day: column(d.times_per_day),
            days_per_week: column(d.days_per_week),
            load_kg: d.load_kg,
            elastic_level: d.elastic_level.map(column),
            effort_pct: d.effort_pct.map(column),
            tempo_s: d.tempo_s.map(|t| t.map(column).to_vec()),
            structure: d.structure.map(word),
            duration_s: d.duration_s.map(column),
            force_n: d.force_n,
            distance_m: d.distance_m,
            weekdays: d.weekdays.map(|w| w.0.to_vec()),
            override_reason: line.override_reason.clone(),
            by_hand: line.by_hand,
        }
    }

    fn line(self) -> Result<Line, StoreError> {
        Ok(Line {
            id: self.id,
            exercise: self.exercise,
            from_day: self.from_day,
            to_day: self.to_day,
            dose: Dose {
                sets: count(self.sets),
                repetitions: count(self.repetitions),
                hold_s: count(self.hold_s),
                rest_s: count(self.rest_s),
                times_per_day: count(self.times_per_day),
                days_per_week: count(self.days_per_week),
                load_kg: self.load_kg,
                elastic_level: self.elastic_level.map(count),
                effort_pct: self.effort_pct.map(count),
                tempo_s: self
                    .tempo_s
                    .and_then(|t| <[i32; 3]>::try_from(t).ok())
                    .map(|t| t.map(count)),
                structure: self
                    .structure
                    .as_deref()
                    .map(|s| unword("structure", s))
                    .transpose()?,
                duration_s: self.duration_s.map(count),
                force_n: self.force_n,
                distance_m: self.distance_m,
                weekdays: self
                    .weekdays
                    .and_then(|w| <[bool; 7]>::try_from(w).ok())
                    .map(Weekdays),
            },
            override_reason: self.override_reason,
            by_hand: self.by_hand,
        })
    }
}

/// The program of an episode, where there is one.
///
/// # Errors
/// Database failure.
pub fn head(conn: &mut PgConnection, episode: EpisodeId) -> Result<Option<Head>, StoreError> {
    Ok(program::table
        .filter(program::episode_id.eq(episode))
        .select(Head::as_select())
        .first(conn)
        .optional()?)
}

/// The programs of some episodes, each with its lines in order: one query.
///
/// # Errors
/// Database failure.
pub(crate) fn with_lines(
    conn: &mut PgConnection,
    episodes: &[EpisodeId],
) -> Result<Vec<(Head, Vec<Line>)>, StoreError> {
    use program_line as t;
    let all = program::table
        .left_join(t::table.on(t::program_id.eq(program::id)))
        .order((program::id, t::from_day, t::exercise, t::id))
        .select((Head::as_select(), Option::<LineRow>::as_select()));
    let rows: Vec<(Head, Option<LineRow>)> = match episodes {
        // What is asked most: a statement that is planned once, which one with a list is not.
        [one] => all.filter(program::episode_id.eq(one)).load(conn)?,
        many => all.filter(program::episode_id.eq_any(many)).load(conn)?,
    };
    let mut out: Vec<(Head, Vec<Line>)> = Vec::new();
    for (head, row) in rows {
        if out.last().is_none_or(|(last, _)| last.id != head.id) {
            out.push((head, Vec::new()));
        }
        if let (Some((_, lines)), Some(row)) = (out.last_mut(), row) {
            lines.push(row.line()?);
        }
    }
    Ok(out)
}

/// Replaces the lines of a program that stands at revision `rev` (0 for none yet); answers with its head.
///
/// # Errors
/// `Stale` with the newer revision.
pub fn save(
    conn: &mut PgConnection,
    episode: EpisodeId,
    rev: i32,
    sha256: &str,
    new: &[Line],
) -> Result<Head, StoreError> {
    let current: Option<Head> = program::table
        .filter(program::episode_id.eq(episode))
        .select(Head::as_select())
        .for_update()
        .first(conn)
        .optional()?;
    let head = match current {
        Some(head) if head.rev == rev => {
            diesel::update(program::table.filter(program::id.eq(head.id)))
                .set((
                    program::rev.eq(rev + 1),
                    program::knowledge_sha256.eq(sha256),
                ))
                .execute(conn)?;
            diesel::delete(program_line::table.filter(program_line::program_id.eq(head.id)))
                .execute(conn)?;
            Head {
                rev: rev + 1,
                knowledge_sha256: sha256.to_owned(),
                ..head
            }
        }
        Some(head) => return Err(StoreError::Stale { current: head.rev }),
        None if rev == 0 => {
            let head = Head {
                id: ProgramId::new(),
                episode_id: episode,
                knowledge_sha256: sha256.to_owned(),
                rev: 1,
            };
            diesel::insert_into(program::table)
                .values(&head)
                .execute(conn)?;
            head
        }
        None => return Err(StoreError::Stale { current: 0 }),
    };
    let rows: Vec<LineRow> = new.iter().map(|line| LineRow::of(head.id, line)).collect();
    diesel::insert_into(program_line::table)
        .values(rows)
        .execute(conn)?;
    Ok(head)
}

/// A signed snapshot, without its body.
#[derive(Debug, Clone, PartialEq)]
pub struct Signed {
    /// 1, 2, 3 …
    pub version: i32,
    /// The day it was signed.
    pub signed_on: NaiveDate,
    /// The knowledge it was built with.
    pub knowledge_sha256: String,
}

#[derive(Insertable)]
#[diesel(table_name = program_snapshot)]
struct NewSnapshot<'a> {
    id: Uuid,
    program_id: ProgramId,
    version: i32,
    kind_version: i32,
    knowledge_sha256: &'a str,
    body: serde_json::Value,
}

/// Signs: keeps a snapshot that is never changed.
///
/// # Errors
/// `Stale` when the program has moved on since the revision that is signed.
pub fn sign(
    conn: &mut PgConnection,
    episode: EpisodeId,
    signed: &ProgramV1,
    on: NaiveDate,
) -> Result<Signed, StoreError> {
    let head: Head = program::table
        .filter(program::episode_id.eq(episode))
        .select(Head::as_select())
        .for_update()
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("program"))?;
    if head.rev != signed.rev {
        return Err(StoreError::Stale { current: head.rev });
    }
    let body = serde_json::to_value(signed).map_err(|_| StoreError::Unreadable("program"))?;
    let version = last_signed(conn, head.id)?.map_or(1, |s| s.version + 1);
    let id = Uuid::now_v7();
    let entry = Entry::new(episode, id, "program_signed", on);
    enter(conn, entry, &(head.id, version))?;
    let row = NewSnapshot {
        id,
        program_id: head.id,
        version,
        kind_version: Kind::Program.version(),
        knowledge_sha256: &head.knowledge_sha256,
        body,
    };
    diesel::insert_into(program_snapshot::table)
        .values(row)
        .execute(conn)?;
    Ok(Signed {
        version,
        signed_on: on,
        knowledge_sha256: head.knowledge_sha256,
    })
}

/// The newest snapshot of a program.
///
/// # Errors
/// Database failure.
pub fn last_signed(
    conn: &mut PgConnection,
    program: ProgramId,
) -> Result<Option<Signed>, StoreError> {
    use program_snapshot as t;
    let found: Option<(SignedRow, NaiveDate)> = t::table
        .inner_join(event::table.on(event::id.eq(t::id)))
        .filter(t::program_id.eq(program))
        .order(t::version.desc())
        .select((SignedRow::as_select(), event::on_date))
        .first(conn)
        .optional()?;
    Ok(found.map(|(row, signed_on)| Signed {
        version: row.version,
        signed_on,
        knowledge_sha256: row.knowledge_sha256,
    }))
}

#[derive(Queryable, Selectable)]
#[diesel(table_name = program_snapshot)]
struct SignedRow {
    version: i32,
    knowledge_sha256: String,
}

/// A signed version, with who signed it.
#[derive(Debug, Clone, PartialEq)]
pub struct Version {
    /// 1, 2, 3 …
    pub version: i32,
    /// The day it was signed.
    pub signed_on: NaiveDate,
    /// By whom, by name.
    pub by: Option<String>,
}

/// All signed versions of a program, the newest first.
///
/// # Errors
/// Database failure.
pub fn signed_versions(
    conn: &mut PgConnection,
    program: ProgramId,
) -> Result<Vec<Version>, StoreError> {
    use program_snapshot as t;
    let rows: Vec<(i32, NaiveDate, Option<String>)> = t::table
        .inner_join(event::table.on(event::id.eq(t::id)))
        .left_join(app_user::table.on(app_user::id.nullable().eq(event::by_user)))
        .filter(t::program_id.eq(program))
        .order(t::version.desc())
        .select((t::version, event::on_date, app_user::name.nullable()))
        .load(conn)?;
    let rows = rows.into_iter().map(|(version, signed_on, by)| Version {
        version,
        signed_on,
        by,
    });
    Ok(rows.collect())
}

/// The body of one signed version, with the version of its kind.
///
/// # Errors
/// Database failure.
pub fn snapshot(
    conn: &mut PgConnection,
    program: ProgramId,
    version: i32,
) -> Result<Option<(i32, serde_json::Value)>, StoreError> {
    use program_snapshot as t;
    Ok(t::table
        .filter(t::program_id.eq(program))
        .filter(t::version.eq(version))
        .select((t::kind_version, t::body))
        .first(conn)
        .optional()?)
}

/// The body of the newest snapshot, with the version of its kind.
///
/// # Errors
/// Database failure.
pub fn last_snapshot(
    conn: &mut PgConnection,
    program: ProgramId,
) -> Result<Option<(i32, serde_json::Value)>, StoreError> {
    use program_snapshot as t;
    Ok(t::table
        .filter(t::program_id.eq(program))
        .order(t::version.desc())
        .select((t::kind_version, t::body))
        .first(conn)
        .optional()?)
}

#[derive(QueryableByName)]
struct Moved {
    #[diesel(sql_type = diesel::sql_types::Bool)]
    moved: bool,
}

/// Whether a limit was written, released, ended or taken back since the program was signed last.
///
/// # Errors
/// Database failure.
pub fn limits_moved_since(conn: &mut PgConnection, head: &Head) -> Result<bool, StoreError> {
    const SQL: &str = "
        select exists (
            select from event e
            left join effect k on k.patient_id = e.patient_id and k.seq = e.seq and k.role = 'takes_back'
            left join event t on t.patient_id = k.patient_id and t.seq = k.target
            where e.episode_id = $2 and (e.kind in ('limit', 'limit_end') or t.kind in ('limit', 'limit_end'))
            and e.seq > (select max(s.seq) from event s join program_snapshot p on p.id = s.id where p.program_id = $1)
        ) as moved";
    let row: Moved = diesel::sql_query(SQL)
        .bind::<diesel::sql_types::Uuid, _>(head.id)
        .bind::<diesel::sql_types::Uuid, _>(head.episode_id)
        .get_result(conn)?;
    Ok(row.moved)
}
