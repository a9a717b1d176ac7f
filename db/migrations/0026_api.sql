-- A key to the book for a program: of one person, with what that person may do. Only its hash is kept: nobody can read a key out
-- of the book. Withdrawn, or once its person has left, it opens nothing.
create table api_token (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  person_id uuid not null,
  name text not null check (name <> '' and length(name) <= 60),
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  created_at timestamptz not null default now(),
  created_by uuid not null,
  withdrawn_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, person_id) references person (team_id, id) on delete cascade,
  foreign key (team_id, created_by) references person (team_id, id)
);
create unique index api_token_hash on api_token (hash);

-- Who left stays in what they wrote, and writes no more.
alter table person add column left_at timestamptz;
