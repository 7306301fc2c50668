-- Makes a large clinic of invented people: the demo's record, longer, and copied. psql -v first=1 -v last=100 -f scripts/large.sql
-- Runs as the owner. Triggers and foreign keys are off while it copies: nothing here is a fact anybody entered.
set session_replication_role = replica;
set client_min_messages = warning;

-- The first time: the demo's people get two months of entries at home, and what stands then is what is copied.
do $$ begin
    if not exists (select from pg_namespace where nspname = 'base') then
        create schema base;
        create table base.days as
        select e.patient_id, e.id as episode_id, l.exercise, (current_setting('bench.today')::date - d)::date as on_date,
            row_number() over (partition by e.patient_id order by d desc, l.exercise) as place, kind
        from episode e
        join program p on p.episode_id = e.id
        join lateral (select distinct exercise from program_line where program_id = p.id order by exercise limit 4) l on true
        join generate_series(1, 60) d on current_setting('bench.today')::date - d > e.day0
        join lateral (values ('done'), ('pain_during')) k (kind) on k.kind = 'done' or d % 7 = 0
        where e.closed_on is null;
        insert into event (patient_id, seq, id, sha, episode_id, kind, on_date, at)
        select b.patient_id, r.seq + b.place, md5('long' || b.patient_id || b.place)::uuid, '\x00', b.episode_id, 'log', b.on_date, b.on_date + interval '12 hours'
        from base.days b join record r using (patient_id);
        insert into log_entry (id, episode_id, on_date, seq, exercise, kind, value, sessions, repetitions)
        select md5('long' || b.patient_id || b.place)::uuid, b.episode_id, b.on_date, r.seq + b.place, b.exercise, kind, case when kind = 'pain_during' then 2 end,
            case when kind = 'done' then 1 end, case when kind = 'done' then 10 end
        from base.days b join record r using (patient_id);
        update record r set seq = r.seq + n.n from (select patient_id, count(*) as n from base.days group by patient_id) n where n.patient_id = r.patient_id;
        drop table base.days;
    end if;
end $$;

-- Copies every table that belongs to a person. An id of a copy follows from the number of the copy and the id it was copied from.
create or replace procedure base.copy(first integer, last integer) language plpgsql as $$
declare
    t text;
    columns text;
    values_ text;
begin
    foreach t in array array[
        'patient', 'record', 'episode', 'episode_health', 'episode_kit', 'episode_task', 'episode_modifier', 'episode_school', 'event',
        'effect', 'event_reason', 'story_text', 'surgeon_limit', 'flag_answer', 'flag_step', 'flag_raise', 'measurement', 'verdict',
        'breach_answer', 'finding', 'exam_note', 'strength_trial', 'strength_trace', 'outcome_sheet', 'score', 'attestation', 'log_entry',
        'week_use', 'gate_pass', 'gate_override', 'line_step', 'program', 'program_line', 'program_snapshot', 'visit_note',
        'line_decision', 'lane'
    ] loop
        if to_regclass('base.' || t) is null then
            execute format('create table base.%I as select * from %I', t, t);
        end if;
        select string_agg(quote_ident(column_name), ', ' order by ordinal_position),
            string_agg(case
                when column_name in ('by_user', 'user_id', 'rater_id') or udt_name <> 'uuid' and column_name <> 'family_name' then 's.' || quote_ident(column_name)
                when column_name = 'family_name' then 's.family_name || '' '' || to_char(c, ''FM00000'')'
                else format('md5(c || s.%I::text)::uuid', column_name)
            end, ', ' order by ordinal_position)
        into columns, values_
        from information_schema.columns where table_schema = 'public' and table_name = t and is_generated = 'NEVER';
        execute format('insert into %I (%s) select %s from generate_series(%s, %s) c, base.%I s', t, columns, values_, first, last, t);
        commit;
    end loop;
end $$;
call base.copy(:first, :last);
set session_replication_role = default;
