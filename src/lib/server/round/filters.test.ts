import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { whole } from '../../../../tests/core/bench';
import { at, byHours, uuid } from '../../../../tests/database/book';
import { addEntry, addTask, closeVisit, retire, startVisit } from '../../../../tests/database/hands';
import { refused, refusedWith } from '../../../../tests/database/refused';
import { RoundBook, WHOLE } from '../../../../tests/database/rounds';
import { taskSchema } from '../../core/schedule/form';
import { filterSchema } from '../../core/stores/filters';
import { entrySchema } from '../../core/visit/entry';
import { startSchema } from '../../core/visit/form';
import { listFilters, SPARE_STEP } from './filters';
import { getVisit } from '../visit/visits';

let on: RoundBook;
let id: string;
beforeEach(async () => {
  on = await RoundBook.open();
  id = uuid();
  await keep({ clean: '2', dirty: '0' });
});
afterEach(() => on.book.close());

const keep = (more: object, now = at(3)) =>
  on.send(
    'filter.keep',
    filterSchema.parse({ id, name: 'Foam', machineIds: [on.book.machineId], clean: '', dirty: '', ...more }),
    now
  );
const counted = async () => {
  const [f] = await listFilters(on.book.sql, on.book.team.id);
  return [f!.clean, f!.dirty];
};
const filter = (choice: string, more: Parameters<RoundBook['answer']>[1] = {}) =>
  on.answer([{ check: 'air-filter', choice }], more);

describe('air filters that go round', () => {
  it('a round that changed it takes a clean one, and the other waits to be washed', async () => {
    expect((await on.sheet()).spares).toEqual({ name: 'Foam', clean: 2, dirty: 0 });
    await filter('changed for a spare');
    expect(await counted()).toEqual([1, 1]);
    expect((await on.sheet()).spares).toMatchObject({ clean: 1, dirty: 1 });
  });
  it('said twice in one round it is one; said otherwise it is taken back; in the next round it is the next', async () => {
    const roundId = await filter('changed for a spare');
    await filter('very dirty, changed', { roundId });
    expect(await counted()).toEqual([1, 1]);
    await filter('clean and oiled', { roundId });
    expect(await counted()).toEqual([2, 0]);
    await filter('changed for a spare', { roundId });
    await on.answer([{ check: 'fork-seals' }], { roundId });
    expect(await counted()).toEqual([1, 1]);
  });
  it('a round that was a mistake took none', async () => {
    const roundId = await on.answer(
      WHOLE.map((a) => (a.check === 'air-filter' ? { ...a, choice: 'changed for a spare' } : a))
    );
    expect(await counted()).toEqual([1, 1]);
    await on.send('round.strike', { roundId, reason: 'another bike' }, at(25));
    expect(await counted()).toEqual([2, 0]);
  });
  it('washed, all that waited are clean; washed twice is once', async () => {
    await filter('changed for a spare');
    for (const now of [at(26), at(27)]) await on.send('filter.washed', { filterId: id }, now);
    expect(await counted()).toEqual([2, 0]);
    expect(await refusedWith(on.send('filter.washed', { filterId: uuid() }, at(28)))).toMatch(
      /not in this team/
    );
  });
  it('washed in the morning and told of in the evening, what came out meanwhile still waits', async () => {
    await keep({ clean: '2', dirty: '1' }, at(4));
    await filter('changed for a spare', { now: at(30) });
    await on.send('filter.washed', { filterId: id }, at(34), on.book.personId, at(28));
    expect(await counted()).toEqual([2, 1]);
  });
  it('counted anew it is what was counted; more used than counted is below nothing until then', async () => {
    await keep({ clean: '0', dirty: '0' }, at(4));
    await filter('changed for a spare');
    expect(await counted()).toEqual([-1, 1]);
    await keep({ clean: '3', dirty: '1' }, at(26));
    expect(await counted()).toEqual([3, 1]);
  });
  it('with none that go round a round says nothing of them', async () => {
    await retire(on.book.sql, on.book.team.id, { id, what: 'filters' });
    expect((await on.sheet()).spares).toBeNull();
    await filter('changed for a spare');
    expect(
      await on.book.sql`select count(*)::int as n from air_filter_movement where round_id is not null`
    ).toEqual([{ n: 0 }]);
    expect(await refusedWith(keep({}, at(30)))).toMatch(/put away/);
  });
  it('two sets of one name, a machine of another team, half a filter: refused at the field', async () => {
    const other = (more: object) =>
      on.send(
        'filter.keep',
        filterSchema.parse({ id: uuid(), name: 'foam', clean: '1', dirty: '0', ...more }),
        at(5)
      );
    expect(await refused(other({}))).toHaveProperty('name');
    expect(await refused(other({ name: 'Paper', machineIds: [uuid()] }))).toHaveProperty('machineIds');
    for (const clean of ['1.5', '-1', 'two', '1e3'])
      expect(filterSchema.safeParse({ id, name: 'x', clean, dirty: '' }).success).toBe(false);
  });
  it('a visit in which a clean one goes in takes it once, however often it is closed', async () => {
    const { sql, team, personId, machineId } = on.book;
    const taskId = uuid();
    await addTask(
      sql,
      team,
      personId,
      taskSchema.parse({
        id: taskId,
        machineId,
        name: 'Air filter',
        job: 'air-filter',
        triggers: [byHours('5')],
        lastDone: 'not known'
      }),
      at(1)
    );
    const visitId = await startVisit(
      sql,
      team,
      personId,
      startSchema.parse({ id: uuid(), machineId, jobs: [{ taskId }] }),
      at(24)
    );
    const { plan } = (await getVisit(sql, team.id, visitId))!;
    for (const e of whole(plan)) {
      const { stepKey, itemKey, action } = e;
      const choice = plan.steps.find((s) => s.key === stepKey)?.input.type === 'choice';
      const content = choice ? { ...e.content, answer: 'yes' } : e.content;
      await addEntry(
        sql,
        team.id,
        personId,
        visitId,
        entrySchema.parse({ id: uuid(), stepKey, itemKey, action, content })
      );
    }
    expect(plan.steps.some((s) => s.key === SPARE_STEP)).toBe(true);
    await closeVisit(sql, team, personId, visitId, at(30));
    await closeVisit(sql, team, personId, visitId, at(31));
    expect(await counted()).toEqual([1, 1]);
  });
});
