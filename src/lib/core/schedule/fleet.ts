import type { Day } from '../time/day';
import { specialOfFinding, specialOfReminder, type OpenOn } from './notice';
import { decide, pressingFirst, specialOf, type Pending } from './decide';
import { aheadOf, duePoint, STATES, type Ahead, type State } from './state';
import type { PlannedOuting, Task } from './task';

export const DUE_KINDS = ['task', 'finding', 'reminder'] as const;
export type DueKind = (typeof DUE_KINDS)[number];

/** What a fleet's due list is worked out from: kept with its machine, so that history is never read for it. */
export interface DueItem extends Pending {
  kind: DueKind;
  id: string;
  name: string;
  part: string | null;
}

/** Everything that may press on a machine, as the due list needs it. */
export function dueItems(on: OpenOn & { tasks: readonly Task[] }): DueItem[] {
  return [
    ...on.tasks.map(taskItem),
    ...on.findings.map((f): DueItem => ({
      kind: 'finding',
      id: f.id,
      name: f.what,
      part: f.part?.name ?? null,
      special: specialOfFinding(f),
      points: []
    })),
    ...on.reminders.map((r): DueItem => ({
      kind: 'reminder',
      id: r.id,
      name: r.words,
      part: null,
      special: specialOfReminder(r),
      points: []
    }))
  ];
}
function taskItem(task: Task): DueItem {
  return {
    kind: 'task',
    id: task.id,
    name: task.name,
    part: task.part?.name ?? null,
    special: specialOf(task),
    points: task.triggers.map((t) => duePoint(t, task))
  };
}

/** A line of the fleet's due list, before it is drawn up. */
export interface DueLine {
  machineId: string;
  kind: DueKind;
  id: string;
  name: string;
  part: string | null;
  state: State;
  /** How much that presses: 0 presses most. */
  press: number;
  left: number | null;
  /** About how far ahead, for the order. */
  ahead: number;
}

/** One machine as the due list needs it. */
export interface DueMachine {
  id: string;
  speed: number | null;
  planned: PlannedOuting[];
  items: readonly DueItem[];
}

/**
 * Everything that may press on a fleet worked out for today, unsorted: one pass over due points, nothing drawn up.
 *
 * @param keep which of which machines are wanted
 */
export function dueLines(
  machines: Iterable<DueMachine>,
  today: Day,
  keep: (machine: DueMachine, item: DueItem) => boolean = () => true
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
    for (const item of machine.items) {
      if (!keep(machine, item)) continue;
      const { state, press, left, ahead: far } = decide(item, ahead);
      const { kind, id, name, part } = item;
      lines.push({ machineId: machine.id, kind, id, name, part, state, press, left, ahead: far });
    }
  }
  return lines;
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
