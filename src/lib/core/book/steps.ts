import type { Centihours } from '../hours/hours';
import type { PastOuting } from '../hours/learned';
import type { Meter, Reading } from '../hours/running';
import { isRace, type Strain } from '../outing/outing';

/** A meter's row as the book has it, with what it counts. */
export interface BookMeter extends Meter {
  counts: 'hours' | 'distance';
  /** While these last it was not read. `counted`: it went on counting with a dark display. */
  dead: readonly { from: number; to: number | null; counted: boolean }[];
}
/** An outing's row: what of it is counted. */
export interface BookOuting {
  id: string;
  /** Moment it ended, ms since 1970. */
  at: number;
  kind: string;
  eventId: string | null;
  /** Hundredths of a kilometre; null where nobody noted it. */
  distance: number | null;
  strains: Strain[];
}
/** What a machine's counts are worked out from. */
export interface BookRows {
  meters: readonly BookMeter[];
  readings: readonly Reading[];
  outings: readonly BookOuting[];
}

/** `meter`: one was fitted, or came off unread; nothing is counted by it. */
export const STEP_KINDS = ['begin', 'meter', 'reading', 'meter closed', 'odometer', 'outing'] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/**
 * A moment at which something was counted on a machine, with everything that had been counted by then. Each is a checkpoint:
 * what comes after it can be worked out from it alone, without what came before.
 */
export interface Step {
  /** Moment, ms since 1970. */
  at: number;
  /** Its place among those of one moment. */
  ord: number;
  kind: StepKind;
  /** Running hours; null until the first is known. */
  hours: Centihours | null;
  /** Whether `hours` rests on time ridden since the last true reading. */
  estimated: boolean;
  /** What the odometers counted, and what was ridden where none was fitted: hundredths of a kilometre. */
  odometer: number | null;
  ridden: number;
  outings: number;
  races: number;
  /** Hours of these that were ridden at planned events, which the forecast takes from the calendar. */
  planned: Centihours;
  /** Hours ridden under each strain. */
  strains: Partial<Record<Strain, Centihours>>;
  /** The reading that brought it; null where a meter was closed or an outing ended. */
  readingId: string | null;
  /** The outing whose hours it brought, by a meter: what a machine's pace is learned from. */
  outing: PastOuting | null;
  /** What stood on the count when each meter so far was fitted, by the meter's id. */
  bases: Record<string, number>;
  /** Whether an odometer is fitted: riders' notes of the distance then count for nothing. */
  odometerFitted: boolean;
  /** Since when hours rest on time ridden that the next true reading takes the place of; null: on none. */
  pendingFrom: number | null;
  /** How far back this true reading put such time right, because it showed less. */
  correctedFrom: number | null;
}

/** Phases of one moment: a meter is fitted, read, closed; an outing is over. */
const FITTED = 0;
const READ = 1;
const CLOSED = 2;
const OVER = 3;

interface Event {
  at: number;
  /** Meters one after the other; outings after all of them. */
  order: number;
  phase: number;
  id: string;
  meter?: BookMeter;
  reading?: Reading;
  outing?: BookOuting;
}

/** Before any book, ms since 1970. */
export const EVER = Date.UTC(1900, 0);

/** Time ridden that was too much began before `since`: from that moment on it is to be worked out. */
export interface BackTo {
  backTo: number;
}

/**
 * Everything a machine has counted, moment by moment, over all the meters it has had.
 *
 * The first meter's value is taken as the hours since new; what was ridden before it was stated is in it. When a meter is
 * replaced, the old one's last value closes its count and the new one starts from there, whatever it shows (handbook, section 2). Hours ridden are added until a true
 * reading comes and takes their place; where it shows less, they were too much, each in proportion, from the first on. What
 * was ridden while the meter was dead stays: the meter goes on from where it stood. What each step added goes to the outing
 * whose reading brought it.
 *
 * @param rows all there is; or, after a checkpoint, all meters, and the readings and outings from `since` on
 * @param after the last step before `since`; null: from the beginning
 * @param since ms since 1970
 * @returns the steps from `since` on, in order of time; or from where on they have to be worked out instead
 * @throws RangeError when a reading names a meter that is not among `meters`
 */
export function steps(rows: BookRows): Step[];
export function steps(rows: BookRows, after: Step | null, since: number): Step[] | BackTo;
export function steps(rows: BookRows, after: Step | null = null, since = -Infinity): Step[] | BackTo {
  const made: Step[] = [];
  const stated = statedHours(rows.meters);
  // What was ridden before that is in it, and moves the hours of all that was ridden earlier still.
  if (after && stated && since <= stated.fittedAt) return { backTo: EVER };
  // Where a book begins is told by all that is in it.
  if (after?.kind === 'begin') return { backTo: EVER };
  let last = after ?? begin(rows);
  if (!last) return made;
  if (!after) made.push(last);
  const first = firstValue(rows.meters, 'hours');
  const within = stated ? Math.min(first, riddenBefore(stated, rows.readings)) : 0;
  const facts: Facts = {
    outings: new Map(rows.outings.map((o) => [o.id, o])),
    first: { hours: first - within, odometer: firstValue(rows.meters, 'distance') },
    within: { meterId: stated?.id ?? '', hours: within },
    less: new Map()
  };
  const take = (event: Event) => {
    const next = step(last!, event, facts);
    next.ord = next.at === last!.at ? last!.ord + 1 : 0;
    made.push(next);
    last = next;
  };
  /** What happened since the first time ridden that waits to be put right, and where its steps begin. */
  let pending: { events: Event[]; at: number } | null = null;
  for (const event of events(rows, last, since)) {
    const over = overBy(last, event, facts);
    if (over > 0 && last.pendingFrom !== null) {
      if (!pending) return { backTo: last.pendingFrom };
      const from: number = last.pendingFrom;
      lessen(pending.events, over, facts);
      made.length = pending.at;
      last = made.at(-1) ?? after!;
      pending.events.forEach(take);
      take(event);
      last.correctedFrom = from;
    } else {
      const waited = last.pendingFrom !== null;
      if (!waited) pending = { events: [], at: made.length };
      take(event);
      pending?.events.push(event);
    }
    if (last.pendingFrom === null) pending = null;
  }
  return made;
}

/** By how much what was counted exceeds what a true reading shows: hundredths of an hour; 0 or less where it fits. */
function overBy(last: Step, event: Event, facts: Facts): number {
  const { meter, reading, phase } = event;
  if (meter?.counts !== 'hours' || phase === FITTED) return 0;
  const value = phase === CLOSED ? meter.lastValue : reading!.value;
  const base = last.bases[meter.id];
  return value === null || base === undefined
    ? 0
    : (last.hours ?? facts.first.hours) - (base + value - meter.firstValue);
}

/** Takes so much off the times ridden that wait, each in proportion, and to the hundredth in sum. */
function lessen(group: readonly Event[], over: number, facts: Facts): void {
  const waiting = group.filter((e) => e.reading && isPending(e));
  const all = waiting.reduce((sum, e) => sum + (e.reading!.ridden ?? 0), 0);
  const keep = all === 0 ? 0 : Math.max(0, all - over) / all;
  let sum = 0;
  let kept = 0;
  for (const { reading } of waiting) {
    sum += reading!.ridden ?? 0;
    const next = Math.round(sum * keep);
    facts.less.set(reading!.id, next - kept);
    kept = next;
  }
}

/** Time ridden that a true reading takes the place of: its meter was there to count it. */
const isPending = ({ meter, reading, at }: Event): boolean =>
  reading?.value === null &&
  !meter!.dead.some((d) => !d.counted && d.from <= at && (d.to === null || at < d.to));

interface Facts {
  outings: ReadonlyMap<string, BookOuting>;
  /** What the first meter of each count showed when it was fitted: the count since new. */
  first: { hours: number; odometer: number };
  /** Of what stood on the first meter, what was ridden by then and is in the book. */
  within: { meterId: string; hours: Centihours };
  /** Time ridden as a true reading put it right, by the reading's id. */
  less: Map<string, number>;
}
const firstValue = (meters: readonly BookMeter[], counts: BookMeter['counts']): number =>
  meters.filter((m) => m.counts === counts).sort(byFitting)[0]?.firstValue ?? 0;
/** The first meter, where it began with hours that had been run by then: read on it, or as somebody stated them. */
function statedHours(meters: readonly BookMeter[]): BookMeter | null {
  const [first] = meters.filter((m) => m.counts === 'hours').sort(byFitting);
  return first && first.firstValue > 0 ? first : null;
}
const riddenBefore = (meter: BookMeter, readings: readonly Reading[]): Centihours =>
  readings
    .filter((r) => r.meterId === meter.id && !r.struck && r.at < meter.fittedAt)
    .reduce((sum, r) => sum + (r.ridden ?? 0), 0);
const byFitting = (a: BookMeter, b: BookMeter): number => a.fittedAt - b.fittedAt || (a.id < b.id ? -1 : 1);

/** Where a book begins: before its first meter, reading and outing nothing has been counted. */
function begin({ meters, readings, outings }: BookRows): Step | null {
  const at = Math.min(
    ...meters.map((m) => m.fittedAt),
    ...readings.flatMap((r) => (r.struck ? [] : [r.at])),
    ...outings.map((o) => o.at - 1)
  );
  if (!Number.isFinite(at)) return null;
  return {
    at,
    ord: 0,
    kind: 'begin',
    hours: null,
    estimated: false,
    odometer: null,
    ridden: 0,
    outings: 0,
    races: 0,
    planned: 0,
    strains: {},
    readingId: null,
    outing: null,
    bases: {},
    odometerFitted: false,
    pendingFrom: null,
    correctedFrom: null
  };
}

/** All that happened from `since` on, in order. Two of one moment are told apart by id: the order of entry never matters. */
function events({ meters, readings, outings }: BookRows, from: Step, since: number): Event[] {
  const order = new Map([...meters].sort(byFitting).map((m, i) => [m.id, i]));
  const byId = new Map(meters.map((m) => [m.id, m]));
  const list: Event[] = [];
  const firstRead = new Map<string, number>();
  for (const reading of readings) {
    if (reading.struck) continue;
    const meter = byId.get(reading.meterId);
    if (!meter) throw new RangeError(`reading ${reading.id} names a meter that is not this machine's`);
    list.push({ at: reading.at, order: order.get(meter.id)!, phase: READ, id: reading.id, meter, reading });
    firstRead.set(meter.id, Math.min(reading.at, firstRead.get(meter.id) ?? Infinity));
  }
  for (const meter of meters) {
    const at = { order: order.get(meter.id)!, id: meter.id, meter };
    if (!(meter.id in from.bases))
      // Read before it was written down as fitted: it was there by then.
      list.push({ at: Math.min(meter.fittedAt, firstRead.get(meter.id) ?? Infinity), phase: FITTED, ...at });
    if (meter.removedAt !== null && meter.removedAt >= since)
      list.push({ at: meter.removedAt, phase: CLOSED, ...at });
  }
  for (const outing of outings)
    list.push({ at: outing.at, order: meters.length, phase: OVER, id: outing.id, outing });
  return list.sort(
    (a, b) =>
      a.at - b.at || a.order - b.order || a.phase - b.phase || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
  );
}

/** One event after another. */
function step(last: Step, event: Event, facts: Facts): Step {
  const { meter, reading, outing, at } = event;
  const next: Step = { ...last, at, readingId: null, outing: null, correctedFrom: null };
  if (outing) {
    next.kind = 'outing';
    next.outings += 1;
    if (isRace(outing.kind)) next.races += 1;
    if (outing.distance && !last.odometerFitted) next.ridden += outing.distance;
    return next;
  }
  const count = meter!.counts === 'hours' ? 'hours' : 'odometer';
  const stood = last[count] ?? facts.first[count];
  if (event.phase === FITTED) {
    next.kind = 'meter';
    // It stands there once all that was ridden before is counted.
    const within = facts.within.meterId === meter!.id ? facts.within.hours : 0;
    next.bases = { ...last.bases, [meter!.id]: stood + within };
    if (count === 'odometer') next.odometerFitted = true;
    return next;
  }
  const base = last.bases[meter!.id]!;
  if (event.phase === CLOSED) {
    next.kind = 'meter';
    if (count === 'odometer') next.odometerFitted = false;
    else next.pendingFrom = null;
    if (meter!.lastValue === null) return next;
    next.kind = 'meter closed';
    next[count] = base + meter!.lastValue - meter!.firstValue;
    if (count === 'hours') next.estimated = false;
    return next;
  }
  const ridden = facts.less.get(reading!.id) ?? reading!.ridden ?? 0;
  const total = reading!.value === null ? stood + ridden : base + reading!.value - meter!.firstValue;
  if (count === 'hours') {
    if (reading!.value !== null) next.pendingFrom = null;
    else if (isPending(event)) next.pendingFrom ??= at;
    // The meter stood still: what it shows from then on comes on top.
    else next.bases = { ...last.bases, [meter!.id]: base + ridden };
  }
  return read(last, next, reading!, total, count, facts.outings);
}

/** A reading: what the meter showed, or what was ridden unseen by any. */
function read(
  last: Step,
  next: Step,
  reading: Reading,
  total: number,
  count: 'hours' | 'odometer',
  outings: ReadonlyMap<string, BookOuting>
): Step {
  next.readingId = reading.id;
  next[count] = total;
  if (count === 'odometer') {
    next.kind = 'odometer';
    return next;
  }
  next.kind = 'reading';
  next.estimated = reading.value === null;
  // The first reading of a book may stand for years; it is no outing's.
  const first = last.hours === null;
  const used = first ? 0 : Math.max(0, total - last.hours!);
  const outing = outings.get(reading.id);
  if (!outing) return next;
  if (outing.strains.length > 0) {
    next.strains = { ...last.strains };
    for (const strain of outing.strains) next.strains[strain] = (next.strains[strain] ?? 0) + used;
  }
  if (outing.eventId) next.planned += used;
  if (!next.estimated && !first)
    next.outing = { hours: used, distance: outing.distance, race: isRace(outing.kind) };
  return next;
}
