-- The audit proves itself: each row carries a digest of itself and of the row before, in one chain a patient and one for what
-- belongs to nobody's record. A single chain for all would make all writers wait for each other.
create table audit_head (
    -- The patient; all noughts for what belongs to nobody's record.
    head uuid primary key,
    seq bigint not null,
    chain bytea not null
) with (fillfactor = 50);

alter table audit
    add column head uuid,
    add column seq bigint,
    add column chain bytea;

-- What of a row is chained, as text that can be read only one way.
create function audit_words(
    head uuid, seq bigint, at timestamptz, actor uuid, action text, table_name text, row_id text, digest bytea
) returns bytea language sql stable as $$
    select convert_to(jsonb_build_array(
        head, seq, to_char(at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US'), actor, action, table_name, row_id,
        encode(digest, 'hex')
    )::text, 'utf8')
$$;

-- The next place in a chain. The row of the head is held until the transaction ends, like the record of the patient.
create function audit_next(
    of_head uuid, at timestamptz, actor uuid, action text, table_name text, row_id text, digest bytea,
    out seq bigint, out chain bytea
) language sql set search_path = public, pg_temp as $$
    insert into audit_head as h values (of_head, 1, sha256(audit_words(of_head, 1, at, actor, action, table_name, row_id, digest)))
    on conflict (head) do update set
        seq = h.seq + 1,
        chain = sha256(h.chain || audit_words(of_head, h.seq + 1, at, actor, action, table_name, row_id, digest))
    returning h.seq, h.chain
$$;

-- Housekeeping is no fact, and two servers that look for it never wait for each other.
drop trigger audited on job;

create or replace function write_audit() returns trigger
language plpgsql security definer set search_path = public, pg_temp as $$
declare
    body jsonb := to_jsonb(case when tg_op = 'DELETE' then old else new end)
        - 'password_hash' - 'token_hash' - 'secret' - 'code_hash';
    salt bytea := decode(replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''), 'hex');
    row audit;
    place record;
begin
    row.at := now();
    row.actor := nullif(current_setting('ritorno.actor', true), '')::uuid;
    row.action := coalesce(nullif(current_setting('ritorno.action', true), ''), 'unnamed') || ':' || lower(tg_op);
    row.table_name := tg_table_name;
    row.row_id := coalesce(
        body ->> 'id', body ->> 'episode_id',
        (select value from jsonb_each_text(body) where key like '%\_id' and key <> 'user_id' order by key limit 1),
        body ->> 'sha256', ''
    );
    row.digest := sha256(salt || convert_to(body::text, 'utf8'));
    -- Whose record it is: the one that is held, else the one that the row names.
    row.head := coalesce(
        nullif(current_setting('ritorno.patient', true), '')::uuid,
        (body ->> 'patient_id')::uuid,
        case when tg_table_name = 'patient' then (body ->> 'id')::uuid end,
        '00000000-0000-0000-0000-000000000000'
    );
    place := audit_next(row.head, row.at, row.actor, row.action, row.table_name, row.row_id, row.digest);
    insert into audit (at, actor, action, table_name, row_id, digest, head, seq, chain)
    values (row.at, row.actor, row.action, row.table_name, row.row_id, row.digest, row.head, place.seq, place.chain)
    returning id into row.id;
    insert into audit_value values (row.id, salt, body);
    return null;
end $$;

-- What was audited before is chained in the order in which it was written.
do $$
declare
    r record;
    place record;
    whose uuid;
begin
    alter table audit disable trigger unchanging;
    for r in
        select a.*, v.body from audit a left join audit_value v on v.audit_id = a.id order by a.id
    loop
        whose := coalesce(
            (r.body ->> 'patient_id')::uuid,
            case when r.table_name = 'patient' then (r.body ->> 'id')::uuid end,
            (select patient_id from episode where id = (r.body ->> 'episode_id')::uuid),
            (select patient_id from event where id::text = r.body ->> 'id'),
            '00000000-0000-0000-0000-000000000000'
        );
        place := audit_next(whose, r.at, r.actor, r.action, r.table_name, r.row_id, r.digest);
        update audit set head = whose, seq = place.seq, chain = place.chain where id = r.id;
    end loop;
    alter table audit enable trigger unchanging;
end $$;
alter table audit
    alter column head set not null,
    alter column seq set not null,
    alter column chain set not null,
    add constraint audit_chain unique (head, seq);

-- Who looked at whose record, and when. Lists of people belong to nobody's record.
create table record_read (
    id bigint generated always as identity primary key,
    at timestamptz not null default now(),
    user_id uuid not null references app_user (id),
    patient_id uuid references patient (id),
    what text not null check (what ~ '^[a-z-]{1,40}$')
);
create index record_read_patient on record_read (patient_id, id desc);
create index record_read_user on record_read (user_id, id desc);
create trigger unchanging before update or delete on record_read for each row execute function refuse_change();

do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select on audit_head to ritorno_app;
        grant select, insert on record_read to ritorno_app;
        -- Nothing that was ever on record is taken off it by the application.
        revoke delete, truncate on patient, episode, record, program, cover from ritorno_app;
    end if;
end $$;
-- Whose a shoulder is and since when it is on record are no matter of an edit.
create trigger whose before update on episode for each row
    when ((old.id, old.patient_id, old.created_at) is distinct from (new.id, new.patient_id, new.created_at))
    execute function refuse_change();
