-- An invitation for one person is another phone beside those they have, or takes the place of every way in they had.
alter table invitation add column replaces boolean not null default true;

-- Tries are counted by what was typed, so that a name that is nobody's answers as one that is somebody's does: by the name; or, where a
-- device that their team trusts was used, by that device and the name.
create table sign_in_try (
  key text primary key check (key ~ '^[0-9a-f]{64}$'),
  tries integer not null check (tries >= 0),
  locked_until timestamptz,
  tried_at timestamptz not null default now()
);
create index sign_in_try_by_age on sign_in_try (tried_at);
alter table sign_in drop column tries, drop column locked_until;

alter table access_event drop constraint access_event_what_check;
alter table access_event add constraint access_event_what_check check (what in (
  'signed in', 'signed out', 'wrong passphrase', 'wrong PIN', 'locked', 'PIN withdrawn', 'passphrase set', 'PIN set', 'joined', 'device trusted',
  'ways in withdrawn'));
