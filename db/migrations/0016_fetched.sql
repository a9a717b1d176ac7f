-- What was not laid out and had to be fetched in the middle of the work: laid out first next time.
alter table visit_entry drop constraint visit_entry_about;
alter table visit_entry add constraint visit_entry_about check (
  (step_key is not null and item_key is null and action in ('done', 'undone', 'left out', 'handed over', 'taken back', 'timer', 'timer off'))
  or (step_key is null and item_key is not null and action in ('off', 'by hand', 'snug', 'bolt', 'torqued', 'by feel', 'marked', 'shut', 'deferred', 'found'))
  or (step_key is null and item_key is null and action in ('thing out', 'thing in', 'passed over', 'reordered', 'fetched', 'not fetched')));
create index visit_entry_fetched on visit_entry (team_id, visit_id) where action = 'fetched';
