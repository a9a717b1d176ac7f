import { afterAll, beforeAll, expect, it } from 'vitest';
import { Book, openBook, uuid } from '../../../../tests/database/book';
import { allOver, type Tx } from './db';

let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(async () => {
  await book.close();
});

it('writes nothing after a transaction was taken back because something beside it failed', async () => {
  const id = uuid();
  const late = async (tx: Tx) => {
    await tx`select pg_sleep(0.05)`;
    await tx`insert into team (id, name, time_zone) values (${id}, 'Late', 'UTC')`;
  };
  const mistake = async () => {
    await Promise.resolve();
    throw new Error('a mistake of ours');
  };
  let over = Promise.resolve();
  const written = async () => {
    await over;
    return (await book.sql`select 1 from team where id = ${id}`).length;
  };
  await expect(
    book.sql.begin((tx) => allOver([(over = late(tx).catch(() => {})), mistake()]))
  ).rejects.toThrow('a mistake of ours');
  expect(await written()).toBe(0);
});

it('answers with all of them, in their order', async () => {
  expect(await allOver([Promise.resolve(1), 'two', Promise.resolve(null)])).toEqual([1, 'two', null]);
});
