import { dayNumber } from '../time/day';
import type { Counting, MachineNow, Measure, Task } from './task';
import { isRace } from '../outing/outing';
import { JUDGED_BY } from '../judged/by';

/** The six states, in the words of the product. Their order here is the order in which they press. */
export const STATES = [
  'past limit',
  'past due',
  'due before the next outing',
  'unknown',
  'coming',
  'clear'
] as const;
export type State = (typeof STATES)[number];

/** How much a state presses: 0 presses most. */
export function pressure(state: State): number {
  return STATES.indexOf(state);
}

/** The last of an interval is "coming", and so is whatever a planned outing of the next four weeks reaches. */
const COMING_FRACTION = JUDGED_BY.work.coming.is;
const COMING_DAYS = 28;

/**
 * Where a trigger falls due, as a distance from now that only a new entry in the book can change. For days, which go by
 * themselves, `left` and `limitLeft` are day numbers instead.
 */
export interface DuePoint {
  measure: Measure;
  /** Until it is due, in the trigger's measure; negative when past. Null: unknown. */
  left: number | null;
  /** Until the limit; null where there is none. */
  limitLeft: number | null;
  interval: number;
}

/** The due point of one trigger of a task. */
export function duePoint(t: Counting, task: Pick<Task, 'counted'>): DuePoint {
  const interval = t.due ?? t.book;
  if (t.measure === 'days') {
    const start = task.counted ? dayNumber(task.counted.day) : null;
    return {
      measure: 'days',
      left: start === null ? null : start + interval,
      limitLeft: start === null || t.bookLimit === null ? null : start + t.bookLimit,
      interval
    };
  }
  const { used } = t;
  return {
    measure: t.measure,
    left: used === null ? null : interval - (t.aged ?? used),
    // The limit is the book's own: weighting brings work forward, it does not ground a machine earlier.
    limitLeft: used === null || t.bookLimit === null ? null : t.bookLimit - used,
    interval
  };
}

/** The calendar as due points are held against it: how much of each measure is used up by the end of each outing. */
export interface Ahead {
  today: number;
  ends: Record<Exclude<Measure, 'times'>, number[]>;
  /** How many of them begin soon enough to make what they reach "coming". */
  soon: number;
}

/** Draws up the calendar of one machine for its due points. */
export function aheadOf(now: Pick<MachineNow, 'today' | 'planned'> & { speed?: number | null }): Ahead {
  const today = dayNumber(now.today);
  let hours = 0;
  let races = 0;
  const ends: Ahead['ends'] = { hours: [], distance: [], days: [], outings: [], races: [] };
  let soon = 0;
  for (const [i, p] of now.planned.entries()) {
    hours += p.hours;
    if (isRace(p.kind)) races += 1;
    ends.hours.push(hours);
    ends.distance.push(now.speed ? (hours * now.speed) / 100 : 0);
    ends.days.push(dayNumber(p.lastDay) - today);
    // Counted whole: what falls due when an outing is over can wait for its end.
    ends.outings.push(i + 1);
    ends.races.push(races);
    if (dayNumber(p.firstDay) <= today + COMING_DAYS) soon += 1;
  }
  return { today, ends, soon };
}

/** The calendar as if the next outing went on until the end of a later one: everything on the way to it counted. */
export function through(ahead: Ahead, outing: number): Ahead {
  const { hours, distance, days, outings, races } = ahead.ends;
  const from = (ends: number[]) => ends.slice(outing);
  return {
    ...ahead,
    ends: {
      hours: from(hours),
      distance: from(distance),
      days: from(days),
      outings: from(outings),
      races: from(races)
    },
    soon: Math.max(0, ahead.soon - outing)
  };
}

/** Whether a due point so far ahead lies before the end of a planned outing. */
export function reached(measure: Measure, left: number, end: number): boolean {
  // A task due on the last day of an outing is due before it; one due at the very hour it ends can wait for its end.
  return measure === 'days' ? left <= end : left < end;
}

/**
 * By how much a task will be past its limit when an outing is over: of its triggers the one that is furthest past, as a part of its
 * interval. Beyond it, not at it, as the state is.
 * @param outing which of those planned, from 0
 * @returns null where none will be, has no limit, or is past it already
 */
export function pastLimitAfter(
  points: readonly DuePoint[],
  ahead: Ahead,
  outing = 0
): { by: number; measure: Measure } | null {
  const past = points.flatMap(({ measure, limitLeft, interval }) => {
    if (limitLeft === null || measure === 'times') return [];
    const left = limitLeft - (measure === 'days' ? ahead.today : 0);
    const end = ahead.ends[measure][outing];
    if (end === undefined || left < 0 || end <= left) return [];
    return [{ by: end - left, measure, share: (end - left) / Math.max(1, interval) }];
  });
  const [most] = past.sort((a, b) => b.share - a.share);
  return most ? { by: most.by, measure: most.measure } : null;
}

/**
 * The place in STATES of a due point so far ahead. Nothing is made on the way: a fleet's due list asks a hundred thousand times.
 *
 * Due is due at the book's interval (reached or passed); past limit is beyond the limit, not at it. "Due before the next
 * outing" is a due point that lies before the end of the next planned outing: it would pass while the machine is out.
 *
 * @param left until it is due, in the trigger's measure; null: unknown
 */
export function stateCode(
  measure: Measure,
  left: number | null,
  limitLeft: number | null,
  interval: number,
  ahead: Ahead
): number {
  if (left === null) return UNKNOWN;
  if (limitLeft !== null && limitLeft < 0) return PAST_LIMIT;
  if (left <= 0) return PAST_DUE;
  if (measure !== 'times') {
    const ends = ahead.ends[measure];
    if (ends.length > 0 && reached(measure, left, ends[0]!)) return BEFORE_NEXT;
  }
  if (left <= interval * COMING_FRACTION) return COMING;
  // One race in three is not "the last fifth" of anything, but the last one before it is due is coming.
  if (left <= 1 && (measure === 'races' || measure === 'times' || measure === 'outings')) return COMING;
  if (measure !== 'times') {
    const ends = ahead.ends[measure];
    for (let i = 1; i < ahead.soon; i++) if (reached(measure, left, ends[i]!)) return COMING;
  }
  return CLEAR;
}
const [PAST_LIMIT, PAST_DUE, BEFORE_NEXT, UNKNOWN, COMING, CLEAR] = [0, 1, 2, 3, 4, 5] as const;

/** The state of one due point today, and what is left until it. */
export function stateOf(
  point: DuePoint,
  ahead: Ahead
): { state: State; left: number | null; limitLeft: number | null } {
  const { measure, interval } = point;
  const from = measure === 'days' ? ahead.today : 0;
  const left = point.left === null ? null : point.left - from;
  const limitLeft = left === null || point.limitLeft === null ? null : point.limitLeft - from;
  return { state: STATES[stateCode(measure, left, limitLeft, interval, ahead)]!, left, limitLeft };
}

/** The measures as one figure, to hold them against one another when fleets are sorted: about how many hundredths of an hour. */
const AS_CENTIHOURS: Record<Measure, number> = {
  hours: 1,
  // Twenty kilometres an hour; two hours an outing, a race or a time; two hours of use a week.
  distance: 1 / 20,
  days: 30,
  outings: 200,
  races: 200,
  times: 1500
};

/** About how far ahead a due point lies, in hundredths of an hour: only the order of what is in one state rests on it. */
export function roughlyAhead(measure: Measure, left: number | null): number {
  return left === null ? Number.MAX_SAFE_INTEGER : left * AS_CENTIHOURS[measure];
}
