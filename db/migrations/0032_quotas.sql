-- How much one team wrote within a day is counted often.
create index command_of_day on command (team_id, received_at);
