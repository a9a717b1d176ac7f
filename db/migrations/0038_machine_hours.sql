-- Work on a component was done at two counts: the component's own hours, and the running hours of the machine it was on then.
-- Kept by the book, as the component's are; null where the task is the machine's own, or the machine's hours are not known.
alter table service_record add column machine_hours int check (machine_hours between 0 and 10000000);
-- Those of records that are there already are worked out with the next standing of their machine.
insert into book_stale (team_id, machine_id, since)
select m.team_id, m.id, '1900-01-01' from machine m
where exists (select 1 from service_record r join task t on t.team_id = r.team_id and t.id = r.task_id where r.team_id = m.team_id and r.machine_id = m.id and t.component_id is not null)
on conflict (team_id, machine_id) do update set since = excluded.since;
