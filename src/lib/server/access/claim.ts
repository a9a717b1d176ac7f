import type { z } from 'zod';
import type { claimSchema } from '../../core/access/form';
import type { Sql } from '../base/db';
import { refuse } from '../base/refusal';
import type { In } from './enter';
import { isSecret, weakness } from './secrets';
import { setPassphrase } from './enter';
import { beginSession } from './sessions';

/** Makes somebody the first who can come into a team: one brought in as a file, or from before people signed in. */
export async function claimTeam(sql: Sql, input: z.output<typeof claimSchema>): Promise<In> {
  const [who] = await sql`
    select p.name, p.role, t.name as team from person p join team t on t.id = p.team_id
    where p.team_id = ${input.team} and p.id = ${input.person} and p.left_at is null and not t.is_demo`;
  if (!who) return refuse('person', 'Pick who you are.');
  const weak = weakness(input.passphrase, [who.name, who.team]);
  if (weak) refuse('passphrase', weak);
  return sql.begin(async (tx) => {
    await tx`select 1 from team where id = ${input.team} for no key update`;
    const [there] = await tx`select person_id, passphrase from sign_in where team_id = ${input.team} limit 1`;
    // Sent twice, it is one: the same person with the same words.
    if (there && !(there.person_id === input.person && (await isSecret(there.passphrase, input.passphrase))))
      refuse('', 'Somebody can come into this team already. Sign in, or let them invite you.');
    if (!there) {
      await setPassphrase(tx, input.team, input.person, input.passphrase);
      // Somebody has to be able to let the others in.
      await tx`update person set role = 'chief mechanic' where team_id = ${input.team} and id = ${input.person}`;
    }
    return {
      teamId: input.team,
      personId: input.person,
      role: 'chief mechanic',
      session: await beginSession(tx, {
        teamId: input.team,
        personId: input.person,
        deviceId: null,
        how: 'founding'
      }),
      device: null
    };
  });
}
