alter table episode_task drop column asks;
