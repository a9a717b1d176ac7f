import { addMachine } from '../../../../tests/database/hands';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, uuid } from '../../../../tests/database/book';
import { machineSchema } from '../../core/machine/form';
import { listReadings } from './meters';
import { Refusal } from '../base/refusal';

let book: Book;
beforeEach(async () => {
  book = await openBook();
});
const closing: Book[] = [];
beforeEach(() => void closing.push(book));
afterAll(() => Promise.all(closing.map((b) => b.close())));

const refusal = async (work: Promise<unknown>): Promise<Refusal> => {
  const error = await work.then(
    () => null,
    (e: unknown) => e
  );
  expect(error).toBeInstanceOf(Refusal);
  return error as Refusal;
};

describe('logging hours', () => {
  it('moves the machine and says what has become due', async () => {
    const logged = await book.log('40.4');
    expect(logged).toMatchObject({
      plate: '7',
      total: '40.4 h',
      due: [{ name: 'Engine oil', state: 'past due', left: '0.4 h over' }]
    });
    expect(await book.standing()).toEqual({ total: 4040, estimated: false });
    expect((await book.log('40.5')).due).toEqual([]);
  });

  it('is written once however often it is sent', async () => {
    const id = uuid();
    await book.log('39', { id, outing: 'race', remark: 'mud' });
    const again = () => book.log('39', { id, outing: 'race', remark: 'mud' });
    await Promise.all([again(), again()]);
    // What was changed in between is not passed off as written.
    await expect(book.log('39', { id, outing: 'race' })).rejects.toThrow(/other content/);
    expect(await book.sql`select 1 from reading where id = ${id}`).toHaveLength(1);
    expect(await book.sql`select kind, remark from outing where id = ${id}`).toEqual([
      { kind: 'race', remark: 'mud' }
    ]);
  });

  it('questions a lower reading and writes nothing', async () => {
    const e = await refusal(book.log('36.2'));
    expect(e.more).toMatchObject({
      ways: ['earlier one was wrong', 'meter was replaced'],
      doubts: [{ kind: 'lower than the last' }]
    });
    expect(await book.sql`select 1 from reading`).toHaveLength(1);
  });

  it('strikes out the earlier one when that was wrong, with the reason', async () => {
    await book.log('36.2', { settlement: { as: 'earlier one was wrong', reason: 'misread in the dark' } });
    expect(await book.standing()).toMatchObject({ total: 3620 });
    expect(await book.sql`select reason from reading_strike`).toEqual([{ reason: 'misread in the dark' }]);
    const rows = await listReadings(book.sql, book.team.id, book.machineId);
    expect(rows.map((r) => [r.value, r.struck])).toEqual([
      [3620, null],
      [3840, 'misread in the dark']
    ]);
  });

  it('begins a new meter when it was replaced, and the running hours go on', async () => {
    await book.log('0.6', {
      settlement: { as: 'meter was replaced', reason: 'display dead', oldFinal: '39', newStart: '0.1' }
    });
    expect(await book.standing()).toMatchObject({ total: 3950 });
    expect(await book.sql`select first_value, last_value from meter order by fitted_at`).toEqual([
      { first_value: 0, last_value: 3900 },
      { first_value: 10, last_value: null }
    ]);
    await book.log('1.6', {}, new Date(NOW.getTime() + 2 * 3_600_000));
    expect(await book.standing()).toMatchObject({ total: 4050 });
  });

  it('refuses an old meter that ends below what it showed, at its field', async () => {
    const e = await refusal(
      book.log('0.6', { settlement: { as: 'meter was replaced', reason: 'x', oldFinal: '30' } })
    );
    expect(e.errors['settlement.oldFinal']).toMatch(/38\.4/);
    expect(await book.sql`select 1 from meter`).toHaveLength(1);
  });

  it('takes more hours than the clock when someone stands by it, and keeps what was said', async () => {
    expect((await refusal(book.log('638.4'))).more.doubts).toMatchObject([
      { kind: 'unit slip' },
      { kind: 'more than the clock' }
    ]);
    await book.log('638.4', { settlement: { as: 'reading is right', reason: 'book lay idle for a year' } });
    expect(await book.sql`select doubts, settled, settled_reason from reading where value = 63840`).toEqual([
      {
        doubts: ['unit slip', 'more than the clock'],
        settled: 'reading is right',
        settled_reason: 'book lay idle for a year'
      }
    ]);
  });

  it('refuses days that have not come, and takes late ones in their place', async () => {
    expect((await refusal(book.log('39', { day: '2026-06-11' }))).errors.day).toMatch(/not come/);
    await book.log('42');
    await book.log('40', { day: '2026-06-05' });
    expect((await refusal(book.log('43', { day: '2026-06-06' }))).more).toMatchObject({ ways: [] });
    expect(await book.standing()).toMatchObject({ total: 4200 });
  });

  it('keeps two readings of one day in their order, entered late', async () => {
    await book.log('40', { day: '2026-06-05' });
    await book.log('41.5', { day: '2026-06-05' });
    expect(await book.standing()).toMatchObject({ total: 4150 });
  });

  it('sent at once with one that cannot be, each is taken or refused by itself', async () => {
    const sent = ['+0.5', '+0.6', '+0.7', '+0.8'].map((typed, i) =>
      book.log(typed, { outing: 'ride', ...(i === 2 && { riderId: uuid() }) }).then(
        () => 'taken',
        (e: unknown) => (e as Refusal).errors
      )
    );
    expect(await Promise.all(sent)).toEqual([
      'taken',
      'taken',
      { riderId: 'That person is not in this team.' },
      'taken'
    ]);
    expect(await book.standing()).toMatchObject({ total: 3840 + 50 + 60 + 80 });
    expect(await book.sql`select 1 from outing`).toHaveLength(3);
  });

  it('sent at once, each is held against those before it', async () => {
    await book.log('39', { day: '2026-06-10' });
    const sent = ['38.6', '39.1'].map((typed) =>
      book.log(typed, { day: '2026-06-10' }).then(
        () => 'taken',
        (e: unknown) => (e as Refusal).errors.typed
      )
    );
    // Whichever of the two comes first: requests of their own have no order.
    expect(await Promise.all(sent)).toEqual([
      expect.stringMatching(/^The last reading was 39\.[01] h; 38\.6 h is lower\.$/),
      'taken'
    ]);
  });

  it('goes by the team’s own calendar near midnight', async () => {
    // Half past midnight in London on the 11th; it is the 10th in UTC.
    const late = new Date('2026-06-10T23:30:00Z');
    await book.log('38.5', { day: '2026-06-11' }, late);
    await book.log('38.45', { day: '2026-06-10' }, late);
    const rows = await listReadings(book.sql, book.team.id, book.machineId);
    expect(rows.map((r) => r.value)).toEqual([3850, 3845, 3840]);
  });

  it('holds a remark of ten thousand characters and emoji', async () => {
    const remark = '🛵'.repeat(2500) + 'x'.repeat(5000);
    await book.log('39', { remark });
    expect((await listReadings(book.sql, book.team.id, book.machineId))[0]!.remark).toBe(remark);
  });

  it('knows only its own team’s machines', async () => {
    expect((await refusal(book.log('39', { machineId: uuid() }))).errors.machineId).toMatch(
      /not in this team/
    );
  });
});

describe('a machine without a meter', () => {
  let quad: Book;
  beforeAll(async () => {
    quad = await openBook({ meter: 'reckoned', reading: '30' });
  });
  afterAll(() => quad.close());

  it('counts time ridden, marked as estimated', async () => {
    await quad.log('2h30', { outing: 'ride' });
    await quad.log('45 min', { outing: 'ride' });
    expect(await quad.standing()).toEqual({ total: 3325, estimated: true });
    expect((await refusal(quad.log('38.4'))).errors.typed).toMatch(/24 h/);
  });
});

it('one plate, one machine', async () => {
  const e = await refusal(
    addMachine(
      book.sql,
      book.team,
      book.personId,
      machineSchema.parse({
        id: uuid(),
        plate: '7',
        name: 'Other',
        kind: 'electric',
        meter: 'reckoned',
        reading: '0',
        tasks: []
      }),
      NOW
    )
  );
  expect(e.errors.plate).toMatch(/Another machine/);
});
