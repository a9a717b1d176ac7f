import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { uuid } from '../../../../tests/database/book';
import { Door, MINUTE, PIN, refusalOf, WORDS } from '../../../../tests/database/door';
import { devicesOf, pinnedOn } from './devices';
import { enterByPin, join } from './enter';
import { invitedBy } from './invitations';
import { changePassphrase, pinHere } from './own-secrets';
import { newKey } from './secrets';
import { sessionOf } from './sessions';

let door: Door;
beforeAll(async () => {
  door = await Door.open();
});
afterAll(() => door.book.close());

describe('by invitation and PIN', () => {
  const joined = (code: string, personId: string, key?: string, more: { passphrase?: string } = {}) =>
    join(
      door.book.sql,
      code,
      { person: personId, pin: PIN, passphrase: '', device: 'Phone', ...more },
      key,
      new Date()
    );

  it('one for everybody lets each in once, and makes nobody chief mechanic', async () => {
    const [cleo, dov] = [await door.person('Cleo Marsh'), await door.person('Dov Lant', { role: 'rider' })];
    const boss = await door.person('Late Chief', { role: 'chief mechanic' });
    const { code } = await door.invite(null);
    const names = async () => (await invitedBy(door.book.sql, code, new Date()))!.people.map((p) => p.name);
    expect(await names()).toEqual(expect.arrayContaining(['Cleo Marsh', 'Dov Lant']));
    expect(await names()).not.toContain('Late Chief');
    expect(await refusalOf(joined(code, boss))).toHaveProperty('person');
    expect(await joined(code, cleo)).toMatchObject({ personId: cleo, device: expect.any(String) });
    expect(await names()).not.toContain('Cleo Marsh');
    expect(await refusalOf(joined(code, cleo))).toHaveProperty('person');
    expect(await joined(code, dov)).toMatchObject({ role: 'rider' });
  });
  it('two phones at once for one person: one of them comes in', async () => {
    const eda = await door.person('Eda Quill');
    const { code } = await door.invite(eda);
    const both = await Promise.all([refusalOf(joined(code, eda)), refusalOf(joined(code, eda))]);
    expect(both.filter((b) => b === null)).toHaveLength(1);
    const other = await door.person('Finn Dale');
    const open = await door.invite(null);
    const two = await Promise.all([refusalOf(joined(open.code, other)), refusalOf(joined(open.code, other))]);
    expect(two.filter((b) => b === null)).toHaveLength(1);
  });
  it('one in the place of what they had withdraws it as soon as it is made: sessions, PINs, devices, keys, passphrase', async () => {
    const { sql, team } = door.book;
    const gil = await door.person('Gil Ash', { words: WORDS });
    const lost = await joined((await door.invite(gil, false)).code, gil);
    const byWords = await door.byWords('Gil Ash', WORDS);
    const before = await door.invite(gil, false);
    await sql`
      insert into api_token (team_id, id, person_id, name, hash, created_by) values (${team.id}, ${uuid()}, ${gil}, 'Scale', ${'b'.repeat(64)}, ${gil})`;
    const { code } = await door.invite(gil);
    for (const { session } of [lost, byWords]) expect(await sessionOf(sql, session, door.now)).toBeNull();
    expect(await pinnedOn(sql, lost.device!)).toEqual([]);
    expect(await devicesOf(sql, lost.device!)).toEqual([]);
    expect(await sql`select id from api_token where person_id = ${gil} and withdrawn_at is null`).toEqual([]);
    expect(await refusalOf(door.byWords('Gil Ash', WORDS))).toHaveProperty('passphrase');
    expect(await invitedBy(sql, before.code, new Date())).toBeNull();
    await joined(code, gil, undefined, { passphrase: 'copper sleeve amber gate' });
    expect(await door.byWords('Gil Ash', 'copper sleeve amber gate')).toMatchObject({ personId: gil });
  });
  it('a second phone takes nothing away, and sets no passphrase in the place of one', async () => {
    const una = await door.person('Una Reed', { words: WORDS });
    const here = await door.byWords('Una Reed', WORDS);
    const { code } = await door.invite(una, false);
    expect(await invitedBy(door.book.sql, code, new Date())).toMatchObject({
      replaces: false,
      hasWords: true
    });
    expect(
      await refusalOf(joined(code, una, undefined, { passphrase: 'copper sleeve amber gate' }))
    ).toHaveProperty('passphrase');
    await joined(code, una);
    expect(await sessionOf(door.book.sql, here.session, door.now)).not.toBeNull();
    expect(await door.byWords('Una Reed', WORDS)).toMatchObject({ personId: una });
  });
  it('nobody replaces their own: they would be out before they are in', async () => {
    const id = uuid();
    const own = { id, personId: door.book.personId, hash: 'c'.repeat(64) };
    expect(await door.send(door.chief, 'invitation.keep', own)).toMatchObject({ ok: false });
    expect(await door.send(door.chief, 'invitation.keep', { ...own, replaces: false })).toMatchObject({
      ok: true
    });
  });
  it('who is taken on again finds nothing open', async () => {
    const zoe = await door.person('Zoe Tarn', { words: WORDS });
    const { session, device } = await joined((await door.invite(zoe, false)).code, zoe);
    const leaves = (left: boolean) => door.send(door.chief, 'person.leave', { personId: zoe, left });
    expect(await leaves(true)).toMatchObject({ ok: true });
    expect(await leaves(false)).toMatchObject({ ok: true });
    expect(await sessionOf(door.book.sql, session, door.now)).toBeNull();
    expect(await pinnedOn(door.book.sql, device!)).toEqual([]);
    expect(await refusalOf(door.byWords('Zoe Tarn', WORDS))).toHaveProperty('passphrase');
  });
  it('a device key that this server did not hand out is not taken', async () => {
    const pip = await door.person('Pip Hale');
    const planted = newKey();
    const { device } = await joined((await door.invite(pip)).code, pip, planted);
    expect(device).not.toBe(planted);
    expect(await devicesOf(door.book.sql, planted)).toEqual([]);
  });
  it('opens nothing once it is over, withdrawn, or was no code', async () => {
    const { code, id } = await door.invite(null);
    expect(await invitedBy(door.book.sql, code, door.after(25 * 60 * MINUTE))).toBeNull();
    await door.send({ id: door.book.personId, role: 'chief mechanic' }, 'invitation.withdraw', {
      invitationId: id
    });
    for (const c of [code, newKey(), 'x', ''])
      expect(await refusalOf(joined(c, door.book.personId))).toHaveProperty('');
  });

  it('the PIN works on that device alone; five wrong ones and it is gone', async () => {
    const hal = await door.person('Hal Brook');
    const { code } = await door.invite(hal);
    const { device } = await joined(code, hal);
    const pin = (p: string, key = device!) =>
      enterByPin(door.book.sql, { person: hal, team: door.book.team.id, pin: p }, key);
    expect(await pinnedOn(door.book.sql, device!)).toMatchObject([{ personId: hal }]);
    expect(await pin(PIN)).toMatchObject({ personId: hal });
    expect(await refusalOf(pin(PIN, newKey()))).toHaveProperty('pin');
    const tries = await Promise.all(
      ['1111', '2222', '3333', '5555', '6666', '7777'].map((p) => refusalOf(pin(p)))
    );
    expect(JSON.stringify(tries)).toContain('no PIN of yours any more');
    expect(await refusalOf(pin(PIN))).toHaveProperty('pin');
    expect(await pinnedOn(door.book.sql, device!)).toEqual([]);
  });
  it('a right PIN in between begins the count anew', async () => {
    const ivy = await door.person('Ivy Stone');
    const { device } = await joined((await door.invite(ivy)).code, ivy);
    const pin = (p: string) =>
      enterByPin(door.book.sql, { person: ivy, team: door.book.team.id, pin: p }, device!);
    for (let k = 0; k < 3; k++) {
      for (const wrong of ['1111', '2222', '3333', '5555'])
        expect(await refusalOf(pin(wrong))).not.toBeNull();
      expect(await pin(PIN)).toMatchObject({ personId: ivy });
    }
  });
  it('a shared tablet has a PIN of each, and sent away it opens nothing', async () => {
    const [jan, kit] = [await door.person('Jan Fell'), await door.person('Kit Moor')];
    const { device, session } = await joined((await door.invite(jan)).code, jan);
    expect((await joined((await door.invite(kit)).code, kit, device!)).device).toBe(device);
    expect((await pinnedOn(door.book.sql, device!)).map((p) => p.name)).toEqual(['Jan Fell', 'Kit Moor']);
    expect((await sessionOf(door.book.sql, session, door.now))!.session.shared).toBe(true);
    const [{ id }] = (await devicesOf(door.book.sql, device!)) as unknown as [{ id: string }];
    expect(await door.send({ id: kit, role: 'mechanic' }, 'device.end', { deviceId: id })).toMatchObject({
      ok: false
    });
    expect(await door.send({ id: jan, role: 'mechanic' }, 'device.end', { deviceId: id })).toMatchObject({
      ok: true
    });
    expect(await sessionOf(door.book.sql, session, door.now)).toBeNull();
    expect(await devicesOf(door.book.sql, device!)).toEqual([]);
    // Trusted again it has another key.
    expect((await joined((await door.invite(jan)).code, jan, device!)).device).not.toBe(device);
  });
  it('a PIN and a passphrase are set by who has the one before, and not by who finds an open page', async () => {
    const max = await door.person('Max Wold');
    const { session: key, device } = await joined((await door.invite(max)).code, max);
    const { session } = (await sessionOf(door.book.sql, key, door.now))!;
    const pin = (current: string) =>
      pinHere(
        door.book.sql,
        door.book.team.id,
        max,
        session.id,
        { current, pin: '8264', device: '' },
        device!,
        door.now
      );
    const words = (current: string, deviceKey: string | undefined = device!) =>
      changePassphrase(
        door.book.sql,
        door.book.team,
        { id: max, name: 'Max Wold' },
        session.id,
        { current, passphrase: WORDS },
        deviceKey,
        door.now
      );
    expect(await refusalOf(pin(''))).toHaveProperty('current');
    expect(await refusalOf(words('1234'))).toHaveProperty('current');
    expect(await refusalOf(words(PIN, newKey()))).toHaveProperty('current');
    await words(PIN);
    expect(await refusalOf(pin(PIN))).toHaveProperty('current');
    await pin(WORDS);
  });
  it('who came in by passphrase sets a PIN here, and the session goes on under a new key', async () => {
    const lou = await door.person('Lou Heath', { words: WORDS });
    const come = await door.byWords('Lou Heath', WORDS);
    const { session } = (await sessionOf(door.book.sql, come.session, door.now))!;
    const keys = await pinHere(
      door.book.sql,
      door.book.team.id,
      lou,
      session.id,
      { current: WORDS, pin: PIN, device: 'Bench' },
      undefined,
      door.now
    );
    expect(await sessionOf(door.book.sql, keys.session, door.now)).toMatchObject({
      session: { id: session.id, deviceId: expect.any(String) }
    });
    expect(
      await enterByPin(door.book.sql, { person: lou, team: door.book.team.id, pin: PIN }, keys.device)
    ).toMatchObject({
      personId: lou
    });
  });
});
