drop view story_list;
drop function standing_facts;
