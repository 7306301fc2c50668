-- The link to a patient's own page: one a shoulder at a time, known by a digest alone.
create table home_link (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    token_hash bytea not null unique,
    made_at timestamptz not null default now(),
    made_by uuid not null references app_user (id),
    expires_on date not null,
    -- Birth dates in a row that did not fit.
    tries integer not null default 0 check (tries >= 0),
    opened_at timestamptz,
    ended_at timestamptz
);
create unique index home_link_stands on home_link (episode_id) where ended_at is null;
create index home_link_episode on home_link (episode_id);
create trigger audited after insert or update or delete on home_link for each row execute function write_audit();

-- Telephones that were let in with it. They go with the link.
create table home_phone (
    id uuid primary key,
    token_hash bytea not null unique,
    link_id uuid not null references home_link (id),
    made_at timestamptz not null default now()
);
create index home_phone_link on home_phone (link_id);
create trigger audited after insert or update or delete on home_phone for each row execute function write_audit();
create trigger unchanging before update or delete on home_phone for each row execute function refuse_change();

do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert, update on home_link to ritorno_app;
        grant select, insert on home_phone to ritorno_app;
    end if;
end $$;
