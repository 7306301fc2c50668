-- A decision about an exercise can be taken back as long as nobody has built on it: the lines as they stood before it, and the
-- revision of the program that it made.
alter table line_decision
    add column lines_before jsonb,
    add column made_rev integer,
    add check ((lines_before is null) = (made_rev is null));

-- What is noted besides: an injection with its day, and why a pathway is kept that the findings speak against.
alter table exam_note drop constraint exam_note_kind_check;
alter table exam_note add constraint exam_note_kind_check check (kind in
    ('irritability', 'known', 'pre_test', 'instability', 'response', 'try_out', 'injection', 'pathway_kept'));

-- Words beside a push, as beside every measurement and finding.
alter table strength_trial add column remark text not null default '';
