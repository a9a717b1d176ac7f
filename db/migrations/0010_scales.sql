-- A torque wrench is set by its own scale. Those of before were shown in newton metres.
alter table torque_wrench add column unit text not null default 'N·m' check (unit in ('N·m', 'lbf·ft', 'lbf·in'));
alter table torque_wrench alter column unit drop default;
