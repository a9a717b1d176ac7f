import type { z } from 'zod';
import type { joinSchema, pinInSchema, signInSchema } from '../../core/access/form';
import { MOST_PINS } from '../../core/access/waits';
import type { Role } from '../../core/team/team';
import type { Db, Sql } from '../base/db';
import { refuse } from '../base/refusal';
import { devicesOf, trustDevice } from './devices';
import { noteAccess } from './events';
import { invitedBy } from './invitations';
import { hashSecret, isSecret, lookInVain, weakness } from './secrets';
import { beginSession } from './sessions';
import { countTry, tryKey, uncountTry, waitWords, type Try } from './tries';
import { withdrawWays } from './leave';

/** What a device takes with it after coming in: keys for its cookies. */
export interface In {
  teamId: string;
  personId: string;
  role: Role;
  session: string;
  /** The device’s key, where it is trusted. */
  device: string | null;
}

const WRONG = 'No such name with that passphrase.';

/**
 * In by name and passphrase.
 * @param deviceKey what the device says it is
 * @throws Refusal at the passphrase; which of name and passphrase was wrong is not said, and takes as long either way
 */
export async function enterByPassphrase(
  sql: Sql,
  input: z.output<typeof signInSchema>,
  deviceKey: string | undefined,
  now: Date
): Promise<In> {
  const rows = await sql`
    select s.team_id, s.person_id, s.passphrase, p.role
    from sign_in s join person p on p.team_id = s.team_id and p.id = s.person_id join team t on t.id = s.team_id
    where lower(p.name) = lower(${input.name}) and p.left_at is null ${input.team ? sql`and lower(t.name) = lower(${input.team})` : sql``}
    order by s.team_id limit 5`;
  // On a device that their team trusts others’ tries count for nothing: nobody is shut out there by somebody elsewhere.
  const devices = await devicesOf(sql, deviceKey);
  const deviceOf = (teamId: string) => devices.find((d) => d.teamId === teamId)?.id;
  const keyOf = (r: (typeof rows)[number]) =>
    tryKey('person', r.team_id, r.person_id, deviceOf(r.team_id) ?? '');
  const tries = new Map<string, Try>();
  for (const key of rows.length === 0 ? [tryKey('nobody', input.name)] : rows.map(keyOf))
    tries.set(key, await countTry(sql, key, now));
  const looked = rows.filter((r) => tries.get(keyOf(r))!.wait === 0);
  const right: (typeof rows)[number][] = [];
  for (const row of looked) if (await isSecret(row.passphrase, input.passphrase)) right.push(row);
  const waits = Math.max(...[...tries.values()].map((t) => t.wait));
  if (rows.length === 0 && waits === 0) await lookInVain(input.passphrase);
  // Whoever knew one of them guessed at none: they tried their own on somebody who happens to be called the same.
  if (right.length > 0) for (const row of looked) await uncountTry(sql, keyOf(row), right.includes(row));
  if (right.length > 1)
    return refuse('team', 'Two teams here have somebody of that name. Which is it?', { askTeam: true });
  const [row] = right;
  if (!row) {
    const wrong = looked.map((r) => ({
      team_id: r.team_id as string,
      person_id: r.person_id as string,
      what: tries.get(keyOf(r))!.locks ? 'locked' : 'wrong passphrase'
    }));
    await sql`
      insert into access_event (team_id, person_id, what)
      select w.team_id, w.person_id, w.what from jsonb_to_recordset(${sql.json(wrong)}) as w (team_id uuid, person_id uuid, what text)`;
    return refuse('passphrase', waits > 0 ? waitWords(waits) : WRONG);
  }
  return sql.begin(async (tx) => {
    const known = deviceOf(row.team_id);
    const device = known
      ? { id: known, key: deviceKey! }
      : input.trust
        ? await trustDevice(tx, row.team_id, row.person_id, input.device, deviceKey)
        : null;
    return {
      teamId: row.team_id,
      personId: row.person_id,
      role: row.role,
      session: await beginSession(tx, {
        teamId: row.team_id,
        personId: row.person_id,
        deviceId: device?.id ?? null,
        how: 'passphrase'
      }),
      device: device?.key ?? null
    };
  });
}

/** In by PIN, on a device that is trusted. @throws Refusal at the PIN */
export async function enterByPin(
  sql: Sql,
  input: z.output<typeof pinInSchema>,
  deviceKey: string | undefined
): Promise<In> {
  const device = (await devicesOf(sql, deviceKey)).find((d) => d.teamId === input.team);
  if (!device) return refuse('pin', 'This device is not trusted any more. Come in by passphrase.');
  // The try is counted before it is looked at: many at once are no more than their number.
  const [row] = await sql`
    update device_pin k set tries = tries + 1 from person p
    where k.team_id = ${device.teamId} and k.device_id = ${device.id} and k.person_id = ${input.person} and k.tries < ${MOST_PINS}
      and p.team_id = k.team_id and p.id = k.person_id and p.left_at is null
    returning k.pin, k.tries, p.role`;
  if (!row) return refuse('pin', GONE, { gone: true });
  if (!(await isSecret(row.pin, `${deviceKey} ${input.pin}`))) {
    const left = MOST_PINS - row.tries;
    if (left > 0) {
      await noteAccess(sql, device.teamId, 'wrong PIN', { personId: input.person, deviceId: device.id });
      return refuse('pin', left === 1 ? 'Wrong. One try left.' : `Wrong. ${left} tries left.`);
    }
    await sql`
      delete from device_pin where team_id = ${device.teamId} and device_id = ${device.id} and person_id = ${input.person}`;
    await noteAccess(sql, device.teamId, 'PIN withdrawn', { personId: input.person, deviceId: device.id });
    return refuse('pin', GONE, { gone: true });
  }
  return sql.begin(async (tx) => {
    await tx`
      update device_pin set tries = 0 where team_id = ${device.teamId} and device_id = ${device.id} and person_id = ${input.person}`;
    const comer = { teamId: device.teamId, personId: input.person, deviceId: device.id, how: 'PIN' as const };
    return {
      teamId: device.teamId,
      personId: input.person,
      role: row.role as Role,
      session: await beginSession(tx, comer),
      device: deviceKey!
    };
  });
}
const GONE =
  'This device has no PIN of yours any more. Come in by passphrase, or ask a chief mechanic for a new way in.';

/** In by an invitation, on a device that is trusted from then on. @throws Refusal by field */
export async function join(
  sql: Sql,
  code: string,
  input: z.output<typeof joinSchema>,
  deviceKey: string | undefined,
  now: Date
): Promise<In> {
  const invited = await invitedBy(sql, code, now);
  if (!invited) return refuse('', 'This invitation opens nothing: it was used, is over, or was withdrawn.');
  const person = invited.people.find((p) => p.id === input.person);
  if (!person) return refuse('person', 'Pick who you are.');
  if (input.passphrase) {
    if (invited.hasWords) refuse('passphrase', 'You have one already. It is changed on your own page.');
    const weak = weakness(input.passphrase, [person.name, invited.team]);
    if (weak) refuse('passphrase', weak);
  }
  return sql.begin(async (tx) => {
    // Two phones that scan the same code for the same person: the second finds it taken.
    const [open] =
      await tx`select used_at, person_id from invitation where team_id = ${invited.teamId} and id = ${invited.id} for no key update`;
    if (invited.forOne && open!.used_at)
      refuse('', 'This invitation opens nothing: it was used, is over, or was withdrawn.');
    if (
      !invited.forOne &&
      !(await invitedBy(tx as unknown as Sql, code, now))?.people.some((p) => p.id === person.id)
    )
      refuse('person', 'Somebody has just come in as them. Ask who it was.');
    await tx`update invitation set used_at = coalesce(used_at, ${now}) where team_id = ${invited.teamId} and id = ${invited.id}`;
    // Whoever needed a new way in may have lost the old one to somebody.
    if (invited.replaces) await withdrawWays(tx, invited.teamId, person.id, now);
    const device = await trustDevice(tx, invited.teamId, person.id, input.device, deviceKey);
    await setPin(tx, invited.teamId, device, person.id, input.pin);
    if (input.passphrase) await setPassphrase(tx, invited.teamId, person.id, input.passphrase);
    await noteAccess(tx, invited.teamId, 'joined', { personId: person.id, deviceId: device.id });
    const comer = {
      teamId: invited.teamId,
      personId: person.id,
      deviceId: device.id,
      how: 'invitation' as const
    };
    return {
      teamId: invited.teamId,
      personId: person.id,
      role: person.role,
      session: await beginSession(tx, comer),
      device: device.key
    };
  });
}

/** Keeps a person’s passphrase, which has been looked at. */
export async function setPassphrase(
  tx: Db,
  teamId: string,
  personId: string,
  passphrase: string
): Promise<void> {
  await tx`
    insert into sign_in (team_id, person_id, passphrase) values (${teamId}, ${personId}, ${await hashSecret(passphrase)})
    on conflict (team_id, person_id) do update set passphrase = excluded.passphrase, set_at = now()`;
  await noteAccess(tx, teamId, 'passphrase set', { personId });
}

/** Keeps a person’s PIN for one device. It is hashed with the device’s own key, which is kept nowhere. */
export async function setPin(
  tx: Db,
  teamId: string,
  device: { id: string; key: string },
  personId: string,
  pin: string
): Promise<void> {
  await tx`
    insert into device_pin (team_id, device_id, person_id, pin)
    values (${teamId}, ${device.id}, ${personId}, ${await hashSecret(`${device.key} ${pin}`)})
    on conflict (team_id, device_id, person_id) do update set pin = excluded.pin, set_at = now(), tries = 0`;
  await noteAccess(tx, teamId, 'PIN set', { personId, deviceId: device.id });
}
