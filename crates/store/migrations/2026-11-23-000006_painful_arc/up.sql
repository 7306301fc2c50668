-- Where pain began and ended on the way.
alter table reading
    add column pain_from double precision,
    add column pain_to double precision,
    add check ((pain_from is null) = (pain_to is null)),
    add check (pain_from <= pain_to);
