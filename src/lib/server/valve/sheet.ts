import type { Row } from 'postgres';
import { totalAt } from '../../core/hours/series';
import { keptRules } from '../../core/rules/stored';
import { figureOf } from '../../core/specs/sheet';
import type { Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import { pastChecks } from '../../core/valve/history';
import type { Reading, ShimAt } from '../../core/valve/check';
import type { DrawerShim } from '../../core/valve/choice';
import type { Side } from '../../core/valve/head';
import { limitsOf } from '../../core/valve/limits';
import {
  valveRules,
  type Blade,
  type HeadRow,
  type OpenCheck,
  type ValveSheet
} from '../../core/valve/sheet';
import { readKeptPlan, readMeasured } from '../../core/valve/stored';
import { isValveTask } from '../../core/valve/task';
import { loadBook } from '../book/load';
import type { Db } from '../base/db';
import { engineIn, headIn } from './heads';
import { readRules } from '../rules/rules';
import { listFigures } from '../specs/sheet';

/** The valve sheet of the engine in a machine; null where its head was not laid out. */
export async function valveSheetIn(
  sql: Db,
  team: Pick<Team, 'id' | 'timeZone'>,
  machineId: string
): Promise<ValveSheet | null> {
  const head = await headIn(sql, team.id, machineId);
  return head && valveSheet(sql, team, head, machineId);
}

/** @param machineId the machine the engine is in now; null: on the shelf */
export async function valveSheet(
  sql: Db,
  team: Pick<Team, 'id' | 'timeZone'>,
  head: HeadRow,
  machineId: string | null
): Promise<ValveSheet> {
  const [engine, figures, [sheetMachine], house, blades, checks, readings, shims, drawer, ranAt, nextInH] =
    await Promise.all([
      machineId ? engineIn(sql, team.id, machineId) : null,
      listFigures(sql, team.id, head.sheetMachineId),
      sql`select plate from machine where team_id = ${team.id} and id = ${head.sheetMachineId}`,
      readRules(sql, team.id, machineId),
      bladesOf(sql, team.id),
      sql`
      select c.*, p.name as by from valve_check c join person p on p.team_id = c.team_id and p.id = c.begun_by
      where c.team_id = ${team.id} and c.head_id = ${head.id} and c.struck_at is null order by c.begun_at desc, c.id limit 200`,
      sql`
      select r.id, r.check_id, r.valve, r.stage, r.content, r.at, p.name as by from valve_check c
      join valve_reading r on r.team_id = c.team_id and r.check_id = c.id join person p on p.team_id = r.team_id and p.id = r.by
      where c.team_id = ${team.id} and c.head_id = ${head.id} and c.struck_at is null order by r.at, r.seq`,
      sql`
      select s.valve, s.stamp, s.measured, s.why, s.check_id as "checkId", s.at, p.name as by from valve_shim s join person p on p.team_id = s.team_id and p.id = s.by
      where s.team_id = ${team.id} and s.head_id = ${head.id} order by s.at, s.seq`,
      drawerOf(sql, team.id, head.acrossUm),
      machineId ? ranBy(sql, team.id, machineId) : null,
      nextCheck(sql, team.id, head, machineId)
    ]);
  const inForce = { figures: figures.filter((f) => !f.superseded), fasteners: [] };
  const of = (side: Side) => figureOf(inForce, `${side} valve clearance`);
  const figureOn = { inlet: of('inlet'), exhaust: of('exhaust') };
  const limits = (side: Side) => (figureOn[side]?.band ? limitsOf(figureOn[side].band) : null);
  const owner = { machineId: head.machineId, componentId: head.componentId };
  const moments = checks.map((c) => (c.begun_at as Date).getTime());
  const book = await loadBook(sql, team.id, {
    machineIds: owner.machineId ? [owner.machineId] : [],
    componentIds: owner.componentId ? [owner.componentId] : [],
    moments: new Map([[(owner.componentId ?? owner.machineId)!, moments]])
  });
  const { hours } = book.clock(owner);
  const shimRows = shims.map((s) => ({
    ...(s as unknown as ShimAt & { by: string }),
    at: (s.at as Date).getTime()
  }));
  const open = checks.find((c) => c.closed_at === null);
  const rules = valveRules({ ...house, ...(open ? keptRules.parse(open.rules) : {}) });
  return {
    head,
    engine,
    figures: figureOn,
    sheetOf: head.sheetMachineId === machineId ? null : (sheetMachine!.plate as string),
    limits: { inlet: limits('inlet'), exhaust: limits('exhaust') },
    rules,
    blades,
    check: open
      ? openCheck(open, readings, toHours(totalAt(hours, (open.begun_at as Date).getTime())))
      : null,
    shims: shimRows,
    past: pastChecks(
      checks
        .filter((c) => c.closed_at !== null)
        .map((c) => ({
          id: c.id as string,
          day: dayOf(c.begun_at, team.timeZone),
          hours: toHours(totalAt(hours, (c.begun_at as Date).getTime())),
          at: (c.closed_at as Date).getTime()
        })),
      readings.map((r) => ({
        checkId: r.check_id as string,
        valve: r.valve as string,
        stage: r.stage as Reading['stage'],
        measured: readMeasured(r.content)
      })),
      shimRows
    ),
    drawer,
    hours: toHours(totalAt(hours, Infinity)),
    nextInH,
    ranAt,
    coldAfterHours: house.coldAfterHours
  };
}
const toHours = (c: number | null): number | null => (c === null ? null : c / 100);

function openCheck(c: Row, readings: readonly Row[], hours: number | null): OpenCheck {
  return {
    id: c.id,
    visitId: c.visit_id,
    begunAt: c.begun_at,
    by: c.by,
    hours,
    plan: c.plan === null ? null : readKeptPlan(c.plan),
    readings: readings
      .filter((r) => r.check_id === c.id)
      .map((r) => ({
        id: r.id,
        valve: r.valve,
        stage: r.stage,
        measured: readMeasured(r.content),
        at: r.at,
        by: r.by
      }))
  };
}

/** Running hours from one check of a head to the next: the shortest interval its tasks have; null: none counts hours. */
async function nextCheck(
  sql: Db,
  teamId: string,
  head: HeadRow,
  machineId: string | null
): Promise<number | null> {
  const tasks = await sql<{ name: string; job: string | null; interval: number }[]>`
    select t.name, t.job, least(g.interval_amount, g.shortened_to)::int as interval from task t
    join task_trigger g on g.team_id = t.team_id and g.task_id = t.id and g.measure = 'hours'
    where t.team_id = ${teamId} and t.retired_at is null and (t.machine_id = ${machineId} or t.component_id = ${head.componentId})`;
  const intervals = tasks.filter(isValveTask).map((t) => t.interval);
  return intervals.length > 0 ? Math.min(...intervals) / 100 : null;
}

/** All feeler blades of a team, the thinnest first; each thickness once as it is marked. */
export async function bladesOf(sql: Db, teamId: string): Promise<Blade[]> {
  return (await sql`
    select distinct um, unit from blade_set b cross join unnest(b.blades) as um where team_id = ${teamId} and retired_at is null order by um, unit`) as unknown as Blade[];
}

/** What lies in the drawer of shims so far across: by stamp and micrometer. Null: of which nobody said how far. */
export async function drawerOf(sql: Db, teamId: string, acrossUm: number | null): Promise<DrawerShim[]> {
  return (await sql`
    select stamp, measured, sum(count)::int as count from shim_movement
    where team_id = ${teamId} and across = ${acrossUm ?? 0} group by stamp, measured having sum(count) > 0 order by coalesce(measured, stamp)`) as unknown as DrawerShim[];
}

/**
 * The latest moment by which the engine of a machine is known to have run: when its count last grew, or when it was warmed or
 * started at the bench.
 */
export async function ranBy(sql: Db, teamId: string, machineId: string): Promise<Date | null> {
  const [row] = await sql`
    select greatest(
      (select min(s.at) from count_step s where s.team_id = ${teamId} and s.machine_id = ${machineId}
        and s.hours = (select l.hours from count_step l where l.team_id = ${teamId} and l.machine_id = ${machineId} order by l.at desc, l.ord desc limit 1)),
      (select max(e.at) from visit v
        join visit_step s on s.team_id = v.team_id and s.visit_id = v.id and (s.content->>'heats' = 'true' or s.content#>>'{input,type}' = 'start')
        join visit_entry e on e.team_id = v.team_id and e.visit_id = v.id and e.step_key = s.key and e.action = 'done'
        where v.team_id = ${teamId} and v.machine_id = ${machineId} and v.closed_at is null and v.given_up_at is null)) as at`;
  return (row?.at as Date | null) ?? null;
}
