import type { Day } from '../../time/day';

/** What was not laid out at the last visit for a job, and had to be fetched in the middle of it. */
export interface Forgotten {
  /** The key of the job. */
  job: string;
  day: Day;
  what: readonly string[];
}

/**
 * What to lay out first this time: everything that was forgotten last time at one of these jobs, once each, with the latest day
 * it was.
 * @param jobs keys of the jobs of this visit
 */
export function forgottenBefore(
  last: readonly Forgotten[],
  jobs: readonly string[]
): { what: string; day: Day }[] {
  const found = new Map<string, { what: string; day: Day }>();
  for (const f of last.filter((x) => jobs.includes(x.job)))
    for (const what of f.what) {
      const there = found.get(what.toLowerCase());
      if (!there || there.day < f.day) found.set(what.toLowerCase(), { what, day: f.day });
    }
  return [...found.values()];
}
