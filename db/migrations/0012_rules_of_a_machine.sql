-- A house rule may differ on one machine: filled filters, on its side for the filter, what is held back, by feel. JSON null: as the team again.
alter table house_rule add column machine_id uuid;
alter table house_rule add foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade;
alter table house_rule add constraint house_rule_unset check (value <> 'null'::jsonb or machine_id is not null);
drop index house_rule_latest;
create index house_rule_latest on house_rule (team_id, machine_id, key, seq desc);
