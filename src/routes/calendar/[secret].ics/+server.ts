import { error } from '@sveltejs/kit';
import { entriesOf, feedBy, icsOf } from '$lib/server/calendar/feeds';
import { db } from '$lib/server/base/db';
import type { RequestHandler } from './$types';

const SECRET = /^[\w-]{40,60}$/;

/** A calendar by its address: whoever has that reads it, whatever team or person his device is of. */
export const GET: RequestHandler = async ({ params }) => {
  const sql = db();
  const subject = SECRET.test(params.secret) ? await feedBy(sql, params.secret) : null;
  if (!subject) error(404, 'No calendar is at this address, or not any more.');
  const now = new Date();
  return new Response(icsOf(subject.of, await entriesOf(sql, subject, now), now), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'inline; filename="hour-trail.ics"',
      'cache-control': 'private, max-age=600',
      'x-robots-tag': 'noindex'
    }
  });
};
