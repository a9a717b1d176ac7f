import { pressure, roughlyAhead, stateCode, STATES, type Ahead, type DuePoint, type State } from './state';
import type { Task } from './task';

/**
 * What is special about what presses: nothing; a symptom calls it now; it waits for an event, or is only watched; it is to be
 * done now; it keeps the machine from being called ready.
 */
export const SPECIALS = ['none', 'called', 'waits', 'now', 'parks'] as const;
export type Special = (typeof SPECIALS)[number];

/** What the state of a task, a finding or a reminder hangs on; nothing in it changes but by a new entry in the machine's book. */
export interface Pending {
  special: Special;
  /** One for each trigger, in their order. */
  points: readonly DuePoint[];
}

/** Which trigger of a task decides, and what it comes to. */
export interface Decision {
  state: State;
  /** How much that presses: 0 presses most. */
  press: number;
  /** Place of the trigger that decides; -1 where a call or an event does, or where there is none. */
  by: number;
  /** What is left of it, in its measure; null where nobody knows. */
  left: number | null;
  /** About how far ahead it lies, hundredths of an hour: only an order rests on it. */
  ahead: number;
}

const FAR = Number.MAX_SAFE_INTEGER;
const PAST_LIMIT = pressure('past limit');
const PAST_DUE = pressure('past due');
const CLEAR = pressure('clear');
const UNKNOWN = pressure('unknown');
/** What it comes to by itself, without a trigger. */
const ALONE: Record<Special, number> = {
  none: UNKNOWN,
  called: UNKNOWN,
  waits: CLEAR,
  now: PAST_DUE,
  parks: PAST_LIMIT
};

/** What is special about a task, as the book has it. */
export function specialOf(task: Pick<Task, 'calls'>): Special {
  return task.calls.length > 0 ? 'called' : 'none';
}

/**
 * Which trigger of a task decides today, its state and its place in the order: what presses most, and of two alike the one
 * that is nearer to the end of its interval. The one place where that is worked out; nothing is made on the way, for a fleet
 * asks it ten thousand times.
 */
export function decide({ special, points }: Pending, ahead: Ahead): Decision {
  let press = ALONE[special];
  let by = -1;
  let left: number | null = null;
  let far = special === 'now' || special === 'parks' ? 0 : FAR;
  let nearest = Infinity;
  for (let i = 0; i < points.length; i++) {
    const p = points[i]!;
    const from = p.measure === 'days' ? ahead.today : 0;
    const l = p.left === null ? null : p.left - from;
    const code = stateCode(p.measure, l, p.limitLeft === null ? null : p.limitLeft - from, p.interval, ahead);
    const share = l === null ? 0 : l / Math.max(1, p.interval);
    if (by >= 0 && (code > press || (code === press && share >= nearest))) continue;
    press = code;
    by = i;
    left = l;
    nearest = share;
    far = roughlyAhead(p.measure, l);
  }
  if (special === 'called' && press > PAST_DUE)
    return { state: 'past due', press: PAST_DUE, by: -1, left: null, ahead: 0 };
  return { state: STATES[press]!, press, by, left, ahead: far };
}

/** Anything that stands in the order of what presses. */
interface Pressing {
  press: number;
  ahead: number;
  name: string;
  id: string;
}

/** What presses most first; of one state the nearest first. The one order of tasks, on every screen. */
export function pressingFirst(a: Pressing, b: Pressing): number {
  return (
    a.press - b.press ||
    a.ahead - b.ahead ||
    (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
  );
}

/** Where a machine stands in the order of its fleet: by what presses most on it. `unknown` where it has no task. */
export function mostPressing(items: readonly Pending[], ahead: Ahead): { state: State; ahead: number } {
  let best: Decision | null = null;
  for (const item of items) {
    const d = decide(item, ahead);
    // What merely waits for an event says nothing of the machine.
    if (item.special === 'waits') continue;
    if (!best || d.press < best.press || (d.press === best.press && d.ahead < best.ahead)) best = d;
  }
  return best ? { state: best.state, ahead: best.ahead } : { state: 'unknown', ahead: FAR };
}
