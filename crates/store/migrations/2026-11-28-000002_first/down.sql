-- There is no way back from the first migration but an empty database.
select 1;
