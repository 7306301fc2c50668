-- The first rooms: people, the story of one operated shoulder, readings, program, decisions, audit.
-- Rules that the database can carry stand here as checks; everything else stands in the core.

create table app_user (
    id uuid primary key,
    login text not null unique check (login <> ''),
    name text not null check (name <> ''),
    role text not null check (role in ('clinician', 'lead', 'assistant', 'auditor', 'learner', 'patient_link')),
    password_hash text not null,
    created_at timestamptz not null default now()
);

create table session (
    token_hash bytea primary key,
    id uuid not null unique,
    user_id uuid not null references app_user (id) on delete cascade,
    expires_at timestamptz not null
);
create index session_expires on session (expires_at);

create table sign_in_attempt (
    id uuid primary key,
    login text not null,
    succeeded boolean not null,
    at timestamptz not null default now()
);
create index sign_in_attempt_login on sign_in_attempt (login, at desc);

create table patient (
    id uuid primary key,
    given_name text not null check (btrim(given_name) <> '' and length(given_name) <= 80),
    family_name text not null check (btrim(family_name) <> '' and length(family_name) <= 80),
    birth date not null,
    created_at timestamptz not null default now()
);
create index patient_name on patient (lower(family_name || ' ' || given_name) text_pattern_ops);

create table episode (
    id uuid primary key,
    patient_id uuid not null references patient (id),
    pathway text not null,
    side text not null check (side in ('left', 'right')),
    day0 date not null,
    dominant text not null check (dominant in ('left', 'right')),
    mechanism text not null default '',
    work text not null default '',
    clearance_role text,
    clearance_on date,
    sling_worn boolean,
    note text not null default '',
    rev integer not null default 1,
    created_at timestamptz not null default now(),
    check ((clearance_role is null) = (clearance_on is null))
);
create index episode_patient on episode (patient_id);

create table episode_health (
    episode_id uuid not null references episode (id),
    item text not null,
    primary key (episode_id, item)
);
create table episode_kit (
    episode_id uuid not null references episode (id),
    item text not null,
    primary key (episode_id, item)
);
create table episode_task (
    episode_id uuid not null references episode (id),
    place integer not null,
    label text not null check (btrim(label) <> ''),
    score integer not null check (score between 0 and 10),
    primary key (episode_id, place)
);

create table surgeon_limit (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    quantity text not null,
    ceiling double precision not null,
    floor double precision check (floor <= ceiling),
    until_day integer check (until_day > 0),
    release_role text,
    release_on date,
    ended_on date,
    check ((release_role is null) = (release_on is null))
);
create index surgeon_limit_episode on surgeon_limit (episode_id, seq);

create table flag_answer (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    flag text not null,
    answer text not null check (answer in ('yes', 'no')),
    confirmed boolean not null,
    asked_on date not null
);
create index flag_answer_episode on flag_answer (episode_id, seq);

create table flag_action (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    flag text not null,
    acted_on date not null,
    action text not null check (btrim(action) <> ''),
    closed boolean not null
);
create index flag_action_episode on flag_action (episode_id, seq);

create table reading (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    quantity text not null,
    side text not null check (side in ('left', 'right')),
    value double precision not null,
    stop text not null check (stop in ('pain', 'stiff', 'weak', 'slipping', 'at_limit')),
    taken_by text not null check (taken_by in ('clinician', 'patient')),
    taken_on date not null
);
create index reading_episode on reading (episode_id, taken_on, seq);

-- Readings are never changed: a wrong one is withdrawn, and the withdrawal is a row of its own.
create table reading_withdrawn (
    reading_id uuid primary key references reading (id),
    reason text not null default ''
);

create table score (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    score text not null,
    value double precision not null check (value between 0 and 10),
    given_on date not null
);
create index score_episode on score (episode_id, given_on, seq);

create table attestation (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    code text not null,
    holds boolean not null,
    attested_on date not null,
    user_id uuid not null references app_user (id)
);
create index attestation_episode on attestation (episode_id, attested_on, seq);

create table log_entry (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    logged_on date not null,
    exercise text,
    kind text not null check (kind in ('done', 'left_out', 'pain_before', 'pain_during', 'pain_next_morning', 'slip')),
    value double precision check (value between 0 and 10),
    sessions integer check (sessions between 0 and 24),
    repetitions integer check (repetitions between 0 and 200),
    check ((kind = 'done') = (sessions is not null and repetitions is not null)),
    check ((kind like 'pain%') = (value is not null))
);
create index log_entry_episode on log_entry (episode_id, logged_on, seq);

create table gate_pass (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    gate text not null,
    passed_on date not null,
    overridden text[] not null default '{}',
    reason text not null default '',
    user_id uuid not null references app_user (id),
    unique (episode_id, gate),
    check (cardinality(overridden) = 0 or btrim(reason) <> '')
);

create table knowledge_release (
    sha256 text primary key,
    body jsonb not null,
    stored_at timestamptz not null default now()
);

create table program (
    id uuid primary key,
    episode_id uuid not null unique references episode (id),
    knowledge_sha256 text not null references knowledge_release (sha256),
    rev integer not null default 1
);

create table program_line (
    id uuid primary key,
    program_id uuid not null references program (id),
    exercise text not null,
    from_day integer not null check (from_day >= 0),
    to_day integer not null,
    sets integer not null check (sets between 1 and 10),
    repetitions integer not null check (repetitions between 1 and 60),
    hold_s integer not null check (hold_s between 0 and 300),
    rest_s integer not null check (rest_s between 0 and 300),
    times_per_day integer not null check (times_per_day between 1 and 8),
    days_per_week integer not null check (days_per_week between 1 and 7),
    load_kg double precision,
    elastic_level integer,
    effort_pct integer,
    override_reason text,
    check (to_day > from_day)
);
create index program_line_program on program_line (program_id, from_day);

create table program_snapshot (
    id uuid primary key,
    program_id uuid not null references program (id),
    version integer not null,
    kind_version integer not null,
    knowledge_sha256 text not null references knowledge_release (sha256),
    body jsonb not null,
    signed_by uuid not null references app_user (id),
    signed_on date not null,
    signed_at timestamptz not null default now(),
    unique (program_id, version)
);

create table visit_note (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    visited_on date not null,
    body text not null,
    summary jsonb not null,
    signed_by uuid not null references app_user (id),
    signed_at timestamptz not null default now()
);
create index visit_note_episode on visit_note (episode_id, signed_at desc);

create table lane (
    episode_id uuid primary key references episode (id),
    patient_id uuid not null references patient (id),
    lane text not null,
    rank integer not null,
    body jsonb not null,
    as_of_day date not null,
    inputs_rev integer not null
);
create index lane_order on lane (rank, patient_id);
create index lane_day on lane (as_of_day);

-- Audit: who did what to which row, with a salted digest; the values stand beside it and can be erased.
create table audit (
    id bigint generated always as identity primary key,
    at timestamptz not null default now(),
    actor uuid,
    action text not null,
    table_name text not null,
    row_id text not null,
    digest bytea not null
);
create table audit_value (
    audit_id bigint primary key references audit (id),
    salt bytea not null,
    body jsonb not null
);

create function write_audit() returns trigger
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
        coalesce(body ->> 'id', body ->> 'episode_id', body ->> 'reading_id', body ->> 'sha256', ''),
        sha256(salt || convert_to(body::text, 'utf8'))
    )
    returning id into audit_id;
    insert into audit_value values (audit_id, salt, body);
    return null;
end $$;

create function refuse_change() returns trigger language plpgsql as $$
begin
    raise exception 'rows of % are never changed', tg_table_name;
end $$;

do $$
declare t text;
begin
    for t in
        select tablename from pg_tables
        where schemaname = 'public' and tablename not in ('audit', 'audit_value', '__diesel_schema_migrations')
    loop
        execute format('create trigger audited after insert or update or delete on %I for each row execute function write_audit()', t);
    end loop;
    foreach t in array array['audit', 'program_snapshot', 'reading', 'score', 'attestation', 'log_entry', 'flag_answer', 'flag_action', 'gate_pass', 'visit_note', 'knowledge_release']
    loop
        execute format('create trigger unchanging before update or delete on %I for each row execute function refuse_change()', t);
    end loop;
    -- The application is not the owner: it can neither touch the audit nor switch a trigger off.
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant usage on schema public to ritorno_app;
        grant select, insert, update, delete on all tables in schema public to ritorno_app;
        revoke insert, update, delete on audit, audit_value from ritorno_app;
    end if;
end $$;
