-- The days and hours on which a patient exercises at home: what was said last counts.
create table home_hours (
    id uuid primary key references event (id),
    -- Monday first.
    days boolean[] not null check (array_length(days, 1) = 7),
    -- By the clinic's own clock.
    times time[] not null
);
create trigger audited after insert or update or delete on home_hours for each row execute function write_audit();
create trigger unchanging before update or delete on home_hours for each row execute function refuse_change();

-- Addresses at which a calendar asks for the program by itself, known by a digest. They go with the link to the patient's page.
create table home_calendar (
    id uuid primary key,
    token_hash bytea not null unique,
    link_id uuid not null references home_link (id),
    made_at timestamptz not null default now()
);
create index home_calendar_link on home_calendar (link_id);
create trigger audited after insert or update or delete on home_calendar for each row execute function write_audit();
create trigger unchanging before update or delete on home_calendar for each row execute function refuse_change();

do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert on home_hours, home_calendar to ritorno_app;
    end if;
end $$;

-- Read with everything else that was said.
create or replace function standing_facts(episodes uuid[])
returns table (episode_id uuid, id uuid, seq bigint, kind text, on_date date, detail text)
language plpgsql stable set plan_cache_mode = force_generic_plan as $$
#variable_conflict use_column
declare k record;
begin
    for k in
        select e.kind, array_agg(e.id) as ids from event e
        -- The log is not here: it grows with every day at home and is read by itself.
        where e.episode_id = any (episodes) and e.kind <> 'log' and not exists (
            select from effect f where f.patient_id = e.patient_id and f.target = e.seq and f.role = 'takes_back'
        )
        group by e.kind
    loop
        case k.kind
        when 'measurement' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            (to_jsonb(t) || jsonb_build_object('verdicts', coalesce((
                select jsonb_agg(to_jsonb(v) - 'measurement_id' order by v.round) from verdict v where v.measurement_id = t.id
            ), '[]')))::text from event e left join measurement t using (id) where e.id = any (k.ids);
        when 'gate_pass' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            jsonb_build_object('id', t.id, 'gate', t.gate, 'overridden', coalesce((
                select jsonb_object_agg(o.criterion, o.reason) from gate_override o where o.pass_id = t.id
            ), '{}'))::text from event e left join gate_pass t using (id) where e.id = any (k.ids);
        when 'note' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            json_build_object('id', t.id, 'body', t.body)::text from event e left join visit_note t using (id) where e.id = any (k.ids);
        when 'finding' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join finding t using (id) where e.id = any (k.ids);
        when 'exam_note' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join exam_note t using (id) where e.id = any (k.ids);
        when 'strength_trial' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join strength_trial t using (id) where e.id = any (k.ids);
        when 'outcome_sheet' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join outcome_sheet t using (id) where e.id = any (k.ids);
        when 'score' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join score t using (id) where e.id = any (k.ids);
        when 'attestation' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join attestation t using (id) where e.id = any (k.ids);
        when 'week_use' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join week_use t using (id) where e.id = any (k.ids);
        when 'line_step' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join line_step t using (id) where e.id = any (k.ids);
        when 'flag_answer' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join flag_answer t using (id) where e.id = any (k.ids);
        when 'flag_step' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join flag_step t using (id) where e.id = any (k.ids);
        when 'flag_raised' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join flag_raise t using (id) where e.id = any (k.ids);
        when 'breach_answer' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join breach_answer t using (id) where e.id = any (k.ids);
        when 'limit' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join surgeon_limit t using (id) where e.id = any (k.ids);
        when 'story' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join story_text t using (id) where e.id = any (k.ids);
        when 'contact' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join contact t using (id) where e.id = any (k.ids);
        when 'appointment' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join appointment t using (id) where e.id = any (k.ids);
        when 'care' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join care t using (id) where e.id = any (k.ids);
        when 'home_hours' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join home_hours t using (id) where e.id = any (k.ids);
        when 'home_message' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date,
            to_json(t)::text from event e left join event_reason t using (id) where e.id = any (k.ids);
        when 'limit_end' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date, (
            select json_build_object('ends', o.id)::text from effect f join event o on o.patient_id = f.patient_id and o.seq = f.target
            where f.patient_id = e.patient_id and f.seq = e.seq and f.role = 'ends') from event e where e.id = any (k.ids);
        else return query select e.episode_id, e.id, e.seq, e.kind, e.on_date, null::text from event e where e.id = any (k.ids);
        end case;
    end loop;
end $$;

-- Told with everything else.
create or replace function patient_timeline(whose uuid, earlier_than bigint, most bigint, kinds text[], words text[])
returns table (
    seq bigint, id uuid, episode_id uuid, kind text, on_date date, at timestamptz, by_name text, via text, body jsonb, effects jsonb
)
language plpgsql stable set plan_cache_mode = force_generic_plan as $$
#variable_conflict use_column
begin
    return query
    select * from (select e.seq, e.id, e.episode_id, e.kind, e.on_date, e.at,
        (select u.name from app_user u where u.id = e.by_user) as by_name, e.via,
        coalesce((select to_jsonb(r) from event_reason r where r.id = e.id), '{}') || coalesce(case e.kind
            when 'measurement' then (select to_jsonb(t) from measurement t where t.id = e.id) || coalesce((
                select jsonb_build_object('verdicts', jsonb_agg(to_jsonb(v) order by v.round))
                from verdict v where v.measurement_id = e.id having count(*) > 0), '{}')
            when 'finding' then (select to_jsonb(t) from finding t where t.id = e.id)
            when 'exam_note' then (select to_jsonb(t) from exam_note t where t.id = e.id)
            when 'strength_trial' then (select to_jsonb(t) from strength_trial t where t.id = e.id)
            when 'outcome_sheet' then (select to_jsonb(t) from outcome_sheet t where t.id = e.id)
            when 'score' then (select to_jsonb(t) from score t where t.id = e.id)
            when 'attestation' then (select to_jsonb(t) from attestation t where t.id = e.id)
            when 'log' then (select to_jsonb(t) - 'episode_id' - 'on_date' - 'seq' from log_entry t where t.id = e.id)
            when 'limit' then (select to_jsonb(t) from surgeon_limit t where t.id = e.id)
            when 'flag_answer' then (select to_jsonb(t) from flag_answer t where t.id = e.id)
            when 'flag_step' then (select to_jsonb(t) from flag_step t where t.id = e.id)
            when 'flag_raised' then (select to_jsonb(t) from flag_raise t where t.id = e.id)
            when 'breach_answer' then (select to_jsonb(t) from breach_answer t where t.id = e.id)
            when 'line_step' then (select to_jsonb(t) from line_step t where t.id = e.id)
            when 'story' then (select to_jsonb(t) from story_text t where t.id = e.id)
            when 'week_use' then (select to_jsonb(t) from week_use t where t.id = e.id)
            when 'contact' then (select to_jsonb(t) from contact t where t.id = e.id)
            when 'appointment' then (select to_jsonb(t) from appointment t where t.id = e.id)
            when 'home_hours' then (select jsonb_build_object(
                'hours', cardinality(t.times),
                'times', (select coalesce(string_agg(to_char(h.at, 'HH24:MI'), ', ' order by h.at), '') from unnest(t.times) as h (at)),
                'd1', t.days[1], 'd2', t.days[2], 'd3', t.days[3], 'd4', t.days[4], 'd5', t.days[5], 'd6', t.days[6], 'd7', t.days[7])
                from home_hours t where t.id = e.id)
            when 'care' then (select to_jsonb(t) || jsonb_build_object('who', coalesce(u.name, 'none'))
                from care t left join app_user u on u.id = t.user_id where t.id = e.id)
            when 'note' then (select to_jsonb(t) - 'summary' from visit_note t where t.id = e.id)
            when 'decision' then (select to_jsonb(t) - 'body' - 'lines_before' - 'made_rev' from line_decision t where t.id = e.id)
            when 'program_signed' then (select to_jsonb(t) - 'body' from program_snapshot t where t.id = e.id)
            when 'gate_pass' then (select to_jsonb(t) || jsonb_build_object('overridden', (
                select jsonb_object_agg(o.criterion, o.reason) from gate_override o where o.pass_id = t.id))
                from gate_pass t where t.id = e.id)
        end, '{}') as body,
        coalesce((
            select jsonb_agg(jsonb_build_object('from', k.seq, 'to', k.target, 'role', k.role) order by k.seq, k.target)
            from effect k where k.patient_id = e.patient_id and (k.seq = e.seq or k.target = e.seq)), '[]') as effects
    from (
        select * from event e
        where e.patient_id = whose
            and (earlier_than is null
                or (e.at, e.seq) < (select b.at, b.seq from event b where b.patient_id = whose and b.seq = earlier_than))
            and (kinds = '{}' or e.kind = any (kinds))
        order by e.at desc, e.seq desc
        -- A search looks at all of them.
        limit case when words = '{}' then most end) e) told
    where words = '{}' or (
        -- What was written, not the names of its fields.
        select bool_and(concat_ws(' ', told.kind, told.by_name, (
            select string_agg(value, ' ') from jsonb_each_text(told.body))) ilike word)
        from unnest(words) as word)
    order by told.at desc, told.seq desc
    limit most;
end $$;
