-- Who may come in, and as whom. Secrets are kept as hashes only: argon2id where people choose them, SHA-256 where they are random.
-- None of it leaves with a team's file: it is of this server.

alter table person drop constraint person_role_check;
alter table person add constraint person_role_check check (role in ('chief mechanic', 'mechanic', 'rider', 'owner', 'screen'));

-- Whose it is, where that is not who rides it: an owner reads what was done to it.
alter table machine add column owner_id uuid;
alter table machine add foreign key (team_id, owner_id) references person (team_id, id);

-- A person with a passphrase. Who has none comes in on a trusted device only, by a PIN.
create table sign_in (
  team_id uuid not null references team on delete cascade,
  person_id uuid not null,
  passphrase text not null check (passphrase like '$argon2id$%'),
  set_at timestamptz not null default now(),
  tries integer not null default 0 check (tries >= 0),
  locked_until timestamptz,
  primary key (team_id, person_id),
  foreign key (team_id, person_id) references person (team_id, id) on delete cascade
);

-- A phone or tablet that a person said is theirs or the workshop's. It holds a random key of its own; a PIN works with that only.
create table device (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  name text not null check (name <> '' and length(name) <= 60),
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  added_by uuid not null,
  added_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  ended_at timestamptz,
  primary key (team_id, id),
  unique (team_id, hash),
  foreign key (team_id, added_by) references person (team_id, id)
);
create index device_hash on device (hash);

create table device_pin (
  team_id uuid not null,
  device_id uuid not null,
  person_id uuid not null,
  -- Of the PIN together with the device's key: without the device nobody can try PINs, not even with this table.
  pin text not null check (pin like '$argon2id$%'),
  set_at timestamptz not null default now(),
  tries integer not null default 0 check (tries >= 0),
  primary key (team_id, device_id, person_id),
  foreign key (team_id, device_id) references device (team_id, id) on delete cascade,
  foreign key (team_id, person_id) references person (team_id, id) on delete cascade
);

create table session (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  person_id uuid not null,
  device_id uuid,
  how text not null check (how in ('passphrase', 'PIN', 'invitation', 'founding')),
  -- The key it is known by; the one that takes its place once the browser has shown that it got it; the one before, for a moment.
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  next_hash text check (next_hash ~ '^[0-9a-f]{64}$'),
  next_at timestamptz,
  old_hash text check (old_hash ~ '^[0-9a-f]{64}$'),
  old_until timestamptz,
  begun_at timestamptz not null default now(),
  renewed_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  ended_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, person_id) references person (team_id, id) on delete cascade,
  foreign key (team_id, device_id) references device (team_id, id) on delete cascade
);
create unique index session_hash on session (hash);
create index session_next_hash on session (next_hash) where next_hash is not null;
create index session_old_hash on session (old_hash) where old_hash is not null;

-- A way in, for one person or for whoever of the team has none yet. The code is made on the device that invites.
create table invitation (
  team_id uuid not null references team on delete cascade,
  id uuid not null,
  person_id uuid,
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  made_by uuid,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  used_at timestamptz,
  withdrawn_at timestamptz,
  primary key (team_id, id),
  foreign key (team_id, person_id) references person (team_id, id) on delete cascade,
  foreign key (team_id, made_by) references person (team_id, id)
);
create unique index invitation_hash on invitation (hash);

-- What became of each try to come in. Only added to.
create table access_event (
  team_id uuid not null references team on delete cascade,
  id bigint generated always as identity,
  at timestamptz not null default now(),
  what text not null check (what in (
    'signed in', 'signed out', 'wrong passphrase', 'wrong PIN', 'locked', 'PIN withdrawn', 'passphrase set', 'PIN set', 'joined', 'device trusted')),
  person_id uuid,
  device_id uuid,
  primary key (team_id, id),
  foreign key (team_id, person_id) references person (team_id, id) on delete cascade
);
create index access_event_person on access_event (team_id, person_id, id desc);
