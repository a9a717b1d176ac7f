import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { invitedBy } from '../../src/lib/server/access/invitations';
import { uuid } from './book';
import { Door } from './door';

let door: Door;
beforeAll(async () => {
  door = await Door.open();
});
afterAll(() => door.book.close());

const run = promisify(execFile);
const wayIn = async (...args: string[]) => {
  const env = { ...process.env, DATABASE_URL: door.book.url, HOUR_TRAIL_OPEN: 'http://127.0.0.1:4780' };
  return run(process.execPath, ['--import', 'tsx', 'scripts/way-in.ts', ...args], { env }).then(
    ({ stdout }) => stdout,
    (e: { stderr: string }) => `refused: ${e.stderr.trim()}`
  );
};

it('whoever can run a command on the server makes a way in: for one, or for whoever has none', async () => {
  const ada = await door.person('Ada Thorne');
  const [link, nobody, whose, forAll] = await Promise.all([
    wayIn('ada thorne'),
    wayIn('Nobody Here'),
    wayIn(),
    wayIn('--tent')
  ]);
  expect(link).toContain('A way in for Ada Thorne');
  const code = /http:\/\/127\.0\.0\.1:4780\/join\/([\w-]{43})/.exec(link)![1]!;
  expect(await invitedBy(door.book.sql, code, new Date())).toMatchObject({
    forOne: true,
    people: [{ id: ada }]
  });
  expect(nobody).toContain('refused: There is nobody called Nobody Here');
  expect(whose).toContain('refused: Whose?');
  expect(await invitedBy(door.book.sql, forAll.trim(), new Date())).toMatchObject({ forOne: false });
  // Of two teams nobody knows which is meant.
  const other = uuid();
  await door.book.sql`insert into team (id, name, time_zone) values (${other}, 'Others', 'UTC')`;
  await door.book
    .sql`insert into person (team_id, id, name, role) values (${other}, ${uuid()}, 'Ada Thorne', 'mechanic')`;
  const [tent, several, one] = await Promise.all([
    wayIn('--tent'),
    wayIn('Ada Thorne'),
    wayIn('Ada Thorne', 'others')
  ]);
  expect(tent).toBe('');
  expect(several).toContain('In several teams');
  expect(one).toContain('A way in for Ada Thorne of Others');
});
