import type { State } from '../schedule/state';

/** Done in one go with what is due; what is merely coming is offered too. */
const WITH: ReadonlySet<State> = new Set(['past limit', 'past due', 'due before the next outing']);

/** A job that a visit may have. */
export interface Pickable {
  taskId: string;
  state: State;
  /** The job with steps that its task has; null: none of its own. */
  own: string | null;
  template: { circuits: readonly unknown[] };
}
/** What somebody came to the bench for. */
export interface Asked {
  tasks: readonly string[];
  /** Something found that is put right; null: nothing. */
  finding: string | null;
  /** A job card was printed of these and no others. */
  only: boolean;
}

/** What an address asks for that opens a visit which is not begun. */
export const askedBy = (search: URLSearchParams): Asked => ({
  tasks: search.getAll('task'),
  finding: search.get('finding'),
  only: search.has('only')
});

/**
 * Which jobs a visit has before anybody picked: those asked for, and those due with them.
 * @param jobs in the order they are shown
 * @returns their tasks
 */
export function pickJobs(jobs: readonly Pickable[], { tasks, finding, only }: Asked): string[] {
  const picked = jobs.filter((j) => tasks.includes(j.taskId) || (!only && WITH.has(j.state)));
  if (picked.length > 0 || finding) return picked.map((j) => j.taskId);
  // Nothing presses: what has steps of its own is what one comes to the bench for, and its oil most often.
  const first =
    jobs.find((j) => j.own && j.template.circuits.length > 0) ?? jobs.find((j) => j.own) ?? jobs[0];
  return first ? [first.taskId] : [];
}
