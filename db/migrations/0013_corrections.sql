-- A record that was closed stays as it was written; what was wrong in it is put right by a correction that stays beside it.
create table record_correction (
  team_id uuid not null,
  id uuid not null,
  record_id uuid not null,
  words text not null check (length(words) between 1 and 10000),
  -- Which amount, what it was and what it is now; null where the words are all.
  amount jsonb,
  created_at timestamptz not null default now(),
  created_by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, record_id) references service_record (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id)
);
create index record_correction_by_record on record_correction (team_id, record_id, created_at);
