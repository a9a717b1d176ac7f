import { askerOf } from '$lib/server/live/asker';
import { liveStream, noLine } from '$lib/server/live/stream';
import type { RequestHandler } from './$types';

/** What is written in the team of whoever asks, as it is written. */
export const GET: RequestHandler = ({ locals, request }) => {
  const stream = liveStream(locals.team!, askerOf(locals), request.headers.get('last-event-id')) ?? noLine();
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
  });
};
