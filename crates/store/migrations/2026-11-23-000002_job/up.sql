-- Work that is nobody's request: claimed by whichever server is free, each once a day.
create table job (
    id uuid primary key,
    kind text not null,
    due_on date not null,
    attempts integer not null default 0,
    done_at timestamptz,
    unique (kind, due_on)
);
create index job_open on job (due_on, kind) where done_at is null;
create trigger audited after insert or update or delete on job for each row execute function write_audit();
do $$
begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert, update, delete on job to ritorno_app;
    end if;
end $$;
