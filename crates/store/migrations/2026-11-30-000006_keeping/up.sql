-- Which tables hold a patient's record and by what condition on the patient ($1), found by following what refers to what; and how far
-- from the patient each lies: rows further away go first.
create function tables_of_a_patient() returns table (name text, belongs text, place integer) language sql stable as $$
    with recursive link as (
        select c.conrelid as child, c.confrelid as parent,
            string_agg(quote_ident(a.attname), ', ' order by k.n) collate "default" as own,
            string_agg(quote_ident(p.attname), ', ' order by k.n) collate "default" as theirs,
            bool_and(a.attnotnull) as sure
        from pg_constraint c
        cross join lateral unnest(c.conkey, c.confkey) with ordinality as k (own, theirs, n)
        join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.own
        join pg_attribute p on p.attrelid = c.confrelid and p.attnum = k.theirs
        where c.contype = 'f' and c.conrelid <> c.confrelid and c.connamespace = 'public'::regnamespace
        group by c.oid, c.conrelid, c.confrelid
    ), found as (
        select 'patient'::regclass::oid as rel, 'id = $1' as belongs, 0 as place, true as sure
        union all
        select l.child, format('(%s) in (select %s from %s where %s)', l.own, l.theirs, f.rel::regclass, f.belongs),
            f.place + 1, f.sure and l.sure
        from found f join link l on l.parent = f.rel where f.place < 12
    )
    select rel::regclass::text, (array_agg(belongs order by sure desc, place, belongs))[1], max(place)
    from found group by rel order by max(place) desc, 1
$$;

-- Every row of a patient's record, table by table.
create function patient_rows(whose uuid) returns table (name text, body jsonb) language plpgsql stable as $$
declare t record;
begin
    for t in select * from tables_of_a_patient() order by place, name loop
        return query execute format('select %L::text, to_jsonb(t) from %s t where %s', t.name, t.name, t.belongs) using whose;
    end loop;
    return query select 'record_read', to_jsonb(r) from record_read r where r.patient_id = whose order by r.id;
    return query select 'audit', to_jsonb(a) - 'digest' - 'chain' from audit a where a.head = whose order by a.seq;
end $$;

-- Who looked stays when the record is gone: it names nobody but who looked.
alter table record_read drop constraint record_read_patient_id_fkey;

-- That a record was erased, by whose word. The word names no patient.
create table erasure (
    id uuid primary key,
    patient_id uuid not null unique,
    at timestamptz not null default now(),
    words text not null check (words <> ''),
    removed bigint not null
);
create trigger audited after insert or update or delete on erasure for each row execute function write_audit();
create trigger unchanging before update or delete on erasure for each row execute function refuse_change();

-- The one way past: rows are removed by the owner of their table alone, and only while a record is being erased.
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
    if tg_op = 'DELETE' and coalesce(current_setting('ritorno.erasing', true), '') <> ''
        and current_user = (select pg_get_userbyid(relowner) from pg_class where oid = tg_relid)
    then
        return old;
    end if;
    raise exception 'rows of % are never changed', tg_table_name;
end $$;

-- Erases a record: its rows, and what the audit keeps of them. The chain stays whole, with the removal of each row in it.
create function erase_patient(whose uuid, by_words text) returns table (name text, removed bigint) language plpgsql as $$
#variable_conflict use_column
declare
    t record;
    n bigint;
    every bigint := 0;
begin
    perform from record where patient_id = whose for update;
    if not found then
        raise exception 'there is no such patient';
    end if;
    perform set_config('ritorno.erasing', 'yes', true), set_config('ritorno.patient', whose::text, true),
        set_config('ritorno.action', 'erase', true);
    for t in select * from tables_of_a_patient() order by place desc, name loop
        execute format('delete from %s where %s', t.name, t.belongs) using whose;
        get diagnostics n = row_count;
        every := every + n;
        if n > 0 then
            return query select t.name, n;
        end if;
    end loop;
    delete from audit_value v using audit a where a.id = v.audit_id and a.head = whose;
    insert into erasure (id, patient_id, words, removed) values (gen_random_uuid(), whose, by_words, every);
    perform set_config('ritorno.erasing', '', true);
end $$;
revoke execute on function erase_patient(uuid, text) from public;

do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select on erasure to ritorno_app;
    end if;
end $$;
