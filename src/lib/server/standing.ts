import { runningHours, type Meter, type Reading } from '../core/hours/running';
import { WINDOW_DAYS, type DayPoint } from '../core/hours/rate';
import { duePoint, type DuePoint } from '../core/schedule/due';
import type { Task, Trigger } from '../core/schedule/task';
import { dayNumber, dayOf, type Day } from '../core/time/day';
import type { Peg } from '../core/trail/lane';
import type { Db } from './db';

const PEGS_KEPT = 16;

/** A due point as it is kept for ranking. */
type PackedPoint = [hours: 0 | 1, dueAt: number | null, limitAt: number | null, interval: number];

const packPoint = (p: DuePoint): PackedPoint => [
  p.measure === 'hours' ? 1 : 0,
  p.dueAt,
  p.limitAt,
  p.interval
];

export const unpackPoint = ([hours, dueAt, limitAt, interval]: PackedPoint): DuePoint => ({
  measure: hours ? 'hours' : 'days',
  dueAt,
  limitAt,
  interval
});

/** Reads one machine's meters and readings, as the core takes them. */
export async function readBook(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<{ meters: Meter[]; readings: Reading[] }> {
  const meters = await sql`
    select id, fitted_at, first_value, removed_at, last_value from meter
    where team_id = ${teamId} and machine_id = ${machineId}`;
  const readings = await sql`
    select r.id, r.meter_id, r.read_at, r.value, r.ridden, s.reading_id is not null as struck
    from reading r left join reading_strike s on s.team_id = r.team_id and s.reading_id = r.id
    where r.team_id = ${teamId} and r.machine_id = ${machineId}`;
  return {
    meters: meters.map((m) => ({
      id: m.id,
      fittedAt: m.fitted_at.getTime(),
      firstValue: m.first_value,
      removedAt: m.removed_at?.getTime() ?? null,
      lastValue: m.last_value
    })),
    readings: readings.map((r) => ({
      id: r.id,
      meterId: r.meter_id,
      at: r.read_at.getTime(),
      value: r.value,
      ridden: r.ridden,
      struck: r.struck
    }))
  };
}

/** A machine's tasks with their triggers, and from where each counts. */
export async function readTasks(sql: Db, teamId: string, machineId: string): Promise<Task[]> {
  const rows = await sql`
    select t.id, t.name, t.job, m.book_from_new, m.in_service_on, last.done_on, last.hours,
      coalesce(jsonb_agg(jsonb_build_object('id', g.id, 'measure', g.measure, 'interval', g.interval_amount, 'limit', g.limit_amount,
        'firstInterval', g.first_interval, 'firstLimit', g.first_limit) order by g.measure desc) filter (where g.id is not null), '[]') as triggers
    from task t
    join machine m on m.team_id = t.team_id and m.id = t.machine_id
    left join task_trigger g on g.team_id = t.team_id and g.task_id = t.id
    left join lateral (
      select done_on, hours from service_record s where s.team_id = t.team_id and s.task_id = t.id
      order by s.done_at desc, s.id desc limit 1
    ) last on true
    where t.team_id = ${teamId} and t.machine_id = ${machineId}
    group by t.id, t.name, t.job, m.book_from_new, m.in_service_on, last.done_on, last.hours
    order by t.name`;
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    job: r.job,
    triggers: r.triggers as Trigger[],
    counted: r.done_on
      ? { since: 'done', hours: r.hours, day: r.done_on }
      : r.book_from_new
        ? { since: 'new', hours: 0, day: r.in_service_on }
        : null
  }));
}

/** The last point of each day in the window, and one before it, so that a rate can be read off. */
function recentPoints(points: { at: number; total: number }[], timeZone: string): DayPoint[] {
  const byDay = new Map<Day, number>();
  for (const p of points.slice(-120)) byDay.set(dayOf(new Date(p.at), timeZone), p.total);
  const days = [...byDay].map(([day, total]) => ({ day: dayNumber(day), total }));
  const end = days.at(-1)?.day ?? 0;
  // A fortnight more than the window, so that it stays full while nothing is written.
  const start = end - WINDOW_DAYS - 14;
  const before = days.filter((d) => d.day < start).at(-1);
  return [...(before ? [before] : []), ...days.filter((d) => d.day >= start)];
}

/**
 * Works out anew where one machine stands, from its own book, and keeps it. Called in the transaction of every write that
 * touches the machine, so that the fleet's screen never has to read history.
 */
export async function refreshStanding(sql: Db, teamId: string, machineId: string): Promise<void> {
  const [team] = await sql`select time_zone from team where id = ${teamId}`;
  const { meters, readings } = await readBook(sql, teamId, machineId);
  const running = runningHours(meters, readings);
  const tasks = await readTasks(sql, teamId, machineId);
  const points = tasks.flatMap((t) => t.triggers.map((g) => packPoint(duePoint(g, t))));
  const pegRows = await sql`
    select s.id, t.name, s.hours, s.done_on from service_record s join task t on t.team_id = s.team_id and t.id = s.task_id
    where s.team_id = ${teamId} and s.machine_id = ${machineId} and s.hours is not null
    order by s.done_at desc, s.id desc limit ${PEGS_KEPT}`;
  const pegs: Peg[] = pegRows.map((p) => ({ recordId: p.id, name: p.name, hours: p.hours, day: p.done_on }));
  const last = running.points.at(-1);
  const recent = recentPoints(
    running.points.map((p) => ({ at: p.reading.at, total: p.total })),
    team!.time_zone
  );
  const readAt = last ? new Date(last.reading.at) : null;
  await sql`
    insert into machine_standing (team_id, machine_id, total, estimated, read_at, recent, points, tasks, pegs)
    values (${teamId}, ${machineId}, ${running.total}, ${running.estimated}, ${readAt},
      ${sql.json(recent as never)}, ${sql.json(points as never)}, ${sql.json(tasks as never)}, ${sql.json(pegs as never)})
    on conflict (team_id, machine_id) do update set total = excluded.total, estimated = excluded.estimated,
      read_at = excluded.read_at, recent = excluded.recent, points = excluded.points, tasks = excluded.tasks, pegs = excluded.pegs`;
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
