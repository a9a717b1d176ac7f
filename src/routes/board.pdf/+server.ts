import { error } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { boardPaper } from '$lib/core/paper/board-paper';
import { boardPage } from '$lib/server/readiness/board';
import { db } from '$lib/server/base/db';
import { paperResponse, printing } from '$lib/server/pdf/respond';
import type { RequestHandler } from './$types';

/** The board of a weekend on paper. */
export const GET: RequestHandler = printing(async ({ locals, url }) => {
  const team = locals.team;
  if (!team) error(404, 'There is no team yet.');
  const asked = id.safeParse(url.searchParams.get('outing') ?? '');
  const board = await boardPage(db(), team, asked.success ? asked.data : null, new Date());
  return paperResponse(boardPaper({ team: team.name, ...board }), url);
});
