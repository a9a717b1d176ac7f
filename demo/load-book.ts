import { quantity } from '../src/lib/core/quantity/quantity';
import type { Day } from '../src/lib/core/time/day';
import type { Db } from '../src/lib/server/base/db';
import { chance, type DemoOuting } from './history';
import { at, DEMO_TEAM_ID, person, uid } from './ids';
import type { DemoMachine } from './machine';
import { chainFigures } from './chains';
import { limitFigures } from './valves';
import { inOwnWords, riddenAs } from './people';

/** What can be opened on a machine, and the figures of its sheet. */
export async function loadSheet(tx: Db, m: DemoMachine, season: Day): Promise<void> {
  const base = {
    team_id: DEMO_TEAM_ID,
    machine_id: uid(m.slug),
    created_by: person('maud'),
    created_at: at(season, 0)
  };
  const source_id = uid(`source/${m.slug}`);
  for (const [position, f] of m.fasteners.entries()) {
    const id = uid(`${m.slug}/fastener/${f.slug}`);
    await tx`insert into fastener ${tx({ ...base, id, circuit: f.circuit, role: f.role, name: f.name, place: f.place, quantity: f.quantity ?? 1, magnet: f.magnet ?? false, seal: f.seal ?? 'none', note: f.note ?? '', head: f.head ?? '', thread: f.thread ?? '', lean: f.lean ?? '', lengths: f.lengths ?? '', comes_with: f.comesWith ?? '', adapter: f.adapter ?? false, covers: (f.hides ?? []).map((slug) => uid(`${m.slug}/fastener/${slug}`)), at_x: f.at?.[0] ?? null, at_y: f.at?.[1] ?? null, position })}`;
    if (f.torque) {
      const [value, unit, confidence] = f.torque;
      const q = quantity(value, unit);
      await tx`insert into spec_figure ${tx({ ...base, id: uid(`${m.slug}/torque/${f.slug}`), key: 'torque', fastener_id: id, dimension: q.dimension, base: q.base, value, unit, source_id, page: String(40 + position), confidence: confidence ?? 'printed' })}`;
    }
  }
  const earlier = new Map<string, string>();
  for (const [key, value, unit] of m.superseded ?? []) {
    const q = quantity(value, unit);
    const id = uid(`${m.slug}/figure/${key}/1`);
    earlier.set(key, id);
    await tx`insert into spec_figure ${tx({ ...base, id, key, source_id: uid(`source/${m.slug}/1`), page: '28', confidence: 'printed', dimension: q.dimension, base: q.base, value, unit })}`;
  }
  for (const [i, [key, value, unit, confidence]] of [
    ...m.figures,
    ...limitFigures(m),
    ...chainFigures(m)
  ].entries()) {
    const row = {
      ...base,
      id: uid(`${m.slug}/figure/${key}`),
      key,
      source_id,
      page: String(30 + i),
      confidence: confidence ?? 'printed',
      supersedes: earlier.get(key) ?? null
    };
    if (typeof value === 'string') {
      await tx`insert into spec_figure ${tx({ ...row, text: value })}`;
      continue;
    }
    const [lo, hi] = Array.isArray(value) ? value : [value, null];
    const q = quantity(lo, unit!);
    const to = hi === null ? null : quantity(hi, unit!);
    await tx`insert into spec_figure ${tx({ ...row, dimension: q.dimension, base: q.base, value: lo, unit: unit!, base_to: to?.base ?? null, value_to: hi })}`;
  }
}

/** Meters and readings of a season: one reading after each outing; a new meter, a dead one or none where the scenario says. */
export async function loadReadings(
  tx: Db,
  m: DemoMachine,
  rides: DemoOuting[],
  start: number,
  season: Day,
  eventOn: (day: Day) => string | null
): Promise<void> {
  const base = { team_id: DEMO_TEAM_ID, machine_id: uid(m.slug), created_by: person(m.rider ?? 'jory') };
  const first = uid(`${m.slug}/meter/1`);
  const second = uid(`${m.slug}/meter/2`);
  const swapAt = m.meter === 'replaced' ? Math.floor(rides.length * 0.55) : Infinity;
  const gap =
    m.meter === 'gap'
      ? [Math.floor(rides.length * 0.7), Math.floor(rides.length * 0.7) + 5]
      : [Infinity, Infinity];
  const swap = rides[swapAt];
  await tx`insert into meter ${tx({
    ...base,
    id: first,
    kind: m.meter === 'none' ? 'reckoned' : 'hour meter',
    fitted_at: at(season, 0),
    first_value: m.meter === 'none' ? start : 0,
    removed_at: swap ? at(swap.day, swapAt + 1) : null,
    last_value: swap ? swap.total : null,
    change: swap ? 'replaced' : '',
    removed_reason: swap ? 'Display went dark after the deep ford; new one fitted.' : ''
  })}`;
  if (swap)
    await tx`insert into meter ${tx({ ...base, id: second, kind: 'hour meter', fitted_at: at(swap.day, swapAt + 1), first_value: 10 })}`;

  const outingRows = [];
  const readingRows = [];
  const next = chance(`${m.slug}/distance`);
  for (const [i, ride] of rides.entries()) {
    const id = uid(`${m.slug}/outing/${i}`);
    const ridden = m.meter === 'none' || (i >= gap[0]! && i < gap[1]!);
    outingRows.push({
      ...base,
      id,
      rider_id: m.rider ? person(m.rider) : null,
      day: ride.day,
      kind: ride.race ? 'race' : i % 3 === 0 ? 'practice' : 'ride',
      remark: inOwnWords(ride.remark, i + m.slug.length * 3 + m.slug.charCodeAt(0)),
      ...riddenAs(ride.remark),
      // Not every rider notes the distance.
      distance: m.speed && next() < 0.8 ? Math.round(ride.used * m.speed * (0.85 + next() * 0.3)) : null,
      event_id: ride.race ? eventOn(ride.day) : null,
      ridden_at: at(ride.day, i)
    });
    const value = i > swapAt ? ride.total - swap!.total + 10 : ride.total;
    readingRows.push({
      ...base,
      id,
      meter_id: i > swapAt ? second : first,
      outing_id: id,
      read_at: at(ride.day, i),
      value: ridden ? null : value,
      ridden: ridden ? ride.used : null,
      estimated_from: ridden ? 'time ridden' : null
    });
  }
  // Where the book begins: the meter as it stood before the first outing.
  await tx`insert into reading ${tx({ ...base, id: uid(`${m.slug}/begin`), meter_id: first, read_at: at(season, 1), value: m.meter === 'none' ? null : start, ridden: m.meter === 'none' ? 0 : null, estimated_from: m.meter === 'none' ? 'time ridden' : null })}`;
  await tx`insert into outing ${tx(outingRows)}`;
  await tx`insert into reading ${tx(readingRows)}`;
  if (m.odometer !== undefined) await loadOdometer(tx, m, rides, season);
  if (m.slug === 'gill300') {
    // A slip of the pen, struck out: it stays in the book.
    const wrong = uid(`${m.slug}/reading/wrong`);
    const ride = rides.at(-3)!;
    await tx`insert into reading ${tx({ ...base, id: wrong, meter_id: first, read_at: new Date(at(ride.day, rides.length - 3).getTime() + 30_000), value: ride.total * 10 })}`;
    await tx`insert into reading_strike ${tx({ team_id: DEMO_TEAM_ID, reading_id: wrong, reason: 'Decimal sign left out.', struck_by: person('anwen'), struck_at: at(ride.day, 600) })}`;
  }
}

/** An odometer read now and then, at the machine's usual pace. */
async function loadOdometer(tx: Db, m: DemoMachine, rides: DemoOuting[], season: Day): Promise<void> {
  const base = { team_id: DEMO_TEAM_ID, machine_id: uid(m.slug), created_by: person(m.rider ?? 'jory') };
  const id = uid(`${m.slug}/odometer`);
  await tx`insert into meter ${tx({ ...base, id, kind: 'odometer', fitted_at: at(season, 0), first_value: 0, change: 'added' })}`;
  const first = rides[0]!.total - rides[0]!.used;
  const read = rides.filter((_, i) => i % 4 === 0 || i === rides.length - 1);
  await tx`insert into reading ${tx(read.map((r, i) => ({ ...base, id: uid(`${id}/${i}`), meter_id: id, read_at: new Date(at(r.day, 0).getTime() + (480 + i) * 1000), value: Math.round(m.odometer! * 100 + (r.total - first) * m.speed!) })))}`;
}
