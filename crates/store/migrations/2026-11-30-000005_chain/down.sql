drop trigger whose on episode;
drop table record_read;
alter table audit drop column head, drop column seq, drop column chain;
drop function audit_next, audit_words;
drop table audit_head;
create trigger audited after insert or update or delete on job for each row execute function write_audit();
