-- Commands: every write, with who sent it, from which device, when it was done and when it came, and what it was answered.

create table command (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  seq bigint generated always as identity,
  kind text not null check (length(kind) between 3 and 60),
  person_id uuid not null,
  device text not null default '' check (length(device) <= 60),
  -- When it was done, by the device's clock, and when it reached us.
  at timestamptz not null,
  received_at timestamptz not null default now(),
  body jsonb not null,
  -- Set in the transaction that carried it out: a command without an answer was never carried out, and is not here.
  answer jsonb,
  primary key (team_id, id),
  foreign key (team_id, person_id) references person (team_id, id)
);
create index command_in_order on command (team_id, seq desc);

-- A photo that was sent and belongs nowhere yet: a command names it and takes it to its step.
create table photo_upload (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  width int not null check (width between 1 and 4000),
  height int not null check (height between 1 and 4000),
  jpeg bytea not null check (octet_length(jpeg) between 100 and 4000000),
  small bytea not null check (octet_length(small) between 100 and 400000),
  sent_at timestamptz not null default now(),
  sent_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, sent_by) references person (team_id, id)
);
create index photo_upload_by_age on photo_upload (sent_at);

-- Where each component is now: on a machine, by itself or in what is fitted to it; the rest lies on the shelf.
create view placement as
  select f.team_id, f.id as fitting_id, f.component_id, f.kind, f.host_id, f.place, f.fitted_at, coalesce(f.machine_id, h.machine_id) as machine_id
  from fitting f
  left join fitting h on h.team_id = f.team_id and h.component_id = f.host_id and h.removed_at is null
  where f.removed_at is null;

-- The machine a task is done on now: its own, or the one its component is on. Null on the shelf.
create view task_place as
  select t.team_id, t.id as task_id, t.component_id, coalesce(t.machine_id, p.machine_id) as machine_id
  from task t left join placement p on p.team_id = t.team_id and p.component_id = t.component_id;

-- What counts: readings that nobody struck out, figures that no later one took the place of.
create view reading_in_force as
  select r.* from reading r
  where not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id);
create view figure_in_force as
  select f.* from spec_figure f
  where not exists (select 1 from spec_figure n where n.team_id = f.team_id and n.supersedes = f.id);

-- What a reading is held against: the one before it and the one after it on the same meter.
create index reading_by_meter on reading (team_id, meter_id, read_at desc, id);
