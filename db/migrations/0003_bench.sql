-- The bench: visits of several jobs, templates, tools and oils, the map of the underside, photos, deferred work.

-- The map of the underside, and what a mechanic notes of a fastener.
alter table fastener drop constraint fastener_role_check;
alter table fastener add constraint fastener_role_check check (role in ('drain plug', 'screen cap', 'filter cover', 'filler cap', 'check screw', 'guard', 'cover',
  'axle nut', 'pivot', 'clamp', 'sprocket bolts', 'brake', 'grease point', 'other'));
-- Seen from above: x from the machine's left (0) to its right (1), y from its front (0) to its rear (1).
alter table fastener add column at_x double precision check (at_x between 0 and 1);
alter table fastener add column at_y double precision check (at_y between 0 and 1);
alter table fastener add constraint fastener_at check ((at_x is null) = (at_y is null));
alter table fastener add column lean text not null default '' check (length(lean) <= 120);
-- Of a guard or cover: what lies behind it. Empty: nobody noted it.
alter table fastener add column covers uuid[] not null default '{}';
alter table fastener add column oiled boolean not null default false;
alter table fastener add column adapter boolean not null default false;

-- What the team works with.
create table torque_wrench (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 60),
  low_nm double precision not null check (low_nm >= 0),
  high_nm double precision not null check (high_nm > 0 and high_nm <= 2000),
  -- Drive centre to the middle of the grip.
  length_mm double precision check (length_mm between 20 and 2000),
  calibrated_until date,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  retired_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id),
  check (low_nm < high_nm)
);
create unique index torque_wrench_name on torque_wrench (team_id, lower(name)) where retired_at is null;

create table adapter (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 60),
  -- Drive centre to bolt centre.
  length_mm double precision not null check (length_mm between 1 and 500),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  retired_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index adapter_name on adapter (team_id, lower(name)) where retired_at is null;

create table oil (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (length(btrim(name)) between 1 and 60),
  kind text not null check (kind in ('engine oil, four-stroke', 'gearbox oil', 'differential oil', 'two-stroke oil, burnt with the fuel')),
  grade text not null check (length(btrim(grade)) between 1 and 40),
  ratings text[] not null default '{}',
  additives text[] not null default '{}',
  bottle_ml double precision not null check (bottle_ml between 50 and 250000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  retired_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index oil_name on oil (team_id, lower(name), lower(grade)) where retired_at is null;

-- What came in and what went into machines: stock is their sum.
create table oil_movement (
  team_id uuid not null,
  id uuid not null,
  oil_id uuid not null,
  ml double precision not null check (ml <> 0 and abs(ml) <= 1000000),
  why text not null check (length(btrim(why)) between 1 and 200),
  visit_id uuid,
  at timestamptz not null default now(),
  by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, oil_id) references oil (team_id, id) on delete cascade,
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade,
  foreign key (team_id, by) references person (team_id, id)
);
create index oil_movement_by_oil on oil_movement (team_id, oil_id, at desc);

-- Job templates as a team changed them: each save is a version; the product's own are not here. A visit keeps its steps.
create table job_template (
  team_id uuid not null references team on delete cascade,
  key text not null check (key ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
  version int not null check (version > 0),
  -- Null: back to the product's own, or put away where the product has none of that key.
  content jsonb,
  word text not null default '' check (length(word) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, key, version),
  foreign key (team_id, created_by) references person (team_id, id)
);

-- A visit is one machine at the bench, with one or more jobs.
drop index visit_one_open;
create unique index visit_one_open on visit (team_id, machine_id) where closed_at is null and given_up_at is null;
alter table visit add column jobs jsonb;
alter table visit add column points jsonb not null default '[]';
alter table visit add column estimate jsonb;
alter table visit_task add column job_key text;
update visit v set jobs = jsonb_build_array(jsonb_build_object('key', v.job, 'version', v.job_version, 'title', 'Engine oil, screen and filter', 'circuits', jsonb_build_array('engine'),
  'taskId', (select t.task_id from visit_task t where t.team_id = v.team_id and t.visit_id = v.id limit 1)));
update visit_task set job_key = 'engine-oil';
alter table visit alter column jobs set not null;
alter table visit_task alter column job_key set not null;

alter table visit_entry drop constraint visit_entry_action_check;
alter table visit_entry drop constraint visit_entry_check;
alter table visit_entry drop constraint visit_entry_check1;
alter table visit_entry add constraint visit_entry_about check (
  (step_key is not null and item_key is null and action in ('done', 'undone', 'left out', 'handed over', 'taken back', 'timer', 'timer off'))
  or (step_key is null and item_key is not null and action in ('off', 'by hand', 'snug', 'bolt', 'torqued', 'by feel', 'marked', 'shut', 'deferred', 'found'))
  or (step_key is null and item_key is null and action in ('thing out', 'thing in', 'passed over', 'reordered')));
create index visit_entry_timers on visit_entry (team_id, at desc) where action = 'timer';
create index visit_entry_wrenches on visit_entry (team_id, (content->>'wrenchId')) where action = 'torqued';
create index visit_entry_remarks on visit_entry (team_id, visit_id) where content ? 'remark';

-- Photos, checked and made small before they are kept. At a step of a visit; shown there again the next time.
create table photo (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  visit_id uuid not null,
  step_key text not null check (length(step_key) between 1 and 160),
  width int not null check (width between 1 and 4000),
  height int not null check (height between 1 and 4000),
  jpeg bytea not null check (octet_length(jpeg) between 100 and 4000000),
  small bytea not null check (octet_length(small) between 100 and 400000),
  taken_at timestamptz not null default now(),
  taken_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade,
  foreign key (team_id, taken_by) references person (team_id, id)
);
create index photo_by_visit on photo (team_id, visit_id);
create index photo_by_step on photo (team_id, machine_id, step_key, taken_at desc);

-- Deferred work: a reminder that keeps the machine from being called ready until it is done.
alter table reminder drop constraint reminder_waits_for_check;
alter table reminder add constraint reminder_waits_for_check check (waits_for in ('the next outing', 'a part to arrive', 'it stands on its wheels', 'a tool to arrive', 'a second person',
  'the source to be found'));
alter table reminder add column keeps_off boolean not null default false;
alter table reminder add column visit_id uuid;
alter table reminder add foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade;
alter table reminder add column item_key text;
create unique index reminder_of_item on reminder (team_id, visit_id, item_key) where visit_id is not null;
