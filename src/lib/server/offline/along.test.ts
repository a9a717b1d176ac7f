import { afterAll, beforeAll, expect, it } from 'vitest';
import { at, NOW, openBook, uuid, type Book } from '../../../../tests/database/book';
import { command } from '../../../../tests/database/hands';
import { MOST_MACHINES } from '../../core/offline/along';
import { along } from './along';

let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(() => book.close());

const machinesOf = async (now = NOW) => [
  ...new Set(
    (await along(book.sql, book.team, 'mechanic', now)).flatMap((a) =>
      a.path.startsWith('/machines/') ? [a.of!] : []
    )
  )
];

it('of a large fleet those that go out next come along, and what is at the bench before all', async () => {
  const { sql, team, personId, machineId } = book;
  const ids = Array.from({ length: MOST_MACHINES + 1 }, uuid);
  await sql`
    insert into machine ${sql(ids.map((id, i) => ({ team_id: team.id, id, plate: String(100 + i), name: 'Barrow 125', kind: 'two-stroke enduro', in_service_on: '2026-01-01', created_by: personId })))}`;
  // By plate, 7 is the first and the last two stay at home.
  expect(await machinesOf()).toEqual([machineId, ...ids.slice(0, -2)]);

  const outing = {
    id: uuid(),
    name: 'Stone Wood',
    kind: 'race',
    hoursEach: 500,
    wholeFleet: false,
    leavesOn: null,
    otherHours: []
  } as const;
  await command(
    sql,
    team,
    personId,
    'event.plan',
    {
      ...outing,
      firstDay: '2026-06-13',
      lastDay: '2026-06-14',
      machineIds: [ids.at(-1)!]
    } as never,
    NOW
  );
  expect((await machinesOf())[0]).toBe(ids.at(-1));
  // Over, it is nobody's reason any more.
  expect((await machinesOf(at(24 * 6)))[0]).toBe(machineId);

  const visit = uuid();
  await sql`
    insert into visit (team_id, id, machine_id, plan, rules, started_at, started_by)
    values (${team.id}, ${visit}, ${ids[5]!}, '{}', '{}', ${NOW}, ${personId})`;
  expect((await machinesOf())[0]).toBe(ids[5]);
  expect((await along(sql, team, 'mechanic', NOW)).map((a) => a.path)).toContain(`/visits/${visit}`);
  await sql`update visit set given_up_at = ${NOW}, given_up_reason = 'rain' where id = ${visit}`;
  expect((await along(sql, team, 'mechanic', NOW)).map((a) => a.path)).not.toContain(`/visits/${visit}`);
});

it('has nothing of another team, and of the crew nothing for a rider', async () => {
  const other = await openBook();
  const theirs = await along(other.sql, other.team, 'mechanic', NOW);
  expect(theirs.map((a) => a.of)).not.toContain(book.machineId);
  await other.close();
  expect((await along(book.sql, book.team, 'rider', NOW)).map((a) => a.path)).toEqual([
    '/own',
    '/board',
    '/api/machines'
  ]);
});
