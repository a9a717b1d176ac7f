import { teamSchema } from '$lib/core/machine/form';
import { answer, readBody } from '$lib/server/command';
import { db } from '$lib/server/db';
import { createTeam } from '$lib/server/teams';
import type { RequestHandler } from './$types';

const YEAR = 31_536_000;

/** A new team: there is nobody yet to stamp it with, so it is not a command. The device then works in it, as its founder. */
export const POST: RequestHandler = async (event) => {
  const body = await readBody(event, teamSchema);
  if (body instanceof Response) return body;
  return answer(async () => {
    const team = await createTeam(db(), body.data);
    const cookie = { path: '/', maxAge: YEAR, sameSite: 'lax', httpOnly: false, secure: false } as const;
    event.cookies.set('ht_team', team.id, cookie);
    event.cookies.set('ht_who', body.data.you.id, cookie);
    return team.id;
  });
};
