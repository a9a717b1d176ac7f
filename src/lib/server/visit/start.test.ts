import { describe, expect, it } from 'vitest';
import { NOW, openBook, uuid } from '../../../../tests/database/book';
import { giveUpVisit, startVisit } from '../../../../tests/database/hands';
import { startSchema } from '../../core/visit/form';

describe('another job than the task’s own', () => {
  it('is for this visit only, or for the task from now on: said so in its changes, once', async () => {
    const other = await openBook();
    const begin = (keep: boolean) =>
      startVisit(
        other.sql,
        other.team,
        other.personId,
        startSchema.parse({
          id: uuid(),
          machineId: other.machineId,
          jobs: [{ taskId: other.taskId, template: 'engine-oil-screens', keep }]
        }),
        NOW
      );
    const job = async () =>
      (await other.sql`select job from task where id = ${other.taskId}`)[0]!.job as string;
    const standing = async () =>
      (await other.sql`select tasks from machine_standing where machine_id = ${other.machineId}`)[0]!
        .tasks as object;
    const own = await job();
    await giveUpVisit(other.sql, other.team.id, await begin(false), 'only once');
    expect(await job()).toBe(own);
    await giveUpVisit(other.sql, other.team.id, await begin(true), 'kept');
    expect(await job()).toBe('engine-oil-screens');
    // Where the machine stands says so too, without anybody touching it.
    expect(JSON.stringify(await standing())).toContain('engine-oil-screens');
    await giveUpVisit(other.sql, other.team.id, await begin(true), 'nothing to keep');
    expect(
      await other.sql`select word, was->>'job' as was from task_change where task_id = ${other.taskId}`
    ).toEqual([{ word: 'picked at the bench', was: own }]);
    await other.close();
  });
});
