drop index event_facts;
drop view standing_fact;
