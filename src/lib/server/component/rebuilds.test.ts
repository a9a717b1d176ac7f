import { addComponent, addTask, rebuild, recordDone, scrap } from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { byHours, NOW, TODAY, uuid } from '../../../../tests/database/book';
import { later, Pit, refused } from '../../../../tests/database/pit';
import { componentSchema, rebuildSchema } from '../../core/component/form';
import { doneSchema, taskSchema } from '../../core/schedule/form';
import { componentHistory, getComponent, rebuildTasks } from './pages';

describe('the shelf, an engine’s inside, and a rebuild', () => {
  let pit: Pit;
  const top = uuid();
  const piston = uuid();
  beforeAll(async () => {
    pit = await Pit.open();
    await addComponent(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      componentSchema.parse({
        id: top,
        kind: 'top end',
        name: 'Top end',
        hostId: pit.a,
        brought: '5',
        fittedOn: TODAY
      }),
      NOW
    );
    await addTask(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      taskSchema.parse({
        id: piston,
        componentId: top,
        name: 'Piston',
        triggers: [byHours('40', { first: '20' })],
        lastDone: 'done',
        lastDoneDay: TODAY,
        lastDoneHours: '0'
      }),
      NOW
    );
  });
  afterAll(() => pit.book.close());

  it('a top end goes with its engine', async () => {
    await pit.log(pit.book.machineId, '40.4', { day: '2026-06-11' }, later(8));
    expect(await pit.left(pit.book.machineId, 'Piston')).toBe('in 33.0 h');
    await pit.swap();
    await pit.log(pit.other, '83', { day: '2026-06-12' }, later(30));
    expect(await pit.hours(top)).toBe(1000);
    expect(await pit.left(pit.other, 'Piston')).toBe('in 30.0 h');
    expect(await pit.left(pit.book.machineId, 'Piston')).toBeUndefined();
  });
  it('off to the shelf it stands still, keeps its tasks, and takes records', async () => {
    await pit.move({ componentId: pit.a, day: '2026-06-12' }, later(31));
    expect(await pit.left(pit.other)).toBeUndefined();
    await pit.log(pit.other, '85', { day: '2026-06-12' }, later(32));
    expect(await pit.hours(pit.a)).toBe(3500);
    await recordDone(
      pit.sql,
      pit.book.team,
      pit.book.personId,
      doneSchema.parse({ id: uuid(), taskId: pit.oilA, day: '2026-06-12' }),
      later(33)
    );
    const { tasks } = await componentHistory(pit.sql, pit.book.team.id, pit.a);
    expect(tasks[0]).toMatchObject({ counted: { hours: 3500 }, triggers: [{ used: 0 }] });
  });
  it('fitted again, puts what is in its place on the shelf', async () => {
    await pit.move({ componentId: pit.a, machineId: pit.book.machineId, day: '2026-06-12' }, later(34));
    expect((await getComponent(pit.sql, pit.book.team.id, pit.b))!.machineId).toBeNull();
    expect(await pit.left(pit.book.machineId)).toBe('in 15.0 h');
  });
  it('rebuilt, restarts the counts it is said to restart, with break-in; its hours go on', async () => {
    const offered = await rebuildTasks(pit.sql, pit.book.team.id, top);
    expect(offered.map((t) => [t.name, t.restarts])).toEqual([
      ['Piston', true],
      ['Engine oil change', true]
    ]);
    const input = rebuildSchema.parse({
      id: uuid(),
      componentId: top,
      day: '2026-06-12',
      taskIds: [piston, pit.oilA]
    });
    await rebuild(pit.sql, pit.book.team, pit.book.personId, input, later(35));
    await rebuild(pit.sql, pit.book.team, pit.book.personId, input, later(35));
    expect(await pit.left(pit.book.machineId, 'Piston')).toBe('in 20.0 h');
    expect(await pit.left(pit.book.machineId)).toBe('in 3.0 h');
    expect(await pit.hours(top)).toBe(1000);
    expect((await componentHistory(pit.sql, pit.book.team.id, top)).rebuilds).toMatchObject([
      { hours: 1000, tasks: ['Engine oil change', 'Piston'] }
    ]);
  });
  it('scrapped, comes off and goes nowhere again', async () => {
    await scrap(pit.sql, pit.book.team.id, pit.book.personId, top, 'seized', later(36));
    expect(await pit.left(pit.book.machineId, 'Piston')).toBeUndefined();
    expect(
      (await refused(pit.move({ componentId: top, hostId: pit.a, day: '2026-06-12' }, later(37)))).errors['']
    ).toMatch(/scrapped/);
  });
});
