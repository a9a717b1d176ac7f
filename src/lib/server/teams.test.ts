import { afterAll, beforeAll, expect, it } from 'vitest';
import { Book, openBook, uuid } from '../../../tests/database/book';
import { workplaceOf } from './teams';

let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(async () => {
  await book.close();
});

it('a device works in the team it chose, as a person of that team and of no other', async () => {
  const at = (team: string | null, who: string | null) => workplaceOf(book.sql, team, who);
  const mine = await at(book.team.id, book.personId);
  expect(mine).toMatchObject({ team: book.team, person: { id: book.personId, role: expect.any(String) } });
  expect((await at(book.team.id, null))!.person).toBeNull();
  expect((await at(book.team.id, uuid()))!.person).toBeNull();
  const [stranger] = await book.sql`
    insert into team (id, name, time_zone) values (${uuid()}, 'Others', 'UTC') returning id`;
  expect(await at(stranger!.id, book.personId)).toMatchObject({ team: { name: 'Others' }, person: null });
  expect(await at(uuid(), book.personId)).toBeNull();
  // Nobody chose, and there is no demo here.
  expect(await at(null, book.personId)).toBeNull();
});
