alter table line_decision drop column lines_before, drop column made_rev;
delete from exam_note where kind in ('injection', 'pathway_kept');
alter table exam_note drop constraint exam_note_kind_check;
alter table exam_note add constraint exam_note_kind_check check (kind in
    ('irritability', 'known', 'pre_test', 'instability', 'response', 'try_out'));
alter table strength_trial drop column remark;
