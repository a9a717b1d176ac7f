import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Door, PIN, WORDS } from '../../../../tests/database/door';
import { uuid } from '../../../../tests/database/book';
import { setPassphrase, setPin } from './enter';
import { keyHash, newKey } from './secrets';

let door: Door;
beforeAll(async () => {
  door = await Door.open();
});
afterAll(() => door.book.close());

/** Where a text stands in the whole database, however it is kept. */
async function standsIn(text: string): Promise<string[]> {
  const { sql } = door.book;
  const tables = await sql`
    select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`;
  const found: string[] = [];
  for (const { name } of tables) {
    const rows = await sql`select 1 from ${sql(name as string)} t where t::text ilike ${`%${text}%`}`;
    found.push(...rows.map(() => name as string));
  }
  return found.sort();
}
const send = (kind: 'person.leave' | 'person.forget' | 'person.add' | 'finding.add', body: object) =>
  door.send(door.chief, kind, body);

/** Somebody who came in by all ways, rode, and left. */
async function somebody(name: string): Promise<string> {
  const { sql, team, machineId } = door.book;
  const id = uuid();
  expect(await send('person.add', { id, name, role: 'rider' })).toMatchObject({ ok: true });
  await sql.begin((tx) => setPassphrase(tx, team.id, id, WORDS));
  await door.byWords(name, WORDS, { trust: true });
  await sql`update device set name = ${`${name}’s phone`} where team_id = ${team.id} and added_by = ${id}`;
  const [device] = await sql`select id from device where team_id = ${team.id} and added_by = ${id}`;
  await sql.begin((tx) => setPin(tx, team.id, { id: device!.id as string, key: newKey() }, id, PIN));
  await sql`
    insert into api_token (team_id, id, person_id, name, hash, created_by) values (${team.id}, ${uuid()}, ${id}, ${`${name}’s sheet`}, ${keyHash(newKey())}, ${id})`;
  await sql`
    insert into calendar_feed (team_id, id, secret, person_id, created_by) values (${team.id}, ${uuid()}, ${'s'.repeat(42) + id.slice(0, 8)}, ${id}, ${id})`;
  await sql`
    insert into invitation (team_id, id, person_id, hash, expires_at) values (${team.id}, ${uuid()}, ${id}, ${keyHash(newKey())}, now())`;
  await sql`update machine set rider_id = ${id}, owner_id = ${id} where id = ${machineId}`;
  await sql`
    insert into outing (team_id, id, machine_id, rider_id, day, kind, created_by) values (${team.id}, ${uuid()}, ${machineId}, ${id}, '2026-06-07', 'race', ${id})`;
  return id;
}

describe('what is kept about somebody who left', () => {
  it('is removed for good: no name, no way in; what they wrote and rode stays in the book', async () => {
    const { sql, team, machineId } = door.book;
    const ines = await somebody('Ines Brook');
    expect(
      await door.send({ id: ines, role: 'rider' }, 'finding.add', {
        id: uuid(),
        machineId,
        what: 'Lever bent',
        severity: 'watch'
      })
    ).toMatchObject({ ok: true });
    expect(
      await send('finding.add', {
        id: uuid(),
        machineId,
        what: 'Ask Ines Brook of the noise',
        severity: 'watch'
      })
    ).toMatchObject({ ok: true });

    expect(await send('person.forget', { personId: ines })).toMatchObject({
      ok: false,
      errors: { '': expect.stringContaining('left') }
    });
    expect(await send('person.leave', { personId: ines, left: true })).toMatchObject({ ok: true });
    expect(await send('person.forget', { personId: ines })).toMatchObject({
      ok: true,
      data: { name: 'Somebody who left', texts: 1 }
    });

    // Only what was written about something else still holds it: the finding, the command that wrote it, what is shown of it.
    expect(await standsIn('Ines Brook')).toEqual(['command', 'finding', 'machine_standing']);
    for (const table of [
      'sign_in',
      'session',
      'device_pin',
      'access_event',
      'invitation',
      'api_token',
      'calendar_feed'
    ])
      expect([table, await sql`select 1 from ${sql(table)} where person_id = ${ines}`]).toEqual([table, []]);
    expect(
      await sql`select ended_at is not null as ended, name from device where added_by = ${ines}`
    ).toEqual([{ ended: true, name: 'A device' }]);
    expect(await sql`select rider_id, owner_id from machine where id = ${machineId}`).toEqual([
      { rider_id: null, owner_id: null }
    ]);
    expect(await sql`select count(*)::int as n from outing where rider_id = ${ines}`).toEqual([{ n: 1 }]);
    expect(
      await sql`select p.name from finding f join person p on p.team_id = f.team_id and p.id = f.created_by where f.what = 'Lever bent'`
    ).toEqual([{ name: 'Somebody who left' }]);
    expect(
      await sql`select body->>'name' as name, forgotten_at is not null as seen from command where team_id = ${team.id} and kind = 'person.add'`
    ).toEqual([{ name: 'Somebody who left', seen: true }]);
    // Gone is gone.
    expect(await send('person.leave', { personId: ines, left: false })).toMatchObject({ ok: false });
    expect(await send('person.forget', { personId: ines })).toMatchObject({
      ok: true,
      data: { name: 'Somebody who left' }
    });
  });

  it('of two at once each has a name of their own; a name is free again', async () => {
    const [one, two] = [await somebody('Ole Marsh'), await somebody('Ines Brook')];
    for (const personId of [one, two]) await send('person.leave', { personId, left: true });
    // Not their name, though it stands in it.
    await send('finding.add', {
      id: uuid(),
      machineId: door.book.machineId,
      what: 'Slid on the ole marshland track',
      severity: 'watch'
    });
    const gone = await Promise.all([one, two].map((personId) => send('person.forget', { personId })));
    const [ole, ines] = gone.map((o) => (o as { data?: { name: string; texts: number } }).data!);
    expect([ole!.name, ines!.name].sort()).toEqual(['Somebody who left 2', 'Somebody who left 3']);
    expect([ole!.texts, ines!.texts]).toEqual([0, 1]);
  });

  it('a person of another team is none of this one’s', async () => {
    expect(await send('person.forget', { personId: uuid() })).toMatchObject({ ok: false });
  });

  it('no other command is ever changed, nor one of these a second time', async () => {
    const { sql, team } = door.book;
    const change = (kind: string) => sql`
      update command set body = '{}', forgotten_at = now() where team_id = ${team.id} and kind = ${kind}`;
    await expect(change('finding.add')).rejects.toThrow(/is not changed/);
    await expect(change('person.add')).rejects.toThrow(/is not changed/);
    await expect(
      sql`update command set body = '{}' where team_id = ${team.id} and kind = 'person.leave'`
    ).rejects.toThrow(/is not changed/);
  });
});
