-- Hours in full: odometers, dead meters and estimates; outings with what ages a machine; components that move between
-- machines; tasks with every kind of trigger; calls, reminders and proposals; figures with ranges; house rules as rows.

-- Exclusion constraints hold a uuid equal and a span apart: that needs this extension, which comes with PostgreSQL.
create extension if not exists btree_gist;

-- Meters: an odometer beside the hour meter. Distances are whole hundredths of a kilometre.
alter table meter drop constraint meter_kind_check;
alter table meter add constraint meter_kind_check check (kind in ('hour meter', 'reckoned', 'odometer'));
alter table meter add column counts text not null generated always as
  (case when kind = 'odometer' then 'distance' else 'hours' end) stored;
-- Since when nobody can read it, while it is still fitted: outings then count by the time ridden.
alter table meter add column dead_since timestamptz;
alter table meter add column change text not null default '' check (change in ('', 'replaced', 'reset', 'removed', 'added'));
drop index meter_in_use;
create unique index meter_in_use on meter (team_id, machine_id, counts) where removed_at is null;

-- What an unmetered reading rests on; null for what a meter showed.
alter table reading add column estimated_from text check (estimated_from in ('time ridden', 'distance', 'hours per race', 'a usual outing'));
alter table reading add constraint reading_estimate check (estimated_from is null or ridden is not null);
-- Of two readings of one outing this is the one taken before it.
alter table reading add column before_outing boolean not null default false;

alter table outing drop constraint outing_kind_check;
alter table outing add constraint outing_kind_check check (kind in ('ride', 'practice', 'moto', 'race', 'day out'));
alter table outing add column conditions text[] not null default '{}'
  check (conditions <@ array['dust', 'sand', 'mud', 'water', 'tarmac', 'heat', 'cold']);
alter table outing add column crossings int not null default 0 check (crossings between 0 and 500);
alter table outing add column clutch text not null default 'usual' check (clutch in ('light', 'usual', 'heavy'));
alter table outing add column distance int check (distance between 0 and 500000);
-- When it ended: its reading's moment, or the evening of its day.
alter table outing add column ridden_at timestamptz;
alter table outing add column symptoms text[] not null default '{}';

-- Engines, top ends, chains and the rest: what carries its own hours from machine to machine.
create table component (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  kind text not null check (kind in ('engine', 'top end', 'clutch', 'gearbox', 'chain', 'sprockets', 'fork', 'shock')),
  name text not null check (length(btrim(name)) between 1 and 60),
  serial text not null default '' check (length(serial) <= 60),
  -- Hours and distance it brought along when it came into the book; false where nobody knows them.
  brought int not null default 0 check (brought between 0 and 10000000),
  brought_known boolean not null default true,
  brought_distance int not null default 0 check (brought_distance between 0 and 10000000),
  -- True when it came into the book new: tasks never done on it count from zero with their first interval.
  from_new boolean not null default false,
  note text not null default '' check (length(note) <= 10000),
  -- Derived, made anew whenever something of it is written: its own hours now.
  total int not null default 0,
  scrapped_at timestamptz,
  scrapped_reason text not null default '' check (length(scrapped_reason) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  unique (team_id, id, kind),
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index component_serial on component (team_id, kind, lower(serial)) where serial <> '';

-- Where a component was, from when to when: on a machine, or in an engine that is on one. The open one is where it is now.
create table fitting (
  team_id uuid not null,
  id uuid not null,
  component_id uuid not null,
  kind text not null,
  machine_id uuid,
  host_id uuid,
  place text not null default '' check (place in ('', 'front', 'rear', 'left', 'right')),
  fitted_at timestamptz not null,
  removed_at timestamptz,
  fitted_reason text not null default '' check (length(fitted_reason) <= 10000),
  removed_reason text not null default '' check (length(removed_reason) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  removed_by uuid,
  primary key (team_id, id),
  foreign key (team_id, component_id, kind) references component (team_id, id, kind) on delete cascade,
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, host_id) references component (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  foreign key (team_id, removed_by) references person (team_id, id),
  check ((machine_id is null) <> (host_id is null)),
  check (host_id is null or (host_id <> component_id and kind in ('top end', 'clutch', 'gearbox'))),
  check (removed_at is null or removed_at > fitted_at),
  check ((removed_at is null) = (removed_by is null)),
  -- A component is in one place at a time, and a place holds one component of a kind.
  constraint fitting_one_place exclude using gist (team_id with =, component_id with =, tstzrange(fitted_at, removed_at) with &&),
  constraint fitting_one_on_machine exclude using gist
    (team_id with =, machine_id with =, kind with =, place with =, tstzrange(fitted_at, removed_at) with &&) where (machine_id is not null),
  constraint fitting_one_in_host exclude using gist
    (team_id with =, host_id with =, kind with =, place with =, tstzrange(fitted_at, removed_at) with &&) where (host_id is not null)
);
create index fitting_by_machine on fitting (team_id, machine_id);
create index fitting_by_host on fitting (team_id, host_id);

-- Tasks: of a machine or of a component; aged by the meter or by the riding; anchored; answering calls.
alter table task alter column machine_id drop not null;
alter table task add column component_id uuid;
alter table task add foreign key (team_id, component_id) references component (team_id, id) on delete cascade;
alter table task add constraint task_owner check ((machine_id is null) <> (component_id is null));
alter table task add column anchoring text check (anchoring in ('from done', 'from due'));
alter table task add column ageing text check (ageing in ('by the meter', 'by the riding'));
-- How much faster an hour under each condition ages it: {"dust": 1.5}. Never below 1.
alter table task add column sensitivity jsonb not null default '{}';
-- The count belongs to a fitted part: looking at it leaves the count alone, only a new part restarts it.
alter table task add column per_part boolean not null default false;
alter table task add column restarts_on_rebuild boolean not null default true;
alter table task add column answers text[] not null default '{}';
alter table task add column retired_at timestamptz;
create index task_by_component on task (team_id, component_id);
create unique index task_name_on_component on task (team_id, component_id, lower(name)) where component_id is not null and retired_at is null;
drop index task_name;
create unique index task_name on task (team_id, machine_id, lower(name)) where machine_id is not null and retired_at is null;

alter table task_trigger drop constraint task_trigger_measure_check;
alter table task_trigger add constraint task_trigger_measure_check check (measure in ('hours', 'distance', 'days', 'outings', 'races', 'times'));
alter table task_trigger add column of_task_id uuid;
alter table task_trigger add foreign key (team_id, of_task_id) references task (team_id, id);
alter table task_trigger add constraint task_trigger_of check ((measure = 'times') = (of_task_id is not null));
alter table task_trigger add constraint task_trigger_not_of_itself check (of_task_id <> task_id);
-- Shorter than the book's, by a proposal that was accepted. Never longer.
alter table task_trigger add column shortened_to int check (shortened_to > 0);
alter table task_trigger add constraint task_trigger_shorter check (shortened_to is null or shortened_to < interval_amount);
drop index task_trigger_measure;
create unique index task_trigger_measure on task_trigger (team_id, task_id, measure, of_task_id) nulls not distinct;

-- What a task was before it was changed.
create table task_change (
  team_id uuid not null,
  id uuid not null,
  task_id uuid not null,
  was jsonb not null,
  word text not null default '' check (length(word) <= 10000),
  changed_at timestamptz not null default now(),
  changed_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, task_id) references task (team_id, id) on delete cascade,
  foreign key (team_id, changed_by) references person (team_id, id)
);

-- Records: of machine or component; hours are those of the task's owner then.
alter table service_record alter column machine_id drop not null;
-- 'book': follows the book when readings are entered late or struck out. 'stated': somebody said so.
alter table service_record add column hours_by text not null default 'stated' check (hours_by in ('book', 'stated'));
alter table service_record add column replaced boolean not null default true;
alter table service_record add column rules jsonb not null default '{}';
-- How much was left of the deciding trigger when it was done, in words, where it was done early.
alter table service_record add column early text not null default '' check (length(early) <= 200);

create table rebuild (
  team_id uuid not null,
  id uuid not null,
  component_id uuid not null,
  rebuilt_on date not null,
  rebuilt_at timestamptz not null,
  remark text not null default '' check (length(remark) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, component_id) references component (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id)
);
create index rebuild_by_component on rebuild (team_id, component_id, rebuilt_at desc);
-- The counts it restarted, with break-in.
create table rebuild_task (
  team_id uuid not null,
  rebuild_id uuid not null,
  task_id uuid not null,
  primary key (team_id, rebuild_id, task_id),
  foreign key (team_id, rebuild_id) references rebuild (team_id, id) on delete cascade,
  foreign key (team_id, task_id) references task (team_id, id) on delete cascade
);
create index rebuild_task_by_task on rebuild_task (team_id, task_id);

-- A symptom somebody reported or an incident that happened: it calls the tasks that answer it, whatever the hours say.
create table machine_call (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  outing_id uuid,
  kind text not null check (kind in ('symptom', 'incident')),
  what text not null check (length(what) between 1 and 60),
  words text not null default '' check (length(words) <= 10000),
  called_on date not null,
  dropped_at timestamptz,
  dropped_by uuid,
  dropped_word text,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, outing_id) references outing (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  foreign key (team_id, dropped_by) references person (team_id, id),
  check ((dropped_at is null) = (dropped_by is null)),
  check (dropped_at is null or (dropped_word is not null and length(btrim(dropped_word)) between 1 and 10000))
);
create index machine_call_by_machine on machine_call (team_id, machine_id, created_at desc);

-- After-events: what waits for an event, not for a date.
create table reminder (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  words text not null check (length(btrim(words)) between 1 and 200),
  waits_for text not null check (waits_for in ('the next outing', 'a part to arrive', 'it stands on its wheels')),
  part text not null default '' check (length(part) <= 120),
  raised_at timestamptz,
  raised_by uuid,
  done_at timestamptz,
  done_by uuid,
  done_word text not null default '' check (length(done_word) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  foreign key (team_id, raised_by) references person (team_id, id),
  foreign key (team_id, done_by) references person (team_id, id),
  check ((done_at is null) = (done_by is null))
);
create index reminder_open on reminder (team_id, machine_id) where done_at is null;

-- Evidence proposes a shorter interval; a person accepts or dismisses it with a word.
create table interval_proposal (
  team_id uuid not null,
  id uuid not null,
  task_id uuid not null,
  trigger_id uuid not null,
  from_amount int not null,
  to_amount int not null check (to_amount > 0),
  reason text not null check (length(btrim(reason)) between 1 and 10000),
  record_id uuid,
  decided text check (decided in ('accepted', 'dismissed')),
  word text not null default '' check (length(word) <= 10000),
  decided_at timestamptz,
  decided_by uuid,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, task_id) references task (team_id, id) on delete cascade,
  foreign key (team_id, trigger_id) references task_trigger (team_id, id) on delete cascade,
  foreign key (team_id, record_id) references service_record (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  foreign key (team_id, decided_by) references person (team_id, id),
  check (to_amount < from_amount),
  check ((decided is null) = (decided_at is null) and (decided is null) = (decided_by is null)),
  check (decided <> 'dismissed' or length(btrim(word)) > 0)
);
create unique index interval_proposal_open on interval_proposal (team_id, trigger_id) where decided is null;

-- House rules: each change is a row; the latest of a key is in force. No row: the default.
create table house_rule (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  seq bigint generated always as identity,
  key text not null,
  value jsonb not null,
  word text not null default '' check (length(word) <= 10000),
  set_at timestamptz not null default now(),
  set_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, set_by) references person (team_id, id)
);
create index house_rule_latest on house_rule (team_id, key, seq desc);

-- Figures: ranges, more dimensions, and copies that nobody has confirmed yet.
alter table spec_figure add column base_to double precision;
alter table spec_figure add column value_to double precision;
alter table spec_figure add column copied_from uuid;
alter table spec_figure add foreign key (team_id, copied_from) references machine (team_id, id) on delete set null (copied_from);
alter table spec_figure drop constraint spec_figure_dimension_check;
alter table spec_figure add constraint spec_figure_dimension_check check
  (dimension in ('length', 'torque', 'volume', 'pressure', 'distance', 'time', 'temperature', 'angle', 'count'));
alter table spec_figure drop constraint spec_figure_confidence_check;
alter table spec_figure add constraint spec_figure_confidence_check check (confidence in ('printed', 'told', 'guessed', 'unconfirmed'));
alter table spec_figure add constraint spec_figure_range check
  ((base_to is null) = (value_to is null) and (base_to is null or (base is not null and base_to >= base)));

alter table fastener drop constraint fastener_role_check;
alter table fastener add constraint fastener_role_check check (role in ('drain plug', 'screen cap', 'filter cover', 'filler cap', 'guard',
  'check screw', 'axle nut', 'pivot', 'clamp', 'sprocket bolts', 'brake', 'cover', 'other'));
-- What goes on it, its thread, and the order in which like bolts are tightened.
alter table fastener add column head text not null default '' check (length(head) <= 40);
alter table fastener add column thread text not null default '' check (length(thread) <= 40);
alter table fastener add column pattern text not null default '' check (length(pattern) <= 120);

-- What was changed on a machine, and which figures somebody has looked at again since.
create table modification (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  what text not null check (length(what) between 1 and 60),
  words text not null default '' check (length(words) <= 10000),
  done_on date not null,
  undone_on date,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  check (undone_on is null or undone_on >= done_on)
);
create table figure_check (
  team_id uuid not null,
  figure_id uuid not null,
  modification_id uuid not null,
  checked_at timestamptz not null default now(),
  checked_by uuid not null,
  primary key (team_id, figure_id, modification_id),
  foreign key (team_id, figure_id) references spec_figure (team_id, id) on delete cascade,
  foreign key (team_id, modification_id) references modification (team_id, id) on delete cascade,
  foreign key (team_id, checked_by) references person (team_id, id)
);

-- Standings are made anew with what they now hold; the server does so when it starts and finds one missing.
delete from machine_standing;
alter table machine_standing drop column pegs;
alter table machine_standing
  add column distance int,
  -- Its own pace, learned from its outings: hundredths of a km per hour, hundredths of an hour a race and an outing.
  add column speed int,
  add column per_race int,
  add column per_outing int,
  -- By task: what the due list of a fleet is worked out from, as short as it can be said.
  add column dues jsonb not null default '[]',
  add column pegs jsonb not null default '[]';
