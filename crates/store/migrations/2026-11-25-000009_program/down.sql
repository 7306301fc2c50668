drop table own_pathway;
drop table line_decision;
drop table episode_school;
drop table episode_modifier;
alter table program_line drop column tempo_s, drop column structure, drop column by_hand;
alter table episode drop column minutes_per_day, drop column job_load_kg, drop column job_overhead_h, drop column slips_per_week, drop column closed_on;
