import { afterAll, beforeAll, expect, it } from 'vitest';
import { Door, WORDS } from '../../../../tests/database/door';
import { uuid } from '../../../../tests/database/book';
import { ownData } from './own-data';

let door: Door;
beforeAll(async () => {
  door = await Door.open();
});
afterAll(() => door.book.close());

it('has what is kept about one person, nothing of others, and nothing that lets anybody in', async () => {
  const { sql, team, machineId } = door.book;
  const rider = await door.person('Ines Brook', { role: 'rider', words: WORDS });
  await sql`update machine set rider_id = ${rider} where id = ${machineId}`;
  await door.byWords('Ines Brook', WORDS, { trust: true });
  const finding = (what: string) => ({ id: uuid(), machineId, what, severity: 'watch' });
  expect(await door.send({ id: rider, role: 'rider' }, 'finding.add', finding('Lever bent'))).toMatchObject({
    ok: true
  });
  await door.send(door.chief, 'finding.add', finding('Chain dry'));
  await sql`
    insert into outing (team_id, id, machine_id, rider_id, day, kind, created_by) values (${team.id}, ${uuid()}, ${machineId}, ${rider}, '2026-06-07', 'race', ${rider})`;

  const data = await ownData(sql, team.id, rider);
  expect(data).toMatchObject({
    person: { name: 'Ines Brook', role: 'rider', left: null },
    signIn: {
      passphraseSetAt: expect.any(Date),
      sessions: [{ how: 'passphrase', endedAt: null }],
      devices: [{ name: 'Tablet' }]
    },
    machines: [{ plate: '7', rides: true }],
    outings: [{ plate: '7', day: '2026-06-07', kind: 'race' }],
    written: [{ kind: 'finding.add', body: { what: 'Lever bent' } }]
  });
  const text = JSON.stringify(data);
  expect(text).not.toMatch(/argon2|[0-9a-f]{64}/);
  expect(text).not.toContain('Chain dry');
});
