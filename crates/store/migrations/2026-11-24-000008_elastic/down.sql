drop table elastic_level;
