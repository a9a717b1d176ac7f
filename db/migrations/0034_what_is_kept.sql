-- A view keeps the columns its table had when it was made: readings have had three more since.
create or replace view reading_in_force as
  select r.* from reading r
  where not exists (select 1 from reading_strike s where s.team_id = r.team_id and s.reading_id = r.id);
create or replace view figure_in_force as
  select f.* from spec_figure f
  where not exists (select 1 from spec_figure n where n.team_id = f.team_id and n.supersedes = f.id);

-- How much was written is counted in bytes, not in entries alone.
alter table command add column bytes integer not null generated always as (octet_length(body::text)) stored;
