import type { Centihours } from '../hours/hours';
import { daysUntil, usedIn, type PlannedUse } from '../forecast/until';
import { isRace } from '../outing/outing';
import { addDays, dayNumber, type Day } from '../time/day';
import { decide, pressingFirst, specialOf } from './decide';
import {
  aheadOf,
  duePoint,
  pastLimitAfter,
  pressure,
  reached,
  stateOf,
  type Ahead,
  type DuePoint,
  type State
} from './state';
import type { Counting, MachineNow, Measure, Task } from './task';

export { pressure, STATES, type State } from './state';

/** One trigger worked out for today. */
export interface TriggerDue {
  trigger: Counting;
  state: State;
  /** Still to go until due, in the trigger's measure; negative when past. Null when unknown. */
  left: number | null;
  limitLeft: number | null;
  /** The interval in force. */
  interval: number;
  /** Hours from now at which it falls due; estimated for what is not counted in hours. Null: nobody can say. */
  ahead: Centihours | null;
}

/** A task worked out for today: the trigger that decides, and what it comes to. */
export interface TaskDue {
  task: Task;
  state: State;
  /** Its place among others: see `decide`. */
  order: { press: number; ahead: number };
  /** The trigger that presses most; null when the task has none, or when a call decides. */
  deciding: TriggerDue | null;
  triggers: TriggerDue[];
  /** Hours from now at which its stake stands on the trail. `exact` when it is counted in hours. */
  stake: { ahead: Centihours; exact: boolean } | null;
  /** Hours from now at which the limit stands, where an hours trigger has one. */
  limitAhead: Centihours | null;
  /** The calendar days between which it will likely fall due; null with too little history. `to` null: years away. */
  likely: { from: Day; to: Day | null } | null;
  /** The planned outing inside which it falls due, if any. */
  inside: {
    id: string;
    name: string;
    /** At its usual use in between, it falls due before that outing begins. */
    before: boolean;
  } | null;
  /** The first planned outing inside which it passes its limit, and by how much when that is over; null: none. */
  limitInside: { id: string; name: string; by: number; measure: Measure } | null;
}

/** Running hours at which each planned outing begins and ends, one after the other from where the machine stands. */
export function stretches(
  now: Pick<MachineNow, 'total' | 'planned'>
): { id: string; name: string; firstDay: Day; lastDay: Day; from: Centihours; to: Centihours }[] {
  let at = now.total ?? 0;
  return now.planned.map(({ id, name, firstDay, lastDay, hours }) => {
    const from = at;
    at += hours;
    return { id, name, firstDay, lastDay, from, to: at };
  });
}

/** How far through its interval a trigger is from the due point; what tells two of one state apart. */
function closeness(t: TriggerDue): number {
  return t.left === null ? 0 : t.left / Math.max(1, t.interval);
}

/** The planned events as the forecast takes them. */
function plannedUse(now: MachineNow): PlannedUse[] {
  const today = dayNumber(now.today);
  return now.planned.map((p) => ({
    from: Math.max(0, dayNumber(p.firstDay) - today),
    to: Math.max(0, dayNumber(p.lastDay) - today),
    hours: p.hours
  }));
}

/**
 * Tasks worked out for today, each with the trigger that decides. They are worked out together, because a task may count
 * the doings of another.
 *
 * @param tasks with their counts
 * @param now where the machine stands; hours in hundredths
 * @returns in the order given; `unknown` when a deciding count is not known, never a guess
 */
export function tasksDue(tasks: readonly Task[], now: MachineNow): TaskDue[] {
  const ahead = aheadOf(now);
  const byId = new Map(tasks.map((t) => [t.id, t]));
  return tasks.map((t) => workOut(t, now, ahead, byId));
}

/** One task alone. */
export function taskDue(task: Task, now: MachineNow): TaskDue {
  return tasksDue([task], now)[0]!;
}

function workOut(task: Task, now: MachineNow, ahead: Ahead, byId: ReadonlyMap<string, Task>): TaskDue {
  const points = task.triggers.map((t) => duePoint(t, task));
  const decision = decide({ special: specialOf(task), points }, ahead);
  const all = task.triggers.map((trigger, i): TriggerDue => {
    const state = stateOf(points[i]!, ahead);
    return {
      trigger,
      interval: points[i]!.interval,
      ...state,
      ahead: hoursAhead(trigger, state.left, now, byId)
    };
  });
  const deciding = all[decision.by] ?? null;
  const triggers = [...all].sort(
    (a, b) => pressure(a.state) - pressure(b.state) || closeness(a) - closeness(b)
  );
  const called = task.calls.length > 0;
  const likely = called ? { from: now.today, to: now.today } : likelyRange(triggers, now);
  const stakes = triggers
    .flatMap((t) => (t.ahead === null ? [] : [{ ahead: t.ahead, exact: t.trigger.measure === 'hours' }]))
    .sort((a, b) => a.ahead - b.ahead);
  const limits = triggers.flatMap((t) =>
    t.trigger.measure === 'hours' && t.limitLeft !== null ? [t.limitLeft] : []
  );
  return {
    task,
    state: decision.state,
    order: { press: decision.press, ahead: decision.ahead },
    deciding,
    triggers,
    stake: called ? { ahead: Math.min(0, stakes[0]?.ahead ?? 0), exact: true } : (stakes[0] ?? null),
    limitAhead: limits.length > 0 ? Math.min(...limits) : null,
    likely,
    inside: called ? null : insideOf(triggers, now, ahead, likely),
    limitInside: limitInside(points, now, ahead)
  };
}

/** Hours from now at which a trigger falls due: exact for hours, else by the machine's own pace or the calendar. */
function hoursAhead(
  t: Counting,
  left: number | null,
  now: MachineNow,
  byId: ReadonlyMap<string, Task>,
  depth = 0
): Centihours | null {
  if (left === null) return null;
  if (t.measure === 'hours') return left;
  if (left <= 0) return 0;
  if (t.measure === 'days')
    return now.rate ? Math.round(usedIn(left, now.rate)) + plannedWithin(left, now) : null;
  if (t.measure === 'distance') return now.speed ? Math.round((left / now.speed) * 100) : null;
  if (t.measure === 'outings') return now.perOuting ? left * now.perOuting : null;
  if (t.measure === 'races') {
    const races = stretches({ ...now, total: 0 }).filter((_, i) => isRace(now.planned[i]!.kind));
    return races[left - 1]?.to ?? null;
  }
  // The next time of the other task, and then one of its intervals for each time after that.
  const other = t.of ? byId.get(t.of.id) : undefined;
  const hours = other?.triggers.find((x) => x.measure === 'hours');
  if (!other || !hours || depth > 4) return null;
  const next = hoursAhead(hours, duePoint(hours, other).left, now, byId, depth + 1);
  return next === null
    ? null
    : Math.max(0, next) + (left - 1) * Math.min(hours.interval, hours.shortenedTo ?? Infinity);
}

/** Hours of the outings that are planned for the next so many days. */
const plannedWithin = (days: number, now: MachineNow): Centihours =>
  plannedUse(now).reduce(
    (sum, p) => sum + p.hours * Math.min(1, Math.max(0, (days - p.from + 1) / (p.to - p.from + 1))),
    0
  );

function insideOf(
  triggers: readonly TriggerDue[],
  now: MachineNow,
  ahead: Ahead,
  likely: TaskDue['likely']
): TaskDue['inside'] {
  let nearest = Infinity;
  for (const t of triggers) {
    const { measure } = t.trigger;
    if (t.left === null || t.left <= 0 || measure === 'times') continue;
    const i = ahead.ends[measure].findIndex((end) => reached(measure, t.left!, end));
    if (i >= 0) nearest = Math.min(nearest, i);
  }
  const planned = now.planned[nearest];
  return planned
    ? {
        id: planned.id,
        name: planned.name,
        before: likely !== null && likely.to !== null && likely.to < planned.firstDay
      }
    : null;
}

function limitInside(points: readonly DuePoint[], now: MachineNow, ahead: Ahead): TaskDue['limitInside'] {
  for (const [i, { id, name }] of now.planned.entries()) {
    const past = pastLimitAfter(points, ahead, i);
    if (past) return { id, name, ...past };
  }
  return null;
}

/**
 * Between which days the task will likely fall due: hours by the recent rate of use and the calendar (eight times out of
 * ten), days exactly; whichever comes first. Null with too little history to say.
 */
function likelyRange(triggers: readonly TriggerDue[], now: MachineNow): TaskDue['likely'] {
  let from: number | null = null;
  let to = Infinity;
  const planned = plannedUse(now);
  for (const t of triggers) {
    if (t.left === null) return null;
    let range: { early: number; late: number };
    if (t.left <= 0) range = { early: 0, late: 0 };
    else if (t.trigger.measure === 'days') range = { early: t.left, late: t.left };
    else if (t.ahead !== null && now.rate) range = daysUntil(t.ahead, now.rate, planned);
    else if (t.trigger.measure === 'races') {
      // Beyond the races that are planned nobody can say when, only that it is after them.
      const last = planned.at(-1);
      range = { early: last ? last.to + 1 : 0, late: Infinity };
    } else {
      // Without a rate the hours may run out any day; a date for another trigger alone would be falsely exact.
      return null;
    }
    from = from === null ? range.early : Math.min(from, range.early);
    to = Math.min(to, range.late);
  }
  if (from === null) return null;
  return { from: addDays(now.today, from), to: Number.isFinite(to) ? addDays(now.today, to) : null };
}

/** Tasks in the order in which they press: the same on every screen. */
export function nearestFirst(a: TaskDue, b: TaskDue): number {
  return pressingFirst(
    { ...a.order, name: a.task.name, id: a.task.id },
    { ...b.order, name: b.task.name, id: b.task.id }
  );
}
