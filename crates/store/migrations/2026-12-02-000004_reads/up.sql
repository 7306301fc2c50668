-- The language that the patient reads: sheet, calendar, reminders and their own page are written in it.
alter table episode add column reads text not null default 'english' check (reads in ('english', 'italian'));
