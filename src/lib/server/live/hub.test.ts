import { afterAll, beforeAll, expect, it } from 'vitest';
import { openBook, uuid, type Book } from '../../../../tests/database/book';
import { command } from '../../../../tests/database/hands';
import type { Told } from '../../core/live/told';
import { connect, type Sql } from '../base/db';
import { Hub } from './hub';
import { cursorOf } from './stream';

let book: Book;
let other: Sql;
beforeAll(async () => {
  book = await openBook();
  other = connect(book.url, 2);
});
afterAll(async () => {
  await other.end();
  await book.close();
});

/** What is told next, or is the first to be as wanted. */
function next(
  hub: Hub,
  wanted: (t: Told) => boolean = () => true
): { heard: Promise<Told>; ready: Promise<() => void> } {
  let tell: (t: Told) => void;
  const heard = new Promise<Told>((done) => (tell = done));
  return { heard, ready: hub.join(book.team.id, (t) => wanted(t) && tell(t)) };
}
const log = (typed: string) =>
  command(book.sql, book.team, book.personId, 'reading.log', {
    id: uuid(),
    machineId: book.machineId,
    typed,
    day: '2026-06-12'
  } as never);

it('what one process writes, whoever looks on at another is told, once it is kept', async () => {
  const hub = new Hub(() => other);
  // Told by itself or with the reading before it: until then nothing of this test is left for the next one to hear.
  const { heard, ready } = next(hub, (t) => t.kinds.includes('visit.enter'));
  await ready;
  await log('38.95').catch(() => {});
  await book.sql.begin(async (tx) => {
    await tx`
      insert into command (team_id, id, kind, person_id, at, body)
      values (${book.team.id}, ${uuid()}, 'visit.enter', ${book.personId}, now(), ${tx.json({ visitId: book.machineId })})`;
  });
  expect(await heard).toMatchObject({ all: false, places: [book.machineId] });
});

it('what was taken back is told to nobody, and neither is another team’s', async () => {
  const hub = new Hub(() => other);
  const strange: Told[] = [];
  await hub.join(uuid(), (t) => strange.push(t));
  const { heard, ready } = next(hub);
  await ready;
  const write = (kind: string) => (tx: Sql) => tx`
    insert into command (team_id, id, kind, person_id, at, body) values (${book.team.id}, ${uuid()}, ${kind}, ${book.personId}, now(), '{}')`;
  await book.sql
    .begin(async (tx) => {
      await write('taken.back')(tx as unknown as Sql);
      throw new Error('back');
    })
    .catch(() => {});
  await write('rule.set')(book.sql);
  expect(await heard).toEqual({ kinds: ['rule.set'], places: [], all: false });
  expect(strange).toEqual([]);
});

it('a line whose database connection was lost tells everything once it is back', async () => {
  const hub = new Hub(() => other);
  const first = next(hub);
  await (
    await first.ready
  )();
  const { heard, ready } = next(hub);
  await ready;
  await book.sql`select pg_terminate_backend(pid) from pg_stat_activity where query ilike 'listen%' and datname = current_database()`;
  expect(await heard).toEqual({ kinds: [], places: [], all: true });
});

it('the cursor is another once something was written', async () => {
  // Of the whole server: other tests write to theirs, so that nothing can be said of when it stays.
  const before = await cursorOf(book.sql);
  await book.sql`update team set name = name where id = ${book.team.id}`;
  expect(await cursorOf(other)).not.toBe(before);
});
