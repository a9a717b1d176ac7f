import type { MachineChange, MachineInput } from '../../core/machine/form';
import type { NamedMachine } from '../../core/machine/machine';
import { dayOf } from '../../core/time/day';
import type { Db } from '../base/db';
import { refuse, Refusal } from '../base/refusal';
import { insertTask } from '../schedule/tasks';
import type { Write } from '../book/under-way';

export interface MachineRow extends NamedMachine {
  ownerId: string | null;
  odometer: boolean;
}

const columns = (sql: Db) => sql`
  m.id, m.plate, m.name, m.maker, m.kind, m.rider_id as "riderId", m.owner_id as "ownerId",
  (select case when exists (select 1 from meter_dead d where d.team_id = t.team_id and d.meter_id = t.id and d.until is null) then 'reckoned' else kind end
    from meter t where t.team_id = m.team_id and t.machine_id = m.id and t.removed_at is null and t.counts = 'hours') as meter,
  exists (select 1 from meter t where t.team_id = m.team_id and t.machine_id = m.id and t.removed_at is null and t.counts = 'distance') as odometer,
  coalesce((select ready from machine_standing r where r.team_id = m.team_id and r.machine_id = m.id), true) as ready`;

export async function getMachine(sql: Db, teamId: string, id: string): Promise<MachineRow | null> {
  const [row] = await sql`select ${columns(sql)} from machine m where m.team_id = ${teamId} and m.id = ${id}`;
  return (row as unknown as MachineRow) ?? null;
}

/** How a machine's hours are counted now: a dead meter counts by time ridden, like none. */
export async function hoursBy(sql: Db, teamId: string, machineId: string): Promise<MachineRow['meter']> {
  return (await getMachine(sql, teamId, machineId))?.meter ?? null;
}

/** A machine with what it has run. Hundredths of an hour. */
export interface ListedMachine extends MachineRow {
  total: number | null;
  /** What its meter in use showed last; null: it has none, or nobody read it. */
  meterShows: number | null;
}

/** Machines by plate: all of them; with `words`, the first 200 whose plate, name or maker hold them. */
export async function listMachines(sql: Db, teamId: string, words = ''): Promise<ListedMachine[]> {
  const like = `%${words.trim().replace(/[\\%_]/g, '\\$&')}%`;
  return (await sql`
    select ${columns(sql)}, s.total, (
        select r.value from meter t join reading_in_force r on r.team_id = t.team_id and r.meter_id = t.id and r.value is not null
        where t.team_id = m.team_id and t.machine_id = m.id and t.removed_at is null and t.counts = 'hours' order by r.read_at desc, r.id desc limit 1) as "meterShows"
    from machine m left join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
    where m.team_id = ${teamId} ${words.trim() ? sql`and (m.plate ilike ${like} or m.name ilike ${like} or m.maker ilike ${like})` : sql``}
    order by length(m.plate), m.plate ${words.trim() ? sql`limit 200` : sql``}`) as unknown as ListedMachine[];
}

/** Brings a machine into the book with its meter, its first reading and its tasks. */
export async function addMachine({ tx, team, personId, now }: Write, input: MachineInput): Promise<void> {
  const [other] =
    await tx`select id from machine where team_id = ${team.id} and lower(plate) = lower(${input.plate})`;
  if (other) refuse('plate', 'Another machine of the team carries that.');
  const today = dayOf(now, team.timeZone);
  await tx`
    insert into machine (team_id, id, plate, name, maker, kind, rider_id, in_service_on, created_by)
    values (${team.id}, ${input.id}, ${input.plate}, ${input.name}, ${input.maker}, ${input.kind}, ${input.riderId}, ${today}, ${personId})`;
  const meterId = crypto.randomUUID();
  // A meter is taken to have counted from new; a reckoning starts from what is stated.
  const first = (input.meter === 'reckoned' ? input.reading : 0) ?? 0;
  await tx`insert into meter (team_id, id, machine_id, kind, fitted_at, first_value, created_by) values (${team.id}, ${meterId}, ${input.id}, ${input.meter}, ${new Date(now.getTime() - 1000)}, ${first}, ${personId})`;
  if (input.reading !== null)
    await tx`
    insert into reading (team_id, id, machine_id, meter_id, read_at, value, ridden, created_by)
    values (${team.id}, ${crypto.randomUUID()}, ${input.id}, ${meterId}, ${now}, ${input.meter === 'reckoned' ? null : input.reading}, ${input.meter === 'reckoned' ? 0 : null}, ${personId})`;
  for (const [i, task] of input.tasks.entries()) {
    if (task.lastDoneHours !== null && input.reading !== null && task.lastDoneHours > input.reading)
      refuse(`tasks.${i}.lastDoneHours`, 'The machine has not run that far yet.');
    try {
      await insertTask(tx, team, personId, { ...task, machineId: input.id, componentId: null }, now);
    } catch (e) {
      // A task's fields stand in this form under its own place in the list.
      if (e instanceof Refusal)
        throw new Refusal(
          Object.fromEntries(Object.entries(e.errors).map(([k, v]) => [k ? `tasks.${i}.${k}` : '', v])),
          e.more
        );
      throw e;
    }
  }
}

/** Writes a machine's name, maker or rider otherwise; what is left out stays. */
export async function changeMachine({ tx, team }: Write, m: MachineChange): Promise<void> {
  if (m.name !== undefined)
    await tx`update machine set name = ${m.name} where team_id = ${team.id} and id = ${m.machineId}`;
  if (m.maker !== undefined)
    await tx`update machine set maker = ${m.maker} where team_id = ${team.id} and id = ${m.machineId}`;
  if (m.riderId !== undefined)
    await tx`update machine set rider_id = ${m.riderId} where team_id = ${team.id} and id = ${m.machineId}`;
  if (m.ownerId !== undefined)
    await tx`update machine set owner_id = ${m.ownerId} where team_id = ${team.id} and id = ${m.machineId}`;
}
