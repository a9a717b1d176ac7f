-- While a meter is dead, hours come from time ridden, and they stay: the meter goes on from where it stood. One that went on
-- counting with a dark display is told apart: what it shows afterwards takes their place.
create table meter_dead (
  team_id uuid not null,
  id uuid not null,
  meter_id uuid not null,
  since timestamptz not null,
  until timestamptz,
  counted boolean not null default false,
  reason text not null default '' check (length(reason) <= 10000),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, meter_id) references meter (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id),
  check (until >= since)
);
create unique index meter_dead_now on meter_dead (team_id, meter_id) where until is null;
create index meter_dead_of on meter_dead (team_id, meter_id, since);

insert into meter_dead (team_id, id, meter_id, since, until, reason, created_by)
  select team_id, gen_random_uuid(), id, dead_since, removed_at, '', created_by from meter
  where dead_since is not null and (removed_at is null or removed_at >= dead_since);
alter table meter drop column dead_since;

create function stale_since_dead() returns trigger language plpgsql as $$
begin
  insert into book_stale (team_id, machine_id, since)
    select new.team_id, m.machine_id, date_trunc('milliseconds', new.since) from meter m where m.team_id = new.team_id and m.id = new.meter_id
    on conflict (team_id, machine_id) do update set since = least(book_stale.since, excluded.since);
  return null;
end $$;
create trigger meter_dead_stale after insert or update on meter_dead for each row execute function stale_since_dead();

-- Time ridden that a true reading shows to be too much is put right from its first hour on: since when the estimates at a step
-- wait for that, and how far back a true reading put them right.
alter table count_step add column pending_from timestamptz;
alter table count_step add column corrected_from timestamptz;
create index count_step_corrected on count_step (team_id, machine_id, at) where corrected_from is not null;

-- What meters showed, without the time ridden between.
create index reading_shown on reading (team_id, meter_id, read_at desc, id) where value is not null;

-- All books are worked out anew by these rules.
insert into book_stale (team_id, machine_id, since) select team_id, id, '1900-01-01' from machine
  on conflict (team_id, machine_id) do update set since = '1900-01-01';
delete from machine_standing;
