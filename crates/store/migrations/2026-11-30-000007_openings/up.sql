-- Where clinicians read only whom they treat or look after: a record that somebody opened all the same, with a reason, for some hours.
create table record_opening (
    id uuid primary key,
    patient_id uuid not null references patient (id),
    user_id uuid not null references app_user (id),
    at timestamptz not null default now(),
    until timestamptz not null,
    words text not null check (length(words) between 3 and 500)
);
create index record_opening_patient on record_opening (patient_id, user_id);
create trigger audited after insert or update or delete on record_opening for each row execute function write_audit();
create trigger unchanging before update or delete on record_opening for each row execute function refuse_change();
do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert on record_opening to ritorno_app;
    end if;
end $$;
