-- When what something waits for is expected: a part that is ordered, a tool that is lent. Null: nobody said.
alter table reminder add column expected_on date;
