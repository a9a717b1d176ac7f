import { addAdapter, addOil, addWrench, noteStock, retire } from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, openBook, uuid } from '../../../../tests/database/book';
import { adapterSchema, oilSchema, stockSchema, wrenchSchema } from '../../core/stores/form';
import { readToolbox } from './stores';

let book: Book;
const oilId = uuid();
beforeAll(async () => {
  book = await openBook();
  await addOil(
    book.sql,
    book.team.id,
    book.personId,
    oilSchema.parse({
      id: oilId,
      name: 'Brindle',
      kind: 'engine oil, four-stroke',
      grade: '10W-50',
      bottle: '1 L',
      stock: '3 L'
    })
  );
});
afterAll(() => book.close());

describe('the stores', () => {
  it('know a wrench by the ends of its scale, in its own unit', async () => {
    const base = { id: uuid(), name: 'Inch', unit: 'lbf·in' };
    expect(wrenchSchema.parse({ ...base, low: '50', high: '250' }).highNm).toBeCloseTo(28.25, 2);
    for (const [low, high, field] of [
      ['60', '20', 'high'],
      ['x', '20', 'low'],
      ['1', '99999', 'high']
    ] as const)
      expect(wrenchSchema.safeParse({ ...base, low, high }).error!.issues.map((i) => i.path[0])).toContain(
        field
      );
    await addWrench(
      book.sql,
      book.team.id,
      book.personId,
      wrenchSchema.parse({ ...base, low: '50', high: '250' })
    );
    await expect(
      addWrench(
        book.sql,
        book.team.id,
        book.personId,
        wrenchSchema.parse({ ...base, id: uuid(), low: '1', high: '2' })
      )
    ).rejects.toThrow(/one of that name/);
    await retire(book.sql, book.team.id, { id: base.id, what: 'wrench' });
    expect((await readToolbox(book.sql, book.team.id)).wrenches).toEqual([]);
    await expect(retire(book.sql, book.team.id, { id: uuid(), what: 'oil' })).rejects.toThrow(
      /not in this team/
    );
  });
  it('an adapter has a length that can be', async () => {
    expect(adapterSchema.safeParse({ id: uuid(), name: 'A', length: '900 mm' }).success).toBe(false);
    await addAdapter(
      book.sql,
      book.team.id,
      book.personId,
      adapterSchema.parse({ id: uuid(), name: 'A', length: '1.75 in' })
    );
    expect((await readToolbox(book.sql, book.team.id)).adapters[0]!.lengthMm).toBeCloseTo(44.45, 2);
  });
  it('stock is what came and went; counted twice the same changes nothing', async () => {
    const count = (now: string) =>
      noteStock(
        book.sql,
        book.team.id,
        book.personId,
        stockSchema.parse({ id: uuid(), oilId, now, why: 'counted' })
      );
    await count('2.5 L');
    await count('2.5 L');
    const rows = await book.sql`select why from oil_movement where why = 'counted'`;
    expect(rows).toHaveLength(1);
    expect((await readToolbox(book.sql, book.team.id)).oils[0]!.stockMl).toBeCloseTo(2500, 3);
    // Bought and spilled, as people say it; what is not there cannot go.
    await count('+2 bottles');
    await count('-0.5 L');
    expect((await readToolbox(book.sql, book.team.id)).oils[0]!.stockMl).toBeCloseTo(4000, 3);
    await expect(count('-9 L')).rejects.toMatchObject({
      errors: { now: expect.stringContaining('not that much') }
    });
    expect((await readToolbox(book.sql, book.team.id)).oils[0]!.stockMl).toBeCloseTo(4000, 3);
  });
  it('of two that say what is there at once, the book says what the last one said', async () => {
    const at = (now: string) =>
      noteStock(book.sql, book.team.id, book.personId, stockSchema.parse({ id: uuid(), oilId, now }));
    await Promise.all([at('5 L'), at('5 L'), at('5 L')]);
    expect((await readToolbox(book.sql, book.team.id)).oils[0]!.stockMl).toBeCloseTo(5000, 3);
    await Promise.all([at('+1 L'), at('+1 L'), at('+1 L')]);
    expect((await readToolbox(book.sql, book.team.id)).oils[0]!.stockMl).toBeCloseTo(8000, 3);
  });
});
