-- Why the oil that is in a circuit stays so, though it is not what the sheet says.
alter table visit_entry drop constraint visit_entry_about;
alter table visit_entry add constraint visit_entry_about check (
  (step_key is not null and item_key is null and action in ('done', 'undone', 'left out', 'handed over', 'taken back', 'timer', 'timer off'))
  or (step_key is null and item_key is not null and action in ('off', 'by hand', 'snug', 'bolt', 'torqued', 'by feel', 'marked', 'shut', 'deferred', 'found'))
  or (step_key is null and item_key is null and action in ('thing out', 'thing in', 'passed over', 'fill accepted', 'reordered', 'fetched', 'not fetched')));
-- The last entry about the same step or fastener that the device knew when it wrote this one: what it was written upon.
alter table visit_entry add column seen uuid;
-- The last entry of the visit that its device had written or knew: whatever a slow line does to the moments, it comes after it.
alter table visit_entry add column after_entry uuid;
