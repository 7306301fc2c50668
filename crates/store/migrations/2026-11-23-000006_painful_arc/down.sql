alter table reading drop column pain_from, drop column pain_to;
