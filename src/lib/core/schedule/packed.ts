import {
  aheadOf,
  duePoint,
  pressure,
  roughlyAhead,
  stateCode,
  STATES,
  type Ahead,
  type DuePoint,
  type State
} from './state';
import { MEASURES, type Measure, type PlannedOuting, type Task } from './task';
import type { Day } from '../time/day';

/**
 * Due points as they are kept to rank a fleet by: measure, left, limit left, interval. Nothing in them changes but by a new
 * entry in the machine's book; days are day numbers, so that they need no entry either.
 */
export type PackedPoint = [measure: number, left: number | null, limitLeft: number | null, interval: number];
/** What is special about a task: nothing; a call decides; a reminder that waits; a reminder whose event has come. */
export type PackedFlag = 0 | 1 | 2 | 3;
/** A task for the due list of a fleet. */
export type PackedTask = [
  id: string,
  name: string,
  part: string | null,
  flag: PackedFlag,
  points: PackedPoint[]
];

const CALLED: PackedPoint = [0, 0, null, 1];
const HELD: PackedPoint = [0, null, null, 1];

export function packPoint(p: DuePoint): PackedPoint {
  return [MEASURES.indexOf(p.measure), p.left, p.limitLeft, p.interval];
}
export function unpackPoint([m, left, limitLeft, interval]: PackedPoint): DuePoint {
  return { measure: MEASURES[m]!, left, limitLeft, interval };
}

/** A task as the due list needs it. */
export function packTask(task: Task): PackedTask {
  const flag: PackedFlag = task.reminder
    ? task.reminder.raised || task.reminder.keepsOff
      ? 3
      : 2
    : task.calls.length > 0
      ? 1
      : 0;
  return [
    task.id,
    task.name,
    task.part?.name ?? null,
    flag,
    task.triggers.map((t) => packPoint(duePoint(t, task)))
  ];
}

/** The due points that rank a machine: all of its tasks', and a point at nothing for what is called. */
export function packPoints(tasks: readonly Task[]): PackedPoint[] {
  return tasks.flatMap((t) => {
    if (t.reminder) return t.reminder.raised || t.reminder.keepsOff ? [CALLED] : [];
    const points = t.triggers.map((g) => packPoint(duePoint(g, t)));
    if (t.calls.length > 0) points.push(CALLED);
    // A task without a trigger or a count is unknown.
    return points.length > 0 ? points : [HELD];
  });
}

/** A line of the fleet's due list, before it is drawn up. */
export interface DueLine {
  machineId: string;
  taskId: string;
  name: string;
  part: string | null;
  state: State;
  /** How much that presses: 0 presses most. */
  press: number;
  measure: Measure | null;
  left: number | null;
  /** About how far ahead, for the order. */
  ahead: number;
}

/** One machine as the due list needs it. */
export interface DueMachine {
  id: string;
  speed: number | null;
  planned: PlannedOuting[];
  tasks: readonly PackedTask[];
}

const DAYS = MEASURES.indexOf('days');
const PAST_DUE = pressure('past due');

/** One task's line: the trigger that presses most, and of two alike the one nearer to its end. */
function lineOf(machineId: string, [taskId, name, part, flag, points]: PackedTask, ahead: Ahead): DueLine {
  let press = pressure(flag === 2 ? 'clear' : flag === 3 ? 'past due' : 'unknown');
  let measure: Measure | null = null;
  let left: number | null = null;
  let hours = flag === 3 ? 0 : Number.MAX_SAFE_INTEGER;
  let worst = 99;
  let nearest = Infinity;
  for (let i = 0; i < points.length; i++) {
    const point = points[i]!;
    const from = point[0] === DAYS ? ahead.today : 0;
    const m = MEASURES[point[0]]!;
    const l = point[1] === null ? null : point[1] - from;
    const code = stateCode(m, l, point[2] === null ? null : point[2] - from, point[3], ahead);
    if (code > worst) continue;
    const share = l === null ? 0 : l / Math.max(1, point[3]);
    if (code === worst && share >= nearest) continue;
    worst = code;
    nearest = share;
    press = code;
    measure = m;
    left = l;
    hours = roughlyAhead(m, l);
  }
  if (flag === 1 && press > PAST_DUE) {
    press = PAST_DUE;
    measure = null;
    left = null;
    hours = 0;
  }
  return { machineId, taskId, name, part, state: STATES[press]!, press, measure, left, ahead: hours };
}

/**
 * Every task of a fleet worked out for today, unsorted: one pass over due points, nothing drawn up.
 *
 * @param keep which tasks of which machines are wanted
 */
export function dueLines(
  machines: Iterable<DueMachine>,
  today: Day,
  keep: (machine: DueMachine, task: PackedTask) => boolean = () => true
): DueLine[] {
  const lines: DueLine[] = [];
  // Most of a fleet goes on the same outings: their calendar is drawn up once for each pace.
  const drawn = new Map<PlannedOuting[], Map<number | null, Ahead>>();
  for (const machine of machines) {
    let byPace = drawn.get(machine.planned);
    if (!byPace) drawn.set(machine.planned, (byPace = new Map()));
    let ahead = byPace.get(machine.speed);
    if (!ahead)
      byPace.set(machine.speed, (ahead = aheadOf({ today, planned: machine.planned, speed: machine.speed })));
    for (const task of machine.tasks) if (keep(machine, task)) lines.push(lineOf(machine.id, task, ahead));
  }
  return lines;
}

/** What presses most first; of one state the nearest first. */
export function pressingFirst(a: DueLine, b: DueLine): number {
  return a.press - b.press || a.ahead - b.ahead || (a.taskId < b.taskId ? -1 : a.taskId > b.taskId ? 1 : 0);
}

/**
 * Some lines of the list in their order, what presses most first, without sorting the rest: only the states that the wanted
 * lines lie in are sorted, and what is clear is mostly never looked at.
 *
 * @param from how many lines come before
 * @param count how many are wanted
 */
export function mostPressingLines(lines: readonly DueLine[], from: number, count: number): DueLine[] {
  const byState: DueLine[][] = STATES.map(() => []);
  for (const line of lines) byState[line.press]!.push(line);
  const wanted: DueLine[] = [];
  let before = 0;
  for (const list of byState) {
    const [lo, hi] = [Math.max(0, from - before), Math.min(list.length, from + count - before)];
    if (hi > lo) wanted.push(...list.sort(pressingFirst).slice(lo, hi));
    before += list.length;
  }
  return wanted;
}
