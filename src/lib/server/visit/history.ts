import type { Inside } from '../../core/fluids/oil';
import type { Kind } from '../../core/machine/machine';
import type { Day } from '../../core/time/day';
import type { CircuitHistory, JobInput, LayoutInput } from '../../core/job/layout/layout';
import { debrisBefore, fastenerPast, type PastRecord } from '../../core/record/past';
import type { Forgotten } from '../../core/job/gather/forgotten';
import type { LastTime } from '../../core/job/plan';
import { readStanding } from '../../core/book/stored';
import type { JobRecord } from '../../core/record/record';
import { readRecord } from '../../core/record/stored';
import type { Task } from '../../core/schedule/task';
import type { Circuit } from '../../core/specs/sheet';
import type { Team } from '../../core/team/team';
import type { Db } from '../base/db';
import { hoursBy } from '../machine/machines';
import { readRules } from '../rules/rules';
import { sectionsOf } from '../../core/specs/starter';
import { chainForJobs } from '../../core/chain/at-bench';
import { headForJobs } from '../../core/valve/at-bench';
import { chainSheet } from '../chain/sheet';
import { readSheet } from '../specs/sheet';
import { valveSheetIn } from '../valve/sheet';

interface Past {
  record: JobRecord;
  hours: number | null;
  day: Day;
  /** First photo at each step of that visit. */
  photos: Record<string, string>;
}

/** Records of bench work on the task's own engine or machine, the latest first: what a swapped-in engine left is not held against this one. */
async function pastOf(sql: Db, teamId: string, taskId: string): Promise<Past[]> {
  const rows = await sql`
    select r.content, r.hours, r.done_on as day,
      coalesce((select jsonb_object_agg(x.step_key, x.id) from photo x where x.team_id = r.team_id and x.visit_id = r.visit_id), '{}') as photos
    from service_record r
    join task t on t.team_id = r.team_id and t.id = r.task_id
    join task mine on mine.team_id = t.team_id and mine.machine_id is not distinct from t.machine_id and mine.component_id is not distinct from t.component_id
    where r.team_id = ${teamId} and mine.id = ${taskId} and r.content is not null
    order by r.done_at desc, r.created_at desc, r.id desc limit 12`;
  return rows.map((r) => ({
    record: readRecord(r.content),
    hours: r.hours,
    day: r.day,
    photos: r.photos
  }));
}

/** How a task stands on its machine now; null where the machine has no such task. */
async function taskNow(sql: Db, teamId: string, machineId: string, taskId: string): Promise<Task | null> {
  const [row] = await sql`
    select recent, tasks, findings, reminders, pegs from machine_standing where team_id = ${teamId} and machine_id = ${machineId}`;
  return row ? (readStanding(row).tasks.find((t) => t.id === taskId) ?? null) : null;
}

/** The changes of one circuit before this one. */
export async function circuitHistory(
  sql: Db,
  teamId: string,
  machineId: string,
  taskId: string,
  circuit: Circuit
): Promise<CircuitHistory> {
  const past = (await pastOf(sql, teamId, taskId)).flatMap((p) => {
    const mine = p.record.circuits.find((c) => c.circuit === circuit);
    return mine ? [{ ...p, mine }] : [];
  });
  const task = await taskNow(sql, teamId, machineId, taskId);
  const oil = past[0]?.mine.oil;
  const inside: Inside | null = oil ? { oilId: oil.id, name: oil.name, grade: oil.grade } : null;
  return {
    pouredLastTimeMl: past[0]?.mine.pouredMl ?? null,
    intoFilterMl: past[0]?.mine.intoFilterMl ?? null,
    filterDry: past[0]?.record.fitted.some((f) => f.which !== 'again') ?? false,
    oilHours: task?.triggers.find((t) => t.measure === 'hours')?.used ?? null,
    inside,
    debris: debrisBefore(past.map((p) => ({ ...p, debris: p.record.debris }))),
    breakIn: isBreakIn(task)
  };
}

/**
 * Whether a task's machine or component is in its first hours: not done since new or since a rebuild. A used one without
 * records is not: no record proves nothing, and glitter in it is not to be expected.
 */
const isBreakIn = (task: Task | null) => task?.counted?.since === 'new' || task?.counted?.since === 'rebuild';

/** Records of a machine as far as its fasteners go, the oldest first. */
async function pastRecords(sql: Db, teamId: string, machineId: string): Promise<PastRecord[]> {
  const rows = await sql`
    select id, visit_id, done_on, content from service_record
    where team_id = ${teamId} and machine_id = ${machineId} and content is not null order by done_at desc, created_at desc, id desc limit 40`;
  return [...rows].reverse().map((r) => ({
    id: r.id,
    visitId: r.visit_id,
    day: r.done_on,
    record: readRecord(r.content)
  }));
}

/** What was written and photographed at each step the last time it was done on this machine. */
async function lastTimes(
  sql: Db,
  team: Pick<Team, 'id' | 'timeZone'>,
  machineId: string
): Promise<Record<string, LastTime>> {
  const teamId = team.id;
  const rows = await sql`
    select step_key as key, max(day) as day, max(remark) as remark, max(photo::text) as photo from (
      (select distinct on (e.step_key) e.step_key, (e.at at time zone ${team.timeZone})::date::text as day, e.remark, null::uuid as photo
        from visit_entry e join visit v on v.team_id = e.team_id and v.id = e.visit_id
        where e.team_id = ${teamId} and v.machine_id = ${machineId} and v.closed_at is not null and e.step_key is not null and e.remark is not null
        order by e.step_key, e.seq desc)
      union all
      (select distinct on (x.step_key) x.step_key, (x.taken_at at time zone ${team.timeZone})::date::text, null, x.id from photo x
        join visit v on v.team_id = x.team_id and v.id = x.visit_id
        where x.team_id = ${teamId} and x.machine_id = ${machineId} and v.closed_at is not null
        order by x.step_key, x.taken_at desc)
    ) last group by step_key`;
  return Object.fromEntries(rows.map((r) => [r.key, { day: r.day, remark: r.remark, photoId: r.photo }]));
}

/**
 * What was not laid out at the last visit of this machine for each job, and had to be fetched in the middle of it.
 * @param but a visit that is not counted as the last, because it is the one at hand; null: none
 * @returns the jobs for which something was
 */
export async function forgottenLast(
  sql: Db,
  team: Pick<Team, 'id' | 'timeZone'>,
  machineId: string,
  but: string | null
): Promise<Forgotten[]> {
  return (await sql`
    with last as (
      select distinct on (t.job_key) t.job_key, v.id, (v.closed_at at time zone ${team.timeZone})::date::text as day
      from visit v join visit_task t on t.team_id = v.team_id and t.visit_id = v.id
      where v.team_id = ${team.id} and v.machine_id = ${machineId} and v.closed_at is not null and v.id is distinct from ${but}
      order by t.job_key, v.closed_at desc
    )
    select last.job_key as job, last.day, array_agg(e.content->>'what' order by e.seq) as what from last
    join visit_entry e on e.team_id = ${team.id} and e.visit_id = last.id and e.action = 'fetched'
    where not exists (
      select 1 from visit_entry n where n.team_id = e.team_id and n.visit_id = e.visit_id and n.action = 'not fetched' and n.content->>'of' = e.id::text)
    group by last.job_key, last.day order by last.day desc, last.job_key`) as unknown as Forgotten[];
}

async function headOf(
  sql: Db,
  team: Pick<Team, 'id' | 'timeZone'>,
  machineId: string
): Promise<LayoutInput['head']> {
  const sheet = await valveSheetIn(sql, team, machineId);
  return sheet && headForJobs(sheet);
}

/** Everything a visit of these jobs is laid out from. */
export async function layoutInput(
  sql: Db,
  team: Pick<Team, 'id' | 'timeZone'>,
  machine: { id: string; kind: string },
  jobs: JobInput[],
  today: Day
): Promise<LayoutInput> {
  const teamId = team.id;
  const history: LayoutInput['history'] = {};
  for (const job of jobs)
    for (const circuit of job.template.circuits)
      if (job.taskId && !history[circuit])
        history[circuit] = await circuitHistory(sql, teamId, machine.id, job.taskId, circuit);
  return {
    kind: machine.kind as Kind,
    sheet: await readSheet(sql, teamId, machine.id),
    hourMeter: (await hoursBy(sql, teamId, machine.id)) !== 'reckoned',
    rules: await readRules(sql, teamId, machine.id),
    jobs,
    history,
    ...fastenerPast(await pastRecords(sql, teamId, machine.id), today),
    last: await lastTimes(sql, team, machine.id),
    head: sectionsOf(machine.kind as Kind).includes('Valves') ? await headOf(sql, team, machine.id) : null,
    chain: sectionsOf(machine.kind as Kind).includes('Chain and final drive')
      ? chainForJobs(await chainSheet(sql, team, machine.id))
      : null
  };
}
