drop table record_opening;
