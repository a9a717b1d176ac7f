import { showHours } from '$lib/core/hours/hours';
import type { TriggerForm } from '$lib/core/schedule/form';
import type { Measure, SavedTask } from '$lib/core/schedule/task';

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
