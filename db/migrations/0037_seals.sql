-- Which washer or ring went in may have been written down wrong: put right beside the record, like an amount.
alter table record_correction
  -- Which fastener, what it was and what it is now; null where it is about something else.
  add column seal jsonb;
