import type { JobTemplate } from './template';

/**
 * About how long a job takes, in minutes: the steps every machine has, each once. What only some have, or what a gate opens, comes
 * on top; so does what there are several of.
 */
export const roughMinutes = (t: Pick<JobTemplate, 'steps'>): number =>
  t.steps.reduce((sum, s) => sum + (s.gate || s.when.length > 0 ? 0 : s.minutes), 0);
