-- A clinic's own levels of elastic: the points as they were measured; the fit is worked out when it is read.
create table elastic_level (
    id uuid primary key,
    seq bigint generated always as identity,
    level integer not null check (level between 1 and 6),
    label text not null default '' check (length(label) <= 40),
    points jsonb not null check (jsonb_typeof(points) = 'array'),
    measured_on date not null,
    user_id uuid not null references app_user (id)
);
create index elastic_level_level on elastic_level (level, seq);
select keep_forever('elastic_level');
