import { expect, it } from 'vitest';
import { BUILT_IN_KEYS } from '../job/built-in/jobs';
import { KINDS } from './machine';
import { usualTasks } from './usual';

it('usual tasks name jobs that there are, and no two alike on one kind', () => {
  for (const kind of KINDS) {
    const tasks = usualTasks(kind);
    expect(new Set(tasks.map((t) => t.name)).size).toBe(tasks.length);
    for (const t of tasks) if (t.job) expect(BUILT_IN_KEYS).toContain(t.job);
  }
});
