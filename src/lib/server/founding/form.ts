import { timingSafeEqual } from 'node:crypto';
import type { RequestEvent } from '@sveltejs/kit';
import type { z } from 'zod';
import type { founderSchema } from '../../core/access/form';
import { formId } from '../commands/form';
import { foundByCommand } from './command';
import { db, type Sql } from '../base/db';
import { Refusal, refuse } from '../base/refusal';
import { hasTeams } from '../team/teams';
import { setPassphrase } from '../access/enter';
import { isSecret, weakness } from '../access/secrets';
import { beginSession } from '../access/sessions';

/**
 * Whether a new team may be set up from where somebody asks: from the machine itself; as chief mechanic of a team here; or, where no
 * team is yet and the server is elsewhere, with the secret it was started with.
 */
export async function mayFound({ locals, url }: Pick<RequestEvent, 'locals' | 'url'>): Promise<boolean> {
  if (locals.local || (locals.session !== null && locals.person?.role === 'chief mechanic')) return true;
  const secret = process.env.HOUR_TRAIL_SETUP ?? '';
  const shown = url.searchParams.get('setup') ?? '';
  if (secret.length < 16 || shown.length !== secret.length) return false;
  return timingSafeEqual(Buffer.from(shown), Buffer.from(secret)) && !(await hasTeams(db()));
}

/**
 * Sets up a team, with the account of its first person. Sent twice, it is one team: the second time the passphrase is held against
 * the first.
 * @returns the key of a session
 */
export async function foundWithPassphrase(
  sql: Sql,
  { passphrase, ...input }: z.output<typeof founderSchema>
): Promise<string> {
  const { id, personId, name, timeZone, you } = input;
  const body = { id, name, timeZone, you: { id: personId, name: you, role: 'chief mechanic' } };
  const at = new Date().toISOString();
  const command = { id: formId('team.found', body), kind: 'team.found' as const, at, body, after: null };
  const weak = weakness(passphrase, [you, name]);
  if (weak) refuse('passphrase', weak);
  const { outcome } = await foundByCommand(sql, command, 'a page');
  if (!outcome.ok) throw new Refusal(outcome.errors, outcome.more);
  return sql.begin(async (tx) => {
    await tx`select 1 from team where id = ${id} for no key update`;
    const [there] =
      await tx`select passphrase from sign_in where team_id = ${id} and person_id = ${personId}`;
    if (there && !(await isSecret(there.passphrase, passphrase)))
      refuse('passphrase', 'The team is set up already, with another one. Sign in.');
    if (!there) await setPassphrase(tx, id, personId, passphrase);
    return beginSession(tx, { teamId: id, personId, deviceId: null, how: 'founding' });
  });
}
