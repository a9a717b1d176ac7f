import { recordDone, strikeReading } from '../../../../tests/database/hands';
import { afterAll, expect, it } from 'vitest';
import { uuid } from '../../../../tests/database/book';
import { later, Pit } from '../../../../tests/database/pit';
import { doneSchema } from '../../core/schedule/form';
import { lanesOf } from '../trail/lanes';

/**
 * What a book says depends on what is in it, not on when each line was written: late readings, a swap entered first and a
 * slip struck out later come to the same hours as everything entered as it happened.
 */
const open: Pit[] = [];
afterAll(() => Promise.all(open.map((p) => p.book.close())));

type Entry = (pit: Pit) => Promise<unknown>;
const read =
  (which: 'first' | 'second', typed: string, day: string): Entry =>
  (pit) =>
    pit.log(which === 'first' ? pit.book.machineId : pit.other, typed, { day, outing: 'ride' }, later(90));
const swap: Entry = (pit) => pit.swap({ day: '2026-06-12' }, later(90));
const oilDone: Entry = (pit) =>
  recordDone(
    pit.sql,
    pit.book.team,
    pit.book.personId,
    doneSchema.parse({ id: uuid(), taskId: pit.oilA, day: '2026-06-11' }),
    later(90)
  );
const slip: Entry = async (pit) => {
  const id = uuid();
  await pit.log(pit.book.machineId, '39.9', { id, day: '2026-06-11' }, later(90));
  await strikeReading(pit.sql, pit.book.team.id, pit.book.personId, { readingId: id, reason: 'other bike' });
};

const r1 = read('first', '39.4', '2026-06-11');
const r2 = read('first', '41.4', '2026-06-12');
const r3 = read('first', '42.4', '2026-06-13');
const r4 = read('second', '81', '2026-06-12');
const r5 = read('second', '83.5', '2026-06-13');

const asItHappened: Entry[] = [r1, oilDone, r2, r4, swap, r3, r5];
const orders: [string, Entry[]][] = [
  ['late readings on both machines', [r3, r5, swap, r1, oilDone, r2, r4]],
  ['the swap first', [swap, r5, r3, r4, r2, oilDone, r1]],
  ['a slip on the way, struck out', [slip, r1, r2, oilDone, r4, r3, swap, r5]]
];

async function said(entries: readonly Entry[]): Promise<unknown> {
  const pit = await Pit.open();
  open.push(pit);
  for (const entry of entries) await entry(pit);
  const lanes = await lanesOf(pit.sql, pit.book.team, [pit.book.machineId, pit.other], later(90));
  return {
    engines: [await pit.hours(pit.a), await pit.hours(pit.b)],
    lanes: lanes
      .map((l) => ({
        plate: l.plate,
        total: l.total,
        stakes: l.stakes.map((s) => [s.name, s.left, s.state])
      }))
      .sort((a, b) => (a.plate < b.plate ? -1 : 1)),
    record: await pit.sql`select hours from service_record where hours_by = 'book'`
  };
}

it.each(orders)('%s', async (_, entries) => {
  const plain = await said(asItHappened);
  expect(plain).toMatchObject({ engines: [3300 + 250, 7100 + 100], record: [{ hours: 3100 }] });
  expect(await said(entries)).toEqual(plain);
});
