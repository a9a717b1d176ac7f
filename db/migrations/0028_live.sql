-- Whoever looks on is told as soon as something is written: what kind of command, and where. Told once the transaction is kept, and
-- never where it was not.
create function tell_command() returns trigger language plpgsql as $$
begin
  perform pg_notify('trail', concat_ws(' ', new.team_id, new.kind, left(coalesce(new.body ->> 'visitId', new.body ->> 'machineId', ''), 36)));
  return null;
end $$;
create trigger command_told after insert on command for each row execute function tell_command();
