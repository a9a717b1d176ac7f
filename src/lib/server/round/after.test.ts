import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { whole } from '../../../../tests/core/bench';
import { at, uuid, type Book } from '../../../../tests/database/book';
import { addEntry, closeVisit, startVisit } from '../../../../tests/database/hands';
import { RoundBook } from '../../../../tests/database/rounds';
import { entrySchema } from '../../core/visit/entry';
import { startSchema } from '../../core/visit/form';
import { getVisit } from '../visit/visits';

let on: RoundBook;
beforeEach(async () => {
  on = await RoundBook.open();
});
afterEach(() => on.book.close());

/** An oil change from the first step to the last, as a visit. */
async function closeOilVisit({ sql, team, personId, machineId, taskId }: Book): Promise<void> {
  const input = startSchema.parse({ id: uuid(), machineId, jobs: [{ taskId, template: 'engine-oil-only' }] });
  const visitId = await startVisit(sql, team, personId, input, at(24));
  const { plan } = (await getVisit(sql, team.id, visitId))!;
  for (const { stepKey, itemKey, action, content } of whole(plan)) {
    const typed = entrySchema.parse({ id: uuid(), stepKey, itemKey, action, content });
    await addEntry(sql, team.id, personId, visitId, typed, at(26));
  }
  await closeVisit(sql, team, personId, visitId, at(30));
}
describe('after an oil change', () => {
  const waits = () => on.book.sql`select words, done_at is not null as done from reminder`;
  const oil = () => on.answer([{ check: 'engine-oil', choice: 'between the marks' }], { now: at(60) });
  it('the level is read again once it was ridden, and the round that reads it is what does it', async () => {
    await closeOilVisit(on.book);
    expect(await waits()).toEqual([
      { words: 'Engine oil level: read it again after the first ride', done: false }
    ]);
    await on.book.log('45.4', { day: '2026-06-12', outing: 'ride', sure: true }, at(50));
    await oil();
    expect((await waits())[0]!.done).toBe(true);
  });
  it('by house rule it is not', async () => {
    await on.send(
      'rule.set',
      { id: uuid(), machineId: null, key: 'levelAgain', value: false, word: '' },
      at(2)
    );
    await closeOilVisit(on.book);
    expect(await waits()).toEqual([]);
  });
});
