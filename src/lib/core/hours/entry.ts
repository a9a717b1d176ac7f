import { isRace } from '../outing/outing';
import { dayOf, type Day } from '../time/day';
import { momentOn } from '../time/moment';
import { questionReading, type Doubt, type DoubtKind, type ReadingContext, type Settlement } from './doubt';
import type { ReadingInput } from './form';
import type { Centihours } from './hours';
import { estimateHours, oddPace, type EstimatedFrom, type Learned, type OddPace } from './learned';
import { JUDGED_BY } from '../judged/by';

/** An hour meter as readings are held against it. Moments in ms since 1970. */
export interface EntryMeter {
  id: string;
  kind: 'hour meter' | 'reckoned';
  fittedAt: number;
  /** While these last, it is not read. `to`: null while it does. */
  dead: readonly { from: number; to: number | null }[];
  removedAt: number | null;
  lastValue: Centihours | null;
  /** The latest true reading on it. */
  latest: { at: number; value: Centihours } | null;
}
/** A reading that is in the book near the moment in question. */
export interface NearReading {
  id: string;
  meterId: string;
  at: number;
  /** Null: time ridden. */
  value: Centihours | null;
  struck: boolean;
}
/** What of a machine's book a reading about to be written is held against. */
export interface Around {
  timeZone: string;
  /** In the order they were fitted. */
  meters: readonly EntryMeter[];
  /** Those of the same days, and the nearest true ones before and after on each meter, in order of time. */
  readings: readonly NearReading[];
  learned: Learned;
  rate: ReadingContext['rate'];
}

/** A row of the book: what the meter showed, or time ridden. */
export interface EntryRow {
  id: string;
  meterId: string;
  at: number;
  value: Centihours | null;
  ridden: Centihours | null;
  from: EstimatedFrom | null;
  /** It showed that before the outing. */
  before: boolean;
  doubts: DoubtKind[];
}
/** What a reading, once taken, writes into the book. */
export interface Entry {
  /** When it was; an outing ended then. */
  at: number;
  rows: EntryRow[];
  /** An earlier reading that was wrong. */
  strikes: string | null;
  /** The meter that was on, and the one that took its place. */
  replaces: {
    meterId: string;
    at: number;
    lastValue: Centihours | null;
    newId: string;
    firstValue: Centihours;
  } | null;
}

/** Why a reading cannot be taken as it is. The words stand in {@link readingInWords}. */
export type ReadingProblem =
  | { kind: 'no meter' }
  | { kind: 'over a day' }
  | { kind: 'usual hours not known' }
  | { kind: 'before is lower'; last: Centihours }
  | { kind: 'odd pace'; pace: OddPace }
  /** `ways`: how it may be settled; none: it must be written again. */
  | { kind: 'doubts'; doubts: Doubt[]; ways: readonly Settlement[] }
  | { kind: 'old one showed more'; value: Centihours }
  | { kind: 'new one began above' };
export type Decision = { ok: true; entry: Entry } | { ok: false; problem: ReadingProblem };

/** Two readings of one moment have no order: they are put so far apart, in ms. */
const APART = 1000;
const MOST_A_DAY: Centihours = JUDGED_BY.hours.mostADay.is;

/**
 * Whether a reading of a machine, or time ridden, can be taken, and what it then writes (handbook, section 2). It is held
 * against the meter that was on when its day was over, questioned when it is odd, and settled as the person says.
 *
 * @param newId ids for what is written besides the reading itself
 */
export function decideReading(input: ReadingInput, around: Around, now: Date, newId: () => string): Decision {
  const no = (problem: ReadingProblem): Decision => ({ ok: false, problem });
  const meter = meterOn(around.meters, input.day, around.timeZone);
  if (!meter) return no({ kind: 'no meter' });
  const at = placed(input, around, meter, now);
  const { typed } = input;
  const entry: Entry = { at, rows: [], strikes: null, replaces: null };
  const row = (more: Partial<EntryRow>): EntryRow => ({
    id: input.id,
    meterId: meter.id,
    at,
    value: null,
    ridden: null,
    from: null,
    before: false,
    doubts: [],
    ...more
  });
  if (typed.as === 'nothing') return { ok: true, entry };

  if (typed.as !== 'meter' || !isRead(meter, at)) {
    const time = riddenOf(input, around.learned);
    if ('kind' in time) return no(time);
    const pace = paceOf(input, time.ridden, around.learned);
    if (pace) return no(pace);
    entry.rows.push(row(time));
    return { ok: true, entry };
  }

  const { before, after } = neighbours(around, meter, at);
  const left = input.before === null ? null : { value: input.before };
  if (left && before && left.value < before.value) return no({ kind: 'before is lower', last: before.value });
  // What was ridden unseen lies between the last reading and what it showed before this outing.
  if (left && left.value !== before?.value) {
    const moment = Math.max(at - APART, Math.floor(((before?.at ?? 0) + at) / 2));
    entry.rows.push(row({ id: newId(), at: moment, value: left.value, before: true }));
  }
  // At what hour it showed that before the outing, nobody knows: some time after the last reading.
  const last = left ? { value: left.value, at: before?.at ?? 0 } : before;
  const pace = paceOf(input, last && typed.value - last.value, around.learned);
  if (pace) return no(pace);
  const question = (last: ReadingAt | null, next: ReadingAt | null) =>
    questionReading(typed.value, at, {
      last,
      next,
      rate: around.rate,
      now: now.getTime(),
      dayOnly: input.day !== dayOf(now, around.timeZone)
    });
  const doubts = question(last, after);
  if (doubts.length === 0) {
    entry.rows.push(row({ value: typed.value }));
    return { ok: true, entry };
  }
  const ways = waysOut(doubts, meter);
  const { settlement } = input;
  if (!settlement || !ways.includes(settlement.as)) return no({ kind: 'doubts', doubts, ways });
  const kinds = doubts.map((d) => d.kind);

  if (settlement.as === 'meter was replaced') {
    const firstValue = settlement.newStart ?? 0;
    const most = meter.latest?.value ?? null;
    if (settlement.oldFinal !== null && most !== null && settlement.oldFinal < most)
      return no({ kind: 'old one showed more', value: most });
    if (firstValue > typed.value) return no({ kind: 'new one began above' });
    const swap = Math.min(at, Math.max(meter.latest?.at ?? 0, meter.fittedAt) + APART);
    const id = newId();
    entry.replaces = {
      meterId: meter.id,
      at: swap,
      lastValue: settlement.oldFinal,
      newId: id,
      firstValue
    };
    entry.rows.push(row({ meterId: id, value: typed.value, doubts: kinds }));
    return { ok: true, entry };
  }
  if (settlement.as === 'earlier one was wrong' && before) {
    entry.strikes = before.id;
    const without = {
      ...around,
      readings: around.readings.map((r) => (r.id === before.id ? { ...r, struck: true } : r))
    };
    // What remains odd after that is asked again.
    const rest = question(neighbours(without, meter, at).before, after).filter(
      (d) => d.kind === 'lower than the last' || d.settlements.length === 0
    );
    if (rest.length > 0) return no({ kind: 'doubts', doubts: rest, ways: rest[0]!.settlements });
  }
  entry.rows.push(row({ value: typed.value, doubts: kinds }));
  return { ok: true, entry };
}

/**
 * The meter that was on when a day was over; of days before the book began, its first.
 * @param meters of one count, in the order they were fitted
 */
export const meterOn = <M extends Pick<EntryMeter, 'fittedAt'>>(
  meters: readonly M[],
  day: Day,
  timeZone: string
): M | null => meters.findLast((m) => dayOf(new Date(m.fittedAt), timeZone) <= day) ?? meters[0] ?? null;

/**
 * Whether a meter that reads again looks as if it had gone on counting in the dark: it shows at least half of what was ridden
 * meanwhile. One that stood still shows what was ridden since somebody saw it, and that is less.
 * @param shows how much more than before, `ridden` what was written down meanwhile: hundredths of an hour
 */
export const looksCounted = (shows: Centihours, ridden: Centihours): boolean =>
  ridden > 0 && shows * 2 >= ridden;

/** Whether a meter can be read at a moment: it is one, and not dead. */
export const isRead = (m: Pick<EntryMeter, 'kind' | 'dead'>, at: number): boolean =>
  m.kind === 'hour meter' && !m.dead.some((d) => d.from <= at && (d.to === null || at < d.to));

/** The moment a reading of a day is written down for. */
function placed(input: ReadingInput, around: Around, meter: EntryMeter, now: Date): number {
  const day = momentOn(input.day, around.timeZone, now).getTime();
  // Of a day on which the meter was changed, a reading is of the one that was on when the day was over.
  const at =
    day <= meter.fittedAt && dayOf(new Date(meter.fittedAt), around.timeZone) === input.day
      ? Math.min(meter.fittedAt + APART, now.getTime())
      : day;
  if (at >= now.getTime()) return at;
  const { typed } = input;
  const value = typed.as === 'meter' && meter.kind === 'hour meter' ? typed.value : null;
  const same = around.readings.filter((r) => dayOf(new Date(r.at), around.timeZone) === input.day);
  // Readings of one past day stand in the order of what they show.
  const higher = same.find(
    (r) => r.meterId === meter.id && !r.struck && value !== null && (r.value ?? 0) > value
  );
  const lower = same.findLast((r) => r !== higher && (value === null || (r.value ?? 0) <= value));
  const behind = lower && lower.at >= at ? Math.min(lower.at + APART, now.getTime()) : at;
  if (!higher || behind < higher.at) return behind;
  return lower && lower.at < higher.at ? Math.floor((lower.at + higher.at) / 2) : higher.at - APART;
}

type ReadingAt = { id?: string; value: Centihours; at: number };

/** The true readings on a meter before and after a moment. What it showed when it came off comes after all others. */
function neighbours(
  around: Pick<Around, 'readings'>,
  meter: EntryMeter,
  at: number
): { before: (ReadingAt & { id: string }) | null; after: ReadingAt | null } {
  const read = around.readings.flatMap((r) =>
    r.meterId === meter.id && r.value !== null && !r.struck ? [{ id: r.id, value: r.value, at: r.at }] : []
  );
  const end =
    meter.removedAt !== null && meter.lastValue !== null
      ? { value: meter.lastValue, at: meter.removedAt }
      : null;
  return {
    before: read.findLast((r) => r.at <= at) ?? null,
    after: read.find((r) => r.at > at) ?? end
  };
}

/** How all of the doubts can be settled at once. */
function waysOut(doubts: readonly Doubt[], meter: EntryMeter): Settlement[] {
  return doubts[0]!.settlements.filter(
    (w) =>
      doubts.every((d) => d.settlements.includes(w)) &&
      // One that has come off already is not replaced again.
      (w !== 'meter was replaced' || meter.removedAt === null)
  );
}

/** Time ridden that no meter counted: as stated, or as the machine's own pace has it. */
function riddenOf(
  { typed, distance, outing }: ReadingInput,
  learned: Learned
): { ridden: Centihours; from: EstimatedFrom } | ReadingProblem {
  if (typed.as === 'estimate') {
    const estimate = estimateHours({ distance, race: isRace(outing ?? '') }, learned);
    return estimate ? { ridden: estimate.hours, from: estimate.from } : { kind: 'usual hours not known' };
  }
  const ridden = typed.as === 'nothing' ? 0 : typed.value;
  return ridden > MOST_A_DAY ? { kind: 'over a day' } : { ridden, from: 'time ridden' };
}

/** A distance that does not fit the hours is questioned until somebody has looked again. */
function paceOf(input: ReadingInput, hours: Centihours | null, learned: Learned): ReadingProblem | null {
  if (input.sure || !input.distance || input.typed.as === 'estimate') return null;
  const pace = oddPace(hours, input.distance, learned);
  return pace && { kind: 'odd pace', pace };
}

/** The same surroundings once a reading has been written down. */
export function afterEntry(around: Around, { rows, strikes, replaces }: Entry): Around {
  const readings = [
    ...around.readings.map((r) => (r.id === strikes ? { ...r, struck: true } : r)),
    ...rows.map(({ id, meterId, at, value }) => ({ id, meterId, at, value, struck: false }))
  ].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  const meters = around.meters.map((m): EntryMeter => {
    const mine = readings.findLast((r) => r.meterId === m.id && r.value !== null && !r.struck);
    const latest =
      mine && (!m.latest || mine.at >= m.latest.at || strikes !== null)
        ? { at: mine.at, value: mine.value! }
        : m.latest;
    return m.id === replaces?.meterId
      ? { ...m, latest, removedAt: replaces.at, lastValue: replaces.lastValue }
      : { ...m, latest };
  });
  if (replaces) {
    const fresh: EntryMeter = {
      id: replaces.newId,
      kind: 'hour meter',
      fittedAt: replaces.at,
      dead: [],
      removedAt: null,
      lastValue: null,
      latest: null
    };
    const read = readings.findLast((r) => r.meterId === fresh.id);
    meters.push({ ...fresh, latest: read ? { at: read.at, value: read.value! } : null });
  }
  return { ...around, meters, readings };
}
