-- A visit that a device began without a signal, while another one of the same jobs was begun at that machine: what the device writes in
-- it goes into the one that stands.
create table visit_begun_apart (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  visit_id uuid not null,
  primary key (team_id, id),
  foreign key (team_id, visit_id) references visit (team_id, id) on delete cascade
);
create index visit_begun_apart_of on visit_begun_apart (team_id, visit_id);

-- The id that a visit has in the book, of the one it was begun under; null where that is none.
create function visit_in_book(team uuid, begun text) returns uuid language sql stable as $$
  select coalesce((select a.visit_id from visit_begun_apart a where a.team_id = team and a.id = key.id), key.id)
  from (select case when begun ~* '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$' then begun::uuid end as id) key
$$;
-- Where something was written is told, and found in the audit, by the visit that it went into.
create or replace function tell_command() returns trigger language plpgsql as $$
begin
  perform pg_notify('trail', concat_ws(' ', new.team_id, new.kind, left(
    coalesce(visit_in_book(new.team_id, new.body ->> 'visitId')::text, new.body ->> 'machineId', ''), 36)));
  return null;
end $$;
create or replace function place_command() returns trigger language plpgsql as $$
begin
  if new.machines = '{}' and new.body ? 'visitId' then
    new.machines := coalesce((select array[v.machine_id] from visit v where v.team_id = new.team_id and v.id = visit_in_book(new.team_id, new.body ->> 'visitId')), '{}');
  end if;
  return new;
end $$;
