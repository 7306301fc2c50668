drop function erase_patient(uuid, text);
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
    raise exception 'rows of % are never changed', tg_table_name;
end $$;
drop table erasure;
alter table record_read add constraint record_read_patient_id_fkey foreign key (patient_id) references patient (id);
drop function patient_rows(uuid);
drop function tables_of_a_patient();
