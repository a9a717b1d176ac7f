import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest';
import { createHash } from 'node:crypto';
import { uuid } from '../../../../tests/database/book';
import { Door, MINUTE, WORDS } from '../../../../tests/database/door';
import { LASTS } from '../../core/access/waits';
import type { Entry } from '../access/in-force';
import { sessionOf } from '../access/sessions';
import { Lines, type Asker } from './lines';

let door: Door;
let mia: string;
let lines: Lines;
beforeAll(async () => {
  door = await Door.open();
  mia = await door.person('Mia Croft', { words: WORDS });
});
afterAll(() => door.book.close());
beforeEach(() => (lines = new Lines(() => door.book.sql, { ofAll: 6, ofOne: 3 })));

const asker = (by: Entry | null, person = mia, role: 'mechanic' | 'rider' = 'mechanic'): Asker => ({
  teamId: door.book.team.id,
  person: { id: person, role },
  by
});
async function session(): Promise<Entry> {
  const come = await door.byWords('Mia Croft', WORDS);
  return { by: 'session', id: (await sessionOf(door.book.sql, come.session, new Date()))!.session.id };
}
/** A line, and whether it is over. */
function line(of: Asker): { taken: boolean; over: boolean; leave: () => void } {
  const held = { taken: false, over: false, leave: () => {} };
  const leave = lines.take(of, () => {
    held.over = true;
    held.leave();
  });
  if (leave) Object.assign(held, { taken: true, leave });
  return held;
}

it('one person has so many, and takes nobody else’s; a place given back is there again', () => {
  const own = [1, 2, 3, 4].map(() => line(asker(null)));
  expect(own.map((l) => l.taken)).toEqual([true, true, true, false]);
  const other = line(asker(null, door.book.personId));
  expect(other.taken).toBe(true);
  own[0]!.leave();
  own[0]!.leave();
  expect(lines.size).toBe(3);
  expect(line(asker(null)).taken).toBe(true);
  expect([1, 2, 3, 4].map(() => line(asker(null, uuid())).taken)).toEqual([true, true, false, false]);
});

it('ends with the session, whichever way that ends, and with the role', async () => {
  const { sql, team } = door.book;
  const [ended, idle, stays, demo] = [await session(), await session(), await session(), null];
  const held = [ended, idle].map((by) => line(asker(by)));
  await lines.look();
  expect(held.map((l) => l.over)).toEqual([false, false]);
  await sql`update session set ended_at = now() where id = ${ended.id}`;
  await sql`update session set seen_at = ${new Date(Date.now() - LASTS.elsewhere.idle - MINUTE)} where id = ${idle.id}`;
  await lines.look();
  expect(held.map((l) => l.over)).toEqual([true, true]);
  expect(lines.size).toBe(0);

  const [kept, open] = [line(asker(stays)), line(asker(demo))];
  expect(await door.send(door.chief, 'person.role', { personId: mia, role: 'rider' })).toMatchObject({
    ok: true
  });
  await lines.look();
  expect([kept.over, open.over]).toEqual([true, false]);
  const asRider = line(asker(stays, mia, 'rider'));
  await lines.look();
  expect(asRider.over).toBe(false);
  await sql`update person set left_at = now() where team_id = ${team.id} and id = ${mia}`;
  await lines.look();
  expect(asRider.over).toBe(true);
  await sql`update person set left_at = null, role = 'mechanic' where team_id = ${team.id} and id = ${mia}`;
});

it('a program’s line ends with its key', async () => {
  const { sql, team } = door.book;
  const id = uuid();
  const hash = createHash('sha256').update(id).digest('hex');
  await sql`
    insert into api_token (team_id, id, person_id, name, hash, created_by) values (${team.id}, ${id}, ${mia}, 'Scale', ${hash}, ${mia})`;
  const held = line(asker({ by: 'token', id }));
  await lines.look();
  expect(held.over).toBe(false);
  await sql`update api_token set withdrawn_at = now() where id = ${id}`;
  await lines.look();
  expect(held.over).toBe(true);
});

it('looks by itself; and a server that ends opens none', async () => {
  const quick = new Lines(() => door.book.sql, { ofAll: 6, ofOne: 3 }, 20);
  const by = await session();
  await door.book.sql`update session set ended_at = now() where id = ${by.id}`;
  await new Promise<void>((done) => quick.take(asker(by), done));
  quick.end();
  expect(quick.take(asker(null), () => {})).toBeNull();
});
