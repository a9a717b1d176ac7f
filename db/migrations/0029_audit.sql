-- Which machines a command was about, so that the audit of one can be read: what was held while it was carried out, or the machine of
-- the visit it was written in.
alter table command add column machines uuid[] not null default '{}';
update command c set machines = array[m.id] from machine m where m.team_id = c.team_id and m.id::text = c.body ->> 'machineId';
update command c set machines = array[v.machine_id] from visit v where v.team_id = c.team_id and v.id::text = c.body ->> 'visitId' and c.machines = '{}';
create index command_of_machine on command using gin (machines);
create index command_of_person on command (team_id, person_id, seq desc);

create function place_command() returns trigger language plpgsql as $$
begin
  if new.machines = '{}' and new.body ? 'visitId' then
    new.machines := coalesce((select array[v.machine_id] from visit v where v.team_id = new.team_id and v.id::text = new.body ->> 'visitId'), '{}');
  end if;
  return new;
end $$;
create trigger command_placed before insert on command for each row execute function place_command();

-- What was sent stays what it was; its answer and its machines are set once, when it is carried out.
create function keep_command() returns trigger language plpgsql as $$
begin
  if (new.team_id, new.id, new.kind, new.person_id, new.device, new.at, new.received_at, new.body)
      is distinct from (old.team_id, old.id, old.kind, old.person_id, old.device, old.at, old.received_at, old.body)
    or (old.answer is not null and new.answer is distinct from old.answer) then
    raise exception 'a command that was carried out is not changed';
  end if;
  return new;
end $$;
create trigger command_kept before update on command for each row execute function keep_command();
