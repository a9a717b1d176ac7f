-- A final drive by chain, as far as no spec sheet prints it: where slack is measured, how the axle is moved, what is fitted.
create table chain_drive (
  team_id uuid not null,
  machine_id uuid not null,
  content jsonb not null,
  changed_at timestamptz not null,
  changed_by uuid not null,
  primary key (team_id, machine_id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, changed_by) references person (team_id, id)
);

-- Slack measured at one machine, from as found to the axle tight.
create table chain_check (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  -- The chain that was on it; null: it was never named.
  component_id uuid,
  visit_id uuid,
  -- House rules in force, and how this machine was measured then.
  rules jsonb not null,
  drive jsonb not null,
  begun_at timestamptz not null,
  begun_by uuid not null,
  closed_at timestamptz,
  closed_by uuid,
  record_id uuid,
  struck_at timestamptz,
  struck_by uuid,
  struck_reason text check (length(struck_reason) between 1 and 10000),
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, component_id) references component (team_id, id) on delete set null (component_id),
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade,
  foreign key (team_id, record_id) references service_record (team_id, id) on delete set null (record_id),
  foreign key (team_id, begun_by) references person (team_id, id),
  foreign key (team_id, closed_by) references person (team_id, id),
  foreign key (team_id, struck_by) references person (team_id, id),
  check ((closed_at is null) = (closed_by is null)),
  check ((struck_at is null) = (struck_reason is null))
);
-- Two people at one machine measure in one check.
create unique index chain_check_open on chain_check (team_id, machine_id) where closed_at is null and struck_at is null;
create index chain_check_by_machine on chain_check (team_id, machine_id, begun_at desc);
create index chain_check_by_visit on chain_check (team_id, visit_id) where visit_id is not null;
create index chain_check_by_record on chain_check (team_id, record_id) where record_id is not null;

-- Slack read once; only ever added, the latest of a stage counts.
create table chain_reading (
  team_id uuid not null,
  id uuid not null,
  seq bigint generated always as identity,
  check_id uuid not null,
  stage text not null check (stage in ('found', 'adjusted', 'tight')),
  -- In all, at the tightest place of the chain; and at its slackest. Millimetres
  slack_mm numeric(5, 1) not null check (slack_mm between 0 and 200),
  slackest_mm numeric(5, 1) check (slackest_mm between 0 and 200),
  -- Where the axle stood by the marks of each side.
  left_mark numeric(6, 2) check (left_mark between -100 and 1000),
  right_mark numeric(6, 2) check (right_mark between -100 and 1000),
  typed text not null check (length(typed) <= 60),
  at timestamptz not null,
  by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, check_id) references chain_check (team_id, id) on delete cascade,
  foreign key (team_id, by) references person (team_id, id)
);
create index chain_reading_by_check on chain_reading (team_id, check_id, seq);

-- What else was done and seen of a chain: how long it has grown, how it and its sprockets look, cleaned and dressed.
create table chain_entry (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  component_id uuid,
  kind text not null check (kind in ('length', 'look', 'dressing')),
  content jsonb not null,
  at timestamptz not null,
  by uuid not null,
  struck_at timestamptz,
  struck_by uuid,
  struck_reason text check (length(struck_reason) between 1 and 10000),
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, component_id) references component (team_id, id) on delete set null (component_id),
  foreign key (team_id, by) references person (team_id, id),
  foreign key (team_id, struck_by) references person (team_id, id),
  check ((struck_at is null) = (struck_reason is null))
);
create index chain_entry_by_machine on chain_entry (team_id, machine_id, kind, at desc);
create index chain_entry_by_component on chain_entry (team_id, component_id, kind, at desc) where component_id is not null;
