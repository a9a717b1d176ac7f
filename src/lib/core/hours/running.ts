import type { Centihours } from './hours';

/**
 * An hour meter on a machine. Meters follow one another; the one fitted last is the one being read.
 * Times are milliseconds since 1970 so that they compare without a calendar.
 */
export interface Meter {
  id: string;
  fittedAt: number;
  /** What it showed when it was fitted. */
  firstValue: Centihours;
  /** When it came off or was reset; null while it is the one in use. */
  removedAt: number | null;
  /** What it showed then; null when nobody could read it any more. */
  lastValue: Centihours | null;
}

/**
 * One point in the book. Either what the meter showed (`value`), or hours ridden that no meter counted (`ridden`): a dead
 * meter, or none. Exactly one of the two is set.
 */
export interface Reading {
  id: string;
  meterId: string;
  at: number;
  value: Centihours | null;
  ridden: Centihours | null;
  /** Struck out: stays in the book, counts for nothing. */
  struck: boolean;
}

/** A reading with the machine's running hours at that moment. */
export interface RunningPoint {
  reading: Reading;
  total: Centihours;
  /** True when hours since the last true reading come from time ridden and not from a meter. */
  estimated: boolean;
}

/** Two readings at one moment are told apart by id, so that the order they were entered in never matters. */
function byTime(a: Reading, b: Reading): number {
  return a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/** A moment at which the running total became what it then was: a reading, or a meter that was closed. */
export interface RunningStep {
  at: number;
  total: Centihours;
  estimated: boolean;
  /** The reading that brought it; null where a meter was closed. */
  readingId: string | null;
}

export interface Running {
  /** In order of time. */
  points: RunningPoint[];
  /** The same with the moments at which a meter was closed. */
  steps: RunningStep[];
  /** Where the machine stands after everything in the book; null when nothing was ever read or ridden: unknown, not zero. */
  total: Centihours | null;
  /** Whether `total` rests on hours ridden since the last true reading. */
  estimated: boolean;
}

/**
 * Running hours over all the meters a machine has had.
 *
 * The first meter's value is taken as the hours since new. When a meter is replaced, the old one's last value closes its
 * count and the new one starts from there, whatever it shows. A meter that could not be read at the end (`lastValue` null)
 * leaves the count where the last point stood. Hours ridden are added until a true reading comes and takes their place.
 *
 * @param meters in any order
 * @param readings in any order; those struck out are passed over
 * @throws RangeError when a reading names a meter that is not among `meters`
 */
export function runningHours(meters: readonly Meter[], readings: readonly Reading[]): Running {
  const order = [...meters].sort((a, b) => a.fittedAt - b.fittedAt);
  const byMeter = new Map<string, Reading[]>(order.map((m) => [m.id, []]));
  for (const reading of readings) {
    if (reading.struck) continue;
    const list = byMeter.get(reading.meterId);
    if (!list) throw new RangeError(`reading ${reading.id} names a meter that is not this machine's`);
    list.push(reading);
  }

  const points: RunningPoint[] = [];
  const steps: RunningStep[] = [];
  let known = false;
  let estimated = false;
  let total: Centihours = order[0]?.firstValue ?? 0;
  for (const meter of order) {
    const base = total;
    for (const reading of byMeter.get(meter.id)!.sort(byTime)) {
      estimated = reading.value === null;
      total =
        reading.value === null ? total + (reading.ridden ?? 0) : base + reading.value - meter.firstValue;
      known = true;
      points.push({ reading, total, estimated });
      steps.push({ at: reading.at, total, estimated, readingId: reading.id });
    }
    if (meter.removedAt !== null && meter.lastValue !== null) {
      total = base + meter.lastValue - meter.firstValue;
      estimated = false;
      known = true;
      steps.push({ at: meter.removedAt, total, estimated: false, readingId: null });
    }
  }
  return { points, steps, total: known ? total : null, estimated };
}
