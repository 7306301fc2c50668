-- Strength: pushes against a device, with the trace that was kept; the body that pushes.

alter table episode
    add column mass_kg double precision check (mass_kg between 2 and 350),
    add column height_cm double precision check (height_cm between 40 and 250);

create table strength_trial (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    test text not null,
    side text not null check (side in ('left', 'right')),
    peak_n double precision not null check (peak_n >= 0),
    lever_m double precision check (lever_m > 0 and lever_m < 1.5),
    pain double precision check (pain between 0 and 10),
    by_device boolean not null,
    sound boolean not null,
    pushed_on date not null,
    user_id uuid not null references app_user (id)
);
create index strength_trial_episode on strength_trial (episode_id, pushed_on, seq);

create table strength_withdrawn (
    trial_id uuid primary key references strength_trial (id),
    reason text not null default ''
);

-- Read whole or not at all: the samples of one push and what was read from them.
create table strength_trace (
    trial_id uuid primary key references strength_trial (id),
    samples jsonb not null,
    reading jsonb not null
);

create or replace function write_audit() returns trigger
language plpgsql security definer set search_path = public, pg_temp as $$
declare
    body jsonb := to_jsonb(case when tg_op = 'DELETE' then old else new end) - 'password_hash' - 'token_hash';
    salt bytea := decode(replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''), 'hex');
    audit_id bigint;
begin
    insert into audit (actor, action, table_name, row_id, digest)
    values (
        nullif(current_setting('ritorno.actor', true), '')::uuid,
        coalesce(nullif(current_setting('ritorno.action', true), ''), 'unnamed') || ':' || lower(tg_op),
        tg_table_name,
        coalesce(body ->> 'id', body ->> 'episode_id', body ->> 'reading_id', body ->> 'finding_id', body ->> 'trial_id', body ->> 'sha256', ''),
        sha256(salt || convert_to(body::text, 'utf8'))
    )
    returning id into audit_id;
    insert into audit_value values (audit_id, salt, body);
    return null;
end $$;

do $$
declare t text;
begin
    foreach t in array array['strength_trial', 'strength_withdrawn', 'strength_trace']
    loop
        execute format('create trigger audited after insert or update or delete on %I for each row execute function write_audit()', t);
        execute format('create trigger unchanging before update or delete on %I for each row execute function refuse_change()', t);
    end loop;
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert on strength_trial, strength_withdrawn, strength_trace to ritorno_app;
    end if;
end $$;
