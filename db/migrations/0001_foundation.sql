-- The skeleton: teams and their people, machines with their meters and readings, outings past and planned, spec sheets,
-- tasks with their triggers, visits to the bench with everything opened in them, and the records they leave.
--
-- Every table carries team_id first in its key. Identifiers are made by the client, so that sending twice is harmless.
-- Hours are whole hundredths (centihours). History is only ever added to: a mistake is struck out by another row.

create table team (
  id uuid primary key,
  name text not null check (length(btrim(name)) between 1 and 80),
  time_zone text not null,
  is_demo boolean not null default false,
  created_at timestamptz not null default now()
);
create unique index team_one_demo on team (is_demo) where is_demo;

create table person (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 80),
  role text not null check (role in ('chief mechanic', 'mechanic', 'rider', 'owner')),
  created_at timestamptz not null default now(),
  primary key (team_id, id)
);
create unique index person_name on person (team_id, lower(name));

create table machine (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  plate text not null check (length(btrim(plate)) between 1 and 8),
  name text not null check (length(btrim(name)) between 1 and 60),
  maker text not null default '' check (length(maker) <= 60),
  kind text not null check (kind in (
    'four-stroke enduro', 'two-stroke enduro', 'four-stroke motocross', 'two-stroke motocross', 'dual-sport', 'youth bike',
    'sport quad', 'utility quad', 'electric')),
  rider_id uuid,
  -- True when the book begins with the machine new: tasks never done are then counted from zero with their first interval.
  book_from_new boolean not null default false,
  in_service_on date not null,
  remark text not null default '' check (length(remark) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, rider_id) references person (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index machine_plate on machine (team_id, lower(plate));

-- A meter that counts hours, or, where none works, a reckoning from time ridden. The one with no removed_at is in use.
create table meter (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  kind text not null check (kind in ('hour meter', 'reckoned')),
  fitted_at timestamptz not null,
  first_value int not null check (first_value between 0 and 10000000),
  removed_at timestamptz,
  last_value int check (last_value between 0 and 10000000),
  removed_reason text not null default '' check (length(removed_reason) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  check (removed_at is null or removed_at >= fitted_at),
  check (last_value is null or removed_at is not null),
  check (last_value is null or last_value >= first_value)
);
create unique index meter_in_use on meter (team_id, machine_id) where removed_at is null;
create index meter_by_machine on meter (team_id, machine_id, fitted_at desc);

-- A race weekend, practice or day out. The planned ones are the stretches on the trail.
create table event (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 60),
  kind text not null check (kind in ('race', 'practice', 'day out')),
  first_day date not null,
  last_day date not null,
  -- Hours each machine is expected to use, unless event_machine says otherwise.
  hours_each int not null check (hours_each between 0 and 100000),
  whole_fleet boolean not null,
  called_off_at timestamptz,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id),
  check (last_day >= first_day and last_day - first_day <= 30)
);
create index event_by_day on event (team_id, last_day) where called_off_at is null;

create table event_machine (
  team_id uuid not null,
  event_id uuid not null,
  machine_id uuid not null,
  hours int check (hours between 0 and 100000),
  primary key (team_id, event_id, machine_id),
  foreign key (team_id, event_id) references event (team_id, id) on delete cascade,
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade
);

create table outing (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  event_id uuid,
  rider_id uuid,
  day date not null,
  kind text not null check (kind in ('ride', 'practice', 'race', 'day out')),
  remark text not null default '' check (length(remark) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, event_id) references event (team_id, id),
  foreign key (team_id, rider_id) references person (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id)
);
create index outing_by_machine on outing (team_id, machine_id, day desc);
create index outing_by_day on outing (team_id, day desc, id);

-- What the meter showed (value), or hours ridden that no meter counted (ridden). Exactly one of the two.
create table reading (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  meter_id uuid not null,
  outing_id uuid,
  read_at timestamptz not null,
  value int check (value between 0 and 10000000),
  ridden int check (ridden between 0 and 100000),
  remark text not null default '' check (length(remark) <= 10000),
  -- What was odd about it when it was written down, and what the person said to that.
  doubts text[] not null default '{}',
  settled text check (settled in ('reading is right', 'earlier one was wrong', 'meter was replaced')),
  settled_reason text not null default '' check (length(settled_reason) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, meter_id) references meter (team_id, id) on delete cascade,
  foreign key (team_id, outing_id) references outing (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  check ((value is null) <> (ridden is null)),
  check (cardinality(doubts) = 0 or settled is not null)
);
create index reading_by_machine on reading (team_id, machine_id, read_at desc, id desc);

create table reading_strike (
  team_id uuid not null,
  reading_id uuid not null,
  reason text not null check (length(btrim(reason)) between 1 and 10000),
  struck_at timestamptz not null default now(),
  struck_by uuid not null,
  primary key (team_id, reading_id),
  foreign key (team_id, reading_id) references reading (team_id, id) on delete cascade,
  foreign key (team_id, struck_by) references person (team_id, id)
);

-- Where figures come from: a manual's edition, a maker's sheet, somebody's word.
create table spec_source (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  title text not null check (length(btrim(title)) between 1 and 120),
  edition text not null default '' check (length(edition) <= 60),
  primary key (team_id, id)
);
create unique index spec_source_title on spec_source (team_id, lower(title), lower(edition));

-- What can be opened on a machine: plugs, caps, covers, guards. A torque figure hangs on it.
create table fastener (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  circuit text check (circuit in ('engine', 'gearbox', 'primary', 'front differential', 'rear differential')),
  role text not null check (role in ('drain plug', 'screen cap', 'filter cover', 'filler cap', 'guard')),
  name text not null check (length(btrim(name)) between 1 and 60),
  place text not null default '' check (length(place) <= 120),
  quantity int not null default 1 check (quantity between 1 and 24),
  magnet boolean not null default false,
  seal text not null default 'none' check (seal in ('none', 'crush washer', 'O-ring', 'gasket')),
  note text not null default '' check (length(note) <= 10000),
  position int not null,
  created_by uuid not null,
  created_at timestamptz not null default now(),
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id)
);
create index fastener_by_machine on fastener (team_id, machine_id, position);
create unique index fastener_name on fastener (team_id, machine_id, lower(name));

-- One figure of a machine's spec sheet, as printed, in base units beside it. A later one supersedes; both stay.
create table spec_figure (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  key text not null,
  fastener_id uuid,
  dimension text check (dimension in ('length', 'torque', 'volume', 'pressure', 'distance', 'time')),
  base double precision,
  value double precision,
  unit text,
  text text,
  source_id uuid not null,
  page text not null default '' check (length(page) <= 20),
  confidence text not null check (confidence in ('printed', 'told', 'guessed')),
  variant text not null default '' check (length(variant) <= 120),
  supersedes uuid,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, fastener_id) references fastener (team_id, id) on delete cascade,
  foreign key (team_id, source_id) references spec_source (team_id, id),
  foreign key (team_id, supersedes) references spec_figure (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id),
  -- Either a quantity with its unit, or words. Never neither: unknown is the absence of a row.
  check ((dimension is not null and base is not null and value is not null and unit is not null and text is null)
      or (dimension is null and base is null and value is null and unit is null and text is not null and length(btrim(text)) between 1 and 400))
);
create unique index spec_figure_superseded_once on spec_figure (team_id, supersedes) where supersedes is not null;
create unique index spec_figure_first_once on spec_figure (team_id, machine_id, key, fastener_id) nulls not distinct where supersedes is null;
create index spec_figure_by_machine on spec_figure (team_id, machine_id, created_at);

create table task (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 60),
  job text,
  note text not null default '' check (length(note) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id)
);
create index task_by_machine on task (team_id, machine_id);
create unique index task_name on task (team_id, machine_id, lower(name));

-- "trigger" is a reserved word in SQL.
create table task_trigger (
  team_id uuid not null,
  id uuid not null,
  task_id uuid not null,
  measure text not null check (measure in ('hours', 'days')),
  interval_amount int not null check (interval_amount > 0),
  limit_amount int,
  first_interval int check (first_interval > 0),
  first_limit int,
  primary key (team_id, id),
  foreign key (team_id, task_id) references task (team_id, id) on delete cascade,
  check (limit_amount is null or limit_amount >= interval_amount),
  check (first_limit is null or (first_interval is not null and first_limit >= first_interval))
);
create unique index task_trigger_measure on task_trigger (team_id, task_id, measure);

create table visit (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  job text not null,
  job_version int not null,
  -- The house rules in force when it began.
  rules jsonb not null,
  started_at timestamptz not null,
  started_by uuid not null,
  closed_at timestamptz,
  closed_by uuid,
  -- Given up without the work being done; only while nothing stands open.
  given_up_at timestamptz,
  given_up_reason text,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, started_by) references person (team_id, id),
  foreign key (team_id, closed_by) references person (team_id, id),
  check ((closed_at is null) = (closed_by is null)),
  check (closed_at is null or given_up_at is null),
  check ((given_up_at is null) = (given_up_reason is null))
);
create unique index visit_one_open on visit (team_id, machine_id, job) where closed_at is null and given_up_at is null;
create index visit_by_machine on visit (team_id, machine_id, started_at desc);

create table visit_task (
  team_id uuid not null,
  visit_id uuid not null,
  task_id uuid not null,
  primary key (team_id, visit_id, task_id),
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade,
  foreign key (team_id, task_id) references task (team_id, id) on delete cascade
);

-- The steps as they were laid out when the visit began: a later change of template or sheet does not reach back.
create table visit_step (
  team_id uuid not null,
  visit_id uuid not null,
  key text not null,
  position int not null,
  content jsonb not null,
  primary key (team_id, visit_id, key),
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade
);
create unique index visit_step_position on visit_step (team_id, visit_id, position);

-- Everything that is opened or taken out in a visit and must be shut or back in before it can be closed.
create table opened_item (
  team_id uuid not null,
  visit_id uuid not null,
  key text not null,
  position int not null,
  content jsonb not null,
  primary key (team_id, visit_id, key),
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade
);

-- What was done, in order; never changed. The state of a visit is these, read from the first to the last.
create table visit_entry (
  team_id uuid not null,
  id uuid not null,
  visit_id uuid not null,
  seq bigint generated always as identity,
  step_key text,
  item_key text,
  action text not null check (action in ('done', 'undone', 'left out', 'off', 'by hand', 'torqued', 'by feel', 'shut')),
  content jsonb not null default '{}',
  at timestamptz not null default now(),
  by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade,
  foreign key (team_id, visit_id, step_key) references visit_step (team_id, visit_id, key),
  foreign key (team_id, visit_id, item_key) references opened_item (team_id, visit_id, key),
  foreign key (team_id, by) references person (team_id, id),
  check ((step_key is null) <> (item_key is null)),
  check ((step_key is not null) = (action in ('done', 'undone', 'left out')))
);
create index visit_entry_in_order on visit_entry (team_id, visit_id, seq);

-- A task done: what restarts its count. From a visit, or simply written down.
create table service_record (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  task_id uuid not null,
  visit_id uuid,
  done_on date not null,
  done_at timestamptz not null,
  -- Running hours then; null when nobody knows.
  hours int check (hours between 0 and 10000000),
  reason text not null default '' check (length(reason) <= 10000),
  remark text not null default '' check (length(remark) <= 10000),
  -- Amounts, levels, debris and torques of the visit, with the rules that were in force.
  findings jsonb not null default '{}',
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, task_id) references task (team_id, id) on delete cascade,
  foreign key (team_id, visit_id) references visit (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index service_record_once on service_record (team_id, visit_id, task_id) where visit_id is not null;
create index service_record_by_task on service_record (team_id, task_id, done_at desc, id desc);
create index service_record_by_machine on service_record (team_id, machine_id, done_at desc, id desc);

-- Derived: where each machine stands, made anew for one machine whenever something of it is written, in the same
-- transaction. Nothing here is a source; dropping it and making it again changes nothing.
create table machine_standing (
  team_id uuid not null,
  machine_id uuid not null,
  total int,
  estimated boolean not null,
  read_at timestamptz,
  -- [day number, running hours] of the last twelve weeks and one before, for the rate of use.
  recent jsonb not null,
  -- Due points of all tasks, as short as they can be said, to rank a fleet by: [hours|days, due, limit, interval].
  points jsonb not null,
  -- The tasks with their triggers and from where they count.
  tasks jsonb not null,
  -- The latest records, for the pegs of the lane.
  pegs jsonb not null,
  primary key (team_id, machine_id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade
);
