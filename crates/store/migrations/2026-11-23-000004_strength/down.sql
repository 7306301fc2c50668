drop table strength_trace, strength_withdrawn, strength_trial;
alter table episode drop column mass_kg, drop column height_cm;
