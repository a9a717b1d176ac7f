import {
  aheadOf,
  duePoint,
  pressure,
  roughlyAhead,
  stateOf,
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
  const flag: PackedFlag = task.reminder ? (task.reminder.raised ? 3 : 2) : task.calls.length > 0 ? 1 : 0;
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
    if (t.reminder) return t.reminder.raised ? [CALLED] : [];
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

function lineOf(machineId: string, packed: PackedTask, ahead: Ahead): DueLine {
  const [taskId, name, part, flag, points] = packed;
  const line: DueLine = {
    machineId,
    taskId,
    name,
    part,
    state: 'unknown',
    measure: null,
    left: null,
    ahead: Number.MAX_SAFE_INTEGER
  };
  if (flag === 2) return { ...line, state: 'clear' };
  if (flag === 3) return { ...line, state: 'past due', ahead: 0 };
  let worst = 99;
  let nearest = Infinity;
  for (const point of points) {
    const p = unpackPoint(point);
    const { state, left } = stateOf(p, ahead);
    const press = pressure(state);
    const share = left === null ? 0 : left / Math.max(1, p.interval);
    if (press > worst || (press === worst && share >= nearest)) continue;
    worst = press;
    nearest = share;
    line.state = state;
    line.measure = p.measure;
    line.left = left;
    line.ahead = roughlyAhead(p.measure, left);
  }
  if (flag === 1 && pressure(line.state) > pressure('past due'))
    return { ...line, state: 'past due', measure: null, left: null, ahead: 0 };
  return line;
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
  return (
    pressure(a.state) - pressure(b.state) ||
    a.ahead - b.ahead ||
    (a.taskId < b.taskId ? -1 : a.taskId > b.taskId ? 1 : 0)
  );
}
