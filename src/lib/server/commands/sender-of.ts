import type { RequestEvent } from '@sveltejs/kit';
import type { Sender } from './run';
import { refuse } from '../base/refusal';

/**
 * Who writes on this device: the team it works in, and the person it named.
 * @throws Refusal where there is no team yet, or nobody has said who is working
 */
export function senderOf(event: Pick<RequestEvent, 'locals'>, device = ''): Sender {
  const { team, person } = event.locals;
  if (!team) return refuse('', 'Set up a team first.');
  if (!person)
    return refuse('', 'Say who is working first: the list at the top of the page.', { needsWho: true });
  return { team, person, device };
}
