import { showHours } from '$lib/core/hours/hours';
import type { TriggerForm } from '$lib/core/schedule/form';
import type { Measure, SavedTask } from '$lib/core/schedule/task';
import type { UsualTask } from '$lib/core/machine/usual';

/** A task as it is being typed. */
export interface TaskDraft {
  name: string;
  job: string;
  note: string;
  triggers: (TriggerForm & { limit: string; first: string; firstLimit: string; ofTaskId: string | null })[];
  ageing: '' | 'by the meter' | 'by the riding';
  anchoring: '' | 'from done' | 'from due';
  sensitivity: Record<string, string>;
  perPart: boolean;
  restartsOnRebuild: boolean;
  answers: string[];
  lastDone: 'not known' | 'new' | 'done' | '';
  lastDoneHours: string;
  lastDoneDay: string;
}
export type TriggerDraft = TaskDraft['triggers'][number];

export const emptyTrigger = (measure: Measure = 'hours'): TriggerDraft => ({
  id: crypto.randomUUID(),
  measure,
  ofTaskId: null,
  every: '',
  limit: '',
  first: '',
  firstLimit: ''
});

export const emptyTask = (): TaskDraft => ({
  name: '',
  job: '',
  note: '',
  triggers: [emptyTrigger()],
  ageing: '',
  anchoring: '',
  sensitivity: {},
  perPart: false,
  restartsOnRebuild: true,
  answers: [],
  lastDone: '',
  lastDoneHours: '',
  lastDoneDay: ''
});

/** As the server takes it. */
export const asSent = (t: TaskDraft) => ({
  ...t,
  job: t.job || null,
  ageing: t.ageing || null,
  anchoring: t.anchoring || null
});

const typed = (amount: number | null, measure: Measure): string => {
  if (amount === null) return '';
  if (measure === 'hours') return showHours(amount).replace(/\.0$/, '');
  return String(measure === 'distance' ? amount / 100 : amount);
};

/** A task of the book, ready to be changed. */
export function draftOf(t: SavedTask): TaskDraft {
  return {
    ...emptyTask(),
    name: t.name,
    job: t.job ?? '',
    note: t.note,
    triggers: t.triggers.map((g) => ({
      id: g.id,
      measure: g.measure,
      ofTaskId: g.of?.id ?? null,
      every: typed(g.interval, g.measure),
      limit: typed(g.limit, g.measure),
      first: typed(g.firstInterval, g.measure),
      firstLimit: typed(g.firstLimit, g.measure)
    })),
    ageing: t.ageing ?? '',
    anchoring: t.anchoring ?? '',
    sensitivity: Object.fromEntries(Object.entries(t.sensitivity).map(([k, v]) => [k, String(v)])),
    perPart: t.perPart,
    restartsOnRebuild: t.restartsOnRebuild,
    answers: [...t.answers]
  };
}

/** A task a new machine may come into the book with, ticked or not. */
export interface FirstTask extends TaskDraft {
  id: string;
  on: boolean;
}

/** Usual work of a kind of machine, its intervals still to be looked up. */
export const usualDraft = (u: UsualTask): FirstTask => ({
  ...emptyTask(),
  id: crypto.randomUUID(),
  on: u.most,
  name: u.name,
  job: u.job ?? '',
  triggers: [emptyTrigger(u.measure)]
});

/** Whether somebody has written an interval for it. */
const begun = (t: FirstTask) =>
  t.triggers.some((g) => [g.every, g.limit, g.first, g.firstLimit].join('').trim() !== '');

/** The list for another kind of machine: its usual work, and of the list before whatever somebody has begun to fill in. */
export function ofKind(before: readonly FirstTask[], usual: readonly UsualTask[]): FirstTask[] {
  const kept = before.filter(begun);
  const same = (t: { name: string }, u: { name: string }) => t.name.toLowerCase() === u.name.toLowerCase();
  return [
    ...usual.map((u) => kept.find((t) => same(t, u)) ?? usualDraft(u)),
    ...kept.filter((t) => !usual.some((u) => same(t, u)))
  ];
}

/**
 * The tasks of a sister machine, for one that has none yet: as hers are, under ids of their own. What counts the doings of
 * another comes after that other, and counts the new one's; what counts something that does not come along is left out.
 */
export function likeDrafts(tasks: readonly (SavedTask & { id: string })[]): FirstTask[] {
  const mine = new Map(tasks.map((t) => [t.id, crypto.randomUUID()]));
  const counts = (t: SavedTask) => t.triggers.some((g) => g.measure === 'times');
  return [...tasks.filter((t) => !counts(t)), ...tasks.filter(counts)].map((t) => ({
    ...draftOf(t),
    id: mine.get(t.id)!,
    on: true,
    triggers: draftOf(t).triggers.flatMap((g) => {
      const of = g.ofTaskId === null ? null : mine.get(g.ofTaskId);
      return of === undefined ? [] : [{ ...g, id: crypto.randomUUID(), ofTaskId: of }];
    })
  }));
}

/** What of a new machine's tasks is sent: those ticked, without the intervals nobody wrote. */
export const firstTasks = (list: readonly FirstTask[], lastDone: 'new' | 'not known') =>
  list
    .filter((t) => t.on)
    .map((t) => ({
      ...asSent(t),
      id: t.id,
      lastDone,
      triggers: t.triggers.filter((g) =>
        [g.every, g.limit, g.first, g.firstLimit].some((x) => x.trim() !== '')
      )
    }));
