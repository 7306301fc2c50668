drop index lane_page, lane_counts, lane_search, lane_changes, lane_patient;
alter table lane
    drop column search, drop column made_with, drop column next_change_day, drop column day0, drop column side,
    drop column work, drop column given_name, drop column family_name;
create index lane_order on lane (rank, patient_id);
create index lane_day on lane (as_of_day);
create trigger audited after insert or update or delete on lane for each row execute function write_audit();
