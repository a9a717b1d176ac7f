import { showHours, type Centihours } from '../hours/hours';
import { daysUntil } from '../hours/rate';
import { addDays, dayNumber, daysBetween, type Day } from '../time/day';
import type { MachineNow, Measure, Task, Trigger } from './task';

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

/** The last fifth of an interval is "coming", and so is whatever a planned outing of the next four weeks reaches. */
const COMING_FRACTION = 0.2;
const COMING_DAYS = 28;

/** One trigger worked out for today. */
export interface TriggerDue {
  trigger: Trigger;
  state: State;
  /** Running hours (hundredths) or day number at which it is due and at which it is past tolerating; null when unknown. */
  dueAt: number | null;
  limitAt: number | null;
  /** Still to go until due, in the trigger's measure; negative when past. Null when unknown. */
  left: number | null;
  /** The book's interval in force: the first one, or the usual one. */
  interval: number;
}

/** A task worked out for today: the trigger that decides, and what it comes to. */
export interface TaskDue {
  task: Task;
  state: State;
  /** The trigger that presses most; null when the task has none. */
  deciding: TriggerDue | null;
  triggers: TriggerDue[];
  /** Hours from now at which its stake stands on the trail; days are turned into hours by the rate of use. */
  stake: { ahead: Centihours; byDays: boolean } | null;
  /** Hours from now at which the limit stands, where an hours trigger has one. */
  limitAhead: Centihours | null;
  /** The calendar days between which it will likely fall due; null with too little history. */
  likely: { from: Day; to: Day } | null;
  /** The planned outing inside which it falls due, if any. */
  inside: string | null;
}

/** Running hours at which each planned outing begins and ends, one after the other from where the machine stands. */
export function stretches(
  now: MachineNow
): { id: string; name: string; firstDay: Day; lastDay: Day; from: Centihours; to: Centihours }[] {
  let at = now.total ?? 0;
  return now.planned.map(({ id, name, firstDay, lastDay, hours }) => {
    const from = at;
    at += hours;
    return { id, name, firstDay, lastDay, from, to: at };
  });
}

/**
 * Where a trigger falls due, counted from when its task was last done: everything about it that does not change from day to
 * day. `dueAt` and `limitAt` are running hours (hundredths) or day numbers; `dueAt` null is unknown, `limitAt` null is none.
 */
export interface DuePoint {
  measure: Measure;
  dueAt: number | null;
  limitAt: number | null;
  interval: number;
}

/** The due point of one trigger: the first interval and limit while its task was never done, the usual ones after. */
export function duePoint(trigger: Trigger, task: Task): DuePoint {
  const first = task.counted?.since === 'new' && trigger.firstInterval !== null;
  const interval = first ? trigger.firstInterval! : trigger.interval;
  const limit = first ? trigger.firstLimit : trigger.limit;
  const base = startOf(trigger.measure, task);
  return {
    measure: trigger.measure,
    dueAt: base === null ? null : base + interval,
    limitAt: base === null || limit === null ? null : base + limit,
    interval
  };
}

function startOf(measure: Measure, task: Task): number | null {
  if (!task.counted) return null;
  return measure === 'hours' ? task.counted.hours : dayNumber(task.counted.day);
}

/** The calendar as due points are held against it: where each planned outing ends, in hours and in days. */
interface Ahead {
  total: number | null;
  today: number;
  hourEnds: number[];
  dayEnds: number[];
  /** How many of them begin soon enough to make what they reach "coming". */
  soon: number;
}

function aheadOf(now: Pick<MachineNow, 'today' | 'total' | 'planned'>): Ahead {
  const today = dayNumber(now.today);
  let at = now.total ?? 0;
  return {
    total: now.total,
    today,
    hourEnds: now.planned.map((p) => (at += p.hours)),
    dayEnds: now.planned.map((p) => dayNumber(p.lastDay)),
    soon: now.planned.filter((p) => dayNumber(p.firstDay) <= today + COMING_DAYS).length
  };
}

/**
 * The state of one due point today, and what is left until it.
 *
 * Due is due at the book's interval (reached or passed); past limit is beyond the limit, not at it. "Due before the next
 * outing" is a due point that lies before the end of the next planned outing: it would pass while the machine is out.
 */
function stateOf(point: DuePoint, ahead: Ahead): { state: State; left: number | null } {
  const at = point.measure === 'hours' ? ahead.total : ahead.today;
  const { dueAt, limitAt, interval } = point;
  if (dueAt === null || at === null) return { state: 'unknown', left: null };
  const left = dueAt - at;
  if (limitAt !== null && at > limitAt) return { state: 'past limit', left };
  if (left <= 0) return { state: 'past due', left };
  // A task due on the last day of an outing is due before it; one due at the very hour it ends can wait for its end.
  const ends = point.measure === 'hours' ? ahead.hourEnds : ahead.dayEnds;
  const reaches = (end: number) => (point.measure === 'hours' ? dueAt < end : dueAt <= end);
  if (ends.length > 0 && reaches(ends[0]!)) return { state: 'due before the next outing', left };
  if (left <= interval * COMING_FRACTION || ends.slice(0, ahead.soon).some(reaches))
    return { state: 'coming', left };
  return { state: 'clear', left };
}

/**
 * A day as hundredths of an hour, to hold days against hours when fleets are sorted: two hours a week, the use of a machine
 * ridden at weekends. Only the order of lanes in one state rests on it.
 */
const DAY_AS_CENTIHOURS = 30;

/**
 * What presses most among many due points: all that the order of a fleet needs, without drawing anything up.
 * @returns `unknown` when there are none
 */
export function mostPressing(
  points: readonly DuePoint[],
  now: Pick<MachineNow, 'today' | 'total' | 'planned'>
): { state: State; ahead: number } {
  const ahead = aheadOf(now);
  let best: { state: State; ahead: number } | null = null;
  for (const point of points) {
    const { state, left } = stateOf(point, ahead);
    const hours =
      left === null ? Number.MAX_SAFE_INTEGER : point.measure === 'hours' ? left : left * DAY_AS_CENTIHOURS;
    if (!best || pressure(state) < pressure(best.state) || (state === best.state && hours < best.ahead))
      best = { state, ahead: hours };
  }
  return best ?? { state: 'unknown', ahead: Number.MAX_SAFE_INTEGER };
}

/** How far through its interval a trigger is from the due point; what tells two of one state apart. */
function closeness(t: TriggerDue): number {
  return t.left === null ? 0 : t.left / t.interval;
}

/**
 * A task worked out for today: every trigger, and whichever presses first decides.
 *
 * @param task with its triggers and from where they count
 * @param now where the machine stands; hours in hundredths
 * @returns `unknown` when the deciding count or the running hours are not known, never a guess
 */
export function taskDue(task: Task, now: MachineNow): TaskDue {
  const ahead = aheadOf(now);
  const triggers = task.triggers
    .map((trigger): TriggerDue => {
      const point = duePoint(trigger, task);
      return {
        trigger,
        dueAt: point.dueAt,
        limitAt: point.limitAt,
        interval: point.interval,
        ...stateOf(point, ahead)
      };
    })
    .sort((a, b) => pressure(a.state) - pressure(b.state) || closeness(a) - closeness(b));
  const deciding = triggers[0] ?? null;
  const stakes = triggers.flatMap((t) => stakeOf(t, now));
  stakes.sort((a, b) => a.ahead - b.ahead);
  const limits = triggers.flatMap((t) =>
    t.trigger.measure === 'hours' && t.limitAt !== null && now.total !== null ? [t.limitAt - now.total] : []
  );
  const stake = stakes[0] ?? null;
  return {
    task,
    state: deciding?.state ?? 'unknown',
    deciding,
    triggers,
    stake,
    limitAhead: limits.length > 0 ? Math.min(...limits) : null,
    likely: likelyRange(triggers, now),
    inside: insideOf(triggers, now)
  };
}

function stakeOf(t: TriggerDue, now: MachineNow): { ahead: Centihours; byDays: boolean }[] {
  if (t.left === null) return [];
  if (t.trigger.measure === 'hours') return [{ ahead: t.left, byDays: false }];
  if (t.left <= 0) return [{ ahead: 0, byDays: true }];
  return now.rate ? [{ ahead: Math.round(t.left * now.rate.perDay), byDays: true }] : [];
}

function insideOf(triggers: readonly TriggerDue[], now: MachineNow): string | null {
  const laid = stretches(now);
  const names = triggers.flatMap((t) => {
    if (t.left === null || t.left <= 0 || t.dueAt === null) return [];
    const i =
      t.trigger.measure === 'hours'
        ? laid.findIndex((s) => t.dueAt! < s.to)
        : laid.findIndex((s) => t.dueAt! <= dayNumber(s.lastDay));
    return i >= 0 ? [i] : [];
  });
  return names.length > 0 ? laid[Math.min(...names)]!.name : null;
}

/**
 * Between which days the task will likely fall due: hours by the recent rate of use (eight times out of ten), days exactly;
 * whichever comes first. Null with too little history to say.
 */
function likelyRange(triggers: readonly TriggerDue[], now: MachineNow): { from: Day; to: Day } | null {
  let from: number | null = null;
  let to: number | null = null;
  for (const t of triggers) {
    if (t.left === null) return null;
    let range: { early: number; late: number };
    if (t.left <= 0) range = { early: 0, late: 0 };
    else if (t.trigger.measure === 'days') range = { early: t.left, late: t.left };
    else if (now.rate) range = daysUntil(t.left, now.rate);
    else {
      // Without a rate the hours may run out any day; a date for the other trigger alone would be falsely exact.
      return null;
    }
    from = from === null ? range.early : Math.min(from, range.early);
    to = to === null ? range.late : Math.min(to, range.late);
  }
  return from === null || to === null ? null : { from: addDays(now.today, from), to: addDays(now.today, to) };
}

/** Hours ahead at which a stake stands; what cannot be placed comes last. */
const placed = (d: TaskDue): number => d.stake?.ahead ?? Number.MAX_SAFE_INTEGER;

/** Tasks nearest first: by state, then by the hours ahead, then by how much of the interval is left. */
export function nearestFirst(a: TaskDue, b: TaskDue): number {
  return (
    pressure(a.state) - pressure(b.state) ||
    placed(a) - placed(b) ||
    (a.deciding && b.deciding ? closeness(a.deciding) - closeness(b.deciding) : 0) ||
    a.task.name.localeCompare(b.task.name) ||
    (a.task.id < b.task.id ? -1 : 1)
  );
}

/** An amount in a trigger's measure, in words: `2.1 h`, `1 day`, `35 days`. */
export function showAmount(amount: number, measure: Measure): string {
  if (measure === 'hours') return `${showHours(amount)} h`;
  return Math.abs(amount) === 1 ? `${amount} day` : `${amount} days`;
}

/** What is left, in words: `in 2.1 h`, `0.4 h over`, `due now`, `not known`. */
export function leftInWords(due: TriggerDue | null): string {
  if (!due || due.left === null) return 'not known';
  if (due.left === 0) return 'due now';
  return due.left > 0
    ? `in ${showAmount(due.left, due.trigger.measure)}`
    : `${showAmount(-due.left, due.trigger.measure)} over`;
}

/** Days a planned outing is away, in words. */
export function awayInWords(today: Day, day: Day): string {
  const n = daysBetween(today, day);
  if (n <= 0) return 'today';
  return n === 1 ? 'tomorrow' : `in ${n} days`;
}
