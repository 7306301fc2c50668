-- Work that is nobody's request gets a key, a moment and what it is about: planned once a key, tried again until it is done.
alter table job add column key text, add column due_at timestamptz, add column payload jsonb not null default '{}',
    add column patient_id uuid references patient (id);
update job set key = kind || ' ' || due_on, due_at = due_on::timestamp at time zone 'UTC';
alter table job alter column key set not null, alter column due_at set not null, add constraint job_key unique (key);
drop index job_open;
alter table job drop column due_on;
create index job_open on job (due_at, key) where done_at is null;
create index job_patient on job (patient_id) where patient_id is not null;

-- What a patient agreed to be sent. The newest row counts; nobody changes an earlier one.
create table reminding (
    id uuid primary key,
    patient_id uuid not null references patient (id),
    rev integer not null,
    at timestamptz not null default now(),
    -- Nobody where the patient said so: on the page or by an answer.
    by_user uuid references app_user (id),
    channel text check (channel in ('text', 'mail')),
    address text not null check (length(address) <= 254),
    appointments boolean not null,
    exercises_at time,
    quiet_from time not null,
    quiet_until time not null,
    check ((channel is null) = (address = '')),
    unique (patient_id, rev)
);
create index reminding_address on reminding (address) where address <> '';
create trigger audited after insert or update or delete on reminding for each row execute function write_audit();
create trigger unchanging before update or delete on reminding for each row execute function refuse_change();

-- What was sent to a patient, and what became of it. Its id is what the service is told as the key, the same for every try.
create table reminder (
    id uuid primary key,
    patient_id uuid not null references patient (id),
    episode_id uuid not null references episode (id),
    kind text not null check (kind in ('appointment', 'exercises')),
    made_at timestamptz not null default now(),
    channel text not null check (channel in ('text', 'mail')),
    address text not null,
    words text not null,
    state text not null check (state in ('sending', 'taken', 'delivered', 'failed', 'refused', 'given_up')),
    state_at timestamptz not null default now()
);
create index reminder_patient on reminder (patient_id, made_at desc);
create index reminder_episode on reminder (episode_id);
create trigger audited after insert or update or delete on reminder for each row execute function write_audit();
-- What was said to somebody stays as it was said.
create trigger what_was_said before update on reminder for each row
    when ((old.id, old.patient_id, old.episode_id, old.kind, old.made_at, old.channel, old.address, old.words)
        is distinct from (new.id, new.patient_id, new.episode_id, new.kind, new.made_at, new.channel, new.address, new.words))
    execute function refuse_change();

do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert on reminding to ritorno_app;
        grant select, insert, update on reminder to ritorno_app;
    end if;
end $$;
