import { askerOf } from '$lib/server/live/asker';
import { heldStream, noLine } from '$lib/server/live/stream';
import type { RequestHandler } from './$types';

/**
 * Whose line of instruments it is that somebody asks to speak on: the relay asks, with what the asker showed it. The answer stays open
 * for as long as they may.
 */
export const GET: RequestHandler = ({ locals }) =>
  new Response(heldStream(locals.team!, askerOf(locals)) ?? noLine(), {
    headers: { 'content-type': 'application/x-ndjson' }
  });
