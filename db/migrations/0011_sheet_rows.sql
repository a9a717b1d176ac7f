-- A fastener taken off a sheet stays readable, with who took it off and when; its name is free again.
alter table fastener add column removed_at timestamptz;
alter table fastener add column removed_by uuid;
alter table fastener add foreign key (team_id, removed_by) references person (team_id, id);
alter table fastener add constraint fastener_removed check ((removed_at is null) = (removed_by is null));
drop index fastener_name;
create unique index fastener_name on fastener (team_id, machine_id, lower(name)) where removed_at is null;
