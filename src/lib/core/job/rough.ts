import type { JobTemplate } from './template';

/** Between how many minutes a job takes with hands on it. */
export interface RoughMinutes {
  least: number;
  most: number;
}

/**
 * Between how many minutes a job takes with hands on it, whatever the machine: at the least the steps that every machine has, at
 * the most those too that only some have, and what a measurement or an answer opens. What there are several of counts once. Of one
 * machine its visit says it (`minutes.ts`).
 */
export const roughMinutes = (t: {
  steps: readonly Pick<JobTemplate['steps'][number], 'gate' | 'when' | 'minutes'>[];
}): RoughMinutes => ({
  least: t.steps.reduce((sum, s) => sum + (s.gate || s.when.length > 0 ? 0 : Number(s.minutes) || 0), 0),
  most: t.steps.reduce((sum, s) => sum + (Number(s.minutes) || 0), 0)
});

/** `40 min`, or `40 to 62 min`: by the machine, and by what is found. */
export const roughInWords = ({ least, most }: RoughMinutes): string =>
  most > least ? `${least} to ${most} min` : `${least} min`;
