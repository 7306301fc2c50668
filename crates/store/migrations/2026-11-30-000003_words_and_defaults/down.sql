drop table clinic_defaults;
alter table story_text drop column flag_words, drop column complaint_words, drop column health_words;
alter table episode drop column flag_words, drop column complaint_words, drop column health_words;
