import { showHours } from '../hours/hours';
import { showDay, type Day } from '../time/day';
import type { TaskDue } from './due';
import { hardRiding } from './propose';
import type { State } from './state';
import type { MachineNow } from './task';
import {
  everyInWords,
  leftOf,
  insideInWords,
  lacksOdometer,
  limitInWords,
  likelyInWords,
  pointInWords
} from './words';
import { whyDue, type WhyLine } from './why';

/** A task as a machine's or component's page lists it: everything in words, one line a trigger. */
export interface TaskRow {
  taskId: string;
  name: string;
  part: { id: string; name: string } | null;
  job: string | null;
  perPart: boolean;
  state: State;
  inside: string | null;
  limitInside: string | null;
  called: string[];
  triggers: { every: string; left: string; dueAt: string; limit: string }[];
  likely: string;
  /** Null when nobody knows. */
  lastDone: { day: string; hours: string } | null;
  /** What the riding says, where it is worth a shorter interval. */
  /** It goes by a distance that nothing counts: an odometer can be added. */
  noOdometer: boolean;
  hard: string | null;
  why: WhyLine[];
}

/** Draws up a task's row. @param now where its machine stands */
export function taskRow(due: TaskDue, now: MachineNow, estimated: boolean): TaskRow {
  const { task } = due;
  return {
    taskId: task.id,
    name: task.name,
    part: task.part,
    job: task.job,
    perPart: task.perPart,
    state: due.state,
    inside: insideInWords(due),
    limitInside: limitInWords(due),
    called: task.calls.map((c) => c.what),
    triggers: due.triggers.map((t) => ({
      every: `${everyInWords(t.trigger, t.trigger.book)}${t.trigger.first ? ', first time' : ''}`,
      left:
        t.left !== null
          ? leftOf(t).replace(/^in /, '')
          : lacksOdometer(t, task)
            ? 'no odometer'
            : 'not known',
      dueAt: pointInWords(t, t.left, now.total, now.today),
      limit: t.trigger.bookLimit === null ? 'none given' : pointInWords(t, t.limitLeft, now.total, now.today)
    })),
    noOdometer: due.triggers.some((t) => lacksOdometer(t, task)),
    likely: likelyInWords(due.likely, now.today),
    lastDone: lastDone(due, now.today),
    hard: hardRiding(task),
    why: whyDue(due, now, estimated)
  };
}

function lastDone({ task }: TaskDue, today: Day): TaskRow['lastDone'] {
  const { counted } = task;
  if (!counted) return null;
  const day = showDay(counted.day, today);
  const hours =
    counted.hours === null ? '' : `${task.part ? `${task.part.name} ` : ''}${showHours(counted.hours)} h`;
  if (counted.since === 'new') return { day: `never, new ${day}`, hours: '' };
  return { day: counted.since === 'rebuild' ? `rebuilt ${day}` : day, hours };
}
