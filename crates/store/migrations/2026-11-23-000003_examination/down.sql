drop function keep_forever(text);
drop table exam_note, finding_withdrawn, finding;
alter table episode drop column start, drop column setting, drop column complaint, drop column other_side;
