alter table episode drop column reads;
