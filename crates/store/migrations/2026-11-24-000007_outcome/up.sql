-- Outcome sheets as they were ticked; the score is worked out when it is read. Who measured a range, and with what.
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

create table outcome_withdrawn (
    sheet_id uuid primary key references outcome_sheet (id),
    reason text not null default ''
);
select keep_forever('outcome_sheet'), keep_forever('outcome_withdrawn');

alter table reading
    add column method text check (method in ('goniometer', 'inclinometer', 'by_eye')),
    add column rater_id uuid references app_user (id);
