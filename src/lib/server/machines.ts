import type { MachineInput, TaskInput, DoneInput } from '../core/machine/form';
import { dayOf } from '../core/time/day';
import type { Team } from '../core/team/team';
import type { Db, Sql } from './db';
import { refuse, Refusal } from './refusal';
import { lockMachine, refreshStanding } from './standing';

export interface MachineRow {
  id: string;
  plate: string;
  name: string;
  maker: string;
  kind: string;
  riderId: string | null;
  /** How its hours are counted now. */
  meter: 'hour meter' | 'reckoned' | null;
}

const columns = (sql: Db) => sql`
  m.id, m.plate, m.name, m.maker, m.kind, m.rider_id as "riderId",
  (select kind from meter t where t.team_id = m.team_id and t.machine_id = m.id and t.removed_at is null) as meter`;

export async function getMachine(sql: Db, teamId: string, id: string): Promise<MachineRow | null> {
  const [row] = await sql`select ${columns(sql)} from machine m where m.team_id = ${teamId} and m.id = ${id}`;
  return (row as unknown as MachineRow) ?? null;
}

/** Machines by plate; with `words`, those whose plate, name or maker hold them. At most 200. */
export async function listMachines(
  sql: Db,
  teamId: string,
  words = ''
): Promise<(MachineRow & { total: number | null })[]> {
  const like = `%${words.trim().replace(/[\\%_]/g, '\\$&')}%`;
  return (await sql`
    select ${columns(sql)}, s.total from machine m left join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
    where m.team_id = ${teamId} ${words.trim() ? sql`and (m.plate ilike ${like} or m.name ilike ${like} or m.maker ilike ${like})` : sql``}
    order by length(m.plate), m.plate limit 200`) as unknown as (MachineRow & { total: number | null })[];
}

/** Adds a machine with its meter, its first reading and, if given, its first task. */
export async function addMachine(
  sql: Sql,
  team: Team,
  personId: string,
  input: MachineInput,
  now: Date
): Promise<void> {
  await sql.begin(async (tx) => {
    const [other] =
      await tx`select id from machine where team_id = ${team.id} and lower(plate) = lower(${input.plate})`;
    if (other && other.id !== input.id) refuse('plate', 'Another machine of the team carries that.');
    if (other) return;
    const today = dayOf(now, team.timeZone);
    await tx`
      insert into machine (team_id, id, plate, name, maker, kind, rider_id, book_from_new, in_service_on, created_by)
      values (${team.id}, ${input.id}, ${input.plate}, ${input.name}, ${input.maker}, ${input.kind}, ${input.riderId}, ${input.bookFromNew}, ${today}, ${personId})`;
    const meterId = crypto.randomUUID();
    // A meter is taken to have counted from new; a reckoning starts from what is stated.
    const first = input.meter === 'reckoned' ? input.reading : 0;
    await tx`insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by) values (${team.id}, ${meterId}, ${input.id}, ${input.meter}, ${new Date(now.getTime() - 1000)}, ${first}, ${personId})`;
    await tx`
      insert into reading (team_id, id, machine_id, meter_id, read_at, value, ridden, created_by)
      values (${team.id}, ${crypto.randomUUID()}, ${input.id}, ${meterId}, ${now}, ${input.meter === 'reckoned' ? null : input.reading}, ${input.meter === 'reckoned' ? 0 : null}, ${personId})`;
    await refreshStanding(tx, team.id, input.id);
    if (!input.task) return;
    try {
      await insertTask(tx, team, personId, { ...input.task, machineId: input.id }, now);
    } catch (e) {
      // The task's fields stand in this form under their own name.
      if (e instanceof Refusal)
        throw new Refusal(
          Object.fromEntries(Object.entries(e.errors).map(([k, v]) => [k ? `task.${k}` : '', v])),
          e.more
        );
      throw e;
    }
    await refreshStanding(tx, team.id, input.id);
  });
}

/** Adds a task with its triggers, and from where it counts. */
export async function addTask(
  sql: Sql,
  team: Team,
  personId: string,
  input: TaskInput,
  now: Date
): Promise<void> {
  await sql.begin(async (tx) => {
    if (!(await lockMachine(tx, team.id, input.machineId))) refuse('', 'That machine is not in this team.');
    await insertTask(tx, team, personId, input, now);
    await refreshStanding(tx, team.id, input.machineId);
  });
}

async function insertTask(tx: Db, team: Team, personId: string, t: TaskInput, now: Date): Promise<void> {
  const [there] =
    await tx`select id from task where team_id = ${team.id} and machine_id = ${t.machineId} and lower(name) = lower(${t.name})`;
  if (there && there.id !== t.id) refuse('name', 'This machine has a task of that name.');
  if (there) return;
  await tx`insert into task (team_id, id, machine_id, name, job, note, created_by) values (${team.id}, ${t.id}, ${t.machineId}, ${t.name}, ${t.job}, ${t.note}, ${personId})`;
  const trigger = (
    measure: string,
    interval: number,
    limit: number | null,
    first: number | null,
    firstLimit: number | null
  ) => tx`
    insert into task_trigger (team_id, id, task_id, measure, interval_amount, limit_amount, first_interval, first_limit)
    values (${team.id}, ${crypto.randomUUID()}, ${t.id}, ${measure}, ${interval}, ${limit}, ${first}, ${firstLimit})`;
  if (t.everyHours !== null)
    await trigger('hours', t.everyHours, t.limitHours, t.firstHours, t.firstLimitHours);
  if (t.everyDays !== null) await trigger('days', t.everyDays, t.limitDays, null, null);
  if (t.lastDone === 'done') {
    await insertDone(
      tx,
      team,
      personId,
      {
        id: crypto.randomUUID(),
        taskId: t.id,
        day: t.lastDoneDay,
        hours: t.lastDoneHours,
        reason: '',
        remark: 'Done before this book began.'
      },
      t.machineId,
      now
    );
  } else if (t.lastDone === 'new') {
    await tx`update machine set book_from_new = true where team_id = ${team.id} and id = ${t.machineId}`;
  }
}

/** Writes a task down as done; its count starts again from there. Returns the machine. */
export async function recordDone(
  sql: Sql,
  team: Team,
  personId: string,
  input: DoneInput,
  now: Date
): Promise<string> {
  return sql.begin(async (tx) => {
    const [task] = await tx`select machine_id from task where team_id = ${team.id} and id = ${input.taskId}`;
    if (!task) refuse('', 'That task is not in this team.');
    await lockMachine(tx, team.id, task!.machine_id);
    await insertDone(tx, team, personId, input, task!.machine_id, now);
    await refreshStanding(tx, team.id, task!.machine_id);
    return task!.machine_id as string;
  });
}

async function insertDone(
  tx: Db,
  team: Team,
  personId: string,
  d: DoneInput,
  machineId: string,
  now: Date
): Promise<void> {
  const today = dayOf(now, team.timeZone);
  if (d.day > today) refuse('day', 'That day has not come yet.');
  const [standing] =
    await tx`select total from machine_standing where team_id = ${team.id} and machine_id = ${machineId}`;
  if (d.hours !== null && standing?.total != null && d.hours > standing.total)
    refuse('hours', 'The machine has not run that far yet. Log its hours first.');
  const at = d.day === today ? now : new Date(`${d.day}T12:00:00Z`);
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, done_on, done_at, hours, reason, remark, created_by)
    values (${team.id}, ${d.id}, ${machineId}, ${d.taskId}, ${d.day}, ${at}, ${d.hours}, ${d.reason}, ${d.remark}, ${personId}) on conflict do nothing`;
}
