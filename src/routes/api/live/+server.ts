import { error } from '@sveltejs/kit';
import { isInForce } from '$lib/server/access/sessions';
import { db } from '$lib/server/db';
import { liveStream } from '$lib/server/live/stream';
import type { RequestHandler } from './$types';

/** What is written in the team of whoever asks, as it is written. */
export const GET: RequestHandler = ({ locals, request }) => {
  const { team, session } = locals;
  const stillIn = async () => session === null || (await isInForce(db(), team!.id, session.id));
  const stream = liveStream(team!, request.headers.get('last-event-id'), stillIn);
  if (stream === null) error(503, 'As many look on as this server can tell. Try again in a while.');
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
  });
};
