-- A calendar somebody subscribes to: of the team, of a machine, or of what a person rides. Whoever has the address reads it, without
-- a sign-in: calendars cannot sign in. Renewed, the old address reads nothing any more.
create table calendar_feed (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  secret text not null check (length(secret) between 40 and 60),
  machine_id uuid,
  person_id uuid,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  withdrawn_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, person_id) references person (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  check (machine_id is null or person_id is null)
);
create unique index calendar_feed_secret on calendar_feed (secret);
create unique index calendar_feed_of on calendar_feed (
  team_id, coalesce(machine_id, person_id, '00000000-0000-0000-0000-000000000000')) where withdrawn_at is null;
