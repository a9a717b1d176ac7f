import { COMMANDS } from '../../core/command/commands';
import { keptOf } from '../../core/command/kept';
import type { Envelope, Outcome } from '../../core/command/envelope';
import { unkeepable } from '../../core/command/text';
import { errorsByField } from '../../core/forms';
import type { Sql } from '../base/db';
import { awayWords, isAway, refusalOf } from '../base/problems';
import { Refusal } from '../base/refusal';
import { foundTeam } from '../team/teams';
import { sameBody } from '../commands/claim';

/**
 * Sets up a new team with its first person: the one command that nobody of the team can have sent. It is kept among the new
 * team's commands like any other; sent twice, it is one team.
 */
export async function foundByCommand(
  sql: Sql,
  c: Envelope,
  device: string
): Promise<{ outcome: Outcome; team: { id: string; personId: string } | null }> {
  const no = (errors: Record<string, string>, more: Record<string, unknown> = {}) => ({
    outcome: { id: c.id, ok: false as const, errors, more },
    team: null
  });
  const body = keptOf('team.found', c.body);
  const odd = unkeepable(body);
  if (Object.keys(odd).length > 0) return no(odd);
  const parsed = COMMANDS['team.found'].safeParse(body);
  if (!parsed.success) return no(errorsByField(parsed.error));
  const input = parsed.data;
  const team = { id: input.id, personId: input.you.id };
  const yes = { outcome: { id: c.id, ok: true as const, data: input.id }, team };
  try {
    return await sql.begin(async (tx) => {
      const [before] = await tx`
        select kind = 'team.found' and ${sameBody(tx, body, c.body)} as same from command where team_id = ${input.id} and id = ${c.id}`;
      if (before?.same) return yes;
      if (before) throw new Refusal({ '': 'That was sent before, with other content. Open the page again.' });
      await foundTeam(tx, input);
      await tx`
        insert into command (team_id, id, kind, person_id, device, at, body, answer)
        values (${input.id}, ${c.id}, 'team.found', ${input.you.id}, ${device}, ${c.at}, ${tx.json(body as never)}, ${tx.json(input.id)})`;
      return yes;
    });
  } catch (e) {
    const refusal = refusalOf(e);
    if (refusal) return no(refusal.errors, refusal.more);
    if (isAway(e)) return no({ '': awayWords(e) }, { retry: true });
    throw e;
  }
}
