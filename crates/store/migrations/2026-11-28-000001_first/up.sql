-- People, the story of a shoulder, what is measured, found and logged about it, its program, decisions, audit.
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
    start text not null default 'surgery' check (start in ('surgery', 'injury', 'gradual')),
    setting text not null default 'primary' check (setting in ('primary', 'specialist')),
    complaint text check (complaint in ('raising', 'weakness', 'slipping', 'stiffness', 'top', 'neck')),
    other_side text not null default 'sound' check (other_side in ('sound', 'affected', 'operated', 'hypermobile')),
    mass_kg double precision check (mass_kg between 2 and 350),
    height_cm double precision check (height_cm between 40 and 250),
    minutes_per_day integer check (minutes_per_day between 1 and 600),
    job_load_kg double precision check (job_load_kg between 0 and 200),
    job_overhead_h double precision check (job_overhead_h between 0 and 24),
    slips_per_week integer check (slips_per_week between 0 and 100),
    closed_on date,
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
    -- The kind of movement it asks for, so that the plan can work toward it.
    asks text,
    primary key (episode_id, place)
);
create table episode_modifier (
    episode_id uuid not null references episode (id),
    item text not null,
    primary key (episode_id, item)
);
create table episode_school (
    episode_id uuid not null references episode (id),
    question text not null,
    school text not null,
    primary key (episode_id, question)
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

create table measurement (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    quantity text not null,
    side text not null check (side in ('left', 'right')),
    value double precision not null,
    stop text not null check (stop in ('pain', 'stiff', 'weak', 'slipping', 'at_limit')),
    taken_by text not null check (taken_by in ('clinician', 'patient')),
    taken_on date not null,
    -- Where pain began and ended on the way.
    pain_from double precision,
    pain_to double precision,
    method text check (method in ('goniometer', 'inclinometer', 'by_eye', 'simulated')),
    rater_id uuid references app_user (id),
    check ((pain_from is null) = (pain_to is null)),
    check (pain_from <= pain_to)
);
create index measurement_episode on measurement (episode_id, taken_on, seq);

-- The examination: answered tests, and what else a reading rests on.
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

create table exam_note (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    kind text not null check (kind in ('irritability', 'known', 'pre_test', 'instability', 'response', 'try_out')),
    subject text not null,
    value double precision not null,
    word text not null default '',
    after_value double precision check (after_value between 0 and 10),
    noted_on date not null,
    user_id uuid not null references app_user (id),
    check ((kind = 'response') = (after_value is not null))
);
create index exam_note_episode on exam_note (episode_id, noted_on, seq);

-- Strength: pushes against a device, with the trace that was kept.
create table strength_trial (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    test text not null,
    side text not null check (side in ('left', 'right')),
    peak_n double precision not null check (peak_n >= 0),
    lever_m double precision check (lever_m > 0 and lever_m < 1.5),
    pain double precision check (pain between 0 and 10),
    device text,
    sound boolean not null,
    pushed_on date not null,
    user_id uuid not null references app_user (id)
);
create index strength_trial_episode on strength_trial (episode_id, pushed_on, seq);

-- Read whole or not at all: the samples of one push and what was measured from them.
create table strength_trace (
    trial_id uuid primary key references strength_trial (id),
    samples jsonb not null,
    measurement jsonb not null
);

-- Outcome sheets as they were ticked; the score is worked out when it is read.
create table outcome_sheet (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    instrument text not null,
    answers jsonb not null check (jsonb_typeof(answers) = 'array'),
    filled_on date not null,
    user_id uuid not null references app_user (id)
);
create index outcome_sheet_episode on outcome_sheet (episode_id, filled_on, seq);

-- What was entered is never changed: a wrong entry is withdrawn, and the withdrawal is a row of its own.
create table withdrawal (
    entry_id uuid primary key,
    episode_id uuid not null references episode (id),
    kind text not null check (kind in ('measurement', 'finding', 'strength_trial', 'outcome_sheet')),
    reason text not null default ''
);
create index withdrawal_episode on withdrawal (episode_id, kind);

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
    kind text not null check (kind in (
        'done', 'left_out', 'pain_before', 'pain_during', 'pain_next_morning', 'slip', 'slip_worse', 'flare_day', 'effort'
    )),
    value double precision check (value between 0 and 10),
    sessions integer check (sessions between 0 and 24),
    repetitions integer check (repetitions between 0 and 200),
    how text,
    check ((kind = 'done') = (sessions is not null and repetitions is not null)),
    check ((kind like 'pain%' or kind = 'effort') = (value is not null)),
    check ((kind = 'slip_worse') = (how is not null))
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
    tempo_s integer[] check (tempo_s is null or cardinality(tempo_s) = 3),
    structure text,
    duration_s integer check (duration_s between 5 and 3600),
    force_n double precision check (force_n between 0 and 1000),
    distance_m double precision check (distance_m between 0 and 6),
    weekdays boolean[] check (weekdays is null or cardinality(weekdays) = 7),
    override_reason text,
    by_hand boolean not null default false,
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
    kind_version integer not null,
    summary jsonb not null,
    signed_by uuid not null references app_user (id),
    signed_at timestamptz not null default now()
);
create index visit_note_episode on visit_note (episode_id, signed_at desc);

-- What was proposed for a line on a day, with everything it rested on, and what the clinician made of it.
create table line_decision (
    id uuid primary key,
    episode_id uuid not null references episode (id),
    seq bigint generated always as identity,
    line_id uuid not null,
    exercise text not null,
    proposed text not null,
    rule text not null,
    answer text not null check (answer in ('accepted', 'changed', 'overridden')),
    reason text not null default '',
    kind_version integer not null,
    body jsonb not null,
    decided_on date not null,
    user_id uuid not null references app_user (id),
    check (answer = 'accepted' or btrim(reason) <> '')
);
create index line_decision_episode on line_decision (episode_id, decided_on, seq);

-- The clinic's own errors of measurement, its own levels of elastic, its own pathways: every version stays.
create table clinic_error (
    id uuid primary key,
    seq bigint generated always as identity,
    quantity text not null,
    sem double precision not null check (sem >= 0),
    sem_same_rater double precision not null check (sem_same_rater >= 0),
    ratings jsonb not null,
    result jsonb not null,
    kept_on date not null,
    user_id uuid not null references app_user (id)
);
create index clinic_error_quantity on clinic_error (quantity, seq desc);

create table elastic_level (
    id uuid primary key,
    seq bigint generated always as identity,
    level integer not null check (level between 1 and 6),
    label text not null default '' check (length(label) <= 40),
    points jsonb not null check (jsonb_typeof(points) = 'array'),
    -- A simulated gauge of the demo invented points of it.
    simulated boolean not null default false,
    measured_on date not null,
    user_id uuid not null references app_user (id)
);
create index elastic_level_level on elastic_level (level, seq);

create table own_pathway (
    id uuid primary key,
    seq bigint generated always as identity,
    name text not null check (name ~ '^own-[a-z0-9-]{1,60}$'),
    version integer not null check (version > 0),
    title text not null check (btrim(title) <> '' and length(title) <= 80),
    base text not null,
    state text not null check (state in ('in_force', 'retired')),
    body text not null,
    made_on date not null,
    user_id uuid not null references app_user (id),
    unique (name, version)
);
create index own_pathway_name on own_pathway (name, version desc);

-- Work that is nobody's request: claimed by whichever server is free, each once a day.
create table job (
    id uuid primary key,
    kind text not null,
    due_on date not null,
    attempts integer not null default 0,
    done_at timestamptz,
    unique (kind, due_on)
);
create index job_open on job (due_on, kind) where done_at is null;

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

-- The audit names a row by its id, else by the episode, else by whatever other id it carries.
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
    -- The application is not the owner: it can neither touch the audit nor switch a trigger off.
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant usage on schema public to ritorno_app;
        grant select, insert, update, delete on all tables in schema public to ritorno_app;
        revoke insert, update, delete on audit, audit_value from ritorno_app;
    end if;
    -- Rows that are added and never changed.
    foreach t in array array[
        'audit', 'program_snapshot', 'measurement', 'finding', 'exam_note', 'strength_trial', 'strength_trace',
        'outcome_sheet', 'withdrawal', 'score', 'attestation', 'log_entry', 'flag_answer', 'flag_action', 'gate_pass',
        'visit_note', 'line_decision', 'clinic_error', 'elastic_level', 'own_pathway', 'knowledge_release'
    ]
    loop
        execute format('create trigger unchanging before update or delete on %I for each row execute function refuse_change()', t);
        if exists (select from pg_roles where rolname = 'ritorno_app') then
            execute format('revoke update, delete on %I from ritorno_app', t);
        end if;
    end loop;
end $$;
