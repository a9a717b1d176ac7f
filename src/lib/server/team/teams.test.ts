import { afterAll, beforeAll, expect, it } from 'vitest';
import { Book, openBook, uuid } from '../../../../tests/database/book';
import { demoWorkplace, hasTeams, unclaimedTeams } from './teams';

let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(async () => {
  await book.close();
});

it('who names themselves works in the demo, and nowhere else', async () => {
  // There is a team, but no demo.
  expect(await demoWorkplace(book.sql, book.personId)).toBeNull();
  expect(await hasTeams(book.sql)).toBe(true);
  const demo = uuid();
  const ada = uuid();
  await book.sql`insert into team (id, name, time_zone, is_demo) values (${demo}, 'Demo', 'UTC', true)`;
  await book.sql`insert into person (team_id, id, name, role) values (${demo}, ${ada}, 'Ada', 'mechanic')`;
  expect(await demoWorkplace(book.sql, ada)).toMatchObject({
    team: { id: demo },
    person: { id: ada, role: 'mechanic' }
  });
  for (const nobody of [null, uuid(), book.personId])
    expect(await demoWorkplace(book.sql, nobody)).toMatchObject({ team: { id: demo }, person: null });
});

it('a team that nobody can come into yet is there to be claimed; the demo is not', async () => {
  expect((await unclaimedTeams(book.sql)).map((t) => t.id)).toEqual([book.team.id]);
});
