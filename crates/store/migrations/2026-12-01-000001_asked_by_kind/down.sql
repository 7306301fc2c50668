drop function patient_timeline(uuid, bigint, bigint, text[], text[]);
drop function standing_facts(uuid[]);
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

create function standing_facts(episodes uuid[]) returns setof standing_fact
language plpgsql stable set plan_cache_mode = force_generic_plan as $$
begin
    return query select * from standing_fact f where f.episode_id = any (episodes) order by f.on_date, f.seq;
end $$;
do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select on standing_fact to ritorno_app;
    end if;
end $$;
create or replace function audit_next(
    of_head uuid, at timestamptz, actor uuid, action text, table_name text, row_id text, digest bytea,
    out seq bigint, out chain bytea
) language sql set search_path = public, pg_temp as $$
    insert into audit_head as h values (of_head, 1, sha256(audit_words(of_head, 1, at, actor, action, table_name, row_id, digest)))
    on conflict (head) do update set
        seq = h.seq + 1,
        chain = sha256(h.chain || audit_words(of_head, h.seq + 1, at, actor, action, table_name, row_id, digest))
    returning h.seq, h.chain
$$;
