drop table job;
