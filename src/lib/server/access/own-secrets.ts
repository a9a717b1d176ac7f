import type { z } from 'zod';
import type { ownPassphraseSchema, ownPinSchema } from '../../core/access/form';
import { OLD_FOR } from '../../core/access/waits';
import type { Team } from '../../core/team/team';
import type { Db, Sql } from '../db';
import { refuse } from '../refusal';
import { trustDevice } from './devices';
import { setPassphrase, setPin } from './enter';
import { isSecret, keyHash, newKey, weakness } from './secrets';
import { endOthers } from './sessions';

export async function hasPassphrase(sql: Db, teamId: string, personId: string): Promise<boolean> {
  return (await sql`select 1 from sign_in where team_id = ${teamId} and person_id = ${personId}`).length > 0;
}

/**
 * Changes one’s own passphrase, or sets the first. Every other session of theirs is over: one that is changed may have been known.
 * @throws Refusal where the one before is not it
 */
export async function changePassphrase(
  sql: Sql,
  team: Team,
  person: { id: string; name: string },
  sessionId: string,
  input: z.output<typeof ownPassphraseSchema>,
  now: Date
): Promise<'passphrase'> {
  const [before] = await sql`
    select passphrase from sign_in where team_id = ${team.id} and person_id = ${person.id}`;
  if (before && !(await isSecret(before.passphrase, input.current)))
    refuse('current', 'That is not the one you have.');
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
