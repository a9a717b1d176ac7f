import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openBook, uuid, type Book } from '../../../../tests/database/book';
import type { Kind } from '../../core/command/commands';
import type { Role } from '../../core/team/team';
import { runCommands } from '../commands/run';
import { claimTeam } from './claim';
import { devicesOf, pinnedOn } from './devices';
import { enterByPassphrase, enterByPin, join, setPassphrase } from './enter';
import { invitedBy } from './invitations';
import { changePassphrase, pinHere } from './own-secrets';
import { keyHash, newKey, weakness } from './secrets';
import { sessionOf, signOut } from './sessions';

let book: Book;
const WORDS = 'moss kettle quiet ferry';
const PIN = '4711';
const NOW = new Date();
const after = (ms: number) => new Date(NOW.getTime() + ms);
const MINUTE = 60_000;

async function person(name: string, role: Role = 'mechanic'): Promise<string> {
  const id = uuid();
  await book.sql`insert into person (team_id, id, name, role) values (${book.team.id}, ${id}, ${name}, ${role})`;
  return id;
}
const refusalOf = (p: Promise<unknown>) =>
  p.then(
    () => null,
    (e: { errors?: Record<string, string> }) => e.errors ?? e
  );
const byWords = (
  name: string,
  passphrase: string,
  more: { trust?: boolean; team?: string } = {},
  key?: string,
  now = NOW
) =>
  enterByPassphrase(
    book.sql,
    { name, passphrase, team: '', trust: false, device: 'Tablet', ...more },
    key,
    now
  );
const send = async (as: { id: string; role: Role }, kind: Kind, body: unknown) => {
  const [outcome] = await runCommands(
    book.sql,
    { team: book.team, person: as, device: 'a test' },
    [{ id: uuid(), kind, at: NOW.toISOString(), body, after: null }],
    () => new Date(),
    (e) => {
      throw e;
    }
  );
  return outcome!;
};
const invite = async (personId: string | null) => {
  const code = newKey();
  const chief = { id: book.personId, role: 'chief mechanic' as const };
  const id = uuid();
  expect(await send(chief, 'invitation.keep', { id, personId, hash: keyHash(code) })).toMatchObject({
    ok: true
  });
  return { code, id };
};

beforeAll(async () => {
  book = await openBook();
  await book.sql`update person set role = 'chief mechanic' where id = ${book.personId}`;
});
afterAll(() => book.close());

describe('by passphrase', () => {
  let ada: string;
  beforeAll(async () => {
    ada = await person('Ada Thorne');
    await book.sql.begin((tx) => setPassphrase(tx, book.team.id, ada, WORDS));
  });
  beforeEach(() => book.sql`update sign_in set tries = 0, locked_until = null`);

  it('comes in whoever knows it, whatever the case of the name', async () => {
    const come = await byWords('ada thorne', WORDS);
    expect(come).toMatchObject({ personId: ada, role: 'mechanic', device: null });
    expect(await sessionOf(book.sql, come.session, NOW)).toMatchObject({
      team: { id: book.team.id },
      person: { id: ada, name: 'Ada Thorne' },
      session: { deviceId: null, shared: false },
      renewed: null
    });
    // Neither of them is kept as it is.
    expect(JSON.stringify(await book.sql`select * from session`)).not.toContain(come.session);
    expect(JSON.stringify(await book.sql`select * from sign_in`)).not.toContain(WORDS);
  });
  it('says nothing of which was wrong', async () => {
    expect(await refusalOf(byWords('Ada Thorne', 'moss kettle quiet fairy'))).toEqual(
      await refusalOf(byWords('Nobody Here', WORDS))
    );
  });
  it('makes one wait after five wrong ones, even with the right one; a hundred at once are no more', async () => {
    const tries = await Promise.all(
      Array.from({ length: 12 }, (_, i) => refusalOf(byWords('Ada Thorne', `wrong words ${i}`)))
    );
    expect(tries.filter((t) => JSON.stringify(t).includes('Wait 30 s'))).toHaveLength(7);
    expect(await refusalOf(byWords('Ada Thorne', WORDS))).toEqual({
      passphrase: expect.stringContaining('Wait')
    });
    expect(await byWords('Ada Thorne', WORDS, {}, undefined, after(31_000))).toMatchObject({ personId: ada });
  });
  it('asks which team where two have somebody of that name with it', async () => {
    const other = uuid();
    const id = uuid();
    await book.sql`insert into team (id, name, time_zone) values (${other}, 'Others', 'UTC')`;
    await book.sql`insert into person (team_id, id, name, role) values (${other}, ${id}, 'Ada Thorne', 'mechanic')`;
    await book.sql.begin((tx) => setPassphrase(tx, other, id, WORDS));
    expect(await refusalOf(byWords('Ada Thorne', WORDS))).toHaveProperty('team');
    expect(await byWords('Ada Thorne', WORDS, { team: 'others' })).toMatchObject({
      teamId: other,
      personId: id
    });
    await book.sql`delete from team where id = ${other}`;
  });
  it('nobody comes in who left, and their session is over', async () => {
    const come = await byWords('Ada Thorne', WORDS);
    await book.sql`update person set left_at = now() where id = ${ada}`;
    expect(await sessionOf(book.sql, come.session, NOW)).toBeNull();
    expect(await refusalOf(byWords('Ada Thorne', WORDS))).toHaveProperty('passphrase');
    await book.sql`update person set left_at = null where id = ${ada}`;
  });
  it('is changed by whoever has the one before, and ends the other sessions', async () => {
    const [here, there] = [await byWords('Ada Thorne', WORDS), await byWords('Ada Thorne', WORDS)];
    const { session } = (await sessionOf(book.sql, here.session, NOW))!;
    const change = (current: string, passphrase: string) =>
      changePassphrase(
        book.sql,
        book.team,
        { id: ada, name: 'Ada Thorne' },
        session.id,
        { current, passphrase },
        NOW
      );
    expect(await refusalOf(change('not it at all', 'otter drawn cedar lamp'))).toHaveProperty('current');
    expect(await refusalOf(change(WORDS, 'Ada Thorne 1'))).toHaveProperty('passphrase');
    await change(WORDS, 'otter drawn cedar lamp');
    expect(await sessionOf(book.sql, here.session, NOW)).not.toBeNull();
    expect(await sessionOf(book.sql, there.session, NOW)).toBeNull();
    await change('otter drawn cedar lamp', WORDS);
  });
});

it.each(['password123', 'qwertyuiop', 'aaaaaaaaaaaa', '1234567890', 'iloveyou12'])(
  '%s is guessed first',
  (p) => expect(weakness(p, [])).not.toBeNull()
);
it('a passphrase of words does; one’s own name does not', () => {
  expect(weakness(WORDS, ['Ada Thorne'])).toBeNull();
  expect(weakness('Adathorne12', ['Ada Thorne', 'Barn'])).not.toBeNull();
});

describe('the key of a session', () => {
  it('is replaced after a day, in two steps: an answer that was lost locks nobody out', async () => {
    const ben = await person('Ben Orchard');
    await book.sql.begin((tx) => setPassphrase(tx, book.team.id, ben, WORDS));
    const { session: first } = await byWords('Ben Orchard', WORDS, { trust: true });
    const day = after(25 * 60 * MINUTE);
    const next = (await sessionOf(book.sql, first, day))!.renewed!;
    expect(next).toMatch(/^[\w-]{43}$/);
    // The answer with it was lost: the first opens still, and a minute later there is another.
    expect((await sessionOf(book.sql, first, after(25 * 60 * MINUTE + 1000)))!.renewed).toBeNull();
    const again = (await sessionOf(book.sql, first, after(27 * 60 * MINUTE)))!.renewed!;
    expect(await sessionOf(book.sql, next, after(27 * 60 * MINUTE))).toBeNull();
    // Shown, it takes the first one's place; what was asked with that at the same moment is answered.
    const shown = after(27 * 60 * MINUTE + 1000);
    expect(await sessionOf(book.sql, again, shown)).toMatchObject({ person: { id: ben }, renewed: null });
    expect(await sessionOf(book.sql, first, shown)).not.toBeNull();
    expect(await sessionOf(book.sql, first, new Date(shown.getTime() + 2 * MINUTE))).toBeNull();
  });
  it('opens nothing once it is signed out, or for what was never one', async () => {
    const come = await byWords('Ben Orchard', WORDS);
    const s = (await sessionOf(book.sql, come.session, NOW))!;
    await signOut(book.sql, book.team.id, s.session.id, s.person.id, NOW);
    for (const key of [come.session, undefined, '', 'x', newKey(), keyHash(come.session)])
      expect(await sessionOf(book.sql, key, NOW)).toBeNull();
  });
});

describe('by invitation and PIN', () => {
  const joined = (code: string, personId: string, key?: string, more: { passphrase?: string } = {}) =>
    join(
      book.sql,
      code,
      { person: personId, pin: PIN, passphrase: '', device: 'Phone', ...more },
      key,
      new Date()
    );

  it('one for everybody lets each in once, and makes nobody chief mechanic', async () => {
    const [cleo, dov] = [await person('Cleo Marsh'), await person('Dov Lant', 'rider')];
    const boss = await person('Late Chief', 'chief mechanic');
    const { code } = await invite(null);
    const names = async () => (await invitedBy(book.sql, code, new Date()))!.people.map((p) => p.name);
    expect(await names()).toEqual(expect.arrayContaining(['Cleo Marsh', 'Dov Lant']));
    expect(await names()).not.toContain('Late Chief');
    expect(await refusalOf(joined(code, boss))).toHaveProperty('person');
    expect(await joined(code, cleo)).toMatchObject({ personId: cleo, device: expect.any(String) });
    expect(await names()).not.toContain('Cleo Marsh');
    expect(await refusalOf(joined(code, cleo))).toHaveProperty('person');
    expect(await joined(code, dov)).toMatchObject({ role: 'rider' });
  });
  it('two phones at once for one person: one of them comes in', async () => {
    const eda = await person('Eda Quill');
    const { code } = await invite(eda);
    const both = await Promise.all([refusalOf(joined(code, eda)), refusalOf(joined(code, eda))]);
    expect(both.filter((b) => b === null)).toHaveLength(1);
    const other = await person('Finn Dale');
    const open = await invite(null);
    const two = await Promise.all([refusalOf(joined(open.code, other)), refusalOf(joined(open.code, other))]);
    expect(two.filter((b) => b === null)).toHaveLength(1);
  });
  it('one for a person gives a new way in, and ends what they had', async () => {
    const gil = await person('Gil Ash');
    await book.sql.begin((tx) => setPassphrase(tx, book.team.id, gil, WORDS));
    const lost = await byWords('Gil Ash', WORDS);
    const { code } = await invite(gil);
    await joined(code, gil, undefined, { passphrase: 'copper sleeve amber gate' });
    expect(await sessionOf(book.sql, lost.session, NOW)).toBeNull();
    expect(await refusalOf(byWords('Gil Ash', WORDS))).toHaveProperty('passphrase');
    expect(await byWords('Gil Ash', 'copper sleeve amber gate')).toMatchObject({ personId: gil });
  });
  it('opens nothing once it is over, withdrawn, or was no code', async () => {
    const { code, id } = await invite(null);
    expect(await invitedBy(book.sql, code, after(25 * 60 * MINUTE))).toBeNull();
    await send({ id: book.personId, role: 'chief mechanic' }, 'invitation.withdraw', { invitationId: id });
    for (const c of [code, newKey(), 'x', ''])
      expect(await refusalOf(joined(c, book.personId))).toHaveProperty('');
  });

  it('the PIN works on that device alone; five wrong ones and it is gone', async () => {
    const hal = await person('Hal Brook');
    const { code } = await invite(hal);
    const { device } = await joined(code, hal);
    const pin = (p: string, key = device!) =>
      enterByPin(book.sql, { person: hal, team: book.team.id, pin: p }, key);
    expect(await pinnedOn(book.sql, device!)).toMatchObject([{ personId: hal }]);
    expect(await pin(PIN)).toMatchObject({ personId: hal });
    expect(await refusalOf(pin(PIN, newKey()))).toHaveProperty('pin');
    const tries = await Promise.all(
      ['1111', '2222', '3333', '5555', '6666', '7777'].map((p) => refusalOf(pin(p)))
    );
    expect(JSON.stringify(tries)).toContain('no PIN of yours any more');
    expect(await refusalOf(pin(PIN))).toHaveProperty('pin');
    expect(await pinnedOn(book.sql, device!)).toEqual([]);
  });
  it('a right PIN in between begins the count anew', async () => {
    const ivy = await person('Ivy Stone');
    const { device } = await joined((await invite(ivy)).code, ivy);
    const pin = (p: string) => enterByPin(book.sql, { person: ivy, team: book.team.id, pin: p }, device!);
    for (let k = 0; k < 3; k++) {
      for (const wrong of ['1111', '2222', '3333', '5555'])
        expect(await refusalOf(pin(wrong))).not.toBeNull();
      expect(await pin(PIN)).toMatchObject({ personId: ivy });
    }
  });
  it('a shared tablet has a PIN of each, and sent away it opens nothing', async () => {
    const [jan, kit] = [await person('Jan Fell'), await person('Kit Moor')];
    const { device, session } = await joined((await invite(jan)).code, jan);
    expect((await joined((await invite(kit)).code, kit, device!)).device).toBe(device);
    expect((await pinnedOn(book.sql, device!)).map((p) => p.name)).toEqual(['Jan Fell', 'Kit Moor']);
    expect((await sessionOf(book.sql, session, NOW))!.session.shared).toBe(true);
    const [{ id }] = (await devicesOf(book.sql, device!)) as unknown as [{ id: string }];
    expect(await send({ id: kit, role: 'mechanic' }, 'device.end', { deviceId: id })).toMatchObject({
      ok: false
    });
    expect(await send({ id: jan, role: 'mechanic' }, 'device.end', { deviceId: id })).toMatchObject({
      ok: true
    });
    expect(await sessionOf(book.sql, session, NOW)).toBeNull();
    expect(await devicesOf(book.sql, device!)).toEqual([]);
    // Trusted again it has another key.
    expect((await joined((await invite(jan)).code, jan, device!)).device).not.toBe(device);
  });
  it('who came in by passphrase sets a PIN here, and the session goes on under a new key', async () => {
    const lou = await person('Lou Heath');
    await book.sql.begin((tx) => setPassphrase(tx, book.team.id, lou, WORDS));
    const come = await byWords('Lou Heath', WORDS);
    const { session } = (await sessionOf(book.sql, come.session, NOW))!;
    const keys = await pinHere(
      book.sql,
      book.team.id,
      lou,
      session.id,
      { pin: PIN, device: 'Bench' },
      undefined
    );
    expect(await sessionOf(book.sql, keys.session, NOW)).toMatchObject({
      session: { id: session.id, deviceId: expect.any(String) }
    });
    expect(
      await enterByPin(book.sql, { person: lou, team: book.team.id, pin: PIN }, keys.device)
    ).toMatchObject({
      personId: lou
    });
  });
});

describe('what each may send', () => {
  it('is what the registry says, and riders write of their own machines', async () => {
    const mia = await person('Mia Croft', 'rider');
    const rider = { id: mia, role: 'rider' as const };
    const log = (machineId: string) =>
      send(rider, 'reading.log', {
        id: uuid(),
        machineId,
        typed: '+0.1',
        day: NOW.toISOString().slice(0, 10),
        outing: 'ride'
      });
    expect(await log(book.machineId)).toMatchObject({
      ok: false,
      errors: { machineId: 'That is not a machine of yours.' }
    });
    await book.sql`update machine set rider_id = ${mia} where id = ${book.machineId}`;
    expect(await log(book.machineId)).toMatchObject({ ok: true });
    for (const [kind, body] of [
      ['rule.set', {}],
      ['person.add', {}],
      ['machine.add', {}],
      ['visit.start', {}]
    ] as const)
      expect(await send(rider, kind, body)).toMatchObject({ ok: false });
    for (const role of ['owner', 'screen'] as const)
      expect(
        await send({ id: mia, role }, 'finding.add', {
          id: uuid(),
          machineId: book.machineId,
          componentId: null,
          what: 'x',
          place: '',
          note: '',
          severity: 'watch'
        })
      ).toMatchObject({ ok: false, errors: { '': 'That is for others in the team to do.' } });
    await book.sql`update machine set rider_id = null where id = ${book.machineId}`;
  });
  it('a session is ended by whose it is, or by a chief mechanic', async () => {
    const [nan, oz] = [await person('Nan Vale'), await person('Oz Rigg')];
    await book.sql.begin((tx) => setPassphrase(tx, book.team.id, nan, WORDS));
    const come = await byWords('Nan Vale', WORDS);
    const { session } = (await sessionOf(book.sql, come.session, NOW))!;
    const end = (id: string, role: Role) => send({ id, role }, 'session.end', { sessionId: session.id });
    expect(await end(oz, 'mechanic')).toMatchObject({ ok: false });
    expect(await sessionOf(book.sql, come.session, NOW)).not.toBeNull();
    expect(await end(book.personId, 'chief mechanic')).toMatchObject({ ok: true });
    expect(await sessionOf(book.sql, come.session, NOW)).toBeNull();
  });
  it('a team is never without a chief mechanic', async () => {
    const chief = { id: book.personId, role: 'chief mechanic' as const };
    await book.sql`update person set role = 'mechanic' where team_id = ${book.team.id} and role = 'chief mechanic' and id <> ${chief.id}`;
    const becomes = (personId: string, role: Role) => send(chief, 'person.role', { personId, role });
    expect(await becomes(chief.id, 'mechanic')).toMatchObject({
      ok: false,
      errors: { role: expect.any(String) }
    });
    const pia = await person('Pia Holm');
    expect(await becomes(pia, 'chief mechanic')).toMatchObject({ ok: true });
    expect(await becomes(chief.id, 'mechanic')).toMatchObject({ ok: true });
    await book.sql`update person set role = 'chief mechanic' where id = ${chief.id}`;
  });
});

it('a team that nobody can come into is claimed once, whoever tries at the same moment', async () => {
  const team = uuid();
  const [ann, bo] = [uuid(), uuid()];
  await book.sql`insert into team (id, name, time_zone) values (${team}, 'Brought In', 'UTC')`;
  await book.sql`insert into person (team_id, id, name, role) values (${team}, ${ann}, 'Ann', 'mechanic'), (${team}, ${bo}, 'Bo', 'rider')`;
  const claim = (id: string, passphrase = WORDS) =>
    refusalOf(claimTeam(book.sql, { team, person: id, passphrase }));
  expect((await Promise.all([claim(ann), claim(bo)])).filter((r) => r === null)).toHaveLength(1);
  const [first] =
    await book.sql`select person_id, role from sign_in s join person p on p.id = s.person_id where s.team_id = ${team}`;
  expect(first).toMatchObject({ role: 'chief mechanic' });
  // Sent twice it is one; by somebody else it is refused.
  expect(await claim(first!.person_id)).toBeNull();
  expect(await claim(first!.person_id, 'other words than before')).not.toBeNull();
  expect(await claim(first!.person_id === ann ? bo : ann)).not.toBeNull();
});
