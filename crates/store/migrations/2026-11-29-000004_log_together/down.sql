drop trigger placed on log_entry;
drop function place_log_entry;
alter table log_entry
    drop constraint log_entry_pkey,
    drop constraint log_entry_id_key,
    add primary key (id),
    drop column episode_id,
    drop column on_date,
    drop column seq;
