import { RECENT_STEPS, LEARN_FROM } from '../../core/book/clock';
import type { Moments } from '../../core/book/moments';
import type { Recent, StepsOf } from '../../core/book/rows';
import { EVER, steps, type BackTo, type BookMeter, type BookOuting, type Step } from '../../core/book/steps';
import type { Reading } from '../../core/hours/running';
import { readOutings, readStepDocuments } from '../../core/book/stored';
import { strainsOf } from '../../core/outing/outing';
import type { Db, Tx } from '../base/db';

const iso = (d: Date): string => d.toISOString();

const columns = (sql: Db) => sql`
  c.machine_id, c.at, c.ord, c.kind, c.hours, c.estimated, c.odometer, c.ridden, c.outings, c.races, c.planned, c.strains, c.reading_id, c.outing,
  c.bases, c.odometer_fitted, c.pending_from, c.corrected_from`;

function asStep(r: Record<string, unknown>): Step {
  return {
    at: (r.at as Date).getTime(),
    ord: r.ord as number,
    kind: r.kind as Step['kind'],
    hours: r.hours as number | null,
    estimated: r.estimated as boolean,
    odometer: r.odometer as number | null,
    ridden: r.ridden as number,
    outings: r.outings as number,
    races: r.races as number,
    planned: r.planned as number,
    readingId: r.reading_id as string | null,
    ...readStepDocuments(r),
    odometerFitted: r.odometer_fitted as boolean,
    pendingFrom: (r.pending_from as Date | null)?.getTime() ?? null,
    correctedFrom: (r.corrected_from as Date | null)?.getTime() ?? null
  };
}

/**
 * From `u.since` on, within a `lateral` of its own: looked up for each machine. Joined, or without an upper end, the database
 * takes it for a third of all there is and reads the team's whole history instead.
 */
const fromOn = (tx: Tx, at: ReturnType<Tx>) => tx`${at} >= u.since and ${at} <= 'infinity' offset 0`;

/** A machine whose steps are worked out again, and from which moment on. */
interface Stale {
  id: string;
  since: number;
}

/**
 * Works out again the steps of machines from the moment on at which something was written: from the last step before it, with
 * the rows that come after it, whatever lies further back.
 * @returns the moment for each that had anything to work out
 */
export async function advance(
  tx: Tx,
  teamId: string,
  machineIds: readonly string[]
): Promise<Map<string, number>> {
  // A true reading that had put right what was ridden before this moment may do so no more: from there on, then.
  const rows = await tx`
    with gone as (
      delete from book_stale where team_id = ${teamId} and machine_id = any(${machineIds as string[]}) returning machine_id, since)
    select g.machine_id, least(g.since, (
      select min(c.corrected_from) from count_step c
      where c.team_id = ${teamId} and c.machine_id = g.machine_id and c.at >= g.since and c.corrected_from is not null)) as since from gone g`;
  const reached = new Map<string, number>();
  let todo = rows.map((r): Stale => ({ id: r.machine_id as string, since: (r.since as Date).getTime() }));
  const made: (Stale & { steps: Step[] })[] = [];
  while (todo.length > 0) {
    const again: Stale[] = [];
    for (const { id, since, steps } of await workOut(tx, teamId, todo)) {
      if ('backTo' in steps) again.push({ id, since: steps.backTo });
      else made.push({ id, since, steps });
    }
    todo = again;
  }
  await keepSteps(tx, teamId, made);
  for (const { id, since } of made) reached.set(id, since);
  return reached;
}

/** The steps of each from its moment on; without a step to go on from, all of them. */
async function workOut(
  tx: Tx,
  teamId: string,
  stale: readonly Stale[]
): Promise<(Stale & { steps: Step[] | BackTo })[]> {
  const ids = stale.map((s) => s.id);
  const before = await tx`
    select ${columns(tx)} from unnest(${ids}::uuid[], ${stale.map((s) => iso(new Date(s.since)))}::timestamptz[]) u (id, since)
    cross join lateral (
      select * from count_step s where s.team_id = ${teamId} and s.machine_id = u.id and s.at < u.since order by s.at desc, s.ord desc limit 1
    ) c`;
  const after = new Map(before.map((r) => [r.machine_id as string, asStep(r)]));
  const from = stale.map(({ id, since }) => ({ id, since: after.has(id) ? since : EVER }));
  const since = from.map((s) => iso(new Date(s.since)));
  const [meters, readings, outings] = await Promise.all([
    tx`
      select m.id, m.machine_id, m.counts, m.fitted_at, m.first_value, m.removed_at, m.last_value,
        (select jsonb_agg(jsonb_build_object('from', (extract(epoch from date_trunc('milliseconds', d.since)) * 1000)::bigint,
          'to', (extract(epoch from date_trunc('milliseconds', d.until)) * 1000)::bigint, 'counted', d.counted) order by d.since)
          from meter_dead d where d.team_id = m.team_id and d.meter_id = m.id) as dead
      from meter m where m.team_id = ${teamId} and m.machine_id = any(${ids})`,
    tx`
      select r.* from unnest(${ids}::uuid[], ${since}::timestamptz[]) u (id, since)
      cross join lateral (
        select r.id, r.machine_id, r.meter_id, r.read_at, r.value, r.ridden from reading_in_force r
        where r.team_id = ${teamId} and r.machine_id = u.id and ${fromOn(tx, tx`r.read_at`)}) r`,
    tx`
      select o.* from unnest(${ids}::uuid[], ${since}::timestamptz[]) u (id, since)
      cross join lateral (
        select o.id, o.machine_id, o.ended_at, o.kind, o.event_id, o.distance, o.conditions, o.crossings, o.clutch from outing o
        where o.team_id = ${teamId} and o.machine_id = u.id and ${fromOn(tx, tx`o.ended_at`)}) o`
  ]);
  return from.map(({ id, since }) => {
    const mine = <T>(rows: readonly Record<string, unknown>[], as: (r: Record<string, unknown>) => T): T[] =>
      rows.filter((r) => r.machine_id === id).map(as);
    const of = {
      meters: mine(meters, asMeter),
      readings: mine(readings, asReading),
      outings: mine(outings, asOuting)
    };
    const checkpoint = after.get(id);
    return { id, since, steps: checkpoint ? steps(of, checkpoint, since) : steps(of) };
  });
}

async function keepSteps(
  tx: Tx,
  teamId: string,
  made: readonly (Stale & { steps: Step[] })[]
): Promise<void> {
  if (made.length === 0) return;
  const moment = (ms: number | null) => (ms === null ? null : iso(new Date(ms)));
  const rows = made.flatMap(({ id, steps }) =>
    steps.map((s) => ({
      ...s,
      machine_id: id,
      at: moment(s.at),
      reading_id: s.readingId,
      odometer_fitted: s.odometerFitted,
      pending_from: moment(s.pendingFrom),
      corrected_from: moment(s.correctedFrom)
    }))
  );
  const gone = tx`
    delete from count_step where (team_id, machine_id, at, ord) in (
      select c.* from unnest(${made.map((m) => m.id)}::uuid[], ${made.map((m) => moment(m.since)!)}::timestamptz[]) u (id, since)
      cross join lateral (
        select c.team_id, c.machine_id, c.at, c.ord from count_step c
        where c.team_id = ${teamId} and c.machine_id = u.id and ${fromOn(tx, tx`c.at`)}) c)`;
  const fresh = [];
  for (let i = 0; i < rows.length; i += 2000)
    fresh.push(tx`
      insert into count_step (team_id, machine_id, at, ord, kind, hours, estimated, odometer, ridden, outings, races, planned, strains, reading_id, outing, bases, odometer_fitted,
        pending_from, corrected_from)
      select ${teamId}, machine_id, at, ord, kind, hours, estimated, odometer, ridden, outings, races, planned, strains, reading_id, nullif(outing, 'null'), bases, odometer_fitted,
        pending_from, corrected_from
      from jsonb_to_recordset(${tx.json(rows.slice(i, i + 2000) as never)}) as s (machine_id uuid, at timestamptz, ord int, kind text, hours int, estimated boolean, odometer int, ridden int,
        outings int, races int, planned int, strains jsonb, reading_id uuid, outing jsonb, bases jsonb, odometer_fitted boolean, pending_from timestamptz, corrected_from timestamptz)`);
  await Promise.all([gone, ...fresh]);
}

function asMeter(m: Record<string, unknown>): BookMeter {
  return {
    id: m.id as string,
    counts: m.counts as BookMeter['counts'],
    fittedAt: (m.fitted_at as Date).getTime(),
    firstValue: m.first_value as number,
    removedAt: (m.removed_at as Date | null)?.getTime() ?? null,
    lastValue: m.last_value as number | null,
    dead: (m.dead ?? []) as BookMeter['dead']
  };
}
function asReading(r: Record<string, unknown>): Reading {
  return {
    id: r.id as string,
    meterId: r.meter_id as string,
    at: (r.read_at as Date).getTime(),
    value: r.value as number | null,
    ridden: r.ridden as number | null,
    struck: false
  };
}
function asOuting(o: Record<string, unknown>): BookOuting {
  return {
    id: o.id as string,
    at: (o.ended_at as Date).getTime(),
    kind: o.kind as string,
    eventId: o.event_id as string | null,
    distance: o.distance as number | null,
    strains: strainsOf(o as never)
  };
}

/** Steps of machines at the moments that are asked for, their first and last, and those in which each count is first known. */
export async function stepsAt(sql: Db, teamId: string, moments: Moments): Promise<StepsOf> {
  const pairs = [...moments].flatMap(([id, list]) => list.map((at) => ({ id, at: new Date(at) })));
  const ids = [...moments.keys()];
  const mine = sql`s.team_id = ${teamId} and s.machine_id = u.id`;
  const rows = await sql`
    select ${columns(sql)} from unnest(${pairs.map((p) => p.id)}::uuid[], ${pairs.map((p) => iso(p.at))}::timestamptz[]) u (id, at)
      cross join lateral (select * from count_step s where ${mine} and s.at <= u.at order by s.at desc, s.ord desc limit 1) c
    union
    select ${columns(sql)} from unnest(${ids}::uuid[]) u (id)
      cross join lateral (
        (select * from count_step s where ${mine} order by s.at, s.ord limit 1)
        union (select * from count_step s where ${mine} and s.hours is not null order by s.at, s.ord limit 1)
        union (select * from count_step s where ${mine} and s.odometer is not null order by s.at, s.ord limit 1)
        union (select * from count_step s where ${mine} order by s.at desc, s.ord desc limit 1)
      ) c
    order by machine_id, at, ord`;
  const byMachine = new Map<string, Step[]>(ids.map((id) => [id, []]));
  for (const r of rows) byMachine.get(r.machine_id as string)?.push(asStep(r));
  return byMachine;
}

/** What the rate and the pace of machines are told from. */
export async function recentsOf(
  sql: Db,
  teamId: string,
  machineIds: readonly string[]
): Promise<Map<string, Recent>> {
  const mine = sql`s.team_id = ${teamId} and s.machine_id = u.id`;
  const rows = await sql`
    select u.id,
      (select jsonb_agg(jsonb_build_array((extract(epoch from h.at) * 1000)::bigint, h.hours, h.planned) order by h.at, h.ord) from (
        select s.at, s.ord, s.hours, s.planned from count_step s where ${mine} and s.kind in ('reading', 'meter closed') order by s.at desc, s.ord desc limit ${RECENT_STEPS}) h) as hours,
      (select jsonb_agg(o.outing order by o.at, o.ord) from (
        select s.at, s.ord, s.outing from count_step s where ${mine} and s.outing is not null order by s.at desc, s.ord desc limit ${LEARN_FROM}) o) as outings,
      (select s.at from count_step s where ${mine} and s.kind = 'reading' order by s.at desc, s.ord desc limit 1) as read_at
    from unnest(${machineIds as string[]}::uuid[]) u (id)`;
  return new Map(
    rows.map((r): [string, Recent] => [
      r.id as string,
      {
        hours: ((r.hours ?? []) as [number, number, number][]).map(([at, hours, planned]) => ({
          at,
          hours,
          planned
        })),
        outings: readOutings(r.outings ?? []),
        readAt: (r.read_at as Date | null)?.getTime() ?? null
      }
    ])
  );
}
