-- How many shoulders are in each lane, without counting all of them for every page: each move between lanes is noted, and a page
-- adds up the notes. Notes are only added, so two who write at once never wait for each other; the day's jobs put them together.
create table lane_move (
    id bigint generated always as identity primary key,
    lane text not null,
    by_count integer not null
);

create function note_lane_moves() returns trigger language plpgsql as $$
begin
    if tg_op = 'INSERT' then
        insert into lane_move (lane, by_count) select lane, count(*) from put group by lane;
    elsif tg_op = 'DELETE' then
        insert into lane_move (lane, by_count) select lane, -count(*) from gone group by lane;
    else
        insert into lane_move (lane, by_count)
        select lane, sum(n) from (select lane, 1 as n from put union all select lane, -1 from gone) as moves
        group by lane having sum(n) <> 0;
    end if;
    return null;
end $$;
create trigger moves_put after insert on lane referencing new table as put for each statement execute function note_lane_moves();
create trigger moves_gone after delete on lane referencing old table as gone for each statement execute function note_lane_moves();
create trigger moves after update on lane referencing old table as gone new table as put
    for each statement execute function note_lane_moves();
-- Counted once, after the triggers are there: they lock the table, so nobody moves uncounted.
insert into lane_move (lane, by_count) select lane, count(*) from lane group by lane;
-- Also where a whole clinic is copied with the other triggers off.
alter table lane enable always trigger moves_put;
alter table lane enable always trigger moves_gone;
alter table lane enable always trigger moves;

do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert, delete on lane_move to ritorno_app;
    end if;
end $$;
