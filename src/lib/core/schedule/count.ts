import { reaches, totalAt, type Series } from '../hours/series';
import { STRAINS, type Sensitivity, type Strain } from '../outing/outing';
import { dayNumber, type Day } from '../time/day';
import type { Ageing, Anchoring, Counter, CountedFrom, Counting, Measure, Trigger } from './task';

/** Everything that is counted on one machine or component, over time. */
export interface Clock extends Record<Counter, Series> {
  /** Hours ridden under each strain. */
  strains: Partial<Record<Strain, Series>>;
}

/** Something that restarts a task's count, or would: done, a rebuild, or the beginning with everything new. */
export interface Restart {
  kind: 'new' | 'rebuild' | 'done';
  /** Moment, ms since 1970. */
  at: number;
  day: Day;
  /** The owner's hours then, where somebody stated them; null: nobody knows; undefined: as the book has it. */
  stated?: number | null;
  /** Whether the part was replaced: what counts for a task that belongs to a fitted part. */
  replaced: boolean;
  /** What was seen then wants it done again within so much, hundredths of an hour; left out: nothing did. */
  within?: number | null;
  /** When it was written down, ms since 1970: of two done at one moment, the one written later was the later. */
  written?: number;
}

/** At one moment: new at the beginning, a rebuild after what was done with it. */
const RANK: Record<Restart['kind'], number> = { new: 0, done: 1, rebuild: 2 };
const byTime = (a: Restart, b: Restart): number =>
  a.at - b.at ||
  RANK[a.kind] - RANK[b.kind] ||
  (a.written ?? 0) - (b.written ?? 0) ||
  (a.stated ?? 0) - (b.stated ?? 0);

/** What of a task its count depends on. */
export interface Counted {
  triggers: readonly Trigger[];
  ageing: Ageing;
  anchoring: Anchoring;
  sensitivity: Sensitivity;
  perPart: boolean;
}

export interface Counts {
  counted: CountedFrom | null;
  triggers: Counting[];
  strained: Partial<Record<Strain, number>>;
}

/**
 * Works out a task's counts from the book: from where it counts, how much has gone by, and at what amount it falls due.
 *
 * @param task its triggers and how they age and anchor
 * @param restarts in any order
 * @param clock what its machine or component has counted
 * @param times for triggers that count another task: when that was done, by its id
 */
export function countTask(
  task: Counted,
  restarts: readonly Restart[],
  clock: Clock,
  times: ReadonlyMap<string, Series> = new Map()
): Counts {
  const order = restarts.filter((r) => r.kind !== 'done' || !task.perPart || r.replaced).sort(byTime);
  const last = order.at(-1);
  const seriesFor = (t: Trigger): Series | null =>
    t.measure === 'days' ? null : t.measure === 'times' ? (times.get(t.of!.id) ?? null) : clock[t.measure];
  if (!last)
    return {
      counted: null,
      strained: {},
      triggers: task.triggers.map((t) => ({
        ...t,
        ...bookOf(t, false),
        due: null,
        used: null,
        aged: null,
        within: null,
        late: false
      }))
    };

  const strained: Partial<Record<Strain, number>> = {};
  for (const strain of STRAINS) {
    const series = clock.strains[strain];
    if (!series) continue;
    const hours = (totalAt(series, Infinity) ?? 0) - (totalAt(series, last.at) ?? 0);
    if (hours > 0) strained[strain] = hours;
  }
  const first = last.kind !== 'done';
  return {
    counted: { since: last.kind, hours: amountAt('hours', clock.hours, last), day: last.day },
    strained,
    triggers: task.triggers.map((t): Counting => {
      const book = bookOf(t, first);
      const series = seriesFor(t);
      const used = usedSince(t.measure, series, last, clock);
      const within = t.measure === 'hours' ? (last.within ?? null) : null;
      const due = dueAmount(t, task.anchoring, order, series, book.book);
      return {
        ...t,
        ...book,
        // Never later than the book's.
        due: within === null || due === null ? due : Math.min(due, within),
        within,
        late:
          t.measure === 'distance' && last.kind === 'done' && series !== null && isLate(series, last, clock),
        used,
        aged:
          task.ageing === 'by the riding' && t.measure === 'hours' && used !== null
            ? agedHours(used, strained, task.sensitivity)
            : null
      };
    })
  };
}

/** The book's figures in force: the first interval until it has been done once since new or a rebuild. */
function bookOf(t: Trigger, first: boolean): { book: number; bookLimit: number | null; first: boolean } {
  return first && t.firstInterval !== null
    ? { book: t.firstInterval, bookLimit: t.firstLimit, first: true }
    : { book: t.interval, bookLimit: t.limit, first: false };
}

/**
 * Hours weighted by the riding: every hour under a strain counts for so much more, several strains one on top of another.
 * Never less than the hours themselves, so that weighting can only bring work forward.
 *
 * aged = used + Σ (sensitivity − 1) · hours under that strain
 */
export function agedHours(
  used: number,
  strained: Partial<Record<Strain, number>>,
  sensitivity: Sensitivity
): number {
  let aged = used;
  for (const strain of STRAINS)
    aged += (Math.max(1, sensitivity[strain] ?? 1) - 1) * Math.max(0, strained[strain] ?? 0);
  return Math.round(aged);
}

/** A distance begins to be counted with the first odometer, which may come after the work, though the book was there by then. */
const isLate = (series: Series, r: Restart, clock: Clock): boolean =>
  series.at.length > 0 && !reaches(series, r.at) && reaches(clock.hours, r.at);

/** What stood on a count at a restart; null when nobody knows. */
function amountAt(measure: Measure, series: Series, r: Restart, clock?: Clock): number | null {
  if (measure === 'hours' && r.stated !== undefined) return r.stated;
  // A machine new to its book has counted nothing before it.
  if (r.kind === 'new') return measure === 'hours' || measure === 'distance' ? 0 : totalAt(series, r.at);
  // Of before the book began nothing is known, and counting from its first line would say too little.
  // An odometer that was added since counts from there: without it the task would never be counted until it is done again.
  if (measure === 'distance' && clock && isLate(series, r, clock)) return series.total[0]!;
  return reaches(series, r.at) ? totalAt(series, r.at) : null;
}

function usedSince(measure: Measure, series: Series | null, r: Restart, clock: Clock): number | null {
  if (measure === 'times') {
    // Nothing in the book of that task yet: none since.
    return series === null
      ? 0
      : (totalAt(series, Infinity) ?? 0) - (reaches(series, r.at) ? totalAt(series, r.at)! : 0);
  }
  if (series === null) return null;
  const now = totalAt(series, Infinity);
  const then = amountAt(measure, series, r, clock);
  return now === null || then === null ? null : Math.max(0, now - then);
}

/**
 * The amount since it was last done at which it falls due again.
 *
 * From done: the interval. From due: the next mark of a grid with the interval as its step, counted from when it was due and
 * not from when it was done, so that work done late does not push the next back. Done early, the grid moves up with it: a
 * mark that would lie further off than the interval would be later than the book's.
 */
function dueAmount(
  t: Trigger,
  anchoring: Anchoring,
  order: readonly Restart[],
  series: Series | null,
  book: number
): number | null {
  const step = Math.min(book, t.shortenedTo ?? Infinity);
  if (anchoring === 'from done' || t.measure === 'times') return step;
  const at = (r: Restart): number | null =>
    t.measure === 'days' ? dayNumber(r.day) : series ? amountAt(t.measure, series, r) : null;
  let mark: number | null = null;
  for (const r of order) {
    const done = at(r);
    if (done === null) {
      mark = null;
      continue;
    }
    const interval =
      r.kind !== 'done' ? bookOf(t, true).book : Math.min(t.interval, t.shortenedTo ?? Infinity);
    mark =
      r.kind !== 'done' || mark === null || done <= mark ? done + interval : nextMark(mark, done, interval);
  }
  const last = at(order.at(-1)!);
  return mark === null || last === null ? step : Math.min(step, mark - last);
}

/** The first mark of the grid that lies past `done`. */
function nextMark(mark: number, done: number, interval: number): number {
  return mark + interval * (Math.floor((done - mark) / interval) + 1);
}

/**
 * Whether tasks that count one another run in a circle: A every third B, B every second A. Neither would ever fall due.
 *
 * @param of for each task, the tasks whose doings it counts
 * @returns the tasks of a circle in order, or null when there is none
 */
export function findCircle(of: ReadonlyMap<string, readonly string[]>): string[] | null {
  const done = new Set<string>();
  const walk = (id: string, path: string[]): string[] | null => {
    const seen = path.indexOf(id);
    if (seen >= 0) return path.slice(seen);
    if (done.has(id)) return null;
    for (const next of of.get(id) ?? []) {
      const circle = walk(next, [...path, id]);
      if (circle) return circle;
    }
    done.add(id);
    return null;
  };
  for (const id of of.keys()) {
    const circle = walk(id, []);
    if (circle) return circle;
  }
  return null;
}
