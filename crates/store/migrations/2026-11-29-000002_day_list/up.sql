-- The day list is derived: it can be worked out again at any time, so it leaves the audit, which keeps facts.
drop trigger audited on lane;

-- What the list is sorted, searched and counted by stands on the lane itself, so that a page reads one table in one order.
create extension if not exists pg_trgm;
alter table lane
    add column family_name text not null default '',
    add column given_name text not null default '',
    add column work text not null default '',
    add column side text not null default '',
    add column day0 date,
    -- The first day on which the lane may say something else although nothing new became known.
    add column next_change_day date not null default '-infinity',
    -- The knowledge and the version of the application that worked it out.
    add column made_with text not null default '',
    add column search text generated always as (family_name || ' ' || given_name || ' ' || work) stored;
update lane set family_name = p.family_name, given_name = p.given_name, work = e.work, side = e.side, day0 = e.day0
from episode e join patient p on p.id = e.patient_id
where e.id = lane.episode_id;
alter table lane alter column day0 set not null;

drop index lane_order;
drop index lane_day;
create index lane_page on lane (rank, family_name, given_name, episode_id);
create index lane_counts on lane (lane);
create index lane_search on lane using gin (search gin_trgm_ops);
create index lane_changes on lane (next_change_day);
create index lane_patient on lane (patient_id);
