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
 * The state of one trigger today.
 *
 * Due is due at the book's interval (reached or passed); past limit is beyond the limit, not at it. "Due before the next
 * outing" is a due point that lies before the end of the next planned outing: it would pass while the machine is out.
 */
function triggerDue(trigger: Trigger, task: Task, now: MachineNow): TriggerDue {
  const first = task.counted?.since === 'new';
  const interval = (first && trigger.firstInterval) || trigger.interval;
  const limit = first && trigger.firstInterval ? trigger.firstLimit : trigger.limit;
  const base = startOf(trigger.measure, task);
  const at = trigger.measure === 'hours' ? now.total : dayNumber(now.today);
  if (base === null || at === null) {
    return {
      trigger,
      state: 'unknown',
      dueAt: base === null ? null : base + interval,
      limitAt: null,
      left: null,
      interval
    };
  }
  const dueAt = base + interval;
  const limitAt = limit === null ? null : base + limit;
  return {
    trigger,
    dueAt,
    limitAt,
    left: dueAt - at,
    interval,
    state: stateAt(trigger.measure, at, dueAt, limitAt, interval, now)
  };
}

function startOf(measure: Measure, task: Task): number | null {
  if (!task.counted) return null;
  return measure === 'hours' ? task.counted.hours : dayNumber(task.counted.day);
}

function stateAt(
  measure: Measure,
  at: number,
  dueAt: number,
  limitAt: number | null,
  interval: number,
  now: MachineNow
): State {
  if (limitAt !== null && at > limitAt) return 'past limit';
  if (at >= dueAt) return 'past due';
  const ends =
    measure === 'hours' ? stretches(now).map((s) => s.to) : now.planned.map((p) => dayNumber(p.lastDay));
  if (ends.length > 0 && dueAt < ends[0]! + (measure === 'days' ? 1 : 0)) return 'due before the next outing';
  if (dueAt - at <= interval * COMING_FRACTION) return 'coming';
  const soon = addDays(now.today, COMING_DAYS);
  const reached = now.planned.some((p, i) => p.firstDay <= soon && dueAt < ends[i]!);
  return reached ? 'coming' : 'clear';
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
  const triggers = task.triggers
    .map((trigger) => triggerDue(trigger, task, now))
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
