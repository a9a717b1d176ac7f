import { error } from '@sveltejs/kit';
import { ownData } from '$lib/server/access/own-data';
import { db } from '$lib/server/base/db';
import type { RequestHandler } from './$types';

/** All that is kept about whoever asks, as a file. */
export const GET: RequestHandler = async ({ locals: { team, person } }) => {
  if (!team || !person) error(404, 'Say who you are first.');
  const data = await ownData(db(), team.id, person.id);
  return new Response(JSON.stringify({ team: team.name, ...data }, null, 2), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': 'attachment; filename="about-you.json"'
    }
  });
};
