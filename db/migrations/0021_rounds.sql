-- A round: what was looked at on a machine before it went out, after it was washed, or fastener by fastener.
create table machine_round (
  team_id uuid not null,
  id uuid not null,
  machine_id uuid not null,
  list text not null check (list in ('ready', 'washed', 'torque')),
  begun_at timestamptz not null,
  begun_by uuid not null,
  -- When the last of its checks had an answer, and at which running hours the machine then stood by its book.
  done_at timestamptz,
  done_by uuid,
  done_hours int,
  -- How many checks it has, how many of them nobody has answered, and about how long these take: kept with each answer.
  checks int not null default 0,
  checks_left int not null default 0,
  minutes_left real not null default 0,
  struck_at timestamptz,
  struck_by uuid,
  struck_reason text check (length(struck_reason) between 1 and 10000),
  primary key (team_id, id),
  foreign key (team_id, machine_id) references machine (team_id, id) on delete cascade,
  foreign key (team_id, begun_by) references person (team_id, id),
  foreign key (team_id, done_by) references person (team_id, id),
  foreign key (team_id, struck_by) references person (team_id, id),
  check ((done_at is null) = (done_by is null)),
  check ((struck_at is null) = (struck_reason is null))
);
-- Several people at one machine answer in one round.
create unique index machine_round_open on machine_round (team_id, machine_id, list) where done_at is null and struck_at is null;
create index machine_round_by_machine on machine_round (team_id, machine_id, list, begun_at desc);

-- A check answered once; only ever added, the latest of a check counts.
create table round_answer (
  team_id uuid not null,
  id uuid not null,
  seq bigint generated always as identity,
  round_id uuid not null,
  check_key text not null check (length(check_key) between 1 and 40),
  content jsonb not null,
  at timestamptz not null,
  by uuid not null,
  primary key (team_id, id),
  foreign key (team_id, round_id) references machine_round (team_id, id) on delete cascade,
  foreign key (team_id, by) references person (team_id, id)
);
create index round_answer_by_round on round_answer (team_id, round_id, seq);

-- What a round found.
alter table finding drop constraint finding_cause_check;
alter table finding add constraint finding_cause_check check (cause in ('seen', 'deferred', 'debris', 'fastener', 'measure', 'round'));
alter table finding add column round_id uuid;
alter table finding add column check_key text;
alter table finding add foreign key (team_id, round_id) references machine_round (team_id, id) on delete cascade;
alter table finding add check ((round_id is null) = (check_key is null));
create unique index finding_of_round on finding (team_id, round_id, check_key) where round_id is not null and closed_at is null;

-- How a finding ended.
alter table finding add column closed_how text not null default 'done' check (closed_how in ('done', 'owner told', 'as it was'));
