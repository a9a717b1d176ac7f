-- The book's checkpoints: every moment at which something was counted on a machine, with all that had been counted by then.
-- A write works out again only what comes after it.

-- When an outing ended: its reading's moment, or the evening of its day.
alter table outing add column ended_at timestamptz not null generated always as
  (coalesce(ridden_at, timezone('UTC', day + time '18:00'))) stored;
create index outing_by_end on outing (team_id, machine_id, ended_at);
create index reading_by_outing on reading (team_id, outing_id) where outing_id is not null;

-- Derived, like machine_standing: dropping it and making it again changes nothing.
create table count_step (
  team_id uuid not null,
  machine_id uuid not null,
  at timestamptz not null,
  ord int not null,
  kind text not null check (kind in ('begin', 'meter', 'reading', 'meter closed', 'odometer', 'outing')),
  hours int,
  estimated boolean not null,
  odometer int,
  ridden int not null,
  outings int not null,
  races int not null,
  planned int not null,
  strains jsonb not null,
  reading_id uuid,
  -- Hours, distance and kind of the outing whose hours it brought by a meter: what a machine's pace is learned from.
  outing jsonb,
  -- What stood on the count when each meter was fitted.
  bases jsonb not null,
  odometer_fitted boolean not null,
  primary key (team_id, machine_id, at, ord),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade
);
create index count_step_outings on count_step (team_id, machine_id, at desc) where outing is not null;

-- From which moment on a machine's steps are to be worked out again. Kept by triggers, so that nothing can be written past it.
create table book_stale (
  team_id uuid not null,
  machine_id uuid not null,
  since timestamptz not null,
  primary key (team_id, machine_id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade
);

create function stale_since_reading() returns trigger language plpgsql as $$
begin
  insert into book_stale (team_id, machine_id, since)
    select team_id, machine_id, date_trunc('milliseconds', min(read_at)) from fresh group by 1, 2
    on conflict (team_id, machine_id) do update set since = least(book_stale.since, excluded.since);
  return null;
end $$;
create trigger reading_stale after insert on reading referencing new table as fresh
  for each statement execute function stale_since_reading();

create function stale_since_strike() returns trigger language plpgsql as $$
begin
  insert into book_stale (team_id, machine_id, since)
    select r.team_id, r.machine_id, date_trunc('milliseconds', min(r.read_at))
      from fresh s join reading r on r.team_id = s.team_id and r.id = s.reading_id group by 1, 2
    on conflict (team_id, machine_id) do update set since = least(book_stale.since, excluded.since);
  return null;
end $$;
create trigger reading_strike_stale after insert on reading_strike referencing new table as fresh
  for each statement execute function stale_since_strike();

create function stale_since_outing() returns trigger language plpgsql as $$
begin
  insert into book_stale (team_id, machine_id, since)
    select team_id, machine_id, date_trunc('milliseconds', min(ended_at)) from fresh group by 1, 2
    on conflict (team_id, machine_id) do update set since = least(book_stale.since, excluded.since);
  return null;
end $$;
create trigger outing_stale after insert on outing referencing new table as fresh
  for each statement execute function stale_since_outing();

create function stale_since_meter() returns trigger language plpgsql as $$
begin
  insert into book_stale (team_id, machine_id, since)
    values (new.team_id, new.machine_id, date_trunc('milliseconds', case
      when tg_op = 'INSERT' or (new.fitted_at, new.first_value) is distinct from (old.fitted_at, old.first_value)
        then least(new.fitted_at, case when tg_op = 'UPDATE' then old.fitted_at else new.fitted_at end)
      else least(new.removed_at, old.removed_at) end))
    on conflict (team_id, machine_id) do update set since = least(book_stale.since, excluded.since);
  return null;
end $$;
create trigger meter_stale_new after insert on meter for each row execute function stale_since_meter();
create trigger meter_stale after update on meter for each row
  when ((old.fitted_at, old.first_value, old.removed_at, old.last_value) is distinct from (new.fitted_at, new.first_value, new.removed_at, new.last_value))
  execute function stale_since_meter();

-- Books of before are worked out from their beginning, and so is where their machines stand.
insert into book_stale (team_id, machine_id, since) select team_id, id, '1900-01-01' from machine;
delete from machine_standing;
-- One shape ranks a fleet and makes its due list: what each task's state hangs on, by name.
alter table machine_standing drop column points;
