-- The log grows with every day at home: what it is read by stands on the entry itself, and the entries of one shoulder lie together.
-- Nothing is said twice that could come to differ: event and entry are never changed, and the entry takes its place from the event.
alter table log_entry add column episode_id uuid, add column on_date date, add column seq bigint;
alter table log_entry disable trigger unchanging;
alter table log_entry disable trigger audited;
update log_entry l set episode_id = e.episode_id, on_date = e.on_date, seq = e.seq from event e where e.id = l.id;
alter table log_entry enable trigger unchanging;
alter table log_entry enable trigger audited;
alter table log_entry
    alter column episode_id set not null,
    alter column on_date set not null,
    alter column seq set not null,
    drop constraint log_entry_pkey,
    add primary key (episode_id, seq),
    add unique (id);

create function place_log_entry() returns trigger language plpgsql as $$
begin
    select e.episode_id, e.on_date, e.seq into new.episode_id, new.on_date, new.seq from event e where e.id = new.id;
    return new;
end $$;
create trigger placed before insert on log_entry for each row execute function place_log_entry();
