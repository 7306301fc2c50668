-- Gives one person two years of daily entries, eight exercises a day, and answers with the episode. Doing it again changes nothing.
set session_replication_role = replica;
create temporary table long as
select e.id as episode_id, e.patient_id
from episode e join program p on p.episode_id = e.id join base.episode b on b.pathway = e.pathway
where e.closed_on is null and e.start <> 'surgery' order by e.id limit 1;
update episode set day0 = '2027-03-01'::date - 735 where id = (select episode_id from long) and day0 > '2027-03-01'::date - 735;
create temporary table days as
select patient_id, episode_id, '2027-03-01'::date - d as on_date, x.exercise, row_number() over (order by d desc, x.exercise) as place
from long cross join generate_series(1, 730) d cross join (
    select distinct exercise from log_entry where exercise is not null order by exercise limit 8) x
where not exists (select from log_entry where id = md5('two years' || patient_id || 1)::uuid);
insert into event (patient_id, seq, id, sha, episode_id, kind, on_date)
select d.patient_id, r.seq + d.place, md5('two years' || d.patient_id || d.place)::uuid, '\x00', d.episode_id, 'log', d.on_date
from days d join record r using (patient_id);
insert into log_entry (id, episode_id, on_date, seq, exercise, kind, sessions, repetitions)
select md5('two years' || d.patient_id || d.place)::uuid, d.episode_id, d.on_date, r.seq + d.place, d.exercise, 'done', 1, 10
from days d join record r using (patient_id);
update record set seq = seq + (select count(*) from days) where patient_id = (select patient_id from long);
select episode_id from long;
