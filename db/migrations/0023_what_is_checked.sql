-- What is checked in the rounds, as a team walks them: the latest version counts. Null: back to how it came.
create table round_checks (
  team_id uuid not null references team on delete cascade,
  version int not null check (version > 0),
  content jsonb,
  word text not null default '' check (length(word) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, version),
  foreign key (team_id, created_by) references person (team_id, id)
);

-- A finding that is put right at the bench goes by a task of its own, so that it leaves a record like any other work. That task has
-- no interval and is watched by nobody: it is retired from the first, and goes by the id of its finding.
alter table task add column finding_id uuid;
alter table task add foreign key (team_id, finding_id) references finding (team_id, id) on delete cascade;
alter table task add check (finding_id is null or finding_id = id and retired_at is not null);

-- Air filters that go round: one in the machine, some clean in their bags, some to be washed. Machines that take the same share them.
create table air_filter (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 60),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  retired_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index air_filter_name on air_filter (team_id, lower(name)) where retired_at is null;
alter table machine add column air_filter_id uuid;
alter table machine add foreign key (team_id, air_filter_id) references air_filter (team_id, id) on delete set null (air_filter_id);
create index machine_by_air_filter on machine (team_id, air_filter_id) where air_filter_id is not null;
-- Every change of how many are clean and how many are not; only ever added.
create table air_filter_movement (
  team_id uuid not null,
  id uuid not null,
  filter_id uuid not null,
  clean int not null,
  dirty int not null,
  why text not null check (length(why) between 1 and 200),
  round_id uuid,
  visit_id uuid,
  at timestamptz not null,
  by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, filter_id) references air_filter (team_id, id) on delete cascade,
  foreign key (team_id, round_id) references machine_round (team_id, id) on delete cascade,
  foreign key (team_id, by) references person (team_id, id)
);
create index air_filter_movement_by_filter on air_filter_movement (team_id, filter_id);

-- The round that raised a reminder: struck out, it takes it along.
alter table reminder add column round_id uuid;
alter table reminder add foreign key (team_id, round_id) references machine_round (team_id, id) on delete set null (round_id);

-- A wheel carries its own hours too, and its spokes settle once it was ridden.
alter table component drop constraint component_kind_check;
alter table component add constraint component_kind_check check (
  kind in ('engine', 'top end', 'clutch', 'gearbox', 'chain', 'sprockets', 'fork', 'shock', 'wheel'));
