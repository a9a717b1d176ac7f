-- Findings are a thing of their own: what is wrong, where, how grave, and what closed it. Reminders wait for an event and
-- nothing else; a finding that waits has one.

create table finding (
  team_id uuid not null,
  id uuid not null,
  -- The machine it was found on. What is found on a component goes where the component goes.
  machine_id uuid,
  component_id uuid,
  fastener_id uuid,
  cause text not null check (cause in ('seen', 'deferred', 'debris', 'fastener', 'measure')),
  what text not null check (length(btrim(what)) between 1 and 200),
  place text not null default '' check (length(place) <= 120),
  note text not null default '' check (length(note) <= 10000),
  severity text not null check (severity in ('park the machine', 'fix now', 'tell the owner', 'watch')),
  found_on date not null,
  found_at timestamptz not null,
  -- Running hours of that machine then; they follow the book while it is open.
  hours int,
  visit_id uuid,
  -- What of the visit it is about: the same visit finds the same thing once.
  item_key text,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  closed_on date,
  closed_at timestamptz,
  closed_by uuid,
  closed_word text not null default '' check (length(closed_word) <= 10000),
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, component_id) references component (team_id, id) on delete cascade,
  foreign key (team_id, fastener_id) references fastener (team_id, id) on delete cascade,
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  foreign key (team_id, closed_by) references person (team_id, id),
  check (machine_id is not null or component_id is not null),
  check (num_nonnulls(closed_on, closed_at, closed_by) in (0, 3)),
  check (closed_at is null or length(btrim(closed_word)) > 0)
);
create index finding_of_machine on finding (team_id, machine_id, found_at desc);
create index finding_of_component on finding (team_id, component_id, found_at desc) where component_id is not null;
create unique index finding_of_visit on finding (team_id, visit_id, item_key) where visit_id is not null;

-- How grave it was before somebody judged it otherwise, and why.
create table finding_change (
  team_id uuid not null,
  id uuid not null,
  finding_id uuid not null,
  was text not null,
  became text not null check (became in ('park the machine', 'fix now', 'tell the owner', 'watch')),
  word text not null check (length(btrim(word)) between 1 and 10000),
  changed_at timestamptz not null default now(),
  changed_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, finding_id) references finding (team_id, id) on delete cascade,
  foreign key (team_id, changed_by) references person (team_id, id)
);
create index finding_change_of on finding_change (team_id, finding_id, changed_at);

alter table reminder add column finding_id uuid;
alter table reminder add foreign key (team_id, finding_id) references finding (team_id, id) on delete cascade;

-- Reminders that kept a machine off were findings by another name: deferred work, and metal to be traced.
with kept as (
  select r.*, gen_random_uuid() as new_id, t.time_zone,
    case when r.waits_for = 'the source to be found' then 'debris' else 'deferred' end as cause
  from reminder r join team t on t.id = r.team_id where r.keeps_off
), made as (
  insert into finding (team_id, id, machine_id, cause, what, severity, found_on, found_at, visit_id, item_key, created_at, created_by, closed_on, closed_at, closed_by, closed_word)
  select team_id, new_id, machine_id, cause, words, 'park the machine', (created_at at time zone time_zone)::date, created_at, visit_id,
    coalesce(item_key, new_id::text), created_at, created_by,
    case when done_at is not null then (done_at at time zone time_zone)::date end, done_at, done_by,
    case when done_at is null then '' when length(btrim(done_word)) = 0 then 'done' else done_word end
  from kept
)
update reminder r set finding_id = kept.new_id from kept where r.team_id = kept.team_id and r.id = kept.id;
delete from reminder where waits_for = 'the source to be found';
create unique index reminder_of_finding on reminder (team_id, finding_id) where finding_id is not null;

alter table reminder drop constraint reminder_waits_for_check;
alter table reminder add constraint reminder_waits_for_check check
  (waits_for in ('the next outing', 'a part to arrive', 'a tool to arrive', 'a second person', 'it stands on its wheels'));
drop index reminder_of_item;
alter table reminder drop column keeps_off;
alter table reminder drop column visit_id;
alter table reminder drop column item_key;
alter table reminder rename column raised_at to come_at;
alter table reminder rename column raised_by to come_by;

-- Where a machine stands: its open findings and reminders beside its tasks.
delete from machine_standing;
alter table machine_standing add column findings jsonb not null default '[]';
alter table machine_standing add column reminders jsonb not null default '[]';
alter table machine_standing add column ready boolean not null default true;
