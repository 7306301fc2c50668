//! The audit: whether it is whole, and what it says.

use crate::{PatientId, StoreError, UserId};
use chrono::{DateTime, Utc};
use diesel::prelude::*;
use diesel::sql_types::{Array, BigInt, Bytea, Nullable, Text, Timestamptz, Uuid as SqlUuid};
use uuid::Uuid;

/// Faults of each kind that are told; more say nothing more.
const TOLD: i64 = 50;

/// Something that is not as it was written.
#[derive(Debug, Clone, PartialEq, QueryableByName)]
pub struct Fault {
    /// What: `missing`, `changed`, `out of order`, `head`, `value`, `row changed`, `row gone`, `row added`.
    #[diesel(sql_type = Text)]
    pub what: String,
    /// Which chain: the patient, or all noughts.
    #[diesel(sql_type = SqlUuid)]
    pub head: Uuid,
    /// The place in the chain.
    #[diesel(sql_type = BigInt)]
    pub seq: i64,
    /// Which table and row, where one is meant.
    #[diesel(sql_type = Text)]
    pub row: String,
}

/// What was looked at.
#[derive(Debug, Clone, Copy, PartialEq, QueryableByName)]
pub struct Looked {
    /// Chains.
    #[diesel(sql_type = BigInt)]
    pub chains: i64,
    /// Rows in them.
    #[diesel(sql_type = BigInt)]
    pub rows: i64,
}

/// How many chains and rows there are.
///
/// # Errors
/// Database failure.
pub fn extent(conn: &mut PgConnection) -> Result<Looked, StoreError> {
    Ok(diesel::sql_query(
        "select (select count(*) from audit_head) as chains, (select count(*) from audit) as rows",
    )
    .get_result(conn)?)
}

/// Follows every chain: the first place of each where a row is missing, was changed or changed places; heads that do not fit the last
/// row; values that do not fit their digest.
///
/// # Errors
/// Database failure.
pub fn chain_faults(conn: &mut PgConnection) -> Result<Vec<Fault>, StoreError> {
    Ok(diesel::sql_query(
        "with linked as (
            select a.*, row_number() over w as place, coalesce(lag(chain) over w, ''::bytea) as before, lag(id) over w as earlier
            from audit a window w as (partition by head order by seq)
        ), broken as (
            select distinct on (head) head, seq, table_name || ' ' || row_id as row, case
                when seq <> place then 'missing'
                when chain <> sha256(before || audit_words(head, seq, at, actor, action, table_name, row_id, digest)) then 'changed'
                when earlier >= id then 'out of order'
            end as what
            from linked
            where seq <> place or earlier >= id
                or chain <> sha256(before || audit_words(head, seq, at, actor, action, table_name, row_id, digest))
            order by head, seq
        ), ends as (
            select head, max(seq) as seq, (array_agg(chain order by seq desc))[1] as chain from audit group by head
        )
        select what, head, seq, row from (
            select what, head, seq, row from broken
            union all
            select 'head', head, coalesce(h.seq, e.seq), '' from audit_head h full join ends e using (head)
            where (h.seq, h.chain) is distinct from (e.seq, e.chain)
            union all
            select 'value', a.head, a.seq, a.table_name || ' ' || a.row_id from audit a join audit_value v on v.audit_id = a.id
            where a.digest <> sha256(v.salt || convert_to(v.body::text, 'utf8'))
        ) faults order by head, seq limit $1",
    )
    .bind::<BigInt, _>(TOLD)
    .load(conn)?)
}

#[derive(QueryableByName)]
struct Named {
    #[diesel(sql_type = Text)]
    name: String,
}

/// Rows that are never changed, beside what the audit says was written: those that say something else, those that are gone,
/// and those that nothing was written about. A row that was erased is gone by right: its removal stands in the same chain.
///
/// # Errors
/// Database failure.
pub fn row_faults(conn: &mut PgConnection) -> Result<Vec<Fault>, StoreError> {
    let tables: Vec<Named> = diesel::sql_query(
        "select c.relname::text as name from pg_trigger g join pg_class c on c.oid = g.tgrelid
         where g.tgname = 'unchanging' and exists (select from pg_trigger o where o.tgrelid = c.oid and o.tgname = 'audited')
           and exists (select from pg_attribute t where t.attrelid = c.oid and t.attname = 'id') order by 1",
    )
    .load(conn)?;
    let mut found = Vec::new();
    for Named { name } in tables {
        // The name comes from the catalogue of the database, and is one of its tables.
        let faults: Vec<Fault> = diesel::sql_query(format!(
            "select case when t.id is null then 'row gone' else 'row changed' end as what, a.head, a.seq, '{name} ' || a.row_id as row
             from audit a left join {name} t on t.id::text = a.row_id left join audit_value v on v.audit_id = a.id
             where a.table_name = '{name}' and a.action like '%:insert'
               and (t.id is null or not to_jsonb(t) @> v.body)
               and not (t.id is null and exists (
                    select from audit e where e.table_name = '{name}' and e.row_id = a.row_id and e.head = a.head and e.action = 'erase:delete'
               )) order by a.head, a.seq limit $1"
        ))
        .bind::<BigInt, _>(TOLD)
        .load(conn)?;
        found.extend(faults);
        let added: Vec<Fault> = diesel::sql_query(format!(
            "select 'row added' as what, '00000000-0000-0000-0000-000000000000'::uuid as head, 0::bigint as seq, '{name} ' || t.id as row
             from {name} t where not exists (
                select from audit a where a.table_name = '{name}' and a.row_id = t.id::text and a.action like '%:insert'
             ) limit $1"
        ))
        .bind::<BigInt, _>(TOLD)
        .load(conn)?;
        found.extend(added);
    }
    Ok(found)
}

/// The end of a chain.
#[derive(Debug, Clone, PartialEq, QueryableByName)]
pub struct Head {
    /// The patient, or all noughts.
    #[diesel(sql_type = SqlUuid)]
    pub head: Uuid,
    /// The last place.
    #[diesel(sql_type = BigInt)]
    pub seq: i64,
    /// The digest there.
    #[diesel(sql_type = Bytea)]
    pub chain: Vec<u8>,
}

/// The ends of all chains, to be kept where nobody who can change the database can change them.
///
/// # Errors
/// Database failure.
pub fn heads(conn: &mut PgConnection) -> Result<Vec<Head>, StoreError> {
    Ok(diesel::sql_query("select head, seq, chain from audit_head order by head").load(conn)?)
}

/// Ends that were kept elsewhere and that the chains no longer pass through.
///
/// # Errors
/// Database failure.
pub fn lost_heads(conn: &mut PgConnection, kept: &[Head]) -> Result<Vec<Fault>, StoreError> {
    let (heads, rest): (Vec<Uuid>, Vec<(i64, Vec<u8>)>) = kept
        .iter()
        .map(|k| (k.head, (k.seq, k.chain.clone())))
        .unzip();
    let (seqs, chains): (Vec<i64>, Vec<Vec<u8>>) = rest.into_iter().unzip();
    Ok(diesel::sql_query(
        "select 'anchor' as what, k.head, k.seq, '' as row
         from unnest($1, $2, $3) as k (head, seq, chain) left join audit a on a.head = k.head and a.seq = k.seq
         where a.chain is distinct from k.chain order by k.head, k.seq limit $4",
    )
    .bind::<Array<SqlUuid>, _>(heads)
    .bind::<Array<BigInt>, _>(seqs)
    .bind::<Array<Bytea>, _>(chains)
    .bind::<BigInt, _>(TOLD)
    .load(conn)?)
}

/// Notes that somebody looked at a record, or at a list of people.
///
/// # Errors
/// Database failure.
pub fn note_read(
    conn: &mut PgConnection,
    who: UserId,
    of: Option<Looking>,
    what: &str,
) -> Result<(), StoreError> {
    let (patient, episode) = match of {
        None => (None, None),
        Some(Looking::Patient(id)) => (Some(id.0), None),
        Some(Looking::Episode(id)) => (None, Some(id.0)),
    };
    // A record that does not exist leaves no row: the answer will say so.
    diesel::sql_query(
        "insert into record_read (user_id, patient_id, what)
         select $1, p.id, $4 from (
            select id from patient where id = $2 union all select patient_id from episode where id = $3
            union all select null::uuid where $2 is null and $3 is null
         ) p",
    )
    .bind::<SqlUuid, _>(who.0)
    .bind::<Nullable<SqlUuid>, _>(patient)
    .bind::<Nullable<SqlUuid>, _>(episode)
    .bind::<Text, _>(what)
    .execute(conn)?;
    Ok(())
}

/// What is looked at.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Looking {
    /// A patient.
    Patient(PatientId),
    /// One of their shoulders.
    Episode(crate::EpisodeId),
}

/// Somebody looked at a record, or wrote in it.
#[derive(Debug, Clone, QueryableByName)]
pub struct Trace {
    /// When.
    #[diesel(sql_type = Timestamptz)]
    pub at: DateTime<Utc>,
    /// Who; nobody where it was the application itself.
    #[diesel(sql_type = Nullable<Text>)]
    pub who: Option<String>,
    /// Whether something was written.
    #[diesel(sql_type = diesel::sql_types::Bool)]
    pub wrote: bool,
    /// The page, or what was done.
    #[diesel(sql_type = Text)]
    pub what: String,
    /// Whose record.
    #[diesel(sql_type = Nullable<SqlUuid>)]
    pub patient: Option<Uuid>,
    /// What they are called.
    #[diesel(sql_type = Nullable<Text>)]
    pub patient_name: Option<String>,
    /// The reason for which somebody else's record was opened.
    #[diesel(sql_type = Nullable<Text>)]
    pub words: Option<String>,
}

/// Who looked and who wrote, latest first: of one patient, of one person, or of all. What is written at once is one line.
///
/// # Errors
/// Database failure.
pub fn traces(
    conn: &mut PgConnection,
    patient: Option<PatientId>,
    who: Option<UserId>,
    before: Option<DateTime<Utc>>,
    most: i64,
) -> Result<Vec<Trace>, StoreError> {
    Ok(diesel::sql_query(
        "select t.at, u.name as who, t.wrote, t.what, p.id as patient, p.given_name || ' ' || p.family_name as patient_name,
            o.words from (
            (select at, user_id, false as wrote, what, patient_id from record_read
             where ($1 is null or patient_id = $1) and ($2 is null or user_id = $2) and ($3 is null or at < $3)
             order by id desc limit $4)
            union all
            (select distinct at, actor, true, split_part(action, ':', 1), head from audit
             where ($1 is null or head = $1) and ($2 is null or actor = $2) and ($3 is null or at < $3)
             order by at desc limit $4)
        ) t left join app_user u on u.id = t.user_id left join patient p on p.id = t.patient_id
        left join record_opening o on t.what = 'open-record' and o.patient_id = t.patient_id and o.user_id = t.user_id and o.at = t.at
        order by t.at desc limit $4",
    )
    .bind::<Nullable<SqlUuid>, _>(patient.map(|p| p.0))
    .bind::<Nullable<SqlUuid>, _>(who.map(|u| u.0))
    .bind::<Nullable<Timestamptz>, _>(before)
    .bind::<BigInt, _>(most)
    .load(conn)?)
}
