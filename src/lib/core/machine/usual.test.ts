import { expect, it } from 'vitest';
import { BUILT_IN_KEYS, jobNow } from '../job/built-in/jobs';
import { KINDS } from './machine';
import { usualTasks } from './usual';

it('usual tasks name jobs that there are, and no two alike on one kind', () => {
  for (const kind of KINDS) {
    const tasks = usualTasks(kind);
    expect(new Set(tasks.map((t) => t.name)).size).toBe(tasks.length);
    for (const t of tasks) if (t.job) expect(BUILT_IN_KEYS).toContain(t.job);
  }
});

it('a break-in job is over once it was done; any other goes on', () => {
  expect(jobNow('engine-oil-first', false)).toBe('engine-oil-first');
  expect(jobNow('engine-oil-first', true)).toBe('engine-oil');
  expect([jobNow('engine-oil', true), jobNow(null, true)]).toEqual(['engine-oil', null]);
  for (const key of BUILT_IN_KEYS) expect(BUILT_IN_KEYS).toContain(jobNow(key, true));
});
