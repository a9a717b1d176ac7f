import type { Finding, Severity } from '../finding/finding';
import type { Reminder } from '../finding/reminder';
import type { State } from '../schedule/state';

/** Done in one go with what is due. */
const WITH: ReadonlySet<State> = new Set(['past limit', 'past due', 'due before the next outing']);

const NOW: ReadonlySet<Severity> = new Set(['park the machine', 'fix now']);

/** What somebody came to the bench for. */
export interface Asked {
  tasks: readonly string[];
  /** Things found that are put right. */
  findings: readonly string[];
  /** A job card was printed of these and no others. */
  only: boolean;
}

/** What an address asks for that opens a visit which is not begun. */
export const askedBy = (search: URLSearchParams): Asked => ({
  tasks: search.getAll('task'),
  findings: search.getAll('finding'),
  only: search.has('only')
});

/**
 * Which jobs a visit has before anybody picked: those asked for, and those due or called with them. What is clear, or of which
 * nobody knows when it was done, is somebody's to pick.
 * @param jobs in the order they are shown
 * @returns their tasks
 */
export function pickJobs(
  jobs: readonly { taskId: string; state: State }[],
  { tasks, only }: Pick<Asked, 'tasks' | 'only'>
): string[] {
  return jobs.filter((j) => tasks.includes(j.taskId) || (!only && WITH.has(j.state))).map((j) => j.taskId);
}

/**
 * Which findings are put right in it before anybody picked: those asked for, and those that park the machine or are to be fixed
 * now. One that waits for what has not come is somebody's to pick.
 * @param findings in the order they are shown
 */
export function pickFindings(
  findings: readonly (Pick<Finding, 'id' | 'severity'> & { waits: Pick<Reminder, 'come'> | null })[],
  { findings: asked, only }: Pick<Asked, 'findings' | 'only'>
): string[] {
  return findings
    .filter((f) => asked.includes(f.id) || (!only && NOW.has(f.severity) && f.waits?.come !== false))
    .map((f) => f.id);
}
