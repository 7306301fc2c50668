//! The stream of a patient: every event once, numbered in the order in which it became known, and what it does to earlier ones.
//!
//! Details lie beside it in tables of their own, keyed by the event's id. Nothing here is ever changed.

use crate::convert::parts;
use crate::schema::{effect, episode, event, event_reason, record};
use crate::{EpisodeId, PatientId, StoreError};
use chrono::{DateTime, NaiveDate, Utc};
use diesel::prelude::*;
use diesel::sql_types::{Array, BigInt, Date, Jsonb, Nullable, Text, Timestamptz, Uuid as SqlUuid};
use serde::Serialize;
use sha2::{Digest, Sha256};
use uuid::Uuid;

/// Whether an event was new.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Stored {
    /// It was stored now.
    New,
    /// It had been stored before, with the same contents.
    Before,
}

/// Whether a row with a client's id is the one that was there, where it is no event of a patient.
pub(crate) fn settle(
    added: usize,
    same: impl FnOnce() -> Result<bool, StoreError>,
) -> Result<Stored, StoreError> {
    match added {
        1 => Ok(Stored::New),
        _ if same()? => Ok(Stored::Before),
        _ => Err(StoreError::IdConflict),
    }
}

/// What an event does to an earlier one.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Role {
    /// Answers it.
    Closes,
    /// Ends it.
    Ends,
    /// Takes it back: it was entered by mistake.
    TakesBack,
    /// Lets it go on.
    Resumes,
    /// Something was done about it.
    ActsOn,
}

impl Role {
    pub(crate) fn word(self) -> &'static str {
        match self {
            Role::Closes => "closes",
            Role::Ends => "ends",
            Role::TakesBack => "takes_back",
            Role::Resumes => "resumes",
            Role::ActsOn => "acts_on",
        }
    }
}

/// Locks the record of a patient for this transaction: whoever writes for the same patient waits here. What is written belongs to
/// the patient's chain of the audit.
///
/// # Errors
/// `NotFound`; `Busy` when the wait is too long.
pub fn lock(conn: &mut PgConnection, patient: PatientId) -> Result<(), StoreError> {
    let held = diesel::sql_query(
        "select set_config('ritorno.patient', patient_id::text, true) from record where patient_id = $1 for no key update",
    )
    .bind::<SqlUuid, _>(patient.0)
    .execute(conn)?;
    match held {
        0 => Err(StoreError::NotFound("patient")),
        _ => Ok(()),
    }
}

/// The patient of an episode.
///
/// # Errors
/// `NotFound`.
pub fn patient_of(conn: &mut PgConnection, id: EpisodeId) -> Result<PatientId, StoreError> {
    episode::table
        .filter(episode::id.eq(id))
        .select(episode::patient_id)
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("episode"))
}

/// Begins the record of a new patient.
///
/// # Errors
/// Database failure.
pub(crate) fn begin(conn: &mut PgConnection, patient: PatientId) -> Result<(), StoreError> {
    diesel::insert_into(record::table)
        .values(record::patient_id.eq(patient))
        .execute(conn)?;
    lock(conn, patient)
}

/// Where an event belongs and when it is true.
#[derive(Debug, Clone, Copy)]
pub struct Entry {
    /// The episode.
    pub episode: EpisodeId,
    /// Made where it was entered.
    pub id: Uuid,
    /// What kind of event.
    pub kind: &'static str,
    /// When it is true.
    pub on: NaiveDate,
    /// Which way it came.
    pub via: Via,
}

/// Which way an event came into the record.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Via {
    /// Somebody of the clinic entered it.
    Clinic,
    /// The patient told it, from home.
    Home,
    /// A rule spoke.
    Rule,
}

impl Via {
    fn word(self) -> &'static str {
        match self {
            Via::Clinic => "clinic",
            Via::Home => "home",
            Via::Rule => "rule",
        }
    }
}

impl Entry {
    /// An event that a person of the clinic enters.
    pub fn new(episode: EpisodeId, id: Uuid, kind: &'static str, on: NaiveDate) -> Entry {
        Entry {
            episode,
            id,
            kind,
            on,
            via: Via::Clinic,
        }
    }

    /// The same event, come another way.
    pub fn by_way(self, via: Via) -> Entry {
        Entry { via, ..self }
    }
}

/// Enters an event once. The same id with the same body changes nothing; with another it is refused.
///
/// The patient's record is locked by the caller's transaction or here, by the counter.
///
/// # Errors
/// `IdConflict`, `NotFound`, database failure.
pub fn enter(
    conn: &mut PgConnection,
    entry: Entry,
    body: &impl Serialize,
) -> Result<Stored, StoreError> {
    let text = serde_json::to_string(body).map_err(|_| StoreError::Unreadable("entry"))?;
    let whole = format!("{}\n{}\n{}\n{text}", entry.episode, entry.kind, entry.on);
    let sha = Sha256::digest(whole.as_bytes()).to_vec();
    let before = event::table
        .filter(event::id.eq(entry.id))
        .select(event::sha)
        .first::<Vec<u8>>(conn)
        .optional()?;
    match before {
        Some(kept) if kept == sha => return Ok(Stored::Before),
        Some(_) => return Err(StoreError::IdConflict),
        None => {}
    }
    let of = episode::table
        .filter(episode::id.eq(entry.episode))
        .select(episode::patient_id)
        .single_value();
    let counted: Option<(PatientId, i64)> =
        diesel::update(record::table.filter(record::patient_id.nullable().eq(of)))
            .set(record::seq.eq(record::seq + 1))
            .returning((record::patient_id, record::seq))
            .get_result(conn)
            .optional()?;
    let (patient, seq) = counted.ok_or(StoreError::NotFound("episode"))?;
    let row = NewEvent {
        patient_id: patient,
        seq,
        id: entry.id,
        sha,
        episode_id: entry.episode,
        kind: entry.kind,
        on_date: entry.on,
        via: entry.via.word(),
    };
    diesel::insert_into(event::table)
        .values(row)
        .execute(conn)?;
    Ok(Stored::New)
}

#[derive(Insertable)]
#[diesel(table_name = event)]
struct NewEvent {
    patient_id: PatientId,
    seq: i64,
    id: Uuid,
    sha: Vec<u8>,
    episode_id: EpisodeId,
    kind: &'static str,
    on_date: NaiveDate,
    via: &'static str,
}

/// One event doing something to an earlier one.
#[derive(Debug, Clone, Copy)]
pub struct Act {
    by: Uuid,
    role: Role,
    target: Uuid,
}

impl Act {
    /// `by` does `role` to `target`.
    pub fn by(by: Uuid, role: Role, target: Uuid) -> Act {
        Act { by, role, target }
    }
}

/// Says what an event does to an earlier one of the same patient.
///
/// # Errors
/// `NotFound` when the patient has no such earlier event.
pub fn act(conn: &mut PgConnection, act: Act) -> Result<(), StoreError> {
    let done = diesel::sql_query(
        "insert into effect (patient_id, seq, target, role)
         select e.patient_id, e.seq, t.seq, $3 from event e, event t
         where e.id = $1 and t.id = $2 and t.patient_id = e.patient_id and t.episode_id = e.episode_id
         on conflict do nothing",
    )
    .bind::<SqlUuid, _>(act.by)
    .bind::<SqlUuid, _>(act.target)
    .bind::<Text, _>(act.role.word())
    .execute(conn)?;
    if done == 1 {
        Ok(())
    } else {
        Err(StoreError::NotFound("entry"))
    }
}

/// How many events a patient has: it grows with every one.
///
/// # Errors
/// Database failure.
pub fn count(conn: &mut PgConnection, of: PatientId) -> Result<i64, StoreError> {
    use crate::schema::record;
    Ok(record::table.find(of).select(record::seq).first(conn)?)
}

/// Keeps why, in words.
///
/// # Errors
/// Database failure.
pub fn reason(
    conn: &mut PgConnection,
    id: Uuid,
    code: &str,
    words: &str,
) -> Result<(), StoreError> {
    use event_reason as t;
    diesel::insert_into(t::table)
        .values((t::id.eq(id), t::code.eq(code), t::words.eq(words)))
        .execute(conn)?;
    Ok(())
}

/// Which kinds of events can be taken back.
const TAKEN_BACK: [&str; 17] = [
    "appointment",
    "line_step",
    "week_use",
    "measurement",
    "finding",
    "exam_note",
    "strength_trial",
    "outcome_sheet",
    "score",
    "attestation",
    "log",
    "limit",
    "gate_pass",
    "decision",
    "limit_end",
    "breach_answer",
    "flare_day",
];

/// Takes an entry back: it stays, and why is an event of its own, whose id is answered. Doing it twice changes nothing.
///
/// # Errors
/// `NotFound` when the episode has no such entry or it is of a kind that is not taken back.
pub fn take_back(
    conn: &mut PgConnection,
    episode: EpisodeId,
    target: Uuid,
    kind: &str,
    on: NaiveDate,
    why: (&str, &str),
) -> Result<Option<Uuid>, StoreError> {
    let found = event::table
        .filter(event::id.eq(target))
        .filter(event::episode_id.eq(episode))
        .filter(event::kind.eq(kind))
        .select((event::patient_id, event::seq))
        .first::<(PatientId, i64)>(conn)
        .optional()?
        .filter(|_| TAKEN_BACK.contains(&kind));
    let Some((patient, seq)) = found else {
        return Err(StoreError::NotFound("entry"));
    };
    let gone = effect::table
        .filter(effect::patient_id.eq(patient))
        .filter(effect::target.eq(seq))
        .filter(effect::role.eq(Role::TakesBack.word()))
        .count()
        .get_result::<i64>(conn)?;
    if gone > 0 {
        return Ok(None);
    }
    let id = Uuid::now_v7();
    enter(conn, Entry::new(episode, id, "taken_back", on), &target)?;
    act(conn, Act::by(id, Role::TakesBack, target))?;
    crate::unread::seen(conn, &[target])?;
    let (code, words) = why;
    reason(conn, id, code, words)?;
    Ok(Some(id))
}

/// Events of a kind that act on another, oldest first.
///
/// # Errors
/// Database failure.
pub fn acting_on(
    conn: &mut PgConnection,
    target: Uuid,
    kind: &str,
) -> Result<Vec<Uuid>, StoreError> {
    let found: Option<(PatientId, i64)> = event::table
        .filter(event::id.eq(target))
        .select((event::patient_id, event::seq))
        .first(conn)
        .optional()?;
    let Some((patient, seq)) = found else {
        return Ok(Vec::new());
    };
    let acts = effect::table
        .filter(effect::patient_id.eq(patient))
        .filter(effect::target.eq(seq))
        .filter(effect::role.eq(Role::ActsOn.word()))
        .select(effect::seq);
    Ok(event::table
        .filter(event::patient_id.eq(patient))
        .filter(event::kind.eq(kind))
        .filter(event::seq.eq_any(acts))
        .order(event::seq)
        .select(event::id)
        .load(conn)?)
}

/// The episode an event belongs to.
///
/// # Errors
/// Database failure.
pub fn episode_of(conn: &mut PgConnection, id: Uuid) -> Result<Option<EpisodeId>, StoreError> {
    Ok(event::table
        .filter(event::id.eq(id))
        .select(event::episode_id)
        .first::<Option<EpisodeId>>(conn)
        .optional()?
        .flatten())
}

/// The join of a detail with its event, without what was taken back, oldest first. Of anything but the log: it grows with every day
/// at home, and an index leaves it out.
macro_rules! standing {
    ($t:ident, $episode:expr) => {{
        use crate::schema::{effect, event};
        $t::table
            .inner_join(event::table.on(event::id.eq($t::id)))
            .filter(event::episode_id.eq($episode))
            .filter(event::kind.ne("log"))
            .filter(diesel::dsl::not(diesel::dsl::exists(
                effect::table
                    .filter(effect::patient_id.eq(event::patient_id))
                    .filter(effect::target.eq(event::seq))
                    .filter(effect::role.eq("takes_back")),
            )))
            .order((event::on_date, event::seq))
    }};
}
pub(crate) use standing;

/// One event of the timeline with what was kept about it.
#[derive(Debug, Clone, PartialEq, QueryableByName)]
pub struct Told {
    /// Its number: the order in which it became known.
    #[diesel(sql_type = BigInt)]
    pub seq: i64,
    /// Its id.
    #[diesel(sql_type = SqlUuid)]
    pub id: Uuid,
    /// The episode.
    #[diesel(sql_type = Nullable<SqlUuid>)]
    pub episode_id: Option<EpisodeId>,
    /// What kind.
    #[diesel(sql_type = Text)]
    pub kind: String,
    /// When it is true.
    #[diesel(sql_type = Date)]
    pub on_date: NaiveDate,
    /// When it was entered.
    #[diesel(sql_type = Timestamptz)]
    pub at: DateTime<Utc>,
    /// By whom, by name; nobody for a rule.
    #[diesel(sql_type = Nullable<Text>)]
    pub by_name: Option<String>,
    /// Which way it came: `clinic`, `home`, `rule` …
    #[diesel(sql_type = Text)]
    pub via: String,
    /// Its details, as they were stored.
    #[diesel(sql_type = Jsonb)]
    pub body: serde_json::Value,
    /// What it did to earlier ones, and later ones to it: `{to, from, role}` by number.
    #[diesel(sql_type = Jsonb)]
    pub effects: serde_json::Value,
}

/// Which events of a timeline are wanted.
#[derive(Debug, Clone, Default)]
pub struct Wanted {
    /// Only of these kinds; all when empty.
    pub kinds: Vec<String>,
    /// Only where these words stand in what was written or who wrote it.
    pub search: String,
    /// Only before this number.
    pub before: Option<i64>,
    /// At most so many.
    pub limit: i64,
}

/// The newest events of a patient that are wanted, those taken back included. One query.
///
/// # Errors
/// Database failure.
pub fn timeline(
    conn: &mut PgConnection,
    patient: PatientId,
    wanted: &Wanted,
) -> Result<Vec<Told>, StoreError> {
    Ok(
        diesel::sql_query("select * from patient_timeline($1, $2, $3, $4, $5)")
            .bind::<SqlUuid, _>(patient)
            .bind::<Nullable<BigInt>, _>(wanted.before)
            .bind::<BigInt, _>(wanted.limit)
            .bind::<Array<Text>, _>(&wanted.kinds)
            .bind::<Array<Text>, _>(parts(&wanted.search).collect::<Vec<_>>())
            .load(conn)?,
    )
}

/// For the demo: what is entered from here on in this transaction counts as entered on a day of its invented past.
///
/// # Errors
/// Database failure.
pub fn entered_on(conn: &mut PgConnection, day: NaiveDate) -> Result<(), StoreError> {
    diesel::sql_query("select set_config('ritorno.entered', $1, true)")
        .bind::<Text, _>(format!("{day} 12:00:00+00"))
        .execute(conn)?;
    Ok(())
}
