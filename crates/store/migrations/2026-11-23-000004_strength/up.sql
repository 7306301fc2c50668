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
    device text,
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

select keep_forever('strength_trial'), keep_forever('strength_withdrawn'), keep_forever('strength_trace');
