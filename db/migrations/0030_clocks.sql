-- How far the clock of the device was ahead of ours when it sent a command, s; null: it did not say. When it was done is worked out
-- from both, and is right however wrong that clock is; who reads the audit sees that it was.
alter table command add column clock_ahead_s integer;

create or replace function keep_command() returns trigger language plpgsql as $$
begin
  if (new.team_id, new.id, new.kind, new.person_id, new.device, new.at, new.received_at, new.body, new.clock_ahead_s)
      is distinct from (old.team_id, old.id, old.kind, old.person_id, old.device, old.at, old.received_at, old.body, old.clock_ahead_s)
    or (old.answer is not null and new.answer is distinct from old.answer) then
    raise exception 'a command that was carried out is not changed';
  end if;
  return new;
end $$;
