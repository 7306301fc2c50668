-- A limit that was shown in the room is kept with what it is at home.
alter table exam_note drop constraint exam_note_kind_check;
alter table exam_note add constraint exam_note_kind_check check (kind in
    ('irritability', 'known', 'pre_test', 'instability', 'response', 'try_out', 'injection', 'pathway_kept', 'landmark'));
