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
    other_side text not null default 'not_known' check (other_side in ('not_known', 'sound', 'affected', 'operated', 'hypermobile')),
    mass_kg double precision check (mass_kg between 2 and 350),
    height_cm double precision check (height_cm between 40 and 250),
    minutes_per_day integer check (minutes_per_day between 1 and 600),
    job_load_kg double precision check (job_load_kg between 0 and 200),
    job_overhead_h double precision check (job_overhead_h between 0 and 24),
    slips_per_week integer check (slips_per_week between 0 and 100),
    closed_on date,
    created_at timestamptz not null default now(),
    check ((clearance_role is null) = (clearance_on is null)),
    unique (patient_id, id)
);
create index episode_patient on episode (patient_id);
create unique index one_open on episode (patient_id, side) where closed_on is null;

-- Everything that happens to a patient is one stream, numbered per patient; details lie beside it, keyed by the event's id. What an
-- event does to another is a row of its own. The row of `record` is the lock of a patient's writes and the counter.
create table record (
    patient_id uuid primary key references patient (id),
    seq bigint not null default 0
);
create table event (
    patient_id uuid not null references record (patient_id),
    -- The order in which it became known.
    seq bigint not null,
    -- Made where it was entered: the same id with another body is refused.
    id uuid not null unique,
    sha bytea not null,
    episode_id uuid,
    kind text not null check (kind ~ '^[a-z_]{3,30}$'),
    -- When it is true; until is exclusive.
    on_date date not null,
    until_date date check (until_date > on_date),
    -- The demo says when its invented past was entered; everything else is entered now.
    at timestamptz not null default coalesce(nullif(current_setting('ritorno.entered', true), '')::timestamptz, now()),
    by_user uuid default nullif(current_setting('ritorno.actor', true), '')::uuid references app_user (id),
    via text not null default 'clinic' check (via in ('clinic', 'home', 'surgeon', 'import', 'rule')),
    primary key (patient_id, seq),
    foreign key (patient_id, episode_id) references episode (patient_id, id)
);
create index event_episode on event (episode_id, on_date, seq);
create table effect (
    patient_id uuid not null,
    seq bigint not null,
    target bigint not null check (target < seq),
    role text not null check (role in ('closes', 'ends', 'takes_back', 'resumes', 'acts_on')),
    primary key (patient_id, seq, target),
    foreign key (patient_id, seq) references event (patient_id, seq),
    foreign key (patient_id, target) references event (patient_id, seq)
);
create index effect_target on effect (patient_id, target, role);
-- Why something was taken back, ended or opened again, in words.
create table event_reason (
    id uuid primary key references event (id),
    code text not null default '',
    words text not null default ''
);
-- The words of a story as they stood: nothing that was typed is lost when they change.
create table story_text (
    id uuid primary key references event (id),
    rev integer not null,
    mechanism text not null,
    work text not null,
    note text not null
);

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

-- A limit holds from the date of its event, until another event ends it.
create table surgeon_limit (
    id uuid primary key references event (id),
    quantity text not null,
    ceiling double precision not null,
    floor double precision check (floor <= ceiling),
    until_day integer check (until_day > 0),
    ask_again_day integer check (ask_again_day > 0),
    release_role text
);

create table flag_answer (
    id uuid primary key references event (id),
    flag text not null,
    answer text not null check (answer in ('yes', 'no')),
    about text[] not null default '{}',
    because text check (because in ('treated_injury', 'wearing_off'))
);
-- What happened to a raised flag, and which causes it names.
create table flag_step (
    id uuid primary key references event (id),
    flag text not null,
    causes text[] not null check (cardinality(causes) > 0),
    step text not null check (step in ('acted', 'answered', 'mistake')),
    action text,
    words text not null default '',
    who text not null default '',
    resumes text not null default '',
    stands_until date,
    check (step <> 'acted' or btrim(who) <> ''),
    check (step = 'acted' or btrim(words) <> '')
);
-- A flag that a rule raised when something was stored: it stays raised whatever the rule says later.
create table flag_raise (
    id uuid primary key references event (id),
    flag text not null,
    cause text not null,
    reason jsonb not null
);

create table measurement (
    id uuid primary key references event (id),
    quantity text not null,
    side text not null check (side in ('left', 'right')),
    value double precision not null,
    stop text not null check (stop in ('pain', 'stiff', 'weak', 'slipping', 'at_limit')),
    taken_by text not null check (taken_by in ('clinician', 'patient')),
    -- Where pain began and ended on the way.
    pain_from double precision,
    pain_to double precision,
    method text check (method in ('goniometer', 'inclinometer', 'by_eye', 'simulated')),
    rater_id uuid references app_user (id),
    remark text not null default '',
    check ((pain_from is null) = (pain_to is null)),
    check (pain_from <= pain_to)
);
-- How a measurement was judged when it was stored; a second row only after the limit it rests on was taken back.
create table verdict (
    measurement_id uuid not null references event (id),
    round integer not null check (round >= 1),
    ceiling double precision,
    whose text not null,
    limit_id uuid references event (id),
    over boolean not null,
    primary key (measurement_id, round)
);
-- What the surgeon said about a measurement above its ceiling.
create table breach_answer (
    id uuid primary key references event (id),
    measurement_id uuid not null references event (id),
    role text not null check (btrim(role) <> ''),
    words text not null check (btrim(words) <> '')
);

-- The examination: answered tests, and what else a reading rests on.
create table finding (
    id uuid primary key references event (id),
    test text not null,
    side text not null check (side in ('left', 'right')),
    kind text not null check (kind in ('word', 'number', 'could_not')),
    word text,
    value double precision,
    variant text,
    rater_id uuid not null references app_user (id),
    remark text not null default '',
    check ((kind = 'word') = (word is not null)),
    check ((kind = 'number') = (value is not null))
);

create table exam_note (
    id uuid primary key references event (id),
    kind text not null check (kind in ('irritability', 'known', 'pre_test', 'instability', 'response', 'try_out')),
    subject text not null,
    value double precision not null,
    word text not null default '',
    after_value double precision check (after_value between 0 and 10),
    check ((kind = 'response') = (after_value is not null))
);

-- Strength: pushes against a device, with the trace that was kept.
create table strength_trial (
    id uuid primary key references event (id),
    test text not null,
    side text not null check (side in ('left', 'right')),
    peak_n double precision not null check (peak_n >= 0),
    lever_m double precision check (lever_m > 0 and lever_m < 1.5),
    pain double precision check (pain between 0 and 10),
    device text,
    sound boolean not null
);

-- Read whole or not at all: the samples of one push and what was measured from them.
create table strength_trace (
    trial_id uuid primary key references strength_trial (id),
    samples jsonb not null,
    measurement jsonb not null
);

-- Outcome sheets as they were ticked; the score is worked out when it is read.
create table outcome_sheet (
    id uuid primary key references event (id),
    instrument text not null,
    answers jsonb not null check (jsonb_typeof(answers) = 'array')
);

create table score (
    id uuid primary key references event (id),
    score text not null,
    value double precision not null check (value between 0 and 10)
);

create table attestation (
    id uuid primary key references event (id),
    code text not null,
    holds boolean not null
);

create table log_entry (
    id uuid primary key references event (id),
    exercise text,
    kind text not null check (kind in (
        'done', 'left_out', 'pain_before', 'pain_during', 'pain_next_morning', 'slip', 'slip_worse', 'flare_day', 'effort'
    )),
    value double precision check (value between 0 and 10),
    sessions integer check (sessions between 0 and 24),
    repetitions integer check (repetitions between 0 and 200),
    how text,
    remark text not null default '',
    check ((kind = 'done') = (sessions is not null and repetitions is not null)),
    check ((kind like 'pain%' or kind = 'effort') = (value is not null)),
    check ((kind = 'slip_worse') = (how is not null))
);

-- A week at home, told as a whole: for adherence only.
create table week_use (
    id uuid primary key references event (id),
    how text not null check (how in ('all', 'half', 'hardly'))
);

create table gate_pass (
    id uuid primary key references event (id),
    gate text not null
);
-- Each criterion that was overridden has its own reason.
create table gate_override (
    pass_id uuid not null references gate_pass (id),
    criterion text not null,
    reason text not null check (btrim(reason) <> ''),
    primary key (pass_id, criterion)
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
    id uuid primary key references event (id),
    program_id uuid not null references program (id),
    version integer not null,
    kind_version integer not null,
    knowledge_sha256 text not null references knowledge_release (sha256),
    body jsonb not null,
    unique (program_id, version)
);

create table visit_note (
    id uuid primary key references event (id),
    body text not null,
    kind_version integer not null,
    summary jsonb not null
);

-- What was proposed for a line on a day, with everything it rested on, and what the clinician made of it.
create table line_decision (
    id uuid primary key references event (id),
    line_id uuid not null,
    exercise text not null,
    proposed text not null,
    rule text not null,
    answer text not null check (answer in ('accepted', 'changed', 'overridden')),
    reason text not null default '',
    kind_version integer not null,
    body jsonb not null,
    check (answer = 'accepted' or btrim(reason) <> '')
);
-- An exercise that a stop has paused, until a clinician resumes it.
create table line_step (
    id uuid primary key references event (id),
    exercise text not null,
    step text not null check (step in ('paused', 'resumed')),
    reason text not null default ''
);

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
        where schemaname = 'public' and tablename not in ('audit', 'audit_value', 'record', '__diesel_schema_migrations')
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
        'audit', 'event', 'effect', 'event_reason', 'story_text', 'program_snapshot', 'measurement', 'verdict',
        'breach_answer', 'finding', 'exam_note', 'strength_trial', 'strength_trace', 'outcome_sheet', 'score', 'attestation',
        'log_entry', 'week_use', 'surgeon_limit', 'flag_answer', 'flag_step', 'flag_raise', 'gate_pass', 'gate_override', 'line_step',
        'visit_note', 'line_decision', 'clinic_error', 'elastic_level', 'own_pathway', 'knowledge_release'
    ]
    loop
        execute format('create trigger unchanging before update or delete on %I for each row execute function refuse_change()', t);
        if exists (select from pg_roles where rolname = 'ritorno_app') then
            execute format('revoke update, delete on %I from ritorno_app', t);
        end if;
    end loop;
end $$;
