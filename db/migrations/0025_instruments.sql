-- The instrument that a reading was taken off by itself; empty: somebody read it and typed it.
alter table reading add column instrument text not null default '';
