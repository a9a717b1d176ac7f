import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { uuid } from '../../../../tests/database/book';
import { Door, WORDS } from '../../../../tests/database/door';
import type { Role } from '../../core/team/team';
import { setPassphrase } from './enter';
import { sessionOf } from './sessions';

let door: Door;
beforeAll(async () => {
  door = await Door.open();
});
afterAll(() => door.book.close());

describe('what each may send', () => {
  it('is what the registry says, and riders write of their own machines', async () => {
    const mia = await door.person('Mia Croft', { role: 'rider' });
    const rider = { id: mia, role: 'rider' as const };
    const log = (machineId: string) =>
      door.send(rider, 'reading.log', {
        id: uuid(),
        machineId,
        typed: '+0.1',
        day: door.now.toISOString().slice(0, 10),
        outing: 'ride'
      });
    expect(await log(door.book.machineId)).toMatchObject({
      ok: false,
      errors: { machineId: 'That is not a machine of yours.' }
    });
    await door.book.sql`update machine set rider_id = ${mia} where id = ${door.book.machineId}`;
    expect(await log(door.book.machineId)).toMatchObject({ ok: true });
    for (const [kind, body] of [
      ['rule.set', {}],
      ['person.add', {}],
      ['machine.add', {}],
      ['visit.start', {}]
    ] as const)
      expect(await door.send(rider, kind, body)).toMatchObject({ ok: false });
    for (const role of ['owner', 'screen'] as const)
      expect(
        await door.send({ id: mia, role }, 'finding.add', {
          id: uuid(),
          machineId: door.book.machineId,
          componentId: null,
          what: 'x',
          place: '',
          note: '',
          severity: 'watch'
        })
      ).toMatchObject({ ok: false, errors: { '': 'That is for others in the team to do.' } });
    await door.book.sql`update machine set rider_id = null where id = ${door.book.machineId}`;
  });
  it('a session is ended by whose it is, or by a chief mechanic', async () => {
    const [nan, oz] = [await door.person('Nan Vale'), await door.person('Oz Rigg')];
    await door.book.sql.begin((tx) => setPassphrase(tx, door.book.team.id, nan, WORDS));
    const come = await door.byWords('Nan Vale', WORDS);
    const { session } = (await sessionOf(door.book.sql, come.session, door.now))!;
    const end = (id: string, role: Role) => door.send({ id, role }, 'session.end', { sessionId: session.id });
    expect(await end(oz, 'mechanic')).toMatchObject({ ok: false });
    expect(await sessionOf(door.book.sql, come.session, door.now)).not.toBeNull();
    expect(await end(door.book.personId, 'chief mechanic')).toMatchObject({ ok: true });
    expect(await sessionOf(door.book.sql, come.session, door.now)).toBeNull();
  });
  it('a team is never without a chief mechanic', async () => {
    const chief = { id: door.book.personId, role: 'chief mechanic' as const };
    await door.book
      .sql`update person set role = 'mechanic' where team_id = ${door.book.team.id} and role = 'chief mechanic' and id <> ${chief.id}`;
    const becomes = (personId: string, role: Role) => door.send(chief, 'person.role', { personId, role });
    expect(await becomes(chief.id, 'mechanic')).toMatchObject({
      ok: false,
      errors: { role: expect.any(String) }
    });
    const pia = await door.person('Pia Holm');
    expect(await becomes(pia, 'chief mechanic')).toMatchObject({ ok: true });
    expect(await becomes(chief.id, 'mechanic')).toMatchObject({ ok: true });
    await door.book.sql`update person set role = 'chief mechanic' where id = ${chief.id}`;
  });
});
