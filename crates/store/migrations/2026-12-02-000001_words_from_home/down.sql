drop table home_unread;
alter table log_entry drop constraint log_entry_how;
alter table log_entry add constraint log_entry_check2 check ((kind = 'slip_worse') = (how is not null)) not valid;
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
        when 'limit_end' then return query select e.episode_id, e.id, e.seq, e.kind, e.on_date, (
            select json_build_object('ends', o.id)::text from effect f join event o on o.patient_id = f.patient_id and o.seq = f.target
            where f.patient_id = e.patient_id and f.seq = e.seq and f.role = 'ends') from event e where e.id = any (k.ids);
        else return query select e.episode_id, e.id, e.seq, e.kind, e.on_date, null::text from event e where e.id = any (k.ids);
        end case;
    end loop;
end $$;
