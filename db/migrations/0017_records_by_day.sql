-- The team's records, the latest first.
create index service_record_by_day on service_record (team_id, done_at desc, created_at desc, id desc);
