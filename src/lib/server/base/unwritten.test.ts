import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, openBook, uuid, type Book } from '../../../../tests/database/book';
import { addFinding } from '../../../../tests/database/hands';
import { unlessWritten } from './unwritten';

let book: Book;
beforeEach(async () => {
  book = await openBook();
});
afterEach(() => book.close());

const find = () =>
  addFinding(
    book.sql,
    book.team,
    book.personId,
    {
      id: uuid(),
      machineId: book.machineId,
      componentId: null,
      what: 'Seal weeps',
      place: '',
      note: '',
      severity: 'watch'
    },
    at(1)
  );

describe('what is worked out once until something is written', () => {
  let worked = 0;
  const key = () => `findings ${book.team.id}`;
  const count = () =>
    unlessWritten(book.sql, key(), async () => {
      worked += 1;
      return (await book.sql`select count(*)::int as n from finding`)[0]!.n as number;
    });
  beforeEach(() => {
    worked = 0;
  });
  it('is not worked out again while nothing is', async () => {
    // Other tests write to the same server: it is held against what the database says of itself meanwhile.
    const seen = async () => (await book.sql`select pg_current_snapshot()::text as s`)[0]!.s as string;
    let still = false;
    for (let n = 0; n < 200 && !still; n++) {
      await find();
      worked = 0;
      const before = await seen();
      const counted = [await count(), await count(), await count()];
      still = before === (await seen());
      expect(counted).toEqual([n + 1, n + 1, n + 1]);
    }
    expect([still, worked]).toEqual([true, 1]);
  });
  it('is worked out anew after a write, however soon', async () => {
    await count();
    for (let n = 1; n <= 5; n++) {
      await find();
      expect(await count()).toBe(n);
    }
    expect(worked).toBe(6);
  });
  it('a write that is under way is not seen, and is once it is over', async () => {
    let over!: () => void;
    const wait = new Promise<void>((go) => (over = go));
    const writing = book.sql.begin(async (tx) => {
      await tx`insert into finding (team_id, id, machine_id, cause, what, place, note, severity, found_on, found_at, created_by)
        values (${book.team.id}, ${uuid()}, ${book.machineId}, 'seen', 'x', '', '', 'watch', '2026-06-11', ${at(1)}, ${book.personId})`;
      await wait;
    });
    await expect
      .poll(
        () =>
          book.sql`select 1 from pg_stat_activity where state = 'idle in transaction' and datname = current_database()`
      )
      .toHaveLength(1);
    expect([await count(), await count()]).toEqual([0, 0]);
    over();
    await writing;
    expect(await count()).toBe(1);
  });
  it('what is written while it is worked out is seen the next time', async () => {
    const stale = await unlessWritten(book.sql, key(), async () => {
      const [{ n }] = (await book.sql`select count(*)::int as n from finding`) as unknown as [{ n: number }];
      await find();
      return n;
    });
    expect([stale, await count()]).toEqual([0, 1]);
  });
  it('two things are two, and one that failed is tried again', async () => {
    await count();
    expect(await unlessWritten(book.sql, `other ${book.team.id}`, () => Promise.resolve('other'))).toBe(
      'other'
    );
    const failing = () =>
      unlessWritten(book.sql, `failing ${book.team.id}`, () => Promise.reject(new Error('no')));
    await expect(failing()).rejects.toThrow('no');
    expect(await unlessWritten(book.sql, `failing ${book.team.id}`, () => Promise.resolve(1))).toBe(1);
  });
});
