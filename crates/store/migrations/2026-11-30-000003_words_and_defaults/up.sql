-- Words beside the questions, the complaint and the health, kept in every version like the rest of the story.
alter table episode
    add column flag_words text not null default '',
    add column complaint_words text not null default '',
    add column health_words text not null default '';
alter table story_text
    add column flag_words text not null default '',
    add column complaint_words text not null default '',
    add column health_words text not null default '';

-- What a clinic sets for itself: every version stays, the newest one counts.
create table clinic_defaults (
    rev integer primary key check (rev > 0),
    body jsonb not null,
    user_id uuid not null references app_user (id),
    made_at timestamptz not null default now()
);
create trigger audited after insert or update or delete on clinic_defaults for each row execute function write_audit();
create trigger unchanging before update or delete on clinic_defaults for each row execute function refuse_change();
do $$ begin
    if exists (select from pg_roles where rolname = 'ritorno_app') then
        grant select, insert on clinic_defaults to ritorno_app;
    end if;
end $$;
