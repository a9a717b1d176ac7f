-- A photo belongs to a step of a visit, or to a finding: one taken in passing.
alter table photo alter column visit_id drop not null, alter column step_key drop not null;
alter table photo add column finding_id uuid;
alter table photo add foreign key (team_id, finding_id) references finding (team_id, id) on delete cascade;
alter table photo add check ((visit_id is null) <> (finding_id is null));
alter table photo add check ((visit_id is null) = (step_key is null));
create index photo_by_finding on photo (team_id, finding_id) where finding_id is not null;
create index photo_by_machine on photo (team_id, machine_id, taken_at desc);

-- What was raised by something that happened, and is closed where it is done: a fastener tried again, a check answered again.
alter table reminder add column fastener_id uuid;
alter table reminder add column check_key text;
alter table reminder add foreign key (team_id, fastener_id) references fastener (team_id, id) on delete cascade;
create index reminder_of_fastener on reminder (team_id, fastener_id) where fastener_id is not null and done_at is null;
create index reminder_of_check on reminder (team_id, machine_id, check_key) where check_key is not null and done_at is null;
