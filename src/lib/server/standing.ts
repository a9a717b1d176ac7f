import { WINDOW_DAYS, type DayPoint } from '../core/hours/rate';
import { totalAt } from '../core/hours/series';
import { packPoints, packTask } from '../core/schedule/packed';
import { dayNumber, dayOf, type Day } from '../core/time/day';
import type { Peg } from '../core/trail/lane';
import { Clocks, type MachineBook } from './clock';
import { fittedNow, readTasks } from './counts';
import type { Db } from './db';

const PEGS_KEPT = 16;

/**
 * The last point of each day in the window, and one before it, so that a rate can be read off. Hours ridden at planned
 * events are told apart, because the forecast takes those from the calendar.
 */
function recentPoints(book: MachineBook, timeZone: string): DayPoint[] {
  const { steps } = book.running;
  const from = Math.max(0, steps.length - 120);
  const byDay = new Map<Day, DayPoint>();
  for (let i = from; i < steps.length; i++) {
    const day = dayOf(new Date(steps[i]!.at), timeZone);
    const planned = book.atEvents[i]!;
    byDay.set(day, { day: dayNumber(day), total: steps[i]!.total, ...(planned > 0 && { planned }) });
  }
  const days = [...byDay.values()];
  const end = days.at(-1)?.day ?? 0;
  // A fortnight more than the window, so that it stays full while nothing is written.
  const start = end - WINDOW_DAYS - 14;
  const before = days.filter((d) => d.day < start).at(-1);
  return [...(before ? [before] : []), ...days.filter((d) => d.day >= start)];
}

/**
 * Works out anew where one machine stands, from its own book and its components', and keeps it. Called in the transaction
 * of every write that touches the machine, so that the fleet's screens never have to read history.
 */
async function refreshOne(sql: Db, teamId: string, machineId: string, clocks: Clocks): Promise<void> {
  const [team] = await sql`select time_zone from team where id = ${teamId}`;
  const book = await clocks.machine(machineId);
  const { running, learned, clock } = book;
  const componentIds = await fittedNow(sql, teamId, machineId);
  const tasks = await readTasks(sql, teamId, clocks, { machineId, componentIds });
  const last = running.points.at(-1);
  const readAt = last ? new Date(last.reading.at) : null;
  const distance = totalAt(clock.distance, Infinity);
  const pegs = await readPegs(sql, teamId, machineId, clocks);
  await sql`
    insert into machine_standing (team_id, machine_id, total, estimated, read_at, recent, points, dues, tasks, pegs, distance, speed, per_race, per_outing)
    values (${teamId}, ${machineId}, ${running.total}, ${running.estimated}, ${readAt},
      ${sql.json(recentPoints(book, team!.time_zone) as never)}, ${sql.json(packPoints(tasks) as never)}, ${sql.json(tasks.map(packTask) as never)},
      ${sql.json(tasks as never)}, ${sql.json(pegs as never)}, ${distance === null ? null : Math.round(distance)}, ${learned.speed === null ? null : Math.round(learned.speed)}, ${learned.perRace}, ${learned.perOuting})
    on conflict (team_id, machine_id) do update set total = excluded.total, estimated = excluded.estimated, read_at = excluded.read_at,
      recent = excluded.recent, points = excluded.points, dues = excluded.dues, tasks = excluded.tasks, pegs = excluded.pegs,
      distance = excluded.distance, speed = excluded.speed, per_race = excluded.per_race, per_outing = excluded.per_outing`;
}

/** Work done on a machine or on what is fitted to it now, at the machine's hours then. */
async function readPegs(sql: Db, teamId: string, machineId: string, clocks: Clocks): Promise<Peg[]> {
  const { hours } = (await clocks.machine(machineId)).clock;
  const rows = await sql`
    select s.id, t.name, s.hours, s.done_on, s.done_at, t.component_id from service_record s
    join task t on t.team_id = s.team_id and t.id = s.task_id
    where s.team_id = ${teamId} and s.machine_id = ${machineId} and s.hours is not null
    order by s.done_at desc, s.id desc limit ${PEGS_KEPT}`;
  return rows.map((p) => ({
    recordId: p.id,
    name: p.name,
    // A component's own hours say nothing of where the machine stood.
    hours: p.component_id ? (totalAt(hours, p.done_at.getTime()) ?? 0) : p.hours,
    day: p.done_on
  }));
}

/**
 * Works out anew a machine and whatever hangs on its hours: components that were ever on it may be on another machine now,
 * and count its hours still. Nearly always that is this one machine alone.
 */
export async function refreshStanding(sql: Db, teamId: string, machineId: string): Promise<void> {
  await refreshMachines(sql, teamId, [machineId]);
}

/** The same for several machines at once; each is worked out once. */
export async function refreshMachines(sql: Db, teamId: string, machineIds: readonly string[]): Promise<void> {
  const clocks = new Clocks(sql, teamId);
  const touched = await sql`
    with recursive was as (
      select component_id from fitting where team_id = ${teamId} and machine_id = any(${machineIds as string[]})
      union
      select f.component_id from fitting f join was on f.host_id = was.component_id where f.team_id = ${teamId}
    )
    select was.component_id as id, coalesce(f.machine_id, h.machine_id) as machine_id from was
    left join fitting f on f.team_id = ${teamId} and f.component_id = was.component_id and f.removed_at is null
    left join fitting h on h.team_id = ${teamId} and h.component_id = f.host_id and h.removed_at is null`;
  for (const c of touched) {
    const clock = await clocks.component(c.id);
    await sql`update component set total = ${totalAt(clock.hours, Infinity) ?? 0} where team_id = ${teamId} and id = ${c.id} and total <> ${totalAt(clock.hours, Infinity) ?? 0}`;
  }
  const all = new Set([
    ...machineIds,
    ...touched.flatMap((c) => (c.machine_id ? [c.machine_id as string] : []))
  ]);
  for (const id of all) await refreshOne(sql, teamId, id, clocks);
}

/** Makes the standings that are missing: after a migration that changed what they hold. */
export async function refreshMissing(sql: Db): Promise<number> {
  const missing = await sql`
    select m.team_id, m.id from machine m
    where not exists (select 1 from machine_standing s where s.team_id = m.team_id and s.machine_id = m.id)`;
  for (const m of missing) await refreshOne(sql, m.team_id, m.id, new Clocks(sql, m.team_id));
  return missing.length;
}

/** Holds a machine's book still until the transaction ends, so that two devices write one after the other. */
export async function lockMachine(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<{ plate: string; name: string } | null> {
  const [row] =
    await sql`select plate, name from machine where team_id = ${teamId} and id = ${machineId} for update`;
  return (row as { plate: string; name: string } | undefined) ?? null;
}

/** The same for several machines, always in one order, so that two swaps never wait for one another. */
export async function lockMachines(sql: Db, teamId: string, machineIds: readonly string[]): Promise<void> {
  await sql`select 1 from machine where team_id = ${teamId} and id = any(${[...new Set(machineIds)].sort()}) order by id for update`;
}
