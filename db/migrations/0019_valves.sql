-- A cylinder head as it is laid out: of an engine, and then it goes where that goes; or of a machine whose engine nobody named.
create table valve_head (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  machine_id uuid,
  component_id uuid,
  -- The machine on whose spec sheet its limits stand: they are those of the engine, wherever that is now.
  sheet_machine_id uuid not null,
  content jsonb not null,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  check (num_nonnulls(machine_id, component_id) = 1),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, component_id) references component (team_id, id) on delete cascade,
  foreign key (team_id, sheet_machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index valve_head_of_machine on valve_head (team_id, machine_id) where machine_id is not null;
create unique index valve_head_of_component on valve_head (team_id, component_id) where component_id is not null;

-- One measuring of a head, from the first valve as found to the last as left.
create table valve_check (
  team_id uuid not null,
  id uuid not null,
  head_id uuid not null,
  -- Where the engine was then; null: on the shelf.
  machine_id uuid,
  visit_id uuid,
  cold text not null check (cold in ('by the book', 'said')),
  -- House rules in force.
  rules jsonb not null,
  -- The shim plan that was settled on; null: none.
  plan jsonb,
  -- Its moment: when the first valve was measured. Running hours are those of the book at it.
  begun_at timestamptz not null,
  begun_by uuid not null,
  closed_at timestamptz,
  closed_by uuid,
  record_id uuid,
  struck_at timestamptz,
  struck_by uuid,
  struck_reason text check (length(struck_reason) between 1 and 10000),
  primary key (team_id, id),
  foreign key (team_id, head_id) references valve_head (team_id, id) on delete cascade,
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade,
  foreign key (team_id, record_id) references service_record (team_id, id) on delete set null (record_id),
  foreign key (team_id, begun_by) references person (team_id, id),
  foreign key (team_id, closed_by) references person (team_id, id),
  foreign key (team_id, struck_by) references person (team_id, id),
  check ((closed_at is null) = (closed_by is null)),
  check ((struck_at is null) = (struck_reason is null))
);
-- Two people measuring one head from two devices measure in one check.
create unique index valve_check_open on valve_check (team_id, head_id) where closed_at is null and struck_at is null;
create index valve_check_by_head on valve_check (team_id, head_id, begun_at desc);
create index valve_check_by_visit on valve_check (team_id, visit_id) where visit_id is not null;
create index valve_check_by_record on valve_check (team_id, record_id) where record_id is not null;

-- One valve measured once; only ever added, the latest of a stage counts.
create table valve_reading (
  team_id uuid not null,
  id uuid not null,
  seq bigint generated always as identity,
  check_id uuid not null,
  valve text not null check (length(valve) between 1 and 40),
  stage text not null check (stage in ('found', 'left')),
  content jsonb not null,
  at timestamptz not null,
  by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, check_id) references valve_check (team_id, id) on delete cascade,
  foreign key (team_id, by) references person (team_id, id)
);
create index valve_reading_by_check on valve_reading (team_id, check_id, seq);

-- A shim as it was read where it sits, or as it was fitted: the latest of a valve is in it.
create table valve_shim (
  team_id uuid not null,
  id uuid not null,
  seq bigint generated always as identity,
  head_id uuid not null,
  check_id uuid,
  valve text not null check (length(valve) between 1 and 40),
  -- Whole micrometres: as stamped, as measured.
  stamp int check (stamp between 500 and 6000),
  measured int check (measured between 500 and 6000),
  why text not null check (why in ('read', 'fitted')),
  at timestamptz not null,
  by uuid not null,
  primary key (team_id, id),
  check (num_nonnulls(stamp, measured) > 0),
  foreign key (team_id, head_id) references valve_head (team_id, id) on delete cascade,
  foreign key (team_id, check_id) references valve_check (team_id, id) on delete cascade,
  foreign key (team_id, by) references person (team_id, id)
);
create index valve_shim_by_head on valve_shim (team_id, head_id, seq);

-- Shims that came into the drawer and went out of it: what lies there is the sum.
create table shim_movement (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  -- How far across they are; 0: nobody said.
  across int not null check (across between 0 and 40000),
  stamp int check (stamp between 500 and 6000),
  measured int check (measured between 500 and 6000),
  count int not null check (count <> 0 and abs(count) <= 1000),
  why text not null check (length(btrim(why)) between 1 and 200),
  check_id uuid,
  valve text,
  at timestamptz not null,
  by uuid not null,
  primary key (team_id, id),
  check (num_nonnulls(stamp, measured) > 0),
  foreign key (team_id, check_id) references valve_check (team_id, id) on delete cascade,
  foreign key (team_id, by) references person (team_id, id)
);
create index shim_movement_by_size on shim_movement (team_id, across, stamp, measured);
-- How many of a size are to lie there at least.
create table shim_level (
  team_id uuid not null references team on delete cascade,
  across int not null,
  stamp int not null,
  least int not null check (least between 0 and 100),
  primary key (team_id, across, stamp)
);

-- Feeler blades of the team, in whole micrometres.
create table blade_set (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 60),
  -- As they are marked.
  unit text not null check (unit in ('mm', 'in')),
  blades int[] not null check (cardinality(blades) between 1 and 200),
  retired_at timestamptz,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index blade_set_name on blade_set (team_id, lower(name)) where retired_at is null;

-- What was seen says it is to be done again sooner than the book says: within so many hundredths of an hour of its owner.
alter table service_record add column next_within int check (next_within between 0 and 10000000);
