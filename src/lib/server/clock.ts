import { runningHours, type Meter, type Reading, type Running } from '../core/hours/running';
import { countOf, fittedSeries, seriesOf, type Series } from '../core/hours/series';
import { learn, type Learned } from '../core/hours/learned';
import { isRace, STRAINS, strainsOf, type Strain } from '../core/outing/outing';
import type { Clock } from '../core/schedule/count';
import { COUNTERS } from '../core/schedule/task';
import type { Db } from './db';

/** A meter's row as the core takes it, with what it counts. */
export interface BookMeter extends Meter {
  counts: 'hours' | 'distance';
}
interface BookOuting {
  id: string;
  at: number;
  kind: string;
  eventId: string | null;
  distance: number | null;
  strains: Strain[];
}

/** Everything one machine's book says, worked out. */
export interface MachineBook {
  running: Running;
  clock: Clock;
  learned: Learned;
  /** Hours of each step that were ridden at a planned event, by the step's place in `running.steps`. */
  atEvents: number[];
}

/** Reads one machine's meters and readings, as the core takes them. */
export async function readBook(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<{ meters: BookMeter[]; readings: Reading[] }> {
  const meters = await sql`
    select id, counts, fitted_at, first_value, removed_at, last_value from meter
    where team_id = ${teamId} and machine_id = ${machineId}`;
  const readings = await sql`
    select r.id, r.meter_id, r.read_at, r.value, r.ridden, s.reading_id is not null as struck
    from reading r left join reading_strike s on s.team_id = r.team_id and s.reading_id = r.id
    where r.team_id = ${teamId} and r.machine_id = ${machineId}`;
  return {
    meters: meters.map((m) => ({
      id: m.id,
      counts: m.counts,
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

async function readOutings(sql: Db, teamId: string, machineId: string): Promise<BookOuting[]> {
  const rows = await sql`
    select id, day, kind, event_id, distance, conditions, crossings, clutch, ridden_at from outing
    where team_id = ${teamId} and machine_id = ${machineId}`;
  return rows.map((o) => ({
    id: o.id,
    at: (o.ridden_at as Date | null)?.getTime() ?? Date.parse(`${o.day}T18:00:00Z`),
    kind: o.kind,
    eventId: o.event_id,
    distance: o.distance,
    strains: strainsOf(o as never)
  }));
}

/** Works out one machine's book: its hours over all meters, distance, outings, strains and pace. */
export function workOutBook(
  meters: readonly BookMeter[],
  readings: readonly Reading[],
  outings: readonly BookOuting[]
): MachineBook {
  const ids = (counts: string) => new Set(meters.filter((m) => m.counts === counts).map((m) => m.id));
  const hourMeters = ids('hours');
  const running = runningHours(
    meters.filter((m) => m.counts === 'hours'),
    readings.filter((r) => hourMeters.has(r.meterId))
  );
  const byId = new Map(outings.map((o) => [o.id, o]));
  const from = Math.min(...meters.map((m) => m.fittedAt), ...outings.map((o) => o.at));

  // What each step added goes to the outing whose reading brought it. A reading of an outing that follows one taken before
  // it has the outing's own hours; else it has whatever was ridden since the last.
  const strains: Partial<Record<Strain, Series>> = {};
  const past: { hours: number; distance: number | null; race: boolean }[] = [];
  const atEvents: number[] = [];
  let before = running.steps[0]?.total ?? 0;
  let events = 0;
  for (const [i, step] of running.steps.entries()) {
    // The first reading of a book may stand for years; it is no outing's.
    const used = i === 0 && !step.estimated ? 0 : Math.max(0, step.total - before);
    before = step.total;
    const outing = step.readingId ? byId.get(step.readingId) : undefined;
    if (outing) {
      for (const strain of outing.strains) {
        const s = (strains[strain] ??= { at: [from - 1], total: [0] });
        s.at.push(step.at);
        s.total.push(s.total.at(-1)! + used);
      }
      if (!step.estimated && i > 0)
        past.push({ hours: used, distance: outing.distance, race: isRace(outing.kind) });
      if (outing.eventId) events += used;
    }
    atEvents.push(events);
  }
  return {
    running,
    learned: learn(past),
    atEvents,
    clock: {
      hours: seriesOf(running),
      distance: distanceSeries(meters, readings, outings, from),
      outings: countOf(
        outings.map((o) => o.at),
        from
      ),
      races: countOf(
        outings.filter((o) => isRace(o.kind)).map((o) => o.at),
        from
      ),
      strains
    }
  };
}

/** Distance by the odometer; where none is fitted, by the distances of the outings. */
function distanceSeries(
  meters: readonly BookMeter[],
  readings: readonly Reading[],
  outings: readonly BookOuting[],
  from: number
): Series {
  const odometers = meters.filter((m) => m.counts === 'distance');
  const ids = new Set(odometers.map((m) => m.id));
  const series = seriesOf(
    runningHours(
      odometers,
      readings.filter((r) => ids.has(r.meterId))
    )
  );
  const fitted = (t: number) =>
    odometers.some((m) => m.fittedAt <= t && (m.removedAt === null || t <= m.removedAt));
  const ridden = outings.filter((o) => o.distance && !fitted(o.at)).sort((a, b) => a.at - b.at);
  if (ridden.length === 0) return series;
  // Ridden before the first odometer or after the last one came off: added to what the odometers say.
  const steps = [
    ...series.at.map((at, i) => ({ at, add: series.total[i]! - (series.total[i - 1] ?? 0) })),
    ...ridden.map((o) => ({ at: o.at, add: o.distance! }))
  ].sort((a, b) => a.at - b.at);
  const start = { at: Math.min(from, steps[0]!.at) - 1, add: 0 };
  let total = 0;
  const all = [start, ...steps];
  return { at: all.map((s) => s.at), total: all.map((s) => (total += s.add)) };
}

export interface FittingRow {
  id: string;
  machineId: string | null;
  hostId: string | null;
  from: number;
  to: number | null;
}

/** Books and clocks of one team, each read once: a component's clock needs those of every place it ever was in. */
export class Clocks {
  #books = new Map<string, MachineBook>();
  #components = new Map<string, Clock>();
  constructor(
    private readonly sql: Db,
    private readonly teamId: string
  ) {}

  async machine(id: string): Promise<MachineBook> {
    const known = this.#books.get(id);
    if (known) return known;
    const { meters, readings } = await readBook(this.sql, this.teamId, id);
    const book = workOutBook(meters, readings, await readOutings(this.sql, this.teamId, id));
    this.#books.set(id, book);
    return book;
  }

  /** What a component has counted: brought along, and in every place it was fitted. */
  async component(id: string): Promise<Clock> {
    const known = this.#components.get(id);
    if (known) return known;
    const [c] = await this
      .sql`select brought, brought_distance, created_at from component where team_id = ${this.teamId} and id = ${id}`;
    const fittings = (await this.sql`
      select machine_id, host_id, fitted_at, removed_at from fitting where team_id = ${this.teamId} and component_id = ${id}`) as unknown as {
      machine_id: string | null;
      host_id: string | null;
      fitted_at: Date;
      removed_at: Date | null;
    }[];
    const hosts: { clock: Clock; from: number; to: number | null }[] = [];
    for (const f of fittings)
      hosts.push({
        clock: f.machine_id ? (await this.machine(f.machine_id)).clock : await this.component(f.host_id!),
        from: f.fitted_at.getTime(),
        to: f.removed_at?.getTime() ?? null
      });
    const began = (c!.created_at as Date).getTime();
    const of = (brought: number, pick: (clock: Clock) => Series | undefined): Series =>
      fittedSeries(
        brought,
        hosts.flatMap(({ clock, from, to }) => {
          const host = pick(clock);
          return host ? [{ host, from, to }] : [];
        }),
        began
      );
    const brought = { hours: c!.brought, distance: c!.brought_distance, outings: 0, races: 0 };
    const clock: Clock = {
      ...(Object.fromEntries(COUNTERS.map((m) => [m, of(brought[m], (k) => k[m])])) as Record<
        (typeof COUNTERS)[number],
        Series
      >),
      strains: {}
    };
    for (const strain of STRAINS)
      if (hosts.some((h) => h.clock.strains[strain])) clock.strains[strain] = of(0, (k) => k.strains[strain]);
    this.#components.set(id, clock);
    return clock;
  }
}
