-- Seats, side panels, tanks: in the way of what lies behind them, and no business of the engine's.
alter table fastener drop constraint fastener_role_check;
alter table fastener add constraint fastener_role_check check (role in ('drain plug', 'screen cap', 'filter cover', 'filler cap', 'check screw', 'guard', 'bodywork', 'cover',
  'axle nut', 'pivot', 'clamp', 'sprocket bolts', 'brake', 'grease point', 'other'));
