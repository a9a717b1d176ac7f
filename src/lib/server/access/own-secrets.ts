import type { z } from 'zod';
import type { ownPassphraseSchema, ownPinSchema } from '../../core/access/form';
import { OLD_FOR } from '../../core/access/waits';
import type { Team } from '../../core/team/team';
import type { Db, Sql } from '../base/db';
import { refuse } from '../base/refusal';
import { trustDevice } from './devices';
import { setPassphrase, setPin } from './enter';
import { isSecret, keyHash, newKey, weakness } from './secrets';
import { endOthers } from './sessions';
import { countTry, tryKey, uncountTry, waitWords } from './tries';

/**
 * Whether whoever sits at an open session is who began it: by their passphrase, or, where they have none, by their PIN on this device.
 * Tries are counted as at the door.
 * @throws Refusal at `current`
 */
async function proveOneself(
  sql: Sql,
  teamId: string,
  person: { id: string },
  deviceKey: string | undefined,
  current: string,
  now: Date
): Promise<void> {
  const [words] = await sql`
    select passphrase as secret from sign_in where team_id = ${teamId} and person_id = ${person.id}`;
  const [pin] = words
    ? []
    : await sql`
        select k.pin as secret from device_pin k join device d on d.team_id = k.team_id and d.id = k.device_id
        where k.team_id = ${teamId} and k.person_id = ${person.id} and d.ended_at is null and d.hash = ${deviceKey ? keyHash(deviceKey) : ''}`;
  const kept = words ?? pin;
  if (!kept)
    return refuse(
      'current',
      'You have neither a passphrase nor a PIN here: ask a chief mechanic for a new way in.'
    );
  const key = tryKey('open', teamId, person.id);
  const { wait } = await countTry(sql, key, now);
  if (wait > 0) refuse('current', waitWords(wait));
  if (!(await isSecret(kept.secret, words ? current : `${deviceKey} ${current}`)))
    refuse('current', words ? 'That is not the one you have.' : 'That is not the PIN you have here.');
  await uncountTry(sql, key);
}

export async function hasPassphrase(sql: Db, teamId: string, personId: string): Promise<boolean> {
  return (await sql`select 1 from sign_in where team_id = ${teamId} and person_id = ${personId}`).length > 0;
}

/**
 * Changes one’s own passphrase, or sets the first. Every other session of theirs is over: one that is changed may have been known.
 * @throws Refusal where the one before, or the PIN of who has none, is not it
 */
export async function changePassphrase(
  sql: Sql,
  team: Team,
  person: { id: string; name: string },
  sessionId: string,
  input: z.output<typeof ownPassphraseSchema>,
  deviceKey: string | undefined,
  now: Date
): Promise<'passphrase'> {
  await proveOneself(sql, team.id, person, deviceKey, input.current, now);
  const weak = weakness(input.passphrase, [person.name, team.name]);
  if (weak) refuse('passphrase', weak);
  await sql.begin(async (tx) => {
    await setPassphrase(tx, team.id, person.id, input.passphrase);
    await endOthers(tx, team.id, person.id, sessionId, now);
  });
  return 'passphrase';
}

/**
 * Trusts the device that a session is on, and sets a PIN for it. The session goes on as one of that device, under a new key.
 * @returns keys for its cookies
 * @throws Refusal where the passphrase, or the PIN before, is not it
 */
export async function pinHere(
  sql: Sql,
  teamId: string,
  personId: string,
  sessionId: string,
  input: z.output<typeof ownPinSchema>,
  deviceKey: string | undefined,
  now: Date
): Promise<{ session: string; device: string }> {
  await proveOneself(sql, teamId, { id: personId }, deviceKey, input.current, now);
  return sql.begin(async (tx) => {
    const device = await trustDevice(tx, teamId, personId, input.device, deviceKey);
    await setPin(tx, teamId, device, personId, input.pin);
    const session = newKey();
    await tx`
      update session set device_id = ${device.id}, old_hash = hash, old_until = ${new Date(now.getTime() + OLD_FOR)}, hash = ${keyHash(session)}, next_hash = null, next_at = null
      where team_id = ${teamId} and id = ${sessionId}`;
    return { session, device: device.key };
  });
}
