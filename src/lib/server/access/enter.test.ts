import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { uuid } from '../../../../tests/database/book';
import { Door, MINUTE, refusalOf, WORDS } from '../../../../tests/database/door';
import { claimTeam } from './claim';
import { enterByPassphrase, setPassphrase } from './enter';
import { changePassphrase } from './own-secrets';
import { keyHash, newKey, weakness } from './secrets';
import { sessionOf, signOut } from './sessions';
import { tryKey } from './tries';

let door: Door;
beforeAll(async () => {
  door = await Door.open();
});
afterAll(() => door.book.close());

describe('by passphrase', () => {
  let ada: string;
  beforeAll(async () => {
    ada = await door.person('Ada Thorne', { words: WORDS });
  });
  beforeEach(() => door.book.sql`delete from sign_in_try`);

  it('comes in whoever knows it, whatever the case of the name', async () => {
    const come = await door.byWords('ada thorne', WORDS);
    expect(come).toMatchObject({ personId: ada, role: 'mechanic', device: null });
    expect(await sessionOf(door.book.sql, come.session, door.now)).toMatchObject({
      team: { id: door.book.team.id },
      person: { id: ada, name: 'Ada Thorne' },
      session: { deviceId: null, shared: false },
      renewed: null
    });
    // Neither of them is kept as it is.
    expect(JSON.stringify(await door.book.sql`select * from session`)).not.toContain(come.session);
    expect(JSON.stringify(await door.book.sql`select * from sign_in`)).not.toContain(WORDS);
  });
  it('says nothing of which was wrong', async () => {
    expect(await refusalOf(door.byWords('Ada Thorne', 'moss kettle quiet fairy'))).toEqual(
      await refusalOf(door.byWords('Nobody Here', WORDS))
    );
  });
  it('a name that is nobody’s is answered as one that is somebody’s, try after try', async () => {
    const answers = async (name: string) => {
      const said: unknown[] = [];
      for (let i = 0; i < 8; i++) said.push(await refusalOf(door.byWords(name, `wrong words ${i}`)));
      said.push(await refusalOf(door.byWords(name, 'wrong words again', {}, door.after(31_000))));
      return said;
    };
    const somebodys = await answers('Ada Thorne');
    expect(JSON.stringify(somebodys)).toContain('Wait 30 s');
    expect(await answers('Nobody Here')).toEqual(somebodys);
  });
  it('tries from elsewhere shut nobody out on a device that the team trusts; tries on it count there', async () => {
    const here = await door.byWords('Ada Thorne', WORDS, { trust: true });
    for (let i = 0; i < 6; i++) await refusalOf(door.byWords('Ada Thorne', `wrong words ${i}`));
    const locked = { passphrase: expect.stringContaining('Wait') };
    expect(await refusalOf(door.byWords('Ada Thorne', WORDS))).toEqual(locked);
    const onDevice = (words: string, key = here.device!) =>
      enterByPassphrase(
        door.book.sql,
        { name: 'Ada Thorne', passphrase: words, team: '', trust: false, device: '' },
        key,
        door.now
      );
    expect(await onDevice(WORDS)).toMatchObject({ personId: ada });
    expect(await refusalOf(onDevice(WORDS, newKey()))).toEqual(locked);
    for (let i = 0; i < 6; i++) await refusalOf(onDevice(`wrong words ${i}`));
    expect(await refusalOf(onDevice(WORDS))).toEqual(locked);
  });
  it('makes one wait after five wrong ones, even with the right one; a hundred at once are no more', async () => {
    const tries = await Promise.all(
      Array.from({ length: 12 }, (_, i) => refusalOf(door.byWords('Ada Thorne', `wrong words ${i}`)))
    );
    expect(tries.filter((t) => JSON.stringify(t).includes('Wait 30 s'))).toHaveLength(7);
    expect(await refusalOf(door.byWords('Ada Thorne', WORDS))).toEqual({
      passphrase: expect.stringContaining('Wait')
    });
    expect(await door.byWords('Ada Thorne', WORDS, {}, door.after(31_000))).toMatchObject({ personId: ada });
  });
  it('asks which team where two have somebody of that name with it', async () => {
    const other = uuid();
    const id = uuid();
    await door.book.sql`insert into team (id, name, time_zone) values (${other}, 'Others', 'UTC')`;
    await door.book
      .sql`insert into person (team_id, id, name, role) values (${other}, ${id}, 'Ada Thorne', 'mechanic')`;
    await door.book.sql.begin((tx) => setPassphrase(tx, other, id, WORDS));
    expect(await refusalOf(door.byWords('Ada Thorne', WORDS))).toHaveProperty('team');
    expect(await door.byWords('Ada Thorne', WORDS, { team: 'others' })).toMatchObject({
      teamId: other,
      personId: id
    });
    await door.book.sql`delete from team where id = ${other}`;
  });
  it('somebody of that name in another team is not made to wait by whoever comes in here, nor let in by guessing', async () => {
    const other = uuid();
    const id = uuid();
    await door.book.sql`insert into team (id, name, time_zone) values (${other}, 'Others', 'UTC')`;
    await door.book
      .sql`insert into person (team_id, id, name, role) values (${other}, ${id}, 'Ada Thorne', 'mechanic')`;
    await door.book.sql.begin((tx) => setPassphrase(tx, other, id, 'otter drawn cedar lamp'));
    const tries = async () =>
      (
        await door.book
          .sql`select tries, locked_until from sign_in_try where key = ${tryKey('person', other, id, '')}`
      )[0];
    for (let i = 0; i < 7; i++)
      expect(await door.byWords('Ada Thorne', WORDS)).toMatchObject({ personId: ada });
    expect(await tries()).toEqual({ tries: 0, locked_until: null });
    // A wrong one is counted at both.
    await refusalOf(door.byWords('Ada Thorne', 'neither of them has this'));
    expect(await tries()).toMatchObject({ tries: 1 });
    await door.book.sql`delete from team where id = ${other}`;
  });
  it('nobody comes in who left, and their session is over', async () => {
    const come = await door.byWords('Ada Thorne', WORDS);
    await door.book.sql`update person set left_at = now() where id = ${ada}`;
    expect(await sessionOf(door.book.sql, come.session, door.now)).toBeNull();
    expect(await refusalOf(door.byWords('Ada Thorne', WORDS))).toHaveProperty('passphrase');
    await door.book.sql`update person set left_at = null where id = ${ada}`;
  });
  it('is changed by whoever has the one before, and ends the other sessions', async () => {
    const [here, there] = [await door.byWords('Ada Thorne', WORDS), await door.byWords('Ada Thorne', WORDS)];
    const { session } = (await sessionOf(door.book.sql, here.session, door.now))!;
    const change = (current: string, passphrase: string) =>
      changePassphrase(
        door.book.sql,
        door.book.team,
        { id: ada, name: 'Ada Thorne' },
        session.id,
        { current, passphrase },
        undefined,
        door.now
      );
    expect(await refusalOf(change('not it at all', 'otter drawn cedar lamp'))).toHaveProperty('current');
    expect(await refusalOf(change(WORDS, 'Ada Thorne 1'))).toHaveProperty('passphrase');
    await change(WORDS, 'otter drawn cedar lamp');
    expect(await sessionOf(door.book.sql, here.session, door.now)).not.toBeNull();
    expect(await sessionOf(door.book.sql, there.session, door.now)).toBeNull();
    await change('otter drawn cedar lamp', WORDS);
    // An open session is no place to guess in, either.
    for (let i = 0; i < 6; i++) await refusalOf(change(`guess ${i}`, 'otter drawn cedar lamp'));
    expect(await refusalOf(change(WORDS, 'otter drawn cedar lamp'))).toEqual({
      current: expect.stringContaining('Wait')
    });
  });
});

it.each(['password123', 'qwertyuiop', 'aaaaaaaaaaaa', '1234567890', 'iloveyou12'])(
  '%s is guessed first',
  (p) => expect(weakness(p, [])).not.toBeNull()
);
it('a passphrase of words does; one’s own name does not', () => {
  expect(weakness(WORDS, ['Ada Thorne'])).toBeNull();
  for (const p of [
    'Adathorne12',
    'Ada Thorne Lower Barn',
    'thorne barn ada 2026!',
    'Lower Barn Workshop Ada Thorne 7'
  ])
    expect([p, weakness(p, ['Ada Thorne', 'Lower Barn Workshop'])]).not.toEqual([p, null]);
  expect(weakness(`${WORDS} Thorne`, ['Ada Thorne', 'Lower Barn Workshop'])).toBeNull();
});

describe('the key of a session', () => {
  it('is replaced after a day, in two steps: an answer that was lost locks nobody out', async () => {
    const ben = await door.person('Ben Orchard', { words: WORDS });
    const { session: first } = await door.byWords('Ben Orchard', WORDS, { trust: true });
    const day = door.after(25 * 60 * MINUTE);
    const next = (await sessionOf(door.book.sql, first, day))!.renewed!;
    expect(next).toMatch(/^[\w-]{43}$/);
    // The answer with it was lost: the first opens still, and a minute later there is another.
    expect((await sessionOf(door.book.sql, first, door.after(25 * 60 * MINUTE + 1000)))!.renewed).toBeNull();
    const again = (await sessionOf(door.book.sql, first, door.after(27 * 60 * MINUTE)))!.renewed!;
    expect(await sessionOf(door.book.sql, next, door.after(27 * 60 * MINUTE))).toBeNull();
    // Shown, it takes the first one's place; what was asked with that at the same moment is answered.
    const shown = door.after(27 * 60 * MINUTE + 1000);
    expect(await sessionOf(door.book.sql, again, shown)).toMatchObject({
      person: { id: ben },
      renewed: null
    });
    expect(await sessionOf(door.book.sql, first, shown)).not.toBeNull();
    expect(await sessionOf(door.book.sql, first, new Date(shown.getTime() + 2 * MINUTE))).toBeNull();
  });
  it('opens nothing once it is signed out, or for what was never one', async () => {
    const come = await door.byWords('Ben Orchard', WORDS);
    const s = (await sessionOf(door.book.sql, come.session, door.now))!;
    await signOut(door.book.sql, door.book.team.id, s.session.id, s.person.id, door.now);
    for (const key of [come.session, undefined, '', 'x', newKey(), keyHash(come.session)])
      expect(await sessionOf(door.book.sql, key, door.now)).toBeNull();
  });
});

it('a team that nobody can come into is claimed once, whoever tries at the same moment', async () => {
  const team = uuid();
  const [ann, bo] = [uuid(), uuid()];
  await door.book.sql`insert into team (id, name, time_zone) values (${team}, 'Brought In', 'UTC')`;
  await door.book
    .sql`insert into person (team_id, id, name, role) values (${team}, ${ann}, 'Ann', 'mechanic'), (${team}, ${bo}, 'Bo', 'rider')`;
  const claim = (id: string, passphrase = WORDS) =>
    refusalOf(claimTeam(door.book.sql, { team, person: id, passphrase }));
  expect((await Promise.all([claim(ann), claim(bo)])).filter((r) => r === null)).toHaveLength(1);
  const [first] = await door.book
    .sql`select person_id, role from sign_in s join person p on p.id = s.person_id where s.team_id = ${team}`;
  expect(first).toMatchObject({ role: 'chief mechanic' });
  // Sent twice it is one; by somebody else it is refused.
  expect(await claim(first!.person_id)).toBeNull();
  expect(await claim(first!.person_id, 'other words than before')).not.toBeNull();
  expect(await claim(first!.person_id === ann ? bo : ann)).not.toBeNull();
});
