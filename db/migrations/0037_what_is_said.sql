-- Which washer or ring went in may have been written down wrong: put right beside the record, like an amount.
alter table record_correction
  -- Which fastener, what it was and what it is now; null where it is about something else.
  add column seal jsonb;
-- A plug or cap with no oil behind it: nobody is asked any more whose oil it keeps in.
alter table fastener drop constraint fastener_role_check;
alter table fastener add constraint fastener_role_check check (role in ('drain plug', 'screen cap', 'filter cover', 'filler cap', 'check screw', 'guard', 'bodywork', 'cover',
  'axle nut', 'pivot', 'clamp', 'sprocket bolts', 'brake', 'grease point', 'blanking plug', 'other'));
