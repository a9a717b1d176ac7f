-- When the team leaves for an outing: the day on which its machines have to be ready. Null: on its first day.
alter table event add column leaves_on date;
alter table event add constraint event_leaves_check check (leaves_on <= first_day and first_day - leaves_on <= 30);
