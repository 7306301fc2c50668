drop table access_rules, recovery_code, second_factor, invitation;
drop index sign_in_attempt_address, session_of_user;
alter table sign_in_attempt drop column address;
alter table session drop column made_at, drop column seen_at, drop column agent, drop column address;
alter table app_user drop column ended_at, drop column must_change;
drop trigger audited on session;
create trigger audited after insert or update or delete on session for each row execute function write_audit();
create trigger audited after insert or update or delete on sign_in_attempt for each row execute function write_audit();
