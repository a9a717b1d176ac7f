-- Stored documents carry a version; what SQL searches stands in columns.

-- A visit's plan besides its steps: one document.
alter table visit add column plan jsonb;
update visit set plan = jsonb_build_object('v', 1, 'jobs', jobs, 'points', points, 'estimate', coalesce(estimate, 'null'));
alter table visit alter column plan set not null;
alter table visit_task add column position int not null default 0;
update visit_task t set position = j.n from visit v, jsonb_array_elements(v.jobs) with ordinality j (job, n)
  where v.team_id = t.team_id and v.id = t.visit_id and j.job->>'taskId' = t.task_id::text;
alter table visit drop column jobs;
alter table visit drop column points;
alter table visit drop column estimate;
alter table visit drop column job;
alter table visit drop column job_version;

-- The record of a job: none where a task was only written down as done.
alter table service_record rename column findings to content;
alter table service_record alter column content drop not null;
alter table service_record alter column content drop default;
update service_record set content = null where content = '{}';
create index service_record_at_bench on service_record (team_id, machine_id, done_at desc) where content is not null;

alter table visit_entry add column remark text generated always as (content->>'remark') stored;
alter table visit_entry add column wrench_id text generated always as (content->>'wrenchId') stored;
alter table visit_entry add column label text generated always as (content->>'label') stored;
alter table visit_entry add column seconds double precision generated always as ((content->>'seconds')::double precision) stored;
alter table visit_entry add column of_entry text generated always as (content->>'of') stored;
create index visit_entry_timer on visit_entry (team_id, at) where action = 'timer';

-- A figure with one end: at most so much, or at least.
alter table spec_figure add column bound text not null default 'is' check (bound in ('is', 'at most', 'at least'));
alter table spec_figure add constraint spec_figure_bound check (bound = 'is' or (base is not null and base_to is null));

-- A standing of another version is worked out again.
alter table machine_standing add column version int not null default 0;

-- What a step measures in: entries of before carried a bare number.
alter table visit_step add column unit text generated always as (content->'input'->>'unit') stored;
