-- How the contact of a day is held, appointments, who treats a shoulder: events like any other.
create table contact (
    id uuid primary key references event (id),
    how text not null check (how in ('room', 'telephone', 'video'))
);
create table appointment (
    id uuid primary key references event (id),
    day date not null,
    -- By the clinic's own clock.
    at_time time not null,
    minutes integer not null check (minutes between 5 and 480),
    how text not null check (how in ('room', 'telephone', 'video'))
);
-- Nobody, where a colleague gave a shoulder back.
create table care (
    id uuid primary key references event (id),
    user_id uuid references app_user (id)
);
-- While one person is away another looks after all of theirs. The last day may come earlier, and never goes.
create table cover (
    id uuid primary key,
    away_user uuid not null references app_user (id),
    cover_user uuid not null references app_user (id),
    from_on date not null,
    until_on date not null,
    words text not null default '',
    ended_on date,
    check (until_on >= from_on),
    check (away_user <> cover_user)
);
create index cover_until on cover (until_on);

do $$
declare t text;
begin
    foreach t in array array['contact', 'appointment', 'care', 'cover']
    loop
        execute format('create trigger audited after insert or update or delete on %I for each row execute function write_audit()', t);
        if exists (select from pg_roles where rolname = 'ritorno_app') then
            execute format('grant select, insert, update on %I to ritorno_app', t);
        end if;
    end loop;
    foreach t in array array['contact', 'appointment', 'care']
    loop
        execute format('create trigger unchanging before update or delete on %I for each row execute function refuse_change()', t);
        if exists (select from pg_roles where rolname = 'ritorno_app') then
            execute format('revoke update, delete on %I from ritorno_app', t);
        end if;
    end loop;
end $$;

create or replace view standing_fact as
select
    e.patient_id, e.episode_id, e.id, e.seq, e.kind, e.on_date,
    case e.kind
        when 'measurement' then (
            select (to_jsonb(t) || jsonb_build_object('verdicts', coalesce((
                select jsonb_agg(to_jsonb(v) - 'measurement_id' order by v.round) from verdict v where v.measurement_id = t.id
            ), '[]')))::text from measurement t where t.id = e.id)
        when 'finding' then (select to_json(t)::text from finding t where t.id = e.id)
        when 'exam_note' then (select to_json(t)::text from exam_note t where t.id = e.id)
        when 'strength_trial' then (select to_json(t)::text from strength_trial t where t.id = e.id)
        when 'outcome_sheet' then (select to_json(t)::text from outcome_sheet t where t.id = e.id)
        when 'score' then (select to_json(t)::text from score t where t.id = e.id)
        when 'attestation' then (select to_json(t)::text from attestation t where t.id = e.id)
        when 'week_use' then (select to_json(t)::text from week_use t where t.id = e.id)
        when 'gate_pass' then (
            select jsonb_build_object('id', t.id, 'gate', t.gate, 'overridden', coalesce((
                select jsonb_object_agg(o.criterion, o.reason) from gate_override o where o.pass_id = t.id
            ), '{}'))::text from gate_pass t where t.id = e.id)
        when 'line_step' then (select to_json(t)::text from line_step t where t.id = e.id)
        when 'flag_answer' then (select to_json(t)::text from flag_answer t where t.id = e.id)
        when 'flag_step' then (select to_json(t)::text from flag_step t where t.id = e.id)
        when 'flag_raised' then (select to_json(t)::text from flag_raise t where t.id = e.id)
        when 'breach_answer' then (select to_json(t)::text from breach_answer t where t.id = e.id)
        when 'limit' then (select to_json(t)::text from surgeon_limit t where t.id = e.id)
        when 'limit_end' then (
            select json_build_object('ends', o.id)::text from effect k join event o on o.patient_id = k.patient_id and o.seq = k.target
            where k.patient_id = e.patient_id and k.seq = e.seq and k.role = 'ends')
        when 'story' then (select to_json(t)::text from story_text t where t.id = e.id)
        when 'contact' then (select to_json(t)::text from contact t where t.id = e.id)
        when 'appointment' then (select to_json(t)::text from appointment t where t.id = e.id)
        when 'care' then (select to_json(t)::text from care t where t.id = e.id)
        when 'note' then (select json_build_object('id', t.id, 'body', t.body)::text from visit_note t where t.id = e.id)
    end as detail
from event e
where e.kind <> 'log' and not exists (
    select from effect k where k.patient_id = e.patient_id and k.target = e.seq and k.role = 'takes_back'
);

-- What the list is filtered by.
alter table lane
    add column pathway text not null default '',
    add column phase text not null default '',
    add column treated_by uuid references app_user (id);
-- Worked out again when the application next starts.
update lane set made_with = '';
create index lane_treated on lane (treated_by);

-- Everybody is found by a part of the name, whether still treated or not.
create index patient_search on patient using gin ((family_name || ' ' || given_name) gin_trgm_ops);
