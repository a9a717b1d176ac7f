import type { Finding } from '../../src/lib/core/finding/finding';
import type { Reminder } from '../../src/lib/core/finding/reminder';
import { dueItems, type DueItem } from '../../src/lib/core/schedule/fleet';
import type { Counting, CountedFrom, MachineNow, Task, Trigger } from '../../src/lib/core/schedule/task';

/** A trigger by hours as the book gives it; other measures by changing it. */
export const hours = (
  interval: number,
  limit: number | null = null,
  more: Partial<Trigger> = {}
): Trigger => ({
  id: 'h',
  measure: 'hours',
  of: null,
  interval,
  limit,
  firstInterval: null,
  firstLimit: null,
  shortenedTo: null,
  ...more
});

/** A trigger whose count is known: `used` since it was last done. */
export function counting(trigger: Trigger, used: number | null, first = false): Counting {
  const f = first && trigger.firstInterval !== null;
  const book = f ? trigger.firstInterval! : trigger.interval;
  return {
    ...trigger,
    book,
    bookLimit: f ? trigger.firstLimit : trigger.limit,
    first: f,
    due: Math.min(book, trigger.shortenedTo ?? Infinity),
    used: trigger.measure === 'days' ? null : used,
    aged: null,
    within: null,
    late: false
  };
}

/** A task with its counts, as the standing of a machine holds it. */
export function aTask(triggers: Counting[], counted: CountedFrom | null, more: Partial<Task> = {}): Task {
  return {
    id: 't',
    name: 'Engine oil',
    job: null,
    part: null,
    triggers,
    counted,
    ageing: 'by the meter',
    anchoring: 'from done',
    perPart: false,
    sensitivity: {},
    strained: {},
    calls: [],
    ...more
  };
}

export const aNow = (today: string, total: number | null, more: Partial<MachineNow> = {}): MachineNow => ({
  today,
  total,
  rate: null,
  planned: [],
  speed: null,
  perOuting: null,
  ...more
});

/** An open finding, as the standing of a machine holds it. */
export function aFinding(more: Partial<Finding> = {}): Finding {
  return {
    id: 'f',
    cause: 'seen',
    what: 'Right fork seal weeps',
    note: '',
    part: null,
    fastenerId: null,
    place: '',
    severity: 'watch',
    day: '2026-06-01',
    hours: 2200,
    by: 'Wren',
    visitId: null,
    waits: null,
    ...more
  };
}
export const aReminder = (more: Partial<Reminder> = {}): Reminder => ({
  id: 'r',
  words: 'Level again',
  waitsFor: 'the next outing',
  part: '',
  expectedOn: null,
  come: false,
  ...more
});

/** Tasks alone, as a fleet's due list takes them. */
export const itemsOf = (tasks: readonly Task[]): DueItem[] =>
  dueItems({ tasks, findings: [], reminders: [] });
