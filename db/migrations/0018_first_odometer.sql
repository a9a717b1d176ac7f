-- The first step at which a machine's distance is known is asked for at every write; most machines have no odometer at all,
-- and all their steps were read to find that out.
create index count_step_odometer on count_step (team_id, machine_id, at, ord) where odometer is not null;
