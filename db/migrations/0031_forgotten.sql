-- What is kept about somebody who left can be removed: their name, also where it stands in the command that brought them in, and how
-- they came in. What they wrote stays in the book, as of somebody whose name is no longer known.
alter table person add column forgotten_at timestamptz;
alter table person add check (forgotten_at is null or left_at is not null);
alter table command add column forgotten_at timestamptz;

-- What was sent stays what it was; its answer and its machines are set once, when it is carried out. A name is taken out of it once, and
-- that is seen.
create or replace function keep_command() returns trigger language plpgsql as $$
begin
  if (new.team_id, new.id, new.kind, new.person_id, new.device, new.at, new.received_at, new.clock_ahead_s)
      is distinct from (old.team_id, old.id, old.kind, old.person_id, old.device, old.at, old.received_at, old.clock_ahead_s)
    or (new.body, new.forgotten_at) is distinct from (old.body, old.forgotten_at)
      and not (old.forgotten_at is null and new.forgotten_at is not null and old.kind in ('person.add', 'team.found'))
    or (old.answer is not null and new.answer is distinct from old.answer) then
    raise exception 'a command that was carried out is not changed';
  end if;
  return new;
end $$;
