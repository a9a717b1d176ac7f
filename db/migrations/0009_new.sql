-- A task counts from new where somebody said so of that task; it says nothing of the others of its machine.
alter table task add column from_new boolean not null default false;
-- Books of before go on counting as they did.
update task t set from_new = true from machine m where m.team_id = t.team_id and m.id = t.machine_id and m.book_from_new;
alter table machine drop column book_from_new;
