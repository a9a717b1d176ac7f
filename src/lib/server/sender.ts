import type { RequestEvent } from '@sveltejs/kit';
import type { Role } from '../core/team/team';
import type { Sender } from './commands/run';
import { db } from './db';
import { refuse } from './refusal';

/**
 * Who writes on this device: the team it works in, and the person it named.
 * @throws Refusal where there is no team yet, or nobody has said who is working
 */
export async function senderOf(event: Pick<RequestEvent, 'locals'>, device = ''): Promise<Sender> {
  const { team, personId } = event.locals;
  if (!team) return refuse('', 'Set up a team first.');
  const [person] = personId
    ? await db()`select id, role from person where team_id = ${team.id} and id = ${personId}`
    : [];
  if (!person)
    return refuse('', 'Say who is working first: the list at the top of the page.', { needsWho: true });
  return { team, person: { id: person.id as string, role: person.role as Role }, device };
}
