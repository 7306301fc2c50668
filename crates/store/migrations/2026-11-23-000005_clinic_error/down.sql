drop table clinic_error;
alter table exam_note drop column after_value;
