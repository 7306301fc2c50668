-- People are invited, come and go; their sessions are seen and ended; a second factor; tries by name and by address.
alter table app_user
    add column ended_at timestamptz,
    -- The password was made for them: it opens nothing but the page on which they choose their own.
    add column must_change boolean not null default false;

alter table session
    add column made_at timestamptz not null default now(),
    add column seen_at timestamptz not null default now(),
    -- What signed in, and from where, in the words it used itself.
    add column agent text not null default '' check (length(agent) <= 200),
    add column address text not null default '' check (length(address) <= 60);
create index session_of_user on session (user_id);
-- When a session was last used is no fact for the audit; that it began and ended is.
drop trigger audited on session;
create trigger audited after insert or delete on session for each row execute function write_audit();

alter table sign_in_attempt add column address text not null default '' check (length(address) <= 60);
create index sign_in_attempt_address on sign_in_attempt (address, at desc);
-- Anybody can cause as many tries as they like: they are counted and forgotten, and fill no audit.
drop trigger audited on sign_in_attempt;

-- A link that works once: with it somebody chooses a password. Without a person it makes the first lead.
create table invitation (
    id uuid primary key,
    token_hash bytea not null unique,
    user_id uuid references app_user (id),
    made_by uuid references app_user (id),
    made_at timestamptz not null default now(),
    expires_at timestamptz not null,
    used_at timestamptz
);
create index invitation_user on invitation (user_id);

-- A secret that a person's telephone shares with the clinic. A step that was used is not used again.
create table second_factor (
    user_id uuid primary key references app_user (id),
    secret bytea not null,
    confirmed_at timestamptz,
    last_step bigint not null default 0
);
create table recovery_code (
    id uuid primary key,
    user_id uuid not null references app_user (id),
    code_hash bytea not null,
    used_at timestamptz,
    unique (user_id, code_hash)
);

-- What a lead sets about access: every version stays, the newest one counts.
create table access_rules (
    rev integer primary key check (rev > 0),
    body jsonb not null,
    user_id uuid not null references app_user (id),
    made_at timestamptz not null default now()
);

-- What the audit leaves out of these tables stands with the chain, in the next step: nothing is in them before.
do $$
declare t text;
begin
    foreach t in array array['invitation', 'second_factor', 'recovery_code', 'access_rules']
    loop
        execute format('create trigger audited after insert or update or delete on %I for each row execute function write_audit()', t);
        if exists (select from pg_roles where rolname = 'ritorno_app') then
            execute format('grant select, insert, update, delete on %I to ritorno_app', t);
        end if;
    end loop;
    create trigger unchanging before update or delete on access_rules for each row execute function refuse_change();
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        revoke update, delete on access_rules from ritorno_app;
        -- Whoever signed something stays on record: people are ended, not deleted, nor are the links they were given.
        revoke delete on app_user, invitation from ritorno_app;
    end if;
end $$;
