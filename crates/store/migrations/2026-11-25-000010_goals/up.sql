-- The kind of movement a task that matters asks for, so that the plan can work toward it.
alter table episode_task add column asks text;
