-- What stands about an episode is read with every look at a patient and every write. Planning that read takes longer than doing it,
-- and no two episodes need different plans: it is planned once a connection.
create function standing_facts(episodes uuid[]) returns setof standing_fact
language plpgsql stable set plan_cache_mode = force_generic_plan as $$
begin
    return query select * from standing_fact f where f.episode_id = any (episodes) order by f.on_date, f.seq;
end $$;

-- The lists of a story, under one name, so that reading them is planned once too.
create view story_list as
select episode_id, 'health' as list, item, null as about, null::integer as score, 0 as place from episode_health
union all select episode_id, 'kit', item, null, null, 0 from episode_kit
union all select episode_id, 'modifier', item, null, null, 0 from episode_modifier
union all select episode_id, 'task', label, asks, score, place from episode_task
union all select episode_id, 'school', question, school, null, 0 from episode_school;

do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select on story_list to ritorno_app;
    end if;
end $$;
