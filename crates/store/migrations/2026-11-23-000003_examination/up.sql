-- The examination: shoulders without an operation, answered tests, and what else a reading rests on.

alter table episode
    add column start text not null default 'surgery' check (start in ('surgery', 'injury', 'gradual')),
    add column setting text not null default 'primary' check (setting in ('primary', 'specialist')),
    add column complaint text check (complaint in ('raising', 'weakness', 'slipping', 'stiffness', 'top', 'neck')),
    add column other_side text not null default 'sound' check (other_side in ('sound', 'affected', 'operated', 'hypermobile'));

create table finding (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    test text not null,
    side text not null check (side in ('left', 'right')),
    kind text not null check (kind in ('word', 'number', 'could_not')),
    word text,
    value double precision,
    variant text,
    found_on date not null,
    user_id uuid not null references app_user (id),
    check ((kind = 'word') = (word is not null)),
    check ((kind = 'number') = (value is not null))
);
create index finding_episode on finding (episode_id, found_on, seq);

-- Findings are never changed: a wrong one is withdrawn, and the withdrawal is a row of its own.
create table finding_withdrawn (
    finding_id uuid primary key references finding (id),
    reason text not null default ''
);

create table exam_note (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    kind text not null check (kind in ('irritability', 'known', 'pre_test')),
    subject text not null,
    value double precision not null,
    word text not null default '',
    noted_on date not null,
    user_id uuid not null references app_user (id)
);
create index exam_note_episode on exam_note (episode_id, noted_on, seq);

-- The audit names a row by its id, else by the episode, else by whatever other id it carries.
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
        coalesce(
            body ->> 'id', body ->> 'episode_id',
            (select value from jsonb_each_text(body) where key like '%\_id' and key <> 'user_id' order by key limit 1),
            body ->> 'sha256', ''
        ),
        sha256(salt || convert_to(body::text, 'utf8'))
    )
    returning id into audit_id;
    insert into audit_value values (audit_id, salt, body);
    return null;
end $$;

-- For tables whose rows are added and never changed: audited, guarded, and open to the application for that only.
create function keep_forever(t text) returns void language plpgsql as $$
begin
    execute format('create trigger audited after insert or update or delete on %I for each row execute function write_audit()', t);
    execute format('create trigger unchanging before update or delete on %I for each row execute function refuse_change()', t);
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        execute format('grant select, insert on %I to ritorno_app', t);
    end if;
end $$;

select keep_forever('finding'), keep_forever('finding_withdrawn'), keep_forever('exam_note');
