-- More kinds of notes on an examination, and the clinic's own errors of measurement.

alter table exam_note
    drop constraint exam_note_kind_check,
    add constraint exam_note_kind_check check (kind in ('irritability', 'known', 'pre_test', 'instability', 'response', 'try_out')),
    add column after_value double precision check (after_value between 0 and 10),
    add check ((kind = 'response') = (after_value is not null));

create table clinic_error (
    id uuid primary key,
    seq bigint generated always as identity,
    quantity text not null,
    sem double precision not null check (sem >= 0),
    sem_same_rater double precision not null check (sem_same_rater >= 0),
    ratings jsonb not null,
    result jsonb not null,
    kept_on date not null,
    user_id uuid not null references app_user (id)
);
create index clinic_error_quantity on clinic_error (quantity, seq desc);
select keep_forever('clinic_error');
