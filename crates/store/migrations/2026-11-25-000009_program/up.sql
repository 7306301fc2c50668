-- Every pathway and every school: what was chosen for a shoulder, how work is dosed, what was decided about it.
alter table episode
    add column minutes_per_day integer check (minutes_per_day between 1 and 600),
    add column job_load_kg double precision check (job_load_kg between 0 and 200),
    add column job_overhead_h double precision check (job_overhead_h between 0 and 24),
    add column slips_per_week integer check (slips_per_week between 0 and 100),
    add column closed_on date;

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

alter table program_line
    add column tempo_s integer[] check (tempo_s is null or cardinality(tempo_s) = 3),
    add column structure text,
    add column by_hand boolean not null default false;

alter table log_entry
    add column how text,
    drop constraint log_entry_kind_check,
    drop constraint log_entry_check1,
    add constraint log_entry_kind_check check (kind in (
        'done', 'left_out', 'pain_before', 'pain_during', 'pain_next_morning', 'slip', 'slip_worse', 'flare_day', 'effort'
    )),
    add constraint log_entry_valued check ((kind like 'pain%' or kind = 'effort') = (value is not null)),
    add constraint log_entry_how_given check ((kind = 'slip_worse') = (how is not null));

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
    body jsonb not null,
    decided_on date not null,
    user_id uuid not null references app_user (id),
    check (answer = 'accepted' or btrim(reason) <> '')
);
create index line_decision_episode on line_decision (episode_id, decided_on, seq);
select keep_forever('line_decision');

-- A clinic's own pathways: every version stays; the newest one in force is what new programs are built with.
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
select keep_forever('own_pathway');

do $$
declare t text;
begin
    foreach t in array array['episode_modifier', 'episode_school']
    loop
        execute format('create trigger audited after insert or update or delete on %I for each row execute function write_audit()', t);
        if exists (select from pg_roles where rolname = 'ritorno_app') then
            execute format('grant select, insert, update, delete on %I to ritorno_app', t);
        end if;
    end loop;
end $$;
