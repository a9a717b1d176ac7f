import { error } from '@sveltejs/kit';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { sendTeamFile } from '$lib/server/exchange/team/out';
import type { RequestHandler } from './$types';

/** The whole team as one file. */
export const GET: RequestHandler = async ({ locals, url }) => {
  const team = locals.team;
  if (!team) error(404, 'There is no team yet.');
  // A whole book is read for it: not for a question that has no answer here.
  if (url.search) error(400, 'This address takes no more than itself: it is the whole team.');
  const now = new Date();
  const { body, bytes } = await sendTeamFile(db(), team, now);
  const name = `${team.name.replace(/[^\p{L}\p{N} -]/gu, '').trim() || 'team'} ${dayOf(now, team.timeZone)}.zip`;
  return new Response(body, {
    headers: {
      'content-type': 'application/zip',
      'content-length': String(bytes),
      'content-disposition': `attachment; filename="team.zip"; filename*=UTF-8''${encodeURIComponent(name)}`
    }
  });
};
