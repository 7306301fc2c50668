alter table reading drop column method, drop column rater_id; drop table outcome_withdrawn, outcome_sheet;
